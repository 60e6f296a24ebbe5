import { z } from 'zod';
import { Id, RoleId } from './text';

/** Colours are stored as `#rrggbb`, so that every writer can take them as they are. */
export const Colour = z.string().regex(/^#[0-9a-f]{6}$/, 'a colour is written #rrggbb');

/** The typefaces that text may be set in: sans serif made for reading, serif, slab serif, with rounded ends, narrow, and as by a hand. */
export const Typeface = z.enum(['clear', 'book', 'slab', 'soft', 'narrow', 'hand']);
export type Typeface = z.infer<typeof Typeface>;

const Weight = z.union([z.literal(400), z.literal(600), z.literal(700)]);
const Slant = z.enum(['upright', 'italic']);

/** Places from 1 to 8, each once, with blanks between. */
const DetailOrder = z
  .string()
  .regex(/^(?:[1-8](?: [1-8]){0,7})?$/, 'places of details are written 2 1')
  .refine((order) => new Set(order.split(' ')).size === order.split(' ').length, 'each place may be told once');

/**
 * `block`, `ellipse`, `triangle` (its point to the left, text after it) and `gable` (its point upwards, text below it) are symbols, as large as their text
 * needs; `dot` stands before its text, `rule` below it.
 */
export const BoxShape = z.enum([
  'square',
  'rounded',
  'cut',
  'pill',
  'hexagon',
  'diamond',
  'star',
  'dot',
  'rule',
  'block',
  'ellipse',
  'triangle',
  'gable',
]);
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
  borderLine: z.enum(['solid', 'dashed', 'dotted', 'double']),
  /** `fading`: the fill grows lighter upwards. */
  shade: z.enum(['flat', 'fading']),
  /** How much of the fill covers what is below it, per cent. */
  cover: z.number().int().min(0).max(100),
  effect: z.enum(['none', 'shadow', 'glow']),
  /** What marks the box beside its text: a stripe along its left side, a band along its upper edge, a disc at its corner. */
  sign: z.enum(['none', 'stripe', 'band', 'disc']),
  signColour: Colour,
  /** Between the text and the sides of the box, CSS px; above and below it two thirds of that. */
  room: z.number().min(0).max(48),
  align: z.enum(['middle', 'start']),
  nameFont: Typeface,
  nameSize: z.number().min(6).max(72),
  nameWeight: Weight,
  nameSlant: Slant,
  nameCase: z.enum(['typed', 'capitals']),
  /** `set`: signs in names and details tell a manner, as in notes: **bold**, *slanted*, x^{2}, H_{2}O; details that begin with a hyphen get a dot. */
  nameMarks: z.enum(['plain', 'set']),
  detailFont: Typeface,
  detailSize: z.number().min(5).max(60),
  detailWeight: Weight,
  detailSlant: Slant,
  detailText: Colour,
  /** How many detail lines are drawn under the name. */
  details: z.number().int().min(0).max(8),
  /** Which details stand first, by their place in the list from 1: "2 1"; the others follow as they stand there. */
  detailOrder: DetailOrder,
  /** True: the box takes the size of the largest such box of its tier. */
  equalSize: z.boolean(),
  /** Where the photo stands: before the text or above it. Where one entry of a tier has a photo, the others of the tier show their initials. */
  photo: z.enum(['before', 'above', 'none']),
  photoShape: z.enum(['round', 'square']),
});
export type BoxStyle = z.infer<typeof BoxStyle>;
export type StyleProperty = keyof BoxStyle;
export const styleProperties = Object.keys(BoxStyle.shape) as StyleProperty[];

/**
 * How a diagram takes its look in other colours: from one hue (OKLCH, degrees), or from up to three colours of its own, which go before the hue; and on a ground
 * of its own.
 */
export const Palette = z.strictObject({
  hue: z.number().min(0).max(360).nullable(),
  colours: z.array(Colour).max(3),
  ground: Colour.nullable(),
});
export type Palette = z.infer<typeof Palette>;

export const StylePatch = BoxStyle.partial();
export type StylePatch = z.infer<typeof StylePatch>;

const BoxSide = z.enum(['nearest', 'top', 'bottom', 'left', 'right']);

/** What may be styled on a link. Lengths and text sizes are CSS px at 96 dpi. */
export const LinkStyle = z.strictObject({
  lineColour: Colour,
  lineWidth: z.number().min(0.5).max(8),
  dash: z.enum(['solid', 'dashed', 'dotted']),
  startMark: z.enum(['none', 'arrow', 'dot']),
  endMark: z.enum(['none', 'arrow', 'dot']),
  /** Free between the end of the line and the box. */
  endGap: z.number().min(0).max(24),
  /** How lines to those in a row run: joined in a common line, or each on its own way. */
  course: z.enum(['joined', 'curved', 'straight']),
  phraseSize: z.number().min(6).max(40),
  phraseColour: Colour,
  /** Where on a link beside the structure its words stand, as far as there is room. */
  phraseAt: z.enum(['start', 'middle', 'end']),
  /** The sides of its boxes at which a link beside the structure leaves the one and meets the other. */
  startSide: BoxSide,
  endSide: BoxSide,
  /** How far a bend of a link beside the structure was moved by hand, down or to the right where positive. */
  bend: z.number().int().min(-600).max(600),
});
export type LinkStyle = z.infer<typeof LinkStyle>;
export type LinkProperty = keyof LinkStyle;
export const linkProperties = Object.keys(LinkStyle.shape) as LinkProperty[];
/** Those that only links beside a structure have. */
export const sideLinkProperties: readonly LinkProperty[] = ['phraseAt', 'startSide', 'endSide', 'bend'];

export const LinkPatch = LinkStyle.partial();
export type LinkPatch = z.infer<typeof LinkPatch>;

/** What a style change of any kind of diagram may apply to, from the widest to the narrowest; a kind may know further scopes. */
export const commonScopes = [
  z.strictObject({ kind: z.literal('everything') }),
  z.strictObject({ kind: z.literal('tier'), tier: z.number().int().min(0) }),
  z.strictObject({ kind: z.literal('role'), role: RoleId }),
  z.strictObject({ kind: z.literal('enclosure'), enclosure: Id }),
  z.strictObject({ kind: z.literal('branch'), entry: Id }),
  z.strictObject({ kind: z.literal('this'), entry: Id }),
  z.strictObject({ kind: z.literal('links') }),
  /** The lines of the structure itself, all, or those to one tier. */
  z.strictObject({ kind: z.literal('lines'), tier: z.number().int().min(1).nullable() }),
  z.strictObject({ kind: z.literal('link'), link: Id }),
] as const;
export const CommonScope = z.discriminatedUnion('kind', commonScopes);
export type CommonScope = z.infer<typeof CommonScope>;

/** A scope of any kind of diagram, as far as what is shared knows it. */
export type AnyScope = CommonScope | { readonly kind: string };

/** The common scope that a scope is; null for one that only its kind knows. */
export const commonScope = (scope: AnyScope): CommonScope | null =>
  commonScopes.some((one) => one.shape.kind.value === scope.kind) ? (scope as CommonScope) : null;
