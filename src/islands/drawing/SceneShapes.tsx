import { memo } from 'react';
import { faceCss } from '../../core/measure';
import { boxOutline, dashPattern, type Primitive, type SceneGroup } from '../../core/scene';

const dash = (width: number): string => dashPattern(width).join(' ');

function Shape({ primitive }: { primitive: Primitive }) {
  switch (primitive.type) {
    case 'box':
      return (
        <path
          d={boxOutline(primitive)}
          fill={primitive.fill}
          stroke={primitive.strokeWidth > 0 ? primitive.stroke : 'none'}
          strokeWidth={primitive.strokeWidth}
          strokeDasharray={primitive.dashed ? dash(primitive.strokeWidth) : undefined}
        />
      );
    case 'path':
      return (
        <path
          d={primitive.d}
          fill="none"
          stroke={primitive.stroke}
          strokeWidth={primitive.strokeWidth}
          strokeDasharray={primitive.dashed ? dash(primitive.strokeWidth) : undefined}
        />
      );
    case 'text': {
      let x = primitive.x;
      return primitive.runs.map((run, i) => {
        const { family, weight, italic } = faceCss(run.face);
        const at = x;
        x += run.width;
        return (
          <text
            key={i}
            x={at}
            y={primitive.y}
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
      role={group.label ? (group.stands.for === 'note' ? 'img' : 'listitem') : undefined}
      aria-label={group.label || undefined}
      aria-hidden={group.label ? undefined : true}
    >
      <Content shapes={group.children} />
    </g>
  );
});

interface Flat {
  readonly fill: string;
  readonly stroke: string;
  readonly d: string;
}
const flats = new WeakMap<SceneGroup, Flat | null>();

/** The box of a group as one piece of path in drawing coordinates; kept per group, which never changes in place. */
function flatBox(group: SceneGroup, square: boolean): Flat | null {
  let flat = flats.get(group);
  if (flat === undefined) {
    const box = group.children.find((primitive) => primitive.type === 'box');
    const placed = box && {
      ...box,
      shape: square ? ('square' as const) : box.shape,
      x: group.x + box.x,
      y: group.y + box.y,
    };
    flat = placed ? { fill: placed.fill, stroke: placed.stroke, d: boxOutline(placed) } : null;
    flats.set(group, flat);
  }
  return flat;
}

/** A Scene's groups where text could not be read anyway: lines, and boxes of one colour in one path. */
export const Outline = memo(function Outline({ groups, square }: { groups: readonly SceneGroup[]; square: boolean }) {
  const byFill = new Map<string, { fill: string; stroke: string; d: string[] }>();
  const lines = new Map<string, string[]>();
  for (const group of groups) {
    const box = flatBox(group, square);
    if (box) {
      const key = box.fill + box.stroke;
      const shelf = byFill.get(key);
      if (shelf) shelf.d.push(box.d);
      else byFill.set(key, { fill: box.fill, stroke: box.stroke, d: [box.d] });
      continue;
    }
    for (const primitive of group.children) {
      if (primitive.type !== 'path') continue;
      const known = lines.get(primitive.stroke);
      if (known) known.push(primitive.d);
      else lines.set(primitive.stroke, [primitive.d]);
    }
  }
  return (
    <g aria-hidden="true">
      {[...lines].map(([stroke, d]) => (
        <path
          key={stroke}
          d={d.join('')}
          fill="none"
          stroke={stroke}
          strokeWidth={0.8}
          vectorEffect="non-scaling-stroke"
        />
      ))}
      {[...byFill.values()].map(({ fill, stroke, d }) => (
        <path
          key={fill + stroke}
          d={d.join('')}
          fill={fill}
          stroke={stroke}
          strokeWidth={0.5}
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </g>
  );
});
