/** Generated concept maps for property tests. */
import { enclosureCommands } from './arbitrary-enclosure';
import fc from 'fast-check';
import { createDiagram, type Command } from '../diagram';
import type { ConceptMap } from '../kinds/concept-map';
import { createEntry, evenKeys, type Link } from '../model';

const phrases = ['carry', 'are food for', 'is part of', 'leads in the end to', '', 'has', 'depends on', 'carry'];
const names = ['silt', 'salt-marsh plants', 'tides', 'worms and snails', 'a rather long idea of several words', 'Ö'];

/** A map from draws: idea i is led to from an earlier one, but now and then from nothing; further draws are cross-links, also back and to and fro. */
export function mapOf(draws: readonly number[], across: readonly number[] = []): ConceptMap {
  const keys = evenKeys(draws.length);
  const n = draws.length;
  const links: Link[] = [];
  const link = (from: number, to: number, draw: number): void => {
    if (from === to) return;
    links.push({
      id: `l${links.length}`,
      from: `e${from}`,
      to: `e${to}`,
      kind: 'proposition',
      phrase: phrases[draw % phrases.length]!,
    });
  };
  draws.forEach((draw, i) => {
    if (i > 0 && draw % 13 > 0) link(draw % i, i, draw >> 3);
  });
  for (const draw of across) link(draw % n, (draw >> 7) % n, draw >> 2);
  const entries = draws.map((draw, i) =>
    createEntry({
      id: `e${i}`,
      name: `${names[draw % names.length]} ${i}`,
      order: keys[i]!,
      role: draw % 17 === 0 ? 'example' : null,
    }),
  );
  const empty = createDiagram('concept-map', 'Generated') as ConceptMap;
  return {
    ...empty,
    entries: Object.fromEntries(entries.map((entry) => [entry.id, entry])),
    links: Object.fromEntries(links.map((one) => [one.id, one])),
  };
}

/** Maps of up to `most` ideas with up to two in five cross-links. */
export const maps = (most: number): fc.Arbitrary<ConceptMap> =>
  fc
    .array(fc.nat({ max: 1_000_000 }), { minLength: 1, maxLength: most })
    .chain((draws) =>
      fc
        .array(fc.nat({ max: 1_000_000 }), { maxLength: Math.floor(draws.length * 0.4) })
        .map((across) => mapOf(draws, across)),
    );

const idea = fc.nat({ max: 12 }).map((n) => `e${n}`);
const link = fc.nat({ max: 16 }).map((n) => `l${n}`);

/** Commands of concept maps, and of links and ideas in general, that may or may not apply to generated maps. */
export const mapCommands: fc.Arbitrary<Command> = fc.oneof(
  fc
    .record(
      {
        way: fc.constantFrom('ranked' as const, 'rings' as const, 'even' as const),
        arrows: fc.constantFrom('needed' as const, 'always' as const, 'never' as const),
        focus: fc.option(idea),
        question: fc.constantFrom('', 'What for?'),
        blanked: fc.boolean(),
      },
      { requiredKeys: [] },
    )
    .map((patch): Command => ({ kind: 'setMap', patch })),
  enclosureCommands(idea),
  fc
    .record({ link, mark: fc.option(fc.constantFrom('valid' as const, 'notValid' as const)) })
    .map((one): Command => ({ kind: 'markProposition', ...one })),
  fc
    .record({ levels: fc.option(fc.nat({ max: 9 })), examples: fc.option(fc.nat({ max: 9 })) })
    .map((patch): Command => ({ kind: 'setCounted', patch })),
  fc
    .record({
      blank: fc.array(fc.oneof(idea, link), { maxLength: 4 }),
      told: fc.array(fc.oneof(idea, link), { maxLength: 4 }),
    })
    .map((one): Command => ({ kind: 'setBlanks', ...one })),
  fc.constantFrom('', 'tides --carry--> silt').map((key): Command => ({ kind: 'setKey', key })),
  fc.record({ id: link, from: idea, to: idea }).map(({ id, ...patch }): Command => ({ kind: 'changeLink', id, patch })),
  fc.record({ from: idea, to: idea, n: fc.nat({ max: 40 }) }).map(({ from, to, n }): Command => ({
    kind: 'addLink',
    link: { id: `l${n}`, from, to, kind: 'proposition', phrase: n % 2 === 0 ? 'has' : '' },
  })),
  link.map((id): Command => ({ kind: 'removeLink', id })),
  idea.map((id): Command => ({ kind: 'removeEntries', ids: [id] })),
  fc
    .record({ id: idea, x: fc.integer({ min: -60, max: 60 }) })
    .map(({ id, x }): Command => ({ kind: 'setNudge', id, nudge: x === 0 ? null : { x, y: 20 } })),
  fc.record({ id: idea, name: fc.constantFrom('silt', 'A', '') }).map((one): Command => ({ kind: 'rename', ...one })),
);
