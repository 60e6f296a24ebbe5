import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apart, atFirstSight, longSearch, withoutSearch } from '../model';
import { diagramFromParents } from '../testing/arbitrary';
import { familyOf } from '../testing/arbitrary-family';
import { mapOf } from '../testing/arbitrary-map';
import { vennOf } from '../testing/arbitrary-venn';
import { applyCommand, kindOf, type Diagram } from '.';
import { arrangementFound, draw, drawApart, drawAtOnce, drawFirstSight, takeArrangement } from './river';
import type { Rect, Scene, SceneGroup } from '../scene';
import { looks } from '../style';

/** A hierarchy that is large enough to be arranged away from the page, in one of the ways that are searched for. */
const searched = fc
  .record({
    above: fc.array(fc.nat(), { minLength: 90, maxLength: 140 }),
    tiers: fc.constantFrom('compact' as const, 'open' as const),
    letters: fc.integer({ min: 1, max: 20 }),
  })
  .map(({ above, tiers, letters }): Diagram => {
    const parents = above.map((draw, i) => (i === 0 ? -1 : draw % i));
    const made = diagramFromParents(parents, (i) => `Warden ${'m'.repeat(1 + (i % letters))}`);
    return { ...made, arrangement: { ...made.arrangement, tiers } };
  });

/** What another thread found, as a message brings it. */
const elsewhere = (diagram: Diagram): unknown =>
  structuredClone(
    apart(() => {
      draw(diagram);
      return arrangementFound(diagram);
    }),
  );

describe('drawing at once what another thread arranged', () => {
  it('is refused before anything was found, and the same drawing afterwards', () => {
    fc.assert(
      fc.property(searched, (diagram) => {
        expect(drawAtOnce(diagram)).toBeNull();
        takeArrangement(diagram, elsewhere(diagram));
        expect(drawAtOnce(diagram)?.scene).toEqual(drawApart(diagram).scene);
      }),
      { numRuns: 12 },
    );
  });
  it('goes on while names keep the sizes of their boxes, and ends where one outgrows them', () => {
    let went = 0;
    fc.assert(
      fc.property(searched, (diagram) => {
        takeArrangement(diagram, elsewhere(diagram));
        const named = (name: string): Diagram => {
          const outcome = applyCommand(diagram, { kind: 'rename', id: Object.keys(diagram.entries)[5]!, name });
          if (!outcome.ok) throw new Error(outcome.reason);
          return outcome.diagram;
        };
        const other = named('Warden n');
        const drawn = drawAtOnce(other);
        if (drawn) expect(drawn.scene).toEqual(drawApart(other).scene);
        if (drawn) went++;
        expect(drawAtOnce(named(`Warden of the ${'great '.repeat(20)} saltmarsh`))).toBeNull();
      }),
      { numRuns: 12 },
    );
    expect(went).toBeGreaterThan(6);
  });
  it('other faults are told, and searches are allowed again afterwards', () => {
    expect(() =>
      withoutSearch(() => {
        throw new Error('of another kind');
      }),
    ).toThrow('of another kind');
    const search = () =>
      longSearch(
        () => 1,
        () => 2,
      );
    expect(withoutSearch(search)).toBeNull();
    expect(atFirstSight(search)).toEqual({ made: { found: 2, searched: false }, whole: false });
    const nothing = () =>
      longSearch(
        () => 1,
        () => null,
      );
    expect(atFirstSight(nothing)).toBeNull();
    expect(search()).toEqual({ found: 1, searched: true });
  });
});

