import type { Rect, SceneGroup, Stands } from '../../../core/scene';
import { useBench } from '../context';
import type { DropPlan } from '../kinds';
import { isPicked } from '../selection';

const keyOf = ({ for: what, id }: Stands): string => `${what} ${id}`;
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
export function Marks({ target, framed }: { target: DropPlan['target']; framed: Rect | null }) {
  const scene = useBench((state) => state.drawn.scene);
  const trial = useBench((state) => state.trial);
  const selection = useBench((state) => state.selection);
  const lit = useBench((state) => state.lit);
  const litRegions = useBench((state) => state.litRegions);
  const nothing = selection.length === 0 && lit.size === 0 && litRegions.size === 0;
  if (trial || (nothing && target === null && framed === null)) return null;
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
  const ids = new Set(selection.map(({ id }) => id));
  const chosen =
    selection.length === 0
      ? []
      : scene.groups.filter(({ stands }) => ids.has(stands.id) && isPicked(selection, stands));
  const first = selection.at(-1);
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
      {chosen.map((group) => (
        <Outline
          key={keyOf(group.stands)}
          group={group}
          by={close ? 3 : 5}
          stroke="#9a6614"
          strokeWidth={group.selectable?.hit === 'line' ? 4 : 2}
          strokeOpacity={group.selectable?.hit === 'line' ? 0.4 : 1}
          strokeDasharray={chosen.length > 1 && first && keyOf(first) !== keyOf(group.stands) ? '5 3' : undefined}
          data-testid="selected"
        />
      ))}
      {framed && (
        <rect
          {...framed}
          stroke="#9a6614"
          fill="#9a661414"
          strokeWidth={1}
          vectorEffect="non-scaling-stroke"
          data-testid="frame"
        />
      )}
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
