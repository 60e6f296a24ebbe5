import type { DiagramCommon } from './common';
import { own } from './own';

/**
 * Every invariant that a diagram of any kind holds to beyond its shape, in words; empty when all hold: whatever is kept for an entry or a link belongs to
 * one that is there, and nobody stands under itself. Linear in what the diagram holds.
 */
export function brokenCommon(diagram: DiagramCommon): string[] {
  const broken: string[] = [];
  const { entries, links, styles } = diagram;
  const settled = new Set<string>();
  for (const [id, entry] of Object.entries(entries)) {
    if (entry.id !== id) broken.push(`entry ${id} is kept under the id of ${entry.id}`);
    if (entry.parent !== null && !own(entries, entry.parent))
      broken.push(`entry ${id} belongs to ${entry.parent}, which is not there`);
    const path = new Set<string>();
    let at: string | null = id;
    while (at !== null && !settled.has(at)) {
      if (path.has(at)) {
        broken.push(`entry ${at} is under itself`);
        break;
      }
      path.add(at);
      at = own(entries, at)?.parent ?? null;
    }
    for (const step of path) settled.add(step);
  }
  for (const [id, link] of Object.entries(links)) {
    if (link.id !== id) broken.push(`link ${id} is kept under the id of ${link.id}`);
    if (!own(entries, link.from) || !own(entries, link.to)) broken.push(`link ${id} has a loose end`);
    if (link.from === link.to) broken.push(`link ${id} leads back to where it comes from`);
  }
  for (const id of [...Object.keys(styles.only), ...Object.keys(styles.branches)]) {
    if (!own(entries, id)) broken.push(`a style is kept for ${id}, which is not there`);
  }
  for (const id of Object.keys(diagram.nudges))
    if (!own(entries, id)) broken.push(`a nudge is kept for ${id}, which is not there`);
  for (const id of Object.keys(styles.onlyLinks))
    if (!own(links, id)) broken.push(`a style is kept for link ${id}, which is not there`);
  const { enclosures, notes, roles } = diagram;
  for (const [what, kept] of Object.entries({ enclosure: enclosures, note: notes, role: roles }))
    for (const [id, one] of Object.entries(kept)) {
      if (one.id !== id) broken.push(`${what} ${id} is kept under the id of ${one.id}`);
      if ('members' in one && new Set(one.members).size < one.members.length)
        broken.push(`${what} ${id} has an entry twice`);
    }
  const tray = new Set(diagram.notPlaced.map((item) => item.id));
  if (tray.size < diagram.notPlaced.length) broken.push('two lines of the tray have one id');
  return broken;
}
