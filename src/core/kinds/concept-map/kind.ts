import { changesTold, directions, listedStyles, type Fit, type Kind } from '../../kind';
import { capital, emptyCommon, type Finding } from '../../model';
import { commonSigns, ListTokens, takenFrom, titleAbove } from '../../read';
import type { Scene } from '../../scene';
import { checkMap, fixMap } from './check';
import { mapColumns } from './columns';
import { applyMap, mapCommands, mapEdits, type MapCommand } from './commands';
import { figureMap, type MapFigures } from './figures/figures';
import { addAbove, addBelow, addNextTo } from './gestures';
import { brokenMap, ConceptMap, emptyMap, example, type MapManner } from './model';
import { readMap, readMapText } from './read/read';
import type { MapReading } from './read/result';
import { signsOfLinks } from './read/signs';
import { mapScene } from './scene/scene';
import { mapSet } from './scene/set';
import { mapStructure, type MapListing } from './structure';
import { mapChanges } from './update';
import { mapHeadings, mapLinkKinds, mapRoleList, mapRoles } from './words';
import { mapDot, mapGraphml } from './write/graphs';
import { mapCsv, mapText } from './write/lists';
import { isTold } from './write/order';

/** From so many ideas and links on, arranging takes longer than a frame. */
const longFrom = 40;

interface MapTypes {
  readonly diagram: ConceptMap;
  readonly listing: MapListing;
  readonly reading: MapReading;
  readonly scene: Scene;
  readonly figures: MapFigures;
  readonly command: MapCommand;
  readonly scope: never;
  readonly belongings: object;
}

const mannered = (patch: Partial<MapManner>): readonly MapCommand[] => [{ kind: 'setMap', patch }];

