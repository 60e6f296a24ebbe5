import { useMemo } from 'react';
import { hierarchyOf } from '../../../../core/hierarchy';
import {
  branchName,
  figureDecision,
  formatAmount,
  formatProbability,
  type AnalysisFigures,
  type DecisionTree,
} from '../../../../core/kinds/decision-tree';
import { useBench, useParts } from '../../context';
import { FiguresFrame } from '../../panels/FiguresFrame';
import { RiskProfile } from './RiskProfile';
import { Sensitivity } from './Sensitivity';
import { TestWorth } from './TestWorth';

/** What the tree comes to: of a key how long its ways are; of an analysis its values, the best plan, and what they rest on. */
export function DecisionFiguresPanel() {
  const { store } = useParts();
  const diagram = useBench((state) => state.diagram as DecisionTree);
  const structure = hierarchyOf(diagram.entries);
  const figures = useMemo(() => figureDecision(diagram, structure), [diagram, structure]);
  const light = (entries: readonly string[]) => store.getState().set({ lit: new Set(entries) });
  if (figures.nodes === 0) return <p className="px-4 text-muted">There is nothing to work out yet.</p>;
  return (
    <FiguresFrame onLeave={() => light([])}>
      {figures.key && (
        <p className="text-[16px]">
          <strong>{figures.key.questions}</strong> questions lead to <strong>{figures.key.results}</strong> results. A
          result is reached after {figures.key.fewest === figures.key.most ? '' : `${figures.key.fewest} to `}
          {figures.key.most} {figures.key.most === 1 ? 'question' : 'questions'}, {figures.key.mean.toFixed(1)} on
          average.
        </p>
      )}
      {figures.analysis && <Analysis diagram={diagram} figures={figures.analysis} light={light} />}
    </FiguresFrame>
  );
}

function Analysis({
  diagram,
  figures,
  light,
}: {
  diagram: DecisionTree;
  figures: AnalysisFigures;
  light: (ids: readonly string[]) => void;
}) {
  const { store } = useParts();
  const { ids, roots } = hierarchyOf(diagram.entries);
  const { manner } = diagram.decision;
  const named = (id: string) => branchName(diagram, id) || 'No name yet';
  const amount = (value: number) => formatAmount(value, manner);
  const inPlan = ids.filter((_, i) => figures.plan[i] === 1);
  return (
    <>
      <p className="mb-3 text-[16px]" onPointerEnter={() => light(inPlan)}>
        The best plan is worth <strong>{amount(figures.value)}</strong> on average
        {roots > 1 && `, counting the first of ${roots} trees alone`}.
      </p>
      {figures.choices.length > 0 && (
        <table className="mb-5 w-full text-sm">
          <caption className="label pb-1 text-left">The best plan</caption>
          <thead>
            <tr className="text-left text-muted">
              <th className="font-normal">Decision</th>
              <th className="pl-2 font-normal">Best choice</th>
              <th className="pl-2 text-right font-normal">Worth</th>
            </tr>
          </thead>
          <tbody>
            {figures.choices.map(({ decision, chosen }) => {
              const i = ids.indexOf(decision);
              return (
                <tr
                  key={decision}
                  className="border-t border-hair hover:bg-mosswash"
                  onPointerEnter={() => light([decision, chosen])}
                >
                  <th scope="row" className="py-1 text-left font-semibold">
                    <button className="text-left hover:underline" onClick={() => store.getState().select(decision)}>
                      {named(decision)}
                    </button>
                  </th>
                  <td className="pl-2">{named(chosen)}</td>
                  <td className="pl-2 text-right whitespace-nowrap">{amount(figures.rolled.value[i]!)}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      {figures.events.length > 0 && (
        <table className="mb-5 w-full text-sm">
          <caption className="label pb-1 text-left">What knowing beforehand would be worth at most</caption>
          <tbody>
            {figures.events.map((event) => (
              <tr
                key={event.nodes[0]!.node}
                className="border-t border-hair hover:bg-mosswash"
                onPointerEnter={() =>
                  light(event.nodes.flatMap(({ node, branches }) => [node, ...branches]).map((i) => ids[i]!))
                }
              >
                <th scope="row" className="py-1 text-left font-normal">
                  {event.outcomes.map((outcome) => outcome || 'an outcome without words').join(' or ')}
                </th>
                <td className="pl-2 text-right font-semibold whitespace-nowrap">{amount(event.worth)}</td>
              </tr>
            ))}
            {figures.events.length > 1 && (
              <tr className="border-t border-edge">
                <th scope="row" className="py-1 text-left font-semibold">
                  All of them
                </th>
                <td className="pl-2 text-right font-semibold whitespace-nowrap">
                  {figures.all === null ? 'too many to work out' : amount(figures.all)}
                </td>
              </tr>
            )}
          </tbody>
        </table>
      )}
      <RiskProfile risk={figures.risk} manner={manner} />
      <Sensitivity diagram={diagram} figures={figures} light={light} />
      <TestWorth diagram={diagram} />
      <p className="mt-4 text-sm text-muted">
        Chances whose outcomes have the same names count as one uncertainty, here {figures.events.length} in all; a
        probability such as {formatProbability(0.3)} may differ between them.
      </p>
    </>
  );
}
