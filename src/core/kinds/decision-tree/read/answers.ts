import type { BranchLine } from './line';

const signs = [' → ', ' -> ', ' => ', ' – ', ' — ', ' - '];
const least = 0.6;
const fewestLines = 4;

/**
 * Lines with an answer before a sign, "Yes - Curlew", as lines that name it before a colon: where few answers come again on most of the lines, whatever their language.
 * O(characters × signs).
 */
export function withAnswers(lines: readonly BranchLine[]): readonly BranchLine[] {
  for (const sign of signs) {
    const parted = lines.filter(({ name, facts }) => facts.label === '' && name.indexOf(sign) > 0);
    if (parted.length < Math.max(fewestLines, (lines.length - 1) * least)) continue;
    const answers = new Map<string, number>();
    for (const { name } of parted) {
      const answer = name.slice(0, name.indexOf(sign)).trim();
      answers.set(answer, (answers.get(answer) ?? 0) + 1);
    }
    if (answers.size > Math.max(3, parted.length * 0.3) || [...answers.values()].every((count) => count < 2)) continue;
    return lines.map((line) => {
      const at = line.facts.label === '' ? line.name.indexOf(sign) : -1;
      if (at <= 0) return line;
      const name = line.name.slice(at + sign.length).trim();
      return { ...line, name, facts: { ...line.facts, label: line.name.slice(0, at).trim() } };
    });
  }
  return lines;
}
