import { guarded } from '../../../../shared/Guarded';
import { useEffect, useMemo, useRef, useState } from 'react';
import {
  judgeSorting,
  sortedSoFar,
  wordBank,
  type Judgement,
  type VennScene,
  setsInOrder,
  type Venn,
  regionWords,
} from '../../../../../core/kinds/venn';
import { draw } from '../../../../../core/diagram';
import { own } from '../../../../../core/model';
import { ExerciseHead } from '../../../ExerciseHead';
import { StoredDiagram } from '../../../StoredDiagram';
import { Board, type RegionAt } from './Board';
import { Result } from './Result';
import { useSorting } from './useSorting';
import { WordBank } from './WordBank';

/** The exercise on screen: names from the word bank are put into their regions, and the answers checked. */
export const Sort = guarded(SortPage, 'The diagram is kept; begin anew.');

function SortPage({ id }: { id: string }) {
  return (
    <StoredDiagram id={id} kind="venn" cannot="This cannot be sorted" otherKind="Only a Venn diagram can be sorted.">
      {(diagram) => <Exercise id={id} diagram={diagram} />}
    </StoredDiagram>
  );
}

function Exercise({ id, diagram }: { id: string; diagram: Venn }) {
  const [sorting, setSorting] = useSorting(id);
  const [chosen, setChosen] = useState<string | null>(null);
  const [held, setHeld] = useState<{ entry: string; x: number; y: number; over: number | null } | null>(null);
  const [judgement, setJudgement] = useState<Judgement | null>(null);
  const regionAt = useRef<RegionAt>(() => null);
  const sets = setsInOrder(diagram.venn);
  const scene = useMemo(() => draw(sortedSoFar(diagram, sorting)).scene as VennScene, [diagram, sorting]);
  const bank = wordBank(diagram).filter((entry) => own(sorting, entry) === undefined);
  const marks = useMemo(
    () =>
      new Map([
        ...(judgement?.right ?? []).map((entry) => [entry, true] as const),
        ...(judgement?.wrong ?? []).map((one) => [one.id, false] as const),
      ]),
    [judgement],
  );
  const nameOf = (entry: string) => own(diagram.entries, entry)!.name;
  const put = (entry: string, mask: number | null) => {
    const rest = Object.entries(sorting).filter(([other]) => other !== entry);
    setSorting(Object.fromEntries(mask === null ? rest : [...rest, [entry, mask]]));
    setJudgement(null);
  };
  const pick = (entry: string, event: React.PointerEvent) => {
    setChosen(entry);
    setHeld({ entry, x: event.clientX, y: event.clientY, over: regionAt.current(event.clientX, event.clientY) });
  };
  useEffect(() => {
    if (!held) return;
    const move = (event: PointerEvent) =>
      setHeld({
        entry: held.entry,
        x: event.clientX,
        y: event.clientY,
        over: regionAt.current(event.clientX, event.clientY),
      });
    const up = (event: PointerEvent) => {
      const over = regionAt.current(event.clientX, event.clientY);
      if (over !== null && over !== own(sorting, held.entry)) put(held.entry, over);
      setHeld(null);
    };
    const drop = (event: KeyboardEvent) => event.key === 'Escape' && setHeld(null);
    window.addEventListener('pointermove', move);
    window.addEventListener('pointerup', up);
    window.addEventListener('keydown', drop);
    return () => {
      window.removeEventListener('pointermove', move);
      window.removeEventListener('pointerup', up);
      window.removeEventListener('keydown', drop);
    };
  });
  return (
    <div className="flex h-dvh flex-col">
      <ExerciseHead id={id} title={`Sort: ${diagram.title}`} />
      <main className="flex min-h-0 flex-1 max-md:flex-col">
        <section
          aria-label="Word bank"
          className="flex shrink-0 flex-col overflow-auto border-r border-hair p-4 max-md:max-h-[45%] md:w-[360px]"
        >
          <WordBank
            bank={bank}
            sorted={Object.keys(sorting).filter((entry) => own(diagram.entries, entry))}
            nameOf={nameOf}
            sets={sets}
            sorting={sorting}
            chosen={chosen}
            onChoose={setChosen}
            onPick={pick}
            onPut={put}
          />
          <Result
            judgement={judgement}
            unsorted={bank.length}
            sets={sets}
            nameOf={nameOf}
            onCheck={() => setJudgement(judgeSorting(diagram, sorting))}
            onBack={() => {
              const wrong = new Set(judgement?.wrong.map((one) => one.id));
              setSorting(Object.fromEntries(Object.entries(sorting).filter(([entry]) => !wrong.has(entry))));
              setJudgement(null);
            }}
            onRestart={() => {
              setSorting({});
              setJudgement(null);
            }}
          />
        </section>
        <section aria-label="Drawing" className="relative min-h-0 min-w-0 flex-1 bg-ground p-4">
          <Board
            scene={scene}
            sets={sets}
            lit={held?.over ?? null}
            marks={marks}
            label={`${diagram.title}: ${Object.keys(sorting).length} sorted, ${bank.length} in the word bank`}
            onReady={(find) => (regionAt.current = find)}
            onPick={pick}
          />
        </section>
      </main>
      {held && (
        <p
          role="status"
          className="pointer-events-none fixed z-20 max-w-80 border border-moss bg-paper px-2 py-1"
          style={{ left: held.x + 12, top: held.y + 12 }}
        >
          <strong>{nameOf(held.entry)}</strong>
          {held.over !== null && `: ${regionWords(sets, held.over)}`}
        </p>
      )}
    </div>
  );
}
