import type { SceneGroup } from '../../../core/scene';
import { useBench } from '../context';
import type { DropPlan } from '../kinds';

const around = ({ x, y, bounds }: SceneGroup, by: number): string =>
  `M${x + bounds.x - by} ${y + bounds.y - by}h${bounds.width + 2 * by}v${bounds.height + 2 * by}h${-bounds.width - 2 * by}Z`;

/** The outline of what can be selected; of an entry the box around it. */
function Outline({ group, by, ...rest }: { group: SceneGroup; by: number } & React.SVGProps<SVGPathElement>) {
  const { selectable } = group;
  return selectable ? (
    <path
      transform={`translate(${group.x} ${group.y})`}
      d={selectable.outline}
      vectorEffect="non-scaling-stroke"
      {...rest}
    />
  ) : (
    <path d={around(group, by)} vectorEffect="non-scaling-stroke" {...rest} />
  );
}

/** What is selected, lit, or about to receive what is dragged. */
export function Marks({ target }: { target: DropPlan['target'] }) {
  const scene = useBench((state) => state.drawn.scene);
  const trial = useBench((state) => state.trial);
  const selected = useBench((state) => state.selected);
  const lit = useBench((state) => state.lit);
  const litRegions = useBench((state) => state.litRegions);
  if (trial || (selected === null && lit.size === 0 && litRegions.size === 0 && target === null)) return null;
  const { drawing } = scene;
  const close = scene.entriesAs === 'names';
  const find = (wanted: (id: string) => boolean) =>
    scene.groups.filter((group) => group.stands.for === 'entry' && wanted(group.stands.id));
  const litPath =
    lit.size > 0
      ? find((id) => lit.has(id))
          .map((group) => around(group, close ? 1 : 3))
          .join('')
      : '';
  const chosen = selected === null ? undefined : find((id) => id === selected)[0];
  const regions = scene.groups.filter(({ stands }) => stands.for === 'region' && litRegions.has(stands.id));
  const under = target && scene.groups.find(({ stands }) => stands.for === target.for && stands.id === target.id);
  return (
    <g
      transform={`translate(${drawing.x} ${drawing.y}) scale(${drawing.scale})`}
      pointerEvents="none"
      aria-hidden="true"
      fill="none"
    >
      {regions.map((group) => (
        <Outline
          key={group.stands.id}
          group={group}
          by={-3}
          fill="#ffffff22"
          stroke="#2f6148"
          strokeWidth={3}
          data-testid="lit-region"
        />
      ))}
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
      {chosen && <Outline group={chosen} by={close ? 3 : 5} stroke="#9a6614" strokeWidth={2} data-testid="selected" />}
      {under && (
        <Outline
          group={under}
          by={5}
          fill={target.for === 'entry' ? 'none' : '#ffffff44'}
          stroke="#2f6148"
          strokeWidth={target.for === 'entry' ? 3 : 4}
          data-testid={target.for === 'entry' ? 'target' : `lit-${target.for}`}
        />
      )}
    </g>
  );
}
