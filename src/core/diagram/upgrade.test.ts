import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { brokenInvariants, openDiagram } from '.';

const folder = new URL('../testing/pinned/', import.meta.url);

describe('diagrams stored in an older format', () => {
  it.each(readdirSync(folder))('%s opens, holds together, and keeps all it had', (name) => {
    const stored = JSON.parse(readFileSync(new URL(name, folder), 'utf8')) as Record<string, unknown> & {
      styles: object;
    };
    expect(stored.format).toBe(1);
    const opened = openDiagram(stored);
    expect(brokenInvariants(opened)).toEqual([]);
    const { format, styles, ...rest } = opened;
    expect(format).toBe(2);
    expect(styles).toEqual({ ...stored.styles, links: {}, onlyLinks: {} });
    expect({ ...rest, format: 1, styles: stored.styles }).toEqual(stored);
    // What is written now is opened as it is.
    expect(openDiagram(JSON.parse(JSON.stringify(opened)))).toEqual(opened);
  });
});
