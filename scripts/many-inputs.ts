/** fast-check with as many inputs for each property as TIMES says, many times over; in its place where TIMES is set (see vitest.config.ts). */
import fc from '../node_modules/fast-check/lib/fast-check.js';

export * from '../node_modules/fast-check/lib/fast-check.js';

const times = Number(process.env['TIMES'] ?? 1);
const assert = <T>(property: fc.IRawProperty<T>, told: fc.Parameters<T> = {}): void | Promise<void> =>
  fc.assert(property, { ...told, numRuns: (told.numRuns ?? 100) * times });

// As the package itself exports it.
// eslint-disable-next-line no-restricted-exports
export default { ...fc, assert };
