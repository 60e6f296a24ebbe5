import { useState } from 'react';
import { openDiagram } from '../../../../core/diagram';
import type { ConceptMap } from '../../../../core/kinds/concept-map';
import type { DeskDiagram } from '../../../desk/desk-diagram';
import { api, ApiError } from '../../../shared/api';
import { useParts } from '../../context';

/** Another of the maps on the Desk taken for the key; the list of them is fetched when the choice is turned to. */
export function KeyFrom({ onTake }: { onTake: (map: ConceptMap) => void }) {
  const { sync, store } = useParts();
  const [maps, setMaps] = useState<readonly DeskDiagram[] | null>(null);
  const gather = () => {
    if (maps !== null) return;
    setMaps([]);
    api<readonly DeskDiagram[]>('/api/diagrams').then(
      (all) => setMaps(all.filter(({ kind, id, binned }) => kind === 'concept-map' && id !== sync.id && !binned)),
      (error: unknown) => {
        setMaps(null);
        if (!(error instanceof ApiError)) throw error;
        store.getState().notify([error.message]);
      },
    );
  };
  const take = (id: string) => {
    api<{ diagram: unknown }>(`/api/diagrams/${id}`).then(
      ({ diagram }) => {
        const opened = openDiagram(diagram);
        if (typeof opened === 'object' && opened.kind === 'concept-map') onTake(opened);
      },
      (error: unknown) => {
        if (!(error instanceof ApiError)) throw error;
        store.getState().notify([error.message]);
      },
    );
  };
  return (
    <select
      className="field w-44"
      aria-label="Take another of your maps for the key"
      value=""
      onFocus={gather}
      onPointerDown={gather}
      onChange={(event) => event.target.value !== '' && take(event.target.value)}
    >
      <option value="">{maps?.length === 0 ? 'no other map yet' : 'From another map …'}</option>
      {(maps ?? []).map(({ id, title }) => (
        <option key={id} value={id}>
          {title || 'Untitled'}
        </option>
      ))}
    </select>
  );
}
