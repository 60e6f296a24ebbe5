import type { Diagram } from '../../../core/diagram';
import { lookOf, tierStyle } from '../../../core/style';

/** Colours to choose from, in groups that are named; empty groups are left out. `used`: those given last. */
export function swatchesOf(
  diagram: Diagram,
  used: readonly string[],
): { readonly words: string; readonly colours: readonly string[] }[] {
  const look = lookOf(diagram);
  const tiers = [1, 2, 3, 4].map((tier) => tierStyle(look, tier));
  const ofLook = [...tiers.map(({ fill }) => fill), tiers[1]!.border, look.line, look.ink, look.light, look.ground];
  const inDiagram = [...JSON.stringify([diagram.styles, diagram.palette ?? null]).matchAll(/"(#[0-9a-f]{6})"/g)].map(
    ([, colour]) => colour!,
  );
  return [
    { words: 'Of the look', colours: [...new Set(ofLook)] },
    { words: 'In this diagram', colours: [...new Set(inDiagram)].slice(0, 24) },
    { words: 'Used last', colours: used },
  ].filter(({ colours }) => colours.length > 0);
}
