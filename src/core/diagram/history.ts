import { applyGesture } from './apply';
import type { Gesture } from './command';
import type { Diagram } from './diagram';

/** Undo and redo: inverses of one's own gestures. `undo` and `redo` hold gestures ready to apply, newest last. */
export interface History {
  readonly undo: readonly Gesture[];
  readonly redo: readonly Gesture[];
}

export const emptyHistory: History = { undo: [], redo: [] };
const deepest = 500;

/** `mergeInto`: this gesture goes on with the last one (typing in one name), so that one undo takes back both. */
export function recorded(history: History, inverse: Gesture, mergeInto = false): History {
  const last = history.undo.at(-1);
  if (mergeInto && last) {
    const merged = isSameProperty(inverse, last) ? last : [...inverse, ...last];
    return { undo: [...history.undo.slice(0, -1), merged], redo: [] };
  }
  return { undo: [...history.undo.slice(-deepest + 1), inverse], redo: [] };
}

/** True where taking back the last alone undoes both: each sets one and the same text. */
function isSameProperty([newer, ...rest]: Gesture, [older, ...more]: Gesture): boolean {
  if (!newer || !older || rest.length + more.length > 0) return false;
  if (newer.kind === 'rename' || newer.kind === 'setDetails') return older.kind === newer.kind && older.id === newer.id;
  return newer.kind === 'setTitle' && older.kind === 'setTitle';
}

export type Step =
  | { readonly ok: true; readonly diagram: Diagram; readonly gesture: Gesture; readonly history: History }
  | { readonly ok: false; readonly reason: string; readonly history: History };

/** Takes the last gesture back. One that others' edits have made impossible is passed over and its reason told. */
export function undo(diagram: Diagram, history: History): Step {
  const gesture = history.undo.at(-1);
  if (!gesture) return { ok: false, reason: 'There is nothing to take back.', history };
  const rest = history.undo.slice(0, -1);
  const outcome = applyGesture(diagram, gesture);
  if (!outcome.ok) return { ...outcome, history: { ...history, undo: rest } };
  return {
    ok: true,
    diagram: outcome.diagram,
    gesture,
    history: { undo: rest, redo: [...history.redo, outcome.inverse] },
  };
}

export function redo(diagram: Diagram, history: History): Step {
  const gesture = history.redo.at(-1);
  if (!gesture) return { ok: false, reason: 'There is nothing to do again.', history };
  const rest = history.redo.slice(0, -1);
  const outcome = applyGesture(diagram, gesture);
  if (!outcome.ok) return { ...outcome, history: { ...history, redo: rest } };
  return {
    ok: true,
    diagram: outcome.diagram,
    gesture,
    history: { undo: [...history.undo, outcome.inverse], redo: rest },
  };
}

/** A gesture of the log with what takes it back; gestures of one `step` are undone together. */
export interface LoggedStep {
  readonly inverse: Gesture;
  readonly step: string | null;
  readonly manner: 'do' | 'undo' | 'redo';
}

/** Undo and redo as they were after one's own gestures in a log, oldest first: what was undone can be done again, what was done can be undone. */
export function historyFrom(log: readonly LoggedStep[]): History {
  let undo: Gesture[] = [];
  let redo: Gesture[] = [];
  let last: string | null = null;
  for (const { inverse, step, manner } of log) {
    if (manner === 'undo') {
      undo = undo.slice(0, -1);
      redo = [...redo, inverse];
    } else if (manner === 'redo') {
      redo = redo.slice(0, -1);
      undo = [...undo, inverse];
    } else {
      const before = undo.at(-1);
      undo =
        step !== null && step === last && before ? [...undo.slice(0, -1), [...inverse, ...before]] : [...undo, inverse];
      redo = [];
    }
    last = manner === 'do' ? step : null;
  }
  return { undo: undo.slice(-deepest), redo };
}
