import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { commands, diagramFromParents, diagrams } from '../testing/arbitrary';
import { enclosureCommands } from '../testing/arbitrary-enclosure';
import { analyses, analysisOf } from '../testing/arbitrary-decision';
import { families, familyOf } from '../testing/arbitrary-family';
import { mapCommands, mapOf, maps } from '../testing/arbitrary-map';
import { vennCommands, vennOf, venns } from '../testing/arbitrary-venn';
import { plainNote } from '../model';
import { applyGesture, draw, type Command, type Diagram } from '.';

/** The diagrams that one gets by doing what can be done, one after the other; what is refused is passed over. */
function* edited(begin: Diagram, gestures: readonly Command[]): Generator<Diagram> {
  let now = begin;
  for (const command of gestures) {
    const outcome = applyGesture(now, [command]);
    if (!outcome.ok) continue;
    now = outcome.diagram;
    yield now;
  }
}

/** Another diagram of the same content, of which nothing is kept from earlier drawings. */
const anew = (diagram: Diagram): Diagram => JSON.parse(JSON.stringify(diagram)) as Diagram;

/** What is kept between drawings never shows: after every edit the drawing is the one that is made from nothing. */
function expectAsFromNothing(begin: Diagram, gestures: readonly Command[]): void {
  draw(begin);
  for (const diagram of edited(begin, gestures)) {
    const kept = draw(diagram);
    const made = draw(anew(diagram));
    expect(JSON.stringify(kept.scene)).toBe(JSON.stringify(made.scene));
    expect(kept.styles).toEqual(made.styles);
  }
}

const entry = fc.nat({ max: 30 }).map((n) => `e${n}`);
const typed: fc.Arbitrary<Command> = fc
  .record({ id: entry, name: fc.constantFrom('A', 'Bo', 'Oystercatcher', 'A rather long name of somebody', 'e\u0301') })
  .map(({ id, name }): Command => ({ kind: 'rename', id, name }));
const detailed: fc.Arbitrary<Command> = fc
  .record({ id: entry, details: fc.constantFrom<string[]>([], ['x'], ['a detail of some length', 'another']) })
  .map(({ id, details }): Command => ({ kind: 'setDetails', id, details }));
const paid: fc.Arbitrary<Command> = fc
  .record({
    id: entry,
    patch: fc.record(
      {
        payoff: fc.constantFrom(null, 0, 5, 123_456),
        probability: fc.constantFrom(null, 0.2, 0.5),
        cost: fc.constantFrom(null, 40),
        label: fc.constantFrom('', 'yes', 'no, it does not'),
      },
      { requiredKeys: [] },
    ),
  })
  .map(({ id, patch }): Command => ({ kind: 'setFacts', id, patch }));
const aimed: fc.Arbitrary<Command> = fc
  .record(
    {
      manner: fc.constantFrom('key' as const, 'analysis' as const),
      aim: fc.constantFrom('most' as const, 'least' as const),
      ends: fc.constantFrom('own' as const, 'aligned' as const),
      values: fc.constantFrom('shown' as const, 'hidden' as const),
    },
    { requiredKeys: [] },
  )
  .map((patch): Command => ({ kind: 'setDecision', patch }));
/** Notes, outlines and roles of entries that mostly exist. */
const aside = enclosureCommands(entry);
const some = (one: fc.Arbitrary<Command>): fc.Arbitrary<Command[]> => fc.array(one, { minLength: 1, maxLength: 8 });

