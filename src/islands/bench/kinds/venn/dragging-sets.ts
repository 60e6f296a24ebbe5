import { outsideness } from '../../../../core/arrange/curves';
import { type Drawn, createDiagram, type Diagram } from '../../../../core/diagram';
import { type VennScene, type Venn, setsInOrder } from '../../../../core/kinds/venn';
import { widthOfRuns } from '../../../../core/measure';
import { own } from '../../../../core/model';
import type { DropPlan, Grabbed } from '../kind-parts';

/** Three empty sets on which the looks are shown. */
export function sampleSets(): Diagram {
  const diagram = createDiagram('venn', '') as Venn;
  const set = (id: string) => ({ id, name: '', order: id, colour: null });
  return {
    ...diagram,
    venn: {
      ...diagram.venn,
      sets: { a: set('a'), b: set('b'), c: set('c') },
      manner: { ...diagram.venn.manner, frame: false, content: 'blank' },
    },
  };
}

/** The set whose name stands at a point of the drawing. */
export function setNameAt({ scene }: Drawn, x: number, y: number): Grabbed | null {
  const named = scene.groups.find(
    ({ stands, x: left, y: top, children }) =>
      stands.for === 'set' &&
      children.some((one) => {
        const [px, py] = [x - left, y - top];
        if (one.type === 'curvedText')
          return one.glyphs.some((glyph) => {
            const turn = (glyph.turn * Math.PI) / 180;
            // The middle of the letter: along its baseline and up from it.
            const [along, up] = [one.size * 0.28, one.size * 0.35];
            const cx = glyph.x + along * Math.cos(turn) + up * Math.sin(turn);
            const cy = glyph.y + along * Math.sin(turn) - up * Math.cos(turn);
            return Math.hypot(px - cx, py - cy) < one.size * 0.6;
          });
        if (one.type !== 'text') return false;
        const width = widthOfRuns(one.runs);
        return px >= one.x && px <= one.x + width && py >= one.y - one.size && py <= one.y + one.size * 0.3;
      }),
  );
  return named ? { for: 'set', id: named.stands.id } : null;
}

/** Dropped on the name or within the curve of another set, both swap their places. Of several curves, the one whose middle is nearest counts. */
export function dropSet(diagram: Diagram, drawn: Drawn, moving: string, x: number, y: number): DropPlan {
  if (diagram.kind !== 'venn') return { words: '', gesture: null, target: null };
  const sets = setsInOrder(diagram.venn);
  const moved = own(diagram.venn.sets, moving);
  const named = setNameAt(drawn, x, y)?.id;
  const within = (drawn.scene as VennScene).curves
    .map((curve, i) => ({ curve, set: sets[i]! }))
    .filter(({ curve, set }) => set?.id !== moving && outsideness(curve, x, y) < 0)
    .sort((a, b) => Math.hypot(a.curve.cx - x, a.curve.cy - y) - Math.hypot(b.curve.cx - x, b.curve.cy - y))[0]?.set;
  const other = (named !== undefined && named !== moving ? own(diagram.venn.sets, named) : undefined) ?? within;
  const nameOf = (set: { name: string }) => set.name || 'a set without a name';
  if (!moved || !other)
    return {
      words: `${moved ? nameOf(moved) : ''}: drop on another set to swap their places`,
      gesture: null,
      target: null,
    };
  return {
    words: `${nameOf(moved)} and ${nameOf(other)} will swap their places`,
    gesture: [
      { kind: 'changeSet', id: moved.id, patch: { order: other.order } },
      { kind: 'changeSet', id: other.id, patch: { order: moved.order } },
    ],
    target: { for: 'set', id: other.id },
  };
}
