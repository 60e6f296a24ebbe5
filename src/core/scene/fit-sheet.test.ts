import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { check, draw, type Diagram } from '../diagram';
import { hierarchyOf } from '../hierarchy';
import { paperSize, pxPerPt } from '../model';
import { diagramFromParents, diagrams, parents } from '../testing/arbitrary';
import { isDrawnIn } from './drawn-in';
import type { Scene } from './scene';

const tree = (n: number, span: number): Diagram =>
  diagramFromParents(Array.from({ length: n }, (_, i) => (i === 0 ? -1 : Math.floor((i - 1) / span))));
const on = (
  diagram: Diagram,
  sheet: Partial<Diagram['sheet']>,
  arrangement: Partial<Diagram['arrangement']> = {},
): Diagram => ({
  ...diagram,
  sheet: { ...diagram.sheet, ...sheet },
  arrangement: { ...diagram.arrangement, ...arrangement },
});
const print = ({ smallestText }: Scene): number => smallestText! / pxPerPt;
const entries = ({ groups }: Scene) => groups.filter(({ stands }) => stands.for === 'entry');

describe('a drawing on its sheet', () => {
  it('fills the width or the height within the margins, or prints names at their largest', () => {
    fc.assert(
      fc.property(parents(60), fc.constantFrom('A4' as const, 'A3' as const, 'letter' as const), (list, size) => {
        fc.pre(list.length > 0);
        const diagram = on(diagramFromParents(list), { size });
        const { scene } = draw(diagram);
        const { drawing, sheet } = scene;
        const { margin } = diagram.sheet;
        const head = Math.max(margin, ...scene.notes.map(({ bounds }) => bounds.y + bounds.height));
        const wide = (drawing.width * drawing.scale) / (sheet.width - 2 * margin);
        const high = (drawing.height * drawing.scale) / (sheet.height - margin - head);
        const names = Math.max(
          ...entries(scene).flatMap(({ children }) => children.map((one) => (one.type === 'text' ? one.size : 0))),
        );
        // The most usual name prints at 14 pt; none at less than it would at three quarters of the room.
        const largest = (names * drawing.scale) / pxPerPt >= 14 - 0.01;
        expect(Math.max(wide, high) > 0.96 || largest).toBe(true);
      }),
      { numRuns: 80 },
    );
  });
  it('puts the title beside the top of what would print small below it, flush with the drawing and clear of all of it', () => {
    const many = fc.tuple(fc.integer({ min: 40, max: 150 }), fc.integer({ min: 3, max: 9 }));
    let aside = 0;
    fc.assert(
      fc.property(many, fc.constantFrom('A4' as const, 'A3' as const), fc.boolean(), ([n, span], size, long) => {
        const named = tree(n, span);
        const title = long ? 'Who stands under whom at the field station since the last general meeting' : 'Staff';
        const chart = on(
          { ...named, titleBlock: { ...named.titleBlock, title, subtitle: long ? 'Spring' : '' } },
          { size },
        );
        const { drawing, groups, notes, sheet } = draw(chart).scene;
        const { margin } = chart.sheet;
        const head = notes.filter(({ stands }) => stands.id === 'title' || stands.id === 'subtitle');
        expect(head).toHaveLength(long ? 2 : 1);
        const [left, right] = [drawing.x, drawing.x + drawing.width * drawing.scale];
        const middle = ({ bounds }: (typeof head)[number]) => bounds.x + bounds.width / 2;
        if (head.every((one) => Math.abs(middle(one) - sheet.width / 2) < 0.01)) return;
        aside++;
        for (const { bounds } of head) {
          const flush = Math.min(Math.abs(bounds.x - left), Math.abs(bounds.x + bounds.width - right));
          expect(flush).toBeLessThan(0.01);
          expect(bounds.x).toBeGreaterThanOrEqual(margin - 0.01);
          expect(bounds.x + bounds.width).toBeLessThanOrEqual(sheet.width - margin + 0.01);
          const part = {
            x: (bounds.x - drawing.x) / drawing.scale,
            y: (bounds.y - drawing.y) / drawing.scale,
            width: bounds.width / drawing.scale,
            height: bounds.height / drawing.scale,
          };
          for (const group of groups) expect(isDrawnIn(group, part)).toBe(false);
        }
      }),
      { numRuns: 60 },
    );
    expect(aside).toBeGreaterThan(4);
  });
  it('takes the next larger sheet where print is wished for that its own cannot give, and says so', () => {
    const chart = tree(118, 9);
    const small = draw(chart).scene;
    expect(small.sheet.name).toBe('A4 landscape');
    // More than A4 gives in any manner.
    const least = Math.ceil(print(small)) + 4;
    const wished = on(chart, { leastPrint: least });
    const drawn = draw(wished);
    expect(drawn.scene.sheet.name).toBe('A3 landscape');
    expect(print(drawn.scene)).toBeGreaterThanOrEqual(least - 0.01);
    const told = check(wished, drawn).filter(({ code }) => code === 'larger-sheet');
    expect(told.map(({ severity }) => severity)).toEqual(['note']);
    expect(told[0]!.message).toContain(`${least} pt`);
  });
  it('keeps its sheet where even the larger one cannot, and warns of the print', () => {
    const wished = on(tree(400, 5), { leastPrint: 12 });
    const drawn = draw(wished);
    expect(drawn.scene.sheet.name).toBe('A4 landscape');
    const codes = check(wished, drawn).map(({ code }) => code);
    expect(codes).toContain('small-print');
    expect(codes).not.toContain('larger-sheet');
  });
  it('stands or lies, whichever prints larger, where that is left open', () => {
    fc.assert(
      fc.property(parents(40), (list) => {
        fc.pre(list.length > 1);
        const diagram = diagramFromParents(list);
        const of = (orientation: Diagram['sheet']['orientation']) => draw(on(diagram, { orientation })).scene;
        const open = print(of('open'));
        expect(open).toBeGreaterThanOrEqual(Math.max(print(of('landscape')), print(of('portrait'))) / 1.05 - 1e-6);
      }),
      { numRuns: 40 },
    );
    const standing = paperSize({ size: 'A4', orientation: 'portrait' })!;
    const chain = draw(
      on(diagramFromParents([-1, 0, 1, 2, 3, 4, 5, 6, 7]), { orientation: 'open' }, { tiers: 'bands' }),
    ).scene;
    expect(chain.sheet.height).toBeCloseTo(standing.height, 6);
  });
  it('prints posters larger than hand-outs', () => {
    const at = (size: Diagram['sheet']['size']) => draw(on(tree(5, 4), { size })).scene.drawing.scale;
    // Lengths of A2, A1 and A0 are 2, 2√2 and 4 times those of A4.
    expect(at('A2') / at('A4')).toBeCloseTo(2, 6);
    expect(at('A1') / at('A4')).toBeCloseTo(2 * Math.SQRT2, 6);
    expect(at('A0') / at('A4')).toBeCloseTo(4, 6);
  });
  it('keeps a gap that was set for one tier by hand, however small the print', () => {
    const chart = on(tree(60, 4), {}, { tiers: 'bands' });
    const bands = (diagram: Diagram) => draw(diagram).scene.tiers;
    const [, second] = bands({ ...chart, tiers: { '2': { name: null, gap: 77, width: null } } });
    expect(second!.gap).toBe(77);
    expect(bands(chart)[1]!.gap).toBeLessThan(chart.arrangement.tierGap);
  });
});

