import FlatQueue from 'flatqueue';
import { legsOf, type Leg } from './legs';
import { apart, indexOf, straightened } from './route-grid';
import { extentOfBoxes, reversed, type Extent, type Polyline } from './polyline';
import { grown, overlap } from './segments';

/** What is to be routed around. All lengths in CSS px. */
export interface RouteGround {
  readonly boxes: readonly Extent[];
  /** Lines that may be crossed, but not run along. */
  readonly lines: readonly Polyline[];
  /** Distance at which a link runs beside a box. */
  readonly out: { readonly x: number; readonly y: number };
  /** Least distance between docking points; left out: a little more than `laneGap`. */
  readonly docking?: number;
}

/** A point that a link is to run through, along an axis. */
export interface Via {
  readonly x: number;
  readonly y: number;
  readonly along: 'x' | 'y';
}

export interface RouteEnds {
  /** Indices of boxes. */
  readonly from: number;
  readonly to: number;
  /** Links of one bundle run along each other, on one line, where that is no great way round; left out: none of any. */
  readonly bundle?: number;
  /** The side of its box at which it leaves the first, and meets the second; left out for whichever leads there best. */
  readonly leaves?: Side;
  readonly meets?: Side;
}

/** A side of a box. */
export type Side = 'top' | 'bottom' | 'left' | 'right';

/** Least distance between two links that run side by side, between a link and another line, and between docking points. */
export const laneGap = 5;
const lanes = 3;
const bendCost = 36;
const crowdCost = 4000;
/** Another side than the one that is wished is taken only where that is shut. */
const wrongSideCost = 20_000;
/** How far beyond both ends a way is looked for; further where none is found. */
const detour = 160;

/** Where a link meets a box: a point of its edge, and the point `out` before it. */
interface Port {
  readonly x: number;
  readonly y: number;
  readonly outX: number;
  readonly outY: number;
  readonly across: 'x' | 'y';
  readonly cost: number;
}

/** What lies along a line of the grid: stretches that are shut, and stretches where another line runs. */
interface Course {
  readonly shut: [number, number][];
  crowded: {
    readonly from: number;
    readonly to: number;
    readonly at: number;
    readonly bundle: number;
    readonly link: number;
  }[];
}

/** Of a way along its own bundle only this share is counted. */
const alongBundle = 0.3;
const noBundle = -1;

/** A leg of a line that is there, the bundle its link runs with, and the link; -1 for none. */
interface Taken extends Leg {
  readonly bundle: number;
  readonly link: number;
}

interface Docked {
  readonly x: number;
  readonly y: number;
  readonly link: number;
}

/**
 * Routes links one after another around boxes with level and upright legs: on a grid of the lanes beside the boxes, by A* with a cost for bends. No leg
 * runs through a box; none runs within `laneGap` of another line along it where any way without that exists, but on that of its own bundle. Each end has a
 * docking point of its own.
 * O(lanes² log lanes) a link in the part of the drawing around both ends.
 */
export const routeLinks = (ground: RouteGround, links: readonly RouteEnds[]): Polyline[] => [
  ...new LinkRouter(ground, links).ways,
];

/** Where a link is drawn plainly from or to: at the side that is wished, where one is. */
const firstOf = (ports: readonly Port[], wished: Side | undefined): Port =>
  wished ? ports.reduce((least, port) => (port.cost < least.cost ? port : least)) : ports[0]!;

/** Links as they are routed by `routeLinks`, each of which can be sent another way afterwards. */
export class LinkRouter {
  readonly ways: Polyline[] = [];
  private readonly xs: number[];
  private readonly ys: number[];
  private readonly upright = new Map<number, Course>();
  private readonly level = new Map<number, Course>();
  /** Legs of all lines so far: reporting lines first, then routed links. */
  private legs: Taken[] = [];
  /** What is kept clear besides boxes. */
  private readonly kept: Extent[] = [];
  private readonly docked = new Map<number, Docked[]>();
  private readonly inflate: number;

