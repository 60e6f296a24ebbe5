import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, useEffect, useRef } from 'react';
import { byOrder, type Entry, own, limits } from '../../../../core/model';
import { detailColumn } from '../../../../core/kind';
import type { Venn, VennSet } from '../../../../core/kinds/venn';
import { useBench, useParts } from '../../context';
import { ListCell } from '../../list/ListCell';
import { NameCell } from '../../list/NameCell';
import { RowForm, rowForm } from '../../list/RowForm';
import { focusLine, pressLine, useCellKeys } from '../../list/useCellKeys';
import { entriesOf } from '../../selection';
import { pasteItems, tick } from './set-actions';

const rowHeight = 30;
const noSets: readonly string[] = [];

interface GridProps {
  readonly diagram: Venn;
  readonly sets: readonly VennSet[];
  /** How many columns of details there are. */
  readonly details: number;
}

const detailHeading = (i: number): string => (i === 0 ? 'Detail' : `Detail ${i + 1}`);

/** One for each detail line that there can be, so that a cell keeps its column. */
const detailColumns = Array.from({ length: limits.details }, (_, i) => detailColumn(i, detailHeading(i)));

/** Entries by sets: a name, details, and a box to tick for each set. Only the lines in view are in the document. */
export function MembershipGrid({ diagram, sets, details }: GridProps) {
  const frame = useRef<HTMLDivElement>(null);
  const focus = useBench((state) => state.focus);
  const selected = useBench((state) => state.selected);
  const picked = new Set(entriesOf(useBench((state) => state.selection)));
  const entries = Object.values(diagram.entries).sort(byOrder);
  // Names need their room: where there are many columns, theirs are narrow and the names of sets stand upright.
  const narrow = sets.length + details > 3;
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
      style={{ '--tick': narrow ? '2.1rem' : '4.4rem' } as React.CSSProperties}
      role="grid"
      aria-label="List"
      aria-rowcount={entries.length + 1}
      aria-colcount={1 + details + sets.length}
    >
      <div role="row" aria-rowindex={1} className="sticky top-0 z-[5] flex items-end border-b border-edge bg-paper">
        <span role="columnheader" className="label flex-[1.4] px-3 py-1">
          Name
        </span>
        {Array.from({ length: details }, (_, i) => (
          <span key={i} role="columnheader" className="label min-w-0 flex-1 px-2 py-1">
            {detailHeading(i)}
          </span>
        ))}
        {sets.map((set) => (
          <span
            key={set.id}
            role="columnheader"
            title={set.name}
            className="flex w-[var(--tick)] shrink-0 justify-center text-[12px] leading-tight font-semibold"
          >
            <span
              className={
                narrow
                  ? 'max-h-28 rotate-180 overflow-hidden px-1.5 whitespace-nowrap [writing-mode:vertical-rl]'
                  : 'line-clamp-3 px-0.5 py-1 text-center wrap-break-word hyphens-auto'
              }
            >
              {set.name || '–'}
            </span>
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
              details={details}
              members={own(diagram.venn.members, entry.id) ?? noSets}
              selected={picked.has(entry.id)}
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
  readonly details: number;
  readonly members: readonly string[];
  readonly selected: boolean;
  readonly focusColumn: { readonly column: number } | null;
}

const Row = memo(function Row(props: RowProps) {
  const { entry, top, line, sets, details, members, selected, focusColumn } = props;
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
      onPointerDown={(event) => pressLine(store, entry.id, event)}
      onMouseDown={(event) => (event.shiftKey || event.ctrlKey || event.metaKey) && event.preventDefault()}
    >
      <RowForm entry={entry.id} />
      <span role="gridcell" className="flex min-w-0 flex-[1.4]">
        {entry.image && (
          <img
            src={`/api/pictures/${entry.image.id}`}
            alt=""
            className="ml-1 h-6 w-6 shrink-0 self-center object-cover"
          />
        )}
        <NameCell
          entry={entry}
          label={`Name, line ${line + 1}`}
          className="px-2"
          keys={keys}
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
      {Array.from({ length: details }, (_, i) => (
        <span key={i} role="gridcell" className="flex min-w-0 flex-1 border-l border-hair">
          <ListCell
            entry={entry.id}
            column={detailColumns[i]!}
            at={1 + i}
            label={`${detailHeading(i)} of ${name}`}
            keys={keys}
          />
        </span>
      ))}
      {sets.map((set, i) => (
        <span
          key={set.id}
          role="gridcell"
          className="grid w-[var(--tick)] shrink-0 place-items-center border-l border-hair"
        >
          <input
            type="checkbox"
            form={rowForm(entry.id)}
            aria-label={`${name} in ${set.name}`}
            className="h-4 w-4 accent-moss"
            data-column={1 + details + i}
            checked={members.includes(set.id)}
            onChange={() => {
              const { diagram, perform } = store.getState();
              if (diagram.kind === 'venn') perform(tick(diagram, entry.id, set.id));
            }}
            onFocus={() => focusLine(store, entry.id)}
            onKeyDown={keys}
          />
        </span>
      ))}
    </div>
  );
});
