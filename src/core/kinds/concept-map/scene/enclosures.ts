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
} from '../../../arrange/graph';
import { capHeightOf, runsOf, sansFace, widthOf } from '../../../measure';
import type { Rect, SceneGroup } from '../../../scene';
import { lookOf, readableText } from '../../../style';
import type { ConceptMap, Enclosure } from '../model';
import type { MapListing } from '../structure';
import type { DrawnMap } from './drawn';

const around = 9;
const face = sansFace(600, 'upright');
const size = 11;

/** The outlines around ideas, drawn below all else; the name of each at its edge where there is room for it. */
export function enclosureGroups(diagram: ConceptMap, listing: MapListing, drawn: DrawnMap): SceneGroup[] {
  const look = lookOf(diagram);
  const taken: Rect[] = [...drawn.boxes, ...drawn.links.flatMap(({ place }) => (place ? [place] : []))];
  const lines = drawn.links.flatMap((one) => one.lines);
  return Object.values(diagram.map.enclosures)
    .sort((a, b) => (a.id < b.id ? -1 : 1))
    .flatMap((enclosure): SceneGroup[] => {
      const boxes = membersOf(enclosure, listing).map((i) => drawn.boxes[i]!);
      if (boxes.length === 0) return [];
      const hull = convexHull(
        boxes
          .map((box) => grown(box, around))
          .flatMap(({ x, y, width, height }) => {
            const [right, bottom] = [x + width, y + height];
            return [x, y, right, y, right, bottom, x, bottom];
          }),
      );
      const bounds = extentOfLines([hull]);
      const dark = look.ground < '#808080';
      const hue = enclosure.hue ?? look.hue;
      const chroma = enclosure.hue === null && look.first.chroma === 0 ? 0 : 0.035;
      const colour = (l: number, c: number) => formatHex(clampChroma({ mode: 'oklch', l, c, h: hue }, 'oklch'));
      const fill = dark ? colour(0.3, chroma) : colour(0.955, chroma);
      const d = `${roundedPath([...hull, hull[0]!, hull[1]!], 0)}Z`;
      const name = enclosure.name === '' ? null : nameAt(enclosure.name, bounds, taken, lines);
      if (name) taken.push(name);
      return [
        {
          type: 'group',
          stands: { for: 'enclosure', id: enclosure.id },
          label: enclosure.name,
          x: 0,
          y: 0,
          bounds: name ? extentOfBoxes([bounds, name]) : bounds,
          children: [
            {
              type: 'path',
              d,
              fill,
              stroke: colour(0.6, chroma * (dark ? 2 : 2.2)),
              strokeWidth: 1,
              dashed: true,
            },
            ...(name
              ? [
                  {
                    type: 'text' as const,
                    x: name.x,
                    y: name.y + (name.height + capHeightOf(face, size)) / 2,
                    size,
                    fill: readableText(look.ink, fill, look.ink, look.light),
                    runs: runsOf(enclosure.name, face, size),
                    part: 'note' as const,
                  },
                ]
              : []),
          ],
        },
      ];
    });
}

const membersOf = ({ members }: Enclosure, { index }: MapListing): number[] =>
  members.flatMap((id) => {
    const i = index.get(id);
    return i === undefined ? [] : [i];
  });

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
  for (const off of [1, 12, 26])
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
