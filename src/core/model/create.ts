import type { Diagram, Entry, KindId } from './diagram';
import { emptyVenn } from './venn';

export const defaultArrangement = {
  direction: 'down',
  lowest: 'column',
  siblingGap: 12,
  branchGap: 22,
  tierGap: 40,
  lineWidth: 1.25,
  joinRadius: 5,
} as const;

type Common = Omit<Extract<Diagram, { kind: 'org-chart' }>, 'kind'>;
/** What each kind adds to the common part. */
const parts: { readonly [K in KindId]: (common: Common) => Extract<Diagram, { kind: K }> } = {
  'org-chart': (common) => ({ ...common, kind: 'org-chart' }),
  venn: (common) => ({ ...common, kind: 'venn', venn: emptyVenn }),
};

/** An empty diagram of a kind, ready to take entries. */
export function createDiagram(kind: KindId, title: string): Diagram {
  const common = {
    format: 1 as const,
    title,
    titleBlock: { shown: true, title, subtitle: '', author: '', date: '' },
    entries: {},
    links: {},
    notPlaced: [],
    tiers: {},
    look: 'saltmarsh',
    styles: { everything: {}, tiers: {}, roles: {}, branches: {}, only: {} },
    arrangement: { ...defaultArrangement },
    sheet: { size: 'A4' as const, orientation: 'landscape' as const, margin: 38 },
  };
  return parts[kind](common);
}

export function createEntry(given: Partial<Entry> & Pick<Entry, 'id' | 'order'>): Entry {
  return { name: '', details: [], fields: {}, role: null, parent: null, ...given };
}

/** A diagram from entries that are already in order. */
export function diagramOf(kind: KindId, title: string, entries: readonly Entry[]): Diagram {
  return { ...createDiagram(kind, title), entries: Object.fromEntries(entries.map((entry) => [entry.id, entry])) };
}
