import { describe, expect, it } from 'vitest';
import { applyGesture, check, draw, fixOf, type Diagram } from '../diagram';
import { plainEnclosure } from '../model';
import { diagramFromParents } from '../testing/arbitrary';

const found = (diagram: Diagram, code: string) => check(diagram, draw(diagram)).filter((one) => one.code === code);

describe('findings about outlines and details', () => {
  const chart = diagramFromParents([-1, 0, 0, 0]);
  const rows: Diagram = { ...chart, arrangement: { ...chart.arrangement, tiers: 'bands', lowest: 'row' } };
  const enclosing = (members: string[]): Diagram => ({
    ...rows,
    enclosures: { x: { ...plainEnclosure, id: 'x', name: 'Ours', members } },
  });
  it('an outline around two that stand apart names who it takes in between', () => {
    expect(found(enclosing(['e1', 'e3']), 'taken-in')).toMatchObject([{ entries: ['e2'] }]);
    expect(found(enclosing(['e1', 'e2']), 'taken-in')).toEqual([]);
  });
  it('a third detail line that is not drawn is found, and shown by its fix, whoever set the number', () => {
    const entries = { ...chart.entries, e1: { ...chart.entries.e1!, details: ['Lead', 'Boathouse', 'Mondays'] } };
    const narrow = { ...chart, entries, styles: { ...chart.styles, tiers: { '2': { details: 1 } } } };
    for (const diagram of [{ ...chart, entries }, narrow]) {
      const [finding] = found(diagram, 'details-left-out');
      expect(finding!.entries).toEqual(['e1']);
      const mended = applyGesture(diagram, fixOf(diagram, finding!)!.gesture);
      expect(mended.ok && found(mended.diagram, 'details-left-out')).toEqual([]);
      expect(mended.ok && JSON.stringify(draw(mended.diagram).scene.groups)).toContain('Mondays');
    }
  });
  it('details that are not to be drawn at all are no finding', () => {
    const entries = { ...chart.entries, e1: { ...chart.entries.e1!, details: ['Lead'] } };
    const bare = { ...chart, entries, styles: { ...chart.styles, everything: { details: 0 } } };
    expect(found(bare, 'details-left-out')).toEqual([]);
  });
});
