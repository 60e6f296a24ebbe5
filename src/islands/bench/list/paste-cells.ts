import { applyGesture, type Diagram, type Gesture } from '../../../core/diagram';
import type { ListColumn } from '../../../core/kind';
import { own } from '../../../core/model';
import { addition } from '../edit-actions';
import type { BenchStore } from '../store';

/** Cells as they are copied from a table: parted by tabs, one row a line; one in quotes may hold line ends, which become blanks. O(characters). */
export function rowsOf(text: string): string[][] {
  const plain = text.replace(/\r\n?/g, '\n').replace(/\n$/, '');
  const rows: string[][] = [[]];
  for (let at = 0; at <= plain.length;) {
    const quoted = plain[at] === '"' ? endOfQuotes(plain, at) : null;
    const end = quoted ?? endOfCell(plain, at);
    const cell = quoted === null ? plain.slice(at, end) : plain.slice(at + 1, end - 1).replaceAll('""', '"');
    rows.at(-1)!.push(cell.replaceAll('\n', ' ').trim());
    if (plain[end] === '\n') rows.push([]);
    at = end + 1;
  }
  return rows;
}

function endOfCell(text: string, from: number): number {
  let end = from;
  while (end < text.length && text[end] !== '\t' && text[end] !== '\n') end++;
  return end;
}

/** Where a cell in quotes ends, after its closing sign; null where the quotes do not go around a whole cell. */
function endOfQuotes(text: string, from: number): number | null {
  for (let at = from + 1; at < text.length; at++) {
    if (text[at] !== '"') continue;
    if (text[at + 1] === '"') at++;
    else return at + 1 === text.length || text[at + 1] === '\t' || text[at + 1] === '\n' ? at + 1 : null;
  }
  return null;
}

/**
 * Cells pasted on a cell of the list fill it and those below and to the right of it; lines are only added below the last. On names that is done where
 * cells came with others beside them, as several lines alone are a list. False where the text is a single cell, or is not cells.
 */
export function pasteCells(
  store: BenchStore,
  { entry, column, text }: { readonly entry: string; readonly column: number; readonly text: string },
  columns: readonly ListColumn[],
): boolean {
  const rows = rowsOf(text);
  const isBlock = rows.length > 1 || rows[0]!.length > 1;
  const { diagram, structure, perform, notify } = store.getState();
  const named = own(diagram.entries, entry)?.name !== '';
  if (!isBlock || (column === 0 && (rows[0]!.length === 1 || !named))) return false;
  const from = structure.outline.indexOf(structure.index.get(entry) ?? -1);
  if (from < 0) return false;
  const lines = Array.from(structure.outline, (i) => structure.ids[i]!);
  const done: Filling = { diagram, gesture: [], reasons: [] };
  let last = lines.at(-1)!;
  rows.forEach((cells, r) => {
    let id = lines[from + r];
    if (id === undefined) {
      const made = addition(done.diagram, 'next', last);
      if (!made || !take(done, made.gesture)) return;
      id = last = made.added;
    }
    cells.forEach((cell, c) => fill(done, id, columns[column + c - 1] ?? null, { at: column + c, cell }));
  });
  const wide = Math.max(...rows.map((cells) => cells.length));
  const over = column + wide - 1 - columns.length;
  if (over > 0)
    done.reasons.push(`The last ${over === 1 ? 'column' : `${over} columns`} of what was pasted found no column here.`);
  if (done.gesture.length > 0) perform(done.gesture, { select: entry, focus: { entry, column } });
  if (done.reasons.length > 0) notify([...new Set(done.reasons)].slice(0, 3));
  return true;
}

interface Filling {
  diagram: Diagram;
  readonly gesture: Gesture[number][];
  readonly reasons: string[];
}

function take(done: Filling, gesture: Gesture): boolean {
  if (gesture.length === 0) return true;
  const outcome = applyGesture(done.diagram, gesture);
  if (!outcome.ok) {
    done.reasons.push(outcome.reason);
    return false;
  }
  done.diagram = outcome.diagram;
  done.gesture.push(...gesture);
  return true;
}

function fill(
  done: Filling,
  entry: string,
  column: ListColumn | null,
  { at, cell }: { readonly at: number; readonly cell: string },
): void {
  if (at === 0) return void (cell !== '' && take(done, [{ kind: 'rename', id: entry, name: cell.slice(0, 400) }]));
  if (!column) return;
  const written = column.write(done.diagram, entry, cell);
  if (written.ok) take(done, written.gesture as Gesture);
  else done.reasons.push(written.reason);
}
