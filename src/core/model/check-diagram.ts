import { Diagram } from './diagram';

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
  return broken;
}
