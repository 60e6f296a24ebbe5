import type { BoxStyle, Diagram, Finding } from '../model';
import type { Scene } from '../scene';
import { resolveStyles } from '../style';
import { structureOf, type Structure } from '../tiers';
import { kindOf } from './kinds';

export interface Drawn {
  readonly structure: Structure;
  readonly styles: readonly BoxStyle[];
  readonly scene: Scene;
}

/** The river from a Diagram to its Scene: tiers, style, measure, arrange, scene. The same in browser, worker, server and tests. */
export function draw(diagram: Diagram): Drawn {
  const structure = structureOf(diagram.entries);
  const styles = resolveStyles(diagram, structure);
  return { structure, styles, scene: kindOf(diagram.kind).scene(diagram, structure, styles) };
}

export function check(diagram: Diagram, drawn: Drawn): Finding[] {
  return kindOf(diagram.kind).check(diagram, drawn.structure, drawn.styles, drawn.scene);
}
