import type { DiagramCommon, Entry } from './common';

export const defaultArrangement = {
  direction: 'down',
  tiers: 'open',
  tierNames: 'hidden',
  tierBands: 'hidden',
  lowest: 'open',
  mostColumns: 4,
  narrowest: 64,
  widest: 240,
  tightest: 0.35,
  largestPrint: 14,
  siblingGap: 12,
  branchGap: 22,
  tierGap: 40,
  lineWidth: 1.25,
  joinRadius: 5,
} as const;

/** The format that is written now; `diagram/upgrade.ts` reads the older ones. */
export const formatNow = 5;

/** What every empty diagram has, whatever its kind. */
export const emptyCommon = (title: string): Omit<DiagramCommon, 'kind'> => ({
  format: formatNow,
  title,
  titleBlock: { shown: true, title, subtitle: '', author: '', date: '' },
  entries: {},
  links: {},
  notPlaced: [],
  tiers: {},
  nudges: {},
  roles: {},
  enclosures: {},
  notes: {},
  look: 'saltmarsh',
  styles: { everything: {}, tiers: {}, roles: {}, branches: {}, only: {}, links: {}, onlyLinks: {} },
  arrangement: { ...defaultArrangement },
  sheet: { size: 'A4', orientation: 'landscape', margin: 38, leastPrint: null },
});

export function createEntry(given: Partial<Entry> & Pick<Entry, 'id' | 'order'>): Entry {
  return { name: '', details: [], fields: {}, role: null, parent: null, ...given };
}
