import { openDiagram, type Diagram } from '../diagram';
import { own, plainEnclosure, plainNote, type ImageRef, type SheetNote } from '../model';

const notes = (entries: readonly string[]): Record<string, SheetNote> => {
  const said = 'Read at **low water**\n- H_{2}O and m^{2}\n- *twice* a year';
  const places: Omit<SheetNote, 'id'>[] = (['above', 'below'] as const).flatMap((row) =>
    (['left', 'middle', 'right'] as const).map((at, k) => ({
      ...plainNote,
      text: said,
      place: { kind: 'sheet' as const, row, at },
      framed: k !== 1,
      size: 12 + 2 * k,
      font: (['clear', 'book', 'hand'] as const)[k]!,
      colour: k === 2 ? '#8a2f10' : null,
    })),
  );
  const beside = entries.map((entry, k) => ({
    ...plainNote,
    text: said,
    place: { kind: 'entry' as const, entry },
    framed: k === 0,
  }));
  return Object.fromEntries([...places, ...beside].map((one, k) => [`n${k}`, { ...one, id: `n${k}` }]));
};

/**
 * A diagram of any kind with all that can stand on a sheet beside its entries: notes of every place, a legend, a title block, outlines of two shapes, a
 * link aside where `side` says of which kind, a picture, a role of its own, and a page of a colour.
 */
export function furnished(
  diagram: Diagram,
  { image, side }: { readonly image: ImageRef; readonly side: string | null },
): Diagram {
  const ids = Object.keys(diagram.entries);
  const [first, second, third = second] = ids as [string, string, string?];
  const role = { id: 'own', name: 'Of the council', order: 0, rule: null, members: ids.slice(1, 3) };
  const link = { id: 'aside', from: ids.at(-1)!, to: first, kind: side ?? '', phrase: 'and also' };
  return openDiagram({
    ...diagram,
    entries: { ...diagram.entries, [second]: { ...own(diagram.entries, second)!, image } },
    links: side === null ? diagram.links : { ...diagram.links, aside: link },
    notes: notes([first, third!]),
    legend: { tiers: 'shown', roles: true, lines: true },
    titleBlock: {
      shown: true,
      title: 'All that *can* be',
      subtitle: 'On one sheet',
      author: 'M. Quill',
      date: '3 May',
    },
    enclosures: {
      x0: { ...plainEnclosure, id: 'x0', name: 'Round', members: ids.slice(-2), shape: 'smooth', fill: '#dcebd0' },
      x1: { ...plainEnclosure, id: 'x1', name: 'Straight', branch: ids.at(-3) ?? null, shape: 'box', line: 'solid' },
    },
    roles: { own: role },
    palette: { hue: 40, colours: [], ground: '#f4efe2' },
    styles: { ...diagram.styles, roles: { own: { sign: 'stripe', fill: '#f3d98b', borderLine: 'dashed' } } },
  });
}
