import { Diagram, type Venn } from './diagram';
import { mostSets, regionKey } from './venn';

/** Every invariant of a Diagram beyond its shape, in words; empty when all hold. Linear in the entries. */
export function brokenInvariants(diagram: Diagram): string[] {
  const broken: string[] = [];
  const shape = Diagram.safeParse(diagram);
  if (!shape.success) broken.push(...shape.error.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`));
  const { entries, links, styles } = diagram;
  const settled = new Set<string>();
  for (const [id, entry] of Object.entries(entries)) {
    if (entry.id !== id) broken.push(`entry ${id} is kept under the id of ${entry.id}`);
    if (entry.parent !== null && !entries[entry.parent])
      broken.push(`entry ${id} belongs to ${entry.parent}, which is not there`);
    const path = new Set<string>();
    let at: string | null = id;
    while (at !== null && !settled.has(at)) {
      if (path.has(at)) {
        broken.push(`entry ${at} is under itself`);
        break;
      }
      path.add(at);
      at = entries[at]?.parent ?? null;
    }
    for (const step of path) settled.add(step);
  }
  for (const link of Object.values(links)) {
    if (!entries[link.from] || !entries[link.to]) broken.push(`link ${link.id} has a loose end`);
  }
  for (const id of [...Object.keys(styles.only), ...Object.keys(styles.branches)]) {
    if (!entries[id]) broken.push(`a style is kept for ${id}, which is not there`);
  }
  if (diagram.kind === 'venn') broken.push(...brokenVenn(diagram));
  return broken;
}

function brokenVenn({ entries, venn }: Venn): string[] {
  const broken: string[] = [];
  if (Object.keys(venn.sets).length > mostSets) broken.push(`there are more than ${mostSets} sets`);
  for (const [id, set] of Object.entries(venn.sets))
    if (set.id !== id) broken.push(`set ${id} is kept under the id of ${set.id}`);
  for (const [id, sets] of Object.entries(venn.members)) {
    if (!entries[id]) broken.push(`memberships are kept for ${id}, which is not there`);
    for (const set of sets) if (!venn.sets[set]) broken.push(`entry ${id} is in set ${set}, which is not there`);
    if (regionKey(sets) !== sets.join(',')) broken.push(`the sets of ${id} are not in order`);
  }
  for (const key of Object.keys(venn.regions))
    for (const set of key === '' ? [] : key.split(','))
      if (!venn.sets[set]) broken.push(`a region is kept for set ${set}, which is not there`);
  return broken;
}
