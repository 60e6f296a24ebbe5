export { type VennCommand } from './commands';
export {
  figureVenn,
  operate,
  type SetOperation,
  type OverlapFigure,
  type RegionFigure,
  type VennFigures,
} from './figures/figures';
export * from './figures/scale-words';
export * from './figures/set-question';
export * from './figures/sorting';
export { venn } from './kind';
export * from './model';
export { setHeadings, type SetReading } from './read/set-list';
export { regionWords } from './region-words';
export { isToScale } from './scene/arrangement';
export { vennScene, type VennScene } from './scene/scene';
export { bitCount, overlapName, vennStructure } from './structure';
export { seeThroughByRule, setColour, shownColour } from './inks';
export { regionStyle, setStyle } from './styles';
