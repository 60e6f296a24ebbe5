import type { Hierarchy, Listing } from '../hierarchy';
import { missingCharacters } from '../measure';
import { finding, own, pushTo, type DiagramCommon, type Finding } from '../model';

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
    pushTo(byName, name.trim().toLowerCase(), id);
  }
  return [...byName.values()]
    .filter((same) => same.length > 1)
    .map((same) =>
      finding('same-name', 'warning', `${nameOf(diagram, same[0]!)} stands in the list ${same.length} times.`, {
        entries: same,
      }),
    );
}

/** Scripts as people name them, by their Unicode names (UAX #24). */
const scripts: readonly (readonly [name: string, of: RegExp])[] = [
  ['Burmese', /\p{Script=Myanmar}/u],
  ['Telugu', /\p{Script=Telugu}/u],
  ['Kannada', /\p{Script=Kannada}/u],
  ['Malayalam', /\p{Script=Malayalam}/u],
  ['Gujarati', /\p{Script=Gujarati}/u],
  ['Punjabi', /\p{Script=Gurmukhi}/u],
  ['Sinhala', /\p{Script=Sinhala}/u],
  ['Khmer', /\p{Script=Khmer}/u],
  ['Lao', /\p{Script=Lao}/u],
  ['Chinese', /\p{Script=Han}/u],
  ['Japanese', /[\p{Script=Hiragana}\p{Script=Katakana}]/u],
  ['Korean', /\p{Script=Hangul}/u],
  ['Arabic', /\p{Script=Arabic}/u],
  ['Hebrew', /\p{Script=Hebrew}/u],
  ['Devanagari', /\p{Script=Devanagari}/u],
  ['Bengali', /\p{Script=Bengali}/u],
  ['Tamil', /\p{Script=Tamil}/u],
  ['Thai', /\p{Script=Thai}/u],
  ['Georgian', /\p{Script=Georgian}/u],
  ['Armenian', /\p{Script=Armenian}/u],
  ['Ethiopic', /\p{Script=Ethiopic}/u],
];
const scriptOf = (character: string): string => scripts.find(([, of]) => of.test(character))?.[0] ?? '';

/** What no shipped font has, in entries and in the title block: one finding a script. */
export function glyphs(diagram: DiagramCommon, { ids }: Listing): Finding<'no-glyph'>[] {
  const found = new Map<string, { readonly characters: Set<string>; readonly entries: string[]; title: boolean }>();
  const look = (text: string, entry: string | null) => {
    for (const character of missingCharacters(text)) {
      const script = scriptOf(character);
      let one = found.get(script);
      if (!one) found.set(script, (one = { characters: new Set(), entries: [], title: false }));
      one.characters.add(character);
      if (entry === null) one.title = true;
      else if (one.entries.at(-1) !== entry) one.entries.push(entry);
    }
  };
  for (const id of ids) {
    const { name, details } = own(diagram.entries, id)!;
    look([name, ...details].join(' '), id);
  }
  const { shown, title, subtitle, author, date } = diagram.titleBlock;
  if (shown) look([title, subtitle, author, date].join(' '), null);
  return [...found].map(([script, { characters, entries, title: inTitle }]) => {
    const some = [...characters].slice(0, 8).join(' ');
    const what = script ? `${script} characters (${some})` : `Some characters (${some})`;
    const places = [
      ...(entries.length > 0 ? [someNames(diagram, entries)] : []),
      ...(inTitle ? ['the title block'] : []),
    ].join(', and in ');
    const message = `${what} print as empty boxes, as no font here has them: in ${places}. Write them in other letters, or hand out the list as CSV.`;
    return finding('no-glyph', 'warning', message, { entries });
  });
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
