import { memo } from 'react';
import type { Scene } from '../../core/scene';
import { Group, Outline } from './SceneShapes';

/** A whole Scene as a still picture that fits its frame. `small`: lines and boxes only. */
export const Picture = memo(function Picture({
  scene,
  small,
  label,
}: {
  scene: Scene;
  small?: boolean;
  label: string;
}) {
  const { sheet, drawing } = scene;
  const inner = small
    ? { x: -8, y: -8, width: drawing.width + 16, height: drawing.height + 16 }
    : { x: 0, y: 0, width: sheet.width, height: sheet.height };
  return (
    <svg
      viewBox={`${inner.x} ${inner.y} ${inner.width} ${inner.height}`}
      className="drawing h-full w-full"
      role={label ? 'img' : undefined}
      aria-label={label || undefined}
      aria-hidden={label ? undefined : true}
    >
      {small && scene.entriesAs === 'boxes' ? (
        <Outline groups={scene.groups} edges="exact" />
      ) : (
        <g aria-hidden="true">
          {!small && <rect width={sheet.width} height={sheet.height} fill={sheet.ground} />}
          {!small && scene.notes.map((group) => <Group key={group.stands.id} group={group} />)}
          <g transform={small ? undefined : `translate(${drawing.x} ${drawing.y}) scale(${drawing.scale})`}>
            {scene.groups.map((group) => (
              <Group key={group.stands.for + group.stands.id} group={group} />
            ))}
          </g>
        </g>
      )}
    </svg>
  );
});
