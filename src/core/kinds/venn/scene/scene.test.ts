import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { outsideness, type Ellipse } from '../../../arrange/curves';
import { draw as drawAny } from '../../../diagram';
import type { VennScene } from './scene';
import { maskOf, setsInOrder, type Venn } from '../model';
import { contrastRatio, looks } from '../../../style';
import { itemName, vennOf, venns } from '../../../testing/arbitrary-venn';
import type { Rect, SceneGroup } from '../../../scene';
import { hatchPath } from './hatch';
import { meets } from './names';

const draw = (diagram: Venn) => {
  const drawn = drawAny(diagram);
  return { ...drawn, scene: drawn.scene as VennScene };
};
const boxOf = ({ x, y, bounds }: SceneGroup): Rect => ({
  x: x + bounds.x,
  y: y + bounds.y,
  width: bounds.width,
  height: bounds.height,
});
const grown = (box: Rect, by: number): Rect => ({
  x: box.x - by,
  y: box.y - by,
  width: box.width + 2 * by,
  height: box.height + 2 * by,
});
const within = (e: Ellipse, { x, y, width, height }: Rect): boolean =>
  [
    [x, y],
    [x + width, y],
    [x, y + height],
    [x + width, y + height],
  ].every(([px, py]) => outsideness(e, px!, py!) < 0);
const overlap = (a: Rect, b: Rect): boolean =>
  a.x < b.x + b.width - 0.01 &&
  b.x < a.x + a.width - 0.01 &&
  a.y < b.y + b.height - 0.01 &&
  b.y < a.y + a.height - 0.01;
/** The margin that is kept to curves, less what the curve strays from the straight pieces it is tested by: 7 px, and 5 px with four sets or more. */
const marginOf = (sets: number): number => (sets > 3 ? 4.5 : 6.5);

const entriesOf = (scene: VennScene): SceneGroup[] => scene.groups.filter(({ stands }) => stands.for === 'entry');
const keyedMasks = (scene: VennScene): number[] =>
  scene.groups.flatMap(({ stands }) => (stands.for === 'key' ? [Number(stands.id)] : []));

/** Every text in its region with the margin kept; what is in the key or in none, outside all curves. */
function expectInPlace(diagram: Venn): void {
  const { scene } = draw(diagram);
  const sets = setsInOrder(diagram.venn);
  const keyed = keyedMasks(scene);
  const groups = entriesOf(scene);
  expect(groups.map(({ stands }) => stands.id).sort()).toEqual(Object.keys(diagram.entries).sort());
  for (const group of groups) {
    const mask = maskOf(diagram.venn, sets, group.stands.id);
    const elsewhere = mask === 0 || keyed.includes(mask);
    const box = grown(boxOf(group), elsewhere ? 0 : marginOf(sets.length));
    scene.curves.forEach((curve, i) => {
      if (!elsewhere && (mask >> i) & 1) expect(within(curve, box)).toBe(true);
      else expect(meets(curve, box)).toBe(false);
    });
  }
  const boxes = groups.map(boxOf);
  boxes.forEach((a, i) => boxes.slice(i + 1).forEach((b) => expect(overlap(a, b)).toBe(false)));
  // Nothing hangs over the edge of the drawing.
  for (const box of boxes) {
    expect(box.x).toBeGreaterThanOrEqual(-0.01);
    expect(box.x + box.width).toBeLessThanOrEqual(scene.drawing.width + 0.01);
    expect(box.y + box.height).toBeLessThanOrEqual(scene.drawing.height + 0.01);
  }
}

const someCase = fc.record({
  sets: fc.integer({ min: 2, max: 5 }),
  draws: fc.array(fc.nat({ max: 31 }), { minLength: 3, maxLength: 80 }),
  names: fc.array(itemName, { minLength: 80, maxLength: 80 }),
  content: fc.constantFrom('names' as const, 'scattered' as const),
});

