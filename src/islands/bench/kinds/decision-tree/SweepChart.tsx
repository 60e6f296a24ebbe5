import { useMemo, useState } from 'react';
import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import {
  crossings,
  parseAmount,
  parseProbability,
  sweep,
  type Input,
  type ValueTree,
} from '../../../../core/kinds/decision-tree';
import { axis } from '../../panels/chart-axis';

const colours = ['var(--moss)', 'var(--brass)', 'var(--brick)', 'var(--ink)', 'var(--muted)'];
const dashes = ['', '6 3', '2 3', '8 2 2 2', '1 2'];
const points = 41;
const mostOptions = 5;

/** What each choice comes to as one number goes through a range, with the places where another becomes the best. */
export function SweepChart({
  tree,
  input,
  range,
  now,
  words,
  told,
  amount,
  optionName,
}: {
  tree: ValueTree;
  input: Input;
  range: readonly [number, number];
  now: number;
  words: string;
  told: (value: number) => string;
  amount: (value: number) => string;
  optionName: (k: number) => string;
}) {
  const [typed, setTyped] = useState({ low: '', high: '' });
  const read = (text: string) =>
    input.what === 'probability' ? parseProbability(text) : (parseAmount(text)?.value ?? null);
  const low = read(typed.low) ?? range[0];
  const high = read(typed.high) ?? range[1];
  const possible = low < high && (input.what !== 'probability' || (low >= 0 && high <= 1));
  const found = useMemo(() => (possible ? crossings(tree, input, low, high) : []), [tree, input, low, high, possible]);
  const data = useMemo(
    () =>
      possible
        ? sweep(tree, input, low, high, points).map(({ x, value, options }) => ({
            x,
            value,
            ...Object.fromEntries(options.map((option, k) => [`o${k}`, option])),
          }))
        : [],
    [tree, input, low, high, possible],
  );
  const options = tree.kind[0] === 'decision' ? Math.min(mostOptions, tree.count[0]!) : 0;
  return (
    <div className="mt-4">
      <h3 className="mb-1 text-sm font-semibold">
        {words}, now {told(now)}
      </h3>
      <p className="mb-1 flex flex-wrap items-center gap-2 text-sm">
        from
        <input
          aria-label="From"
          className="field min-h-7 w-24 py-0"
          placeholder={told(range[0])}
          value={typed.low}
          onChange={(event) => setTyped({ ...typed, low: event.target.value })}
        />
        to
        <input
          aria-label="To"
          className="field min-h-7 w-24 py-0"
          placeholder={told(range[1])}
          value={typed.high}
          onChange={(event) => setTyped({ ...typed, high: event.target.value })}
        />
      </p>
      {!possible && (
        <p className="text-sm text-brick">
          {input.what === 'probability'
            ? 'A range of probabilities goes from a smaller to a larger one between 0 and 1.'
            : 'The range goes from a smaller to a larger amount.'}
        </p>
      )}
      {possible && (
        <>
          <div aria-hidden="true" className="h-48">
            <ResponsiveContainer width="100%" height="100%">
              <LineChart accessibilityLayer={false} data={data} margin={{ top: 8, right: 12, left: 0, bottom: 0 }}>
                <CartesianGrid stroke="var(--hair)" vertical={false} />
                <XAxis dataKey="x" type="number" domain={[low, high]} tickFormatter={told} {...axis(12)} />
                <YAxis tickFormatter={amount} width={64} {...axis(12)} domain={['auto', 'auto']} />
                <ReferenceLine x={now} stroke="var(--muted)" strokeDasharray="2 3" />
                {found.map((x) => (
                  <ReferenceLine key={x} x={x} stroke="var(--brick)" />
                ))}
                {options === 0 ? (
                  <Line dataKey="value" stroke="var(--moss)" dot={false} isAnimationActive={false} />
                ) : (
                  Array.from({ length: options }, (_, k) => (
                    <Line
                      key={k}
                      dataKey={`o${k}`}
                      stroke={colours[k]}
                      strokeDasharray={dashes[k]}
                      strokeWidth={2}
                      dot={false}
                      isAnimationActive={false}
                    />
                  ))
                )}
              </LineChart>
            </ResponsiveContainer>
          </div>
          {options > 0 && (
            <ul className="flex flex-wrap gap-x-4 text-sm">
              {Array.from({ length: options }, (_, k) => (
                <li key={k} className="flex items-center gap-1.5">
                  <svg width="22" height="6" aria-hidden="true">
                    <line
                      x1="0"
                      x2="22"
                      y1="3"
                      y2="3"
                      stroke={colours[k]}
                      strokeWidth="2"
                      strokeDasharray={dashes[k]}
                    />
                  </svg>
                  {optionName(k)}
                </li>
              ))}
            </ul>
          )}
          <p className="mt-1 text-sm">
            {found.length === 0
              ? 'In this range the best choices stay the same.'
              : `The best choices change at ${found.map(told).join(', at ')}.`}
          </p>
        </>
      )}
    </div>
  );
}
