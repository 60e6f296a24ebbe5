import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { draw, openDiagram } from '../core/diagram';
import { svgOf } from './svg/svg';

/** Drawings of stored diagrams, pinned to the last digit: whoever changes one on purpose pins it anew and says why. */
const pinned: Record<string, string> = {
  certificates: '303ccd9bcad8a206',
  crew: '58a8c283e738d8a0',
  'shorebirds-styled': 'c07d96403bbd4cc4',
  shorebirds: '2f3b16d9e6d66848',
  'staff-styled': '9fda67edcd54ff12',
  staff: 'dad8a5e10f6d2ee8',
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