describe('text in the regions of a Venn diagram', () => {
  it('lies inside its region, clear of every curve and of all other text', () => {
    fc.assert(
      fc.property(someCase, ({ sets, draws, names, content }) => {
        const masks = draws.map((draw) => draw % (1 << sets));
        expectInPlace(vennOf(sets, masks, (i) => names[i]!, { content }));
      }),
      { numRuns: 60 },
    );
  });
  it('does so in curves to scale', () => {
    fc.assert(
      fc.property(someCase, fc.constantFrom('scaled-circles' as const, 'scaled-ellipses' as const), (one, shape) => {
        const masks = one.draws.map((draw) => draw % 8);
        expectInPlace(vennOf(3, masks, (i) => one.names[i]!, { shape }));
      }),
      { numRuns: 15 },
    );
  });
  it('does so where a circle touches others from within and without', () => {
    for (const shape of ['scaled-circles', 'scaled-ellipses'] as const)
      expectInPlace(vennOf(3, [1, 2, 6, 0], (i) => ['Ào', 'Ao', 'Ào', 'ao'][i]!, { shape }));
  });
  it('goes to a key with a number and a line where a region is too small, and is never left out', () => {
    const crowded = vennOf(5, new Array<number>(60).fill(0b00011), (i) => `Someone With A Long Name ${i}`);
    const { scene } = draw(crowded);
    const key = scene.groups.find(({ stands }) => stands.for === 'key')!;
    expect(key.children.some(({ type }) => type === 'path')).toBe(true);
    expect(entriesOf(scene)).toHaveLength(60);
    expectInPlace(crowded);
    // In the key, details stand under the beginning of their names.
    const [first] = Object.values(crowded.entries);
    const detailed = { ...crowded, entries: { ...crowded.entries, [first!.id]: { ...first!, details: ['brown'] } } };
    const lines = entriesOf(draw(detailed).scene).find(({ stands }) => stands.id === first!.id)!.children;
    expect(lines.length).toBeGreaterThan(1);
    expect(lines.map((line) => line.type === 'text' && line.x)).toEqual(lines.map(() => 0));
  });
  it('stands inside the curves of five sets too, for the most part, at 8 pt or more', () => {
    let inKey = 0;
    for (let run = 0; run < 12; run++) {
      const masks = Array.from({ length: 12 }, (_, i) => 1 + ((i * (7 + run) + run * 5) % 31));
      const diagram = vennOf(5, masks, (i) => ['Oystercatcher', 'Redshank', 'Sea lavender', 'Cockle'][i % 4]!);
      expectInPlace(diagram);
      const { scene } = draw(diagram);
      const keyed = keyedMasks(scene);
      inKey += masks.filter((mask) => keyed.includes(mask)).length;
      expect(scene.smallestText! * 0.75).toBeGreaterThanOrEqual(8);
    }
    expect(inKey / (12 * 12)).toBeLessThan(0.4);
  });
  it('of three sets with details finds room in wider curves, all of it inside, at 8 pt or more', () => {
    const masks = [1, 1, 1, 1, 2, 2, 2, 4, 4, 4, 5, 5, 5, 3, 3, 6, 6, 7, 7];
    const plain = vennOf(3, masks, (i) => `Volunteer Number ${i}`);
    const entries = Object.fromEntries(
      Object.entries(plain.entries).map(([id, entry]) => [id, { ...entry, details: ['South shore'] }]),
    );
    const { scene } = draw({ ...plain, entries });
    expect(keyedMasks(scene)).toEqual([]);
    expect(scene.smallestText! * 0.75).toBeGreaterThanOrEqual(8);
    // All alike still, and wider than high.
    for (const { rx, ry, turn } of scene.curves) {
      expect([rx, ry]).toEqual([scene.curves[0]!.rx, scene.curves[0]!.ry]);
      expect(rx).toBeGreaterThan(ry * 1.2);
      expect(Math.sin(turn)).toBeCloseTo(0, 9);
    }
    expectInPlace({ ...plain, entries });
  });
  it('is set at the size of its style, whatever is in the region', () => {
    const { scene } = draw(vennOf(3, [1, 1, 1, 3, 7, 7]));
    const sizes = entriesOf(scene).flatMap(({ children }) => children.map((one) => one.type === 'text' && one.size));
    expect(new Set(sizes)).toEqual(new Set([14]));
  });
  it('makes room for a picture above the name', () => {
    const plain = vennOf(2, [1, 1], undefined, { content: 'scattered' });
    const image = { id: '0123456789abcdef0123456789abcdef', width: 200, height: 100 };
    const pictured: Venn = { ...plain, entries: { ...plain.entries, e0: { ...plain.entries.e0!, image } } };
    const group = entriesOf(draw(pictured).scene).find(({ stands }) => stands.id === 'e0')!;
    const picture = group.children.find((one) => one.type === 'image')!;
    expect(picture).toMatchObject({ image: image.id, width: 64, height: 32 });
    const name = group.children.find((one) => one.type === 'text')!;
    expect(name.y).toBeGreaterThan(picture.y + 32);
    expectInPlace(pictured);
  });
});

