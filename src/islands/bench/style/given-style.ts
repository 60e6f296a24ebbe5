import type { BoxStyle, LinkProperty, LinkStyle, StyleProperty } from '../../../core/model';

/** A value given to a property; null where it was handed back. */
export interface GivenStyle {
  readonly property: StyleProperty | LinkProperty;
  readonly value: BoxStyle[StyleProperty] | LinkStyle[LinkProperty] | null;
}

/** The style of an entry that is being given to others. */
export interface Matching {
  readonly entry: string;
  readonly given: readonly GivenStyle[];
}
