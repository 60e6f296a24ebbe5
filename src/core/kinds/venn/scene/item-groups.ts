import { type VennLayout } from '../../../arrange/curves';
import { boxText } from '../../../measure';
import { KeptFor, type BoxStyle } from '../../../model';
import { setsInOrder, type Venn } from '../model';
import { lookOf, inkOnGround } from '../../../style';
import { type Primitive, type SceneGroup } from '../../../scene';
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
  return entries.flatMap(({ entry, style, text: inRegion, mask, picture, width, height }) => {
    const place = at.get(entry.id);
    if (!place) return [];
    const onSheet = fromElsewhere.has(entry.id) && mask !== 0;
    // In the key, under a heading, names are no bolder than a list's.
    const text = fromLeft.has(entry.id) ? boxText(entry, regularOf(style), inRegion.width + 0.5) : inRegion;
    const left = (width - text.width) / 2;
    const top = height - text.height;
    const children = text.lines.map((line): Primitive => ({
      type: 'text',
      x: fromLeft.has(entry.id) ? 0 : left + (text.width - line.width) / 2,
      y: top + text.height / 2 + line.baseline,
      size: line.size,
      fill: onSheet ? onGround : line.part === 'name' ? style.text : style.detailText,
      runs: line.runs,
      part: line.part,
    }));
    if (picture)
      children.unshift({
        type: 'image',
        image: picture.id,
        x: fromLeft.has(entry.id) ? 0 : (width - picture.width) / 2,
        y: 0,
        width: picture.width,
        height: picture.height,
      });
    const label = [entry.name || 'No name yet', ...entry.details.filter(Boolean), regionWords(sets, mask)].join(', ');
    return [
      {
        ...plainGroup({ for: 'entry', id: entry.id }, label, { x: 0, y: 0, width, height }, children),
        x: place.x,
        y: place.y,
      },
    ];
  });
}
