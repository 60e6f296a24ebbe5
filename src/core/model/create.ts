import type { Diagram, Entry, KindId } from './diagram';

export const defaultArrangement = {
  direction: 'down',
  lowest: 'column',
  siblingGap: 12,
  branchGap: 22,
  tierGap: 40,
  lineWidth: 1.25,
  joinRadius: 5,
} as const;

/** An empty diagram of a kind, ready to take entries. */
export function createDiagram(kind: KindId, title: string): Diagram {
  return {
    format: 1,
    kind,
    title,
    titleBlock: { shown: true, title, subtitle: '', author: '', date: '' },
    entries: {},
    links: {},
    notPlaced: [],
    tiers: {},
    look: 'saltmarsh',
    styles: { everything: {}, tiers: {}, roles: {}, branches: {}, only: {} },
    arrangement: { ...defaultArrangement },
    sheet: { size: 'A4', orientation: 'landscape', margin: 38 },
  };
}

export function createEntry(given: Partial<Entry> & Pick<Entry, 'id' | 'order'>): Entry {
  return { name: '', details: [], fields: {}, role: null, parent: null, ...given };
}

/** A diagram from entries that are already in order. */
export function diagramOf(kind: KindId, title: string, entries: readonly Entry[]): Diagram {
  return { ...createDiagram(kind, title), entries: Object.fromEntries(entries.map((entry) => [entry.id, entry])) };
}
