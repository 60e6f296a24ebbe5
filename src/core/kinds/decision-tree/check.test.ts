import { describe, expect, it } from 'vitest';
import { applyGesture, check, draw, kindOf, tokensOf } from '../../diagram';
import { decisionTree } from './kind';
import { factsOf, type DecisionTree } from './model';

const made = (text: string): DecisionTree => decisionTree.make(decisionTree.read(tokensOf(text)), '');
const found = (diagram: DecisionTree) => check(diagram, draw(diagram));
const codes = (text: string) => found(made(text)).map(({ code }) => code);

describe('what is found in a key', () => {
  it('nothing in a sound one', () => expect(codes('Curved?\n\tYes: Curlew\n\tNo: Plover')).toEqual([]));
  it('a question with one answer', () => expect(codes('Curved?\n\tYes: Curlew')).toContain('one-answer'));
  it('the same answer twice, whose second is never reached', () => {
    const [one] = found(made('Curved?\n\tYes: Curlew\n\tyes: Plover')).filter(({ code }) => code === 'same-answer');
    expect(one!.message).toContain('never taken');
    expect(one!.entries).toHaveLength(2);
  });
  it('a key that does not end', () => expect(codes('Curved?\n\tYes: Curlew\n\tNo: Long legs?')).toContain('endless'));
  it('an answer without words', () => expect(codes('Curved?\n\tYes: Curlew\n\tPlover')).toContain('no-answer'));
  it('a result without words', () => expect(codes('Curved?\n\tYes: Curlew\n\tNo: ""')).toContain('no-words'));
});

describe('what is found in an analysis', () => {
  const sound = 'Go?\n\tGo (cost 1)\n\t\tWin (0.5) = 10\n\t\tLose (0.5) = -4\n\tStay = 0';
  it('nothing in a sound one', () => expect(codes(sound)).toEqual([]));
  it('probabilities that do not make 1, with the way to mend them in proportion', () => {
    const diagram = made(sound.replace('Lose (0.5)', 'Lose (0.3)'));
    const [sum] = found(diagram).filter(({ code }) => code === 'sum-of-chances');
    expect(sum!.message).toContain('0.8');
    const fix = kindOf('decision-tree').fix!(diagram, kindOf('decision-tree').structure(diagram), sum!)!;
    const mended = applyGesture(diagram, fix.gesture);
    if (!mended.ok) throw new Error(mended.reason);
    expect(found(mended.diagram as DecisionTree)).toEqual([]);
    expect(factsOf(mended.diagram as DecisionTree, 'e3').probability).toBeCloseTo(0.625, 12);
  });
  it('a branch without a probability, which can take the rest', () => {
    const diagram = made(sound.replace('Lose (0.5)', 'Lose'));
    const [missing] = found(diagram).filter(({ code }) => code === 'no-chance');
    const fix = kindOf('decision-tree').fix!(diagram, kindOf('decision-tree').structure(diagram), missing!)!;
    const mended = applyGesture(diagram, fix.gesture);
    if (!mended.ok) throw new Error(mended.reason);
    expect(factsOf(mended.diagram as DecisionTree, 'e4').probability).toBe(0.5);
    expect(found(mended.diagram as DecisionTree)).toEqual([]);
  });
  it('an end without a payoff, which is drawn as “?”', () => {
    const diagram = made(sound.replace('= 10', ''));
    expect(found(diagram).map(({ code }) => code)).toContain('no-payoff');
    const texts = draw(diagram).scene.groups.flatMap(({ children }) =>
      children.flatMap((one) => (one.type === 'text' ? one.runs.map(({ text }) => text) : [])),
    );
    expect(texts).toContain('?');
  });
  it('a probability that is none', () => {
    expect(codes(sound.replace('0.5) = 10', '-0.5) = 10').replace('0.5) = -4', '1.5) = -4'))).toEqual([
      'negative-chance',
      'negative-chance',
    ]);
  });
  it('a decision with one choice', () => expect(codes('Go?\n\tGo (cost 1) = 5')).toContain('one-choice'));
  it('a cost that never matters, as another choice is better whatever happens', () => {
    expect(codes('Go?\n\tGo (cost 3)\n\t\tWin (0.5) = 4\n\t\tLose (0.5) = 1\n\tStay = 9')).toContain('idle-cost');
    expect(codes('Go?\n\tGo (cost 3)\n\t\tWin (0.5) = 14\n\t\tLose (0.5) = 1\n\tStay = 9')).not.toContain('idle-cost');
  });
  it('a probability after a decision, where it counts for nothing', () => {
    const diagram = made(sound.replace('Stay', 'Stay (0.2)'));
    const set = applyGesture(diagram, [{ kind: 'setRole', id: 'e1', role: 'decision' }]);
    if (!set.ok) throw new Error(set.reason);
    expect(
      found(set.diagram as DecisionTree)
        .map(({ message }) => message)
        .join(),
    ).toContain('counts for nothing');
  });
});
