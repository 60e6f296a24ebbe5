import type { BoxShape } from '../model';
import type { Run } from '../measure';

/** All lengths in CSS px (1/96 in), y down. Children of a group are placed relative to it. */
export interface BoxPrimitive {
  readonly type: 'box';
  readonly shape: BoxShape;
  readonly corner: number;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly fill: string;
  readonly stroke: string;
  readonly strokeWidth: number;
  readonly dashed: boolean;
}

export interface PathPrimitive {
  readonly type: 'path';
  /** SVG path data with absolute M, L, Q and Z. */
  readonly d: string;
  readonly stroke: string;
  readonly strokeWidth: number;
  readonly dashed: boolean;
}

export interface TextPrimitive {
  readonly type: 'text';
  /** Where the first run begins, on the baseline. */
  readonly x: number;
  readonly y: number;
  readonly size: number;
  readonly fill: string;
  readonly runs: readonly Run[];
  /** Which part of an entry the line belongs to. */
  readonly part: 'name' | 'detail' | 'note';
}

export type Primitive = BoxPrimitive | PathPrimitive | TextPrimitive;

export interface Rect {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export interface SceneGroup {
  readonly type: 'group';
  readonly stands: { readonly for: 'entry' | 'links' | 'sideLink' | 'note'; readonly id: string };
  /** What assistive technology reads out; empty for lines, which repeat what the entries say. */
  readonly label: string;
  readonly x: number;
  readonly y: number;
  /** Extent of the content, relative to x and y. */
  readonly bounds: Rect;
  readonly children: readonly Primitive[];
}

/** One tier on the rail, along the direction of growth, in drawing coordinates. */
export interface TierBand {
  readonly tier: number;
  readonly name: string | null;
  readonly start: number;
  readonly end: number;
  readonly count: number;
  readonly swatch: string;
  /** Distance to the tier above; null for the first. */
  readonly gap: number | null;
}

export interface Scene {
  readonly title: string;
  readonly description: string;
  readonly sheet: { readonly name: string; readonly width: number; readonly height: number; readonly ground: string };
  /** Where the drawing stands on the sheet: sheet = place + scale × drawing. */
  readonly drawing: {
    readonly x: number;
    readonly y: number;
    readonly scale: number;
    readonly width: number;
    readonly height: number;
  };
  readonly direction: 'down' | 'right';
  /** Lines first, then entries; in drawing coordinates. */
  readonly groups: readonly SceneGroup[];
  /** Title block and legend, in sheet coordinates. */
  readonly notes: readonly SceneGroup[];
  readonly tiers: readonly TierBand[];
  /** Size of the smallest text of an entry on the sheet; null without text. */
  readonly smallestText: number | null;
}

/** Length of a dash and of the gap after it for a line of this width, the same in every writer and on screen. CSS px. */
export const dashPattern = (width: number): readonly [dash: number, gap: number] => [
  Math.max(3, width * 3.2),
  Math.max(2.4, width * 2.4),
];
