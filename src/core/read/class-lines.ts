import { NamedEntries, type NamedLine } from './named-entries';
import { foldName } from './names';
import { partsOf } from './several';
import type { ListTokens } from './tokens';

/** What parts the one above from those below, and those from each other. */
const signs = [': ', ' = ', ' -> ', ' → ', ' – ', ' — ', ' - ', ' => ', ':\t'];
const commas = [', ', '; ', ' | ', ' / '];
const fewestLines = 2;
/** At least this share of lines has the sign; of those above but one stands below in another line; nobody stands below twice but for this share. */
const least = { signed: 0.95, known: 0.5 };
const mostTwice = 0.03;
/** Of those before a sign no larger share stands at the top, where any stands below another; what connects ideas has many such. */
const mostTops = 0.34;
/** But where so many lines hold several, and nobody stands below two, they are classes, whatever stands above them. */
const leastSeveral = 0.6;

/** Lines of one before a sign and several behind it. */
export interface SignedLines {
  readonly sign: string;
  readonly told: Told;
}

/** The ways in which nearly all lines are parted into what stands before a sign and a list behind it. O(characters × signs). */
export function signedLines({ filled: lines }: ListTokens): SignedLines[] {
  if (lines.length < fewestLines) return [];
  return signs.flatMap((sign) => {
    const parted = lines.filter(({ text }) => text.indexOf(sign) > 0);
    if (parted.length < Math.max(fewestLines, lines.length * least.signed)) return [];
    const comma = commaOf(parted.map(({ text }) => text.slice(text.indexOf(sign) + sign.length)));
    const told = parted.map(({ line, text }) => {
      const at = text.indexOf(sign);
      const below = text.slice(at + sign.length);
      return { line, above: text.slice(0, at).trim(), below: partsOf(below, comma) };
    });
    return [{ sign, told }];
  });
}

/**
 * Lines such as "Boats: dinghy, yawl" that tell what stands below what: those before the sign stand below others, and nobody stands below two. Null where lines say
 * something else, as lists of sets do. `alone`: also where nobody before a sign stands below another. In the order in which names come. O(characters × signs).
 */
export function readClassLines(tokens: ListTokens, alone = false): NamedLine[] | null {
  for (const { sign, told } of signedLines(tokens)) {
    const found = hangTogether(told, alone && (plainSigns.includes(sign) || variesIn(told)));
    if (found) return found;
  }
  return null;
}

/** What parts most of the lists, where any does. */
function commaOf(lists: readonly string[]): string | null {
  const counts = commas.map((comma) => lists.filter((list) => list.includes(comma)).length);
  const most = Math.max(...counts);
  return most === 0 ? null : commas[counts.indexOf(most)]!;
}

/** Signs after which no detail stands. */
const plainSigns = [': ', ' = ', ' -> ', ' → ', ' => ', ':\t'];

type Told = readonly { readonly line: number; readonly above: string; readonly below: readonly string[] }[];

/** Whether lines hold several, and not all as many. */
const variesIn = (told: Told): boolean =>
  new Set(told.map(({ below }) => below.length)).size > 1 && told.every(({ below }) => below.length > 1);

function hangTogether(told: Told, alone: boolean): NamedLine[] | null {
  const under = new Map<string, number>();
  let twice = 0;
  let all = 0;
  told.forEach(({ below }, i) => {
    for (const name of below) {
      all++;
      const key = foldName(name);
      if (under.has(key)) twice++;
      else under.set(key, i);
    }
  });
  const heads = told.map(({ above }) => foldName(above));
  if (twice > all * mostTwice || new Set(heads).size < heads.length || all <= told.length) return null;
  const known = heads.filter((key) => under.has(key)).length;
  const isKnown = known >= (twice === 0 ? 1 : Math.max(1, (told.length - 1) * least.known));
  if (!(isKnown || (alone && twice === 0)) || known === told.length) return null;
  const isSorted = twice === 0 && told.filter(({ below }) => below.length > 1).length >= told.length * leastSeveral;
  if (!isSorted && known > 0 && told.length - known > Math.max(1, told.length * mostTops)) return null;
  const entries = new NamedEntries();
  for (const { line, above, below } of told) for (const name of [above, ...below]) entries.add(name, line);
  told.forEach(({ line, above, below }, i) => {
    for (const name of below)
      if (under.get(foldName(name)) === i) entries.all[entries.add(name, line)]!.parent = entries.add(above, line);
  });
  return entries.hasRing() ? null : entries.all;
}
