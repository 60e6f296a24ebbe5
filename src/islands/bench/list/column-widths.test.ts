import { describe, expect, it } from 'vitest';
import { tracksOf, usualLength, withWidth } from './column-widths';

describe('widths of the list', () => {
  it('follow what most cells hold, so that one long text does not take all the room', () => {
    const texts = [...Array<string>(9).fill('Skipper'), 'Deputy for field and learning, acting'];
    expect(usualLength(texts, 'Title')).toBe(7);
    expect(usualLength([], 'Title')).toBe(5);
    expect(usualLength(Array<string>(5).fill('x'.repeat(90)), 'Title')).toBe(26);
  });
  it('are shares of the room, and what was set by hand is kept to', () => {
    const columns = [{ id: 'detail-0' }, { id: 'detail-1' }];
    expect(tracksOf(columns, [20, 10, 8], 26, {})).toBe(
      '1.5rem minmax(204px, 204fr) minmax(60px, 78fr) minmax(60px, 64fr)',
    );
    expect(tracksOf(columns, [20, 10, 8], 0, { 'detail-0': 140 })).toBe(
      '1.5rem minmax(178px, 178fr) 140px minmax(60px, 64fr)',
    );
    // Three columns are seen whole in a panel of the usual width, 384 px.
    expect(tracksOf([...columns, { id: 'detail-2' }], [30, 5, 5, 5], 26, {})).toMatch(/^1.5rem minmax\(178px/);
    expect(withWidth(withWidth({}, 'a', 90), 'a', null)).toEqual({});
  });
});
