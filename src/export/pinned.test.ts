import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { draw } from '../core/kind';
import { openDiagram } from '../core/model';
import { svgOf } from './svg/svg';

/** Drawings of stored diagrams, pinned to the last digit: whoever changes one on purpose pins it anew and says why. */
const pinned: Record<string, string> = {
  certificates: '4a6bdc497b57ecec',
  crew: 'fac18c58492c3e60',
  'shorebirds-styled': 'a53f9955c79cad87',
  shorebirds: '0df27b1e30e30bae',
  'staff-styled': '60d1dac8c995abc7',
  staff: '0913b2b55d03123b',
};
const digest = (name: string): string => {
  const stored: unknown = JSON.parse(
    readFileSync(new URL(`../core/testing/pinned/${name}.json`, import.meta.url), 'utf8'),
  );
  // What a group stands for is no part of what is seen.
  const seen = svgOf(draw(openDiagram(stored)).scene).replace(/ data-[a-z]+="[^"]*"/g, '');
  return createHash('sha256').update(seen).digest('hex').slice(0, 16);
};

describe('a stored diagram is drawn as before, to the last digit', () => {
  it.each(Object.entries(pinned))('%s', (name, drawn) => expect(digest(name)).toBe(drawn));
});
