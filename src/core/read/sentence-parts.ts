import { foldName } from './names';
import { linking } from './linking';

/** Longer lines are no plain sentences. */
export const mostWords = 16;
const mostIdea = 5;
const mostPhrase = 6;
/** Bits of a letter that nothing foretells. */
const letterBits = 4.5;
/** An article costs as much wherever it stands. */
const articleBits = 3;
/** How much a list is expected to bring new ideas and phrases, as if so many had been new before. */
const newness = 1;
const rounds = 8;
/** What is thought of the words of a phrase or idea before the list shows it: as many lines, by so much fewer with each word more. */
const lengthBefore = 2;
const lengthFalls = 0.7;
/** Ideas have less of a habit than phrases. */
const ideaHabit = 0.2;

/** A way less likely than this says nothing about other lines. */
const leastLikely = 0.01;

/** Hints of words, in bits: what phrases begin and end with, what stands inside ideas, an article at the end of an idea or as a whole phrase. */
const hints = { begins: 1.6, ends: 1.6, inIdea: 3, looseArticle: 3 };
const article = /^(the|a|an|der|die|das|le|la|les|un|une|el|los)$/i;

/** Where a line is parted: the first idea ends before `end`, the second begins at `begin`. */
export interface Cut {
  readonly end: number;
  readonly begin: number;
}
/** A way to part a line with what it takes to write the line down so, in bits. */
interface Way {
  readonly cut: Cut;
  readonly bits: number;
}
/** What a text costs that was never met before. */
const freshBits = (text: string): number =>
  text.split(' ').reduce((sum, word) => sum + (article.test(word) ? articleBits : letterBits * (word.length + 1)), 0);

/** A way to part a line, its ideas and its phrase by number. */
interface Parts extends Cut {
  readonly first: number;
  readonly phrase: number;
  readonly last: number;
  /** Of the whole line. */
  readonly words: number;
  readonly hint: number;
}

/** "the tides" to "tides", so that both are one idea. */
export function withoutArticle(name: string): string {
  const [first, ...rest] = name.split(' ');
  return rest.length > 0 && article.test(first!) ? rest.join(' ') : name;
}

/** Texts by number, with what each costs that was never met before. */
class Texts {
  readonly fresh: number[] = [];
  private readonly numbers = new Map<string, number>();

  of(text: string): number {
    let at = this.numbers.get(text);
    if (at === undefined) {
      at = this.fresh.push(newness * 2 ** -freshBits(text)) - 1;
      this.numbers.set(text, at);
    }
    return at;
  }
}

function partsOf(line: readonly string[], ideas: Texts, phrases: Texts): Parts[] {
  const words = line.map(foldName);
  const n = words.length;
  const told = (from: number, to: number) => words.slice(from, to).join(' ');
  const links = line.map((word) => linking.test(word));
  const articles = line.map((word) => article.test(word));
  const ideaOf = (from: number, to: number) => ideas.of(told(articles[from] && to - from > 1 ? from + 1 : from, to));
  const parts: Parts[] = [];
  for (let end = 1; end <= Math.min(mostIdea, n - 2); end++) {
    const first = ideaOf(0, end);
    for (let begin = Math.max(end + 1, n - mostIdea); begin < n && begin - end <= mostPhrase; begin++) {
      const inner = links.slice(0, end).filter(Boolean).length + links.slice(begin).filter(Boolean).length;
      const hint =
        (links[end] ? hints.begins : 0) +
        (links[begin - 1] ? hints.ends : 0) -
        inner * hints.inIdea -
        (articles[end - 1] || articles[begin - 1] ? hints.looseArticle : 0) -
        (Number(articles[0]) + Number(articles[begin])) * articleBits;
      parts.push({ end, begin, words: n, first, phrase: phrases.of(told(end, begin)), last: ideaOf(begin, n), hint });
    }
  }
  return parts;
}

/** How often each text was met, in shares of lines, and what one more costs. */
class Met {
  private readonly times: Float64Array;
  private all = 0;

  constructor(private readonly texts: Texts) {
    this.times = new Float64Array(texts.fresh.length);
  }
  add(text: number, share: number): void {
    this.times[text]! += share;
    this.all += share;
  }
  bits(text: number): number {
    return -Math.log2((Math.max(0, this.times[text]!) + this.texts.fresh[text]!) / (Math.max(0, this.all) + newness));
  }
}

