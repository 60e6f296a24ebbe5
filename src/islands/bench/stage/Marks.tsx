import { ellipsePath } from '../../../core/arrange';
import type { SceneGroup } from '../../../core/scene';
import { useBench } from '../context';
import type { DropPlan } from '../kinds';

const around = ({ x, y, bounds }: SceneGroup, by: number): string =>
  `M${x - by} ${y - by}h${bounds.width + 2 * by}v${bounds.height + 2 * by}h${-bounds.width - 2 * by}Z`;

/** What is selected, lit, or about to receive a dragged branch. */
export function Marks({ target }: { target: DropPlan['target'] }) {
  const scene = useBench((state) => state.drawn.scene);
  const trial = useBench((state) => state.trial);
  const selected = useBench((state) => state.selected);
  const lit = useBench((state) => state.lit);
  const litRegions = useBench((state) => state.litRegions);
  if (trial || (selected === null && lit.size === 0 && litRegions.size === 0 && target === null)) return null;
  const { drawing } = scene;
  // Names in regions stand close together: their marks are thin and near, so as not to meet.
  const close = scene.curves !== undefined;
  const find = (wanted: (id: string) => boolean) =>
    scene.groups.filter((group) => group.stands.for === 'entry' && wanted(group.stands.id));
  const litPath =
    lit.size > 0
      ? find((id) => lit.has(id))
          .map((group) => around(group, close ? 1 : 3))
          .join('')
      : '';
  const chosen = selected === null ? undefined : find((id) => id === selected)[0];
  const over = target?.for === 'entry' ? find((id) => id === target.id)[0] : undefined;
  const curveOf = (set: string): string | null => {
    const at = scene.groups.filter(({ stands }) => stands.for === 'set').findIndex(({ stands }) => stands.id === set);
    const curve = scene.curves?.[at];
    return curve ? ellipsePath(curve) : null;
  };
  const regions = scene.groups.filter(
    ({ stands }) =>
      stands.for === 'region' && (litRegions.has(stands.id) || (target?.for === 'region' && target.id === stands.id)),
  );
  return (
    <g
      transform={`translate(${drawing.x} ${drawing.y}) scale(${drawing.scale})`}
      pointerEvents="none"
      aria-hidden="true"
      fill="none"
    >
      {regions.map((group) => {
        const shape = group.children.find((primitive) => primitive.type === 'path');
        const d = shape?.d ?? around({ ...group, x: group.bounds.x, y: group.bounds.y }, -3);
        return (
          <path
            key={group.stands.id}
            transform={`translate(${group.x} ${group.y})`}
            d={d}
            fill="#ffffff22"
            stroke="#2f6148"
            strokeWidth={3}
            vectorEffect="non-scaling-stroke"
            data-testid="lit-region"
          />
        );
      })}
      {litPath && (
        <path
          d={litPath}
          stroke="#2f6148"
          fill={close ? '#2f614810' : '#2f614822'}
          strokeWidth={close ? 1.25 : 2}
          vectorEffect="non-scaling-stroke"
          data-testid="lit"
        />
      )}
      {chosen && (
        <path
          d={around(chosen, close ? 3 : 5)}
          stroke="#9a6614"
          strokeWidth={2}
          vectorEffect="non-scaling-stroke"
          data-testid="selected"
        />
      )}
      {target?.for === 'set' && curveOf(target.id) && (
        <path
          d={curveOf(target.id)!}
          stroke="#2f6148"
          fill="#ffffff55"
          strokeWidth={4}
          vectorEffect="non-scaling-stroke"
          data-testid="lit-set"
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
