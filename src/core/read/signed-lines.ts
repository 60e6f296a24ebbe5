import { partsOf } from './several';

/** What parts the one above from those below, and those from each other. */
const signs = [': ', ' = ', ' -> ', ' → ', ' – ', ' — ', ' - ', ' => ', ':\t'];
const commas = [', ', '; ', ' | ', ' / '];
const fewestLines = 2;
/** At least this share of lines has the sign. */
const leastSigned = 0.95;

export type Told = readonly { readonly line: number; readonly above: string; readonly below: readonly string[] }[];

/** Lines of one before a sign and several behind it. */
export interface SignedLines {
  readonly sign: string;
  readonly told: Told;
}

/** The ways in which nearly all lines are parted into what stands before a sign and a list behind it. O(characters × signs). */
export function signedLines(lines: readonly { readonly line: number; readonly text: string }[]): SignedLines[] {
  if (lines.length < fewestLines) return [];
  return signs.flatMap((sign) => {
    const parted = lines.filter(({ text }) => text.indexOf(sign) > 0);
    if (parted.length < Math.max(fewestLines, lines.length * leastSigned)) return [];
    const comma = commaOf(parted.map(({ text }) => text.slice(text.indexOf(sign) + sign.length)));
    const told = parted.map(({ line, text }) => {
      const at = text.indexOf(sign);
      const below = text.slice(at + sign.length);
      return { line, above: text.slice(0, at).trim(), below: partsOf(below, comma) };
    });
    return [{ sign, told }];
  });
}

/** What parts most of the lists, where any does. */
function commaOf(lists: readonly string[]): string | null {
  const counts = commas.map((comma) => lists.filter((list) => list.includes(comma)).length);
  const most = Math.max(...counts);
  return most === 0 ? null : commas[counts.indexOf(most)]!;
}
