import { useMemo } from 'react';
import type { Diagram } from '../../../../core/diagram';
import { kindOf } from '../../../../core/diagram';
import type { ConceptMap, MapFigures } from '../../../../core/kinds/concept-map';
import { own } from '../../../../core/model';
import { useBench, useParts } from '../../context';
import { EntryRow } from '../../panels/EntryRow';
import { FiguresFrame } from '../../panels/FiguresFrame';
import { FigureTable } from '../../panels/FigureTable';
import { KeyMap } from './KeyMap';
import { ScoreTable } from './ScoreTable';
import { Sentences } from './Sentences';

/** What the map says, and what it comes to. */
export function MapFiguresPanel() {
  const { store } = useParts();
  const diagram = useBench((state) => state.diagram as ConceptMap);
  const structure = useBench((state) => state.structure);
  const figures = useMemo(
    () => kindOf(diagram.kind).figure(diagram as Diagram, structure) as MapFigures,
    [diagram, structure],
  );
  const light = (entries: readonly string[]) => store.getState().set({ lit: new Set(entries) });
  if (figures.ideas === 0) return <p className="px-4 text-muted">There is nothing to count yet.</p>;
  const name = (id: string) => own(diagram.entries, id)?.name || 'no name yet';
  const islands = figures.islands.filter(({ length }) => length > 1);
  return (
    <FiguresFrame onLeave={() => light([])}>
      <p className="text-[16px]">
        <strong>{figures.ideas}</strong> ideas and <strong>{figures.propositions}</strong>{' '}
        {figures.propositions === 1 ? 'proposition' : 'propositions'}
        {islands.length > 1 ? `, in ${islands.length} parts that nothing connects` : ''}.
      </p>
      <ScoreTable score={figures.score} />
      <h2 className="label mt-5 mb-1 font-sans">Most connected</h2>
      <FigureTable about="Idea" heads={['Leads to', 'Led to by']}>
        {figures.degrees.slice(0, 8).map(({ id, from, to }) => (
          <EntryRow
            key={id}
            entry={{ id, name: name(id) }}
            light={() =>
              light([id, ...figures.sentences.flatMap(({ entries }) => (entries.includes(id) ? entries : []))])
            }
            cells={[from, to]}
          />
        ))}
      </FigureTable>
      {figures.chain.length > 2 && (
        <>
          <h2 className="label mt-5 mb-1 font-sans">Longest chain</h2>
          <button
            className="w-full text-left text-sm hover:bg-mosswash"
            onPointerEnter={() => light(figures.chain)}
            onFocus={() => light(figures.chain)}
          >
            {figures.chain.map(name).join(' → ')} <span className="text-muted">({figures.chain.length} ideas)</span>
          </button>
        </>
      )}
      {islands.length > 1 && (
        <>
          <h2 className="label mt-5 mb-1 font-sans">Parts</h2>
          <ul className="grid gap-0.5 text-sm">
            {islands.slice(0, 20).map((island) => (
              <li key={island[0]}>
                <button
                  className="w-full truncate text-left hover:bg-mosswash"
                  onPointerEnter={() => light(island)}
                  onFocus={() => light(island)}
                >
                  {island.length} ideas: {island.slice(0, 4).map(name).join(', ')}
                  {island.length > 4 ? ' …' : ''}
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
      <Sentences sentences={figures.sentences} light={light} />
      <KeyMap compared={figures.compared} light={light} />
    </FiguresFrame>
  );
}
