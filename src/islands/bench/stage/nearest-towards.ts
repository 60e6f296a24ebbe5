import type { Scene } from '../../../core/scene';
import type { Direction } from '../tree/outline-moves';

/** The entry drawn nearest in a direction: what lies aside counts twice, so that rows and columns are kept to. Null where none lies that way. */
export function nearestTowards({ groups }: Scene, from: string, direction: Direction): string | null {
  const entries = groups.filter(({ stands }) => stands.for === 'entry');
  const middle = ({ x, y, bounds }: (typeof entries)[number]) => ({
    x: x + bounds.x + bounds.width / 2,
    y: y + bounds.y + bounds.height / 2,
  });
  const here = entries.find(({ stands }) => stands.id === from);
  if (!here) return null;
  const at = middle(here);
  let best: { id: string; far: number } | null = null;
  for (const group of entries) {
    if (group === here) continue;
    const there = middle(group);
    const [dx, dy] = [there.x - at.x, there.y - at.y];
    const ahead = { up: -dy, down: dy, left: -dx, right: dx }[direction];
    const aside = Math.abs(direction === 'up' || direction === 'down' ? dx : dy);
    if (ahead <= 1) continue;
    const far = ahead + 2 * aside;
    if (!best || far < best.far) best = { id: group.stands.id, far };
  }
  return best?.id ?? null;
}
