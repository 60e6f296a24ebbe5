import { clampChroma, formatHex } from 'culori';
import { type BoxStyle, type StylePatch, remember } from '../model';
import { readableText } from './contrast';

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
  readonly border: { readonly lightness: number; readonly chroma: number };
  readonly ground: string;
  readonly ink: string;
  readonly light: string;
  readonly line: string;
  readonly shapes: readonly BoxStyle['shape'][];
  readonly corner: number;
  /** True: areas are told apart by lines, not by their fills alone. */
  readonly hatched?: true;
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
    told: 'Deep blue over amber, apart for every colour vision',
    hue: 82,
    firstHue: 262,
    first: { lightness: 0.36, chroma: 0.12 },
    second: { lightness: 0.78, chroma: 0.115 },
    last: 0.995,
    fade: 0.45,
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

export function lookOf(id: string): Look {
  return looks.find((look) => look.id === id) ?? looks[0]!;
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
    const faded = look.fade ** Math.max(0, tier - 2);
    const fill =
      tier === 1
        ? hex(look.first.lightness, look.first.chroma, look.firstHue)
        : hex(look.last + (look.second.lightness - look.last) * faded, look.second.chroma * faded, look.hue);
    const border = tier === 1 ? fill : hex(look.border.lightness, look.border.chroma, look.hue);
    return {
      shape: look.shapes[Math.min(tier, look.shapes.length) - 1]!,
      corner: look.shapes[Math.min(tier, look.shapes.length) - 1] === 'cut' ? 8 : look.corner,
      fill,
      text: readableText(tier === 1 ? look.light : look.ink, fill, look.ink, look.light),
      border,
      borderWidth: borderWidth(tier),
      borderLine: 'solid',
      nameSize: [17, 15, 14][tier - 1] ?? 13,
      nameWeight: tier === 1 ? 700 : 600,
      nameSlant: 'upright',
      detailSize: [13, 12.5][tier - 1] ?? 12,
      details: 2,
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
