import { checkVenn } from '../check';
import { figureVenn, type VennFigures } from '../figure';
import { createDiagram, createEntry, evenKeys, regionKey, type Entry, type Venn, type VennSet } from '../model';
import { readSets, senseOf, type ReadResult } from '../read';
import { isToScale, vennScene } from '../scene';
import { explainVenn, vennEntriesIn, vennStyles } from '../style';
import { vennStructure } from '../tiers';
import { vennCsv, vennText } from '../write';
import type { Kind } from './kind';
import { updateVenn } from './update-venn';

const manners: Partial<Record<ReadResult['structure'], string>> = {
  'set-columns': 'Each column is a set.',
  'set-marks': 'Marks in the columns tell the sets.',
  'set-lists': 'The second column lists the sets.',
  'set-lines': 'Each line tells its sets after a colon.',
  'set-outline': 'The lines further out are sets.',
};

/** An empty list makes two empty sets to begin with. */
const setsToBeginWith = [
  { name: 'First set', items: [] },
  { name: 'Second set', items: [] },
];

function makeVenn(read: ReadResult, title: string): Venn {
  const base = createDiagram('venn', title) as Venn;
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

export const venn: Kind<'venn', VennFigures> = {
  id: 'venn',
  name: 'Venn diagram',
  nameInSentence: 'Venn diagram',
  entryNoun: ['item', 'items'],
  detailColumns: ['Detail'],
  columnUses: ['name', 'set', 'detail', 'field', 'leftOut'],
  roles: [],
  settableRoles: [],
  read: readSets,
  told: (read) => manners[read.structure] ?? 'Nothing tells sets yet.',
  fits(read) {
    if (read.sets.length < 2 || read.entries.length === 0) return null;
    const strength = (read.structure === 'set-outline' ? 0.75 : 0.95) * senseOf(read);
    return { words: `${read.sets.length} sets`, strength };
  },
  make: makeVenn,
  structure: vennStructure,
  styles: vennStyles,
  explain: (diagram, _structure, scope) => explainVenn(diagram, scope),
  covers: vennEntriesIn,
  takesLong: (diagram) => {
    const sets = Object.keys(diagram.venn.sets).length;
    return (sets === 3 && isToScale(diagram, sets)) || Object.keys(diagram.entries).length > longFrom;
  },
  scene: vennScene,
  check: checkVenn,
  figure: figureVenn,
  csv: vennCsv,
  text: vennText,
  lineTold:
    'One line an item, its sets after a colon: “curlew: mudflat, saltmarsh”. Details and pictures stay with their items.',
  indents: false,
  update: updateVenn,
};
