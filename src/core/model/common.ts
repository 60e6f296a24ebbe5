import { z } from 'zod';
import { Enclosure } from './enclosure';
import { HouseTie } from './house-style';
import { LegendChoice } from './legend';
import { TierKey } from './tier-key';
import { Arrangement, Sheet } from './sheet';
import { SheetNote } from './sheet-note';
import { OwnRole } from './own-role';
import { OrderKey } from './order-key';
import { LinkPatch, Palette, StylePatch } from './style';
import { FieldName, Id, RoleId, text } from './text';

/** Nothing larger is taken in; the limits are named in the messages that refuse. */
export const limits = {
  entries: 100_000,
  listBytes: 20 * 1024 * 1024,
  nameLength: 400,
  detailLength: 1000,
  details: 8,
  /** Of one line kept in the tray. */
  trayLength: 100_000,
} as const;

/** A square of a picture: its middle as shares of the picture's width and height, and its side as a share of the shorter of these. */
export const PicturePart = z.strictObject({
  x: z.number().min(0).max(1),
  y: z.number().min(0).max(1),
  side: z.number().min(0.1).max(1),
});
export type PicturePart = z.infer<typeof PicturePart>;

/** A picture kept beside the diagram: its id and its size in its own pixels. */
export const ImageRef = z.strictObject({
  id: z.string().regex(/^[0-9a-f]{32}$/),
  width: z.number().int().min(1).max(20_000),
  height: z.number().int().min(1).max(20_000),
  /** The square of it that is shown where it is cut; left out for the largest in the middle. */
  part: PicturePart.optional(),
});
export type ImageRef = z.infer<typeof ImageRef>;

/** One person or idea: one line of the list. What every kind of diagram has in common. */
export const Entry = z.strictObject({
  id: Id,
  name: text(limits.nameLength),
  details: z.array(text(limits.detailLength)).max(limits.details),
  fields: z.record(FieldName, text(limits.detailLength)),
  /** A kind of entry that cuts across tiers, set by hand or read from the list. */
  role: RoleId.nullable(),
  /** The entry it belongs to, one tier up; null at the top. */
  parent: Id.nullable(),
  /** Place among its siblings: a fractional key, compared as (order, id). */
  order: OrderKey,
  /** Left out where there is none. */
  image: ImageRef.optional(),
});
export type Entry = z.infer<typeof Entry>;

/** A line between two entries beside the list's own structure: a second reporting line, a proposition. */
export const Link = z.strictObject({
  id: Id,
  from: Id,
  to: Id,
  /** Which of the kinds of link that the diagram's kind knows. */
  kind: RoleId,
  /** What stands on the line; empty for nothing. */
  phrase: text(200),
});
export type Link = z.infer<typeof Link>;

/** A line of the list that found no place in the structure, kept until somebody places it or throws it away. */
export const Unplaced = z.strictObject({
  id: Id,
  line: z.number().int().min(0),
  text: text(limits.trayLength),
  reason: text(1000),
});
export type Unplaced = z.infer<typeof Unplaced>;

export const TierSettings = z.strictObject({
  name: text(80).nullable(),
  /** Distance from the tier above in CSS px; null: the arrangement's own. */
  gap: z.number().min(0).max(600).nullable(),
  /** Boxes of the tier are at least this wide, CSS px; null: as wide as their text needs. */
  width: z.number().min(0).max(800).nullable(),
});
export type TierSettings = z.infer<typeof TierSettings>;

/** A small offset by hand from the computed place, CSS px. */
export const Nudge = z.strictObject({ x: z.number().min(-5000).max(5000), y: z.number().min(-5000).max(5000) });
export type Nudge = z.infer<typeof Nudge>;

export const TitleBlock = z.strictObject({
  shown: z.boolean(),
  title: text(200),
  subtitle: text(300),
  author: text(120),
  date: text(60),
});
export type TitleBlock = z.infer<typeof TitleBlock>;

export const Styles = z.strictObject({
  everything: StylePatch,
  tiers: z.record(TierKey, StylePatch),
  roles: z.record(RoleId, StylePatch),
  branches: z.record(Id, StylePatch),
  only: z.record(Id, StylePatch),
  /** Of all links, and of single ones by their ids. */
  links: LinkPatch,
  onlyLinks: z.record(Id, LinkPatch),
  /** Of the lines of the structure, all and by the tier they lead to; left out where none is set. */
  lines: LinkPatch.optional(),
  tierLines: z.record(TierKey, LinkPatch).optional(),
  /** Of whoever stands within an enclosure; left out where none is set. */
  enclosures: z.record(Id, StylePatch).optional(),
});
export type Styles = z.infer<typeof Styles>;

/** The shape of what every diagram has, whatever its kind; a kind adds its name and its own part. */
export const commonShape = {
  format: z.literal(5),
  title: text(200),
  titleBlock: TitleBlock,
  entries: z.record(Id, Entry),
  links: z.record(Id, Link),
  notPlaced: z.array(Unplaced).max(limits.entries),
  tiers: z.record(TierKey, TierSettings),
  /** Entries that stand off their computed place. */
  nudges: z.record(Id, Nudge),
  /** Made for this diagram, beside those that its kind knows. */
  roles: z.record(RoleId, OwnRole),
  enclosures: z.record(Id, Enclosure),
  notes: z.record(Id, SheetNote),
  look: RoleId,
  /** Left out where the look keeps its own colours and ground. */
  palette: Palette.optional(),
  /** Left out where the legend tells what it usually does. */
  legend: LegendChoice.optional(),
  /** Left out where it is tied to none. */
  house: HouseTie.optional(),
  styles: Styles,
  arrangement: Arrangement,
  sheet: Sheet,
};

/** A diagram of any kind, as far as what is shared knows it. Plain JSON. */
export const DiagramCommon = z.object({ kind: z.string(), ...commonShape });
export type DiagramCommon = z.infer<typeof DiagramCommon>;
export type Entries = DiagramCommon['entries'];
