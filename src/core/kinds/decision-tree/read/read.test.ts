import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { applyGesture, brokenInvariants, readInAllKinds, tokensOf } from '../../../diagram';
import { hierarchyOf } from '../../../hierarchy';
import { hostileDecisions } from '../../../testing/arbitrary-decision';
import { hostileName } from '../../../testing/hostile-names';
import { titleAbove } from '../../../read';
import { decisionTree } from '../kind';
import { factsOf, noFacts, type DecisionTree } from '../model';
import { branchLineOf, readBranchLine } from './line';
import { readDecision } from './read';

const read = (text: string) => readDecision(tokensOf(text));
const demo = (name: string) => readFileSync(new URL(`../../../../../demo/lists/${name}`, import.meta.url), 'utf8');

describe('a line of a branch', () => {
  it.each([
    ['Bad winter (0.3): -18,000', 'Bad winter', { probability: 0.3, payoff: -18000 }],
    ['Bad winter (30 %) = −18,000', 'Bad winter', { probability: 0.3, payoff: -18000 }],
    ['Patch it (cost £4,000)', 'Patch it', { cost: 4000 }],
    ['Yes: Curlew', 'Curlew', { label: 'Yes' }],
    ['Won (1/4, cost 20): Celebrate = 500', 'Celebrate', { label: 'Won', probability: 0.25, cost: 20, payoff: 500 }],
    ['Rain (p = 0.4)', 'Rain', { probability: 0.4 }],
    ['Strike, p = 0,1', 'Strike', { probability: 0.1 }],
    ['Frost, Wahrsch. 0,3: 500', 'Frost', { probability: 0.3, payoff: 500 }],
    ['Build (koszt 4 000, szansa: 3/10) = 20', 'Build', { probability: 0.3, cost: 4000, payoff: 20 }],
    ['Build, custo 8 000, p = 0.2', 'Build', { probability: 0.2, cost: 8000 }],
    ['Nothing at all', 'Nothing at all', {}],
    ['Bo (Skipper)', 'Bo (Skipper)', {}],
    ['Ratio 3:1', 'Ratio 3:1', {}],
  ])('%s', (line, name, facts) => {
    expect(readBranchLine(line)).toMatchObject({ name, facts: { ...noFacts, ...facts } });
  });
  it('is read back as it was written, whatever its words are', () => {
    const amount = fc.oneof(fc.constant(null), fc.integer({ min: -9999, max: 9999 }));
    fc.assert(
      fc.property(
        hostileName,
        fc.oneof(fc.constant(''), hostileName),
        fc.array(hostileName, { maxLength: 2 }),
        fc.record({ probability: fc.constantFrom(null, 0.5, 1 / 3), cost: amount, payoff: amount }),
        (name, label, details, numbers) => {
          const facts = { label: label.slice(0, 200), ...numbers };
          const back = readBranchLine(branchLineOf({ name, details, facts }).trim());
          expect({ name: back.name, details: back.details, facts: back.facts }).toEqual({ name, details, facts });
        },
      ),
      { numRuns: 3000 },
    );
  });
});

const toldBy = (diagram: DecisionTree) => {
  const { ids, outline, tier } = hierarchyOf(diagram.entries);
  return Array.from(outline, (i) => {
    const { name, details, role } = diagram.entries[ids[i]!]!;
    return { name, details, role, tier: tier[i]!, facts: factsOf(diagram, ids[i]!) };
  });
};
const withoutEmptyEnd = (texts: readonly string[]) => texts.slice(0, texts.findLastIndex((text) => text !== '') + 1);

describe('a decision tree there and back', () => {
  it('as text: names, answers, numbers, notes and structure', () => {
    fc.assert(
      fc.property(hostileDecisions, (diagram) => {
        const back = decisionTree.make(read(decisionTree.text(diagram)), '');
        const plain = (of: DecisionTree) =>
          toldBy(of).map(({ name, details, tier, facts }) => ({ name, details, tier, facts }));
        expect(plain(back)).toEqual(plain(diagram));
      }),
      { numRuns: 600 },
    );
  });
  it('as CSV: these and the kinds of nodes set by hand', () => {
    fc.assert(
      fc.property(hostileDecisions, (diagram) => {
        const back = decisionTree.make(read(decisionTree.csv(diagram)), '');
        const told = toldBy(diagram).map((one) => ({
          ...one,
          details: withoutEmptyEnd(one.details),
          // A name that is missing is read from the words on the branch.
          ...(one.name === '' && one.facts.label !== ''
            ? { name: one.facts.label, facts: { ...one.facts, label: '' } }
            : {}),
        }));
        expect(toldBy(back)).toEqual(told);
      }),
      { numRuns: 400 },
    );
  });
  it('an edited text changes what it says and nothing else, and the change can be taken back', () => {
    const before = decisionTree.make(read(demo('leaking-boardwalk.txt')), 'Boardwalk');
    const text = decisionTree.text(before).replace('Hard winter (0.3) = -9000', 'Hard winter (0.35) = -9500');
    let n = 0;
    const { gesture } = decisionTree.update(before, text, () => `new${n++}`);
    const outcome = applyGesture(before, gesture);
    if (!outcome.ok) throw new Error(outcome.reason);
    expect(gesture).toHaveLength(1);
    expect(decisionTree.text(outcome.diagram as DecisionTree)).toBe(text);
    expect(applyGesture(outcome.diagram, outcome.inverse)).toMatchObject({ diagram: before });
    expect(decisionTree.update(before, decisionTree.text(before), () => 'x').gesture).toEqual([]);
  });
  it('a text with new branches adds them with what they say', () => {
    const before = decisionTree.make(read('Go?\n\tYes: Pack\n\tNo: Stay'), '');
    let n = 0;
    const { gesture } = decisionTree.update(before, 'Go?\n\tYes: Pack\n\tNo: Stay\n\tPerhaps: Wait', () => `new${n++}`);
    const outcome = applyGesture(before, gesture);
    if (!outcome.ok) throw new Error(outcome.reason);
    expect(toldBy(outcome.diagram as DecisionTree).at(-1)).toMatchObject({ name: 'Wait', facts: { label: 'Perhaps' } });
    expect(brokenInvariants(outcome.diagram)).toEqual([]);
  });
});

