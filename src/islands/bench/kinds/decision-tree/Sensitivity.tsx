import { useMemo, useState } from 'react';
import { hierarchyOf } from '../../../../core/hierarchy';
import {
  branchName,
  formatAmount,
  formatProbability,
  inputsOf,
  rangeOf,
  swings,
  valueOf,
  type AnalysisFigures,
  type DecisionTree,
  type Input,
} from '../../../../core/kinds/decision-tree';
import { SweepChart } from './SweepChart';

const shares = [0.1, 0.25, 0.5] as const;
/** More than these move the value next to nothing. */
const mostShown = 12;
/** Trees with more nodes take longer than a moment for all inputs. */
const mostNodes = 1500;

/** Which numbers the value rests on: all of them by how far they move it, and one followed through a range. */
export function Sensitivity({
  diagram,
  figures,
  light,
}: {
  diagram: DecisionTree;
  figures: AnalysisFigures;
  light: (ids: readonly string[]) => void;
}) {
  const { ids } = hierarchyOf(diagram.entries);
  const { tree } = figures;
  const [share, setShare] = useState<number>(0.25);
  const [chosen, setChosen] = useState(0);
  const ranked = useMemo(
    () => (tree.kind.length > mostNodes ? [] : swings(tree, inputsOf(tree, figures.events), share)),
    [tree, figures.events, share],
  );
  const { manner } = diagram.decision;
  const amount = (value: number) => formatAmount(value, manner);
  const words = (input: Input): string => {
    if (input.what === 'probability') {
      const several = new Set(figures.events.flatMap(({ outcomes }) => outcomes)).size > input.event.outcomes.length;
      const where =
        input.event.nodes.length > input.nodes.length && several
          ? ` (${branchName(diagram, ids[input.nodes[0]!]!)})`
          : '';
      return `Chance of ${input.event.outcomes[input.outcome] || 'an outcome'}${where}`;
    }
    const names: string[] = [];
    for (let i = input.node; i >= 0 && names.length < 3; i = tree.parent[i]!)
      if (tree.parent[i]! >= 0) names.unshift(branchName(diagram, ids[i]!) || '…');
    return `${input.what === 'payoff' ? 'Payoff' : 'Cost'}: ${names.join(' › ')}`;
  };
  const told = (input: Input, value: number) =>
    input.what === 'probability' ? formatProbability(value) : amount(value);
  const nodesOf = (input: Input) =>
    (input.what === 'probability'
      ? input.event.nodes
          .filter(({ node }) => input.nodes.includes(node))
          .map(({ branches }) => branches[input.outcome]!)
      : [input.node]
    ).map((i) => ids[i]!);
  if (ranked.length === 0)
    return tree.kind.length > mostNodes ? (
      <p className="mb-5 text-sm text-muted">
        What the value rests on is worked out for trees of up to {mostNodes.toLocaleString('en')} nodes.
      </p>
    ) : null;
  const shown = ranked.slice(0, mostShown);
  const widest = Math.max(
    ...shown.flatMap(({ atLow, atHigh }) => [atLow, atHigh].map((v) => Math.abs(v - figures.value))),
    1e-9,
  );
  const at = Math.min(chosen, ranked.length - 1);
  const { input } = ranked[at]!;
  return (
    <section aria-label="What the value rests on" className="mb-5">
      <h2 className="label mb-1 font-sans">What the value rests on</h2>
      <p className="mb-2 flex flex-wrap items-center gap-2 text-sm">
        Each number moved up and down by
        <select
          aria-label="How far each number is moved"
          className="field min-h-7 w-auto py-0"
          value={share}
          onChange={(event) => setShare(Number(event.target.value))}
        >
          {shares.map((one) => (
            <option key={one} value={one}>
              {one * 100} %
            </option>
          ))}
        </select>
        of what it is
      </p>
      <table className="w-full text-sm">
        <thead className="text-left text-[12px] text-muted">
          <tr>
            <th className="font-normal">Number</th>
            <th className="font-normal">Best plan at its low and high end</th>
          </tr>
        </thead>
        <tbody>
          {shown.map((swing, k) => (
            <tr
              key={words(swing.input) + String(k)}
              className={`border-t border-hair hover:bg-mosswash ${k === at ? 'bg-mosswash' : ''}`}
              onPointerEnter={() => light(nodesOf(swing.input))}
            >
              <th scope="row" className="max-w-40 py-1 pr-2 text-left align-top font-normal">
                <button className="text-left hover:underline" aria-pressed={k === at} onClick={() => setChosen(k)}>
                  {words(swing.input)}
                </button>
                {swing.changes && <span className="block text-brass">changes the choice</span>}
              </th>
              <td className="w-1/2 py-1 align-top">
                <SwingBar from={swing.atLow} to={swing.atHigh} middle={figures.value} reach={widest} />
                <span className="flex justify-between text-[12px] text-muted">
                  <span>{amount(Math.min(swing.atLow, swing.atHigh))}</span>
                  <span>{amount(Math.max(swing.atLow, swing.atHigh))}</span>
                </span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {ranked.length > mostShown && (
        <p className="mt-1 text-sm text-muted">{ranked.length - mostShown} more move it less than these.</p>
      )}
      <SweepChart
        key={`${at} ${share}`}
        tree={tree}
        input={input}
        range={input.what === 'probability' ? [0, 1] : rangeOf(tree, input, 1)}
        now={valueOf(tree, input)}
        words={words(input)}
        told={(value) => told(input, value)}
        amount={amount}
        optionName={(k) => branchName(diagram, ids[tree.first[0]! + k]!) || `Choice ${k + 1}`}
      />
    </section>
  );
}

/** How far an input moves the value to either side of what it is. */
function SwingBar({ from, to, middle, reach }: { from: number; to: number; middle: number; reach: number }) {
  const place = (value: number) => 50 + ((value - middle) / reach) * 50;
  const [left, right] = [Math.min(place(from), place(to)), Math.max(place(from), place(to))];
  return (
    <span aria-hidden="true" className="relative block h-3.5 bg-raised">
      <span
        className="absolute inset-y-0 bg-moss"
        style={{ left: `${left}%`, width: `${Math.max(0.8, right - left)}%` }}
      />
      <span className="absolute inset-y-0 left-1/2 w-px bg-ink" />
    </span>
  );
}