describe('the drawing of a Venn diagram', () => {
  it('has every region, told in words with its count, and every entry with where it is', () => {
    const { scene } = draw(vennOf(3, [1, 3, 3, 7, 0]));
    const labels = scene.groups.map(({ label }) => label);
    expect(labels).toContain('mudflat and saltmarsh, not open water, 2 entries');
    expect(labels).toContain('all of mudflat, saltmarsh and open water, 1 entry');
    expect(labels).toContain('Bird 0, mudflat, not saltmarsh or open water');
    expect(labels).toContain('Bird 4, in none of mudflat, saltmarsh and open water');
    expect(scene.description).toBe(
      'Venn diagram: 5 entries in 3 sets: mudflat (4), saltmarsh (3), open water (1); 1 in none.',
    );
  });
  it('shows counts instead of names, and nothing in a blank one but the word bank', () => {
    const texts = (diagram: Venn) =>
      draw(diagram).scene.groups.flatMap(({ children }) =>
        children.flatMap((one) => (one.type === 'text' ? [one.runs.map(({ text }) => text).join('')] : [])),
      );
    const masks = [1, 1, 2, 3];
    expect(texts(vennOf(2, masks, undefined, { content: 'counts', frame: false })).sort()).toEqual(['1', '1', '2']);
    const blank = vennOf(2, masks, undefined, { content: 'blank', wordBank: true, frame: false });
    expect(texts(blank)).toEqual(['Bird 0', 'Bird 1', 'Bird 2', 'Bird 3']);
    expect(texts({ ...blank, venn: { ...blank.venn, manner: { ...blank.venn.manner, wordBank: false } } })).toEqual([]);
  });
  it('has names of sets outside all curves and apart from each other', () => {
    for (const n of [2, 3, 4, 5]) {
      const { scene } = draw(vennOf(n, [1, 2, 3]));
      const places = scene.groups
        .filter(({ stands }) => stands.for === 'set')
        .flatMap(({ x, y, children }) =>
          children.flatMap((one) =>
            one.type === 'curvedText' ? one.glyphs.map((g) => [g.x + x, g.y + y] as const) : [],
          ),
        );
      for (const [px, py] of places)
        for (const curve of scene.curves) expect(outsideness(curve, px, py)).toBeGreaterThan(0);
    }
  });
  it('is the same to the last digit when drawn again from JSON', () => {
    fc.assert(
      fc.property(venns(1, 20), (diagram) => {
        const again = JSON.parse(JSON.stringify(diagram)) as Venn;
        expect(JSON.stringify(draw(again).scene)).toBe(JSON.stringify(draw(diagram).scene));
      }),
      { numRuns: 20 },
    );
  });
  it('to scale, gives counts as areas, and hatches a region that cannot be left out', () => {
    const exact = draw(vennOf(2, [1, 1, 1, 2, 3], undefined, { shape: 'scaled-circles' })).scene;
    expect(exact.scaled).toMatchObject({ diagError: expect.closeTo(0, 6), unwanted: [] });
    // Three sets that meet in pairs and nowhere all together: circles cannot leave out the middle without losing a pair.
    const pairs = [1, 1, 2, 2, 4, 4, 3, 3, 3, 3, 5, 5, 5, 5, 6, 6, 6, 6];
    const { scene } = draw(vennOf(3, pairs, undefined, { shape: 'scaled-circles' }));
    expect(scene.scaled!.unwanted).toEqual([7]);
    const middle = scene.groups.find(({ label }) => label.startsWith('all of'))!;
    expect(middle.children.filter(({ type }) => type === 'path')).toHaveLength(2);
  });
  it('to scale, has sets of the same members as one curve, their names apart, everything inside', () => {
    for (const [sets, masks] of [
      [2, [3, 3, 3, 3]],
      [3, [3, 3, 3, 7, 7, 4, 4, 4]],
      [3, [7, 7, 7]],
    ] as const) {
      const { scene } = draw(vennOf(sets, [...masks], undefined, { shape: 'scaled-ellipses' }));
      expect(scene.curves[1]).toEqual(scene.curves[0]);
      expect(scene.scaled!.stress).toBeLessThan(1e-6);
      expect(scene.scaled!.unwanted).toEqual([]);
      expect(keyedMasks(scene)).toEqual([]);
      const regions = scene.groups.filter(({ stands }) => stands.for === 'region' && stands.id !== '');
      expect(regions).toHaveLength(new Set(masks).size);
    }
  });
  it('to scale, has the name of a set that lies within another inside both curves, clear of all entries', () => {
    for (const [sets, masks] of [
      [2, [1, 1, 1, 1, 3, 3, 3]],
      [3, [1, 1, 1, 3, 3, 3, 7, 7, 7]],
      [3, [1, 1, 3, 3, 4, 5]],
    ] as const) {
      const diagram = vennOf(sets, [...masks], undefined, { shape: 'scaled-ellipses' });
      const { scene } = draw(diagram);
      const [outer, inner] = scene.curves;
      const name = scene.groups
        .find(({ stands }) => stands.for === 'set' && stands.id === setsInOrder(diagram.venn)[1]!.id)!
        .children.find((one) => one.type === 'text')!;
      const width = name.runs.reduce((sum, run) => sum + run.width, 0);
      const group = scene.groups.find(({ stands }) => stands.id === setsInOrder(diagram.venn)[1]!.id)!;
      const box = { x: name.x + group.x, y: name.y + group.y - name.size * 0.75, width, height: name.size * 0.75 };
      expect(within(outer!, box)).toBe(true);
      expect(within(inner!, box)).toBe(true);
      for (const entry of entriesOf(scene)) expect(overlap(boxOf(entry), box)).toBe(false);
      expectInPlace(diagram);
    }
  });
  it('with four sets is drawn with curves alike even when asked to scale', () => {
    const { scene } = draw(vennOf(4, [1, 2], undefined, { shape: 'scaled-ellipses' }));
    expect(scene.scaled).toBeUndefined();
    expect(scene.curves).toHaveLength(4);
  });
});

