import { describe, expect, it } from 'vitest';
import { when } from './when';

describe('when something changed, by the reader’s clock', () => {
  const now = new Date(2026, 10, 25, 9, 0);
  it.each([
    [new Date(2026, 10, 25, 0, 1), 'today 00:01'],
    [new Date(2026, 10, 24, 23, 59), 'yesterday 23:59'],
    [new Date(2026, 9, 3, 14, 2), '3 Oct, 14:02'],
    [new Date(2025, 10, 25, 9, 0), '25 Nov 2025'],
  ])('%s', (at, words) => expect(when(at, now)).toBe(words));
});
