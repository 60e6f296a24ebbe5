import { detailColumn, type ListColumn } from '../../kind';
import { own } from '../../model';
import { example } from './model';

const roleColumn: ListColumn = {
  id: 'role',
  name: 'Kind',
  type: 'choice',
  width: 0.7,
  choices: ['', 'example'],
  show: ({ entries }, id) => (own(entries, id)?.role === example ? 'example' : ''),
  write: (_, id, typed) => {
    const word = typed.trim().toLowerCase();
    if (word !== '' && word !== 'example' && word !== 'idea')
      return { ok: false, reason: 'Write “example”, or leave it empty for an idea.' };
    return { ok: true, gesture: [{ kind: 'setRole', id, role: word === 'example' ? example : null }] };
  },
};

export const mapColumns: readonly ListColumn[] = [detailColumn(0, 'Detail'), roleColumn];