describe('a drawing after edits is the drawing made from nothing', () => {
  it('of an org chart', () => {
    fc.assert(fc.property(diagrams, some(fc.oneof(commands, typed, detailed)), expectAsFromNothing), { numRuns: 80 });
  });
  it('of a topic tree, in every arrangement', () => {
    const tiers = fc.constantFrom(
      'open' as const,
      'bands' as const,
      'compact' as const,
      'columns' as const,
      'indented' as const,
    );
    fc.assert(
      fc.property(diagrams, tiers, some(fc.oneof(commands, typed, detailed)), (chart, way, gestures) => {
        const topic = { ...chart, kind: 'topic-tree', arrangement: { ...chart.arrangement, tiers: way } } as Diagram;
        expectAsFromNothing(topic, gestures);
      }),
      { numRuns: 80 },
    );
  });
  it('of a decision tree, key or analysis', () => {
    fc.assert(
      fc.property(
        analyses(24),
        fc.constantFrom('down' as const, 'right' as const),
        some(fc.oneof({ weight: 3, arbitrary: paid }, typed, aimed, aside)),
        (tree, direction, gestures) =>
          expectAsFromNothing({ ...tree, arrangement: { ...tree.arrangement, direction } }, gestures),
      ),
      { numRuns: 80 },
    );
  });
  it('of a family', () => {
    const person = fc.nat({ max: 20 }).map((n) => `p${n}`);
    const named = fc
      .record({ id: person, name: fc.constantFrom('A', 'Somebody with a long name') })
      .map(({ id, name }): Command => ({ kind: 'rename', id, name }));
    fc.assert(fc.property(families(20), some(fc.oneof(named, enclosureCommands(person))), expectAsFromNothing), {
      numRuns: 40,
    });
  });
  it('of a concept map, in every arrangement', () => {
    fc.assert(fc.property(maps(12), some(fc.oneof(mapCommands, typed, detailed, aside)), expectAsFromNothing), {
      numRuns: 60,
    });
  });
  const numbers = Array.from({ length: 46 }, (_, i) => (i * 7919) % 100_003);
  const chart = diagramFromParents(numbers.map((_, i) => (i === 0 ? -1 : Math.floor((i - 1) / 5))));
  it.each<[string, Diagram]>([
    ['an org chart', chart],
    ['a topic tree', anew({ ...chart, kind: 'topic-tree' } as Diagram)],
    [
      'a decision tree',
      analysisOf([-1, 0, 0, 1, 1, 2, 2, 3, 3, 4, 4], { chance: [true, false], weight: [1, 2], payoff: [90, -40] }),
    ],
    ['a family', familyOf(numbers)],
    ['a concept map', mapOf(numbers)],
    [
      'a Venn diagram',
      vennOf(
        3,
        numbers.slice(0, 20).map((n) => 1 + (n % 7)),
      ),
    ],
  ])('of %s below and above which notes are put, changed and taken away', (_, begin) => {
    const note = { ...plainNote, id: 'n', text: 'Seen again in spring.\n'.repeat(6), size: 18 };
    expectAsFromNothing(begin, [
      { kind: 'putNote', note },
      { kind: 'changeNote', id: 'n', patch: { place: { kind: 'sheet', row: 'above', at: 'right' }, size: 30 } },
      { kind: 'dropNote', id: 'n' },
    ]);
  });
  it('of a Venn diagram', () => {
    fc.assert(fc.property(venns(2, 14), some(fc.oneof(vennCommands, typed, detailed, aside)), expectAsFromNothing), {
      numRuns: 60,
    });
  });
});

describe('of a Venn diagram, what does not change is not made anew', () => {
  it('the groups of a drawing whose content is the same are the same objects, as is what is drawn in those that only move', () => {
    fc.assert(
      fc.property(venns(2, 14), typed, (begin, gesture) => {
        const before = new Map(draw(begin).scene.groups.map((group) => [group.stands.for + group.stands.id, group]));
        for (const diagram of edited(begin, [gesture]))
          for (const group of draw(diagram).scene.groups) {
            const old = before.get(group.stands.for + group.stands.id);
            if (!old) continue;
            if (JSON.stringify(old) === JSON.stringify(group)) expect(group).toBe(old);
            if (JSON.stringify(old.children) === JSON.stringify(group.children))
              expect(group.children).toBe(old.children);
          }
      }),
      { numRuns: 40 },
    );
  });
});
