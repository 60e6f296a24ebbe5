import { describe, expect, it } from 'vitest';
import { kinds, tokensOf } from '.';

/** Signs that mean something to some reader, and letters that do not. */
const signs = [
  ...`!"#$%&'()*+,-./:;<=>?@AIx0179[\\]^_\`{|}~ \t`,
  ...[' ', '\u00a0', '–', '•', '…', '├', '│', '\n', '\r', '->', '--', '- ', '* ', '. ', '1.', '1. ', '""', '" ', '("'],
  ...[
    ') (',
    '[[',
    '{{',
    '/*',
    '//',
    '\\"',
    ' = ',
    ' - ',
    '\t\n',
    ' \n',
    'a\t',
    'a,',
    '0 ',
    'a: ',
    '& ',
    ' and ',
    '<b>',
    '0 @I',
  ],
];
const length = 40_000;

/** Places where a run may stand, in lists of every shape. */
const places: readonly ((run: string) => string)[] = [
  (run) => run,
  (run) => `Ada${run}Bo\nCy`,
  (run) => `Ada\n  Bo ${run}\n  Cy`,
  (run) => `Name,Manager\nAda,\nBo,Ada${run}\nCy,"${run}"\n`,
  (run) => `Name\tManager\nAda\t\nBo\t${run}\nCy\tAda`,
  (run) => `digraph {\n a -> b [label="${run}"]; ${run}\n}`,
  (run) => `0 HEAD\n1 CHAR UTF-8\n0 @I1@ INDI\n1 NAME ${run}\n1 BIRT\n2 DATE ${run}\n0 TRLR`,
  (run) => `Id,Name,Father,Mother,Born\n1,Ada,,,${run}\n2,Bo,1,,1850\n3,Cy${run},2,"${run}",1880`,
  (run) => `Ada: ${run}, A\nBo: B\nCy: A, ${run}`,
  (run) => `Ada --${run}--> Bo\nBo -> ${run} -> Cy`,
  (run) => `Ask?\n  Yes (${run}): Bo = ${run}\n  No (0.3${run}): ${run}`,
  (run) =>
    `<graphml><graph><node id="a"/><node id="b"><data key="${run.replace(/[<&"]/g, '')}"/></node>${run}</graph></graphml>`,
  (run) => `1 Bill long ${run} 2\n1 Bill short ... Curlew\n2 a${run} ... Knot\n2 b ... Dunlin ${run}`,
];

/** Every sign in a place of its own; `npm run test:search` tries every sign in every place. */
const inEvery = process.env.DRAW === 'anew';

describe('a list with a run of 40,000 signs is read at once', () => {
  // Reading that costs the square of a run, or more, does not end within the time of a test.
  it.each(kinds.map((kind) => [kind.id, kind] as const))(
    'as %s',
    (_, kind) => {
      signs.forEach((sign, k) => {
        const run = sign.repeat(length / sign.length);
        for (const place of inEvery ? places : [places[((3 * k + k / places.length) % places.length) | 0]!])
          expect(kind.read(tokensOf(place(run))).findings).toBeDefined();
      });
    },
    inEvery ? 600_000 : 30_000,
  );
  it.each(['# ', '/', '#', '// '])('and whether one of 40 %j is a graph is told at once', (sign) => {
    for (const kind of kinds) expect(kind.read(tokensOf(sign.repeat(40))).findings).toBeDefined();
  });
});
