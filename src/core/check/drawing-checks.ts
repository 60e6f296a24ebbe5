import type { Listing } from '../hierarchy';
import { finding, nextSheet, pxPerPt, sheetName, type BoxStyle, type DiagramCommon, type Finding } from '../model';
import type { Scene, SceneGroup } from '../scene';
import { contrastRatio, leastContrast, lookOf, textGround } from '../style';
import { nameOf } from './list-checks';

/** Text below about 8 pt does not read well on a handout (common practice). 1 pt = 4/3 CSS px. */
export const leastPrintedPt = 8;

/** The size at which the smallest text of a drawing prints, in points; null without text. */
export const printPt = ({ smallestText }: Scene): number | null =>
  smallestText === null ? null : smallestText / pxPerPt;

export function legibility(
  diagram: DiagramCommon,
  { ids }: Listing,
  styles: readonly BoxStyle[],
): Finding<'low-contrast'>[] {
  const look = lookOf(diagram);
  const poor = new Map<BoxStyle, string[]>();
  const contrastOf = (style: BoxStyle): number => {
    const ground = textGround(style, look);
    return Math.min(contrastRatio(style.text, ground), contrastRatio(style.detailText, ground));
  };
  ids.forEach((id, i) => {
    const style = styles[i]!;
    const known = poor.get(style);
    if (known) known.push(id);
    else if (contrastOf(style) < leastContrast) poor.set(style, [id]);
  });
  return [...poor].map(([style, entries]) => {
    const ratio = contrastOf(style).toFixed(1);
    const whose = entries.length === 1 ? nameOf(diagram, entries[0]!) : `${entries.length} boxes`;
    const message = `The text of ${whose} stands ${ratio} : 1 against what is below it; 4.5 : 1 is the least that reads well. Choose a darker or lighter text.`;
    return finding('low-contrast', 'warning', message, { entries });
  });
}

/** `remedy`: what helps in this kind of drawing, as a sentence. */
export function smallPrint({ sheet }: DiagramCommon, scene: Scene, remedy: string): Finding<'small-print'>[] {
  const points = printPt(scene);
  const wished = sheet.leastPrint;
  if (points === null || points >= (wished ?? leastPrintedPt) - 0.05) return [];
  const told = sheet.size === 'drawing' ? '' : ` ${remedy}`;
  const why = wished === null ? 'below 8 pt it is hard to read on paper' : `at least ${wished} pt is wished for`;
  const message = `The smallest text prints at ${points.toFixed(1)} pt; ${why}.${told}`;
  return [finding('small-print', 'warning', message)];
}

/** Share of a sheet's height from which its texts around the drawing are told to take too much of it. */
const mostNotes = 0.15;

/** Texts around the drawing that leave little of the sheet to it, or do not find room on it at all. */
export function titleBlock({ sheet }: DiagramCommon, scene: Scene): Finding<'long-title'>[] {
  if (sheet.size === 'drawing' || scene.notes.length === 0) return [];
  const { width, height } = scene.sheet;
  const isFoot = ({ stands }: SceneGroup): boolean => stands.id === 'legend' || stands.id === 'signed';
  const heightOf = (groups: readonly SceneGroup[]): number => {
    const tops = groups.map(({ y, bounds }) => y + bounds.y);
    const bottoms = groups.map(({ y, bounds }) => y + bounds.y + bounds.height);
    return groups.length > 0 ? Math.max(...bottoms) - Math.min(...tops) : 0;
  };
  const foot = scene.notes.filter(isFoot);
  const share = (heightOf(scene.notes.filter((one) => !isFoot(one))) + heightOf(foot)) / height;
  const leaves = scene.notes.some(
    ({ x, y, bounds }) =>
      x + bounds.x < 0 || x + bounds.x + bounds.width > width || y + bounds.y + bounds.height > height,
  );
  if (share <= mostNotes && !leaves) return [];
  const told = leaves
    ? 'The texts around the drawing do not find room on the sheet'
    : `The texts around the drawing take ${Math.round(share * 100)} % of the sheet's height and leave little of it to the drawing`;
  const message = `${told}. Shorten title or subtitle or leave parts of the legend out in step Notes, or take a larger sheet.`;
  return [finding('long-title', 'warning', message)];
}

/** Says so where another size of sheet was taken than the one that was chosen, so that the print is as large as wished. */
export function sheetTaken({ sheet }: DiagramCommon, scene: Scene): Finding<'larger-sheet'>[] {
  const next = nextSheet(sheet.size);
  if (
    sheet.leastPrint === null ||
    !next ||
    scene.sheet.name.split(' ')[0] !== sheetName({ ...sheet, size: next }).split(' ')[0]
  )
    return [];
  const message = `Drawn on ${scene.sheet.name}, as ${sheetName(sheet)} cannot hold it at ${sheet.leastPrint} pt.`;
  return [finding('larger-sheet', 'note', message)];
}
