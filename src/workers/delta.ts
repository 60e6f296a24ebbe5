import type { Diagram, Drawn } from '../core/diagram';
import { own, type Entry } from '../core/model';
import type { SceneGroup } from '../core/scene';

/** What of a diagram differs from the one that the other side holds; entries that kept their identity are left out. */
export interface DiagramDelta {
  readonly rest: Omit<Diagram, 'entries'>;
  readonly changed: readonly Entry[];
  readonly gone: readonly string[];
}

export function diagramDelta(before: Diagram | null, after: Diagram): DiagramDelta {
  const { entries, ...rest } = after;
  const known: Diagram['entries'] = before?.entries ?? {};
  const changed = Object.values(entries).filter((entry) => own(known, entry.id) !== entry);
  const gone = Object.keys(known).filter((id) => !Object.hasOwn(entries, id));
  return { rest, changed, gone };
}

export function withDelta(before: Diagram | null, { rest, changed, gone }: DiagramDelta): Diagram {
  const going = new Set(gone);
  const known = Object.entries(before?.entries ?? {});
  const entries = Object.fromEntries(going.size > 0 ? known.filter(([id]) => !going.has(id)) : known);
  for (const entry of changed) entries[entry.id] = entry;
  return { ...rest, entries } as Diagram;
}

/** A drawing as it goes between threads: groups that the other side holds are told by their place in the last drawing. */
export interface DrawnDelta {
  readonly structure: Drawn['structure'];
  readonly styles: Drawn['styles'];
  readonly scene: Omit<Drawn['scene'], 'groups'>;
  readonly groups: readonly (number | SceneGroup)[];
  /** How it is arranged, where that may spare this side a search. */
  readonly found?: unknown;
}

export function drawnDelta(before: Drawn | null, { structure, styles, scene }: Drawn): DrawnDelta {
  const { groups, ...rest } = scene;
  const at = new Map(before?.scene.groups.map((group, i) => [group, i]));
  return { structure, styles, scene: rest, groups: groups.map((group) => at.get(group) ?? group) };
}

export function withDrawnDelta(before: Drawn | null, { structure, styles, scene, groups }: DrawnDelta): Drawn {
  const known = before?.scene.groups ?? [];
  return {
    structure,
    styles,
    scene: { ...scene, groups: groups.map((one) => (typeof one === 'number' ? known[one]! : one)) },
  };
}
