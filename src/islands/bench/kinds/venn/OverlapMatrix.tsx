import { Bar, BarChart, Cell, LabelList, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import type { VennFigures } from '../../../../core/kinds/venn';

const rowHeight = 22;
const labelWidth = 96;

/** Which sets meet, as columns of dots below bars of how many entries are in exactly those: readable where areas no longer are. */
export function OverlapMatrix({ figures, light }: { figures: VennFigures; light(masks: readonly number[]): void }) {
  const columns = figures.regions
    .filter(({ mask, count }) => mask > 0 && count > 0)
    .sort((a, b) => b.count - a.count || a.mask - b.mask);
  if (columns.length === 0) return <p className="text-sm text-muted">Nothing is in any set yet.</p>;
  const width = Math.max(columns.length * 24, 48);
  return (
    <div className="overflow-x-auto" aria-hidden="true" onPointerLeave={() => light([])}>
      <div style={{ width: labelWidth + width }}>
        <div style={{ marginLeft: labelWidth, height: 92 }}>
          <ResponsiveContainer width="100%" height="100%">
            <BarChart
              accessibilityLayer={false}
              data={columns.map(({ count, mask }) => ({ count, mask }))}
              margin={{ top: 16, left: 0, right: 0, bottom: 0 }}
              barCategoryGap="28%"
            >
              <XAxis dataKey="mask" hide />
              <YAxis hide />
              <Bar dataKey="count" isAnimationActive={false}>
                {columns.map(({ mask }) => (
                  <Cell key={mask} fill="var(--moss)" onPointerEnter={() => light([mask])} />
                ))}
                <LabelList dataKey="count" position="top" fill="var(--ink)" fontSize={12} />
              </Bar>
            </BarChart>
          </ResponsiveContainer>
        </div>
        <svg width={labelWidth + width} height={figures.sets.length * rowHeight + 4} className="block">
          {figures.sets.map((set, i) => (
            <g key={set.id}>
              {i % 2 === 0 && (
                <rect x={0} y={i * rowHeight} width={labelWidth + width} height={rowHeight} fill="var(--ground)" />
              )}
              <text x={labelWidth - 8} y={i * rowHeight + 15} textAnchor="end" fontSize={12.5} fill="var(--ink)">
                {set.name.length > 13 ? `${set.name.slice(0, 12)}…` : set.name}
              </text>
            </g>
          ))}
          {columns.map(({ mask }, c) => {
            const x = labelWidth + (c + 0.5) * (width / columns.length);
            const inside = figures.sets.flatMap((_, i) => ((mask >> i) & 1 ? [i] : []));
            return (
              <g key={mask} onPointerEnter={() => light([mask])}>
                <rect x={x - 11} y={0} width={22} height={figures.sets.length * rowHeight} fill="transparent" />
                {inside.length > 1 && (
                  <line
                    x1={x}
                    x2={x}
                    y1={inside[0]! * rowHeight + 11}
                    y2={inside.at(-1)! * rowHeight + 11}
                    stroke="var(--ink)"
                    strokeWidth={2}
                  />
                )}
                {figures.sets.map((set, i) => (
                  <circle
                    key={set.id}
                    cx={x}
                    cy={i * rowHeight + 11}
                    r={5}
                    fill={(mask >> i) & 1 ? 'var(--ink)' : 'var(--hair)'}
                  />
                ))}
              </g>
            );
          })}
        </svg>
      </div>
    </div>
  );
}
