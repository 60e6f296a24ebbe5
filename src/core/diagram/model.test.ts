import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { diagramFromParents, diagrams } from '../testing/arbitrary';
import { createEntry, evenKeys, keyBetween, paperSize } from '../model';
import { brokenInvariants } from './check-diagram';
import { createDiagram } from './create';
import { openDiagram } from './upgrade';

describe('order keys', () => {
  it('a key between two others stands strictly between them and leaves room on both sides', () => {
    fc.assert(
      fc.property(fc.array(fc.nat({ max: 1_000_000 }), { minLength: 1, maxLength: 120 }), (draws) => {
        const keys: string[] = [];
        for (const draw of draws) {
          const at = draw % (keys.length + 1);
          const key = keyBetween(keys[at - 1] ?? null, keys[at] ?? null);
          expect(key).not.toBeNull();
          keys.splice(at, 0, key!);
        }
        expect([...keys].sort()).toEqual(keys);
        expect(new Set(keys).size).toBe(keys.length);
      }),
    );
  });
  it('a thousand entries typed one after the other keep keys of at most 18 characters', () => {
    let key: string | null = null;
    for (let i = 0; i < 1000; i++) key = keyBetween(key, null);
    expect(key!.length).toBeLessThanOrEqual(18);
  });
  it('equal or crossed keys leave no room', () => {
    expect(keyBetween('V', 'V')).toBeNull();
    expect(keyBetween('W', 'V')).toBeNull();
  });
  it.each([0, 1, 2, 61, 62, 5000])('%i even keys rise and none ends in 0', (n) => {
    const keys = evenKeys(n);
    expect(keys).toHaveLength(n);
    expect([...keys].sort()).toEqual(keys);
    expect(new Set(keys).size).toBe(n);
    expect(keys.filter((key) => key.endsWith('0') || key === '')).toEqual([]);
  });
});

describe('papers in CSS px', () => {
  // ISO 216; 1 in = 25.4 mm = 96 CSS px.
  it('A4 is 210 × 297 mm', () => {
    const paper = paperSize({ size: 'A4', orientation: 'portrait' })!;
    expect((paper.width * 25.4) / 96).toBeCloseTo(210, 9);
    expect((paper.height * 25.4) / 96).toBeCloseTo(297, 9);
  });
  it('A3 landscape is 420 × 297 mm', () => {
    const paper = paperSize({ size: 'A3', orientation: 'landscape' })!;
    expect((paper.width * 25.4) / 96).toBeCloseTo(420, 9);
    expect((paper.height * 25.4) / 96).toBeCloseTo(297, 9);
  });
  // ANSI/ASME Y14.1.
  it('letter is 8.5 × 11 in', () =>
    expect(paperSize({ size: 'letter', orientation: 'portrait' })).toEqual({ width: 816, height: 1056 }));
});

describe('invariants of a diagram', () => {
  it('hold for generated diagrams, and a stored one opens as it was', () => {
    fc.assert(
      fc.property(diagrams, (diagram) => {
        expect(brokenInvariants(diagram)).toEqual([]);
        expect(openDiagram(JSON.parse(JSON.stringify(diagram)))).toEqual(diagram);
      }),
    );
  });
  it('name an entry under itself, a missing parent and a loose link', () => {
    const loop = diagramFromParents([-1, 0, 1]);
    const broken = { ...loop, entries: { ...loop.entries, e0: { ...loop.entries.e0!, parent: 'e2' } } };
    expect(brokenInvariants(broken).join()).toContain('under itself');
    const orphan = {
      ...createDiagram('org-chart', ''),
      entries: { a: createEntry({ id: 'a', order: 'V', parent: 'gone' }) },
    };
    expect(brokenInvariants(orphan).join()).toContain('gone, which is not there');
    const loose = { ...loop, links: { l: { id: 'l', from: 'e0', to: 'nobody', kind: 'side' as const, phrase: '' } } };
    expect(brokenInvariants(loose)).toEqual(['link l has a loose end']);
  });
  it('a stored thing that is no diagram is refused', () => {
    for (const stored of [null, 7, 'x', {}, { format: 1 }]) expect(() => openDiagram(stored)).toThrow();
  });
});
