import { useMemo } from 'react';
import { CartesianGrid, ResponsiveContainer, Scatter, ScatterChart, XAxis, YAxis } from 'recharts';
import { idsOfTier, roman } from '../../../../core/hierarchy';
import { own } from '../../../../core/model';
import { relatedStructure, figureFamily, type FamilyTree } from '../../../../core/kinds/family-tree';
import { useBench, useParts } from '../../context';
import { axis } from '../../panels/chart-axis';
import { FiguresFrame } from '../../panels/FiguresFrame';
import { LitRow } from '../../panels/FigureTable';
import { Related } from './Related';

const ancestorsWord = (generation: number): string =>
  generation === 1
    ? 'Parents'
    : generation === 2
      ? 'Grandparents'
      : `Great-${'great-'.repeat(generation - 3)}grandparents`;

/** How two are related, ages over time, and how complete the ancestors are. */
export function FamilyFiguresPanel() {
  const { store } = useParts();
  const diagram = useBench((state) => state.diagram as FamilyTree);
  const structure = relatedStructure(diagram);
  const figures = useMemo(() => figureFamily(diagram, structure), [diagram, structure]);
  const light = (entries: readonly string[]) => store.getState().set({ lit: new Set(entries) });
  if (structure.ids.length === 0) return <p className="px-4 text-muted">There is nobody to tell of yet.</p>;
  const { of } = diagram.family.manner;
  return (
    <FiguresFrame onLeave={() => light([])}>
      <Related diagram={diagram} light={light} />
      <p className="mb-3 text-[16px]">
        <strong>{figures.persons}</strong> persons in <strong>{figures.generations.length}</strong> generations,{' '}
        <strong>{figures.unions}</strong> {figures.unions === 1 ? 'family' : 'families'}.
      </p>
      <table className="mb-5 w-full text-sm">
        <caption className="label pb-1 text-left">Generations</caption>
        <tbody>
          {figures.generations.map(({ tier, persons }) => (
            <LitRow
              key={tier}
              light={() => light(idsOfTier(structure, tier))}
              about={`${roman(tier)} ${own(diagram.tiers, String(tier))?.name ?? ''}`}
              cells={[persons]}
            />
          ))}
        </tbody>
      </table>
      <Ages title="Age of parents when a child was born" points={figures.atBirth} />
      <Ages title="Age at death" points={figures.atDeath} />
      {of !== null && figures.completeness.length > 0 && (
        <table className="w-full text-sm">
          <caption className="label pb-1 text-left">
            Known ancestors of {own(diagram.entries, of)?.name || 'the person chosen'}
          </caption>
          <tbody>
            {figures.completeness.map(({ generation, known, possible }) => (
              <tr key={generation} className="border-t border-hair">
                <th scope="row" className="py-1 text-left font-normal">
                  {ancestorsWord(generation)}
                </th>
                <td className="text-right">
                  {known} of {possible}
                </td>
                <td className="w-16 pl-2 text-right text-muted">{Math.round((known / possible) * 100)} %</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </FiguresFrame>
  );
}

function Ages({
  title,
  points,
}: {
  title: string;
  points: readonly { readonly year: number; readonly age: number }[];
}) {
  if (points.length < 2) return null;
  const [ages, years] = [points.map(({ age }) => age), points.map(({ year }) => year)];
  const mean = ages.reduce((sum, age) => sum + age, 0) / ages.length;
  return (
    <section aria-label={title} className="mb-5">
      <h2 className="label mb-1 font-sans">{title}</h2>
      <div aria-hidden="true" className="h-40">
        <ResponsiveContainer width="100%" height="100%">
          <ScatterChart accessibilityLayer={false} margin={{ top: 8, right: 8, left: 0, bottom: 0 }}>
            <CartesianGrid stroke="var(--hair)" vertical={false} />
            <XAxis dataKey="year" type="number" domain={['dataMin', 'dataMax']} {...axis(12)} />
            <YAxis dataKey="age" type="number" width={30} {...axis(12)} />
            <Scatter data={[...points]} fill="var(--moss)" isAnimationActive={false} />
          </ScatterChart>
        </ResponsiveContainer>
      </div>
      <p className="text-sm">
        {mean.toFixed(1)} years on average, from {Math.min(...ages)} to {Math.max(...ages)}, over the years{' '}
        {Math.min(...years)} to {Math.max(...years)}.
      </p>
    </section>
  );
}
