import { flattened, regionPath, type Scaled, type VennLayout } from '../../../arrange/curves';
import { capHeightOf, runsOf, sansFace, widthOfRuns } from '../../../measure';
import { keyOfMask, type VennSet, type Venn } from '../model';
import { own } from '../../../model';
import { lookOf } from '../../../style';
import { regionStyle } from '../styles';
import { hatchPath } from './hatch';
import { dashesOf, middleLine, type Primitive, type Rect, type SceneGroup } from '../../../scene';
import { regionWords } from '../region-words';
import { sizeOfTitle, titleFace, type Placed } from './arrangement';

export const plainGroup = (
  stands: SceneGroup['stands'],
  label: string,
  bounds: Rect,
  children: readonly Primitive[],
): SceneGroup => ({ type: 'group', stands, label, x: 0, y: 0, bounds, children });

const hatchApart = 6;

/** The regions in their fills, hatched where they stand for nothing, with their counts where those are shown. */
export function fills(
  diagram: Venn,
  sets: readonly VennSet[],
  layout: VennLayout,
  entries: readonly Placed[],
  ink: string,
  scaled: Scaled | null,
): SceneGroup[] {
  return layout.regions.map(({ mask, region, bounds: area, middle }) => {
    const style = regionStyle(diagram, mask);
    const inside = entries.filter((one) => one.mask === mask).length;
    const d = regionPath(layout.ellipses, region.loops);
    const children: Primitive[] = [
      {
        type: 'path',
        d,
        fill: style.fill,
        stroke: style.border,
        strokeWidth: style.borderWidth,
        ...dashesOf(style.borderLine),
        ...(style.cover < 100 && { cover: style.cover / 100 }),
      },
      ...middleLine(style, d),
    ];
    // A region the shapes cannot do without, though nothing is in it: hatched, so that its area is not read as an amount.
    if (scaled?.unwanted.includes(mask)) {
      const loops = region.loops.map((loop) => flattened(layout.ellipses, loop));
      const stroke = lookOf(diagram).line;
      children.push({ type: 'path', d: hatchPath(loops, hatchApart), stroke, strokeWidth: 0.75, dashed: false });
    }
    if (diagram.venn.manner.content === 'counts' && !scaled?.unwanted.includes(mask)) {
      const size = Math.max(12, Math.min(30, middle.room * 0.5));
      const face = sansFace(600, 'upright');
      const runs = runsOf(String(inside), face, size);
      const width = widthOfRuns(runs);
      const y = middle.y + capHeightOf(face, size) / 2;
      children.push({ type: 'text', x: middle.x - width / 2, y, size, fill: style.text ?? ink, runs, part: 'detail' });
    }
    const title = own(diagram.venn.regions, keyOfMask(sets, mask))?.title;
    const label = `${title ? `${title}: ` : ''}${regionWords(sets, mask)}, ${inside} ${inside === 1 ? 'entry' : 'entries'}`;
    const bounds = { x: area.left, y: area.top, width: area.right - area.left, height: area.bottom - area.top };
    return {
      ...plainGroup({ for: 'region', id: keyOfMask(sets, mask) }, label, bounds, children),
      selectable: { outline: d, hit: 'area', course: [] },
    };
  });
}

/** Titles of regions, where there is room. */
export function regionTitles(
  diagram: Venn,
  sets: readonly VennSet[],
  layout: VennLayout,
  entries: readonly Placed[],
): SceneGroup[] {
  return layout.regions.flatMap(({ mask, title, places, middle }) => {
    const text = own(diagram.venn.regions, keyOfMask(sets, mask))?.title;
    if (!text || places === null) return [];
    const style = regionStyle(diagram, mask);
    const { width, height } = sizeOfTitle(text, style);
    const alone = entries.every((one) => one.mask !== mask);
    const at = title ?? (alone ? { x: middle.x - width / 2, y: middle.y - height / 2 } : null);
    if (!at) return [];
    const y = at.y + (height + capHeightOf(titleFace, style.nameSize)) / 2;
    const runs = runsOf(text, titleFace, style.nameSize);
    return [
      plainGroup({ for: 'note', id: `title-${keyOfMask(sets, mask)}` }, '', { ...at, width, height }, [
        { type: 'text', x: at.x, y, size: style.nameSize, fill: style.text, runs, part: 'name' },
      ]),
    ];
  });
}