describe('a first sight of what is tried', () => {
  const overlap = (a: Rect, b: Rect): boolean =>
    a.x < b.x + b.width - 0.01 &&
    b.x < a.x + a.width - 0.01 &&
    a.y < b.y + b.height - 0.01 &&
    b.y < a.y + a.height - 0.01;
  const placed = ({ x, y, bounds }: SceneGroup): Rect => ({ ...bounds, x: x + bounds.x, y: y + bounds.y });
  const entriesOf = (scene: Scene) => scene.groups.filter(({ stands }) => stands.for === 'entry');

  it('has all boxes in the styles they will have, none over another, and leaves no trace', () => {
    fc.assert(
      fc.property(searched, fc.constantFrom(...looks), (diagram, look) => {
        expect(drawFirstSight(diagram)).toBeNull();
        takeArrangement(diagram, elsewhere(diagram));
        const tried: Diagram = { ...diagram, look: look.id };
        const { drawn: first, whole: isWhole } = drawFirstSight(tried)!;
        if (isWhole) expect(first.scene).toEqual(drawApart(tried).scene);
        const whole = drawApart(tried);
        expect(first.styles).toEqual(whole.styles);
        const boxes = entriesOf(first.scene).map(placed);
        expect(boxes).toHaveLength(Object.keys(diagram.entries).length);
        boxes.forEach((a, i) => boxes.slice(i + 1).forEach((b) => expect(overlap(a, b)).toBe(false)));
        // What is worked on is drawn as before, and what is tried in full as if it had not been seen.
        expect(drawAtOnce(diagram)?.scene).toEqual(draw(structuredClone(diagram)).scene);
        expect(drawApart(tried).scene).toEqual(draw(structuredClone(tried)).scene);
      }),
      { numRuns: 10 },
    );
  });
  it('is not given in another manner than the one that is tried', () => {
    let inBands = 0;
    fc.assert(
      fc.property(searched, (diagram) => {
        const inManner = (tiers: 'open' | 'compact'): Diagram => ({
          ...diagram,
          // Where there is plenty of room, tiers stand in bands.
          sheet: { ...diagram.sheet, size: 'A0' },
          arrangement: { ...diagram.arrangement, tiers },
        });
        const open = inManner('open');
        takeArrangement(open, elsewhere(open));
        expect(drawFirstSight(open)?.whole).toBe(true);
        if (drawApart(open).scene.manner === 'compact') return;
        inBands++;
        expect(drawFirstSight(inManner('compact'))).toBeNull();
      }),
      { numRuns: 12 },
    );
    expect(inBands).toBeGreaterThan(0);
    // In bands it is drawn in full at once.
    const [diagram] = fc.sample(searched, { numRuns: 1, seed: 7 });
    const bands: Diagram = { ...diagram!, arrangement: { ...diagram!.arrangement, tiers: 'bands' } };
    expect(drawFirstSight(bands)).toEqual({ drawn: drawApart(bands), whole: true });
  });
  it('of other kinds, and of very large trees, has the colours it will have, with all in its place', () => {
    const large: fc.Arbitrary<Diagram> = fc.oneof(
      fc.constant(familyOf(Array.from({ length: 160 }, (_, i) => (i * 7919) % 100_003)) as Diagram),
      fc.constant(vennOf(3, [1, 2, 3, 4, 5, 6, 7, 1, 2], undefined, { shape: 'scaled-circles' }) as Diagram),
      fc.constant(mapOf(Array.from({ length: 90 }, (_, i) => (i * 31) % 97)) as Diagram),
      fc.constant(
        diagramFromParents(Array.from({ length: 640 }, (_, i) => (i === 0 ? -1 : Math.floor((i - 1) / 6)))) as Diagram,
      ),
    );
    fc.assert(
      fc.property(large, fc.constantFrom(...looks), fc.boolean(), (diagram, look, own) => {
        fc.pre(kindOf(diagram.kind).takesLong(diagram));
        const seen = draw(diagram);
        const [one] = Object.keys(diagram.entries);
        // An item of sets would get a box, which it has not yet.
        const styled: Diagram =
          own && diagram.kind !== 'venn'
            ? { ...diagram, styles: { ...diagram.styles, only: { [one!]: { fill: '#123456' } } } }
            : diagram;
        const tried: Diagram = { ...styled, look: look.id };
        const first = drawFirstSight(tried, { diagram, drawn: structuredClone(seen) })!;
        expect(first.whole).toBe(false);
        const whole = drawApart(tried);
        expect(first.drawn.styles).toEqual(whole.styles);
        expect(first.drawn.scene.sheet.ground).toBe(whole.scene.sheet.ground);
        const coloursOf = (scene: Scene) =>
          new Map(
            entriesOf(scene).map(({ stands, children }) => [
              stands.id,
              children.flatMap((child) =>
                child.type === 'box' ? [child.fill, child.stroke] : child.type === 'text' ? [child.fill] : [],
              ),
            ]),
          );
        const [told, wanted] = [coloursOf(first.drawn.scene), coloursOf(whole.scene)];
        // As many lines of text may not be drawn in both; their colours are.
        for (const [id, colours] of wanted) expect(new Set(told.get(id))).toEqual(new Set(colours));
        expect(entriesOf(first.drawn.scene).map(placed)).toEqual(entriesOf(seen.scene).map(placed));
        // The regions of sets, and their curves.
        const areas = (scene: Scene) =>
          scene.groups.flatMap(({ stands, children: [area] }) =>
            (stands.for === 'region' || stands.for === 'set') && area?.type === 'path'
              ? [[stands.id, area.fill, stands.for === 'set' && area.stroke]]
              : [],
          );
        expect(areas(first.drawn.scene)).toEqual(areas(whole.scene));
      }),
      { numRuns: 12 },
    );
  });
  it('in other colours is not given of other entries, or of another arrangement', () => {
    const family: Diagram = familyOf(Array.from({ length: 160 }, (_, i) => (i * 7919) % 100_003));
    const seen = { diagram: family, drawn: draw(family) };
    expect(drawFirstSight({ ...family, look: 'heather' }, seen)).not.toBeNull();
    const right: Diagram = { ...family, arrangement: { ...family.arrangement, direction: 'right' } };
    expect(drawFirstSight(right, seen)).toBeNull();
  });
});
