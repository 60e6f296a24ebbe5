import type { BoxStyle, Diagram, Finding } from '../model';
import type { Scene } from '../scene';
import type { Structure } from '../tiers';
import { kindOf } from './kinds';

export interface Drawn {
  readonly structure: Structure;
  readonly styles: readonly BoxStyle[];
  readonly scene: Scene;
}

/** The river from a Diagram to its Scene: tiers, style, measure, arrange, scene. The same in browser, worker, server and tests. */
export function draw(diagram: Diagram): Drawn {
  const kind = kindOf(diagram.kind);
  const structure = kind.structure(diagram);
  const styles = kind.styles(diagram, structure);
  return { structure, styles, scene: kind.scene(diagram, structure, styles) };
}

export function check(diagram: Diagram, drawn: Drawn): Finding[] {
  return kindOf(diagram.kind).check(diagram, drawn.structure, drawn.styles, drawn.scene);
}
