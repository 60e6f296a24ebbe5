import { clampChroma, formatHex, oklab, oklch, parse, rgb, type Oklab } from 'culori';
import { remember } from '../../model';
import { contrastRatio, readableText, type Look } from '../../style';
import { setsInOrder, type Venn, type VennSet } from './model';

/** How much of a set's colour its fill lays over what is below, by the number of sets: about half transparent. */
const opacities = [0.56, 0.56, 0.56, 0.56, 0.47, 0.38];
/** Steps of hue from the look's own: near enough that overlaps keep a colour, far enough to tell apart. */
const hueSteps = [
  [0, 105, -105],
  [0, 72, -72, 144, -144],
];
const greys = [0.72, 0.88, 0.6, 0.8, 0.94];

/** Least distance of two regions beside each other, in OKLab (Ottosson 2020); about three differences that are just noticed. */
export const leastApart = 0.06;
/** How much darker (on a dark ground lighter) each further set makes an overlap at most, in OKLab lightness. */
const deepest = 0.14;
/** Overlaps are not made darker than this on a light ground, nor lighter than the other on a dark one, in OKLab lightness. */
const limitOf = { light: 0.32, dark: 0.82 };

const isDark = (look: Look): boolean => contrastRatio(look.ground, '#ffffff') > 8;

/** The look's own colour of the i-th set: hues evenly around the circle from the look's own, of one lightness; greys apart where the look has no hue. */
const lookColour = remember(
  200,
  (look: Look, i: number, total: number) => `${look.id} ${i} ${total}`,
  (look, i, total) => {
    if (look.second.chroma === 0) return formatHex({ mode: 'oklch', l: greys[i % greys.length]!, c: 0, h: 0 });
    const dark = isDark(look);
    const hue = look.hue + 360 + hueSteps[total > 3 ? 1 : 0]![i]!;
    return formatHex(
      clampChroma(
        { mode: 'oklch', l: dark ? 0.52 : 0.8 - 0.03 * (i % 2), c: dark ? 0.09 : 0.105, h: hue % 360 },
        'oklch',
      ),
    );
  },
);

/** The colour of the i-th set: its own, else the look's. */
export const setColour = (look: Look, set: VennSet, i: number, total: number): string =>
  set.colour ?? lookColour(look, i, total);

/** The colour that a set alone is drawn in where nothing is said of how much shows through it. */
export const shownColour = (look: Look, set: VennSet, i: number, total: number): string =>
  set.colour ?? laidOver(look, [{ colour: lookColour(look, i, total), opacity: opacities[total]! }]);

/** The colour of a curve and of its name: the set's, dark or light enough to read on the ground. */
export const curveColour = remember(
  200,
  (look: Look, colour: string) => `${look.id} ${colour}`,
  (look, colour) => {
    const { h, c } = oklch(parse(colour))!;
    const ink = formatHex(
      clampChroma({ mode: 'oklch', l: isDark(look) ? 0.84 : 0.42, c: Math.min(c, 0.12), h: h ?? 0 }, 'oklch'),
    );
    return readableText(ink, look.ground, look.ink, look.light);
  },
);

/** A set's colour as an ink: how much of it covers what is below, 0 to 1. */
interface Ink {
  readonly colour: string;
  readonly opacity: number;
}

/** How much of what is below a set shows through it when all is by rule, in percent: its own colour is drawn as it was picked. */
export const seeThroughByRule = (set: VennSet, total: number): number =>
  set.colour ? 0 : Math.round(100 * (1 - opacities[total]!));

const inksOf = (look: Look, sets: readonly VennSet[], all: number | undefined): Ink[] =>
  sets.map((set, i) => {
    const told = set.seeThrough ?? all;
    const byRule = set.colour ? 1 : opacities[sets.length]!;
    return { colour: setColour(look, set, i, sets.length), opacity: told === undefined ? byRule : 1 - told / 100 };
  });

/**
 * Inks laid over the ground, multiplied on a light ground and screened on a dark one (W3C Compositing and Blending), so that the order of
 * the sets does not matter and more sets are darker, in grey too. Where that would come near black (white on a dark ground), as deep
 * colours do, the result goes towards the mean of the inks as far as is needed.
 */
