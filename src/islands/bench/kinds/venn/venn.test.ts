import { describe, expect, it } from 'vitest';
import { applyGesture, type Gesture } from '../../../../core/diagram';
import { draw } from '../../../../core/diagram';
import { maskOf, setsInOrder } from '../../../../core/kinds/venn';
import { type Diagram } from '../../../../core/diagram';
import { type Venn } from '../../../../core/kinds/venn';
import { vennOf } from '../../../../core/testing/arbitrary-venn';
import { createBench } from '../../store';
import { partsOf } from '..';
import { setNameAt } from './dragging-sets';
import { entryOfFile } from '../../pictures/entry-of-file';
import { newSet, pasteItems, tick } from './set-actions';

const diagram = vennOf(3, [1, 2, 3, 7, 0], (i) => ['curlew', 'skylark', 'teal', 'shelduck', 'turnstone'][i]!);
const drawn = draw(diagram);
const parts = partsOf('venn');
const after = (of: Diagram, gesture: Gesture | null): Venn => {
  const outcome = applyGesture(of, gesture ?? []);
  if (!outcome.ok || outcome.diagram.kind !== 'venn') throw new Error('refused');
  return outcome.diagram;
};
const middleOf = (entry: string, of = drawn) => {
  const group = of.scene.groups.find(({ stands }) => stands.for === 'entry' && stands.id === entry)!;
  return [group.x + group.bounds.width / 2, group.y + group.bounds.height / 2] as const;
};

const dropOf = (
  of: Parameters<typeof parts.drop>[0],
  on: Parameters<typeof parts.drop>[1],
  grabbed: { for: string; id: string },
  over: string | null,
  x: number,
  y: number,
) => parts.drop(of, on, { grabbed, selection: [], over, x, y, by: { x: 0, y: 0 } });

describe('dragging in a Venn diagram', () => {
  it('an item over another region says which in words, lights it, and would go there', () => {
    const plan = dropOf(diagram, drawn, { for: 'entry', id: 'e0' }, null, ...middleOf('e2'));
    expect(plan.words).toBe('curlew: mudflat and saltmarsh, not open water');
    expect(plan.target).toEqual({ for: 'region', id: 's0,s1' });
    expect(after(diagram, plan.gesture).venn.members.e0).toEqual(['s0', 's1']);
  });
  it('an item over its own region would do nothing', () => {
    const plan = dropOf(diagram, drawn, { for: 'entry', id: 'e0' }, null, ...middleOf('e0'));
    expect(plan).toMatchObject({ gesture: null, words: 'curlew is here: mudflat, not saltmarsh or open water' });
  });
  it('an item beside all curves leaves every set', () => {
    const plan = dropOf(diagram, drawn, { for: 'entry', id: 'e3' }, null, -50, -50);
    expect(after(diagram, plan.gesture).venn.members.e3).toBeUndefined();
  });
  it('every set can be taken by its name, and nothing else can', () => {
    for (const group of drawn.scene.groups) {
      if (group.stands.for !== 'set') continue;
      const name = group.children.find((one) => one.type === 'curvedText' || one.type === 'text')!;
      const [x, y] =
        name.type === 'curvedText'
          ? [name.glyphs[2]!.x, name.glyphs[2]!.y]
          : name.type === 'text'
            ? [name.x + 4, name.y - 4]
            : [0, 0];
      expect(setNameAt(drawn, group.x + x, group.y + y)).toEqual({ for: 'set', id: group.stands.id });
    }
    expect(setNameAt(drawn, ...middleOf('e3'))).toBeNull();
  });
  it('a set dropped on another swaps places with it, and back', () => {
    const order = (of: Venn) => setsInOrder(of.venn).map(({ id }) => id);
    const plan = dropOf(diagram, drawn, { for: 'set', id: 's0' }, null, ...middleOf('e1'));
    expect(plan).toMatchObject({
      words: 'mudflat and saltmarsh will swap their places',
      target: { for: 'set', id: 's1' },
    });
    const swapped = after(diagram, plan.gesture);
    expect(order(swapped)).toEqual(['s1', 's0', 's2']);
    const redrawn = draw(swapped);
    const back = dropOf(swapped, redrawn, { for: 'set', id: 's0' }, null, ...middleOf('e1', redrawn));
    expect(order(after(swapped, back.gesture))).toEqual(['s0', 's1', 's2']);
  });
  it('a set dropped on nothing says what it could be dropped on', () =>
    expect(dropOf(diagram, drawn, { for: 'set', id: 's0' }, null, -90, -90)).toEqual({
      words: 'mudflat: drop on another set to swap their places',
      gesture: null,
      target: null,
    }));
});

