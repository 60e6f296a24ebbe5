import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, useEffect, useRef, useState } from 'react';
import { byOrder, type Entry, own, limits } from '../../../../core/model';
import { detailColumn } from '../../../../core/kind';
import type { Venn, VennSet } from '../../../../core/kinds/venn';
import { useBench, useParts } from '../../context';
import { ColumnHeads, type Heading } from '../../list/ColumnHeads';
import { withWidth, type Widths } from '../../list/column-widths';
import { ListCell } from '../../list/ListCell';
import { NameCell } from '../../list/NameCell';
import { RowForm, rowForm } from '../../list/RowForm';
import { roomFor } from '../../list/room-for';
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

/** The tracks of the grid: the mark of the line, names and details by shares, sets as narrow as a tick needs; a width that was set by hand is kept to. */
function tracksOf(headings: readonly Heading[], set: Widths): string {
  const track = ({ id, stands }: Heading): string => {
    const width = own(set, id);
    if (width !== undefined) return `${width}px`;
    if (stands !== undefined) return stands === 'upright' ? '2.1rem' : '4.4rem';
    return id === 'name' ? 'minmax(6rem, 1.4fr)' : 'minmax(3rem, 1fr)';
  };
  return ['3px', ...headings.map(track)].join(' ');
}

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
    // What the headings take at most, so that no line is hidden under them.
    scrollPaddingStart: narrow ? 112 : 56,
  });
  const [widths, setWidths] = useState<Widths>({});
  const headings: readonly Heading[] = [
    { id: 'name', name: 'Name' },
    ...detailColumns.slice(0, details),
    ...sets.map(({ id, name }) => ({ id, name, stands: narrow ? ('upright' as const) : ('lines' as const) })),
  ];
  const tracks = tracksOf(headings, widths);
  const wanted = focus?.entry ?? selected;
  const at = wanted === null ? -1 : entries.findIndex((entry) => entry.id === wanted);
  useEffect(() => {
    if (at >= 0) rows.scrollToIndex(at);
  }, [at, focus, rows]);
  return (
    <div
      ref={frame}
      className="min-h-0 flex-1 overflow-auto border-t border-hair max-md:min-h-64 max-md:shrink-0"
      role="grid"
      onFocus={roomFor}
      onInput={roomFor}
      aria-label="List"
      aria-rowcount={entries.length + 1}
      aria-colcount={1 + details + sets.length}
    >
      <ColumnHeads
        columns={headings}
        tracks={tracks}
        set={widths}
        onWidth={(id, width) => setWidths((before) => withWidth(before, id, width))}
      />
      <div role="rowgroup" className="relative" style={{ height: rows.getTotalSize() }}>
        {rows.getVirtualItems().map((item) => {
          const entry = entries[item.index]!;
          return (
            <Row
              key={entry.id}
              entry={entry}
              top={item.start}
              line={item.index}
              tracks={tracks}
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
  /** Of the grid, shared by all lines. */
  readonly tracks: string;
  readonly sets: readonly VennSet[];
  readonly details: number;
  readonly members: readonly string[];
  readonly selected: boolean;
  readonly focusColumn: { readonly column: number } | null;
}

const Row = memo(function Row(props: RowProps) {
  const { entry, top, line, tracks, sets, details, members, selected, focusColumn } = props;
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
      className={`absolute inset-x-0 grid items-stretch border-b border-hair ${selected ? 'bg-mosswash' : ''}`}
      style={{ top, height: rowHeight, gridTemplateColumns: tracks }}
      onPointerDown={(event) => pressLine(store, entry.id, event)}
      onMouseDown={(event) => (event.shiftKey || event.ctrlKey || event.metaKey) && event.preventDefault()}
    >
      <RowForm entry={entry.id} />
      <span role="presentation" className={selected ? 'bg-moss' : ''} />
      <span role="gridcell" className="flex min-w-0">
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
        <span key={i} role="gridcell" className="flex min-w-0 border-l border-hair">
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
        <span key={set.id} role="gridcell" className="grid border-l border-hair">
          {/* The whole cell is what is pressed. */}
          <label className="grid cursor-pointer place-items-center">
            <input
              type="checkbox"
              form={rowForm(entry.id)}
              aria-label={`${name} in ${set.name}`}
              className="h-4 w-4 accent-moss max-md:h-6 max-md:w-6"
              data-column={1 + details + i}
              checked={members.includes(set.id)}
              onChange={() => {
                const { diagram, perform } = store.getState();
                if (diagram.kind === 'venn') perform(tick(diagram, entry.id, set.id));
              }}
              onFocus={() => focusLine(store, entry.id)}
              onKeyDown={keys}
            />
          </label>
        </span>
      ))}
    </div>
  );
});
