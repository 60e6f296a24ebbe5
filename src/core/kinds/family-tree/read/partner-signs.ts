/** Signs between partners; which of them a list uses shows where they stand. */
const signs = ['+', '&', '⚭', '⚯', '∞', 'oo', 'm.', '=', 'x', '×', '∪'] as const;
/** Where so many lines begin with a sign it is a bullet. */
const bulletShare = 0.7;

export interface PartnerSigns {
  /** The partners of a line, the first a person of the family. */
  parted(line: string): string[];
  /** The partner on a line that begins with a sign; null for any other line. */
  further(line: string): string | null;
  /** Whether some line names two partners beside each other. */
  readonly beside: boolean;
}

/** Which signs part partners in a list: those that stand for themselves between names, or begin some of the lines. O(characters × signs). */
export function partnerSigns(lines: readonly string[]): PartnerSigns {
  const isSign = (word: string): boolean => (signs as readonly string[]).includes(word);
  const begin = new Map<string, number>();
  const within = new Map<string, number>();
  for (const line of lines) {
    const words = line.trim().split(/\s+/);
    if (isSign(words[0]!) && words.length > 1) begin.set(words[0]!, (begin.get(words[0]!) ?? 0) + 1);
    words.slice(1, -1).forEach((word) => isSign(word) && within.set(word, (within.get(word) ?? 0) + 1));
  }
  const bullets = bulletsOf(lines);
  const used = signs.filter((sign) => (begin.has(sign) && !bullets.has(sign)) || within.has(sign));
  const beginning = used.filter((sign) => !bullets.has(sign) && (begin.get(sign) ?? 0) < lines.length * bulletShare);
  const wordsOf = (line: string): string[] => line.trim().split(/\s+/);
  return {
    beside: used.some((sign) => within.has(sign)),
    parted(line) {
      const parts: string[][] = [[]];
      for (const word of wordsOf(line)) {
        if ((used as readonly string[]).includes(word) && parts.at(-1)!.length > 0) parts.push([]);
        else parts.at(-1)!.push(word);
      }
      return parts.length === 1 ? [line.trim()] : parts.map((part) => part.join(' ')).filter(Boolean);
    },
    further(line) {
      const [first, ...rest] = wordsOf(line);
      return (beginning as readonly string[]).includes(first!) && rest.length > 0 ? rest.join(' ') : null;
    },
  };
}

/** Signs at the beginnings of lines, of which each has an indent of its own: bullets. None where fewer than three signs are so, or partners stand at several. */
function bulletsOf(lines: readonly string[]): ReadonlySet<string> {
  const indents = new Map<string, Set<number>>();
  let signed = 0;
  for (const line of lines) {
    const told = /^(\s*)([-+*•▪◦‣–—·○●■□►>o])\s+\S/u.exec(line);
    if (!told) continue;
    signed++;
    indents.set(told[2]!, (indents.get(told[2]!) ?? new Set()).add(told[1]!.length));
  }
  const isEach = indents.size >= 3 && [...indents.values()].every((own) => own.size === 1);
  return isEach && signed >= lines.length * bulletShare ? new Set(indents.keys()) : new Set();
}