function bitsOf(times: readonly number[]): number[] {
  const whole = times.reduce((a, b) => a + b);
  return times.map((one) => -Math.log2(one / whole));
}

/** What all lines but one say of ideas, phrases and the numbers of words in a phrase. */
class Habits {
  readonly ideas: Met;
  readonly phrases: Met;
  private readonly ofLengths: number[];
  private readonly ofIdeas: number[];

  constructor(all: readonly Parts[][], shares: readonly (readonly number[])[], ideas: Texts, phrases: Texts) {
    [this.ideas, this.phrases] = [new Met(ideas), new Met(phrases)];
    const before = (most: number) =>
      Array.from({ length: most + 1 }, (_, words) => lengthBefore * lengthFalls ** words);
    const [lengths, ofIdeas] = [before(mostPhrase), before(mostIdea)];
    all.forEach((parts, i) => {
      this.count(parts, shares[i]!, 1);
      parts.forEach(({ begin, end, words }, k) => {
        lengths[begin - end]! += shares[i]![k]!;
        ofIdeas[end]! += shares[i]![k]!;
        ofIdeas[words - begin]! += shares[i]![k]!;
      });
    });
    [this.ofLengths, this.ofIdeas] = [bitsOf(lengths), bitsOf(ofIdeas)];
  }
  count(parts: readonly Parts[], shares: readonly number[], by: 1 | -1): void {
    parts.forEach(({ first, phrase, last }, k) => {
      const share = shares[k]!;
      if (share < leastLikely) return;
      this.ideas.add(first, by * share);
      this.ideas.add(last, by * share);
      this.phrases.add(phrase, by * share);
    });
  }
  bits({ first, phrase, last, begin, end, words, hint }: Parts): number {
    const lengths = this.ofLengths[begin - end]! + ideaHabit * (this.ofIdeas[end]! + this.ofIdeas[words - begin]!);
    return this.ideas.bits(first) + this.phrases.bits(phrase) + this.ideas.bits(last) + lengths - hint;
  }
}

/**
 * The ways to part each line of plain sentences into idea, phrase and idea, the shortest to write down first: what comes again in other lines costs the
 * logarithm of how seldom, what is new its letters, and ideas and phrases how unusual their number of words is in this list. What comes again is found by
 * expectation and maximization over all ways (Dempster, Laird and Rubin 1977); a line's own ways foretell nothing about it. O(lines × ways).
 */
function waysToPartSentences(lines: readonly (readonly string[])[]): Way[][] {
  const [ideas, phrases] = [new Texts(), new Texts()];
  const all = lines.map((words) => partsOf(words, ideas, phrases));
  let shares = all.map((parts) => parts.map(() => 1 / parts.length));
  let bits: number[][] = [];
  for (let round = 0; round < rounds; round++) {
    const habits = new Habits(all, shares, ideas, phrases);
    bits = all.map((parts, i) => {
      habits.count(parts, shares[i]!, -1);
      const own = parts.map((part) => habits.bits(part));
      habits.count(parts, shares[i]!, 1);
      return own;
    });
    shares = bits.map((of) => {
      const least = Math.min(...of);
      const weights = of.map((one) => 2 ** (least - one));
      const sum = weights.reduce((a, b) => a + b, 0);
      return weights.map((weight) => weight / sum);
    });
  }
  return all.map((parts, i) =>
    parts
      .map(({ end, begin }, k): Way => ({ cut: { end, begin }, bits: bits[i]![k]! }))
      .sort((a, b) => a.bits - b.bits || a.cut.end - b.cut.end || a.cut.begin - b.cut.begin),
  );
}

/** A way that takes so many bits more than the shortest may as well be meant. */
const nearBits = 1.5;
export const isSureWay = ([best, second]: readonly Way[]): boolean => !second || second.bits - best!.bits >= nearBits;

/** Sentences of three to `mostWords` words, parted; `saved`: by what share that is shorter to write down than their letters, 0 and less where they are none. */
export function partedSentences(lines: readonly { readonly words: readonly string[] }[]): {
  readonly ways: readonly Way[][];
  readonly saved: number;
} {
  const ways = waysToPartSentences(lines.map(({ words }) => words));
  const bits = ways.reduce((sum, [best]) => sum + best!.bits, 0);
  const letters = lines.reduce((sum, { words }) => sum + words.join(' ').length, 0);
  return { ways, saved: 1 - bits / (letterBits * letters) };
}
