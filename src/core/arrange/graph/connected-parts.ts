/**
 * The vertices of each part that hangs together, by its first vertex; each part in the order in which its vertices are come to. `near`: lists of neighbours by
 * vertex, all of which count. O(vertices + neighbours).
 */
export function connectedParts(count: number, near: readonly (readonly (readonly number[])[])[]): number[][] {
  const seen = new Uint8Array(count);
  const parts: number[][] = [];
  for (let first = 0; first < count; first++) {
    if (seen[first]) continue;
    seen[first] = 1;
    const part = [first];
    for (let i = 0; i < part.length; i++)
      for (const ends of near)
        for (const next of ends[part[i]!]!)
          if (!seen[next]) {
            seen[next] = 1;
            part.push(next);
          }
    parts.push(part);
  }
  return parts;
}
