import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draw } from '../../../diagram';
import type { Rect, SceneGroup } from '../../../scene';
import { vennOf } from '../../../testing/arbitrary-venn';
import type { Venn } from '../model';

interface Point {
  readonly x: number;
  readonly y: number;
}

/** The corners of a line that was drawn with rounded bends: where its pieces begin and end, and the points they bend around. */
function cornersOf(d: string): Point[] {
  return [...d.matchAll(/(-?[\d.]+)[ ,](-?[\d.]+)/g)].map(([, x, y]) => ({ x: Number(x), y: Number(y) }));
}

/** The lines to the key, by the mask of the region, in drawing coordinates. A part whose region is not there has none. */
function linesOf(groups: readonly SceneGroup[]): Map<string, Point[]> {
  const lines = new Map<string, Point[]>();
  for (const { stands, children, x, y } of groups) {
    if (stands.for !== 'key') continue;
    const line = children.find((one) => one.type === 'path' && one.fill === undefined);
    if (line?.type === 'path')
      lines.set(
        stands.id,
        cornersOf(line.d).map((at) => ({ x: at.x + x, y: at.y + y })),
      );
  }
  return lines;
}

const boxOf = ({ x, y, bounds }: SceneGroup): Rect => ({ ...bounds, x: x + bounds.x, y: y + bounds.y });

/** Whether a stretch from a to b comes inside a box, looked at in a hundred places. */
function enters(a: Point, b: Point, box: Rect): boolean {
  for (let k = 0; k <= 100; k++) {
    const [x, y] = [a.x + ((b.x - a.x) * k) / 100, a.y + ((b.y - a.y) * k) / 100];
    if (x > box.x + 1 && x < box.x + box.width - 1 && y > box.y + 1 && y < box.y + box.height - 1) return true;
  }
  return false;
}

/** Whether two stretches cross between their ends. */
function cross(a: Point, b: Point, c: Point, d: Point): boolean {
  const side = (p: Point, q: Point, r: Point): number => (q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x);
  return side(a, b, c) * side(a, b, d) < -1e-6 && side(c, d, a) * side(c, d, b) < -1e-6;
}

const stretches = (line: readonly Point[]): [Point, Point][] => line.slice(1).map((to, i) => [line[i]!, to]);

function told(diagram: Venn): { readonly lines: number; readonly crossings: number; readonly throughText: number } {
  const { groups } = draw(diagram).scene;
  const lines = [...linesOf(groups).values()];
  const texts = groups.filter(({ stands }) => stands.for === 'entry').map(boxOf);
  let crossings = 0;
  let throughText = 0;
  lines.forEach((line, i) => {
    for (const other of lines.slice(i + 1))
      if (stretches(line).some(([a, b]) => stretches(other).some(([c, d]) => cross(a, b, c, d)))) crossings++;
    for (const box of texts) if (stretches(line).some(([a, b]) => enters(a, b, box))) throughText++;
  });
  return { lines: lines.length, crossings, throughText };
}

const names = ['Oystercatcher', 'Redshank', 'Sea lavender', 'Cockle', 'Harbour seal', 'Brown shrimp', 'Eelgrass'];

describe('the lines to the key of a whole drawing', () => {
  it('cross neither text nor each other, with up to thirty items in five sets', () => {
    let all = 0;
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 31 }), { minLength: 4, maxLength: 30 }), (masks) => {
        const { lines, crossings, throughText } = told(vennOf(5, masks, (i) => names[i % names.length]!));
        all += lines;
        expect({ crossings, throughText }).toEqual({ crossings: 0, throughText: 0 });
      }),
      { numRuns: 40 },
    );
    // There were some to be looked at.
    expect(all).toBeGreaterThan(50);
  });
  it('do so with three sets, where one region is crowded', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 7 }), fc.integer({ min: 20, max: 60 }), (mask, count) => {
        const masks = [...new Array<number>(count).fill(mask), 1, 2, 4, 3, 5, 6, 7];
        const { crossings, throughText } = told(vennOf(3, masks, (i) => `${names[i % names.length]!} ${i}`));
        expect({ crossings, throughText }).toEqual({ crossings: 0, throughText: 0 });
      }),
      { numRuns: 20 },
    );
  });
  it('are few in a crowd, where not all can be clear of everything', () => {
    let [lines, crossings, throughText] = [0, 0, 0];
    for (let run = 0; run < 8; run++) {
      const masks = Array.from({ length: 80 }, (_, i) => 1 + ((i * (7 + 2 * run) + (i >> 2)) % 31));
      const one = told(vennOf(5, masks, (i) => `${names[i % names.length]!} ${i}`));
      lines += one.lines;
      crossings += one.crossings;
      throughText += one.throughText;
    }
    expect(lines).toBeGreaterThan(100);
    expect(crossings / lines).toBeLessThan(0.02);
    expect(throughText / lines).toBeLessThan(0.05);
  });
});
