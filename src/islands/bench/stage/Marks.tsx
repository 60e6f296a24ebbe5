import type { SceneGroup } from '../../../core/scene';
import { useBench } from '../context';

const around = ({ x, y, bounds }: SceneGroup, by: number): string =>
  `M${x - by} ${y - by}h${bounds.width + 2 * by}v${bounds.height + 2 * by}h${-bounds.width - 2 * by}Z`;

/** What is selected, lit, or about to receive a dragged branch. */
export function Marks({ target }: { target: string | null }) {
  const scene = useBench((state) => state.drawn.scene);
  const trial = useBench((state) => state.trial);
  const selected = useBench((state) => state.selected);
  const lit = useBench((state) => state.lit);
  if (trial || (selected === null && lit.size === 0 && target === null)) return null;
  const { drawing } = scene;
  const find = (wanted: (id: string) => boolean) =>
    scene.groups.filter((group) => group.stands.for === 'entry' && wanted(group.stands.id));
  const litPath =
    lit.size > 0
      ? find((id) => lit.has(id))
          .map((group) => around(group, 3))
          .join('')
      : '';
  const chosen = selected === null ? undefined : find((id) => id === selected)[0];
  const over = target === null ? undefined : find((id) => id === target)[0];
  return (
    <g
      transform={`translate(${drawing.x} ${drawing.y}) scale(${drawing.scale})`}
      pointerEvents="none"
      aria-hidden="true"
      fill="none"
    >
      {litPath && (
        <path
          d={litPath}
          stroke="#2f6148"
          fill="#2f614822"
          strokeWidth={2}
          vectorEffect="non-scaling-stroke"
          data-testid="lit"
        />
      )}
      {chosen && (
        <path
          d={around(chosen, 5)}
          stroke="#9a6614"
          strokeWidth={2}
          vectorEffect="non-scaling-stroke"
          data-testid="selected"
        />
      )}
      {over && (
        <path
          d={around(over, 5)}
          stroke="#2f6148"
          strokeWidth={3}
          vectorEffect="non-scaling-stroke"
          data-testid="target"
        />
      )}
    </g>
  );
}
