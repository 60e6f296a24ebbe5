import type { DecisionTree } from '../../../../core/kinds/decision-tree';
import { useBench } from '../../context';
import { KeptLink } from '../../panels/KeptLink';

/** A key can be walked through, one question after another. */
export function WalkOffer() {
  const manner = useBench((state) => (state.diagram as DecisionTree).decision.manner.manner);
  if (manner !== 'key') return null;
  return (
    <section aria-label="Walk through" className="mt-5">
      <h2 className="label mb-1 font-sans">Walk through</h2>
      <div className="grid grid-cols-[1fr_auto] items-center gap-3 border-b border-hair py-2">
        <span>
          <strong>Question by question</strong>
          <span className="block text-sm text-muted">
            One question at a time, by keyboard or pointer, to its result
          </span>
        </span>
        <KeptLink to="walk" go="Walk" />
      </div>
    </section>
  );
}
