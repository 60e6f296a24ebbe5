import type { Hierarchy, Listing } from '../hierarchy';
import { missingCharacters } from '../measure';
import { finding, own, type DiagramCommon, type Finding } from '../model';

/** Checks that every kind's list knows. Each gives findings with words for people; a kind puts together those it wants, with its own. */

export const nameOf = (diagram: DiagramCommon, id: string): string =>
  own(diagram.entries, id)?.name || 'An entry without a name';

/** The first few of some entries by name. */
export const someNames = (diagram: DiagramCommon, ids: readonly string[]): string =>
  `${ids
    .slice(0, 3)
    .map((id) => nameOf(diagram, id))
    .join(', ')}${ids.length > 3 ? ' …' : ''}`;

export function tray({ notPlaced }: DiagramCommon): Finding<'not-placed'>[] {
  const n = notPlaced.length;
  if (n === 0) return [];
  const message = `${n} ${n === 1 ? 'line of the list has' : 'lines of the list have'} no place yet. Find them under the list.`;
  return [finding('not-placed', 'warning', message)];
}

export function nameless(diagram: DiagramCommon, { ids }: Listing): Finding<'no-name'>[] {
  const none = ids.filter((id) => own(diagram.entries, id)!.name.trim() === '');
  if (none.length === 0) return [];
  const message = `${none.length} ${none.length === 1 ? 'entry has' : 'entries have'} no name.`;
  return [finding('no-name', 'warning', message, { entries: none })];
}

/** Names that stand in the list several times. `repeated`: a role of which several may have one name. */
export function sameNames(diagram: DiagramCommon, { ids }: Listing, repeated: string | null): Finding<'same-name'>[] {
  const byName = new Map<string, string[]>();
  for (const id of ids) {
    const { name, role } = own(diagram.entries, id)!;
    if ((role !== null && role === repeated) || name.trim() === '') continue;
    const key = name.trim().toLowerCase();
    const list = byName.get(key);
    if (list) list.push(id);
    else byName.set(key, [id]);
  }
  return [...byName.values()]
    .filter((same) => same.length > 1)
    .map((same) =>
      finding('same-name', 'warning', `${nameOf(diagram, same[0]!)} stands in the list ${same.length} times.`, {
        entries: same,
      }),
    );
}

export function glyphs(diagram: DiagramCommon, { ids }: Listing): Finding<'no-glyph'>[] {
  const missing = new Set<string>();
  const entries: string[] = [];
  for (const id of ids) {
    const { name, details } = own(diagram.entries, id)!;
    const found = missingCharacters([name, ...details].join(''));
    if (found.length === 0) continue;
    entries.push(id);
    for (const character of found) missing.add(character);
  }
  if (entries.length === 0) return [];
  const shown = [...missing].slice(0, 8).join(' ');
  const message = `The fonts lack some characters (${shown}); on other machines they may look different or be missing.`;
  return [finding('no-glyph', 'warning', message, { entries })];
}

export function severalTops(diagram: DiagramCommon, { ids, roots }: Hierarchy): Finding<'several-tops'>[] {
  if (roots < 2) return [];
  const tops = ids.slice(0, roots);
  return [
    finding('several-tops', 'note', `${roots} entries stand at the top: ${someNames(diagram, tops)}.`, {
      entries: tops,
    }),
  ];
}
