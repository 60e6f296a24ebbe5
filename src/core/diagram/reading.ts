import { withArticle, type Fit } from '../kind';
import { ListTokens, type Headings, type ReadChoices, type Reading, type Separator } from '../read';
import { kinds, type AnyKind, type KindId } from './diagram';
import { bitsOf } from './weigh';

/** Headings that any kind knows: a row that has them is the heading of a table, whatever kind it is read as. */
const allHeadings: Headings = kinds.flatMap(({ headings }) => headings);

const latest: { text: string; separator: Separator | null; tokens: ListTokens }[] = [];

/** The text of a list as lines and cells, told once and kept while the same text is read in several kinds or with other choices. */
export function tokensOf(text: string, separator: Separator | null = null): ListTokens {
  const known = latest.find((one) => one.text === text && one.separator === separator);
  if (known) return known.tokens;
  const tokens = new ListTokens(text, allHeadings, separator);
  latest.unshift({ text, separator, tokens });
  latest.length = Math.min(latest.length, 2);
  return tokens;
}

/** What one kind understands of a list. */
export interface KindReading {
  readonly kind: AnyKind;
  readonly read: Reading;
  /** Null where this kind cannot show the list. */
  readonly fit: Fit | null;
  /** How much less it takes to write the list down as this kind than as lines that have nothing to do with each other; -Infinity where it cannot. */
  readonly bits: number;
  /** How likely the list is of this kind, beside the others and beside none, 0 to 1. */
  readonly strength: number;
  /** False where only the first lines of a long list were read as this kind, as another one explains them better by far. */
  readonly whole: boolean;
}

/** What a kind makes of a list with nothing in it: an empty diagram of that kind. */
export const nothingReadAs = (kind: AnyKind): Reading => ({ ...kind.read(tokensOf('')), findings: [] });

/** What a kind understands of a list, and what is said of the file it came in. */
export function readAs(kind: AnyKind, text: string, choices: ReadChoices = {}): Reading {
  const tokens = tokensOf(text, choices.separator);
  return withFileFindings(tokens, kind.read(tokens, choices));
}

const withFileFindings = ({ findings }: ListTokens, read: Reading): Reading =>
  findings.length > 0 ? { ...read, findings: [...findings, ...read.findings] } : read;

/** Lists of more lines are first rated by so many of their lines. */
const longFrom = 6000;
const looked = 2000;
/** A kind that is behind by more than this over the first lines is not read whole, in bits. */
const farBits = 4;

/**
 * What every kind understands of a list, the one that fits best first. A long list is first rated by its first lines, and read whole as the best kind, as the
 * second where it is not far behind, and as the one that was chosen. `goesOn` is told which kind is about to read.
 */
export function readInAllKinds(
  text: string,
  choices: ReadChoices = {},
  goesOn: (kind: KindId) => void = () => undefined,
): KindReading[] {
  const tokens = tokensOf(text, choices.separator);
  const readAll = (of: ListTokens, kind: AnyKind): Weighed => {
    goesOn(kind.id as KindId);
    return { ...weighed(of, kind, choices), whole: of === tokens };
  };
  const beginning = tokens.beginning(longFrom, looked);
  const part = beginning === null ? tokens : tokensOf(beginning, choices.separator);
  const rated = inOrder(kinds.map((kind) => readAll(part, kind)));
  if (part === tokens) return rated;
  const [best, second] = rated;
  const isNear = second!.bits > best!.bits - farBits;
  let all = inOrder(
    rated.map((one) =>
      one === best || (isNear && one === second) || one.kind.id === choices.kind
        ? readAll(tokens, one.kind)
        : ofItsBeginning(one),
    ),
  );
  // What comes first is read whole, whatever its beginning promised.
  while (!all[0]!.whole) {
    const [first, ...others] = all;
    all = inOrder([readAll(tokens, first!.kind), ...others]);
  }
  return all;
}

const ofItsBeginning = (one: KindReading): KindReading =>
  one.fit
    ? { ...one, fit: { ...one.fit, words: `${one.fit.words} in its first ${looked.toLocaleString('en')} lines` } }
    : one;

type Weighed = Omit<KindReading, 'strength'>;

function weighed(tokens: ListTokens, kind: AnyKind, choices: ReadChoices): Omit<Weighed, 'whole'> {
  const read = withFileFindings(tokens, kind.read(tokens, choices));
  const fit = kind.fits(read);
  if (!fit) return { kind, read, fit, bits: -Infinity };
  // A table that was read as lines of a text.
  const passedOver = tokens.table !== null && read.columns.length === 0;
  const signs = { ...fit.signs, 'table passed over': Number(passedOver) };
  return { kind, read, fit: { ...fit, signs }, bits: bitsOf(kind.id as KindId, signs) };
}

/** Readings on one scale, the best first. */
function inOrder(readings: readonly Weighed[]): KindReading[] {
  const most = Math.max(0, ...readings.map(({ bits }) => bits));
  const share = (bits: number) => 2 ** (bits - most);
  const all = share(0) + readings.reduce((sum, { bits }) => sum + share(bits), 0);
  return readings.map((one) => ({ ...one, strength: share(one.bits) / all })).sort((a, b) => b.bits - a.bits);
}

/** A kind that is behind by less than this may as well be meant, in bits: it is asked. */
const nearBits = 2;

/** The kinds that the list may be of, the best first: one where that is sure, more where it is to be asked. */
export function nearKinds<R extends Pick<KindReading, 'bits' | 'fit'>>(readings: readonly R[]): R[] {
  return readings.filter(({ bits, fit }) => fit !== null && bits > readings[0]!.bits - nearBits);
}

/** Which kind is meant, as it is asked. */
export const kindQuestion = (near: readonly Pick<KindReading, 'kind'>[]): string =>
  `Which is it? The list reads nearly as well as ${near.map(({ kind }) => withArticle(kind)).join(' and as ')}.`;

/** Under this strength no reading is offered as what a list says. */
export const leastStrength = 0.25;
