import { memo, useId } from 'react';
import { faceCss, isOfScript } from '../../core/measure';
import { boxOutline, clipOf, dashPattern, type BoxPrimitive, type Primitive, type SceneGroup } from '../../core/scene';

const dash = (width: number, line: 'dashed' | 'dotted' = 'dashed'): string => dashPattern(width, line).join(' ');

/** Letters of scripts keep the forms their font joins them in. */
const asItsScript = { fontVariantLigatures: 'normal' } as const;

function Box({ box, fill }: { box: BoxPrimitive; fill: string }) {
  return (
    <path
      d={boxOutline(box)}
      fill={fill}
      fillOpacity={box.cover}
      stroke={box.strokeWidth > 0 ? box.stroke : 'none'}
      strokeWidth={box.strokeWidth}
      strokeDasharray={box.dashed || box.dotted ? dash(box.strokeWidth, box.dotted ? 'dotted' : 'dashed') : undefined}
    />
  );
}

/** A box whose fill grows evenly from the colour at its upper edge to its own. */
function FadingBox({ box }: { box: BoxPrimitive }) {
  const id = useId();
  return (
    <>
      <linearGradient id={id} x1="0" y1="0" x2="0" y2="1">
        <stop offset="0" stopColor={box.fade} />
        <stop offset="1" stopColor={box.fill} />
      </linearGradient>
      <Box box={box} fill={`url(#${id})`} />
    </>
  );
}

function Shape({ primitive }: { primitive: Primitive }) {
  switch (primitive.type) {
    case 'box':
      return primitive.fade ? <FadingBox box={primitive} /> : <Box box={primitive} fill={primitive.fill} />;
    case 'path':
      return (
        <path
          d={primitive.d}
          fill={primitive.fill ?? 'none'}
          fillRule="evenodd"
          fillOpacity={primitive.cover}
          stroke={primitive.stroke}
          strokeWidth={primitive.strokeWidth}
          strokeDasharray={
            primitive.dashed || primitive.dotted
              ? dash(primitive.strokeWidth, primitive.dotted ? 'dotted' : 'dashed')
              : undefined
          }
        />
      );
    case 'image': {
      const { x, y, width, height } = primitive.whole ?? primitive;
      return (
        <image
          href={`/api/pictures/${primitive.image}`}
          {...{ x, y, width, height }}
          preserveAspectRatio={primitive.crop && 'xMidYMid slice'}
          style={primitive.crop && { clipPath: clipOf(primitive) }}
        />
      );
    }
    case 'curvedText':
      return primitive.glyphs.map(({ text, face, x, y, turn }, i) => {
        const { family, weight, italic } = faceCss(face);
        return (
          <text
            key={i}
            transform={`rotate(${turn} ${x} ${y})`}
            x={x}
            y={y}
            fontFamily={`'${family}', 'Noto Sans', sans-serif`}
            fontSize={primitive.size}
            fontWeight={weight}
            fontStyle={italic ? 'italic' : undefined}
            fill={primitive.fill}
          >
            {text}
          </text>
        );
      });
    case 'text': {
      let x = primitive.x;
      return primitive.runs.map((run, i) => {
        const { family, weight, italic } = faceCss(run.face);
        const at = x;
        x += run.width;
        return (
          <text
            key={i}
            x={run.rtl ? at + run.width : at}
            y={primitive.y}
            direction={run.rtl && 'rtl'}
            unicodeBidi={run.rtl && 'bidi-override'}
            style={isOfScript(run.face) ? asItsScript : undefined}
            fontFamily={`'${family}', 'Noto Sans', sans-serif`}
            fontSize={primitive.size}
            fontWeight={weight}
            fontStyle={italic ? 'italic' : undefined}
            fill={primitive.fill}
          >
            {run.text}
          </text>
        );
      });
    }
  }
}

const Content = memo(function Content({ shapes }: { shapes: readonly Primitive[] }) {
  return shapes.map((primitive, i) => <Shape key={i} primitive={primitive} />);
});

/** One group of a Scene. Its content is drawn anew only when it changed; a move changes the place alone. */
export const Group = memo(function Group({ group }: { group: SceneGroup }) {
  return (
    <g
      transform={`translate(${group.x} ${group.y})`}
      data-entry={group.stands.for === 'entry' ? group.stands.id : undefined}
      data-region={group.stands.for === 'region' ? group.stands.id : undefined}
      role={group.label ? (group.stands.for === 'note' ? 'img' : 'listitem') : undefined}
      aria-label={group.label || undefined}
      aria-hidden={group.label ? undefined : true}
    >
      <Content shapes={group.children} />
    </g>
  );
});

/** The box of an entry, which is the first that is drawn of it, but for soft edges below it; null for other groups. */
const boxOf = ({ children, stands }: SceneGroup) => {
  const [first] = children;
  if (first?.type === 'box') return first;
  return stands.for === 'entry' ? (children.find((one) => one.type === 'box') ?? null) : null;
};