describe('lists as they come', () => {
  it('answers on lines of their own become the words on the branches', () => {
    const { entries, facts } = read(
      'Bill curved?\n\tYes\n\t\tCurlew\n\tNo\n\t\tLong legs?\n\t\t\tYes\n\t\t\t\tHeron\n\t\t\tNo\n\t\t\t\tDuck',
    );
    expect(entries.map(({ name }) => name)).toEqual(['Bill curved?', 'Curlew', 'Long legs?', 'Heron', 'Duck']);
    expect(entries.slice(1).map(({ id }) => facts[id]!.label)).toEqual(['Yes', 'No', 'Yes', 'No']);
    expect(entries[3]!.parent).toBe(entries[2]!.id);
  });
  it('a table with parent, branch, probability, payoff and kind', () => {
    const { entries, facts, columns, unit } = read(
      'Branch,Parent,Probability,Payoff,Cost,Kind\nDrill?,,,,,decision\nDrill,Drill?,,,£70,chance\nDry,Drill,50 %,0,,end\nWet,Drill,3/10,120,,end\nSoaking,Drill,0.2,270,,end\nLeave,Drill?,,0,,end\n',
    );
    expect(columns.map(({ use }) => use)).toEqual([
      'name',
      'parent',
      'own-probability',
      'own-payoff',
      'own-cost',
      'role',
    ]);
    expect(entries.map(({ name }) => name)).toEqual(['Drill?', 'Drill', 'Dry', 'Wet', 'Soaking', 'Leave']);
    expect(entries[1]).toMatchObject({ role: 'chance', parent: entries[0]!.id });
    expect(facts[entries[1]!.id]).toMatchObject({ cost: 70 });
    expect(entries.slice(2, 5).map(({ id }) => facts[id]!.probability)).toEqual([0.5, 0.3, 0.2]);
    expect(unit).toBe('£');
  });
  it.each([
    ['leaking-boardwalk.txt', 'decision-tree'],
    ['wading-birds-key.txt', 'decision-tree'],
    ['kinds-of-shore.txt', 'topic-tree'],
    ['boat-crew-note.txt', 'org-chart'],
    ['brackwater-staff.csv', 'org-chart'],
    ['shorebirds.txt', 'venn'],
  ])('%s is taken for a %s', (name, kind) => {
    const [best] = readInAllKinds(demo(name));
    expect(best!.kind.id).toBe(kind);
  });
  it('a key in numbered couplets: statements on the branches, numbers lead on', () => {
    const list =
      '1 Has feathers ........ 2\n1 No feathers ......... 3\n2 Can fly …… Gull\n2 Cannot fly → Penguin\n3a. Has fins ... go to 4\n3b. No fins ... Crab\n4 Flat ... Plaice\n4 Round ... 2';
    const [best] = readInAllKinds(list);
    expect(best!.kind.id).toBe('decision-tree');
    expect(best!.fit).toMatchObject({ words: 'questions and answers', against: '' });
    expect(titleAbove(read(`Common animals\n\n${list}`))).toBe('Common animals');
    const { entries, facts, findings } = read(list);
    const nameOf = new Map(entries.map(({ id, name }) => [id, name]));
    expect(entries.map(({ id, name, parent }) => [parent && nameOf.get(parent), facts[id]?.label ?? '', name])).toEqual(
      [
        [null, '', '1'],
        ['1', 'Has feathers', '2'],
        ['1', 'No feathers', '3'],
        ['2', 'Can fly', 'Gull'],
        ['2', 'Cannot fly', 'Penguin'],
        ['3', 'Has fins', '4'],
        ['3', 'No fins', 'Crab'],
        ['4', 'Flat', 'Plaice'],
        ['4', 'Round', 'see 2'],
      ],
    );
    expect(findings.map(({ code, line }) => [code, line])).toEqual([['repeated-couplet', 8]]);
  });
  it('couplets that lead in a ring, or that nobody leads to, are told and drawn all the same', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 6 }), fc.integer({ min: 1, max: 8 })), {
          minLength: 4,
          maxLength: 14,
        }),
        (leads) => {
          const list = leads.map(([from, to], i) => `${from} statement ${i} ... ${to > 6 ? 'result' : to}`).join('\n');
          const { entries } = read(list);
          const diagram = decisionTree.make(read(list), 'Key');
          expect(brokenInvariants(diagram)).toEqual([]);
          expect(entries.length).toBeGreaterThanOrEqual(leads.length);
        },
      ),
    );
  });
  it('a key is read as a key, an analysis as one with its unit', () => {
    expect(decisionTree.make(read(demo('wading-birds-key.txt')), '').decision.manner.manner).toBe('key');
    expect(decisionTree.make(read(demo('leaking-boardwalk.txt')), '').decision.manner).toMatchObject({
      manner: 'analysis',
      unit: '£',
    });
  });
});
