import type { Listing } from '../hierarchy';
import { apart, atFirstSight, withoutSearch, type BoxStyle, type Finding } from '../model';
import { recoloured, type Scene, type SheetSet } from '../scene';
import { kindOf, type Diagram } from './diagram';

export interface Drawn {
  readonly structure: Listing;
  readonly styles: readonly BoxStyle[];
  readonly scene: Scene;
}

/** As `draw`, for what is only tried or previewed: it leaves alone what is kept of the drawing that is worked on. */
export const drawApart = (diagram: Diagram): Drawn => apart(() => draw(diagram));

/** The river from a Diagram to its Scene: tiers, style, measure, arrange, scene. The same in browser, worker, server and tests. */
export function draw(diagram: Diagram): Drawn {
  const kind = kindOf(diagram.kind);
  const structure = kind.structure(diagram);
  const styles = kind.styles(diagram, structure);
  return { structure, styles, scene: kind.scene(diagram, structure, styles) };
}

/** As `draw`, where that takes less than a frame because nothing has to be searched for; null elsewhere. */
export function drawAtOnce(diagram: Diagram): Drawn | null {
  const kind = kindOf(diagram.kind);
  if (!kind.takesLong(diagram)) return draw(diagram);
  return kind.arranged?.restIsQuick(diagram) ? withoutSearch(() => draw(diagram)) : null;
}

/** What is looked at while something is tried. */
interface Seen {
  readonly diagram: Diagram;
  readonly drawn: Drawn;
}

/**
 * What is only tried, where that takes less than a frame; null elsewhere. Not `whole`: arranged much as the diagram was before, or not at all and only in
 * other colours, to be shown until it is known how it is drawn.
 */
export function drawFirstSight(
  diagram: Diagram,
  seen: Seen | null = null,
): { readonly drawn: Drawn; readonly whole: boolean } | null {
  const kind = kindOf(diagram.kind);
  if (!kind.takesLong(diagram)) return { drawn: drawApart(diagram), whole: true };
  if (kind.arranged?.restIsQuick(diagram)) {
    const sight = apart(() => atFirstSight(() => draw(diagram)));
    if (sight) return { drawn: sight.made, whole: sight.whole };
  }
  if (!seen || !differOnlyInStyle(diagram, seen.diagram)) return null;
  const drawn = inOtherColours(diagram, seen);
  return drawn && { drawn, whole: false };
}

const ofStyle = new Set(['look', 'palette', 'styles', 'house']);

/** Whether two diagrams have the same entries in the same arrangement. */
function differOnlyInStyle(one: Diagram, other: Diagram): boolean {
  const keys = new Set([...Object.keys(one), ...Object.keys(other)]) as Set<keyof Diagram>;
  return [...keys].every((key) => ofStyle.has(key) || one[key] === other[key]);
}

/** Null where what is seen is not yet of the same entries. */
function inOtherColours(diagram: Diagram, { diagram: before, drawn }: Seen): Drawn | null {
  const kind = kindOf(diagram.kind);
  const structure = kind.structure(diagram);
  const { ids } = drawn.structure;
  if (ids.length !== structure.ids.length || ids.some((id, i) => id !== structure.ids[i])) return null;
  const others = (of: Diagram): readonly string[] => kind.colours?.(of) ?? [];
  const now = { diagram, styles: kind.styles(diagram, structure), others: others(diagram) };
  const was = { diagram: before, styles: drawn.styles, others: others(before) };
  const scene = recoloured(drawn.scene, was, now, structure.index);
  return { structure, styles: now.styles, scene };
}

/** How a diagram is arranged, as far as it was searched for here, for another thread; null for nothing. */
export function arrangementFound(diagram: Diagram): unknown {
  const { arranged } = kindOf(diagram.kind);
  return arranged?.restIsQuick(diagram) ? arranged.found(diagram) : null;
}

/** Takes over what another thread found. */
export function takeArrangement(diagram: Diagram, found: unknown): void {
  if (found !== null) kindOf(diagram.kind).arranged?.take(diagram, found);
}

/** Print that a set of sheets aims at where nothing else is wished, in points. */
export const usualSetPrint = 8;

/** The diagram over as many sheets as it takes to print as large as wished; null for a kind whose drawing cannot be parted. */
export function drawSet(diagram: Diagram, least = diagram.sheet.leastPrint ?? usualSetPrint): SheetSet | null {
  const { set, ...kind } = kindOf(diagram.kind);
  if (!set) return null;
  return apart(() => {
    const structure = kind.structure(diagram);
    return set(diagram, structure, kind.styles(diagram, structure), least);
  });
}

export function check(diagram: Diagram, drawn: Drawn): Finding[] {
  return kindOf(diagram.kind).check(diagram, drawn.structure, drawn.styles, drawn.scene);
}
