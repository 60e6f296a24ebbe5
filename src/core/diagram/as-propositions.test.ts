import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { diagrams } from '../testing/arbitrary';
import { foldName } from '../read';
import { asPropositions } from './as-propositions';
import { kindOf, type Diagram, type KindId } from './diagram';
import { tokensOf } from './reading';

const made = (kind: KindId, list: string): Diagram => kindOf(kind).make(kindOf(kind).read(tokensOf(list)), 'x');
const said = (diagram: Diagram): string[] => asPropositions(diagram).split('\n');

describe('what a diagram of another kind says', () => {
  it('as propositions: who stands under whom, with the words of links', () => {
    expect(said(made('topic-tree', 'Shore\n  Rocky\n  Sandy'))).toEqual(['Shore --> Rocky', 'Shore --> Sandy']);
    const chart = made('org-chart', 'Name,Reports to,Also reports to,Link phrase\nAda,,,\nBo,Ada,,\nCy,Ada,Bo,safety');
    expect(said(chart)).toContain('Cy --safety--> Bo');
  });
  it('as propositions: who is whose parent, what is in which set', () => {
    expect(said(made('family-tree', 'Ada + Bo\n  Cy'))).toEqual([
      'Ada --is with--> Bo',
      'Ada --is a parent of--> Cy',
      'Bo --is a parent of--> Cy',
    ]);
    expect(said(made('venn', 'curlew: mudflat, saltmarsh\nteal: water\ndunlin: mudflat'))).toContain(
      'curlew --is in--> saltmarsh',
    );
  });
  it('makes a concept map with an idea for every name', () => {
    fc.assert(
      fc.property(diagrams, (chart) => {
        // A list with hardly an arrow is no list of propositions.
        const lines = said(chart);
        fc.pre(lines.filter((line) => line.includes('-->')).length * 4 >= lines.length);
        const map = made('concept-map', lines.join('\n'));
        const names = new Set(Object.values(map.entries).map(({ name }) => foldName(name)));
        for (const { name } of Object.values(chart.entries))
          if (foldName(name) !== '') expect(names.has(foldName(name))).toBe(true);
      }),
      { numRuns: 60 },
    );
  });
});
