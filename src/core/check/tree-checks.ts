import type { Hierarchy } from '../hierarchy';
import type { BoxStyle, DiagramCommon, Finding } from '../model';
import type { Scene } from '../scene';
import { legibility, sheetTaken, smallPrint, titleBlock } from './drawing-checks';
import { glyphs, severalTops } from './list-checks';
import { nudged } from './nudged';

/** All that `treeDrawingChecks` can find. */
export type TreeDrawingFinding =
  'low-contrast' | 'small-print' | 'long-title' | 'no-glyph' | 'several-tops' | 'larger-sheet' | 'nudged-over';

/** What the drawing of any hierarchy on tiers is tested against; `larger` says what helps where the print is small. O(entries). */
export const treeDrawingChecks = (
  diagram: DiagramCommon,
  structure: Hierarchy,
  styles: readonly BoxStyle[],
  scene: Scene,
  larger: string,
): Finding<TreeDrawingFinding>[] => [
  ...legibility(diagram, structure, styles),
  ...nudged(diagram, scene),
  ...sheetTaken(diagram, scene),
  ...smallPrint(diagram, scene, larger),
  ...titleBlock(diagram, scene),
  ...glyphs(diagram, structure),
  ...severalTops(diagram, structure),
];
