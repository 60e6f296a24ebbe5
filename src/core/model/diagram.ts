import { z } from 'zod';
import { Arrangement, Sheet } from './sheet';
import { OrderKey } from './order-key';
import { StylePatch } from './style';
import { FieldName, Id, RoleId, text } from './text';
import { VennPart } from './venn';

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

/** A picture kept beside the diagram: its id and its size in its own pixels. */
export const ImageRef = z.strictObject({
  id: z.string().regex(/^[0-9a-f]{32}$/),
  width: z.number().int().min(1).max(20_000),
  height: z.number().int().min(1).max(20_000),
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

/** A line beside the list's own structure, such as a second reporting line. */
export const Link = z.strictObject({
  id: Id,
  from: Id,
  to: Id,
  kind: z.enum(['side']),
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
});
export type TierSettings = z.infer<typeof TierSettings>;

export const TitleBlock = z.strictObject({
  shown: z.boolean(),
  title: text(200),
  subtitle: text(300),
  author: text(120),
  date: text(60),
});
export type TitleBlock = z.infer<typeof TitleBlock>;

/** The number of a tier, from 0 (items in no set) on. */
const TierKey = z.string().regex(/^(0|[1-9]\d{0,5})$/, 'a tier is a number');

export const Styles = z.strictObject({
  everything: StylePatch,
  tiers: z.record(TierKey, StylePatch),
  roles: z.record(RoleId, StylePatch),
  branches: z.record(Id, StylePatch),
  only: z.record(Id, StylePatch),
});
export type Styles = z.infer<typeof Styles>;

const common = {
  format: z.literal(1),
  title: text(200),
  titleBlock: TitleBlock,
  entries: z.record(Id, Entry),
  links: z.record(Id, Link),
  notPlaced: z.array(Unplaced).max(limits.entries),
  tiers: z.record(TierKey, TierSettings),
  look: RoleId,
  styles: Styles,
  arrangement: Arrangement,
  sheet: Sheet,
};

/** The org chart's own part. */
export const OrgChart = z.strictObject({
  kind: z.literal('org-chart'),
  ...common,
});

export type OrgChart = z.infer<typeof OrgChart>;

export const Venn = z.strictObject({
  kind: z.literal('venn'),
  ...common,
  venn: VennPart,
});
export type Venn = z.infer<typeof Venn>;

/** Plain JSON, one member a kind; everything a diagram is. */
export const Diagram = z.discriminatedUnion('kind', [OrgChart, Venn]);
export type Diagram = z.infer<typeof Diagram>;
export type KindId = Diagram['kind'];
