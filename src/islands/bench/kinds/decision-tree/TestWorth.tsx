import { own } from '../../../../core/model';
import { useState } from 'react';
import { hierarchyOf } from '../../../../core/hierarchy';
import { applyGesture } from '../../../../core/diagram';
import {
  afterTest,
  branchName,
  figureDecision,
  formatAmount,
  formatProbability,
  kindsOfNodes,
  parseAmount,
  parseProbability,
  testableEvents,
  testBranch,
  type DecisionTree,
} from '../../../../core/kinds/decision-tree';
import { newId } from '../../../shared/ids';
import { useParts } from '../../context';

type Cells = Readonly<Record<string, string>>;

/** A test before deciding: how reliable it is, what it would then tell, what it would be worth, and its branch made in one step. */
export function TestWorth({ diagram }: { diagram: DecisionTree }) {
  const { store } = useParts();
  const [open, setOpen] = useState(false);
  const [cells, setCells] = useState<Cells>({});
  const structure = hierarchyOf(diagram.entries);
  const kinds = kindsOfNodes(diagram, structure);
  const decisions = structure.ids.filter((_, i) => kinds[i] === 'decision');
  const choices = decisions.flatMap((decision) =>
    testableEvents(diagram, decision).map((one) => ({ decision, ...one })),
  );
  if (choices.length === 0) return null;
  const chosen = choices[Math.min(choices.length - 1, Number(cells.which ?? 0))]!;
  const { outcomes } = chosen.event;
  const results = (cells.results ?? outcomes.map((outcome) => `Says ${outcome}`).join('; '))
    .split(';')
    .map((one) => one.trim())
    .filter(Boolean);
  const put = (key: string, value: string) => setCells({ ...cells, [key]: value });
  const known = (r: number, s: number): string => own(cells, `${r} ${s}`) ?? (r === s ? '0.8' : spread(results.length));
  const likelihood = results.map((_, r) => outcomes.map((__, s) => parseProbability(known(r, s)) ?? NaN));
  const sums = outcomes.map((_, s) => likelihood.reduce((sum, row) => sum + row[s]!, 0));
  const sound =
    results.length > 0 &&
    sums.every((sum) => Math.abs(sum - 1) < 1e-6) &&
    likelihood.every((row) => row.every((p) => p >= 0 && p <= 1));
  const told = sound ? afterTest(chosen.prior, likelihood) : null;
  const cost = cells.cost ? (parseAmount(cells.cost)?.value ?? null) : null;
  const gesture =
    told &&
    testBranch(
      diagram,
      chosen.decision,
      chosen.event,
      { name: cells.name || 'Test first', cost, results, prior: chosen.prior, likelihood },
      newId,
    );
  const after = gesture ? applyGesture(diagram, gesture) : null;
  const valueOf = (of: DecisionTree) => figureDecision(of, hierarchyOf(of.entries)).analysis?.value ?? 0;
  const gain = after?.ok ? valueOf(after.diagram as DecisionTree) - valueOf(diagram) : null;
  return (
    <section aria-label="A test beforehand" className="mb-5">
      <button className="plain" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? 'Without a test' : 'What would a test beforehand be worth?'}
      </button>
      {open && (
        <div className="mt-2 grid gap-2 text-sm">
          <label className="grid grid-cols-[7rem_1fr] items-center gap-2">
            It tells
            <select
              className="field min-w-0"
              value={cells.which ?? 0}
              onChange={(event) => setCells({ which: event.target.value })}
            >
              {choices.map((one, k) => (
                <option key={k} value={k}>
                  {one.event.outcomes.join(' or ')} (before “{branchName(diagram, one.decision) || 'the decision'}”)
                </option>
              ))}
            </select>
          </label>
          <label className="grid grid-cols-[7rem_1fr] items-center gap-2">
            Called
            <input
              className="field min-w-0"
              placeholder="Test first"
              value={cells.name ?? ''}
              onChange={(event) => put('name', event.target.value)}
            />
          </label>
          <label className="grid grid-cols-[7rem_1fr] items-center gap-2">
            Costs
            <input
              className="field min-w-0"
              placeholder="nothing"
              inputMode="decimal"
              value={cells.cost ?? ''}
              onChange={(event) => put('cost', event.target.value)}
            />
          </label>
          <label className="grid grid-cols-[7rem_1fr] items-center gap-2">
            Results, parted by ;
            <input
              className="field min-w-0"
              value={cells.results ?? results.join('; ')}
              onChange={(event) => put('results', event.target.value)}
            />
          </label>
          <table className="w-full">
            <caption className="pb-1 text-left text-muted">How likely each result is, where this holds:</caption>
            <thead>
              <tr className="text-left">
                <th>
                  <span className="sr-only">Result</span>
                </th>
                {outcomes.map((outcome, s) => (
                  <th key={s} className="px-1 font-semibold">
                    {outcome} <span className="font-normal text-muted">({formatProbability(chosen.prior[s]!)})</span>
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {results.map((result, r) => (
                <tr key={r} className="border-t border-hair">
                  <th scope="row" className="text-left font-normal">
                    {result}
                  </th>
                  {outcomes.map((outcome, s) => (
                    <td key={s}>
                      <input
                        aria-label={`${result} where ${outcome}`}
                        aria-invalid={Math.abs(sums[s]! - 1) > 1e-6 || undefined}
                        className="cell-input px-1 py-1"
                        value={known(r, s)}
                        onChange={(event) => put(`${r} ${s}`, event.target.value)}
                      />
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
          {!told && (
            <p className="text-brick">
              Each column has to make 1:{' '}
              {outcomes
                .map(
                  (outcome, s) =>
                    `${outcome} makes ${Number.isNaN(sums[s]!) ? 'no number' : formatProbability(sums[s]!)}`,
                )
                .join(', ')}
              .
            </p>
          )}
          {told && (
            <table className="w-full">
              <caption className="pb-1 text-left text-muted">What it then tells (Bayes’ rule):</caption>
              <tbody>
                {results.map((result, r) => (
                  <tr key={r} className="border-t border-hair">
                    <th scope="row" className="py-1 text-left font-normal">
                      {result}, <strong>{formatProbability(told.results[r]!)}</strong>
                    </th>
                    {outcomes.map((outcome, s) => (
                      <td key={s} className="px-1">
                        {outcome} {formatProbability(told.posterior[r]![s]!)}
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          {gain !== null && gesture && (
            <p className="flex flex-wrap items-center gap-3">
              With this test the best plan is{' '}
              {Math.abs(gain) < 1e-9
                ? 'worth as much as without it'
                : `${formatAmount(Math.abs(gain), diagram.decision.manner)} better`}
              .
              <button className="button" onClick={() => store.getState().perform(gesture) && setOpen(false)}>
                Add the test to the tree
              </button>
            </p>
          )}
        </div>
      )}
    </section>
  );
}

const spread = (results: number): string => (results < 2 ? '1' : formatProbability(0.2 / (results - 1)));