  constructor(
    private readonly ground: RouteGround,
    private readonly links: readonly RouteEnds[],
  ) {
    const count = links.length;
    const { boxes, lines, out } = ground;
    this.inflate = Math.max(0.5, Math.min(3, out.x - 1, out.y - 1));
    const xs: number[] = [];
    const ys: number[] = [];
    let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
    for (const box of boxes) {
      for (let k = 0; k < lanes; k++) {
        const [across, down] = [out.x + k * laneGap, out.y + k * laneGap];
        xs.push(box.x - across, box.x + box.width + across);
        ys.push(box.y - down, box.y + box.height + down);
      }
      left = Math.min(left, box.x);
      top = Math.min(top, box.y);
      right = Math.max(right, box.x + box.width);
      bottom = Math.max(bottom, box.y + box.height);
    }
    for (let k = 0; k < Math.min(count, 40); k++) {
      const [across, down] = [out.x + (lanes + k) * laneGap, out.y + (lanes + k) * laneGap];
      xs.push(left - across, right + across);
      ys.push(top - down, bottom + down);
    }
    this.xs = apart(xs);
    this.ys = apart(ys);
    for (const line of lines) this.take(line, noBundle, -1);
    links.forEach((link, k) => {
      const [starts, ends] = this.portsOf(link);
      const way = this.between(starts, ends, link) ?? plainWay(firstOf(starts, link.leaves), firstOf(ends, link.meets));
      this.put(k, way);
    });
  }

  /** Sends a link through a point; null where there is no way, and it stays as it was. Others stay where they are. */
  through(k: number, { x, y, along }: Via): Polyline | null {
    const former = this.ways[k]!;
    const link = { ...this.links[k]!, bundle: noBundle };
    this.release(k);
    const [starts, ends] = this.portsOf(link, { x, y, width: 0, height: 0 });
    const via: Port = { x, y, outX: x, outY: y, across: along, cost: 0 };
    const before = this.between(starts, [via], link);
    // The rest keeps off what is there of it.
    if (before) this.take(before, noBundle, k);
    const after = before && this.between([via], ends, link);
    this.release(k);
    this.put(k, before && after ? straightened([...before, ...after.slice(2)]) : former);
    return before && after ? this.ways[k]! : null;
  }

  /** Keeps a rectangle clear of what is routed from now on. */
  keepClear(area: Extent): void {
    this.kept.push(area);
    for (const [at, course] of this.upright) keepOff(course, 'upright', at, area);
    for (const [at, course] of this.level) keepOff(course, 'level', at, area);
  }

  /** Puts a link on another way. */
  put(k: number, way: Polyline): void {
    this.release(k);
    this.ways[k] = way;
    const { from, to, bundle = noBundle } = this.links[k]!;
    this.take(way, bundle, k);
    this.dockedAt(from).push({ x: way[0]!, y: way[1]!, link: k });
    this.dockedAt(to).push({ x: way.at(-2)!, y: way.at(-1)!, link: k });
  }

  private release(k: number): void {
    if (this.ways[k] === undefined) return;
    this.legs = this.legs.filter(({ link }) => link !== k);
    for (const courses of [this.upright, this.level])
      for (const course of courses.values())
        if (course.crowded.some(({ link }) => link === k))
          course.crowded = course.crowded.filter(({ link }) => link !== k);
    const { from, to } = this.links[k]!;
    for (const i of [from, to])
      this.docked.set(
        i,
        this.dockedAt(i).filter(({ link }) => link !== k),
      );
  }

  /** Ports of both ends that look towards each other, or towards a place on the way. */
  private portsOf({ from, to, leaves, meets }: RouteEnds, via?: Extent): [Port[], Port[]] {
    const [a, b] = [this.ground.boxes[from]!, this.ground.boxes[to]!];
    return [this.ports(from, via ?? b, leaves), this.ports(to, via ?? a, meets)];
  }

  /** The best way between ports, looked for around both ends first, and then further out. */
  private between(
    starts: readonly Port[],
    ends: readonly Port[],
    { from, to, bundle = noBundle }: RouteEnds,
  ): number[] | null {
    const { boxes } = this.ground;
    const some = [...starts, ...ends];
    const vias = some.flatMap((port) => (port.x === port.outX && port.y === port.outY ? [spotAt(port)] : []));
    const { x, y, width, height } = extentOfBoxes([boxes[from]!, boxes[to]!, ...vias]);
    const inReach = (low: number, high: number) => (value: number) => value >= low && value <= high;
    const trunk = bundle === noBundle ? [] : this.legs.filter((leg) => leg.bundle === bundle);
    const mustX = [...some.map(({ outX }) => outX), ...trunk.filter(({ upright }) => upright).map(({ at }) => at)];
    const mustY = [...some.map(({ outY }) => outY), ...trunk.filter(({ upright }) => !upright).map(({ at }) => at)];
    for (const reach of [detour, 4 * detour]) {
      const xs = this.xs.filter(inReach(x - reach, x + width + reach));
      const ys = this.ys.filter(inReach(y - reach, y + height + reach));
      const grid = { xs: apart([...xs, ...mustX], mustX), ys: apart([...ys, ...mustY], mustY) };
      const way = this.search(grid, starts, ends, bundle);
      if (way) return way;
    }
    return null;
  }

