import { useEffect, useMemo, useState } from 'react';
import { Group, Outline } from '../../drawing/SceneShapes';
import { useBench, useParts } from '../context';
import { overlap } from '../../../core/arrange/graph';
import { partsOf } from '../kinds';
import { isOutlineOnly, visiblePart, type View } from '../view';

/** Around what is seen, this much is drawn too, so that small moves need no new drawing. */
const marginPx = 240;
const renewPx = 100;

/** The sheet with what of the drawing is in view. */
export function Sheet() {
  const { view } = useParts();
  const scene = useBench((state) => (state.trial ?? state.drawn).scene);
  const glides = useBench((state) => partsOf(state.diagram.kind).glides === true);
  const [seen, setSeen] = useState<View & { width: number; height: number }>(() => view.getState());
  useEffect(
    () =>
      view.subscribe((now) => {
        setSeen((before) => {
          const moved =
            Math.abs(now.x - before.x) > marginPx - renewPx || Math.abs(now.y - before.y) > marginPx - renewPx;
          const zoomed =
            now.k / before.k > 1.15 ||
            before.k / now.k > 1.15 ||
            isOutlineOnly(now, scene.drawing) !== isOutlineOnly(before, scene.drawing);
          return moved || zoomed || now.width !== before.width || now.height !== before.height ? now : before;
        });
      }),
    [view, scene.drawing],
  );
  const { sheet, drawing } = scene;
  // Regions are few and need their fills; only boxes are drawn as outlines when they are tiny.
  const plain = scene.entriesAs === 'boxes' && isOutlineOnly(seen, drawing);
  const groups = useMemo(() => {
    if (plain) return scene.groups;
    const part = visiblePart(seen, seen, drawing, marginPx);
    return scene.groups.filter(({ x, y, bounds }) =>
      overlap(part, { x: x + bounds.x, y: y + bounds.y, width: bounds.width, height: bounds.height }),
    );
  }, [plain, scene.groups, seen, drawing]);
  return (
    <>
      <rect
        x={-1 / seen.k}
        y={-1 / seen.k}
        width={sheet.width + 2 / seen.k}
        height={sheet.height + 2 / seen.k}
        fill="var(--hair)"
      />
      <rect width={sheet.width} height={sheet.height} fill={sheet.ground} />
      {scene.notes.map((group) => (
        <Group key={group.stands.id} group={group} />
      ))}
      <g
        className={glides ? 'glides' : undefined}
        transform={`translate(${drawing.x} ${drawing.y}) scale(${drawing.scale})`}
        role="list"
        aria-label={scene.description}
      >
        {plain ? (
          <Outline groups={scene.groups} edges={scene.groups.length > 1500 ? 'whole' : 'exact'} />
        ) : (
          groups.map((group) => <Group key={group.stands.for + group.stands.id} group={group} />)
        )}
      </g>
    </>
  );
}
