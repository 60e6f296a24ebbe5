import { own, type DiagramCommon } from '../model';
import { lookOf, tierStyle } from './look';

/** The fill of a tier as such, whatever its branches, roles and entries have of their own. */
export const tierFill = (diagram: DiagramCommon, tier: number): string =>
  own(diagram.styles.tiers, String(tier))?.fill ??
  diagram.styles.everything.fill ??
  tierStyle(lookOf(diagram), tier).fill;