  /** Docking points on the edge of a box that are free, those that look towards the other box first. */
  private ports(i: number, other: Extent, wished: Side | undefined): Port[] {
    const { out, boxes, docking = laneGap + 1 } = this.ground;
    const { x, y, width, height } = boxes[i]!;
    const taken = this.dockedAt(i);
    const ports: Port[] = [];
    const offer = (px: number, py: number, dx: number, dy: number, share: number) => {
      const end = { x: px + dx * out.x, y: py + dy * out.y };
      if (taken.some((point) => Math.hypot(point.x - px, point.y - py) < docking)) return;
      if (boxes.some((box, k) => k !== i && inside(box, end))) return;
      const stem = grown(
        extentOfBoxes([
          { ...end, ...noSize },
          { x: px, y: py, ...noSize },
        ]),
        docking / 2,
      );
      if (this.kept.some((area) => overlap(area, stem))) return;
      const towards = (other.x + other.width / 2 - px) * dx + (other.y + other.height / 2 - py) * dy;
      const side = dx < 0 ? 'left' : dx > 0 ? 'right' : dy < 0 ? 'top' : 'bottom';
      const wrong = wished !== undefined && side !== wished ? wrongSideCost : 0;
      const cost = Math.abs(share - 0.5) * 12 + (dy !== 0 ? 14 : 0) + (towards < 0 ? 10 : 0) + wrong;
      ports.push({ x: px, y: py, outX: end.x, outY: end.y, across: dx !== 0 ? 'x' : 'y', cost });
    };
    for (const share of [0.5, 0.3, 0.7, 0.15, 0.85]) {
      offer(x, y + height * share, -1, 0, share);
      offer(x + width, y + height * share, 1, 0, share);
    }
    for (const share of [0.25, 0.75, 0.1, 0.9, 0.4, 0.6]) {
      offer(x + width * share, y, 0, -1, share);
      offer(x + width * share, y + height, 0, 1, share);
    }
    if (ports.length === 0)
      ports.push({ x, y: y + height / 2, outX: x - out.x, outY: y + height / 2, across: 'x', cost: 0 });
    return ports;
  }

  private search(
    { xs, ys }: { readonly xs: readonly number[]; readonly ys: readonly number[] },
    starts: readonly Port[],
    ends: readonly Port[],
    bundle: number,
  ): number[] | null {
    const [nx, ny] = [xs.length, ys.length];
    const at = (x: number, y: number, way: 0 | 1) => (indexOf(ys, y) * nx + indexOf(xs, x)) * 2 + way;
    const total = nx * ny * 2;
    const cost = new Float64Array(total).fill(Infinity);
    const before = new Int32Array(total).fill(-1);
    const goal = new Map<number, Port>();
    for (const port of ends) goal.set(at(port.outX, port.outY, port.across === 'x' ? 0 : 1), port);
    const queue = new FlatQueue<number>();
    const rest = (k: number): number => {
      const [x, y] = [xs[(k >> 1) % nx]!, ys[Math.floor((k >> 1) / nx)]!];
      let least = Infinity;
      for (const { outX, outY } of ends) least = Math.min(least, Math.abs(x - outX) + Math.abs(y - outY));
      return bundle === noBundle ? least : least * alongBundle;
    };
    const reach = (k: number, price: number, from: number) => {
      if (price >= cost[k]! - 1e-9) return;
      cost[k] = price;
      before[k] = from;
      queue.push(k, price + rest(k));
    };
    const origin = new Map<number, Port>();
    for (const port of starts) {
      const k = at(port.outX, port.outY, port.across === 'x' ? 0 : 1);
      if (port.cost < cost[k]!) {
        origin.set(k, port);
        reach(k, port.cost, -1);
      }
    }
    let best: { readonly k: number; readonly price: number } | null = null;
    for (let k = queue.pop(); k !== undefined; k = queue.pop()) {
      const price = cost[k]!;
      if (best !== null && price + rest(k) >= best.price) break;
      const end = goal.get(k);
      if (end && (best === null || price + end.cost < best.price)) best = { k, price: price + end.cost };
      const way = k & 1;
      const [column, row] = [(k >> 1) % nx, Math.floor((k >> 1) / nx)];
      reach(k ^ 1, price + bendCost, k);
      for (const step of [1, -1]) {
        const [c, r] = way === 0 ? [column + step, row] : [column, row + step];
        if (c < 0 || r < 0 || c >= nx || r >= ny) continue;
        const length =
          way === 0
            ? this.leg('level', ys[row]!, [xs[column]!, xs[c]!], bundle)
            : this.leg('upright', xs[column]!, [ys[row]!, ys[r]!], bundle);
        if (length !== Infinity) reach((r * nx + c) * 2 + way, price + length, k);
      }
    }
    if (best === null) return null;
    const points: number[] = [];
    const end = goal.get(best.k)!;
    points.push(end.x, end.y);
    let k = best.k;
    for (; ; k = before[k]!) {
      points.push(xs[(k >> 1) % nx]!, ys[Math.floor((k >> 1) / nx)]!);
      if (before[k] === -1) break;
    }
    const start = origin.get(k)!;
    points.push(start.x, start.y);
    return straightened(reversed(points));
  }

