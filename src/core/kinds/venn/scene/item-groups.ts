import { type VennLayout } from '../../../arrange/curves';
import { boxText, unmarked, type BoxText } from '../../../measure';
import { KeptFor, type BoxStyle } from '../../../model';
import { setsInOrder, type Venn } from '../model';
import { lookOf, inkOnGround } from '../../../style';
import { emptyBox, lineTexts, type Primitive, type SceneGroup } from '../../../scene';
import { regionWords } from '../region-words';
import { type Placed } from './arrangement';
import { type ListedPlace } from './lists';

import { plainGroup } from './region-groups';

const regular = new KeptFor<BoxStyle, BoxStyle>();

/** A style with names in regular weight; one object for each. */
function regularOf(style: BoxStyle): BoxStyle {
  const known = regular.get(style);
  if (known) return known;
  const made: BoxStyle = { ...style, nameWeight: 400 };
  regular.set(style, made);
  return made;
}

const sizeOf = ({ width, height }: BoxText) => ({ width, height });

/** The entries where they stand: in their regions, below the curves, or in the key. */
export function items(
  diagram: Venn,
  layout: VennLayout,
  entries: readonly Placed[],
  shown: boolean,
  below: readonly ListedPlace[],
  inKey: readonly ListedPlace[],
): SceneGroup[] {
  const elsewhere = [...below, ...inKey];
  const at = new Map(elsewhere.map((one) => [one.id, one]));
  if (shown) {
    for (const { mask, places } of layout.regions) {
      const inside = entries.filter((one) => one.mask === mask);
      places?.forEach(({ x, y }, i) => at.set(inside[i]!.entry.id, { id: inside[i]!.entry.id, x, y }));
    }
  }
  const sets = setsInOrder(diagram.venn);
  const look = lookOf(diagram);
  const onGround = inkOnGround(look);
  const fromElsewhere = new Set(elsewhere.map((one) => one.id));
  // A list reads from its left edge; in the regions lines stand in the middle.
  const fromLeft = new Set(inKey.map((one) => one.id));
  return entries.flatMap(({ entry, style, text: inRegion, mask, picture, box, width, height }) => {
    const place = at.get(entry.id);
    if (!place) return [];
    const onSheet = fromElsewhere.has(entry.id) && mask !== 0 && box?.style.cover !== style.cover;
    const listed = fromLeft.has(entry.id);
    // In the key, under a heading, names are no bolder than a list's.
    const text = listed && !box ? boxText(entry, regularOf(style), inRegion.width + 0.5) : inRegion;
    const own = box ?? { ...sizeOf(text), middle: { x: text.width / 2, y: text.height / 2 } };
    const left = listed ? 0 : (width - own.width) / 2;
    const top = height - own.height;
    const colours = onSheet ? { name: onGround, detail: onGround } : { name: style.text, detail: style.detailText };
    const children: Primitive[] = [
      ...(picture
        ? [
            {
              type: 'image' as const,
              image: picture.id,
              x: listed ? 0 : (width - picture.width) / 2,
              y: 0,
              width: picture.width,
              height: picture.height,
            },
          ]
        : []),
      ...(box ? emptyBox(box.style, { x: left, y: top, width: box.width, height: box.height }) : []),
      ...text.lines.flatMap((line): Primitive[] => {
        if (line.width === 0) return [];
        const from = listed && !box ? 0 : left + own.middle.x - line.width / 2;
        return lineTexts(line, {
          x: from,
          y: top + own.middle.y + line.baseline,
          fill: line.part === 'name' ? colours.name : colours.detail,
        });
      }),
    ];
    const named = style.nameMarks === 'set' ? unmarked(entry.name) : entry.name;
    const label = [named || 'No name yet', ...entry.details.filter(Boolean), regionWords(sets, mask)].join(', ');
    return [
      {
        ...plainGroup({ for: 'entry', id: entry.id }, label, { x: 0, y: 0, width, height }, children),
        x: place.x,
        y: place.y,
      },
    ];
  });
}
