import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { brokenInvariants } from './check-diagram';
import { createDiagram } from './create';
import { type KindId, kindOf, kinds } from './diagram';
import { vennOf } from '../testing/arbitrary-venn';
import { looks } from '../style';
import { check, draw, drawApart } from './river';
import { readInAllKinds, tokensOf } from './reading';
import type { VennScene } from '../kinds/venn';

const list = (name: string) => readFileSync(new URL(`../../../demo/lists/${name}`, import.meta.url), 'utf8');
/** A kind without a list of its own here is tested on a plain one. */
const lists: Partial<Record<KindId, string>> = {
  'org-chart': list('brackwater-staff.csv'),
  'topic-tree': list('kinds-of-shore.txt'),
  'decision-tree': list('leaking-boardwalk.txt'),
  'family-tree': list('boathouse-family.csv'),
  'concept-map': list('productive-estuary.txt'),
  venn: list('volunteer-certificates.csv'),
};

describe.each(kinds.map((kind) => [kind.id, kind] as const))('the kind %s', (id, kind) => {
  const list = lists[id] ?? 'Shore\n\tRocky\n\tSandy, dunes behind';
  const read = kind.read(tokensOf(list));
  const diagram = kind.make(read, 'Demo');
  it('makes a diagram that holds together from its demo list, with everything in it', () => {
    expect(brokenInvariants(diagram)).toEqual([]);
    expect(Object.keys(diagram.entries)).toHaveLength(read.entries.length);
    expect(diagram.kind).toBe(id);
  });
  it('says how the structure was told, and fits that list best', () => {
    expect(kind.told(read)).toMatch(/\.$/);
    if (lists[id]) expect(readInAllKinds(list)[0]!.kind.id).toBe(id);
  });
  it('draws an empty list and an empty diagram without failing', () => {
    for (const empty of [kind.make(kind.read(tokensOf('')), 'Empty'), createDiagram(id, 'Empty')]) {
      const drawn = draw(empty);
      expect(drawn.scene.sheet.width).toBeGreaterThan(0);
      expect(Array.isArray(check(empty, drawn))).toBe(true);
    }
  });
  it('reads its own CSV back to as many entries of the same names', () => {
    const again = kind.make(kind.read(tokensOf(kind.csv(diagram))), 'Again');
    const names = (of: typeof diagram) =>
      Object.values(of.entries)
        .map(({ name }) => name)
        .sort();
    expect(names(again)).toEqual(names(diagram));
  });
  it('has a label to read out for every entry, and one band for each tier on the rail', () => {
    const { scene, structure } = draw(diagram);
    const labels = scene.groups.filter(({ stands }) => stands.for === 'entry').map(({ label }) => label);
    expect(labels).toHaveLength(read.entries.length);
    for (const label of labels) expect(label).not.toBe('');
    const counted = scene.tiers.reduce((sum, { count }) => sum + count, 0);
    expect(counted).toBe(structure.ids.length);
  });
  it('has a structure and a drawing that are plain data, which a worker can send', () => {
    const { structure, scene, styles } = draw(diagram);
    expect(structuredClone({ structure, scene, styles })).toEqual({ structure, scene, styles });
    expect(structuredClone(read)).toEqual(read);
  });
  it('explains every property of every scope that has something in it', () => {
    const structure = kind.structure(diagram);
    const explained = kind.explain(diagram, structure, { kind: 'everything' });
    expect(explained).not.toBeNull();
    for (const { origin } of Object.values(explained!)) expect(origin).toBeTruthy();
    expect(kind.covers(diagram, structure, { kind: 'everything' })).toHaveLength(structure.ids.length);
  });
});

describe('drawing away from the page', () => {
  it('is asked for where three sets are fitted to scale, not for what takes no time', () => {
    const venn = kindOf('venn');
    expect(venn.takesLong(vennOf(3, [1, 2, 4], undefined, { shape: 'scaled-ellipses' }))).toBe(true);
    expect(venn.takesLong(vennOf(2, [1, 2], undefined, { shape: 'scaled-circles' }))).toBe(false);
    expect(venn.takesLong(vennOf(3, [1, 2, 4]))).toBe(false);
    expect(kindOf('org-chart').takesLong(createDiagram('org-chart', ''))).toBe(false);
  });
  it('takes well under the time of an edit again when the counts have not changed', () => {
    const diagram = vennOf(3, [1, 2, 4, 3, 7, 7], undefined, { shape: 'scaled-ellipses' });
    const renamed = { ...diagram, entries: { ...diagram.entries, e0: { ...diagram.entries.e0!, name: 'Other' } } };
    // The same curves, to the last digit: they were not fitted anew.
    const scaled = (of: typeof diagram) => (draw(of).scene as VennScene).scaled;
    expect(scaled(renamed)).toEqual(scaled(diagram));
  });
});

describe('what is only tried', () => {
  it('leaves the drawing that is worked on alone: pointing at every look and back keeps every group the same object', () => {
    const diagram = kindOf('org-chart').make(kindOf('org-chart').read(tokensOf(lists['org-chart']!)), 'Staff');
    const { scene } = draw(diagram);
    for (const { id } of looks) drawApart({ ...diagram, look: id });
    const again = draw({ ...diagram }).scene;
    expect(again.groups).toHaveLength(scene.groups.length);
    again.groups.forEach((group, i) => expect(group).toBe(scene.groups[i]));
  });
  it('without caches apart it would not be so', () => {
    const diagram = kindOf('org-chart').make(kindOf('org-chart').read(tokensOf(lists['org-chart']!)), 'Staff');
    const { scene } = draw(diagram);
    for (const { id } of looks) draw({ ...diagram, look: id });
    const again = draw({ ...diagram }).scene;
    expect(again.groups.filter((group, i) => group === scene.groups[i]).length).toBeLessThan(scene.groups.length);
  });
});
