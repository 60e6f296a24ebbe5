import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createDiagram, draw, drawSet, tokensOf, kindOf, makeDiagram, type Command, type Diagram } from '../diagram';
import { widthOfRuns } from '../measure';
import { BoxShape, LinkStyle, type BoxStyle } from '../model';
import { linkStyle, looks, tierStyle } from '../style';
import { diagramFromParents } from '../testing/arbitrary';
import { after } from '../testing/styled';
import { legendGroup, setLegend, type LegendItem } from './legend';
import { flattenPath } from './outline-points';
import { boxOutline } from './box-outline';
import type { Primitive, Rect } from './scene';

const legendIn = (diagram: Diagram) => draw(diagram).scene.notes.find(({ stands }) => stands.id === 'legend') ?? null;
const words = (diagram: Diagram): string[] => legendIn(diagram)?.label.split('. ') ?? [];
const styled = (role: string, property: keyof BoxStyle, value: string | number): Command => ({
  kind: 'setStyle',
  scope: { kind: 'role', role },
  property,
  value,
});

function extentOf(one: Primitive): Rect {
  if (one.type === 'text')
    return { x: one.x, y: one.y - one.size, width: widthOfRuns(one.runs), height: one.size * 1.3 };
  if (one.type === 'box' || one.type === 'path') {
    const points = flattenPath(one.type === 'path' ? one.d : boxOutline(one));
    const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
    const [x, y] = [Math.min(...xs), Math.min(...ys)];
    return { x, y, width: Math.max(...xs) - x, height: Math.max(...ys) - y };
  }
  throw new Error('nothing else stands in a legend');
}

const box = fc
  .record({
    shape: fc.constantFrom(...BoxShape.options),
    sign: fc.constantFrom('none' as const, 'stripe' as const, 'band' as const, 'disc' as const),
    borderWidth: fc.constantFrom(0, 1, 8),
    corner: fc.constantFrom(0, 3, 40),
    look: fc.constantFrom(...looks),
  })
  .map(({ look, ...more }): BoxStyle => ({ ...(tierStyle(look, 2) as BoxStyle), details: 1, ...more }));
const line = fc
  .record({ dash: LinkStyleOf('dash'), startMark: LinkStyleOf('startMark'), lineWidth: fc.constantFrom(0.5, 2, 8) })
  .map((more) => ({
    ...linkStyle(createDiagram('org-chart', ''), { id: 'l', from: 'a', to: 'b', kind: 'side', phrase: '' }, []),
    ...more,
  }));
function LinkStyleOf<K extends 'dash' | 'startMark'>(property: K): fc.Arbitrary<LinkStyle[K]> {
  return fc.constantFrom(...(LinkStyle.shape[property].options as unknown as LinkStyle[K][]));
}
const text = fc.oneof(
  fc.stringMatching(/^[a-z]{1,12}( [a-z]{1,9}){0,3}$/),
  fc.constantFrom('Brackwaterfieldcentrestaffandvolunteers', 'الجدول', 'x'),
);
const item: fc.Arbitrary<LegendItem> = fc.oneof(
  text.map((told) => ({ words: told })),
  fc.record({ words: text, box }),
  fc.record({ words: text, box, letters: fc.constant(true as const) }),
  fc.record({ words: text, line }),
);

describe('a legend', () => {
  it('keeps all signs and words within its room, and each clear of the others', () => {
    fc.assert(
      fc.property(
        fc.array(item, { minLength: 1, maxLength: 12 }),
        fc.integer({ min: 90, max: 900 }),
        (legend, room) => {
          const set = setLegend(legend, room);
          expect(set.width).toBeLessThanOrEqual(room + 1);
          const at = { x: 40, y: 700 };
          const whole = legendGroup(set, '#000000', at);
          for (const one of whole.children) {
            const { x, y, width, height } = extentOf(one);
            // Borders, marks and discs stand a little over the signs.
            expect(x).toBeGreaterThanOrEqual(at.x - 5);
            expect(x + width).toBeLessThanOrEqual(at.x + set.width + 5);
            expect(y).toBeGreaterThanOrEqual(at.y - 5);
            expect(y + height).toBeLessThanOrEqual(at.y + set.height + 5);
          }
          // Words of different items, and words and other signs, share no room.
          const each = set.items.map((one) => {
            const { children } = legendGroup({ ...set, items: [one] }, '#000000', at);
            const extents = children.map(extentOf);
            const left = Math.min(...extents.map(({ x }) => x));
            const right = Math.max(...extents.map(({ x, width }) => x + width));
            return { y: one.y, left, right };
          });
          each.forEach((one, i) =>
            each.slice(i + 1).forEach((other) => {
              if (one.y === other.y) expect(one.right + 4).toBeLessThanOrEqual(other.left);
            }),
          );
          // Nothing is left out.
          for (const [i, { lines }] of set.items.entries())
            expect(lines.join('').replace(/\s/g, '')).toBe(legend[i]!.words.replace(/\s/g, ''));
        },
      ),
    );
  });
});

const chart: Diagram = diagramFromParents([-1, 0, 0, 1, 1]);
const pilots: Command = {
  kind: 'putRole',
  role: { id: 'pilot', name: 'pilots', order: 0, rule: null, members: ['e3'] },
};

