import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, useEffect, useRef } from 'react';
import { byOrder, type Entry, type Venn, type VennSet } from '../../../../core/model';
import { useBench, useParts } from '../../context';
import { useCellKeys } from '../../list/useCellKeys';
import { pasteItems, tick } from './set-actions';

const rowHeight = 30;
const noSets: readonly string[] = [];

/** Entries by sets: a name, a detail, and a box to tick for each set. Only the lines in view are in the document. */
export function MembershipGrid({ diagram, sets }: { diagram: Venn; sets: readonly VennSet[] }) {
  const frame = useRef<HTMLDivElement>(null);
  const focus = useBench((state) => state.focus);
  const selected = useBench((state) => state.selected);
  const entries = Object.values(diagram.entries).sort(byOrder);
  const rows = useVirtualizer({
    count: entries.length,
    getScrollElement: () => frame.current,
    estimateSize: () => rowHeight,
    overscan: 8,
  });
  const wanted = focus?.entry ?? selected;
  const at = wanted === null ? -1 : entries.findIndex((entry) => entry.id === wanted);
  useEffect(() => {
    if (at >= 0) rows.scrollToIndex(at);
  }, [at, focus, rows]);
  return (
    <div
      ref={frame}
      className="min-h-0 flex-1 overflow-auto border-t border-hair max-md:min-h-64 max-md:shrink-0"
      style={{ '--tick': sets.length > 4 ? '3.5rem' : '4.4rem' } as React.CSSProperties}
      role="grid"
      aria-label="List"
      aria-rowcount={entries.length + 1}
      aria-colcount={sets.length + 1}
    >
      <div role="row" aria-rowindex={1} className="sticky top-0 z-[5] flex items-end border-b border-edge bg-paper">
        <span role="columnheader" className="label flex-1 px-3 py-1">
          Name
        </span>
        {sets.map((set) => (
          <span
            key={set.id}
            role="columnheader"
            title={set.name}
            className="line-clamp-3 w-[var(--tick)] px-0.5 py-1 text-center text-[12px] leading-tight font-semibold wrap-break-word hyphens-auto"
          >
            {set.name || '–'}
          </span>
        ))}
      </div>
      <div role="rowgroup" className="relative" style={{ height: rows.getTotalSize() }}>
        {rows.getVirtualItems().map((item) => {
          const entry = entries[item.index]!;
          return (
            <Row
              key={entry.id}
              entry={entry}
              top={item.start}
              line={item.index}
              sets={sets}
              members={diagram.venn.members[entry.id] ?? noSets}
              selected={selected === entry.id}
              focusColumn={focus?.entry === entry.id ? focus : null}
            />
          );
        })}
      </div>
      {entries.length === 0 && (
        <p className="p-4 text-muted">
          The list is empty. Choose <strong>Add next</strong>.
        </p>
      )}
    </div>
  );
}

interface RowProps {
  readonly entry: Entry;
  readonly top: number;
  readonly line: number;
  readonly sets: readonly VennSet[];
  readonly members: readonly string[];
  readonly selected: boolean;
  readonly focusColumn: { readonly column: number } | null;
}

const Row = memo(function Row({ entry, top, line, sets, members, selected, focusColumn }: RowProps) {
  const { store } = useParts();
  const row = useRef<HTMLDivElement>(null);
  const keys = useCellKeys(entry.id);
  useEffect(() => {
    if (!focusColumn) return;
    const input = row.current?.querySelector<HTMLInputElement>(`[data-column="${focusColumn.column}"]`);
    input?.focus();
    if (input?.type === 'text') input.setSelectionRange(input.value.length, input.value.length);
  }, [focusColumn]);
  const name = entry.name || `line ${line + 1}`;
  return (
    <div
      ref={row}
      role="row"
      aria-rowindex={line + 2}
      aria-selected={selected}
      className={`absolute inset-x-0 flex items-stretch border-b border-hair ${selected ? 'border-l-[3px] border-l-moss bg-mosswash' : 'border-l-[3px] border-l-transparent'}`}
      style={{ top, height: rowHeight }}
      onPointerDown={() => store.getState().select(entry.id)}
    >
      <span role="gridcell" className="flex min-w-0 flex-1">
        {entry.image && (
          <img
            src={`/api/pictures/${entry.image.id}`}
            alt=""
            className="ml-1 h-6 w-6 shrink-0 self-center object-cover"
          />
        )}
        <input
          type="text"
          aria-label={`Name, line ${line + 1}`}
          className="h-full w-full min-w-0 bg-transparent px-2 font-semibold -outline-offset-2"
          data-column={0}
          value={entry.name}
          placeholder="Name"
          onChange={(event) =>
            store.getState().perform([{ kind: 'rename', id: entry.id, name: event.target.value }], {
              merge: `cell:${entry.id}:0`,
            })
          }
          onFocus={() => store.getState().select(entry.id)}
          onKeyDown={keys}
          onPaste={(event) => {
            const pasted = pasteItems(store.getState().diagram, entry.id, event.clipboardData.getData('text/plain'));
            if (!pasted) return;
            event.preventDefault();
            store.getState().perform(pasted.gesture, {
              select: pasted.last,
              focus: { entry: pasted.last, column: 0 },
            });
          }}
        />
      </span>
      {sets.map((set, i) => (
        <span
          key={set.id}
          role="gridcell"
          className="grid w-[var(--tick)] shrink-0 place-items-center border-l border-hair"
        >
          <input
            type="checkbox"
            aria-label={`${name} in ${set.name}`}
            className="h-4 w-4 accent-moss"
            data-column={i + 1}
            checked={members.includes(set.id)}
            onChange={() => {
              const { diagram, perform } = store.getState();
              if (diagram.kind === 'venn') perform(tick(diagram, entry.id, set.id));
            }}
            onFocus={() => store.getState().select(entry.id)}
            onKeyDown={keys}
          />
        </span>
      ))}
    </div>
  );
});
