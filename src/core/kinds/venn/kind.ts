import { detailColumn, type Kind } from '../../kind';
import type { Listing } from '../../hierarchy';
import { createEntry, emptyCommon, evenKeys, type Entry, own } from '../../model';
import { commonSigns, foldName, titleAbove } from '../../read';
import { checkVenn } from './check';
import { applyVenn, vennBelongings, vennCommands, vennEdits, type VennCommand } from './commands';
import { exerciseSheet } from './figures/sorting';
import { figureVenn, type VennFigures } from './figures/figures';
import {
  brokenVenn,
  emptyVenn,
  regionKey,
  Venn,
  vennScopes,
  type VennManner,
  type VennScope,
  type VennSet,
} from './model';
import { readSets } from './read/sets';
import { setHeadings, type SetReading } from './read/set-list';
import { isToScale } from './scene/arrangement';
import { vennScene, type VennScene } from './scene/scene';
import { vennStructure } from './structure';
import { coloursOfSets, explainVenn, vennEntriesIn, vennStyles } from './styles';
import { updateVenn } from './update';
import { vennCsv, vennText } from './write';

const manners: Readonly<Record<SetReading['structure'], string>> = {
  'set-columns': 'Each column is a set.',
  'set-marks': 'Marks in the columns tell the sets.',
  'set-lists': 'The second column lists the sets.',
  'set-lines': 'Each line tells its sets after a colon.',
  'set-outline': 'The lines further out are sets.',
  none: 'Nothing tells sets yet.',
};

/** An empty list makes two empty sets to begin with. */
const setsToBeginWith = [
  { name: 'First set', items: [] },
  { name: 'Second set', items: [] },
];

/** Whether columns are rather those of a table of rows: all as long, and one shares nothing with the others, which do. */
function isTable({ structure, sets, entries }: SetReading, times: ReadonlyMap<string, number>): boolean {
  const sizes = sets.map(({ items }) => items.length);
  return (
    structure === 'set-columns' &&
    entries.length > 0 &&
    Math.max(...sizes) - Math.min(...sizes) <= 1 &&
    sets.some(({ items }) => items.every((item) => times.get(item) === 1))
  );
}

function makeVenn(read: SetReading, title: string): Venn {
  const base = venn.empty(emptyCommon(title));
  const told = read.sets.length > 0 ? read.sets : setsToBeginWith;
  const setKeys = evenKeys(told.length);
  const sets = told.map(({ name }, i): VennSet => ({ id: `s${i + 1}`, name, order: setKeys[i]!, colour: null }));
  const keys = evenKeys(read.entries.length);
  const entries = read.entries.map((one, i): Entry =>
    createEntry({
      id: one.id,
      name: one.name,
      details: [...one.details],
      fields: { ...one.fields },
      order: keys[i]!,
    }),
  );
  const members = new Map<string, string[]>();
  told.forEach(({ items }, i) => {
    for (const id of items) members.set(id, [...(members.get(id) ?? []), `s${i + 1}`]);
  });
  return {
    ...base,
    notPlaced: read.notPlaced.map((item, i) => ({ ...item, id: `line-${item.line}-${i + 1}` })),
    entries: Object.fromEntries(entries.map((entry) => [entry.id, entry])),
    venn: {
      ...base.venn,
      sets: Object.fromEntries(sets.map((set) => [set.id, set])),
      members: Object.fromEntries([...members].map(([id, all]) => [id, regionKey(all).split(',')])),
      manner: { ...base.venn.manner, universe: read.universe },
    },
  };
}

/** From this many entries on, setting them in their regions takes longer than a frame. */
const longFrom = 150;

const mannered = (patch: Partial<VennManner>): readonly VennCommand[] => [{ kind: 'setManner', patch }];

interface VennTypes {
  readonly diagram: Venn;
  readonly listing: Listing;
  readonly reading: SetReading;
  readonly scene: VennScene;
  readonly figures: VennFigures;
  readonly command: VennCommand;
  readonly scope: VennScope;
  readonly belongings: { readonly members?: Record<string, string[]> };
}

