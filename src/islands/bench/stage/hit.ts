import Flatbush from 'flatbush';
import { distanceTo } from '../../../core/arrange/graph';
import type { Diagram, Drawn } from '../../../core/diagram';
import type { Rect, SceneGroup } from '../../../core/scene';
import { partsOf, type Grabbed } from '../kinds';
import { toDrawing, type View } from '../view';

interface Index {
  readonly groups: readonly SceneGroup[];
  readonly tree: Flatbush | null;
}
const indexed = new WeakMap<readonly SceneGroup[], Index>();

/** Entries and what else can be selected, by where they lie. Kept per drawing. */
function indexOf(all: readonly SceneGroup[]): Index {
  const known = indexed.get(all);
  if (known) return known;
  const groups = all.filter(({ stands, selectable }) => selectable !== undefined || stands.for === 'entry');
  const tree = groups.length > 0 ? new Flatbush(groups.length) : null;
  for (const { x, y, bounds } of groups)
    tree?.add(x + bounds.x, y + bounds.y, x + bounds.x + bounds.width, y + bounds.y + bounds.height);
  tree?.finish();
  const made = { groups, tree };
  indexed.set(all, made);
  return made;
}

/** Groups that can be selected and whose extent meets a rectangle of the drawing, as they lie: later ones above. */
export function groupsIn({ scene }: Drawn, area: Rect): SceneGroup[] {
  const { groups, tree } = indexOf(scene.groups);
  const found = tree?.search(area.x, area.y, area.x + area.width, area.y + area.height) ?? [];
  return found.sort((a, b) => a - b).map((i) => groups[i]!);
}

/** How near a line has to be pointed at, in px of the screen. */
const reachPx = 6;
/** The same in the drawing. */
const reachOf = ({ scene }: Drawn, view: View): number => reachPx / (view.k * scene.drawing.scale);

function isAt(group: SceneGroup, x: number, y: number, reach: number): boolean {
  const { selectable, bounds } = group;
  const [px, py] = [x - group.x, y - group.y];
  if (selectable?.hit === 'line') return distanceTo(selectable.course, px, py) <= reach;
  if (selectable?.hit === 'area') return isInArea(selectable.outline, px, py);
  return px >= bounds.x && px <= bounds.x + bounds.width && py >= bounds.y && py <= bounds.y + bounds.height;
}

let paper: CanvasRenderingContext2D | null = null;
function isInArea(outline: string, x: number, y: number): boolean {
  paper ??= document.createElement('canvas').getContext('2d');
  return paper?.isPointInPath(new Path2D(outline), x, y, 'evenodd') ?? false;
}

type Point = { clientX: number; clientY: number };

function placeOf(drawn: Drawn, view: View, frame: Element, point: Point) {
  const box = frame.getBoundingClientRect();
  return toDrawing(view, drawn.scene.drawing, point.clientX - box.left, point.clientY - box.top);
}

/** What lies under a point of the window: an entry before a link, a link before an area, a small area before a large one. */
export function thingUnder(drawn: Drawn, view: View, frame: Element, point: Point): SceneGroup | null {
  const { x, y } = placeOf(drawn, view, frame, point);
  const reach = reachOf(drawn, view);
  const near = groupsIn(drawn, { x: x - reach, y: y - reach, width: 2 * reach, height: 2 * reach }).reverse();
  const at = near.filter((group) => isAt(group, x, y, reach));
  const rank = ({ stands, selectable }: SceneGroup) =>
    stands.for === 'entry' ? 0 : selectable?.hit === 'line' ? 1 : 2;
  const area = ({ bounds }: SceneGroup) => bounds.width * bounds.height;
  return at.sort((a, b) => rank(a) - rank(b) || area(a) - area(b))[0] ?? null;
}

export function entryUnder(drawn: Drawn, view: View, frame: Element, point: Point): string | null {
  const { x, y } = placeOf(drawn, view, frame, point);
  const at = groupsIn(drawn, { x, y, width: 0, height: 0 });
  return at.findLast((group) => group.stands.for === 'entry' && isAt(group, x, y, 0))?.stands.id ?? null;
}

/** What a drag would begin with under a point of the window; null where it moves the view. */
export function grabbedUnder(diagram: Diagram, drawn: Drawn, view: View, frame: Element, point: Point): Grabbed | null {
  const entry = entryUnder(drawn, view, frame, point);
  if (entry !== null) return { for: 'entry', id: entry };
  const { x, y } = placeOf(drawn, view, frame, point);
  return partsOf(diagram.kind).grab(drawn, x, y, reachOf(drawn, view));
}
