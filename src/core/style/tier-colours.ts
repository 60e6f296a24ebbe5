import { clampChroma, formatHex, oklch } from 'culori';
import { remember } from '../model';
import { contrastRatio } from './contrast';
import { tierStyle, type Look } from './look';

/** Ways to colour all tiers at once. */
export type TierColours = 'ramp' | 'each' | 'alternate';

const hex = (l: number, c: number, h: number): string => formatHex(clampChroma({ mode: 'oklch', l, c, h }, 'oklch'));

/** Steps of hue that stay apart from their neighbours, degrees: about the golden angle. */
const hueStep = 137.5;

/**
 * A fill for each of `tiers` tiers, from the first on. `ramp`: from the first tier's colour evenly to nearly the ground; `each`: a hue of its own
 * for each, lightness taking turns so that neighbours differ in grey too; `alternate`: two colours of the look by turns.
 */
export const tierColours = remember(
  100,
  (look: Look, way: TierColours, tiers: number) => `${look.id} ${way} ${tiers}`,
  (look, way, tiers): readonly string[] => {
    const first = oklch(tierStyle(look, 1).fill)!;
    const dark = contrastRatio(look.ground, '#ffffff') > contrastRatio(look.ground, '#000000');
    const hue = first.h ?? look.hue;
    const grey = look.second.chroma === 0;
    if (way === 'alternate') return Array.from({ length: tiers }, (_, t) => tierStyle(look, t % 2 === 0 ? 2 : 4).fill);
    if (way === 'each')
      return Array.from({ length: tiers }, (_, t) => {
        const lightness = dark ? (t % 2 === 0 ? 0.46 : 0.34) : t % 2 === 0 ? 0.78 : 0.9;
        return hex(lightness, grey ? 0 : dark ? 0.09 : t % 2 === 0 ? 0.1 : 0.06, (hue + t * hueStep) % 360);
      });
    const last = dark ? 0.26 : 0.965;
    return Array.from({ length: tiers }, (_, t) => {
      const share = tiers === 1 ? 0 : t / (tiers - 1);
      return hex(first.l + (last - first.l) * share, first.c * (1 - 0.8 * share), hue);
    });
  },
);
