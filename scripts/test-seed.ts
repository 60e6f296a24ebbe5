/** Generated inputs are the same in every run, so that what passed passes again; `npm run test:search` draws new ones each time. */
import fc from 'fast-check';

if (process.env['DRAW'] !== 'anew') fc.configureGlobal({ seed: 20_261_124 });
