/** A question answered: the regions it holds in; or what was not understood, in words, with the place in the question. */
export type Answer =
  { readonly ok: true; readonly masks: readonly number[] } | { readonly ok: false; readonly reason: string };

type Token =
  | { readonly kind: 'set'; readonly index: number }
  | { readonly kind: 'count'; readonly least: number; readonly most: number }
  | { readonly kind: 'and' | 'or' | 'not' | 'xor' | 'but' | 'open' | 'close' };

const plain = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[.?!“”"'’]/g, ' ')
    .replace(/[-_\s]+/g, ' ');

const numbers = ['none', 'one', 'two', 'three', 'four', 'five'];
const numberOf = (word: string): number => (numbers.includes(word) ? numbers.indexOf(word) : Number(word));

/** Phrases in the order they are tried; the first that fits where the reading stands is taken. */
const phrases: [RegExp, (match: RegExpExecArray, total: number) => Token | null][] = [
  [
    /^(?:in )?(exactly|just|at least|at most) (one|two|three|four|five|\d)(?: sets?| of them)?\b/,
    ([, manner, word], total) => {
      const n = numberOf(word!);
      return {
        kind: 'count',
        least: manner === 'at most' ? 0 : n,
        most: manner === 'at least' ? total : n,
      };
    },
  ],
  [/^(?:in )?none(?: of (?:them|these|the sets))?\b/, () => ({ kind: 'count', least: 0, most: 0 })],
  [
    /^(?:in )?all(?: of (?:them|these|the sets)| sets)?\b/,
    (_, total) => ({ kind: 'count', least: total, most: total }),
  ],
  [/^(?:,? ?but not|,? ?but|, ?and|, ?yet)\b(?= )/, (match) => (match[0].endsWith('not') ? null : { kind: 'but' })],
  [
    /^(?:either|who (?:are|is|have|has|hold|holds)|which (?:are|is)|what is|in|the|with|has|have|both|a|an|are|is)\b/,
    () => null,
  ],
  [/^(?:neither|nor)\b/, () => null],
  [/^(?:not|without|except|no|∖|minus|¬)(?= |\b)/, () => ({ kind: 'not' })],
  [/^(?:xor|△)/, () => ({ kind: 'xor' })],
  [/^(?:or|∪|\|)/, () => ({ kind: 'or' })],
  [/^(?:and|∩|&|also|too)/, () => ({ kind: 'and' })],
  [/^\(/, () => ({ kind: 'open' })],
  [/^\)/, () => ({ kind: 'close' })],
];

function tokens(question: string, names: readonly string[]): Token[] | string {
  const list: Token[] = [];
  const known = names
    .map((name, index) => ({ index, words: plain(name).trim() }))
    .filter(({ words }) => words !== '')
    .sort((a, b) => b.words.length - a.words.length);
  let rest = plain(question).trim();
  while (rest !== '') {
    const set = known.find(({ words }) => rest.startsWith(words) && !/^[\p{L}\p{N}]/u.test(rest.slice(words.length)));
    if (set) {
      list.push({ kind: 'set', index: set.index });
      rest = rest.slice(set.words.length).trimStart();
      continue;
    }
    if (/^(,? ?but|, ?and|, ?yet) not\b/.test(rest)) {
      list.push({ kind: 'but' }, { kind: 'not' });
      rest = rest.replace(/^(,? ?but|, ?and|, ?yet) not\b/, '').trimStart();
      continue;
    }
    const neither = /^(neither|nor)\b/.exec(rest);
    if (neither) {
      if (neither[1] === 'nor') list.push({ kind: 'and' });
      list.push({ kind: 'not' });
      rest = rest.slice(neither[0].length).trimStart();
      continue;
    }
    const found = phrases
      .map(([pattern, make]) => ({ match: pattern.exec(rest), make }))
      .find(({ match }) => match !== null);
    if (found?.match) {
      const token = found.make(found.match, names.length);
      if (token) list.push(token);
      rest = rest.slice(found.match[0].length).trimStart();
      continue;
    }
    if (rest.startsWith(',')) {
      list.push({ kind: 'but' });
      rest = rest.slice(1).trimStart();
      continue;
    }
    return rest.split(' ')[0]!;
  }
  return list;
}

/**
 * A question in words about sets, such as "in first aid or boat, but not minibus", to the regions (masks over the names' order) in
 * which it holds. "Not" binds more than "and", that more than "or"; what stands before and after a comma or "but" both have to hold.
 */
export function answerQuestion(question: string, names: readonly string[]): Answer {
  const list = tokens(question, names);
  if (typeof list === 'string')
    return {
      ok: false,
      reason: `“${list}” is neither a set nor a word such as and, or, but not. Sets: ${names.join(', ')}.`,
    };
  if (list.length === 0) return { ok: false, reason: 'Ask with the names of sets and words such as and, or, but not.' };
  let at = 0;
  const size = 1 << names.length;
  type Held = Uint8Array;
  const each = (of: (mask: number) => boolean): Held =>
    Uint8Array.from({ length: size }, (_, mask) => (of(mask) ? 1 : 0));
  let problem: string | null = null;
  const starts = (token: Token | undefined): boolean =>
    token !== undefined && ['set', 'count', 'open', 'not'].includes(token.kind);

  function one(): Held {
    const token = list[at] as Token | undefined;
    at++;
    if (token?.kind === 'not') {
      const inner = one();
      return each((mask) => inner[mask] === 0);
    }
    if (token?.kind === 'open') {
      const inner = all();
      if ((list[at] as Token | undefined)?.kind === 'close') at++;
      else problem ??= 'A bracket is not closed.';
      return inner;
    }
    if (token?.kind === 'set') return each((mask) => ((mask >> token.index) & 1) === 1);
    if (token?.kind === 'count')
      return each((mask) => {
        const count = names.filter((_, i) => (mask >> i) & 1).length;
        return count >= token.least && count <= token.most;
      });
    problem ??= 'The question ends where the name of a set should follow.';
    return each(() => false);
  }
  function joined(kinds: readonly Token['kind'][], next: () => Held, join: (a: number, b: number) => number): Held {
    let held = next();
    while (at < list.length) {
      const kind = (list[at] as Token).kind;
      // Two terms side by side without a word between are taken together: "boat not minibus".
      const bare = kinds.includes('and') && starts(list[at] as Token);
      if (!kinds.includes(kind) && !bare) break;
      if (!bare) at++;
      const [a, b] = [held, next()];
      held = each((mask) => join(a[mask]!, b[mask]!) === 1);
    }
    return held;
  }
  const ands = (): Held => joined(['and'], one, (a, b) => a & b);
  const xors = (): Held => joined(['xor'], ands, (a, b) => a ^ b);
  const ors = (): Held => joined(['or'], xors, (a, b) => a | b);
  const all = (): Held => joined(['but'], ors, (a, b) => a & b);
  const held = all();
  if (problem === null && at < list.length) problem = 'A bracket is closed that was not opened.';
  if (problem !== null) return { ok: false, reason: problem };
  return { ok: true, masks: [...held.keys()].filter((mask) => held[mask] === 1) };
}
