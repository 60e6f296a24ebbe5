export {
  layeredDrawing,
  orderedRows,
  withSizes,
  type DrawnBundle,
  type LayeredDrawing,
  type LayeredGaps,
  type Ordered,
} from './layered';
export { linear } from './order';
export type { RowGraph, WordedLink } from './layers';
