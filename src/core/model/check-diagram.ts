import { Diagram, type Venn } from './diagram';
import { own } from './own';
import { mostSets, regionKey } from './venn';

/**
 * Every invariant of a Diagram beyond its shape, in words; empty when all hold: whatever is kept for an entry, a link or a set belongs to one that is
 * there, nobody stands under itself, and memberships are in order. Linear in what the diagram holds.
 */
export function brokenInvariants(diagram: Diagram): string[] {
  const shape = Diagram.safeParse(diagram);
  if (!shape.success) return shape.error.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`);
  return brokenReferences(diagram);
}

/** As `brokenInvariants`, for a Diagram whose shape is known to be right. */
export function brokenReferences(diagram: Diagram): string[] {
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
  const tray = new Set(diagram.notPlaced.map((item) => item.id));
  if (tray.size < diagram.notPlaced.length) broken.push('two lines of the tray have one id');
  if (diagram.kind === 'venn') broken.push(...brokenVenn(diagram));
  return broken;
}

function brokenVenn({ entries, venn }: Venn): string[] {
  const broken: string[] = [];
  if (Object.keys(venn.sets).length > mostSets) broken.push(`there are more than ${mostSets} sets`);
  for (const [id, entry] of Object.entries(entries))
    if (entry.parent !== null) broken.push(`entry ${id} of a Venn diagram stands under another`);
  for (const [id, set] of Object.entries(venn.sets))
    if (set.id !== id) broken.push(`set ${id} is kept under the id of ${set.id}`);
  for (const [id, sets] of Object.entries(venn.members)) {
    if (!own(entries, id)) broken.push(`memberships are kept for ${id}, which is not there`);
    for (const set of sets) if (!own(venn.sets, set)) broken.push(`entry ${id} is in set ${set}, which is not there`);
    if (regionKey(new Set(sets)) !== sets.join(',')) broken.push(`the sets of ${id} are not each once and in order`);
  }
  for (const key of Object.keys(venn.regions)) {
    const sets = key === '' ? [] : key.split(',');
    if (regionKey(new Set(sets)) !== key) broken.push(`the sets of region ${key} are not each once and in order`);
    for (const set of sets)
      if (!own(venn.sets, set)) broken.push(`a region is kept for set ${set}, which is not there`);
  }
  return broken;
}
