import { boxDrawingChecks, nameOf, nameless, someNames, tray, type BoxDrawingFinding } from '../../check';
import { finding, own, pushTo, type BoxStyle, type Finding } from '../../model';
import { foldName } from '../../read';
import type { Scene } from '../../scene';
import type { CommonCommand } from '../../edit';
import { islandsOf } from './figures/figures';
import type { ConceptMap } from './model';
import { sentenceOf } from './sentences';
import { linksInOrder, type MapListing } from './structure';

/** All that a check of a concept map can find. */
export type MapFinding =
  | BoxDrawingFinding
  | 'not-placed'
  | 'no-name'
  | 'no-phrase'
  | 'not-connected'
  | 'sentence-in-box'
  | 'said-twice'
  | 'same-idea'
  | 'phrase-as-idea'
  | 'many-ideas'
  | 'no-focus-question'
  | 'islands';
type Found = Finding<MapFinding>[];

/** More words than this in a box are a sentence (common practice). */
const mostWords = 7;
/** About as many ideas make a good map for a class (Novak and Cañas 2008). */
const mostIdeas = 25;

/** What a concept map is tested against. O((ideas + links) log ideas). */
export function checkMap(diagram: ConceptMap, listing: MapListing, styles: readonly BoxStyle[], scene: Scene): Found {
  return [
    ...tray(diagram),
    ...nameless(diagram, listing),
    ...phrases(diagram, listing),
    ...twice(diagram, listing),
    ...ideas(diagram, listing),
    ...whole(diagram, listing),
    ...boxDrawingChecks(diagram, listing, styles, scene, 'Take a larger sheet, or another arrangement.'),
  ];
}

function phrases(diagram: ConceptMap, listing: MapListing): Found {
  return linksInOrder(diagram, listing)
    .filter(({ phrase }) => phrase.trim() === '')
    .map(({ from, to }) =>
      finding(
        'no-phrase',
        'warning',
        `The link from ${nameOf(diagram, from)} to ${nameOf(diagram, to)} has no linking phrase; say how they are connected.`,
        { entries: [from, to] },
      ),
    );
}

function twice(diagram: ConceptMap, listing: MapListing): Found {
  const seen = new Map<string, string[]>();
  for (const link of linksInOrder(diagram, listing))
    pushTo(seen, `${link.from} ${link.to} ${foldName(link.phrase)}`, link.id);
  return [...seen.values()]
    .filter(({ length }) => length > 1)
    .map((ids) => {
      const link = own(diagram.links, ids[0]!)!;
      return finding('said-twice', 'warning', `“${sentenceOf(diagram, link)}” is said ${ids.length} times.`, {
        entries: [link.from, link.to],
      });
    });
}

function ideas(diagram: ConceptMap, { ids }: MapListing): Found {
  const linked = new Set(Object.values(diagram.links).flatMap(({ from, to }) => [from, to]));
  const said = new Set(Object.values(diagram.links).map(({ phrase }) => foldName(phrase)));
  const byName = new Map<string, string[]>();
  for (const id of ids) pushTo(byName, foldName(own(diagram.entries, id)!.name), id);
  return [
    ...ids.flatMap((id): Found => {
      const { name } = own(diagram.entries, id)!;
      const words = name.trim().split(/\s+/).length;
      return [
        ...(!linked.has(id)
          ? [
              finding('not-connected', 'warning', `${nameOf(diagram, id)} is connected with nothing.`, {
                entries: [id],
              }),
            ]
          : []),
        ...(words > mostWords
          ? [
              finding(
                'sentence-in-box',
                'warning',
                `${nameOf(diagram, id)} has ${words} words: a whole sentence in a box. Part it into ideas and a linking phrase.`,
                { entries: [id] },
              ),
            ]
          : []),
        ...(name.trim() !== '' && said.has(foldName(name))
          ? [
              finding('phrase-as-idea', 'warning', `“${name}” is used as an idea and as a linking phrase.`, {
                entries: [id],
              }),
            ]
          : []),
      ];
    }),
    ...[...byName].flatMap(([name, alike]): Found =>
      name === '' || alike.length < 2
        ? []
        : [
            finding(
              'same-idea',
              'warning',
              `${alike.length} ideas are called ${nameOf(diagram, alike[0]!)}; one idea stands once, with all its links.`,
              { entries: alike },
            ),
          ],
    ),
  ];
}

function whole(diagram: ConceptMap, listing: MapListing): Found {
  const islands = islandsOf(diagram, listing).filter(({ length }) => length > 1);
  const count = listing.ids.length;
  return [
    ...(islands.length > 1
      ? [
          finding(
            'islands',
            'note',
            `The map has ${islands.length} parts that nothing connects: ${islands
              .slice(0, 3)
              .map((island) => someNames(diagram, island.slice(0, 2)))
              .join('; ')}${islands.length > 3 ? ' …' : ''}.`,
            { entries: islands.slice(1).flat() },
          ),
        ]
      : []),
    ...(count > mostIdeas
      ? [
          finding(
            'many-ideas',
            'note',
            `The map has ${count} ideas; about ${mostIdeas} are as many as a class takes in at once (common practice).`,
          ),
        ]
      : []),
    ...(count > 0 && diagram.map.manner.question.trim() === ''
      ? [finding('no-focus-question', 'note', 'The map has no focus question. Say in Arrange what it is to answer.')]
      : []),
  ];
}

/** What mends a finding: of propositions that are said again one stays, ideas of one name become one. */
export function fixMap(
  diagram: ConceptMap,
  listing: MapListing,
  { code, entries }: Finding,
): { readonly words: string; readonly gesture: readonly CommonCommand[] } | null {
  if (code === 'said-twice') {
    const seen = new Set<string>();
    const again = linksInOrder(diagram, listing).filter(({ from, to, phrase }) => {
      if (from !== entries[0] || to !== entries[1]) return false;
      const key = foldName(phrase);
      if (seen.has(key)) return true;
      seen.add(key);
      return false;
    });
    return again.length === 0
      ? null
      : { words: 'Say it once', gesture: again.map(({ id }) => ({ kind: 'removeLink', id })) };
  }
  if (code === 'same-idea') {
    const [stays, ...others] = entries.filter((id) => own(diagram.entries, id));
    if (stays === undefined || others.length === 0) return null;
    const going = new Set(others);
    const end = (id: string) => (going.has(id) ? stays : id);
    const moved = Object.values(diagram.links).flatMap((link): CommonCommand[] => {
      const [from, to] = [end(link.from), end(link.to)];
      if (from === link.from && to === link.to) return [];
      return from === to ? [] : [{ kind: 'changeLink', id: link.id, patch: { from, to } }];
    });
    return { words: 'Make them one', gesture: [...moved, { kind: 'removeEntries', ids: others }] };
  }
  return null;
}
