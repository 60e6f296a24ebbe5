import { clampChroma, formatHex, oklch } from 'culori';
import { type BoxStyle, type DiagramCommon, type Palette, type StylePatch, remember } from '../model';
import { contrastRatio, readableText } from './contrast';

/**
 * A look is a rule, not a list of colours. The first tier is drawn in a strong colour of `firstHue`; from the second tier on, lightness goes from
 * `second` towards `last`, and chroma fades by `fade` a tier. Lightness and chroma are OKLCH (B. Ottosson 2020), hue in degrees.
 */
export interface Look {
  readonly id: string;
  readonly name: string;
  readonly told: string;
  readonly hue: number;
  readonly firstHue: number;
  readonly first: { readonly lightness: number; readonly chroma: number };
  readonly second: { readonly lightness: number; readonly chroma: number };
  readonly last: number;
  readonly fade: number;
  /** True: from the third tier on, its fill and the last one take turns, so that neighbours stay apart; left out where all grow paler. */
  readonly turns?: true;
  readonly border: { readonly lightness: number; readonly chroma: number };
  readonly ground: string;
  readonly ink: string;
  readonly light: string;
  readonly line: string;
  readonly shapes: readonly BoxStyle['shape'][];
  readonly corner: number;
  /** True: areas are told apart by lines, not by their fills alone. */
  readonly hatched?: true;
  /** Fills of the first and second tier that somebody named; left out where the rule makes them. */
  readonly named?: readonly string[];
}

export const looks: readonly Look[] = [
  {
    id: 'saltmarsh',
    name: 'Saltmarsh',
    told: 'Moss greens that grow lighter downwards',
    hue: 155,
    firstHue: 155,
    first: { lightness: 0.44, chroma: 0.075 },
    second: { lightness: 0.87, chroma: 0.055 },
    last: 0.99,
    fade: 0.5,
    border: { lightness: 0.47, chroma: 0.06 },
    ground: '#ffffff',
    ink: '#1d2b26',
    light: '#ffffff',
    line: '#5c7268',
    shapes: ['rounded', 'cut', 'rounded'],
    corner: 3,
  },
  {
    id: 'ledger',
    name: 'Ledger',
    told: 'Ink blue on white, square corners',
    hue: 255,
    firstHue: 255,
    first: { lightness: 0.33, chroma: 0.06 },
    second: { lightness: 0.8, chroma: 0.035 },
    last: 0.985,
    fade: 0.6,
    border: { lightness: 0.45, chroma: 0.05 },
    ground: '#ffffff',
    ink: '#1c2430',
    light: '#ffffff',
    line: '#5a6677',
    shapes: ['square'],
    corner: 0,
  },
  {
    id: 'terracotta',
    name: 'Terracotta',
    told: 'Burnt clay to pale sand',
    hue: 42,
    firstHue: 42,
    first: { lightness: 0.47, chroma: 0.125 },
    second: { lightness: 0.83, chroma: 0.08 },
    last: 0.98,
    fade: 0.5,
    border: { lightness: 0.52, chroma: 0.1 },
    ground: '#fffdfa',
    ink: '#33221b',
    light: '#ffffff',
    line: '#8a6a5c',
    shapes: ['rounded'],
    corner: 8,
  },
  {
    id: 'plain-ink',
    name: 'Plain ink',
    told: 'Greys alone, for the copier',
    hue: 0,
    firstHue: 0,
    first: { lightness: 0.25, chroma: 0 },
    second: { lightness: 0.82, chroma: 0 },
    last: 1,
    fade: 0.5,
    border: { lightness: 0.35, chroma: 0 },
    ground: '#ffffff',
    ink: '#161616',
    light: '#ffffff',
    line: '#4a4a4a',
    shapes: ['square'],
    corner: 0,
    hatched: true,
  },
  {
    id: 'night-ferry',
    name: 'Night ferry',
    told: 'Light text on a dark ground, for a projector',
    hue: 215,
    firstHue: 85,
    first: { lightness: 0.84, chroma: 0.12 },
    second: { lightness: 0.5, chroma: 0.05 },
    last: 0.3,
    fade: 0.55,
    border: { lightness: 0.72, chroma: 0.06 },
    ground: '#13222b',
    ink: '#0f1b22',
    light: '#f4f8fa',
    line: '#8fb0bd',
    shapes: ['rounded'],
    corner: 4,
  },
  {
    id: 'heather',
    name: 'Heather',
    told: 'Moorland purples, rounded ends',
    hue: 310,
    firstHue: 310,
    first: { lightness: 0.4, chroma: 0.11 },
    second: { lightness: 0.84, chroma: 0.06 },
    last: 0.985,
    fade: 0.5,
    border: { lightness: 0.5, chroma: 0.09 },
    ground: '#ffffff',
    ink: '#2a2030',
    light: '#ffffff',
    line: '#75657f',
    shapes: ['pill', 'rounded'],
    corner: 6,
  },
  {
    id: 'beacon',
    name: 'Beacon',
    told: 'Deep blue over amber, tiers apart for every colour vision',
    hue: 82,
    firstHue: 262,
    first: { lightness: 0.36, chroma: 0.12 },
    second: { lightness: 0.78, chroma: 0.115 },
    last: 0.995,
    fade: 0.55,
    turns: true,
    border: { lightness: 0.42, chroma: 0.07 },
    ground: '#ffffff',
    ink: '#1f1d17',
    light: '#ffffff',
    line: '#4d5570',
    shapes: ['rounded', 'square'],
    corner: 4,
  },
  {
    id: 'shingle',
    name: 'Shingle',
    told: 'Warm stone under rust, cut corners',
    hue: 75,
    firstHue: 32,
    first: { lightness: 0.42, chroma: 0.1 },
    second: { lightness: 0.84, chroma: 0.028 },
    last: 0.985,
    fade: 0.55,
    border: { lightness: 0.48, chroma: 0.04 },
    ground: '#fffefb',
    ink: '#2a251e',
    light: '#ffffff',
    line: '#7b7265',
    shapes: ['cut', 'cut', 'square'],
    corner: 3,
  },
];

