import type { Finding } from '../../core/model';
import { create } from 'zustand';
import {
  applyGesture,
  emptyHistory,
  recorded,
  redo,
  undo,
  type Gesture,
  type History,
  Command,
  check,
  draw,
  drawFirstSight,
  drawAtOnce,
  kindOf,
  type Drawn,
  type Diagram,
  type Scope,
} from '../../core/diagram';
import { drawAway, drawTrial } from '../../workers/draw-away';
import type { Listing } from '../../core/hierarchy';
import { entryPick, isSame, leadingEntry, stillThere, type Selection } from './selection';
import { newId } from '../shared/ids';
import type { Visitor } from '../shared/live';
import type { GivenStyle, Matching } from './style/given-style';
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
  /** Of this very diagram, also while its drawing is still being made. */
  readonly structure: Listing;
  readonly findings: readonly Finding[];
  readonly history: History;
  readonly selection: Selection;
  /** The entry that leads the selection; null where none does. */
  readonly selected: string | null;
  /** The cell of the list that asks for the focus; a new object each time. */
  readonly focus: Cell | null;
  /** The entry whose name is being edited in the drawing. */
  readonly editing: string | null;
  readonly step: StepId;
  readonly scope: Scope;
  /** What was given last in Style, to be given to others by one key; null before. */
  readonly lastStyle: GivenStyle | null;
  /** The style of an entry that whoever is clicked takes; null where none is being matched. */
  readonly matching: Matching | null;
  /** Picture files brought that fit no entry, until it is said what becomes of them. */
  readonly unmatched: readonly File[];
  /** Colours given by hand, the last one first. */
  readonly usedColours: readonly string[];
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
  /** The entries whose removal is being asked about. */
  readonly removing: readonly string[] | null;
  readonly shortcutsShown: boolean;

  /** Applies a gesture, draws, records the way back, and sends it. False where it was refused. */
  perform(
    gesture: Gesture | null,
    /** With the `merge` of the last one it is a part of that step; so it is where that one's was what this `joins`. */
    options?: { merge?: string; joins?: string; select?: string; focus?: Cell },
  ): boolean;
  undo(): void;
  redo(): void;
  /** Takes a Diagram that changed from outside. */
  take(diagram: Diagram): void;
  select(id: string | null): void;
  pick(selection: Selection): void;
  tryOut(gesture: Gesture | null): void;
  set(
    patch: Partial<
      Pick<
        BenchState,
        | 'focus'
        | 'editing'
        | 'step'
        | 'scope'
        | 'lastStyle'
        | 'matching'
        | 'unmatched'
        | 'usedColours'
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

/** A selection with the entry that leads it. */
const leading = (selection: Selection): { selection: Selection; selected: string | null } => {
  return { selection, selected: leadingEntry(selection) };
};

/** What applied to the one selected applies to the one that is selected now. */
function scopeAfter(scope: Scope, selection: Selection): Scope {
  const last = selection.at(-1);
  if (!last || (scope.kind !== 'this' && scope.kind !== 'link')) return scope;
  if (last.for === 'entry') return { kind: 'this', entry: last.id };
  return last.for === 'link' ? { kind: 'link', link: last.id } : scope;
}

const nothingLit: ReadonlySet<string> = new Set();
const notDrawn =
  'This could not be drawn; the drawing shown is the one before. Take the change back, or load the page again.';

/** A first sight is painted before it is looked for more closely; who only passes over a choice asks for no more. In milliseconds. */
const seenFirst = 120;

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
      const kind = kindOf(next.kind);
      const selection = stillThere(rest.selection ?? get().selection, next);
      const kept = {
        ...rest,
        diagram: next,
        structure: kind.structure(next),
        ...leading(selection),
        trial: null,
      };
      const drawn = drawAtOnce(next);
      if (drawn) {
        set({ ...kept, drawn });
        checkSoon(drawn);
      } else {
        set(kept);
        drawAway(next).then(
          (drawn) => {
            if (!drawn || wanted !== next) return;
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
      structure: first.structure,
      selection: [],
      selected: null,
      focus: null,
      editing: null,
      step: 'list',
      scope: { kind: 'everything' },
      lastStyle: null,
      matching: null,
      unmatched: [],
      usedColours: [],
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
        const goesOn = merge !== null && (merge === mergeKey || options.joins === mergeKey);
        const history = recorded(get().history, outcome.inverse, goesOn);
        mergeKey = merge;
        if (!goesOn) stepId = newId();
        sync.add(newId(), gesture, { merge, step: stepId });
        show(outcome.diagram, {
          history,
          ...(options.select === undefined ? {} : { selection: [entryPick(options.select)] }),
          ...(options.focus === undefined ? {} : { focus: options.focus }),
        });
        return true;
      },
      undo: () => step(undo(get().diagram, get().history), 'undo'),
      redo: () => step(redo(get().diagram, get().history), 'redo'),
      take: (next) => show(next),
      select: (id) => get().pick(id === null ? [] : [entryPick(id)]),
      pick(selection) {
        mergeKey = null;
        const before = get().selection;
        if (before.length === selection.length && before.every((one, i) => isSame(one, selection[i]!))) return;
        set({
          ...leading(selection),
          scope: scopeAfter(get().scope, selection),
          lit: nothingLit,
          litRegions: nothingLit,
        });
      },
      tryOut(gesture) {
        trying = null;
        if (!gesture) return set({ trial: null });
        const { diagram, drawn } = get();
        const outcome = applyGesture(diagram, gesture);
        if (!outcome.ok) return;
        const tried = outcome.diagram;
        const first = drawFirstSight(tried, { diagram, drawn });
        if (first) set({ trial: first.drawn });
        if (first?.whole) return;
        trying = tried;
        const draw = () => {
          if (trying !== tried) return;
          drawTrial(tried).then(
            (trial) => trial && trying === tried && set({ trial }),
            () => trying === tried && get().notify([notDrawn]),
          );
        };
        if (first) setTimeout(draw, seenFirst);
        else draw();
      },
      // What was pointed at in one step is not pointed at in the next.
      set: (patch) => set(patch.step ? { lit: nothingLit, litRegions: nothingLit, focus: null, ...patch } : patch),
      notify: (messages) =>
        set({ notices: [...get().notices.filter((one) => !messages.includes(one)), ...messages].slice(-4) }),
      dismiss: (message) => set({ notices: get().notices.filter((one) => one !== message) }),
    };
  });
}

export type BenchStore = ReturnType<typeof createBench>;
