import { useDraggable } from '@dnd-kit/core';
import { GripVertical } from 'lucide-react';
import { memo, useEffect, useRef, type ClipboardEvent } from 'react';
import type { ListColumn } from '../../../core/kind';
import type { Entry } from '../../../core/model';
import { kindOf } from '../../../core/diagram';
import { useParts } from '../context';
import type { Cell } from '../store';
import { ListCell } from '../list/ListCell';
import { NameCell } from '../list/NameCell';
import { pressLine, useCellKeys } from '../list/useCellKeys';
import { pasteCells } from '../list/paste-cells';
import { pasteLines } from './paste-lines';
import { RowForm } from '../list/RowForm';

export const rowHeight = 30;
const indentPx = 13;
const deepestIndent = 9;

interface Props {
  readonly entry: Entry;
  readonly top: number;
  readonly line: number;
  readonly tier: number;
  readonly columns: readonly ListColumn[];
  /** Of the grid, shared by all lines. */
  readonly tracks: string;
  readonly selected: boolean;
  readonly focusColumn: Cell | null;
  readonly drop: 'before' | 'under' | 'after' | null;
}

/** One line: the grip, the name indented by its tier, the detail columns. */
export const ListRow = memo(function ListRow(props: Props) {
  const { entry, top, line, tier, columns, tracks, selected, focusColumn, drop } = props;
  const { store } = useParts();
  const row = useRef<HTMLDivElement>(null);
  const keys = useCellKeys(entry.id);
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: entry.id });

  useEffect(() => {
    if (!focusColumn) return;
    const input = row.current?.querySelector<HTMLInputElement>(`[data-column="${focusColumn.column}"]`);
    input?.focus();
    if (input?.type === 'text') input.setSelectionRange(input.value.length, input.value.length);
  }, [focusColumn]);

  const paste = (column: number) => (event: ClipboardEvent<HTMLInputElement>) => {
    const text = event.clipboardData.getData('text/plain');
    const taken =
      pasteCells(store, { entry: entry.id, column, text }, columns) ||
      (column === 0 && pasteLines(store, entry.id, text));
    if (taken) event.preventDefault();
  };
  const role = kindOf(store.getState().diagram.kind).roles.find(({ id }) => id === entry.role);
  return (
    <div
      ref={row}
      role="row"
      aria-rowindex={line + 2}
      aria-level={tier}
      aria-selected={selected}
      className={`absolute inset-x-0 grid items-stretch border-b border-hair ${selected ? 'bg-mosswash' : ''} ${isDragging ? 'opacity-50' : ''} ${drop === 'under' ? 'outline-2 -outline-offset-2 outline-moss' : ''} ${drop === 'before' ? 'border-t-2 border-t-moss' : ''} ${drop === 'after' ? 'border-b-2 border-b-moss' : ''}`}
      style={{ top, height: rowHeight, gridTemplateColumns: tracks }}
      onPointerDown={(event) => pressLine(store, entry.id, event)}
      onMouseDown={(event) => (event.shiftKey || event.ctrlKey || event.metaKey) && event.preventDefault()}
    >
      <RowForm entry={entry.id} />
      <span
        ref={setNodeRef}
        {...listeners}
        className={`flex cursor-grab touch-none items-center justify-center border-l-[3px] text-muted ${selected ? 'border-moss' : 'border-transparent'}`}
        title="Drag to move the branch"
      >
        <GripVertical size={13} aria-hidden="true" />
      </span>
      <span
        role="gridcell"
        className="flex min-w-0"
        style={{ paddingLeft: Math.min(Math.max(0, tier - 1), deepestIndent) * indentPx }}
      >
        <NameCell
          entry={entry}
          label={`Name, line ${line + 1}, tier ${tier}${role ? `, ${role.name}` : ''}`}
          className={`px-1 ${role?.open ? 'italic' : ''}`}
          keys={keys}
          onPaste={paste(0)}
        />
      </span>
      {columns.map((column, i) => (
        <span
          key={column.id}
          role="gridcell"
          className={`flex min-w-0 border-l border-hair ${i === columns.length - 1 ? 'justify-end' : ''}`}
        >
          <ListCell
            entry={entry.id}
            column={column}
            at={i + 1}
            label={`${column.name} of ${entry.name || `line ${line + 1}`}`}
            keys={keys}
            onPaste={paste(i + 1)}
          />
        </span>
      ))}
    </div>
  );
});
