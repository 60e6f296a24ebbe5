import { describe, expect, it } from 'vitest';
import { check, draw } from '../../diagram';
import type { Venn } from './model';
import { vennOf } from '../../testing/arbitrary-venn';

const codes = (diagram: Venn) => check(diagram, draw(diagram)).map(({ code }) => code);
const found = (diagram: Venn, code: string) => check(diagram, draw(diagram)).find((one) => one.code === code);
/** Something in every region of two sets, nothing to look at. */
const calm = [1, 2, 3];

describe('checks of a Venn diagram', () => {
  it('find nothing where all is well', () => expect(codes(vennOf(2, calm))).toEqual([]));
  it('an entry in no set, with its entry', () =>
    expect(found(vennOf(2, [...calm, 0]), 'in-no-set')).toMatchObject({
      entries: ['e3'],
      message: '1 entry is in no set: Bird 3.',
    }));
  it('two sets with the same entries', () =>
    expect(found(vennOf(2, [3, 3]), 'same-sets')!.message).toBe(
      '“mudflat” and “saltmarsh” have the same entries. One of them may be enough.',
    ));
  it('an entry twice with another spelling', () =>
    expect(
      found(
        vennOf(2, [...calm, 1], (i) => ['Curlew', 'teal', 'knot', 'cúrlew '][i]!),
        'same-name',
      ),
    ).toMatchObject({
      entries: ['e0', 'e3'],
    }));
  it('a region whose entries do not fit, with those entries', () => {
    const many = vennOf(2, [1, 2, ...new Array<number>(90).fill(3)], (i) => `Somebody Longname ${i}`);
    expect(found(many, 'in-key')!.entries).toHaveLength(90);
  });
  it('neighbours given one fill by hand where no outline parts them, never colours of sets', () => {
    const base = vennOf(2, calm, undefined, { outline: 'none' });
    const set = (i: number) => ({ ...base.venn.sets[`s${i}`]!, colour: '#555555' });
    const sets = { ...base, venn: { ...base.venn, sets: { s0: set(0), s1: set(1) } } };
    expect(codes(sets)).toEqual([]);
    const one = { ...base, styles: { ...base.styles, everything: { fill: '#dddddd' } } };
    expect(found(one, 'alike-regions')!.message).toContain('outline');
    expect(codes({ ...one, venn: { ...one.venn, manner: { ...one.venn.manner, outline: 'thin' as const } } })).toEqual(
      [],
    );
  });
  it('a set with nothing in it, and drawn regions that are empty', () => {
    expect(found(vennOf(2, [1, 1]), 'empty-set')!.message).toContain('saltmarsh');
    expect(found(vennOf(3, [7]), 'empty-region')!.message).toMatch(/^6 drawn regions are empty/);
  });
  it('a hatched region and areas that are off, when drawn to scale', () => {
    const pairs = [1, 2, 4, 3, 3, 3, 5, 5, 5, 6, 6, 6];
    const diagram = vennOf(3, pairs, undefined, { shape: 'scaled-circles' });
    expect(found(diagram, 'hatched-region')!.message).toContain('all of mudflat, saltmarsh and open water');
    expect(found(diagram, 'not-to-scale')!.message).toContain('Ellipses may');
    expect(codes(diagram)).not.toContain('empty-region');
  });
  it('more sets than can be drawn to scale', () =>
    expect(codes(vennOf(4, [1, 2, 4, 8], undefined, { shape: 'scaled-circles' }))).toContain('too-many-to-scale'));
  it('an entry without a name', () =>
    expect(codes(vennOf(2, calm, (i) => (i === 1 ? '' : `B${i}`)))).toContain('no-name'));
});
