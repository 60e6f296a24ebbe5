import type { CommonCommand } from '../edit';
import { limits, own } from '../model';
import type { ListColumn } from './kind';

/** A column for the n-th detail line of an entry. */
export const detailColumn = (at: number, name: string): ListColumn => ({
  id: `detail-${at}`,
  name,
  type: 'text',
  width: 1,
  show: ({ entries }, id) => own(entries, id)?.details[at] ?? '',
  write({ entries }, id, typed) {
    const entry = own(entries, id);
    if (!entry) return { ok: false, reason: 'The entry is no longer in the list.' };
    if (typed.length > limits.detailLength)
      return { ok: false, reason: `A detail may have ${limits.detailLength} characters.` };
    const details = Array.from({ length: Math.max(entry.details.length, at + 1) }, (_, i) => entry.details[i] ?? '');
    details[at] = typed;
    while (details.length > 0 && details.at(-1) === '') details.pop();
    return { ok: true, gesture: [{ kind: 'setDetails', id, details } satisfies CommonCommand] };
  },
});
