import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { kindQuestion, nearKinds, readInAllKinds } from './reading';

const letters = 'abcdefghijklmnopqrstuvwxyz';
const surname = (i: number) =>
  `Q${[i % 26, Math.floor(i / 26) % 26, Math.floor(i / 676)].map((at) => letters[at]).join('')}l`;
const staff = (count: number) =>
  [
    'No;Name;Reports to',
    ...Array.from({ length: count }, (_, i) => `${i + 1};Ada ${surname(i)};${i === 0 ? '' : ((i - 1) >> 3) + 1}`),
  ].join('\n');

describe('which kind a list is of', () => {
  it('is a share of one, the best first, with what it cannot be at the end', () =>
    fc.assert(
      fc.property(fc.array(fc.lorem({ maxCount: 4 }), { minLength: 1, maxLength: 8 }), (lines) => {
        const all = readInAllKinds(lines.join('\n'));
        expect(all.map(({ bits }) => bits)).toEqual(all.map(({ bits }) => bits).sort((a, b) => b - a));
        const sum = all.reduce((sum, { strength }) => sum + strength, 0);
        expect(sum).toBeLessThanOrEqual(1 + 1e-9);
        for (const { fit, bits, strength } of all) if (!fit) expect([bits, strength]).toEqual([-Infinity, 0]);
      }),
      { numRuns: 40 },
    ));
  it('is asked where a second one reads the list nearly as well, and not where it does not', () => {
    const [best, second, ...others] = readInAllKinds(staff(12));
    expect(nearKinds([best!, second!, ...others]).map(({ kind }) => kind.id)).toEqual(['org-chart']);
    const near = nearKinds([best!, { ...second!, bits: best!.bits - 1 }, ...others]);
    expect(near).toHaveLength(2);
    expect(kindQuestion(near)).toMatch(/^Which is it\? The list reads nearly as well as an org chart and as an? .+\.$/);
  });
});

describe('a list of very many lines', () => {
  const list = staff(7000);
  const byId = (readings: ReturnType<typeof readInAllKinds>) =>
    Object.fromEntries(readings.map((one) => [one.kind.id, one]));
  it('is read whole as what it is, and by its beginning as what it is not, which is said', () => {
    const all = byId(readInAllKinds(list));
    expect(all['org-chart']).toMatchObject({ whole: true });
    expect(all['org-chart']!.read.entries).toHaveLength(7000);
    expect(all['org-chart']!.read.entries.filter(({ parent }) => parent === null)).toHaveLength(1);
    const other = all['topic-tree']!;
    expect(other.whole).toBe(false);
    expect(other.read.entries.length).toBeLessThan(2001);
    expect(other.fit!.words).toContain('in its first 2,000 lines');
  });
  it.each([
    [
      'ways, then staff',
      (i: number) => `Shore / ${surname(i % 90)} / ${surname(i)}`,
      (i: number) => `Ada ${surname(i)}, Clerk`,
    ],
    ['items of sets, then words', (i: number) => `${surname(i)}: mud, ${i % 2 ? 'salt' : 'sand'}`, surname],
    ['staff, then words', (i: number) => `Ada ${surname(i)},${i ? `Ada ${surname((i - 1) >> 3)}` : ''}`, surname],
  ])('of which the rest is not what its beginning promised is read whole all the same: %s', (_, first, then) => {
    const lines = Array.from({ length: 6500 }, (_, i) => (i < 2100 ? first : then)(i));
    const [best] = readInAllKinds(lines.join('\n'));
    expect(best!.whole).toBe(true);
    expect(best!.read.entries.length + best!.read.notPlaced.length).toBeGreaterThan(6000);
  });
  it('is read whole as another kind once that is chosen', () => {
    const all = readInAllKinds(list, { kind: 'topic-tree' });
    expect(all[0]!.kind.id).toBe('org-chart');
    expect(byId(all)['topic-tree']).toMatchObject({ whole: true });
    expect(byId(all)['topic-tree']!.read.entries).toHaveLength(7000);
  });
});
