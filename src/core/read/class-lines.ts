import { NamedEntries, type NamedLine } from './named-entries';
import { foldName } from './names';
import type { Told } from './signed-lines';
import type { ListTokens } from './tokens';

/** Of those above but one at least this share stands below in another line; nobody stands below twice but for the other. */
const leastKnown = 0.5;
const mostTwice = 0.03;
/** Of those before a sign no larger share stands at the top, where any stands below another; what connects ideas has many such. */
const mostTops = 0.34;
/** But where so many lines hold several, and nobody stands below two, they are classes, whatever stands above them. */
const leastSeveral = 0.6;

/**
 * Lines such as "Boats: dinghy, yawl" that tell what stands below what: those before the sign stand below others, and nobody stands below two. Null where lines say
 * something else, as lists of sets do. `alone`: also where nobody before a sign stands below another. In the order in which names come. O(characters × signs).
 */
export function readClassLines(tokens: ListTokens, alone = false): NamedLine[] | null {
  for (const { sign, told } of tokens.signed) {
    const found = hangTogether(told, alone && (plainSigns.includes(sign) || variesIn(told)));
    if (found) return found;
  }
  return null;
}

/** Signs after which no detail stands. */
const plainSigns = [': ', ' = ', ' -> ', ' → ', ' => ', ':\t'];

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
  const isKnown = known >= (twice === 0 ? 1 : Math.max(1, (told.length - 1) * leastKnown));
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
