import { enclosedBy } from '../hierarchy';
import { finding, own, type DiagramCommon, type Finding } from '../model';
import { nameOf } from './list-checks';
import { flattenPath, holds, type Scene } from '../scene';

/** Outlines that go around others than those they are for, or whose name finds no place. O(outlines × entries). */
export function enclosed(diagram: DiagramCommon, { groups }: Scene): Finding<'taken-in' | 'name-left-out'>[] {
  const boxes = groups.filter(({ stands }) => stands.for === 'entry');
  return groups.flatMap(({ stands, children: [outline, name] }) => {
    const enclosure = stands.for === 'enclosure' ? own(diagram.enclosures, stands.id) : undefined;
    if (!enclosure || outline?.type !== 'path') return [];
    const called = enclosure.name ? `The outline “${enclosure.name}”` : 'An outline without a name';
    const members = enclosedBy(diagram, enclosure);
    const line = flattenPath(outline.d);
    const others = boxes.filter(
      ({ stands: { id }, x, y, bounds }) =>
        !members.has(id) && holds(line, x + bounds.width / 2, y + bounds.height / 2),
    );
    const found: Finding<'taken-in' | 'name-left-out'>[] = [];
    if (others.length > 0) {
      const ids = others.map(({ stands: { id } }) => id);
      const who = ids.length === 1 ? nameOf(diagram, ids[0]!) : `${ids.length} others`;
      const message = `${called} also goes around ${who}, in among those it is for. Let it go along the boxes, or take them in.`;
      found.push(finding('taken-in', 'warning', message, { entries: ids }));
    }
    if (enclosure.name !== '' && !name)
      found.push(
        finding(
          'name-left-out',
          'warning',
          `${called} has no free place for its name. Give the drawing wider gaps, or a shorter name.`,
        ),
      );
    return found;
  });
}
