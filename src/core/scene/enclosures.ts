import { clampChroma, formatHex } from 'culori';
import {
  convexHull,
  extentOfBoxes,
  extentOfLines,
  grown,
  lineRunsThrough,
  overlap,
  roundedPath,
  type Polyline,
} from '../arrange/graph';
import { enclosedBy } from '../hierarchy';
import { capHeightOf, runsOf, sansFace, widthOf } from '../measure';
import type { DiagramCommon, Enclosure } from '../model';
import { lookOf, inkOnGround, readableText } from '../style';
import { contourOf } from './contour';
import { dashesOf } from './empty-box';
import { around, depthsOf } from './outline-room';
import type { PathPrimitive, Primitive, Rect, SceneGroup } from './scene';

const cornerOf: Readonly<Record<Enclosure['shape'], number>> = { box: 0, rounded: 10, contour: 7, hull: 0, smooth: 60 };
const face = sansFace(600, 'upright');
const size = 11;

/** What is drawn of a diagram, in drawing coordinates. */
export interface Drawn {
  readonly boxes: ReadonlyMap<string, Rect>;
  /** What outlines' names and notes keep clear of beside the boxes. */
  readonly words: readonly Rect[];
  readonly lines: readonly Polyline[];
}

interface Placed {
  readonly enclosure: Enclosure;
  readonly members: ReadonlySet<string>;
  readonly boxes: readonly Rect[];
}

/** The outlines around entries, the wider ones first, to be drawn below all else; the name of each at its edge where there is room for it. */
export function enclosureGroups(diagram: DiagramCommon, { boxes, words, lines }: Drawn): SceneGroup[] {
  const placed = Object.values(diagram.enclosures)
    .map((enclosure): Placed => {
      const members = enclosedBy(diagram, enclosure);
      return {
        enclosure,
        members,
        boxes: [...members].flatMap((id) => {
          const box = boxes.get(id);
          return box ? [box] : [];
        }),
      };
    })
    .filter((one) => one.boxes.length > 0)
    .sort((a, b) => b.boxes.length - a.boxes.length || (a.enclosure.id < b.enclosure.id ? -1 : 1));
  if (placed.length === 0) return [];
  const depth = depthsOf(placed.map(({ members }) => members));
  const taken: Rect[] = [...boxes.values(), ...words];
  return placed.map((one, k): SceneGroup => {
    const outline = outlineOf(one, { boxes, depth: depth[k]! });
    const bounds = extentOfLines([outline.points]);
    const { fill, stroke } = coloursOf(diagram, one.enclosure);
    const { enclosure } = one;
    const path: PathPrimitive = {
      type: 'path',
      d: outline.d,
      ...(enclosure.filled && { fill }),
      stroke,
      strokeWidth: enclosure.line === 'none' ? 0 : enclosure.lineWidth,
      ...dashesOf(enclosure.line === 'none' ? 'solid' : enclosure.line),
    };
    const name = enclosure.name === '' ? null : nameAt(enclosure.name, bounds, taken, lines);
    if (name) taken.push(name);
    const look = lookOf(diagram);
    const text: Primitive[] = name
      ? [
          {
            type: 'text',
            x: name.x,
            y: name.y + (name.height + capHeightOf(face, size)) / 2,
            size,
            fill: inkOnGround(look),
            runs: runsOf(enclosure.name, face, size),
            part: 'note',
          },
        ]
      : [];
    return {
      type: 'group',
      stands: { for: 'enclosure', id: enclosure.id },
      label: enclosure.name || 'Outline without a name',
      x: 0,
      y: 0,
      bounds: name ? extentOfBoxes([bounds, name]) : bounds,
      children: [path, ...text],
    };
  });
}

/** The outline as points and as a path. It comes no nearer to others than half of what is between. */
function outlineOf(
  { enclosure: { shape }, members, boxes }: Placed,
  { boxes: all, depth }: { readonly boxes: ReadonlyMap<string, Rect>; readonly depth: number },
): { readonly points: number[]; readonly d: string } {
  const whole = extentOfBoxes(boxes);
  let nearest = Infinity;
  for (const [id, box] of all)
    if (!members.has(id) && !overlap(whole, box)) nearest = Math.min(nearest, between(whole, box));
  const by = Math.max(around.least, Math.min(around.most + depth * around.nested, nearest / 2));
  const parts = boxes.map((box) => grown(box, by));
  const points =
    shape === 'contour'
      ? contourOf(parts)
      : shape === 'hull' || shape === 'smooth'
        ? convexHull(parts.flatMap(cornersOf))
        : cornersOf(extentOfBoxes(parts));
  return { points, d: closedPath(points, cornerOf[shape]) };
}

const cornersOf = ({ x, y, width, height }: Rect): number[] => [
  x,
  y,
  x + width,
  y,
  x + width,
  y + height,
  x,
  y + height,
];

/** Distance of two rectangles that lie apart. */
const between = (a: Rect, b: Rect): number =>
  Math.max(a.x - b.x - b.width, b.x - a.x - a.width, a.y - b.y - b.height, b.y - a.y - a.height);

/** A closed path with its corners rounded: it begins in the middle of its first side. */
function closedPath(points: readonly number[], radius: number): string {
  const [x0, y0, x1, y1] = points as [number, number, number, number];
  const [x, y] = [(x0 + x1) / 2, (y0 + y1) / 2];
  return `${roundedPath([x, y, ...points.slice(2), x0, y0, x, y], radius)}Z`;
}

function coloursOf(
  diagram: DiagramCommon,
  { fill, lineColour }: Enclosure,
): { readonly fill: string; readonly stroke: string } {
  const look = lookOf(diagram);
  const dark = readableText('#000000', look.ground, '#000000', '#ffffff') === '#ffffff';
  const chroma = look.first.chroma === 0 ? 0 : 0.035;
  const colour = (l: number, c: number) => formatHex(clampChroma({ mode: 'oklch', l, c, h: look.hue }, 'oklch'));
  return {
    fill: fill ?? (dark ? colour(0.3, chroma) : colour(0.955, chroma)),
    stroke: lineColour ?? colour(0.6, chroma * (dark ? 2 : 2.2)),
  };
}

/** At the edge of the outline, where nothing else stands and no line runs; null where there is no such place. */
function nameAt(
  name: string,
  { x, y, width, height }: Rect,
  taken: readonly Rect[],
  lines: readonly Polyline[],
): Rect | null {
  const box = { width: widthOf(name, face, size), height: size * 1.3 };
  const isFree = (place: Rect): boolean =>
    !taken.some((other) => overlap(other, place)) && !lines.some((line) => lineRunsThrough(line, place));
  for (const off of [1, 12, 26, 44])
    for (const share of [0.5, 0.25, 0.75, 0.05, 0.95]) {
      const [across, down] = [x + width * share - box.width / 2, y + height * share - box.height / 2];
      const places = [
        { x: across, y: y - box.height - off, ...box },
        { x: across, y: y + height + off, ...box },
        { x: x - box.width - off - 2, y: down, ...box },
        { x: x + width + off + 2, y: down, ...box },
      ];
      const free = places.find(isFree);
      if (free) return free;
    }
  return null;
}
