import { describe, expect, it } from 'vitest';
import { brokenInvariants, draw, kinds, makeDiagram, nothingReadAs, openDiagram } from '.';

describe('beginning with nothing', () => {
  it.each(kinds.map((kind) => [kind.id, kind] as const))('an empty %s is made, drawn and kept', (_, kind) => {
    const read = nothingReadAs(kind);
    expect([read.entries, read.findings, kind.titleIn(read)]).toEqual([[], [], '']);
    const diagram = makeDiagram(kind, read, 'New');
    expect(diagram.entries).toEqual({});
    expect(draw(diagram).scene.groups.filter(({ stands }) => stands.for === 'entry')).toEqual([]);
    expect(openDiagram(JSON.parse(JSON.stringify(diagram)))).toEqual(diagram);
    expect(brokenInvariants(diagram)).toEqual([]);
  });
});
