import type { Listing } from '../hierarchy';
import { finding, type BoxStyle, type DiagramCommon, type Finding } from '../model';
import type { Scene } from '../scene';
import { contrastRatio, leastContrast } from '../style';
import { nameOf } from './list-checks';

/** Text below about 8 pt does not read well on a handout (common practice). 1 pt = 4/3 CSS px. */
const leastPrintedPt = 8;

export function legibility(
  diagram: DiagramCommon,
  { ids }: Listing,
  styles: readonly BoxStyle[],
): Finding<'low-contrast'>[] {
  const poor = new Map<BoxStyle, string[]>();
  ids.forEach((id, i) => {
    const style = styles[i]!;
    const known = poor.get(style);
    if (known) known.push(id);
    else if (contrastRatio(style.text, style.fill) < leastContrast) poor.set(style, [id]);
  });
  return [...poor].map(([style, entries]) => {
    const ratio = contrastRatio(style.text, style.fill).toFixed(1);
    const whose = entries.length === 1 ? nameOf(diagram, entries[0]!) : `${entries.length} boxes`;
    const message = `The text of ${whose} stands ${ratio} : 1 against its fill; 4.5 : 1 is the least that reads well. Choose a darker or lighter text.`;
    return finding('low-contrast', 'warning', message, { entries });
  });
}

/** `remedy`: what helps in this kind of drawing, as a sentence. */
export function smallPrint(
  { sheet }: DiagramCommon,
  { smallestText }: Scene,
  remedy: string,
): Finding<'small-print'>[] {
  if (smallestText === null) return [];
  const points = smallestText * 0.75;
  if (points >= leastPrintedPt - 0.05) return [];
  const told = sheet.size === 'drawing' ? '' : ` ${remedy}`;
  const message = `The smallest text prints at ${points.toFixed(1)} pt; below 8 pt it is hard to read on paper.${told}`;
  return [finding('small-print', 'warning', message)];
}
