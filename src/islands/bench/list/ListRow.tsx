import { useDraggable } from '@dnd-kit/core';
import { GripVertical } from 'lucide-react';
import { memo, useEffect, useRef } from 'react';
import type { Entry } from '../../../core/model';
import { kindOf } from '../../../core/diagram';
import { useParts } from '../context';
import type { Cell } from '../store';
import { changeDetail } from './change-detail';
import { useCellKeys } from './useCellKeys';
import { pasteLines } from './paste-lines';
import { RowForm, rowForm } from './RowForm';

export const rowHeight = 30;
const indentPx = 13;
const deepestIndent = 9;

interface Props {
  readonly entry: Entry;
  readonly top: number;
  readonly line: number;
  readonly tier: number;
  readonly columns: readonly string[];
  readonly selected: boolean;
  readonly focusColumn: Cell | null;
  readonly drop: 'before' | 'under' | 'after' | null;
}

/** One line: the grip, the name indented by its tier, the detail columns. */
export const ListRow = memo(function ListRow({ entry, top, line, tier, columns, selected, focusColumn, drop }: Props) {
  const { store } = useParts();
  const row = useRef<HTMLDivElement>(null);
  const keys = useCellKeys(entry.id);
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: entry.id });

  useEffect(() => {
    if (!focusColumn) return;
    const input = row.current?.querySelectorAll('input')[focusColumn.column];
    input?.focus();
    input?.setSelectionRange(input.value.length, input.value.length);
  }, [focusColumn]);

  const change = (column: number, value: string) => {
    const { perform } = store.getState();
    const merge = `cell:${entry.id}:${column}`;
    if (column === 0) return perform([{ kind: 'rename', id: entry.id, name: value }], { merge });
    return perform([changeDetail(entry, column - 1, value)], { merge });
  };
  const role =
    entry.role === null
      ? ''
      : (kindOf(store.getState().diagram.kind).roles.find(({ id }) => id === entry.role)?.name ?? entry.role);
  return (
    <div
      ref={row}
      role="row"
      aria-rowindex={line + 2}
      aria-level={tier}
      aria-selected={selected}
      className={`absolute inset-x-0 flex items-stretch border-b border-hair ${selected ? 'bg-mosswash' : ''} ${isDragging ? 'opacity-50' : ''} ${drop === 'under' ? 'outline-2 -outline-offset-2 outline-moss' : ''} ${drop === 'before' ? 'border-t-2 border-t-moss' : ''} ${drop === 'after' ? 'border-b-2 border-b-moss' : ''}`}
      style={{ top, height: rowHeight }}
      onPointerDown={() => store.getState().select(entry.id)}
    >
      <RowForm entry={entry.id} />
      <span
        ref={setNodeRef}
        {...listeners}
        className={`flex w-6 shrink-0 cursor-grab touch-none items-center justify-center border-l-[3px] text-muted ${selected ? 'border-moss' : 'border-transparent'}`}
        title="Drag to move the branch"
      >
        <GripVertical size={13} aria-hidden="true" />
      </span>
      {columns.map((column, i) => (
        <span
          key={column}
          role="gridcell"
          className={`flex min-w-0 ${i === 0 ? 'flex-[2.2]' : 'flex-1 border-l border-hair'}`}
          style={i === 0 ? { paddingLeft: Math.min(tier - 1, deepestIndent) * indentPx } : undefined}
        >
          <input
            form={rowForm(entry.id)}
            aria-label={
              i === 0
                ? `Name, line ${line + 1}, tier ${tier}${role ? `, ${role}` : ''}`
                : `${column} of ${entry.name || `line ${line + 1}`}`
            }
            className={`h-full w-full min-w-0 bg-transparent px-1 -outline-offset-2 ${i === 0 ? 'font-semibold' : 'text-sm text-muted'} ${entry.role === 'vacancy' && i === 0 ? 'italic' : ''}`}
            data-column={i}
            title={i === 0 ? entry.name : (entry.details[i - 1] ?? '')}
            value={i === 0 ? entry.name : (entry.details[i - 1] ?? '')}
            placeholder={i === 0 ? 'Name' : ''}
            onChange={(event) => change(i, event.target.value)}
            onFocus={() => store.getState().select(entry.id)}
            onKeyDown={keys}
            onPaste={(event) => {
              if (pasteLines(store, entry.id, event.clipboardData.getData('text/plain'))) event.preventDefault();
            }}
          />
        </span>
      ))}
    </div>
  );
});
