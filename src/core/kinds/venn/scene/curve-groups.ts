import { ellipsePath, extentOf, type VennLayout } from '../../../arrange/curves';
import { capHeightOf, runsOf, sansFace } from '../../../measure';
import { type VennSet, type Venn } from '../model';
import { lookOf } from '../../../style';
import { regionStyle, setStyle } from '../styles';
import { dashesOf, middleLine, type Primitive, type Rect, type SceneGroup } from '../../../scene';
import { type Placed } from './arrangement';
import { type SetName } from './names';

import { plainGroup } from './region-groups';

/** The frame around all sets, with the name of what they are taken from. */
export function frame(diagram: Venn, around: Rect, ink: string, name: string): SceneGroup {
  const stroke = lookOf(diagram).line;
  const box: Primitive = {
    type: 'box',
    shape: 'square',
    corner: 0,
    ...around,
    fill: regionStyle(diagram, 0).fill,
    stroke,
    strokeWidth: 1,
    dashed: false,
  };
  const face = sansFace(600, 'upright');
  const runs = name ? runsOf(name, face, 15) : [];
  const text: Primitive[] = name
    ? [
        {
          type: 'text',
          x: around.x + 12,
          y: around.y + 12 + capHeightOf(face, 15),
          size: 15,
          fill: ink,
          runs,
          part: 'note',
        },
      ]
    : [];
  return plainGroup({ for: 'region', id: '' }, name, around, [box, ...text]);
}

/** The curves with the names of their sets. */
export function outlines(
  diagram: Venn,
  sets: readonly VennSet[],
  layout: VennLayout,
  names: readonly SetName[],
  entries: readonly Placed[],
): SceneGroup[] {
  return sets.map((set, i) => {
    const ellipse = layout.ellipses[i]!;
    const style = setStyle(diagram, set.id);
    const { border, borderWidth, borderLine } = style;
    const line: Primitive[] =
      borderWidth > 0
        ? [
            {
              type: 'path',
              d: ellipsePath(ellipse),
              stroke: border,
              strokeWidth: borderWidth,
              ...dashesOf(borderLine),
            },
            ...middleLine({ ...style, fill: lookOf(diagram).ground }, ellipsePath(ellipse)),
          ]
        : [];
    const count = entries.filter(({ mask }) => (mask >> i) & 1).length;
    const { left, top, right, bottom } = extentOf([ellipse]);
    const bounds = { x: left, y: top, width: right - left, height: bottom - top };
    const label = `Set ${set.name || 'without a name'}, ${count} ${count === 1 ? 'entry' : 'entries'}`;
    return {
      ...plainGroup({ for: 'set', id: set.id }, label, bounds, [...line, ...names[i]!.primitives]),
      selectable: { outline: ellipsePath(ellipse), hit: 'area', course: [] },
    };
  });
}
