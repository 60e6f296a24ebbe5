import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hierarchyOf } from '../../hierarchy';
import { diagramFromParents, diagrams } from '../../testing/arbitrary';
import { figureOrgChart, graicunas } from './figures';

describe('figures of an org chart', () => {
  // V. A. Graicunas 1933: relationships for 1 to 8 subordinates.
  it('relationships of a superior are 1, 6, 18, 44, 100, 222, 490, 1080', () => {
    expect([1, 2, 3, 4, 5, 6, 7, 8].map(graicunas)).toEqual([1, 6, 18, 44, 100, 222, 490, 1080]);
  });
  it('a worked example: a head with three reports, the first with two and a vacant post', () => {
    const plain = diagramFromParents([-1, 0, 0, 0, 1, 1, 1]);
    const diagram = { ...plain, entries: { ...plain.entries, e6: { ...plain.entries.e6!, role: 'vacancy' } } };
    const figures = figureOrgChart(diagram, hierarchyOf(diagram.entries));
    expect(figures).toMatchObject({ people: 6, vacancies: 1 });
    expect(figures.tiers.map(({ filled, vacant, managers }) => [filled, vacant, managers])).toEqual([
      [1, 0, 1],
      [3, 0, 1],
      [2, 1, 0],
    ]);
    expect(
      figures.managers.map(({ id, span, below, vacant, relationships }) => [id, span, below, vacant, relationships]),
    ).toEqual([
      ['e0', 3, 6, 0, 18],
      ['e1', 3, 3, 1, 18],
    ]);
    expect(figures.spans).toEqual({
      mean: 3,
      median: 3,
      widest: 3,
      counts: [
        { span: 1, managers: 0 },
        { span: 2, managers: 0 },
        { span: 3, managers: 2 },
      ],
    });
  });
  it('every entry but the tops is somebody’s direct report; filled and vacant posts add up', () => {
    fc.assert(
      fc.property(diagrams, (diagram) => {
        const structure = hierarchyOf(diagram.entries);
        const figures = figureOrgChart(diagram, structure);
        const n = structure.ids.length;
        expect(figures.managers.reduce((sum, manager) => sum + manager.span, 0)).toBe(n - structure.roots);
        expect(figures.people + figures.vacancies).toBe(n);
        expect(figures.tiers.reduce((sum, tier) => sum + tier.filled + tier.vacant, 0)).toBe(n);
        expect(figures.spans.counts.reduce((sum, count) => sum + count.managers, 0)).toBe(figures.managers.length);
        const depths = Array.from(structure.tier, (tier) => tier - 1).reduce((sum, depth) => sum + depth, 0);
        expect(figures.managers.reduce((sum, manager) => sum + manager.below, 0)).toBe(depths);
      }),
    );
  });
  it('an empty chart has no spans', () => {
    const empty = diagramFromParents([]);
    expect(figureOrgChart(empty, hierarchyOf({})).spans).toEqual({
      mean: null,
      median: null,
      widest: null,
      counts: [],
    });
  });
});