export const conceptMap: Kind<MapTypes> = {
  id: 'concept-map',
  name: 'Concept map',
  nameInSentence: 'concept map',
  entryNoun: ['idea', 'ideas'],
  holds: 'Ideas, and how they are connected',
  schemas: { diagram: ConceptMap, commands: mapCommands, scopes: [], belongings: {} },
  empty: (common) => ({
    kind: 'concept-map',
    ...common,
    sheet: { ...common.sheet, orientation: 'open' },
    arrangement: { ...common.arrangement, tiers: 'bands', lowest: 'row', widest: 170 },
    map: emptyMap,
  }),
  broken: brokenMap,
  edits: mapEdits,
  apply: applyMap,
  adds(diagram, where, at, newId) {
    const made = { idea: newId(), link: newId() };
    const gesture =
      at === null || where === 'next'
        ? addNextTo(diagram, at, made)
        : where === 'above'
          ? addAbove(diagram, at, made)
          : addBelow(diagram, at, made);
    return gesture && { added: made.idea, gesture };
  },

  headings: mapHeadings,
  columnUses: [
    { use: 'from', words: 'an idea' },
    { use: 'phrase', words: 'the linking phrase' },
    { use: 'to', words: 'the idea it leads to' },
    { use: 'role', words: 'whether it is an example' },
    { use: 'id', words: 'a number' },
    { use: 'detail', words: 'a detail line' },
    { use: 'field', words: 'kept, not drawn' },
    { use: 'leftOut', words: 'left out' },
  ],
  columns: mapColumns,
  read: readMap,
  told(read) {
    const words: Record<MapReading['structure'], string> = {
      arrows: 'Arrows tell which idea leads to which, and by which phrase.',
      adjacency: 'Each line lists the ideas that one leads to.',
      propositions: 'Three columns tell idea, linking phrase and idea.',
      sentences: 'Plain sentences: ideas are those that come again.',
      'phrase-outline': 'Indents and phrases tell what leads to what.',
      indent: 'Indents tell which idea leads to which; the linking phrases are still to be written.',
      graphml: 'A GraphML file tells nodes and edges.',
      dot: 'A graph in the DOT language tells nodes and edges.',
      flat: 'Nothing tells how the ideas are connected yet.',
      none: 'Nothing was read.',
    };
    return words[read.structure];
  },
  fits: fitOf,
  make(read, title) {
    const base = conceptMap.empty(emptyCommon(title));
    const taken = takenFrom(read);
    return {
      ...base,
      ...taken,
      map: {
        ...base.map,
        manner: {
          ...base.map.manner,
          question: read.question,
          focus: read.focus,
          way: isStar(read) ? 'rings' : 'ranked',
        },
      },
    };
  },
  titleIn: (read) => titleAbove(read) || capital(read.question) || (read.graph ?? ''),
  reported: (read) => ({ focusQuestion: read.question, focus: read.focus }),
  csv: mapCsv,
  text: mapText,
  writes: { graphml: mapGraphml, dot: mapDot },
  lineTold:
    'One proposition a line: tides --carry--> silt. A line with an idea alone may tell its details after a tab; e.g. before a name makes it an example. Esc leaves.',
  indents: false,
  update: (diagram, text, newId) =>
    changesTold(
      text,
      mapText(diagram),
      (now) => readMapText(new ListTokens(now, mapHeadings), isTold(diagram)),
      (read) => mapChanges(diagram, read, newId),
    ),

  options: [
    directions,
    {
      name: 'way',
      choices: {
        ranked: mannered({ way: 'ranked' }),
        rings: mannered({ way: 'rings' }),
        even: mannered({ way: 'even' }),
      },
    },
    {
      name: 'arrows',
      choices: {
        needed: mannered({ arrows: 'needed' }),
        always: mannered({ arrows: 'always' }),
        never: mannered({ arrows: 'never' }),
      },
    },
  ],
  roles: mapRoleList,
  settableRoles: [example],
  linkKinds: mapLinkKinds,
  structure: mapStructure,
  ...listedStyles(mapRoles),
  takesLong: ({ entries, links }) => Object.keys(entries).length + Object.keys(links).length >= longFrom,
  scene: mapScene,
  legend: ['tiers', 'roles'],
  sheetOpen: true,
  set: mapSet,
  sheets: {
    blank: (diagram) => ({ ...diagram, map: { ...diagram.map, manner: { ...diagram.map.manner, blanked: true } } }),
    answers: (diagram) => ({ ...diagram, map: { ...diagram.map, manner: { ...diagram.map.manner, blanked: false } } }),
  },
  check: (diagram, structure, styles, scene): Finding[] => checkMap(diagram, structure, styles, scene),
  fix: fixMap,
  figure: figureMap,
};

/** From so many satellites on, a map in which one idea is at an end of every link stands around it. */
const leastStar = 5;

function isStar({ links }: MapReading): boolean {
  const [first, second] = links;
  if (links.length < leastStar || !first || !second) return false;
  return [first.from, first.to].some((middle) => links.every(({ from, to }) => from === middle || to === middle));
}

/** How well a list fits a concept map: arrows, phrases and graphs tell one; an outline without phrases might be one. */
function fitOf(read: MapReading): Fit | null {
  const { structure, entries, links } = read;
  if (entries.length === 0) return null;
  const phrased = links.length === 0 ? 0 : links.filter(({ phrase }) => phrase !== '').length / links.length;
  const isGraph = structure === 'graphml' || structure === 'dot';
  const told = `${entries.length} ${entries.length === 1 ? 'idea' : 'ideas'}, ${links.length} ${links.length === 1 ? 'proposition' : 'propositions'}`;
  return {
    words: links.length === 0 ? 'nothing is connected yet' : told,
    signs: { ...commonSigns(read), ...(isGraph && { odd: 0 }), ...signsOfLinks(read), phrased },
    because: conceptMap.told(read),
    against: phrased < 0.5 && links.length > 0 && !isGraph ? 'Most links have no linking phrase.' : '',
  };
}
