import { formatHex, interpolate, parse, rgb, wcagLuminance } from 'culori';
import { remember } from '../model';

/** Contrast ratio of two colours, 1 to 21 (WCAG 2.2, relative luminance). Colours as `#rrggbb`. */
export function contrastRatio(a: string, b: string): number {
  const [one, other] = [luminance(a), luminance(b)];
  return (Math.max(one, other) + 0.05) / (Math.min(one, other) + 0.05);
}

const luminance = remember(
  400,
  (colour: string) => colour,
  (colour) => {
    const parsed = parse(colour);
    return parsed ? wcagLuminance(rgb(parsed)) : 0;
  },
);

/** Least contrast for text (WCAG 2.2, success criterion 1.4.3). */
export const leastContrast = 4.5;

/** The wanted text colour where it reads on the fill, else whichever of dark and light ink reads better. */
export function readableText(wanted: string, fill: string, dark: string, light: string): string {
  if (contrastRatio(wanted, fill) >= leastContrast) return wanted;
  const best = contrastRatio(dark, fill) >= contrastRatio(light, fill) ? dark : light;
  if (contrastRatio(best, fill) >= leastContrast) return best;
  return contrastRatio('#000000', fill) >= contrastRatio('#ffffff', fill) ? '#000000' : '#ffffff';
}

/** A colour on the way from one to another, in OKLab; `share`: how far. Colours as `#rrggbb`. */
export const mixed = remember(
  400,
  (from: string, to: string, share: number) => `${from} ${to} ${share}`,
  (from, to, share) => formatHex(interpolate([from, to], 'oklab')(share)),
);
