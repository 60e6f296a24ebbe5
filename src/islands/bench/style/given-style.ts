import type { BoxStyle, LinkProperty, LinkStyle, StyleProperty } from '../../../core/model';

/** A value given to a property; null where it was handed back. */
export interface GivenStyle {
  readonly property: StyleProperty | LinkProperty;
  readonly value: BoxStyle[StyleProperty] | LinkStyle[LinkProperty] | null;
}
