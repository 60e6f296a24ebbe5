import { foldName } from '../../../read';
import { linking } from './linking';

const mostIdea = 5;
const mostPhrase = 6;
/** Bits of a letter that nothing foretells. */
export const letterBits = 4.5;
/** An article costs as much wherever it stands. */
const articleBits = 3;
/** How much a list is expected to bring new ideas and phrases, as if so many had been new before. */
const newness = 1;
const rounds = 8;
/** What is thought of the words of a phrase before the list shows it: as many lines, by so much fewer with each word more. */
const lengthBefore = 2;
const lengthFalls = 0.7;

/** A way less likely than this says nothing about other lines. */
const leastLikely = 0.01;

/** Hints of words, in bits: what phrases begin and end with, what stands inside ideas, an article at the end of an idea or as a whole phrase. */
const hints = { begins: 1.6, ends: 1.2, inIdea: 3, looseArticle: 3 };
const article = /^(the|a|an|der|die|das|le|la|les|un|une|el|los)$/i;

/** Where a line is parted: the first idea ends before `end`, the second begins at `begin`. */
export interface Cut {
  readonly end: number;
  readonly begin: number;
}
/** A way to part a line with what it takes to write the line down so, in bits. */
export interface Way {
  readonly cut: Cut;
  readonly bits: number;
}
/** What a text costs that was never met before. */
const freshBits = (text: string): number =>
  text.split(' ').reduce((sum, word) => sum + (article.test(word) ? articleBits : letterBits * (word.length + 1)), 0);

interface Parts extends Cut {
  readonly first: string;
  readonly phrase: string;
  readonly last: string;
  readonly hint: number;
}

/** "the tides" to "tides", so that both are one idea. */
export function withoutArticle(name: string): string {
  const [first, ...rest] = name.split(' ');
  return rest.length > 0 && article.test(first!) ? rest.join(' ') : name;
}

function partsOf(words: readonly string[]): Parts[] {
  const n = words.length;
  const told = (from: number, to: number) => words.slice(from, to).join(' ');
  const links = words.map((word) => linking.test(word));
  const parts: Parts[] = [];
  for (let end = 1; end <= Math.min(mostIdea, n - 2); end++)
    for (let begin = end + 1; begin < n && begin - end <= mostPhrase; begin++) {
      if (n - begin > mostIdea) continue;
      const inner = links.slice(0, end).filter(Boolean).length + links.slice(begin).filter(Boolean).length;
      const loose = article.test(words[end - 1]!) || article.test(words[begin - 1]!);
      const hint =
        (links[end] ? hints.begins : 0) +
        (links[begin - 1] ? hints.ends : 0) -
        inner * hints.inIdea -
        (loose ? hints.looseArticle : 0) -
        [0, begin].filter((at) => article.test(words[at]!)).length * articleBits;
      parts.push({
        end,
        begin,
        first: foldName(withoutArticle(told(0, end))),
        phrase: foldName(told(end, begin)),
        last: foldName(withoutArticle(told(begin, n))),
        hint,
      });
    }
  return parts;
}

/** How often each text was met, in shares of lines, and what one more costs. */
class Met {
  private readonly times = new Map<string, number>();
  private all = 0;

  add(text: string, share: number): void {
    if (share < leastLikely) return;
    this.times.set(text, (this.times.get(text) ?? 0) + share);
    this.all += share;
  }
  /** What it takes to write a text down, where `own` of the times it was met is this very line. */
  bits(text: string, own: number): number {
    const times = Math.max(0, (this.times.get(text) ?? 0) - own);
    const fresh = newness * 2 ** -freshBits(text);
    return -Math.log2((times + fresh) / (Math.max(0, this.all - own) + newness));
  }
}

/**
 * The ways to part each line of plain sentences into idea, phrase and idea, the shortest to write down first: what comes again in other lines costs the
 * logarithm of how seldom, what is new its letters, and a phrase what its number of words is unusual in this list. What comes again is found by
 * expectation and maximization over all ways (Dempster, Laird and Rubin 1977). O(lines × ways).
 */
export function waysToPartSentences(lines: readonly (readonly string[])[]): Way[][] {
  const all = lines.map(partsOf);
  let shares = all.map((parts) => parts.map(() => 1 / parts.length));
  let bits: number[][] = [];
  for (let round = 0; round < rounds; round++) {
    const [ideas, phrases] = [new Met(), new Met()];
    const lengths = Array.from({ length: mostPhrase + 1 }, (_, words) => lengthBefore * lengthFalls ** words);
    all.forEach((parts, i) =>
      parts.forEach(({ first, phrase, last, begin, end }, k) => {
        const share = shares[i]![k]!;
        ideas.add(first, share);
        ideas.add(last, share);
        phrases.add(phrase, share);
        lengths[begin - end]! += share;
      }),
    );
    const whole = lengths.reduce((a, b) => a + b);
    bits = all.map((parts, i) => {
      // Shares of this line's own ways, by text: they foretell nothing about it.
      const own = new Map<string, number>();
      const mine = (text: string, share: number) =>
        own.set(text, (own.get(text) ?? 0) + (share < leastLikely ? 0 : share));
      parts.forEach(({ first, phrase, last }, k) => {
        for (const text of [`i${first}`, `i${last}`, `p${phrase}`]) mine(text, shares[i]![k]!);
      });
      return parts.map(
        ({ first, phrase, last, begin, end, hint }) =>
          ideas.bits(first, own.get(`i${first}`)!) +
          phrases.bits(phrase, own.get(`p${phrase}`)!) +
          ideas.bits(last, own.get(`i${last}`)!) -
          Math.log2(lengths[begin - end]! / whole) -
          hint,
      );
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
