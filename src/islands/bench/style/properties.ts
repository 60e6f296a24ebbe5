import type { BoxStyle, LinkProperty, LinkStyle, StyleProperty } from '../../../core/model';

/** A value of any property of boxes or links. */
export type Value = BoxStyle[StyleProperty] | LinkStyle[LinkProperty];

/** What is told of a property: its value, null where several differ, and where it comes from. */
export interface Told {
  readonly value: Value | null;
  readonly origin: string;
}

export interface Row {
  readonly property: StyleProperty | LinkProperty;
  readonly name: string;
  readonly control:
    | { readonly kind: 'colour' }
    | { readonly kind: 'number'; readonly least: number; readonly most: number; readonly step: number }
    | { readonly kind: 'choice'; readonly options: readonly (readonly [Value, string])[] }
    /** Places of details, moved up one by one. */
    | { readonly kind: 'order' };
  /** What has to be known to use it; left out where its name says all. */
  readonly hint?: string;
}

/** Rows that belong together; the first two groups stand open. */
export interface RowGroup {
  readonly name: string;
  readonly rows: readonly Row[];
}

const number = (property: Row['property'], name: string, least: number, most: number, step = 1): Row => ({
  property,
  name,
  control: { kind: 'number', least, most, step },
});
const colour = (property: Row['property'], name: string): Row => ({ property, name, control: { kind: 'colour' } });
const choice = (property: Row['property'], name: string, ...options: [Value, string][]): Row => ({
  property,
  name,
  control: { kind: 'choice', options },
});

export const typefaces: [Value, string][] = [
  ['clear', 'sans serif'],
  ['book', 'serif'],
  ['slab', 'slab serif'],
  ['soft', 'rounded'],
  ['narrow', 'narrow'],
  ['hand', 'handwritten'],
];
const weights: [Value, string][] = [
  [400, 'regular'],
  [600, 'semi-bold'],
  [700, 'bold'],
];
const sides: [Value, string][] = [
  ['nearest', 'at the nearest side'],
  ['top', 'at the top'],
  ['bottom', 'at the bottom'],
  ['left', 'at the left'],
  ['right', 'at the right'],
];
const slants: [Value, string][] = [
  ['upright', 'upright'],
  ['italic', 'italic'],
];

export const boxGroups: readonly RowGroup[] = [
  {
    name: 'Box',
    rows: [
      choice(
        'shape',
        'Box',
        ['square', 'square'],
        ['rounded', 'round corners'],
        ['cut', 'cut corners'],
        ['pill', 'round ends'],
        ['hexagon', 'six sides'],
        ['diamond', 'diamond'],
        ['star', 'star'],
        ['dot', 'dot and text'],
        ['rule', 'rule below'],
        ['block', 'block'],
        ['ellipse', 'ellipse'],
        ['triangle', 'triangle beside'],
        ['gable', 'triangle above'],
      ),
      number('corner', 'Corner', 0, 40),
      colour('fill', 'Fill'),
      colour('text', 'Text'),
      colour('border', 'Border'),
      number('borderWidth', 'Border width', 0, 8, 0.5),
      choice(
        'borderLine',
        'Border line',
        ['solid', 'solid'],
        ['dashed', 'dashed'],
        ['dotted', 'dotted'],
        ['double', 'double'],
      ),
      choice('equalSize', 'Size', [true, 'equal in the tier'], [false, 'each to its text']),
      number('room', 'Room around', 0, 48),
    ],
  },
  {
    name: 'Names',
    rows: [
      choice('nameFont', 'Name type', ...typefaces),
      number('nameSize', 'Name size', 6, 72),
      choice('nameWeight', 'Name weight', ...weights),
      choice('nameSlant', 'Name slant', ...slants),
      choice('nameCase', 'Name letters', ['typed', 'as typed'], ['capitals', 'capitals']),
      {
        ...choice('nameMarks', 'Signs in text', ['plain', 'as typed'], ['set', 'set as they say']),
        hint: 'm^{2}, H_{2}O, *slanted*, **bold**; a hyphen before a detail: a dot.',
      },
      choice('align', 'Lines', ['middle', 'on the middle'], ['start', 'from the left']),
    ],
  },
  {
    name: 'Details',
    rows: [
      number('details', 'Detail lines', 0, 8),
      { property: 'detailOrder', name: 'In this order', control: { kind: 'order' } },
      choice('detailFont', 'Detail type', ...typefaces),
      number('detailSize', 'Detail size', 5, 60, 0.5),
      choice('detailWeight', 'Detail weight', ...weights),
      choice('detailSlant', 'Detail slant', ...slants),
      colour('detailText', 'Detail text'),
    ],
  },
  {
    name: 'Photos, signs, effects',
    rows: [
      choice('photo', 'Photos', ['before', 'beside the text'], ['above', 'above the text'], ['none', 'not shown']),
      choice('photoShape', 'Photo shape', ['round', 'round'], ['square', 'square']),
      choice(
        'sign',
        'Sign',
        ['none', 'none'],
        ['stripe', 'left stripe'],
        ['band', 'top band'],
        ['disc', 'corner disc'],
      ),
      colour('signColour', 'Sign colour'),
      choice('shade', 'Shade', ['flat', 'one colour'], ['fading', 'fading']),
      number('cover', 'Covers, %', 0, 100, 5),
      choice('effect', 'Effect', ['none', 'none'], ['shadow', 'soft shadow'], ['glow', 'glow']),
    ],
  },
];

/** What "plain again" takes back. */
export const effectProperties = ['shade', 'cover', 'effect'] as const;

const marks: [Value, string][] = [
  ['none', 'none'],
  ['arrow', 'arrow'],
  ['dot', 'dot'],
];

/** What can be styled on links. */
export const linkGroups: readonly RowGroup[] = [
  {
    name: 'Lines',
    rows: [
      colour('lineColour', 'Colour'),
      number('lineWidth', 'Width', 0.5, 8, 0.25),
      choice('dash', 'Line', ['solid', 'solid'], ['dashed', 'dashed'], ['dotted', 'dotted']),
      choice('course', 'Course', ['joined', 'joined'], ['curved', 'each curved'], ['straight', 'each straight']),
      choice('startSide', 'Leaves', ...sides),
      choice('endSide', 'Arrives', ...sides),
      number('bend', 'Bend moved', -600, 600),
      choice('startMark', 'At its start', ...marks),
      choice('endMark', 'At its end', ...marks),
      number('endGap', 'Gap to boxes', 0, 24),
      number('phraseSize', 'Words size', 6, 40),
      colour('phraseColour', 'Words'),
      choice(
        'phraseAt',
        'Words stand',
        ['start', 'near the start'],
        ['middle', 'in the middle'],
        ['end', 'near the end'],
      ),
    ],
  },
];
