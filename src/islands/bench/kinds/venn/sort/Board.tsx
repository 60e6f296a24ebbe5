import { useRef } from 'react';
import { outsideness } from '../../../../../core/arrange/curves';
import { keyOfMask, type VennScene, type VennSet } from '../../../../../core/kinds/venn';
import { Picture } from '../../../../drawing/Picture';

/** The region under a point of the window, by mask; null beside the sheet. */
export type RegionAt = (clientX: number, clientY: number) => number | null;

interface BoardProps {
  readonly scene: VennScene;
  readonly sets: readonly VennSet[];
  /** The region a name is held over. */
  readonly lit: number | null;
  /** Entries that were checked: whether they are where they belong. */
  readonly marks: ReadonlyMap<string, boolean>;
  readonly label: string;
  onReady(regionAt: RegionAt): void;
  onPick(entry: string, event: React.PointerEvent): void;
}

/** The drawing as far as it is sorted; names in it can be taken up again. */
export function Board({ scene, sets, lit, marks, label, onReady, onPick }: BoardProps) {
  const overlay = useRef<SVGSVGElement>(null);
  const { sheet, drawing } = scene;
  const attach = (svg: SVGSVGElement | null) => {
    overlay.current = svg;
    if (!svg) return;
    onReady((clientX, clientY) => {
      const toSheet = svg.getScreenCTM()?.inverse();
      if (!toSheet) return null;
      const at = new DOMPoint(clientX, clientY).matrixTransform(toSheet);
      if (at.x < 0 || at.y < 0 || at.x > sheet.width || at.y > sheet.height) return null;
      const [x, y] = [(at.x - drawing.x) / drawing.scale, (at.y - drawing.y) / drawing.scale];
      return scene.curves.reduce((mask, curve, i) => (outsideness(curve, x, y) < 0 ? mask | (1 << i) : mask), 0);
    });
  };
  const region =
    lit === null
      ? undefined
      : scene.groups.find(({ stands }) => stands.for === 'region' && stands.id === keyOfMask(sets, lit));
  const shape = region?.children.find((one) => one.type === 'path');
  return (
    <div className="relative h-full w-full">
      <div className="absolute inset-0">
        <Picture scene={scene} label={label} />
      </div>
      <svg
        ref={attach}
        viewBox={`0 0 ${sheet.width} ${sheet.height}`}
        className="absolute inset-0 h-full w-full touch-none"
        aria-hidden="true"
      >
        <g transform={`translate(${drawing.x} ${drawing.y}) scale(${drawing.scale})`}>
          {region && shape && (
            <path
              data-testid="lit-region"
              transform={`translate(${region.x} ${region.y})`}
              d={shape.d}
              fill="#ffffff88"
              stroke="#2f6148"
              strokeWidth={3}
            />
          )}
          {scene.groups
            .filter(({ stands }) => stands.for === 'entry')
            .map(({ stands, x, y, bounds }) => {
              const mark = marks.get(stands.id);
              return (
                <rect
                  key={stands.id}
                  className="cursor-grab"
                  x={x - 3}
                  y={y - 1}
                  width={bounds.width + 6}
                  height={bounds.height + 2}
                  fill="transparent"
                  stroke={mark === undefined ? 'none' : mark ? '#2f6148' : '#a03a2a'}
                  strokeWidth={mark === undefined ? 0 : 1.75}
                  strokeDasharray={mark === false ? '4 3' : undefined}
                  onPointerDown={(event) => onPick(stands.id, event)}
                />
              );
            })}
        </g>
      </svg>
    </div>
  );
}
