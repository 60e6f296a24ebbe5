import type { ComponentProps } from 'react';
import { useParts } from '../context';
import { LitRow } from './FigureTable';

/** A row of figures about an entry: its name selects it, pointing at the row or coming to the name lights what the figures are of. */
export function EntryRow({
  entry,
  indent = 0,
  light,
  cells,
}: {
  entry: { readonly id: string; readonly name: string };
  /** CSS px. */
  indent?: number;
} & Pick<ComponentProps<typeof LitRow>, 'light' | 'cells'>) {
  const { store } = useParts();
  return (
    <LitRow
      light={light}
      about={
        <button
          className="text-left hover:underline"
          style={{ paddingLeft: indent }}
          onFocus={light}
          onClick={() => store.getState().select(entry.id)}
        >
          {entry.name || 'No name yet'}
        </button>
      }
      cells={cells}
    />
  );
}
