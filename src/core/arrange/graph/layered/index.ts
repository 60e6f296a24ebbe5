export {
  layeredDrawing,
  orderedRows,
  withSizes,
  type DrawnBundle,
  type LayeredDrawing,
  type LayeredGaps,
  type Ordered,
} from './layered';
export type { RowGraph, WordedLink } from './layers';