describe('boxes of a tier', () => {
  const sizesByTier = (diagram: Diagram) => {
    const structure = hierarchyOf(diagram.entries);
    const byTier = new Map<number, Set<string>>();
    for (const { stands, bounds } of entries(draw(diagram).scene)) {
      const tier = structure.tier[structure.index.get(stands.id)!]!;
      byTier.set(tier, (byTier.get(tier) ?? new Set()).add(`${bounds.width} ${bounds.height}`));
    }
    return byTier;
  };
  it('are equal in size, compact or in bands', () => {
    fc.assert(
      fc.property(diagrams, fc.constantFrom('bands' as const, 'compact' as const), (generated, tiers) => {
        const plain = Object.fromEntries(
          Object.values(generated.entries).map((entry) => [entry.id, { ...entry, role: null }]),
        );
        for (const sizes of sizesByTier(on({ ...generated, entries: plain }, {}, { tiers })).values())
          expect(sizes.size).toBe(1);
      }),
      { numRuns: 60 },
    );
  });
  it('are not made higher for one name where 15 % more width spares it', () => {
    // Seven names of one width and one that is 8 % wider: all stand on one line, or none does for the long one's sake.
    const names = [
      'Ada Lindqvist',
      'Bo Lindqvistt',
      'Cy Lindqvistt',
      'Di Lindqvistt',
      'Ed Lindqvistt',
      'Fi Lindqvistt',
      'Gu Lindqvistts',
    ];
    const chart = diagramFromParents([-1, ...names.map(() => 0)], (i) => (i === 0 ? 'Head' : names[i - 1]!));
    const { scene } = draw(on(chart, {}, { tiers: 'bands', lowest: 'row' }));
    const lines = entries(scene)
      .filter(({ stands }) => stands.id !== 'e0')
      .map(({ children }) => children.filter((one) => one.type === 'text').length);
    expect(Math.max(...lines) === 1 || Math.min(...lines) === 2).toBe(true);
  });
  it('are no narrower than the narrowest that was set', () => {
    const { scene } = draw(on(tree(12, 3), {}, { narrowest: 150 }));
    for (const { bounds } of entries(scene)) expect(bounds.width).toBeGreaterThanOrEqual(150);
  });
});

