import type { Hierarchy, Listing } from '../hierarchy';
import type { BoxStyle, DiagramCommon, Finding } from '../model';
import type { Scene } from '../scene';
import { legibility, sheetTaken, smallPrint, titleBlock } from './drawing-checks';
import { glyphs, severalTops } from './list-checks';
import { detailsLeftOut } from './details';
import { enclosed } from './enclosed';
import { linkChecks, type LinkFinding } from './link-checks';
import { nudged } from './nudged';

/** All that `boxDrawingChecks` can find. */
export type BoxDrawingFinding =
  | 'low-contrast'
  | 'small-print'
  | 'long-title'
  | 'no-glyph'
  | 'larger-sheet'
  | 'nudged-over'
  | 'taken-in'
  | 'name-left-out'
  | 'details-left-out'
  | LinkFinding;

/** What any drawing of entries in boxes is tested against; `larger` says what helps where the print is small. O(entries). */
export const boxDrawingChecks = (
  diagram: DiagramCommon,
  listing: Listing,
  styles: readonly BoxStyle[],
  scene: Scene,
  larger: string,
): Finding<BoxDrawingFinding>[] => [
  ...legibility(diagram, listing, styles),
  ...nudged(diagram, scene),
  ...linkChecks(diagram, listing, styles, scene),
  ...enclosed(diagram, scene),
  ...detailsLeftOut(diagram, listing, styles),
  ...sheetTaken(diagram, scene),
  ...smallPrint(diagram, scene, larger),
  ...titleBlock(diagram, scene),
  ...glyphs(diagram, listing),
];

/** All that `treeDrawingChecks` can find. */
export type TreeDrawingFinding = BoxDrawingFinding | 'several-tops';

/** The same for a hierarchy on tiers. */
export const treeDrawingChecks = (
  diagram: DiagramCommon,
  structure: Hierarchy,
  styles: readonly BoxStyle[],
  scene: Scene,
  larger: string,
): Finding<TreeDrawingFinding>[] => [
  ...boxDrawingChecks(diagram, structure, styles, scene, larger),
  ...severalTops(diagram, structure),
];