/** The look of an id as it ships; the first one where there is none. */
export const plainLook = (id: string): Look => looks.find((look) => look.id === id) ?? looks[0]!;

/** The look of a diagram, in the colours and on the ground that its palette asks for. One object for equal ones. */
export const lookOf = ({ look, palette }: Pick<DiagramCommon, 'look' | 'palette'>): Look =>
  palette ? inColours(plainLook(look), palette) : plainLook(look);

const inColours = remember(
  200,
  (look: Look, palette: Palette) => `${look.id} ${JSON.stringify(palette)}`,
  (look, palette): Look => {
    let made: Look = { ...look, id: `${look.id} ${JSON.stringify(palette)}` };
    if (palette.hue !== null)
      made = { ...made, hue: palette.hue, firstHue: (palette.hue + look.firstHue - look.hue + 360) % 360 };
    if (palette.colours.length > 0) made = fromColours(made, palette.colours);
    const line = hex(look.border.lightness, Math.min(0.06, look.border.chroma), made.hue);
    if (palette.hue !== null || palette.colours.length > 0)
      made = { ...made, line: contrastRatio(line, made.ground) >= leastLineContrast ? line : look.line };
    return palette.ground === null ? made : onGround(made, palette.ground);
  },
);

/** The colour in which text stands on the ground of a look. */
export const inkOnGround = ({ ink, ground, light }: Look): string => readableText(ink, ground, ink, light);

/** Lines stand out from the ground by so much (WCAG 2.2, success criterion 1.4.11). */
const leastLineContrast = 3;

