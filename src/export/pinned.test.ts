import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { draw, openDiagram } from '../core/diagram';
import { svgOf } from './svg/svg';

/** Drawings of stored diagrams, pinned to the last digit: whoever changes one on purpose pins it anew and says why. */
const pinned: Record<string, string> = {
  certificates: '1980d8afea67a4c1',
  crew: '21bc0854bc9841e1',
  'shorebirds-styled': '4873b43fa3aff658',
  shorebirds: 'b33afdcba90a6510',
  'staff-styled': '2fa26a546ef2804a',
  staff: 'a47e219d067d3149',
};
const digest = (name: string): string => {
  const stored: unknown = JSON.parse(
    readFileSync(new URL(`../core/testing/pinned/${name}.json`, import.meta.url), 'utf8'),
  );
  // What a group stands for and what is read out of it are no part of what is seen.
  const seen = svgOf(draw(openDiagram(stored)).scene).replace(/ (data-[a-z]+|role|aria-[a-z]+)="[^"]*"/g, '');
  return createHash('sha256').update(seen).digest('hex').slice(0, 16);
};

describe('a stored diagram is drawn as before, to the last digit', () => {
  it.each(Object.entries(pinned))('%s', (name, drawn) => expect(digest(name)).toBe(drawn));
});
