import { describe, expect, it } from 'vitest';
import { own } from './own';

const inherited = Object.getOwnPropertyNames(Object.prototype);

describe('what a record holds itself', () => {
  it('knows nothing of what every object inherits', () => {
    expect(inherited).toContain('__proto__');
    for (const key of inherited) expect(own({}, key), key).toBeUndefined();
  });
  it('finds what was put in under such a name', () => {
    for (const key of inherited) {
      const record = JSON.parse(`{"${key}":"kept","other":"not"}`) as Record<string, string>;
      expect(own(record, key), key).toBe('kept');
    }
  });
});
