import { own } from '../../core/model';
import { create } from 'zustand';
import { applyGesture, emptyHistory, recorded, redo, undo, type Gesture, type History } from '../../core/diagram';
import { Command } from '../../core/diagram';
import { check, draw, kindOf, type Drawn } from '../../core/diagram';
import type { Finding } from '../../core/model';
import type { Diagram, Scope } from '../../core/diagram';
import { drawAway } from '../../workers/draw-away';
import { newId } from '../shared/ids';
import type { Visitor } from '../shared/live';
import type { Lost, SaveState, Syncing } from './sync';

export const steps = ['list', 'arrange', 'style', 'figures', 'notes', 'hand-out'] as const;
export type StepId = (typeof steps)[number];

export interface Cell {
  readonly entry: string;
  /** 0 is the name, then the details. */
  readonly column: number;
}

export interface BenchState {
  readonly diagram: Diagram;
  readonly drawn: Drawn;
  readonly findings: readonly Finding[];
  readonly history: History;
  readonly selected: string | null;
  /** The cell of the list that asks for the focus; a new object each time. */
  readonly focus: Cell | null;
  /** The entry whose name is being edited in the drawing. */
  readonly editing: string | null;
  readonly step: StepId;
  readonly scope: Scope;
  /** Entries lit in the drawing because something about them is pointed at. */
  readonly lit: ReadonlySet<string>;
  /** Regions lit likewise, by key. */
  readonly litRegions: ReadonlySet<string>;
  /** A drawing shown for trial while something is pointed at. */
  readonly trial: Drawn | null;
  readonly save: SaveState;
  readonly here: readonly Visitor[];
  readonly notices: readonly string[];
  /** What was done here and the server will never take. */
  readonly lost: readonly Lost[];
  /** True where unsent work does not outlive this window. */
  readonly atRisk: boolean;
  /** The entry whose removal is being asked about. */
  readonly removing: string | null;
  readonly shortcutsShown: boolean;

  /** Applies a gesture, draws, records the way back, and sends it. False where it was refused. */
  perform(gesture: Gesture | null, options?: { merge?: string; select?: string; focus?: Cell }): boolean;
  undo(): void;
  redo(): void;
  /** Takes a Diagram that changed from outside. */
  take(diagram: Diagram): void;
  select(id: string | null): void;
  tryOut(gesture: Gesture | null): void;
  set(
    patch: Partial<
      Pick<
        BenchState,
        | 'focus'
        | 'editing'
        | 'step'
        | 'scope'
        | 'lit'
        | 'litRegions'
        | 'save'
        | 'here'
        | 'lost'
        | 'atRisk'
        | 'removing'
        | 'shortcutsShown'
      >
    >,
  ): void;
  notify(messages: readonly string[]): void;
  dismiss(message: string): void;
}

const nothingLit: ReadonlySet<string> = new Set();
const notDrawn =
  'This could not be drawn; the drawing shown is the one before. Take the change back, or load the page again.';

/** One store a bench; `sync` sends what is done. */
export function createBench(diagram: Diagram, sync: Pick<Syncing, 'add'>, history: History = emptyHistory) {
  let wanted = diagram;
  let trying: Diagram | null = null;
  let checking: ReturnType<typeof setTimeout> | null = null;
  let mergeKey: string | null = null;
  let stepId = newId();
  const first = draw(diagram);

  return create<BenchState>()((set, get) => {
    /** Shows a Diagram: at once where that takes less than a frame, else when the worker is done and the last drawing stays meanwhile. */
    function show(next: Diagram, rest: Partial<BenchState> = {}): void {
      wanted = next;
      trying = null;
      if (checking) clearTimeout(checking);
      const selected = rest.selected === undefined ? get().selected : rest.selected;
      const kept = {
        ...rest,
        diagram: next,
        selected: selected !== null && own(next.entries, selected) ? selected : null,
        trial: null,
      };
      if (!kindOf(next.kind).takesLong(next)) {
        const drawn = draw(next);
        set({ ...kept, drawn });
        checkSoon(drawn);
      } else {
        set(kept);
        drawAway(next).then(
          (drawn) => {
            if (wanted !== next) return;
            set({ drawn });
            checkSoon(drawn);
          },
          () => wanted === next && get().notify([notDrawn]),
        );
      }
    }

    /** Checks what is drawn once nothing has changed for a while; `show` calls it off. */
    function checkSoon(drawn: Drawn): void {
      checking = setTimeout(() => set({ findings: check(get().diagram, drawn) }), 400);
    }

    function step(taken: ReturnType<typeof undo>, manner: 'undo' | 'redo'): void {
      mergeKey = null;
      if (!taken.ok) {
        set({ history: taken.history });
        get().notify([taken.reason]);
        return;
      }
      sync.add(newId(), taken.gesture, { manner });
      show(taken.diagram, { history: taken.history });
    }

    return {
      diagram,
      drawn: first,
      findings: check(diagram, first),
      history,
      lost: [],
      atRisk: false,
      selected: null,
      focus: null,
      editing: null,
      step: 'list',
      scope: { kind: 'everything' },
      lit: nothingLit,
      litRegions: nothingLit,
      trial: null,
      save: { state: 'kept', at: Date.now() },
      here: [],
      notices: [],
      removing: null,
      shortcutsShown: false,

      perform(gesture, options = {}) {
        if (!gesture || gesture.length === 0) return false;
        const wrong = gesture.map((command) => Command.safeParse(command)).find((parsed) => !parsed.success);
        if (wrong) {
          get().notify(['That is too long or not allowed here; nothing was changed.']);
          return false;
        }
        const outcome = applyGesture(get().diagram, gesture);
        if (!outcome.ok) {
          get().notify([outcome.reason]);
          return false;
        }
        const merge = options.merge ?? null;
        const goesOn = merge !== null && merge === mergeKey;
        const history = recorded(get().history, outcome.inverse, goesOn);
        mergeKey = merge;
        if (!goesOn) stepId = newId();
        sync.add(newId(), gesture, { merge, step: stepId });
        show(outcome.diagram, {
          history,
          ...(options.select === undefined ? {} : { selected: options.select }),
          ...(options.focus === undefined ? {} : { focus: options.focus }),
        });
        return true;
      },
      undo: () => step(undo(get().diagram, get().history), 'undo'),
      redo: () => step(redo(get().diagram, get().history), 'redo'),
      take: (next) => show(next),
      select: (id) => {
        mergeKey = null;
        if (get().selected !== id) set({ selected: id, lit: nothingLit, litRegions: nothingLit });
      },
      tryOut(gesture) {
        trying = null;
        if (!gesture) return set({ trial: null });
        const outcome = applyGesture(get().diagram, gesture);
        if (!outcome.ok) return;
        const tried = outcome.diagram;
        if (!kindOf(tried.kind).takesLong(tried)) return set({ trial: draw(tried) });
        trying = tried;
        drawAway(tried).then(
          (trial) => trying === tried && set({ trial }),
          () => trying === tried && get().notify([notDrawn]),
        );
      },
      // What was pointed at in one step is not pointed at in the next.
      set: (patch) => set(patch.step ? { lit: nothingLit, litRegions: nothingLit, ...patch } : patch),
      notify: (messages) =>
        set({ notices: [...get().notices.filter((one) => !messages.includes(one)), ...messages].slice(-4) }),
      dismiss: (message) => set({ notices: get().notices.filter((one) => one !== message) }),
    };
  });
}

export type BenchStore = ReturnType<typeof createBench>;
