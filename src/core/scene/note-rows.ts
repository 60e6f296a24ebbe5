import type { DiagramCommon, SheetNote } from '../model';
import type { Look } from '../style';
import { breakNote, noteGroup, type BrokenNote } from './set-note';
import type { SceneGroup } from './scene';

const columns = ['left', 'middle', 'right'] as const;
type Column = (typeof columns)[number];
/** Between columns, and between notes below each other. CSS px. */
const apart = { across: 20, down: 8 } as const;

/** Notes side by side above or below the drawing. */
export interface NoteRow {
  readonly height: number;
  readonly cells: readonly { readonly at: Column; readonly notes: readonly BrokenNote[] }[];
}

const onSheet = ({ notes }: Pick<DiagramCommon, 'notes'>, row: 'above' | 'below', at: Column): SheetNote[] =>
  Object.values(notes)
    .filter(({ place, text }) => place.kind === 'sheet' && place.row === row && place.at === at && text.trim() !== '')
    .sort((a, b) => (a.id < b.id ? -1 : 1));

/** The notes of a row broken to their share of `width` CSS px. */
export function noteRow(diagram: Pick<DiagramCommon, 'notes'>, row: 'above' | 'below', width: number): NoteRow {
  const filled = columns.flatMap((at) => {
    const notes = onSheet(diagram, row, at);
    return notes.length === 0 ? [] : [{ at, notes }];
  });
  const room = (width - (filled.length - 1) * apart.across) / Math.max(1, filled.length);
  const cells = filled.map(({ at, notes }) => ({ at, notes: notes.map((note) => breakNote(note, room)) }));
  const heightOf = (notes: readonly BrokenNote[]): number =>
    notes.reduce((sum, { height }) => sum + height, (notes.length - 1) * apart.down);
  return { cells, height: Math.max(0, ...cells.map(({ notes }) => heightOf(notes))) };
}

/** The groups of a row that begins at a height, between two edges. CSS px. */
export function rowGroups(
  { cells }: NoteRow,
  look: Look,
  { left, right, y }: { readonly left: number; readonly right: number; readonly y: number },
): SceneGroup[] {
  return cells.flatMap(({ at, notes }) => {
    let top = y;
    return notes.map((broken) => {
      const { width, height } = broken;
      const x = at === 'left' ? left : at === 'right' ? right - width : (left + right - width) / 2;
      const group = noteGroup(broken, look, { x, y: top });
      top += height + apart.down;
      return group;
    });
  });
}