/** How exactly boxes are drawn: in whole px of the drawing where they are so far out that it cannot be seen. */
export type Edges = 'exact' | 'whole';

/** The box of a group as one piece of path in drawing coordinates; empty for a group that is no box. */
function flatBox(group: SceneGroup, edges: Edges): string {
  const box = boxOf(group);
  if (!box) return '';
  const x = group.x + box.x;
  const y = group.y + box.y;
  return edges === 'whole'
    ? `M${Math.round(x)} ${Math.round(y)}h${Math.round(box.width)}v${Math.round(box.height)}h${-Math.round(box.width)}z`
    : boxOutline({ ...box, x, y });
}

/** The last groups with their boxes: one that is still at its place in the list is not drawn anew. */
const last: { edges: Edges; groups: readonly SceneGroup[]; boxes: readonly string[] } = {
  edges: 'exact',
  groups: [],
  boxes: [],
};

function flatBoxes(groups: readonly SceneGroup[], edges: Edges): readonly string[] {
  const { groups: before, boxes: known } = last.edges === edges ? last : { groups: [], boxes: [] };
  const boxes = groups.map((group, i) => (before[i] === group ? known[i]! : flatBox(group, edges)));
  return Object.assign(last, { edges, groups, boxes }).boxes;
}

interface Sheaf {
  readonly key: string;
  readonly fill: string;
  readonly stroke: string;
  readonly parts: string[];
}

/** About how many groups lie in one part of the drawing, so that painting a part of it need not go through all of them. */
const inOnePart = 80;

/** Tells which part of the drawing a group lies in: the parts are a grid over all of them. */
function partsOf(groups: readonly SceneGroup[]): (group: SceneGroup) => number {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { x, y } of groups) {
    left = Math.min(left, x);
    right = Math.max(right, x);
    top = Math.min(top, y);
    bottom = Math.max(bottom, y);
  }
  const side = Math.max(1, Math.round(Math.sqrt(groups.length / inOnePart)));
  const at = (value: number, low: number, high: number): number =>
    high > low ? Math.min(side - 1, Math.floor((side * (value - low)) / (high - low))) : 0;
  return ({ x, y }) => at(x, left, right) * side + at(y, top, bottom);
}

/** Boxes of one colour, and lines of one colour, each as the pieces of one path in each part of the drawing. Lines first. */
function sheaves(groups: readonly SceneGroup[], edges: Edges): Sheaf[] {
  const lines = new Map<string, Map<string, Map<number, Sheaf>>>();
  const boxes = new Map<string, Map<string, Map<number, Sheaf>>>();
  const partOf = partsOf(groups);
  const put = (into: typeof lines, fill: string, stroke: string, part: number, d: string) => {
    const alike = within(within(into, fill), stroke);
    const known = alike.get(part);
    if (known) known.parts.push(d);
    else alike.set(part, { key: `${fill} ${stroke} ${part}`, fill, stroke, parts: [d] });
  };
  const flat = flatBoxes(groups, edges);
  groups.forEach((group, i) => {
    const box = boxOf(group);
    const part = partOf(group);
    if (box) put(boxes, box.fill, box.stroke, part, flat[i]!);
    else
      for (const primitive of group.children)
        if (primitive.type === 'path') put(lines, 'none', primitive.stroke, part, primitive.d);
  });
  return [lines, boxes].flatMap((all) =>
    [...all.values()].flatMap((byStroke) => [...byStroke.values()].flatMap((byPart) => [...byPart.values()])),
  );
}

function within<K, V>(map: Map<string, Map<K, V>>, key: string): Map<K, V> {
  let found = map.get(key);
  if (!found) map.set(key, (found = new Map()));
  return found;
}

const OneSheaf = memo(
  function OneSheaf({ sheaf: { fill, stroke, parts } }: { sheaf: Sheaf }) {
    return (
      <path
        d={parts.join('')}
        fill={fill}
        stroke={stroke}
        strokeWidth={fill === 'none' ? 0.8 : 0.5}
        vectorEffect="non-scaling-stroke"
      />
    );
  },
  ({ sheaf: a }, { sheaf: b }) =>
    a.fill === b.fill &&
    a.stroke === b.stroke &&
    a.parts.length === b.parts.length &&
    a.parts.every((part, j) => part === b.parts[j]),
);

/** A Scene's groups where text could not be read anyway: lines, and boxes of one colour in a few paths. */
export const Outline = memo(function Outline({ groups, edges }: { groups: readonly SceneGroup[]; edges: Edges }) {
  return (
    <g aria-hidden="true" shapeRendering={edges === 'whole' ? 'optimizeSpeed' : undefined}>
      {sheaves(groups, edges).map((sheaf) => (
        <OneSheaf key={sheaf.key} sheaf={sheaf} />
      ))}
    </g>
  );
});
