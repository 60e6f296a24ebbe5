import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { brokenInvariants, openDiagram } from '.';

const folder = new URL('../testing/pinned/', import.meta.url);

describe('diagrams stored in an older format', () => {
  it.each(readdirSync(folder))('%s opens, holds together, and keeps all it had', (name) => {
    const stored = JSON.parse(readFileSync(new URL(name, folder), 'utf8')) as Record<string, unknown> & {
      styles: object;
      sheet: object;
      tiers: object;
      arrangement: Record<string, unknown>;
    };
    expect(stored.format).toBe(1);
    const opened = openDiagram(stored);
    expect(brokenInvariants(opened)).toEqual([]);
    const { format, styles, arrangement, sheet, nudges, tiers, enclosures, notes, roles, ...rest } = opened;
    expect(format).toBe(5);
    expect([enclosures, notes, roles]).toEqual([{}, {}, {}]);
    expect(sheet).toEqual({ ...stored.sheet, leastPrint: null });
    // Spacing and lines stay; teams in columns, which nobody had to choose, now fold as the sheet wants it.
    const { lowest, ...kept } = stored.arrangement;
    expect(arrangement).toMatchObject(kept);
    expect(arrangement.lowest).toBe(lowest === 'column' ? 'open' : lowest);
    expect(styles).toEqual({ ...stored.styles, links: {}, onlyLinks: {} });
    expect(nudges).toEqual({});
    expect(tiers).toMatchObject(stored.tiers);
    const { arrangement: before, sheet: paper, tiers: named } = stored;
    expect({ ...rest, format: 1, styles: stored.styles, arrangement: before, sheet: paper, tiers: named }).toEqual(
      stored,
    );
    // What is written now is opened as it is.
    expect(openDiagram(JSON.parse(JSON.stringify(opened)))).toEqual(opened);
  });
});