  /** What it costs to go along a line of the grid; Infinity through a box. */
  private leg(way: 'upright' | 'level', at: number, [from, to]: readonly [number, number], bundle: number): number {
    const [low, high] = from < to ? [from, to] : [to, from];
    const { shut, crowded } = this.course(way, at);
    for (const [a, b] of shut) if (a < high && b > low) return Infinity;
    let price = high - low;
    let shared = 0;
    for (const leg of crowded) {
      if (leg.from >= high || leg.to <= low) continue;
      if (bundle === noBundle || leg.bundle !== bundle || Math.abs(leg.at - at) > 0.01) price += crowdCost;
      else shared = Math.max(shared, Math.min(high, leg.to) - Math.max(low, leg.from));
    }
    return price - Math.min(high - low, shared) * (1 - alongBundle);
  }

  private course(way: 'upright' | 'level', at: number): Course {
    const courses = way === 'upright' ? this.upright : this.level;
    const known = courses.get(at);
    if (known) return known;
    const made: Course = { shut: [], crowded: [] };
    const d = this.inflate;
    for (const { x, y, width, height } of this.ground.boxes) {
      if (way === 'upright' && at > x - d && at < x + width + d) made.shut.push([y - d, y + height + d]);
      if (way === 'level' && at > y - d && at < y + height + d) made.shut.push([x - d, x + width + d]);
    }
    for (const area of this.kept) keepOff(made, way, at, area);
    for (const leg of this.legs) crowd(made, way, at, leg);
    courses.set(at, made);
    return made;
  }

  /** Notes the legs of a line, so that later links keep away from them. */
  private take(line: Polyline, bundle: number, link: number): void {
    for (const way of legsOf(line)) {
      const leg = { ...way, bundle, link };
      this.legs.push(leg);
      for (const [at, course] of leg.upright ? this.upright : this.level)
        crowd(course, leg.upright ? 'upright' : 'level', at, leg);
    }
  }

  /** Where lines meet a box: the ends of those that are only crossed, looked for when the box is first asked for, and of the links so far. */
  private dockedAt(i: number): Docked[] {
    let points = this.docked.get(i);
    if (points) return points;
    points = [];
    for (const line of this.ground.lines)
      for (const p of [0, line.length - 2]) {
        const point = { x: line[p]!, y: line[p + 1]!, link: -1 };
        if (onEdge(this.ground.boxes[i]!, point)) points.push(point);
      }
    this.docked.set(i, points);
    return points;
  }
}

/** Shuts what of a line of the grid runs through a rectangle. */
function keepOff(course: Course, way: 'upright' | 'level', at: number, { x, y, width, height }: Extent): void {
  if (way === 'upright' && at > x && at < x + width) course.shut.push([y, y + height]);
  if (way === 'level' && at > y && at < y + height) course.shut.push([x, x + width]);
}

const noSize = { width: 0, height: 0 };
const spotAt = ({ x, y }: Port): Extent => ({ x, y, ...noSize });

function crowd(course: Course, way: 'upright' | 'level', at: number, leg: Taken): void {
  if (leg.upright === (way === 'upright') && Math.abs(leg.at - at) < laneGap - 0.01)
    course.crowded.push({ from: leg.from - 1, to: leg.to + 1, at: leg.at, bundle: leg.bundle, link: leg.link });
}

const onEdge = ({ x, y, width, height }: Extent, point: { x: number; y: number }): boolean =>
  point.x >= x - 0.5 && point.x <= x + width + 0.5 && point.y >= y - 0.5 && point.y <= y + height + 0.5;
const inside = ({ x, y, width, height }: Extent, point: { x: number; y: number }): boolean =>
  point.x > x - 0.5 && point.x < x + width + 0.5 && point.y > y - 0.5 && point.y < y + height + 0.5;

/** A way without regard for anything, where there is no other. */
const plainWay = (a: Port, b: Port): number[] =>
  straightened([a.x, a.y, a.outX, a.outY, a.outX, b.outY, b.outX, b.outY, b.x, b.y]);