export const venn: Kind<VennTypes> = {
  id: 'venn',
  name: 'Venn diagram',
  nameInSentence: 'Venn diagram',
  entryNoun: ['item', 'items'],
  holds: 'Things, and the sets they are in',
  schemas: { diagram: Venn, commands: vennCommands, scopes: vennScopes, belongings: vennBelongings },
  empty: (common) => ({ kind: 'venn', ...common, venn: emptyVenn }),
  broken: brokenVenn,
  edits: vennEdits,
  apply: (diagram, command, work) => applyVenn(diagram, command, work),

  headings: setHeadings,
  columnUses: [
    { use: 'name', words: 'the name' },
    { use: 'set', words: 'a set' },
    { use: 'detail', words: 'a detail line' },
    { use: 'field', words: 'kept, not drawn' },
    { use: 'leftOut', words: 'left out' },
  ],
  columns: [detailColumn(0, 'Detail')],
  read: readSets,
  told: (read) => manners[read.structure],
  fits(read) {
    if (read.sets.length < 2 || read.entries.length === 0) return null;
    // Sets that hold an item each tell nothing together, nor do lists without marks that share nothing, or of which one is an item of another.
    const held = read.sets.some(({ items }) => items.length > 1);
    const times = new Map<string, number>();
    for (const { items } of read.sets) for (const item of items) times.set(item, (times.get(item) ?? 0) + 1);
    const names = new Set(read.entries.map(({ name }) => foldName(name)));
    const nested = read.sets.filter(({ name }) => names.has(foldName(name))).length;
    const none = read.entries.length - new Set(read.sets.flatMap(({ items }) => items)).size;
    return {
      words: `${read.sets.length} sets`,
      signs: {
        ...commonSigns(
          read,
          read.sets.map(({ name }) => name),
        ),
        'an item each': Number(!held),
        shared: [...times.values()].filter((count) => count > 1).length / read.entries.length,
        'none shared': Number(![...times.values()].some((count) => count > 1)),
        nested: nested / read.sets.length,
        'sets for items': Math.min(1, read.sets.length / read.entries.length),
        'whole rows': Number(isTable(read, times)),
        'in none': none / read.entries.length,
      },
      because: manners[read.structure],
      against: none > read.entries.length / 2 ? `${none} of ${read.entries.length} items are in no set.` : '',
    };
  },
  make: makeVenn,
  titleIn: (read) => titleAbove(read) || (read.universe.length <= 120 ? read.universe : ''),
  reported: ({ sets }) => ({ sets }),
  csv: vennCsv,
  text: vennText,
  says: ({ entries, venn: { sets, members } }) =>
    Object.entries(members).flatMap(([id, inside]) =>
      inside.map((set) => ({
        from: own(entries, id)?.name ?? '',
        phrase: 'is in',
        to: own(sets, set)?.name ?? '',
      })),
    ),
  lineTold:
    'One line an item, its sets after a colon: “curlew: mudflat, saltmarsh”. A first line “Sets: …” names them in their order. Details and pictures stay with their items.',
  indents: false,
  update: updateVenn,

  options: [
    {
      name: 'curves',
      choices: {
        equal: mannered({ shape: 'equal' }),
        circles: mannered({ shape: 'scaled-circles' }),
        ellipses: mannered({ shape: 'scaled-ellipses' }),
      },
    },
    {
      name: 'content',
      choices: {
        names: mannered({ content: 'names' }),
        scattered: mannered({ content: 'scattered' }),
        counts: mannered({ content: 'counts' }),
        blank: mannered({ content: 'blank' }),
      },
    },
  ],
  roles: [],
  settableRoles: [],
  linkKinds: [],
  structure: vennStructure,
  styles: vennStyles,
  explain: (diagram, _structure, scope) => explainVenn(diagram, scope),
  covers: vennEntriesIn,
  colours: coloursOfSets,
  originWords: { region: 'set for the region', set: 'set for the set' },
  showPictures: ({ venn: { manner } }) =>
    manner.content === 'scattered' ? [] : [{ kind: 'setManner', patch: { content: 'scattered' } }],
  takesLong: (diagram) => {
    const sets = Object.keys(diagram.venn.sets).length;
    return (sets === 3 && isToScale(diagram, sets)) || Object.keys(diagram.entries).length > longFrom;
  },
  scene: vennScene,
  legend: ['roles'],
  sheetOpen: false,
  set: null,
  sheets: {
    blank: (diagram) => exerciseSheet(diagram, 'to-fill-in'),
    answers: (diagram) => exerciseSheet(diagram, 'answered'),
  },
  check: checkVenn,
  figure: figureVenn,
};
