/**
 * Measures what the signs of each kind are worth, over lists of which the kind is known: npx tsx scripts/weigh-kinds.ts DIR … [--write]. DIR holds lists and
 * an expect.json ([{ file, kind, shape }]). The weights are those under which the kinds that the lists have are likeliest (conditional logit: McFadden
 * 1974), held back from growing (ridge); a list that tells nothing is the seventh choice, at 0 bits. Says how many are told right, also of shapes
 * that were kept out while measuring.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { readInAllKinds, kinds } from '../src/core/diagram';
import { decodeList } from '../src/core/read';

const kindNamed = (name: string): number => kinds.findIndex(({ id }) => id.startsWith(name));
/** What a sign may weigh before it is held back: a variance in bits². */
const spread = 9;
/** Words over columns may be wrong: they weigh less than what cells say. */
const spreadOfHeadings = 2;
const rounds = 400;
const folds = 8;

interface Sample {
  readonly shape: string;
  /** The place of its kind; as many as there are kinds for none. */
  readonly kind: number;
  /** Of each kind, its signs as pairs of weight and value; null where it cannot be shown so. */
  readonly signs: readonly (readonly (readonly [at: number, value: number])[] | null)[];
}

const names: string[] = [];
const places = new Map<string, number>();
function placeOf(name: string): number {
  let at = places.get(name);
  if (at === undefined) places.set(name, (at = names.push(name) - 1));
  return at;
}

function sampleOf(text: string, kind: number, shape: string): Sample {
  const readings = readInAllKinds(text);
  const signs = kinds.map((one) => {
    const { fit } = readings.find((read) => read.kind === one)!;
    if (!fit) return null;
    const told = Object.entries({ 'any list': 1, ...fit.signs }).filter(([, value]) => value !== 0);
    return told.map(([name, value]) => [placeOf(`${one.id}\t${name}`), value] as const);
  });
  return { kind, shape, signs };
}

/** The same words without any order: what no kind should be found in. */
function jumbled(text: string, seed: number): string {
  const words = text.split(/[\s,;|:^]+/u).filter(Boolean);
  let state = seed;
  const next = (below: number) => (state = (state * 1103515245 + 12345) % 2147483648) % below;
  for (let i = words.length - 1; i > 0; i--) {
    const j = next(i + 1);
    [words[i], words[j]] = [words[j]!, words[i]!];
  }
  const lines: string[] = [];
  for (let at = 0; at < words.length;) lines.push(words.slice(at, (at += 4 + next(9))).join(' '));
  return lines.join('\n');
}

/** One or two lines of the list with an ampersand between two words. */
function withAmpersands(text: string, seed: number): string {
  const lines = text.split('\n');
  for (const at of [seed % lines.length, (seed * 7) % lines.length].slice(seed % 2))
    lines[at] = lines[at]!.replace(/(\p{L}{3,}) (?=\p{L}{3,})/u, '$1 & ');
  return lines.join('\n');
}

/** Answers written small before a colon. */
const withColons = (text: string): string =>
  text.replace(/(\p{L}+) ?(?:→|->) ?/gu, (_, answer: string) => `${answer.toLocaleLowerCase('en')}: `);

/** A plain table by forenames alone, under headings that say of whom or what it is. */
const headings: Readonly<Record<string, readonly string[]>> = {
  org: ['Name,Reports to', 'Name,Manager', 'Employee,Boss', 'Nom,Responsable', 'Name,Vorgesetzte'],
  topic: ['Term,Broader term', 'Topic,Part of', 'Begriff,Oberbegriff', 'Item,Kind of', 'Topic,Parent topic'],
};
function plainTable(nodes: readonly Node[], kind: string, seed: number): string {
  const short = (name: string | null) => (name ?? '').split(/[\s,]/)[0]!;
  const rows = nodes.slice(0, 3 + (seed % 6)).map(({ name, parent }) => `${short(name)},${short(parent)}`);
  const of = headings[kind]!;
  return [of[seed % of.length]!, ...rows].join('\n');
}

interface Node {
  readonly name: string;
  readonly parent: string | null;
}
interface Want {
  readonly file: string;
  readonly kind: string;
  readonly shape: string;
  readonly truth: { readonly nodes?: readonly Node[] };
}
const samples: Sample[] = [];
for (const dir of process.argv.slice(2).filter((arg) => !arg.startsWith('--'))) {
  const wants = JSON.parse(readFileSync(join(dir, 'expect.json'), 'utf8')) as Want[];
  wants.forEach(({ file, kind, shape, truth }, i) => {
    const { text } = decodeList(readFileSync(join(dir, file)));
    if (text === null) return;
    const isTree = kind === 'org' || kind === 'topic';
    samples.push(sampleOf(text, kindNamed(kind), `${kind} ${shape}`));
    if (i % 15 === 0) samples.push(sampleOf(jumbled(text, i + 1), kinds.length, 'none jumbled'));
    // An ampersand within a name here and there makes no couple.
    if (i % 5 === 0 && isTree) samples.push(sampleOf(withAmpersands(text, i), kindNamed(kind), `${kind} ${shape}`));
    if (i % 6 === 0 && isTree && truth.nodes)
      samples.push(sampleOf(plainTable(truth.nodes, kind, i / 6), kindNamed(kind), `${kind} plain table`));
    if (shape === 'key-answers')
      samples.push(sampleOf(withColons(text), kindNamed(kind), `${kind} ${shape} by colons`));
    // Names alone are people under nobody, or topics.
    if (i % 12 === 0 && isTree && truth.nodes)
      samples.push(sampleOf(truth.nodes.map(({ name }) => name).join('\n'), kindNamed(kind), `${kind} names alone`));
  });
}