describe('colours of regions', () => {
  it('carry their text at 4.5 : 1 or more (WCAG 2.2), in every look, for two to five sets', () => {
    for (const look of looks)
      for (const n of [2, 3, 4, 5]) {
        const all = Array.from({ length: 1 << n }, (_, mask) => mask);
        const { scene } = draw({ ...vennOf(n, all), look: look.id });
        const keyed = keyedMasks(scene);
        for (const group of entriesOf(scene)) {
          const mask = Number(group.stands.id.slice(1));
          const region = scene.groups.find(
            ({ stands, label }) => stands.for === 'region' && label !== '' && stands.id === keyOf(n, mask),
          );
          const shape = region?.children[0];
          const text = group.children.find((one) => one.type === 'text')!;
          if (!shape || (shape.type !== 'path' && shape.type !== 'box') || !shape.fill || keyed.includes(mask))
            continue;
          expect(contrastRatio(shape.fill, text.fill), `${look.id}, ${n} sets, region ${mask}`).toBeGreaterThanOrEqual(
            4.5,
          );
        }
      }
  });
  it('are darker on a light ground the more sets overlap, so that they can be told apart in grey', () => {
    const { scene } = draw(vennOf(3, []));
    const fill = (label: string) => {
      const path = scene.groups.find((group) => group.label.startsWith(label))!.children[0]!;
      return path.type === 'path' ? contrastRatio(path.fill!, '#ffffff') : 0;
    };
    const [one, two, three] = [fill('mudflat, not'), fill('mudflat and saltmarsh, not'), fill('all of')];
    expect(two).toBeGreaterThan(one * 1.1);
    expect(three).toBeGreaterThan(two * 1.1);
  });
});

const keyOf = (n: number, mask: number): string =>
  Array.from({ length: n }, (_, i) => i)
    .filter((i) => (mask >> i) & 1)
    .map((i) => `s${i}`)
    .join(',');

describe('hatching', () => {
  it('lies inside its area: every line ends on the outline', () => {
    const square = [
      { x: 0, y: 0 },
      { x: 40, y: 0 },
      { x: 40, y: 40 },
      { x: 0, y: 40 },
    ];
    const lines = [...hatchPath([square], 6).matchAll(/M([-\d.]+) ([-\d.]+)L([-\d.]+) ([-\d.]+)/g)];
    expect(lines.length).toBeGreaterThan(7);
    for (const [, x1, y1, x2, y2] of lines)
      for (const [x, y] of [
        [Number(x1), Number(y1)],
        [Number(x2), Number(y2)],
      ] as const) {
        expect(Math.min(Math.abs(x), Math.abs(x - 40), Math.abs(y), Math.abs(y - 40))).toBeLessThan(0.02);
        expect(x > -0.02 && x < 40.02 && y > -0.02 && y < 40.02).toBe(true);
      }
  });
});
