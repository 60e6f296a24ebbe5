import type { VennLayout } from '../../../arrange/curves';
import type { Rect } from '../../../scene';
import type { Venn, VennSet } from '../model';
import { lookOf, readableText } from '../../../style';
import { regionStyle, setStyle } from '../styles';
import { apart, faceOfSet, pad, type Placed } from './arrangement';
import type { Arranged } from './arranged';
import { listBelow, type Listed, type ListedPlace } from './lists';
import { nameCurves, type SetName } from './names';

/** Size of the universe's name. */
const frameNameSize = 15;

/** Curves with the names of their sets, what is in none of them below, and the frame around all. */
export interface Framed {
  readonly names: readonly SetName[];
  readonly frame: Rect;
  /** Of the entries that are in no set. */
  readonly strip: readonly ListedPlace[];
}

export function framed(
  diagram: Venn,
  sets: readonly VennSet[],
  shown: boolean,
  { entries, layout, named }: Pick<Arranged, 'entries' | 'layout' | 'named'>,
): Framed {
  const inside = new Map(
    layout.regions.flatMap(({ mask, title }) =>
      title && named.has(mask) ? [[named.get(mask)!, { mask, title }]] : [],
    ),
  );
  const look = lookOf(diagram);
  const names = nameCurves(
    sets.map((set, i) => {
      const style = setStyle(diagram, set.id);
      const curve = { ellipse: layout.ellipses[i]!, name: set.name, size: style.nameSize, face: faceOfSet(style) };
      const kept = inside.get(i);
      if (!kept) return { ...curve, fill: style.text, inside: null };
      const { fill } = regionStyle(diagram, kept.mask);
      return { ...curve, fill: readableText(style.text, fill, look.ink, look.light), inside: kept.title };
    }),
  );
  const around = boundsOf(layout, names);
  const { manner } = diagram.venn;
  const top = around.y - pad - (manner.frame && manner.universe.trim() ? frameNameSize * 2 : 0);
  const inner = { x: around.x - pad, width: Math.max(around.width + 2 * pad, 240) };
  const outside = shown ? entries.filter(({ mask }) => mask === 0) : [];
  const below = around.y + around.height;
  const strip = listBelow(outside.map(listed), { ...inner, y: below + pad * 0.6 }, apart);
  const bottom = outside.length > 0 ? strip.bottom + pad * 0.7 : below + pad;
  return { names, frame: { ...inner, y: top, height: bottom - top }, strip: strip.places };
}

export const listed = ({ entry, width, height, text, box }: Placed): Listed => ({
  id: entry.id,
  width,
  height,
  baseline: height - (box ? box.height - box.middle.y : text.height / 2) + (text.lines[0]?.baseline ?? 0),
});

function boundsOf(layout: VennLayout, names: readonly SetName[]): Rect {
  let [left, top, right, bottom] = [0, 0, layout.width, layout.height];
  for (const { boxes } of names) {
    for (const box of boxes) {
      left = Math.min(left, box.x);
      top = Math.min(top, box.y);
      right = Math.max(right, box.x + box.width);
      bottom = Math.max(bottom, box.y + box.height);
    }
  }
  return { x: left, y: top, width: right - left, height: bottom - top };
}
