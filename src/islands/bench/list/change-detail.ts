import type { Command } from '../../../core/diagram';
import type { Entry } from '../../../core/model';

/** Writes the i-th detail of an entry; empty ones at the end are not kept. */
export function changeDetail(entry: Entry, i: number, value: string): Command {
  const details = Array.from({ length: Math.max(entry.details.length, i + 1) }, (_, at) =>
    at === i ? value : (entry.details[at] ?? ''),
  );
  while (details.length > 0 && details.at(-1) === '') details.pop();
  return { kind: 'setDetails', id: entry.id, details };
}
