import type { Manner } from '../arrange/tree';
import type { BoxShape } from '../model';
import type { Face, Run } from '../measure';

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
  /** Left out: not dotted. */
  readonly dotted?: true;
  /** The colour at its upper edge where the fill fades towards one, evenly; left out where it is flat. */
  readonly fade?: string;
  /** Share of what is below that the fill covers; left out: all of it. */
  readonly cover?: number;
}

export interface PathPrimitive {
  readonly type: 'path';
  /** SVG path data with absolute M, L, Q, C and Z; filled by even–odd. */
  readonly d: string;
  /** Left out: not filled. */
  readonly fill?: string;
  /** Share of what is below that the fill covers; left out: all of it. */
  readonly cover?: number;
  readonly stroke: string;
  readonly strokeWidth: number;
  readonly dashed: boolean;
  /** Left out: not dotted. */
  readonly dotted?: true;
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
  readonly part: 'name' | 'detail' | 'note' | 'mark';
}

/** Text along a curve: each glyph stands on its own place, turned about it. */
export interface CurvedTextPrimitive {
  readonly type: 'curvedText';
  readonly size: number;
  readonly fill: string;
  /** Left end of the glyph's baseline, and its turn in degrees, clockwise. */
  readonly glyphs: readonly {
    readonly text: string;
    readonly face: Face;
    readonly x: number;
    readonly y: number;
    readonly turn: number;
  }[];
}

/** A picture kept beside the diagram, by its id. */
export interface ImagePrimitive {
  readonly type: 'image';
  readonly image: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  /** Fills its place, what stands over cut off, within a circle or not; left out: the whole picture. */
  readonly crop?: 'round' | 'square';
  /** Where the whole picture stands of which its place shows a part; left out where the middle of it fills the place. */
  readonly whole?: Rect;
}

export type Primitive = BoxPrimitive | PathPrimitive | TextPrimitive | CurvedTextPrimitive | ImagePrimitive;

export interface Rect {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** What something in the drawing stands for: an entry, a link, the lines of the structure, a note, or a part that only its kind names. */
export interface Stands {
  readonly for: string;
  readonly id: string;
}

/** How something in the drawing can be pointed at and is marked. */
export interface Selectable {
  /** Its outline as SVG path data, relative to the group. */
  readonly outline: string;
  /** Anywhere in its bounds, anywhere inside its outline, or near its course. */
  readonly hit: 'box' | 'area' | 'line';
  /** The points of a line, x and y by turns, relative to the group; empty for others. */
  readonly course: readonly number[];
  /** What is selected in its stead; left out where it is selected itself. */
  readonly as?: Stands;
}

export interface SceneGroup {
  readonly type: 'group';
  readonly stands: Stands;
  /** What assistive technology reads out; empty for lines, which repeat what the entries say. */
  readonly label: string;
  readonly x: number;
  readonly y: number;
  /** Extent of the content, relative to x and y. */
  readonly bounds: Rect;
  readonly children: readonly Primitive[];
  /** Left out for what cannot be selected; an entry without one is marked by its bounds. */
  readonly selectable?: Selectable;
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
  /** How tiers stand; left out where there are none. */
  readonly manner?: Manner;
  /** Lines first, then entries; in drawing coordinates. */
  readonly groups: readonly SceneGroup[];
  /** Title block and legend, in sheet coordinates. */
  readonly notes: readonly SceneGroup[];
  readonly tiers: readonly TierBand[];
  /** Boxes with room around them, or names set within areas, whose marks have to be thin and near. */
  readonly entriesAs: 'boxes' | 'names';
  /** Size of the smallest text of an entry on the sheet; null without text. */
  readonly smallestText: number | null;
}

/** What a picture that fills its place is cut to, as CSS has it. */
export function clipOf({ crop, whole, x, y, width, height }: ImagePrimitive): string {
  if (!whole) return crop === 'round' ? 'circle(50%)' : 'inset(0)';
  const px = (at: number) => `${Math.round(at * 1000) / 1000}px`;
  const [left, top] = [x - whole.x, y - whole.y];
  return crop === 'round'
    ? `circle(${px(width / 2)} at ${px(left + width / 2)} ${px(top + height / 2)})`
    : `inset(${px(top)} ${px(whole.width - left - width)} ${px(whole.height - top - height)} ${px(left)})`;
}

/** Length of a dash and of the gap after it for a line of this width, the same in every writer and on screen. CSS px. */
export const dashPattern = (width: number, line: 'dashed' | 'dotted'): readonly [dash: number, gap: number] =>
  line === 'dotted'
    ? [Math.max(1, width), Math.max(2, width * 1.8)]
    : [Math.max(3, width * 3.2), Math.max(2.4, width * 2.4)];