export function laidOver(look: Look, inks: readonly Ink[]): string {
  const dark = isDark(look);
  const ground = rgb(parse(look.ground))!;
  const alone = inks.map(({ colour, opacity }) => {
    const ink = rgb(parse(colour))!;
    return (channel: 'r' | 'g' | 'b'): number => ground[channel] + opacity * (ink[channel] - ground[channel]);
  });
  const channel = (of: 'r' | 'g' | 'b'): number => {
    const bare = ground[of];
    return alone.reduce((under, one) => {
      const wanted = one(of);
      // The ink that, alone on the ground, is the colour the set has alone.
      if (dark) return 1 - (1 - under) * (bare < 1 ? Math.min(1, (1 - wanted) / (1 - bare)) : 1);
      return under * (bare > 0 ? Math.min(1, wanted / bare) : 1);
    }, bare);
  };
  const product = { mode: 'rgb', r: channel('r'), g: channel('g'), b: channel('b') } as const;
  if (inks.length < 2) return formatHex(product);
  const mean = meanOf(alone.map((one) => oklab({ mode: 'rgb', r: one('r'), g: one('g'), b: one('b') })));
  const laid = oklab(product);
  const further = deepest * (inks.length - 1);
  const bound = dark
    ? Math.min(mean.l + further, Math.max(mean.l, limitOf.dark))
    : Math.max(mean.l - further, Math.min(mean.l, limitOf.light));
  const over = dark ? laid.l - bound : bound - laid.l;
  if (over <= 0) return formatHex(product);
  const share = Math.min(1, over / Math.max(1e-9, Math.abs(mean.l - laid.l)));
  return formatHex(
    clampChroma(
      {
        mode: 'oklab',
        l: laid.l + share * (mean.l - laid.l),
        a: laid.a + share * (mean.a - laid.a),
        b: laid.b + share * (mean.b - laid.b),
      },
      'oklch',
    ),
  );
}

function meanOf(colours: readonly Oklab[]): Oklab {
  const sum = { l: 0, a: 0, b: 0 };
  for (const { l, a, b } of colours) {
    sum.l += l / colours.length;
    sum.a += a / colours.length;
    sum.b += b / colours.length;
  }
  return { mode: 'oklab', ...sum };
}

/** Distance of two colours in OKLab; colours as `#rrggbb`. */
export function distance(a: string, b: string): number {
  const [one, other] = [oklab(parse(a))!, oklab(parse(b))!];
  return Math.hypot(one.l - other.l, one.a - other.a, one.b - other.b);
}

/**
 * A colour near the wanted one that is told apart from all others: made darker or lighter as little as is needed. Each of at most five
 * others bars a stretch of 2·`leastApart` of lightness, so that there always is one.
 */
function toldApart(wanted: string, others: readonly string[], dark: boolean): string {
  const free = (colour: string): boolean => others.every((other) => distance(colour, other) >= leastApart);
  if (free(wanted)) return wanted;
  const from = oklch(parse(wanted))!;
  const down = dark ? 1 : -1;
  for (let step = 1; step <= 100; step += 1)
    for (const way of [down, -down]) {
      const l = from.l + (way * step) / 100;
      if (l < 0 || l > 1 || (way === down && (dark ? l > limitOf.dark : l < limitOf.light))) continue;
      const moved = formatHex(clampChroma({ ...from, l }, 'oklch'));
      if (free(moved)) return moved;
    }
  return wanted;
}

interface Fills {
  readonly look: Look;
  readonly seeThrough: number | undefined;
  readonly byMask: readonly string[];
}
const fillsOf = new WeakMap<Venn['venn']['sets'], Fills>();

/**
 * The fill of every region, by its mask, the ground for none: the inks of its sets laid over each other, each region told apart from those
 * with one set less, whatever colours were picked. Regions that share more than a point differ by one set, so that neighbours are told
 * apart.
 */
export function regionFills(look: Look, { sets, manner }: Venn['venn']): readonly string[] {
  const known = fillsOf.get(sets);
  if (known?.look === look && known.seeThrough === manner.seeThrough) return known.byMask;
  const ordered = setsInOrder({ sets } as Venn['venn']);
  const inks = inksOf(look, ordered, manner.seeThrough);
  const dark = isDark(look);
  const byMask: string[] = [];
  for (let mask = 0; mask < 1 << ordered.length; mask += 1) {
    const inside = inks.filter((_, i) => (mask >> i) & 1);
    const fewer = ordered.flatMap((_, i) => ((mask >> i) & 1 ? [byMask[mask ^ (1 << i)]!] : []));
    byMask.push(mask === 0 ? look.ground : toldApart(laidOver(look, inside), fewer, dark));
  }
  fillsOf.set(sets, { look, seeThrough: manner.seeThrough, byMask });
  return byMask;
}