/** A look in an organisation's own colours: the first is the fill of the first tier as it is, the second that of the second tier, the third that of borders. */
function fromColours(look: Look, colours: readonly string[]): Look {
  const [first, second = first, third = second] = colours.map((colour) => oklch(colour)!);
  const grey = (colour: typeof first): number => (colour!.h === undefined ? 0 : 1);
  const chroma = (wanted: number, of: typeof first): number => wanted * grey(of);
  return {
    ...look,
    named: colours.slice(0, 2),
    firstHue: first!.h ?? 0,
    first: { lightness: first!.l, chroma: first!.c },
    hue: second!.h ?? 0,
    second:
      colours.length > 1
        ? { lightness: second!.l, chroma: second!.c }
        : { lightness: look.second.lightness, chroma: chroma(look.second.chroma || 0.05, first) },
    border:
      colours.length > 2
        ? { lightness: third!.l, chroma: third!.c }
        : { lightness: look.border.lightness, chroma: chroma(look.border.chroma || 0.05, second) },
  };
}

/** A look on another ground: its lines and inks keep standing out from it. */
function onGround(look: Look, ground: string): Look {
  const dark = contrastRatio(ground, '#ffffff') > contrastRatio(ground, '#000000');
  const line =
    contrastRatio(look.line, ground) >= leastLineContrast
      ? look.line
      : dark
        ? formatHex({ mode: 'oklch', l: 0.85, c: 0.02, h: look.hue })
        : formatHex({ mode: 'oklch', l: 0.35, c: 0.02, h: look.hue });
  return {
    ...look,
    ground,
    line: contrastRatio(line, ground) >= leastLineContrast ? line : dark ? '#ffffff' : '#000000',
  };
}

function hex(lightness: number, chroma: number, hue: number): string {
  return formatHex(clampChroma({ mode: 'oklch', l: lightness, c: chroma, h: hue }, 'oklch'));
}

/** From the fourth tier on fills are too alike to tell tiers by, so thin and thick borders take turns. CSS px. */
const borderWidth = (tier: number): number => (tier <= 2 ? 1.5 : tier === 3 ? 1 : tier % 2 === 0 ? 0.5 : 1.75);

/** The complete style a look gives to a tier (from 1). */
export const tierStyle = remember(
  400,
  (look: Look, tier: number) => `${look.id} ${tier}`,
  (look, tier): BoxStyle => {
    const turned = look.turns && tier > 3 ? (tier % 2 === 0 ? Infinity : 1) : Math.max(0, tier - 2);
    const faded = look.fade ** turned;
    const fill =
      look.named?.[tier - 1] ??
      (tier === 1
        ? hex(look.first.lightness, look.first.chroma, look.firstHue)
        : hex(look.last + (look.second.lightness - look.last) * faded, look.second.chroma * faded, look.hue));
    const border = tier === 1 ? fill : hex(look.border.lightness, look.border.chroma, look.hue);
    const text = readableText(tier === 1 ? look.light : look.ink, fill, look.ink, look.light);
    return {
      shape: look.shapes[Math.min(tier, look.shapes.length) - 1]!,
      corner: look.shapes[Math.min(tier, look.shapes.length) - 1] === 'cut' ? 8 : look.corner,
      fill,
      text,
      border,
      borderWidth: borderWidth(tier),
      borderLine: 'solid',
      shade: 'flat',
      cover: 100,
      effect: 'none',
      sign: 'none',
      signColour: border === fill ? text : border,
      room: 12,
      align: 'middle',
      nameFont: 'clear',
      nameSize: [17, 15, 14][tier - 1] ?? 13,
      nameWeight: tier === 1 ? 700 : 600,
      nameSlant: 'upright',
      nameCase: 'typed',
      nameMarks: 'plain',
      detailFont: 'clear',
      detailSize: [13, 12.5][tier - 1] ?? 12,
      detailWeight: 400,
      detailSlant: 'upright',
      detailText: text,
      details: 2,
      detailOrder: '',
      equalSize: true,
      photo: 'before',
      photoShape: 'round',
    };
  },
);

/** What a look changes for a role, whatever the tier. */
export function roleStyle(look: Look, role: string | null): StylePatch {
  if (role === 'vacancy') return { fill: look.ground, borderLine: 'dashed', nameSlant: 'italic' };
  if (role === 'assistant') return { shape: 'pill', fill: look.ground, borderWidth: 1, nameSize: 14, nameWeight: 600 };
  return {};
}
