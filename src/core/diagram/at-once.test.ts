import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apart, atFirstSight, longSearch, withoutSearch } from '../model';
import { diagramFromParents } from '../testing/arbitrary';
import { applyCommand, type Diagram } from '.';
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
      { numRuns: 24 },
    );
  });
  it('is not given in another manner than the one that is tried', () => {
    const [diagram] = fc.sample(searched, { numRuns: 1, seed: 7 });
    const compact: Diagram = { ...diagram!, arrangement: { ...diagram!.arrangement, tiers: 'compact' } };
    takeArrangement(compact, elsewhere(compact));
    const bands: Diagram = { ...compact, arrangement: { ...compact.arrangement, tiers: 'bands' } };
    expect(drawFirstSight(bands)).toBeNull();
    expect(drawFirstSight({ ...compact, look: 'heather' })?.whole).toBe(false);
    expect(drawFirstSight(compact)?.whole).toBe(true);
  });
});