describe('keys and ticks', () => {
  it('the number of a set takes the selected item in and out', () => {
    const inside = after(diagram, parts.keyed(diagram, 'e0', '2'));
    expect(inside.venn.members.e0).toEqual(['s0', 's1']);
    expect(after(inside, parts.keyed(inside, 'e0', '2')).venn.members.e0).toEqual(['s0']);
    for (const key of ['4', '0', 'x']) expect(parts.keyed(diagram, 'e0', key)).toBeNull();
  });
  it('ticking the last set off leaves the item in none', () =>
    expect(after(diagram, tick(diagram, 'e0', 's0')).venn.members.e0).toBeUndefined());
  it('a further set comes after the others', () => {
    const sets = setsInOrder(after(diagram, newSet(setsInOrder(diagram.venn))).venn);
    expect(sets.map(({ name }) => name)).toEqual(['mudflat', 'saltmarsh', 'open water', 'Set 4']);
  });
});

describe('pasting lines into the grid', () => {
  const pasted = (text: string, at = 'e0') => {
    const found = pasteItems(diagram, at, text);
    return found && after(diagram, found.gesture);
  };
  it('each line becomes an item after that one, with the sets it names', () => {
    const next = pasted('knot: Mudflat, open water\nreed bunting')!;
    const sets = setsInOrder(next.venn);
    const list = Object.values(next.entries).sort((a, b) => (a.order < b.order ? -1 : 1));
    expect(list.map(({ name }) => name).slice(0, 3)).toEqual(['curlew', 'knot', 'reed bunting']);
    expect(maskOf(next.venn, sets, list[1]!.id)).toBe(0b101);
    expect(maskOf(next.venn, sets, list[2]!.id)).toBe(0);
  });
  it('words after a colon that are no sets stay in the name', () =>
    expect(Object.values(pasted('tern: a bird\nknot')!.entries).map(({ name }) => name)).toContain('tern: a bird'));
  it('a single line is pasted as text', () => expect(pasted('knot')).toBeNull());
});

describe('pictures by their names', () => {
  it('find the entry that is called alike, or whose list names the file', () => {
    const named: Diagram = {
      ...diagram,
      entries: { ...diagram.entries, e1: { ...diagram.entries.e1!, fields: { Picture: 'birds/lark 7.jpg' } } },
    };
    expect(entryOfFile(named, 'Curlew.PNG')).toBe('e0');
    expect(entryOfFile(named, 'lark-7.jpg')).toBe('e1');
    expect(entryOfFile(named, 'zebra.png')).toBeNull();
  });
});

describe('the bench with a Venn diagram', () => {
  it('draws, undoes and redoes, and what is lit in one step is not in the next', () => {
    const store = createBench(diagram, { add: () => {} });
    store.getState().perform(tick(diagram, 'e0', 's2'));
    const mask = () => {
      const now = store.getState().diagram;
      return now.kind === 'venn' ? maskOf(now.venn, setsInOrder(now.venn), 'e0') : -1;
    };
    expect(mask()).toBe(0b101);
    store.getState().undo();
    expect(mask()).toBe(0b001);
    store.getState().redo();
    expect(mask()).toBe(0b101);
    store.getState().set({ litRegions: new Set(['s0']) });
    store.getState().set({ step: 'figures' });
    expect(store.getState().litRegions.size).toBe(0);
  });
  it('offers its scopes: everything, tiers by overlap, regions, sets, and only the selected', () => {
    const words = parts
      .scopes(diagram, drawn, { kind: 'everything' }, [{ for: 'entry', id: 'e2' }])
      .map((choice) => choice.words);
    expect(words).toEqual([
      'Everything',
      'Tier: in two',
      'Region: mudflat and saltmarsh, not open water',
      'Set: mudflat',
      'Only teal',
    ]);
  });
  it('styles no details on a set, which has none', () => {
    expect(parts.properties({ kind: 'set', set: 's0' })).not.toContain('details');
    expect(parts.properties({ kind: 'everything' })).toContain('details');
  });
});
