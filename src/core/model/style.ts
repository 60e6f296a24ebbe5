import { z } from 'zod';
import { Id, RoleId } from './text';

/** Colours are stored as `#rrggbb`, so that every writer can take them as they are. */
export const Colour = z.string().regex(/^#[0-9a-f]{6}$/, 'a colour is written #rrggbb');

export const BoxShape = z.enum(['square', 'rounded', 'cut', 'pill']);
export type BoxShape = z.infer<typeof BoxShape>;

/**
 * What may be styled on an entry's box. Lengths and text sizes are CSS px at 96 dpi.
 * A patch holds only what a scope sets; a complete style holds all of it.
 */
export const BoxStyle = z.strictObject({
  shape: BoxShape,
  /** Radius of a rounded corner, or length of the side of a cut one. */
  corner: z.number().min(0).max(40),
  fill: Colour,
  text: Colour,
  border: Colour,
  borderWidth: z.number().min(0).max(8),
  borderLine: z.enum(['solid', 'dashed']),
  nameSize: z.number().min(6).max(72),
  nameWeight: z.union([z.literal(400), z.literal(600), z.literal(700)]),
  nameSlant: z.enum(['upright', 'italic']),
  detailSize: z.number().min(5).max(60),
  /** How many detail lines are drawn under the name. */
  details: z.number().int().min(0).max(8),
  /** True: the box takes the size of the largest such box of its tier. */
  equalSize: z.boolean(),
});
export type BoxStyle = z.infer<typeof BoxStyle>;
export type StyleProperty = keyof BoxStyle;
export const styleProperties = Object.keys(BoxStyle.shape) as StyleProperty[];

export const StylePatch = BoxStyle.partial();
export type StylePatch = z.infer<typeof StylePatch>;

/** What a style change applies to, from the widest to the narrowest. */
export const Scope = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('everything') }),
  z.strictObject({ kind: z.literal('tier'), tier: z.number().int().min(0) }),
  z.strictObject({ kind: z.literal('role'), role: RoleId }),
  z.strictObject({ kind: z.literal('branch'), entry: Id }),
  z.strictObject({ kind: z.literal('this'), entry: Id }),
  /** A region of a Venn diagram, by its key. */
  z.strictObject({ kind: z.literal('region'), region: z.string().max(400) }),
  /** A set of a Venn diagram: its colour, its curve and its name. */
  z.strictObject({ kind: z.literal('set'), set: Id }),
]);
export type Scope = z.infer<typeof Scope>;
