import { own } from '../../../core/model';
import { DndContext, DragOverlay, PointerSensor, useSensor, useSensors, type DragMoveEvent } from '@dnd-kit/core';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useMemo, useRef, useState, type RefObject } from 'react';
import { childrenOf, moveAllUnder, moveTo, moveUnder, tierCount } from '../../../core/hierarchy';
import { isUnder } from '../../../core/edit';
import { kindOf } from '../../../core/diagram';
import { useBench, useParts } from '../context';
import { entriesOf } from '../selection';
import { movingWords } from './drop-words';
import type { TreeBenchWords } from './words';
import { ColumnHeads, headHeight } from '../list/ColumnHeads';
import { roomFor } from '../list/room-for';
import { tracksOf, usualLength, withWidth, type Widths } from '../list/column-widths';
import { ListRow, rowHeight } from './ListRow';

type Drop = { readonly id: string; readonly where: 'before' | 'under' | 'after' };

/** The outline grid. Dragging stands around the lines, which are drawn anew without it. */
export function ListGrid({ words: told }: { words: TreeBenchWords }) {
  const { store } = useParts();
  const frame = useRef<HTMLDivElement>(null);
  const [moving, setMoving] = useState<string | null>(null);
  const [drop, setDrop] = useState<Drop | null>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 5 } }));

  function over(event: DragMoveEvent): Drop | null {
    const box = frame.current?.getBoundingClientRect();
    const start = event.activatorEvent as PointerEvent;
    if (!box || !frame.current) return null;
    const { structure, diagram } = store.getState();
    const under = kindOf(diagram.kind).edits.noneUnderAnother === null;
    const y = start.clientY + event.delta.y - box.top + frame.current.scrollTop - headHeight;
    const line = Math.floor(y / rowHeight);
    const index = structure.outline[line];
    if (index === undefined || line < 0) return null;
    const within = y / rowHeight - line;
    return {
      id: structure.ids[index]!,
      where: within < (under ? 0.28 : 0.5) ? 'before' : within > 0.72 || !under ? 'after' : 'under',
    };
  }

  function end(): void {
    if (moving && drop) {
      const { diagram, perform } = store.getState();
      const target = own(diagram.entries, drop.id)!;
      const several = entriesOf(store.getState().selection);
      if (drop.where === 'under' && several.length > 1 && several.includes(moving))
        perform(moveAllUnder(diagram, several, drop.id));
      else if (drop.where === 'under') perform(moveUnder(diagram, moving, drop.id));
      else if (!isUnder(diagram.entries, drop.id, moving)) {
        const siblings = childrenOf(diagram, target.parent).filter((entry) => entry.id !== moving);
        const at = siblings.findIndex((entry) => entry.id === drop.id) + (drop.where === 'after' ? 1 : 0);
        perform(moveTo(diagram, moving, target.parent, at));
      }
    }
    setMoving(null);
    setDrop(null);
  }

  const words = (): string => {
    if (!moving) return '';
    const { diagram } = store.getState();
    if (!drop || drop.where === 'under') return movingWords(diagram, moving, drop?.id ?? null, told).words;
    return `${own(diagram.entries, moving)?.name || 'This entry'} goes ${drop.where} ${own(diagram.entries, drop.id)?.name || 'this entry'}`;
  };

  return (
    <DndContext
      sensors={sensors}
      onDragStart={(event) => setMoving(String(event.active.id))}
      onDragMove={(event) => setDrop(over(event))}
      onDragEnd={end}
      onDragCancel={() => (setMoving(null), setDrop(null))}
    >
      <Lines frame={frame} drop={drop?.id === moving ? null : drop} />
      <DragOverlay dropAnimation={null}>
        {moving && <p className="w-64 border border-moss bg-paper px-2 py-1 text-sm">{words()}</p>}
      </DragOverlay>
    </DndContext>
  );
}

/** Only the lines in view are in the document. */
function Lines({ frame, drop }: { frame: RefObject<HTMLDivElement | null>; drop: Drop | null }) {
  const { store } = useParts();
  const structure = useBench((state) => state.structure);
  const entries = useBench((state) => state.diagram.entries);
  const kind = useBench((state) => state.diagram.kind);
  const focus = useBench((state) => state.focus);
  const selected = useBench((state) => state.selected);
  const selection = useBench((state) => state.selection);
  const picked = useMemo(() => new Set(entriesOf(selection)), [selection]);
  const rows = useVirtualizer({
    count: structure.outline.length,
    getScrollElement: () => frame.current,
    estimateSize: () => rowHeight,
    overscan: 8,
    scrollPaddingStart: headHeight,
  });
  const columns = useBench(({ diagram }) => kindOf(kind).shownColumns?.(diagram) ?? kindOf(kind).columns);
  const [widths, setWidths] = useState<Widths>({});
  // Widths follow the content when the list is opened and when lines come or go, not while a cell is typed in.
  const lengths = useMemo(() => {
    const { diagram } = store.getState();
    const ids = structure.ids.slice(0, 400);
    const names = ids.map((id) => own(diagram.entries, id)?.name ?? '');
    return [
      usualLength(names, 'Name'),
      ...columns.map((column) =>
        usualLength(
          ids.map((id) => column.show(diagram, id)),
          column.name,
        ),
      ),
    ];
  }, [store, structure, columns]);
  const tracks = tracksOf(columns, lengths, Math.min(9, tierCount(structure) - 1) * 13, widths);

  const wanted = focus?.entry ?? selected;
  useEffect(() => {
    if (wanted === null) return;
    const { structure: now } = store.getState();
    const at = now.outline.indexOf(now.index.get(wanted) ?? -1);
    if (at < 0) return;
    rows.scrollToIndex(at);
    // Once more when what is told of the line below the list has taken its room.
    const later = requestAnimationFrame(() => rows.scrollToIndex(at));
    return () => cancelAnimationFrame(later);
  }, [wanted, focus, rows, store]);

  return (
    <div
      ref={frame}
      className="min-h-0 flex-1 overflow-auto border-t border-hair [@media(max-height:519px)]:min-h-44"
      role="treegrid"
      onFocus={roomFor}
      onInput={roomFor}
      aria-label="List"
      aria-rowcount={structure.outline.length + 1}
      aria-colcount={columns.length + 1}
    >
      <ColumnHeads
        columns={[{ id: 'name', name: 'Name' }, ...columns]}
        tracks={tracks}
        set={widths}
        onWidth={(id, width) => setWidths((before) => withWidth(before, id, width))}
      />
      <div role="rowgroup" className="relative" style={{ height: rows.getTotalSize() }}>
        {rows.getVirtualItems().map((item) => {
          const index = structure.outline[item.index]!;
          const id = structure.ids[index]!;
          const entry = own(entries, id);
          return (
            entry && (
              <ListRow
                key={id}
                entry={entry}
                top={item.start}
                line={item.index}
                tier={structure.tier[index]!}
                columns={columns}
                tracks={tracks}
                selected={picked.has(id)}
                focusColumn={focus?.entry === id ? focus : null}
                drop={drop?.id === id ? drop.where : null}
              />
            )
          );
        })}
      </div>
      {structure.outline.length === 0 && (
        <p className="p-4 text-muted">
          The list is empty. Choose <strong>Add next</strong>, or paste lines into <strong>As text</strong>.
        </p>
      )}
    </div>
  );
}
