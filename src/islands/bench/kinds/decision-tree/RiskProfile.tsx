import { Bar, BarChart, LabelList, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import {
  formatAmount,
  formatProbability,
  type AnalysisFigures,
  type DecisionManner,
} from '../../../../core/kinds/decision-tree';
import { axis } from '../../panels/chart-axis';

const mostBars = 14;

/** What the best plan may come to, and how likely each is. */
export function RiskProfile({ risk, manner }: { risk: AnalysisFigures['risk']; manner: DecisionManner }) {
  const likely = risk.filter(({ probability }) => probability > 0);
  if (likely.length < 2) return null;
  const rows = likely.map(({ value, probability }) => ({
    label: formatAmount(value, manner),
    probability,
    told: formatProbability(probability),
  }));
  return (
    <section aria-label="What may come of it" className="mb-5">
      <h2 className="label mb-1 font-sans">What the best plan may come to</h2>
      {rows.length <= mostBars && (
        <div aria-hidden="true" style={{ height: rows.length * 26 + 10 }}>
          <ResponsiveContainer width="100%" height="100%">
            <BarChart accessibilityLayer={false} layout="vertical" data={rows} margin={{ right: 44, left: 20 }}>
              <XAxis type="number" hide domain={[0, 'dataMax']} />
              <YAxis type="category" dataKey="label" width={70} {...axis(12)} axisLine={false} interval={0} />
              <Bar dataKey="probability" fill="var(--moss)" isAnimationActive={false}>
                <LabelList dataKey="told" position="right" fill="var(--ink)" fontSize={12} />
              </Bar>
            </BarChart>
          </ResponsiveContainer>
        </div>
      )}
      <table className={rows.length <= mostBars ? 'sr-only' : 'w-full text-sm'}>
        <thead>
          <tr className="text-left text-muted">
            <th className="font-normal">Comes to</th>
            <th className="text-right font-normal">Probability</th>
          </tr>
        </thead>
        <tbody>
          {rows.slice(0, 200).map((row) => (
            <tr key={row.label} className="border-t border-hair">
              <td>{row.label}</td>
              <td className="text-right">{row.told}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