describe('compact', () => {
  const compact = fc
    .tuple(parents(50), fc.constantFrom('open' as const, 'row' as const, 'column' as const))
    .map(([list, lowest]) => ({
      list,
      diagram: on(diagramFromParents(list), {}, { tiers: 'compact' as const, lowest }),
    }));
  it('stands every head above all that it leads, and those of one head in the order of the list', () => {
    fc.assert(
      fc.property(compact, ({ list, diagram }) => {
        const place = new Map(entries(draw(diagram).scene).map((one) => [one.stands.id, one]));
        list.forEach((parent, i) => {
          if (parent < 0) return;
          const [head, own] = [place.get(`e${parent}`)!, place.get(`e${i}`)!];
          expect(own.y).toBeGreaterThanOrEqual(head.y + head.bounds.height - 1e-6);
        });
        // Two neighbours in the list: the later one stands to the right or below.
        list.forEach((parent, i) => {
          const next = list.findIndex((other, k) => k > i && other === parent);
          if (next < 0) return;
          const [a, b] = [place.get(`e${i}`)!, place.get(`e${next}`)!];
          expect(b.x > a.x + 1e-6 || b.y > a.y + 1e-6).toBe(true);
        });
      }),
      { numRuns: 120 },
    );
  });
  it('leads a line to every box', () => {
    fc.assert(
      fc.property(compact, ({ list, diagram }) => {
        const { groups } = draw(diagram).scene;
        const place = new Map(groups.filter(({ stands }) => stands.for === 'entry').map((one) => [one.stands.id, one]));
        list.forEach((parent, i) => {
          if (parent < 0) return;
          const lines = groups.find(({ stands }) => stands.for === 'links' && stands.id === `e${parent}`);
          const d = lines?.children.map((one) => (one.type === 'path' ? one.d : '')).join('') ?? '';
          const { x, y, bounds } = place.get(`e${i}`)!;
          const touches = [...d.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].some(([, px, py]) => {
            const [lx, ly] = [Number(px) - x, Number(py) - y];
            const onTop = Math.abs(ly) < 0.02 && lx > 0 && lx < bounds.width;
            const onSide = Math.abs(lx) < 0.02 && ly > 0 && ly < bounds.height;
            return onTop || onSide;
          });
          expect(touches).toBe(true);
        });
      }),
      { numRuns: 120 },
    );
  });
  it('tells tiers on the rail by count, without grips', () => {
    const { tiers } = draw(on(tree(20, 3), {}, { tiers: 'compact' })).scene;
    expect(tiers.map(({ count }) => count)).toEqual([1, 3, 9, 7]);
    expect(tiers.every(({ gap }) => gap === null)).toBe(true);
  });
});
