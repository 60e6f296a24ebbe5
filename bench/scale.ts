/** Drawing to scale beside @upsetjs/venn.js on the same three-set specs; prints both distributions. */
import { venn } from '@upsetjs/venn.js';
import { random } from './random';
import { areasOf, scaleError, scaleShapes, type Ellipse, type ScaleError } from '../src/core/arrange/curves';

/** Seven regions from 1 to 100; in `sparse` specs one region in five is not wanted. Every set has something. */
export function specs(count: number, sparse: boolean, seed = 7): number[][] {
  const draw = random(seed);
  const found: number[][] = [];
  while (found.length < count) {
    const wanted = [0, ...Array.from({ length: 7 }, () => (sparse && draw() < 0.2 ? 0 : 1 + Math.floor(draw() * 100)))];
    const filled = [0, 1, 2].every((i) => wanted.some((w, mask) => w > 0 && (mask >> i) & 1));
    if (filled) found.push(wanted);
  }
  return found;
}

const names = ['A', 'B', 'C'];

/** The other library takes sizes of intersections, not of regions. */
function others(wanted: readonly number[]): ScaleError {
  const sets = wanted.flatMap((_, mask) => {
    if (mask === 0) return [];
    const size = wanted.reduce((sum, w, other) => ((other & mask) === mask ? sum + w : sum), 0);
    return [{ sets: names.filter((_name, i) => (mask >> i) & 1), size }];
  });
  const drawn = venn(sets);
  const shapes = names.map((name): Ellipse => {
    const { x, y, radius } = drawn[name]!;
    return { cx: x, cy: y, rx: radius, ry: radius, turn: 0 };
  });
  return scaleError(areasOf(shapes), wanted);
}

const share = (list: readonly number[], at: number): number =>
  [...list].sort((a, b) => a - b)[Math.floor(list.length * at)]!;

export function measureScale(): void {
  console.log('\nThree sets drawn to scale\n');
  for (const sparse of [true, false]) {
    const list = specs(sparse ? 300 : 100, sparse);
    const theirs = list.map(others);
    console.log(`${list.length} specs, ${sparse ? 'one region in five not wanted' : 'every region wanted'}`);
    const tell = (name: string, of: readonly ScaleError[]) =>
      console.log(
        `  ${name.padEnd(18)} stress median ${share(
          of.map((one) => one.stress),
          0.5,
        ).toFixed(4)}, 90th percentile ${share(
          of.map((one) => one.stress),
          0.9,
        ).toFixed(4)}; diagError median ${share(
          of.map((one) => one.diagError),
          0.5,
        ).toFixed(
          4,
        )}; loses a wanted region in ${of.filter((one) => one.lost.length > 0).length}, shows an unwanted one in ${of.filter((one) => one.unwanted.length > 0).length}; diagError below 0.001 in ${of.filter((one) => one.diagError < 0.001).length}`,
      );
    tell('@upsetjs/venn.js', theirs);
    let circles: ScaleError[] = [];
    for (const manner of ['circles', 'ellipses'] as const) {
      const times: number[] = [];
      const ours = list.map((wanted) => {
        const at = performance.now();
        const found = scaleShapes(wanted, manner)!;
        times.push(performance.now() - at);
        return found;
      });
      tell(`ours, ${manner}`, ours);
      const slack = 1e-9;
      const stress = ours.filter((one, i) => one.stress <= theirs[i]!.stress + slack).length;
      const diag = ours.filter((one, i) => one.diagError <= theirs[i]!.diagError + slack).length;
      console.log(
        `    no worse in stress: ${stress}, in diagError: ${diag}; solved in ${share(times, 0.5).toFixed(0)} ms median, ${share(times, 0.99).toFixed(0)} ms at the 99th percentile`,
      );
      const keeping = theirs.flatMap((one, i) => (one.lost.length === 0 ? [i] : []));
      const among = keeping.filter(
        (i) => ours[i]!.stress <= theirs[i]!.stress + slack && ours[i]!.diagError <= theirs[i]!.diagError + slack,
      );
      console.log(
        `    no worse in both where the other library keeps every wanted region: ${among.length} of ${keeping.length}`,
      );
      if (manner === 'circles') circles = ours;
      else
        console.log(
          `    no worse than our circles in stress: ${ours.filter((one, i) => one.stress <= circles[i]!.stress + slack).length}, in diagError: ${ours.filter((one, i) => one.diagError <= circles[i]!.diagError + slack).length}`,
        );
    }
  }
}
