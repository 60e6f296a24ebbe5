import type { Orders } from './crossings';
import type { Layers } from './layers';

/** Where layers begin and end along, and the middles of vertices across. */
export interface Placed {
  readonly x: Float64Array;
  readonly start: readonly number[];
  readonly end: readonly number[];
  /** Where a line from a vertex towards another meets its edge, across. */
  dock(at: number, towards: number): number;
}

/** Lines keep so far from what they pass, and leave a box upright for so long. CSS px. */
const clear = 3;
const upright = 5;

/**
 * Lines through the layers, pulled straight as far as each keeps its place between its neighbours in every layer it passes: so none crosses more than the order
 * of the layers says, and none meets a box or words. Bends that are pulled are where they were pulled to for the lines after. O(bends²) a line.
 */
export class StraightLines {
  private readonly place: Int32Array;
  /** Where a line is across when it comes to the beginning and to the end of its layer. */
  private readonly atStart: Float64Array;
  private readonly atEnd: Float64Array;

  /** Up to where lines are upright before and after each layer. */
  private readonly rimStart: readonly number[];
  private readonly rimEnd: readonly number[];

  constructor(
    private readonly layers: Layers,
    private readonly orders: Orders,
    private readonly placed: Placed,
  ) {
    this.place = new Int32Array(layers.count);
    for (const order of orders) order.forEach((v, i) => (this.place[v] = i));
    const { start, end } = placed;
    const within = (gap: number) => Math.min(upright, Math.max(0, gap) * 0.4);
    this.rimStart = start.map((at, l) => at - (l === 0 ? upright : within(at - end[l - 1]!)));
    this.rimEnd = end.map((at, l) => at + (start[l + 1] === undefined ? upright : within(start[l + 1]! - at)));
    this.atStart = placed.x.slice();
    this.atEnd = placed.x.slice();
  }

  /** Across and along by turns, from the edge of the first vertex to that of the last. */
  through(way: readonly number[]): number[] {
    const { layer, along } = this.layers;
    const { dock, start, end, x } = this.placed;
    const down = layer[way.at(-1)!]! > layer[way[0]!]!;
    const last = way.length - 1;
    const middle = (v: number) => (start[layer[v]!]! + end[layer[v]!]!) / 2;
    const rim = (v: number, low: boolean) => (low ? this.rimEnd[layer[v]!]! : this.rimStart[layer[v]!]!);
    const edge = (v: number, low: boolean) => middle(v) + ((low ? 1 : -1) * along[v]!) / 2;
    const [first, end_] = [dock(way[0]!, way[1]!), dock(way[last]!, way[last - 1]!)];
    const points = [first, edge(way[0]!, down), first, rim(way[0]!, down)];
    for (let i = 0; i < last;) {
      const [px, py] = [points.at(-2)!, points.at(-1)!];
      let next = i + 1;
      for (let j = Math.min(last, i + farthest); j > i; j--) {
        const target = j === last ? end_ : x[way[j]!]!;
        const at = rim(way[j]!, !down);
        if (j > i + 1 && !this.isClear(way, i, j, { px, py, qx: target, qy: at })) continue;
        for (let m = i + 1; m < j; m++) {
          const here = (y: number) => px + ((target - px) * (y - py)) / (at - py);
          this.atStart[way[m]!] = here(this.rimStart[layer[way[m]!]!]!);
          this.atEnd[way[m]!] = here(this.rimEnd[layer[way[m]!]!]!);
        }
        points.push(target, at);
        next = j;
        break;
      }
      if (next < last) points.push(x[way[next]!]!, rim(way[next]!, down));
      i = next;
    }
    points.push(end_, edge(way[last]!, !down));
    return points;
  }

  /** Whether a stretch keeps between the neighbours of the vertices it passes, and of those it begins and ends with. */
  private isClear(
    way: readonly number[],
    i: number,
    j: number,
    { px, py, qx, qy }: { readonly px: number; readonly py: number; readonly qx: number; readonly qy: number },
  ): boolean {
    const { layer, across } = this.layers;
    const [top, bottom] = [Math.min(py, qy) - 1e-6, Math.max(py, qy) + 1e-6];
    for (let m = i; m <= j; m++) {
      const v = way[m]!;
      const order = this.orders[layer[v]!]!;
      const at = this.place[v]!;
      for (let side = 0; side < 2; side++) {
        const y = (side === 0 ? this.rimStart : this.rimEnd)[layer[v]!]!;
        // Where two layers lie close, the end of one is where the stretch begins or ends.
        if (y < top || y > bottom) continue;
        const x = side === 0 ? this.atStart : this.atEnd;
        const here = px + ((qx - px) * (y - py)) / (qy - py);
        if (at > 0 && here < x[order[at - 1]!]! + across[order[at - 1]!]! / 2 + clear) return false;
        if (at + 1 < order.length && here > x[order[at + 1]!]! - across[order[at + 1]!]! / 2 - clear) return false;
      }
    }
    return true;
  }
}

/** A stretch passes no more layers than this. */
const farthest = 60;
