/** A link between two ideas with its words. Indices of ideas; lengths in CSS px. */
export interface WordedLink {
  readonly from: number;
  readonly to: number;
  /** Links from one idea with equal words share them, and part after them; empty for a link without words, which shares nothing. */
  readonly words: string;
  /** Size of the words, across and along the rows. */
  readonly across: number;
  readonly along: number;
}

/** Ideas in rows, and the links between them. */
export interface RowGraph {
  /** Size of each idea, across and along the rows, CSS px. */
  readonly across: ArrayLike<number>;
  readonly along: ArrayLike<number>;
  /** The row of each idea, from 0; no row is empty. */
  readonly row: ArrayLike<number>;
  readonly links: readonly WordedLink[];
}

/** Links of one idea that share their words and lead the same way. */
export interface Bundle {
  readonly from: number;
  /** Indices of links, and for each the vertices from the words to the idea it leads to. */
  readonly links: readonly number[];
  readonly ways: readonly (readonly number[])[];
  /** The vertices from the idea to the words. */
  readonly stem: readonly number[];
}

/**
 * Ideas and words as vertices of layers, ideas on the even ones and words on the odd ones, so that every line leads from one layer to the next; where a link
 * passes a layer it has a vertex too, which is a bend. Vertices are ideas, then words, then bends.
 */
export interface Layers {
  readonly ideas: number;
  readonly count: number;
  readonly layer: Int32Array;
  readonly across: Float64Array;
  readonly along: Float64Array;
  /** Neighbours in the layer before and in the one after. */
  readonly before: readonly (readonly number[])[];
  readonly after: readonly (readonly number[])[];
  readonly bundles: readonly Bundle[];
  readonly total: number;
}

/** Room of a line that passes a layer, CSS px. */
const bendAcross = 2;

/** O(ideas + links × rows that they pass). */
export function layersOf(graph: RowGraph): Layers {
  const ideas = graph.row.length;
  const rows = Array.from(graph.row).reduce((most, row) => Math.max(most, row + 1), 0);
  const layer: number[] = Array.from(graph.row, (row) => 2 * row);
  const across: number[] = Array.from(graph.across);
  const along: number[] = Array.from(graph.along);
  const before: number[][] = layer.map(() => []);
  const after: number[][] = layer.map(() => []);
  const vertex = (at: number, wide: number, high: number): number => {
    layer.push(at);
    across.push(wide);
    along.push(high);
    before.push([]);
    after.push([]);
    return layer.length - 1;
  };
  const join = (a: number, b: number): void => {
    const [first, second] = layer[a]! < layer[b]! ? [a, b] : [b, a];
    after[first]!.push(second);
    before[second]!.push(first);
  };

  const groups = new Map<string, { from: number; links: number[]; sense: Sense }>();
  graph.links.forEach(({ from, to, words }, k) => {
    const sense = Math.sign(graph.row[to]! - graph.row[from]!) as Sense;
    const key = words === '' ? `${k}` : `${from} ${sense} ${words}`;
    const group = groups.get(key);
    if (group) group.links.push(k);
    else groups.set(key, { from, links: [k], sense });
  });
  // Words of links within a row stand where less stands already.
  const full = new Float64Array(2 * rows + 1);
  const wordsLayer = ({ from, sense }: { from: number; sense: Sense }, wide: number): number => {
    const at = layer[from]!;
    const above = at - 1;
    const below = at + 1;
    const taken =
      sense > 0
        ? below
        : sense < 0
          ? above
          : above < 0
            ? below
            : below > 2 * rows - 2 || full[above]! <= full[below]!
              ? above
              : below;
    full[taken]! += wide;
    return taken;
  };
  const told = [...groups.values()].sort((a, b) => Math.abs(b.sense) - Math.abs(a.sense));
  const words = told.map((group) => {
    const first = graph.links[group.links[0]!]!;
    return vertex(wordsLayer(group, first.across), first.across, first.along);
  });
  const bundles = told.map(({ from, links }, g): Bundle => {
    const at = words[g]!;
    join(from, at);
    const ways = links.map((k) => {
      const way = [at];
      const { to } = graph.links[k]!;
      const step = layer[to]! > layer[at]! ? 1 : -1;
      for (let l = layer[at]! + step; l !== layer[to]!; l += step) {
        const bend = vertex(l, bendAcross, 0);
        join(way.at(-1)!, bend);
        way.push(bend);
      }
      join(way.at(-1)!, to);
      way.push(to);
      return way;
    });
    return { from, links, ways, stem: [from, at] };
  });
  return {
    ideas,
    count: layer.length,
    layer: Int32Array.from(layer),
    across: Float64Array.from(across),
    along: Float64Array.from(along),
    before,
    after,
    bundles,
    total: layer.reduce((most, at) => Math.max(most, at + 1), 0),
  };
}

/** The same layers for ideas and words of other sizes. */
export function layersWithSizes(layers: Layers, graph: RowGraph): Layers {
  const across = layers.across.slice();
  const along = layers.along.slice();
  across.set(graph.across);
  along.set(graph.along);
  for (const { links, stem } of layers.bundles) {
    const first = graph.links[links[0]!]!;
    across[stem[1]!] = first.across;
    along[stem[1]!] = first.along;
  }
  return { ...layers, across, along };
}

/** Whether a link leads to a later row, within its row, or to an earlier one. */
type Sense = 1 | 0 | -1;
