import { useMemo } from 'react';
import type { Gesture } from '../../../../core/diagram';
import type { DecisionManner, DecisionTree } from '../../../../core/kinds/decision-tree';
import { useBench, useParts } from '../../context';
import { PreviewChoice } from '../../panels/PreviewChoice';
import { FoldingAndLimits } from '../../tree/FoldingAndLimits';
import { Nudges } from '../../tree/Nudges';
import { TierTable } from '../../tree/TierTable';

interface Way {
  readonly name: string;
  readonly told: string;
  readonly direction: 'down' | 'right';
  readonly ends: DecisionManner['ends'];
}

const ways: readonly Way[] = [
  { name: 'Left to right', told: 'Each stage a column', direction: 'right', ends: 'own' },
  { name: 'Ends in one column', told: 'Left to right, all ends below each other', direction: 'right', ends: 'aligned' },
  { name: 'Top-down', told: 'Each stage on a line of its own', direction: 'down', ends: 'own' },
];
const gestures: readonly Gesture[] = ways.map(({ direction, ends }) => [
  { kind: 'setArrangement', patch: { direction } },
  { kind: 'setDecision', patch: { ends } },
]);

/** Which manner the tree is read in, how it stands, and how amounts are told. */
export function DecisionArrangement() {
  const { store } = useParts();
  const diagram = useBench((state) => state.diagram as DecisionTree);
  const { manner } = diagram.decision;
  const { direction } = diagram.arrangement;
  const set = (patch: Partial<DecisionManner>, merge?: string) =>
    store.getState().perform([{ kind: 'setDecision', patch }], merge ? { merge } : {});
  const options = useMemo(
    () =>
      ways.map((way, i) => ({
        ...way,
        gesture: gestures[i]!,
        chosen: way.direction === direction && (direction === 'down' || way.ends === manner.ends),
      })),
    [direction, manner.ends],
  );
  return (
    <>
      <section aria-label="Manner" className="mb-5 grid gap-2">
        <h2 className="label font-sans">Manner</h2>
        <Choice
          name="manner"
          value={manner.manner}
          options={[
            ['key', 'Question key: answers lead to results'],
            ['analysis', 'Decision analysis: chances, costs, payoffs'],
          ]}
          onChange={(value) => set({ manner: value as DecisionManner['manner'] })}
        />
      </section>
      <PreviewChoice title="Arrangement" diagram={diagram} gestures={gestures} options={options} />
      {manner.manner === 'analysis' && <Amounts manner={manner} set={set} />}
      <TierTable />
      <Nudges />
      <FoldingAndLimits leaves="" folds={false} />
    </>
  );
}

function Amounts({
  manner,
  set,
}: {
  manner: DecisionManner;
  set: (patch: Partial<DecisionManner>, merge?: string) => void;
}) {
  return (
    <section aria-label="Amounts" className="mt-5 grid gap-2">
      <h2 className="label font-sans">Amounts</h2>
      <Choice
        name="aim"
        value={manner.aim}
        options={[
          ['most', 'The more the better (gains)'],
          ['least', 'The less the better (costs, times)'],
        ]}
        onChange={(value) => set({ aim: value as DecisionManner['aim'] })}
      />
      <label className="grid grid-cols-[9.5rem_1fr_7rem] items-center gap-2">
        Unit
        <input
          className="field min-w-0"
          maxLength={12}
          placeholder="£, €, days …"
          value={manner.unit}
          onChange={(event) => set({ unit: event.target.value }, 'unit')}
        />
        <select
          aria-label="Place of the unit"
          className="field min-w-0"
          value={manner.unitPlace}
          onChange={(event) => set({ unitPlace: event.target.value as DecisionManner['unitPlace'] })}
        >
          <option value="before">before</option>
          <option value="after">after</option>
        </select>
      </label>
      <label className="grid grid-cols-[9.5rem_1fr] items-center gap-2">
        Decimals
        <select
          className="field min-w-0"
          value={manner.decimals}
          onChange={(event) => set({ decimals: Number(event.target.value) })}
        >
          {[0, 1, 2, 3, 4].map((n) => (
            <option key={n}>{n}</option>
          ))}
        </select>
      </label>
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="accent-moss"
          checked={manner.values === 'shown'}
          onChange={() => set({ values: manner.values === 'shown' ? 'hidden' : 'shown' })}
        />
        Expected values and the best choice in the drawing
      </label>
    </section>
  );
}

function Choice({
  name,
  value,
  options,
  onChange,
}: {
  name: string;
  value: string;
  options: readonly (readonly [value: string, words: string])[];
  onChange: (value: string) => void;
}) {
  return (
    <div role="radiogroup" aria-label={name} className="grid gap-1">
      {options.map(([one, words]) => (
        <label key={one} className="flex items-center gap-2">
          <input
            type="radio"
            className="accent-moss"
            name={name}
            checked={value === one}
            onChange={() => onChange(one)}
          />
          {words}
        </label>
      ))}
    </div>
  );
}
