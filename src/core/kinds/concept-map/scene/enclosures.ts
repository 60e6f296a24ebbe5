import { clampChroma, formatHex } from 'culori';
import { convexHull, overlap, roundedPath } from '../../../arrange/graph';
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
  const look = lookOf(diagram.look);
  const taken: Rect[] = [...drawn.boxes, ...drawn.links.flatMap(({ place }) => (place ? [place] : []))];
  return Object.values(diagram.map.enclosures)
    .sort((a, b) => (a.id < b.id ? -1 : 1))
    .flatMap((enclosure): SceneGroup[] => {
      const boxes = membersOf(enclosure, listing).map((i) => drawn.boxes[i]!);
      if (boxes.length === 0) return [];
      const hull = convexHull(
        boxes.flatMap(({ x, y, width, height }) => {
          const [l, t, r, b] = [x - around, y - around, x + width + around, y + height + around];
          return [l, t, r, t, r, b, l, b];
        }),
      );
      const xs = hull.filter((_, p) => p % 2 === 0);
      const ys = hull.filter((_, p) => p % 2 === 1);
      const bounds = {
        x: Math.min(...xs),
        y: Math.min(...ys),
        width: Math.max(...xs) - Math.min(...xs),
        height: Math.max(...ys) - Math.min(...ys),
      };
      const dark = look.ground < '#808080';
      const hue = enclosure.hue ?? look.hue;
      const chroma = enclosure.hue === null && look.first.chroma === 0 ? 0 : 0.035;
      const colour = (l: number, c: number) => formatHex(clampChroma({ mode: 'oklch', l, c, h: hue }, 'oklch'));
      const fill = dark ? colour(0.3, chroma) : colour(0.955, chroma);
      const d = `${roundedPath([...hull, hull[0]!, hull[1]!], 0)}Z`;
      const name = enclosure.name === '' ? null : nameAt(enclosure.name, bounds, taken);
      if (name) taken.push(name);
      return [
        {
          type: 'group',
          stands: { for: 'enclosure', id: enclosure.id },
          label: enclosure.name,
          x: 0,
          y: 0,
          bounds,
          children: [
            {
              type: 'path',
              d,
              fill,
              stroke: dark ? colour(0.6, chroma * 2) : colour(0.6, chroma * 2.2),
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

export const membersOf = ({ members }: Enclosure, { index }: MapListing): number[] =>
  members.flatMap((id) => {
    const i = index.get(id);
    return i === undefined ? [] : [i];
  });

/** Along the inner edge of the outline, where nothing else stands; null where there is no such place. */
function nameAt(name: string, { x, y, width, height }: Rect, taken: readonly Rect[]): Rect | null {
  const box = { width: widthOf(name, face, size), height: size * 1.3 };
  for (const top of [y - box.height - 1, y + height + 1, y + 1, y + height - box.height - 1])
    for (const share of [0.5, 0.25, 0.75, 0.1, 0.9]) {
      const place = { x: x + width * share - box.width / 2, y: top, ...box };
      if (!taken.some((other) => overlap(other, place))) return place;
    }
  return null;
}
