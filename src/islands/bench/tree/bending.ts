import { bendAxis, distanceTo } from '../../../core/arrange/graph';
import { kindOf, type Diagram, type Drawn } from '../../../core/diagram';
import { own, type Link } from '../../../core/model';
import { linkStyle } from '../../../core/style';
import type { DropPlan, Grabbed } from '../kinds/kind-parts';

const most = 600;

const coursesOf = ({ scene }: Drawn): readonly { readonly id: string; readonly course: readonly number[] }[] =>
  scene.groups.flatMap(({ stands, selectable }) =>
    stands.for === 'link' && selectable?.hit === 'line' ? [{ id: stands.id, course: selectable.course }] : [],
  );

/** The link whose line lies within reach of a point of the drawing, so that its bend can be dragged. */
export function grabBend(drawn: Drawn, x: number, y: number, reach: number): Grabbed | null {
  const found = coursesOf(drawn).find(({ course }) => distanceTo(course, x, y) <= reach);
  return found ? { for: 'bend', id: found.id } : null;
}

/** What letting the bend of a link go does: it stands as much further aside as it was dragged across its line. */
export function bendPlan(
  diagram: Diagram,
  drawn: Drawn,
  id: string,
  by: { readonly x: number; readonly y: number },
  axisOf: (course: readonly number[], link: Link) => 'x' | 'y' = bendAxis,
): DropPlan {
  const link = own(diagram.links, id);
  const found = coursesOf(drawn).find((one) => one.id === id);
  if (!link || !found) return { words: '', gesture: null, target: null };
  const { bend } = linkStyle(diagram, link, kindOf(diagram.kind).linkKinds);
  const value = Math.max(-most, Math.min(most, Math.round(bend + by[axisOf(found.course, link)])));
  return {
    words: 'Let go to move the bend here',
    gesture: [
      { kind: 'setStyle', scope: { kind: 'link', link: id }, property: 'bend', value: value === 0 ? null : value },
    ],
    target: null,
  };
}
