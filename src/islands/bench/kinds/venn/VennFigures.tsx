import { useMemo } from 'react';
import {
  figureVenn,
  type VennFigures as Figures,
  setsInOrder,
  type Venn,
  regionWords,
  overlapName,
} from '../../../../core/kinds/venn';
import { useBench, useParts } from '../../context';
import { FiguresFrame } from '../../panels/FiguresFrame';
import { FigureTable, LitRow } from '../../panels/FigureTable';
import { OverlapMatrix } from './OverlapMatrix';
import { Question } from './Question';
import { SetAlgebra } from './SetAlgebra';

/** Regions with their expressions, questions, set algebra, the union as a sum, overlaps measured, and where each entry is. */
export function VennFigures() {
  const diagram = useBench((state) => state.diagram);
  if (diagram.kind !== 'venn') return null;
  return <Panel diagram={diagram} />;
}

function Panel({ diagram }: { diagram: Venn }) {
  const { store } = useParts();
  const figures = useMemo(() => figureVenn(diagram), [diagram]);
  const sets = setsInOrder(diagram.venn);
  const light = (masks: readonly number[]) => {
    const regions = masks.map((mask) => figures.regions[mask]!);
    store.getState().set({
      litRegions: new Set(regions.map((region) => region.key)),
      lit: new Set(regions.flatMap((region) => region.entries)),
    });
  };
  if (sets.length === 0) return <p className="px-4 text-muted">There are no sets to count yet.</p>;
  return (
    <FiguresFrame onLeave={() => light([])}>
      <p className="mb-3 text-[16px]">
        <strong>{figures.entries}</strong> {figures.entries === 1 ? 'entry' : 'entries'} in{' '}
        <strong>{sets.length}</strong> sets.{' '}
        {figures.tiers
          .filter(({ count }) => count > 0)
          .map(({ tier, count }) => `${overlapName(tier, sets.length)}: ${count}`)
          .join('; ')}
        .
      </p>
      <Question figures={figures} light={light} />
      <h2 className="label mt-5 mb-1 font-sans">Regions</h2>
      <OverlapMatrix figures={figures} light={light} />
      <FigureTable about="Region" heads={['Entries']} className="mt-2">
        {figures.regions.map((region) => (
          <LitRow
            key={region.key}
            light={() => light([region.mask])}
            about={
              <button
                className="text-left hover:underline"
                title={regionWords(sets, region.mask)}
                onFocus={() => light([region.mask])}
                onClick={() => store.getState().set({ step: 'style', scope: { kind: 'region', region: region.key } })}
              >
                {region.expression}
              </button>
            }
            cells={[region.count]}
          />
        ))}
      </FigureTable>
      <SetAlgebra figures={figures} light={light} />
      <UnionAsSum figures={figures} />
      <Overlaps figures={figures} light={light} />
      <Where diagram={diagram} figures={figures} light={light} />
    </FiguresFrame>
  );
}

/** |A ∪ B| = |A| + |B| − |A ∩ B|, with the numbers. */
function UnionAsSum({ figures }: { figures: Figures }) {
  const { terms, union } = figures.inclusionExclusion;
  return (
    <section aria-label="The union as a sum" className="mt-5">
      <h2 className="label mb-1 font-sans">The union as a sum</h2>
      <p className="text-sm">
        {terms.map((term, i) => (
          <span key={term.sets.join()} title={term.sets.join(' ∩ ')}>
            {i > 0 || term.sign < 0 ? ` ${term.sign > 0 ? '+' : '−'} ` : ''}
            {term.count}
          </span>
        ))}{' '}
        = <strong>{union}</strong> in at least one set
      </p>
      <details className="mt-1 text-sm">
        <summary className="cursor-pointer text-muted">What the terms are</summary>
        <ul className="mt-1">
          {terms.map((term) => (
            <li key={term.sets.join()} className="flex justify-between gap-2">
              <span>
                {term.sign > 0 ? '+' : '−'} {term.sets.join(' ∩ ')}
              </span>
              <span>{term.count}</span>
            </li>
          ))}
        </ul>
      </details>
    </section>
  );
}

interface Lighting {
  readonly figures: Figures;
  light(masks: readonly number[]): void;
}

function Overlaps({ figures, light }: Lighting) {
  if (figures.overlaps.length === 0) return null;
  const regionsIn = (wanted: number) =>
    figures.regions.map(({ mask }) => mask).filter((mask) => (mask & wanted) === wanted);
  return (
    <section aria-label="Overlaps" className="mt-5">
      <h2 className="label mb-1 font-sans">How much two sets overlap</h2>
      <FigureTable
        about="Sets"
        heads={[
          'In both',
          'In either',
          { words: 'Share', means: 'Entries in both by entries in either (Jaccard 1901)' },
        ]}
      >
        {figures.overlaps.map(({ sets: [a, b], mask, both, either, jaccard }) => (
          <LitRow
            key={mask}
            light={() => light(regionsIn(mask))}
            about={`${a} and ${b}`}
            cells={[both, either, jaccard === null ? '–' : `${Math.round(jaccard * 100)} %`]}
          />
        ))}
      </FigureTable>
    </section>
  );
}

const mostRows = 400;

function Where({ diagram, figures, light }: Lighting & { diagram: Venn }) {
  const { store } = useParts();
  const sets = setsInOrder(diagram.venn);
  return (
    <details className="mt-5">
      <summary className="label cursor-pointer">Where each entry is</summary>
      <table className="mt-1 w-full text-sm">
        <thead>
          <tr className="text-left text-muted">
            <th className="font-normal">Entry</th>
            <th className="pl-2 font-normal">Region</th>
          </tr>
        </thead>
        <tbody>
          {figures.where.slice(0, mostRows).map(({ id, name, mask }) => (
            <tr key={id} className="border-t border-hair hover:bg-mosswash" onPointerEnter={() => light([mask])}>
              <th scope="row" className="py-0.5 text-left font-semibold">
                <button className="text-left hover:underline" onClick={() => store.getState().select(id)}>
                  {name || 'No name yet'}
                </button>
              </th>
              <td className="pl-2">{regionWords(sets, mask)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {figures.where.length > mostRows && (
        <p className="text-sm text-muted">… and {figures.where.length - mostRows} more; the CSV has them all.</p>
      )}
    </details>
  );
}
