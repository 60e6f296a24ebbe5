import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apart, longSearch, withoutSearch } from '../model';
import { diagramFromParents } from '../testing/arbitrary';
import { applyCommand, type Diagram } from '.';
import { arrangementFound, draw, drawApart, drawAtOnce, takeArrangement } from './river';

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
    expect(withoutSearch(() => longSearch(() => 1))).toBeNull();
    expect(longSearch(() => 1)).toBe(1);
  });
});
