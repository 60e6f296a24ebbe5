import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { HouseStyle } from '../model';
import { commands, diagramFromParents, diagrams } from '../testing/arbitrary';
import { applyCommand, applyGesture } from './apply';
import type { Diagram } from './diagram';
import { houseStyleOf, inHouseStyle } from './house-style';
import { draw } from './river';

const styled = fc.tuple(diagrams, fc.array(commands, { maxLength: 25 })).map(([start, all]) =>
  all.reduce<Diagram>((now, command) => {
    const outcome = applyCommand(now, command);
    return outcome.ok ? outcome.diagram : now;
  }, start),
);

describe('a house style', () => {
  it('taken from any diagram and given to any other is there whole; then nothing is left to give, and taking it back is exact', () => {
    fc.assert(
      fc.property(styled, styled, (from, to) => {
        const house = houseStyleOf(from, 'Reserve');
        const tie = { id: 'house', revision: 3 };
        const outcome = applyGesture(to, inHouseStyle(to, house, tie));
        if (!outcome.ok) throw new Error(outcome.reason);
        expect(houseStyleOf(outcome.diagram, 'Reserve')).toEqual(house);
        expect(outcome.diagram.house).toEqual(tie);
        expect(outcome.diagram.styles.only).toEqual(to.styles.only);
        expect(outcome.diagram.styles.branches).toEqual(to.styles.branches);
        expect(inHouseStyle(outcome.diagram, house, tie)).toEqual([]);
        const back = applyGesture(outcome.diagram, outcome.inverse);
        expect(back.ok && back.diagram).toEqual(to);
      }),
      { numRuns: 120 },
    );
  });
  it('written as a file reads back equal, and what is none is refused', () => {
    fc.assert(
      fc.property(styled, (from) => {
        const house = houseStyleOf(from, 'Réserve “Brackwater” & mud');
        expect(HouseStyle.parse(JSON.parse(JSON.stringify(house)))).toEqual(house);
        expect(HouseStyle.safeParse({ ...house, houseStyle: 2 }).success).toBe(false);
        expect(HouseStyle.safeParse({ ...house, name: '' }).success).toBe(false);
      }),
      { numRuns: 40 },
    );
  });
  it('has nothing left to give when its file tells the same in another order', () => {
    const chart = diagramFromParents([-1, 0]);
    const given = { fill: '#123456', text: '#ffffff', room: 20 };
    const of = (everything: object): Diagram => ({ ...chart, styles: { ...chart.styles, everything } });
    const turned = Object.fromEntries(Object.entries(given).reverse());
    expect(inHouseStyle(of(given), houseStyleOf(of(turned), 'Reserve'), null)).toEqual([]);
  });
  it('draws equal lists alike', () => {
    fc.assert(
      fc.property(styled, diagrams, (from, plain) => {
        const house = houseStyleOf(from, 'Reserve');
        const [one, two] = [plain, { ...plain, look: 'heather' }].map((diagram) => {
          const outcome = applyGesture(diagram, inHouseStyle(diagram, house, null));
          if (!outcome.ok) throw new Error(outcome.reason);
          return draw(outcome.diagram).styles;
        });
        expect(one).toEqual(two);
      }),
      { numRuns: 30 },
    );
  });
});
