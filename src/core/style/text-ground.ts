import { formatHex, parse, rgb } from 'culori';
import { remember, type BoxShape, type BoxStyle } from '../model';
import { contrastRatio } from './contrast';
import type { Look } from './look';

const outside = new Set<BoxShape>(['triangle', 'gable', 'dot', 'rule']);

/** Whether the text of a shape stands on its fill; that of the others stands beside it, on the ground of the sheet. */
export const isInside = (shape: BoxShape): boolean => !outside.has(shape);

/** A colour that covers `share` of what is below it (W3C Compositing: source over, in sRGB). */
const laidOver = remember(
  400,
  (colour: string, below: string, share: number) => `${colour} ${below} ${share}`,
  (colour, below, share) => {
    const [a, b] = [rgb(parse(colour))!, rgb(parse(below))!];
    const mix = (channel: 'r' | 'g' | 'b'): number => b[channel] + (a[channel] - b[channel]) * share;
    return formatHex({ mode: 'rgb', r: mix('r'), g: mix('g'), b: mix('b') });
  },
);

/** What the text of a box stands on. */
export function textGround(style: BoxStyle, { ground }: Pick<Look, 'ground'>): string {
  if (!isInside(style.shape)) return ground;
  return style.cover === 100 ? style.fill : laidOver(style.fill, ground, style.cover / 100);
}

/** The other end of a fill that fades: a little towards white or black, whichever the text stands out from the more. */
export const fadedEnd = remember(
  200,
  (fill: string, text: string) => `${fill} ${text}`,
  (fill, text) =>
    laidOver(contrastRatio(text, '#ffffff') > contrastRatio(text, '#000000') ? '#ffffff' : '#000000', fill, 0.28),
);