describe('the legend of a chart', () => {
  it('explains a role by what is seen of it, whatever that is, and no other', () => {
    const made = after(chart, [pilots]);
    expect(words(made)).toEqual([]);
    expect(words(after(made, [styled('pilot', 'fill', '#aa3300')]))).toEqual(['Pilots']);
    expect(words(after(made, [styled('pilot', 'nameWeight', 700)]))).toEqual(['Pilots']);
    // Nothing of these is seen in a small box.
    expect(words(after(made, [styled('pilot', 'details', 3), styled('pilot', 'sign', 'none')]))).toEqual([]);
    // Nobody has it.
    const none = after(made, [
      styled('pilot', 'fill', '#aa3300'),
      { kind: 'changeRole', id: 'pilot', patch: { members: [] } },
    ]);
    expect(words(none)).toEqual([]);
    // A role that the chart itself tells, once it has a manner.
    expect(words(after(chart, [styled('manager', 'border', '#112233')]))).toEqual(['Manager']);
  });
  it('shows the colours that the drawing has', () => {
    const made = after(chart, [pilots, styled('pilot', 'fill', '#aa3300'), styled('pilot', 'borderLine', 'dotted')]);
    const sign = legendIn(made)!.children.find((one) => one.type === 'box')!;
    expect(sign).toMatchObject({ fill: '#aa3300', dotted: true });
    const { structure, styles } = draw(made);
    expect(styles[structure.index.get('e3')!]!.fill).toBe('#aa3300');
  });
  it('names the tiers that were given names, unless these stand beside them or nobody wants it', () => {
    const named = after(chart, [{ kind: 'setTier', tier: 2, patch: { name: 'Heads' } }]);
    expect(words(named)).toEqual(['Heads']);
    const { structure, styles } = draw(named);
    const sign = legendIn(named)!.children.find((one) => one.type === 'box')!;
    expect(sign).toMatchObject({ fill: styles[structure.tierStart[1]!]!.fill });
    expect(words(after(named, [{ kind: 'setLegend', patch: { tiers: 'shown' } }]))).toEqual([
      'Tier 1',
      'Heads',
      'Tier 3',
    ]);
    expect(words(after(named, [{ kind: 'setLegend', patch: { tiers: 'hidden' } }]))).toEqual([]);
    const beside = after(named, [{ kind: 'setArrangement', patch: { tierNames: 'drawn', tiers: 'bands' } }]);
    expect(words(beside)).toEqual([]);
  });
  it('leaves roles or lines out where that is chosen, and a legend as usual leaves no trace', () => {
    const full = after(chart, [
      pilots,
      styled('pilot', 'sign', 'disc'),
      { kind: 'addLink', link: { id: 'l', from: 'e3', to: 'e2', kind: 'side', phrase: '' } },
    ]);
    expect(words(full)).toEqual(['Pilots', 'Also reports to']);
    const without = after(full, [{ kind: 'setLegend', patch: { roles: false } }]);
    expect(words(without)).toEqual(['Also reports to']);
    expect(words(after(without, [{ kind: 'setLegend', patch: { lines: false } }]))).toEqual([]);
    expect(after(without, [{ kind: 'setLegend', patch: { roles: true } }])).toEqual(full);
  });
  it('draws a line as links are styled', () => {
    const linked = after(chart, [
      { kind: 'addLink', link: { id: 'l', from: 'e3', to: 'e2', kind: 'side', phrase: '' } },
      { kind: 'setStyle', scope: { kind: 'links' }, property: 'lineColour', value: '#cc0044' },
      { kind: 'setStyle', scope: { kind: 'links' }, property: 'dash', value: 'dotted' },
    ]);
    expect(legendIn(linked)!.children.find((one) => one.type === 'path')).toMatchObject({
      stroke: '#cc0044',
      dotted: true,
    });
  });
  it('of a very long chain tells the first tiers, and how many more there are', () => {
    const chain = diagramFromParents(Array.from({ length: 300 }, (_, i) => i - 1));
    const told = words(after(chain, [{ kind: 'setLegend', patch: { tiers: 'shown' } }]));
    expect(told).toHaveLength(24);
    expect(told.at(-1)).toBe('and 277 more tiers');
  });
  it('counts the tiers of every sheet of a set as in the whole', () => {
    const parents = [-1, 0, 0, 0, ...[1, 2, 3].flatMap((head) => Array.from({ length: 14 }, () => head))];
    const large = after(diagramFromParents([...parents, ...Array.from({ length: 60 }, (_, k) => 4 + (k % 42))]), [
      { kind: 'setTier', tier: 3, patch: { name: 'Teams' } },
      { kind: 'setLegend', patch: { tiers: 'shown' } },
    ]);
    const { sheets } = drawSet(large, 9)!;
    expect(sheets.length).toBeGreaterThan(1);
    for (const { scene } of sheets.slice(1)) {
      const told = scene.notes.find(({ stands }) => stands.id === 'legend')!.label.split('. ');
      expect(told).not.toContain('Tier 1');
      expect(told).toContain('Teams');
    }
  });
});

describe('the legends of the other kinds', () => {
  const of = (kind: 'concept-map' | 'venn', list: string): Diagram => {
    const known = kindOf(kind);
    return makeDiagram(known, known.read(tokensOf(list)), 'Brackwater');
  };
  it('explain what their lines, nodes and items are', () => {
    const map = of('concept-map', 'tides; carry; silt\ntides; e.g.; spring tide');
    const [first] = Object.keys(map.entries);
    expect(words(after(map, [{ kind: 'setRole', id: first!, role: 'example' }]))).toContain('An example');
    const items = of('venn', 'curlew: mudflat, dune\neider: dune');
    const gulls = after(items, [
      { ...pilots, role: { ...pilots.role, name: 'gulls', members: [Object.keys(items.entries)[1]!] } },
      styled('pilot', 'fill', '#224466'),
    ]);
    expect(words(gulls)).toEqual(['Gulls']);
    // Where no items are drawn there is nothing to explain.
    expect(words(after(gulls, [{ kind: 'setManner', patch: { content: 'counts' } } as Command]))).toEqual([]);
  });
});