function bits(weights: Float64Array, { signs }: Sample): number[] {
  const all = signs.map((one) => one?.reduce((sum, [at, value]) => sum + weights[at]! * value, 0) ?? -Infinity);
  return [...all, 0];
}

/** Gradient ascent with steps by the mean square of the gradient (Kingma and Ba 2015). */
function measured(of: readonly Sample[]): Float64Array {
  const weights = new Float64Array(names.length);
  const [mean, square] = [new Float64Array(names.length), new Float64Array(names.length)];
  for (let round = 1; round <= rounds; round++) {
    const slope = weights.map((weight, at) => -weight / (names[at]!.endsWith('\theaded') ? spreadOfHeadings : spread));
    for (const sample of of) {
      const all = bits(weights, sample);
      const most = Math.max(...all);
      const shares = all.map((one) => 2 ** (one - most));
      const whole = shares.reduce((a, b) => a + b);
      sample.signs.forEach((signs, kind) => {
        const by = Number(kind === sample.kind) - shares[kind]! / whole;
        for (const [at, value] of signs ?? []) slope[at]! += by * value * Math.LN2;
      });
    }
    for (let at = 0; at < weights.length; at++) {
      mean[at] = 0.9 * mean[at]! + 0.1 * slope[at]!;
      square[at] = 0.999 * square[at]! + 0.001 * slope[at]! ** 2;
      const [first, second] = [mean[at]! / (1 - 0.9 ** round), square[at]! / (1 - 0.999 ** round)];
      weights[at]! += (0.15 * first) / (Math.sqrt(second) + 1e-8);
    }
  }
  return weights;
}

const best = (all: readonly number[]) => all.indexOf(Math.max(...all));
function missed(weights: Float64Array, of: readonly Sample[]): Map<string, number> {
  const wrong = new Map<string, number>();
  for (const sample of of) {
    const told = best(bits(weights, sample));
    if (told === sample.kind) continue;
    const name = `${sample.shape} → ${kinds[told]?.id ?? 'none'}`;
    wrong.set(name, (wrong.get(name) ?? 0) + 1);
  }
  return wrong;
}
const told = (wrong: Map<string, number>) =>
  [...wrong].sort((a, b) => b[1] - a[1]).map(([name, count]) => `  ${count} ${name}`);
const count = (wrong: Map<string, number>) => [...wrong.values()].reduce((a, b) => a + b, 0);

const weights = measured(samples);
const wrong = missed(weights, samples);
console.log(`${samples.length} lists, ${names.length} weights; told wrong ${count(wrong)}`);
console.log(told(wrong).join('\n'));

const shapes = [...new Set(samples.map(({ shape }) => shape))].sort();
const out = new Map<string, number>();
for (let fold = 0; fold < folds; fold++) {
  const kept = new Set(shapes.filter((_, i) => i % folds === fold));
  const seen = measured(samples.filter(({ shape }) => !kept.has(shape)));
  for (const [name, times] of missed(
    seen,
    samples.filter(({ shape }) => kept.has(shape)),
  ))
    out.set(name, times);
}
console.log(`of shapes that were kept out: told wrong ${count(out)}`);
console.log(told(out).join('\n'));

if (process.argv.includes('--write')) {
  const byKind = kinds.map(({ id }) => {
    const own = names
      .map((name, at) => [name.split('\t'), weights[at]!] as const)
      .filter(([[kind], weight]) => kind === id && Math.abs(weight) >= 0.05)
      .sort(([[, a]], [[, b]]) => (a! < b! ? -1 : 1))
      .map(([[, name], weight]) => `    ${JSON.stringify(name)}: ${weight.toFixed(1)},`);
    return `  '${id}': {\n${own.join('\n')}\n  },`;
  });
  writeFileSync(
    'src/core/diagram/weights.ts',
    `import type { KindId } from './diagram';

/**
 * What each sign of a reading weighs, in bits over a list that tells nothing; a sign that is half there counts half. Measured over ${samples.length}
 * lists of known kinds by scripts/weigh-kinds.ts (conditional logit, held back by a spread of ${Math.sqrt(spread)} bits): ${count(wrong)} told wrong, and ${count(out)}
 * where the shape of the list was kept out while measuring.
 */
export const weights: Readonly<Record<KindId, Readonly<Record<string, number>>>> = {
${byKind.join('\n')}
};
`,
  );
}
