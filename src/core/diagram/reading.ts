import type { Fit } from '../kind';
import { ListTokens, type Headings, type ReadChoices, type Reading, type Separator } from '../read';
import { kinds, type AnyKind, type KindId } from './diagram';

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
}

/** What a kind makes of a list with nothing in it: an empty diagram of that kind. */
export const nothingReadAs = (kind: AnyKind): Reading => ({ ...kind.read(tokensOf('')), findings: [] });

/** What a kind understands of a list, and what is said of the file it came in. */
export function readAs(kind: AnyKind, text: string, choices: ReadChoices = {}): Reading {
  const tokens = tokensOf(text, choices.separator);
  const read = kind.read(tokens, choices);
  return tokens.findings.length > 0 ? { ...read, findings: [...tokens.findings, ...read.findings] } : read;
}

/** What every kind understands of a list, the one that fits best first. `goesOn` is told which kind is about to read. */
export function readInAllKinds(
  text: string,
  choices: ReadChoices = {},
  goesOn: (kind: KindId) => void = () => undefined,
): KindReading[] {
  return kinds
    .map((kind): KindReading => {
      goesOn(kind.id as KindId);
      const read = readAs(kind, text, choices);
      return { kind, read, fit: kind.fits(read) };
    })
    .sort((a, b) => (b.fit?.strength ?? 0) - (a.fit?.strength ?? 0));
}

/** Under this strength no reading is offered as what a list says. */
export const leastStrength = 0.25;
