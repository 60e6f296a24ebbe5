import { describe, expect, it } from 'vitest';
import { sharedWays } from './shared-ways';

describe('what level and upright lines share', () => {
  it('is told once, and each line keeps its own pieces, in its direction', () => {
    // Both go right at y = 10: from 0 to 50, and back from 80 to 20.
    const { own, shared } = sharedWays([
      [0, 0, 0, 10, 50, 10, 50, 30],
      [80, 30, 80, 10, 20, 10, 20, 0],
    ]);
    expect(shared).toEqual([[20, 10, 50, 10]]);
    expect(own).toEqual([
      [
        [0, 0, 0, 10, 20, 10],
        [50, 10, 50, 30],
      ],
      [
        [80, 30, 80, 10, 50, 10],
        [20, 10, 20, 0],
      ],
    ]);
  });
  it('is nothing where lines only cross, or run beside each other', () => {
    const lines = [
      [0, 0, 100, 0],
      [50, -50, 50, 50],
      [0, 5, 100, 5],
    ];
    expect(sharedWays(lines)).toEqual({ own: lines.map((line) => [line]), shared: [] });
  });
});
