import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { draw, openDiagram } from '../core/diagram';
import { svgOf } from './svg/svg';

/** Drawings of stored diagrams, pinned to the last digit: whoever changes one on purpose pins it anew and says why. */
const pinned: Record<string, string> = {
  certificates: 'c358b8f8cd2ca2bd',
  crew: '117ff26027351ff0',
  'shorebirds-styled': '2ce888e7542f7a9c',
  shorebirds: '5e56e8755b64ec7a',
  'staff-styled': 'f395e00d0c7797d2',
  staff: '4197f69027996c9a',
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
