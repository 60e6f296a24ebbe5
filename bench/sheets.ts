/**
 * Measures how well drawings fill their sheet: print sizes of generated organisations, the share of the sheet that boxes cover, and the time of an
 * arrangement: npm run bench:core prints it beside the other figures. Asserts nothing.
 */
import { draw, drawSet, type Diagram } from '../src/core/diagram';
import { diagramFromParents } from '../src/core/testing/arbitrary';
import { organisation } from './trees';
import { random } from './random';

/** Names and posts as long as those of the demo list. */
const given =
  'Tomasz Inés Bao Salome Ilse Hana Oluwaseun Arjun Kalle Fen Tove Wanjiru Nuno Ama Petra Colm Yusra Jin Olek Noor Emre Ivo'.split(
    ' ',
  );
const family =
  'Wieczorek Okoro Lindqvist Achterberg Nakamura-Vidal Petrović Bright Sundaram Nyström Abara Castell Sequeira Boateng Haddad Solheim Kaplan Marsh'.split(
    ' ',
  );
const posts = [
  'Teacher',
  'Schools lead',
  'Sediment lead',
  'Skipper',
  'Bookings',
  'Course tutor',
  'Warden',
  'Cook',
  'Nest wardening',
];

/** People with a name and one detail each, who stand under each other as `parents` say. */
export function people(parents: readonly number[], size: Diagram['sheet']['size']): Diagram {
  const diagram = diagramFromParents(parents, (i) => `${given[i % given.length]!} ${family[(i * 7) % family.length]!}`);
  const entries = Object.fromEntries(
    Object.values(diagram.entries).map((entry, i) => [entry.id, { ...entry, details: [posts[i % posts.length]!] }]),
  );
  return { ...diagram, entries, sheet: { ...diagram.sheet, size } };
}

/** Share of the sheet within its margins that boxes cover. */
export function coverage(diagram: Diagram): { readonly print: number; readonly share: number } {
  const { scene } = draw(diagram);
  const { margin } = diagram.sheet;
  const inner = (scene.sheet.width - 2 * margin) * (scene.sheet.height - 2 * margin);
  const boxes = scene.groups
    .filter(({ stands }) => stands.for === 'entry')
    .reduce((sum, { bounds }) => sum + bounds.width * bounds.height, 0);
  return { print: scene.smallestText! * 0.75, share: (boxes * scene.drawing.scale ** 2) / inner };
}

/** ms for a drawing whose texts and boxes are known, on a sheet of another size; the median. */
function arrangedAgain(n: number, runs: number): number {
  const times: number[] = [];
  for (let run = 0; run < runs * 3; run++) {
    const diagram = people([...organisation(n, run % runs).parent], 'A4');
    draw(diagram);
    const other = { ...diagram, sheet: { ...diagram.sheet, margin: diagram.sheet.margin + 0.5 } };
    const at = performance.now();
    draw(other);
    if (run >= runs) times.push(performance.now() - at);
  }
  return times.sort((a, b) => a - b)[times.length >> 1]!;
}

export function measureSheets(): string[] {
  const lines: string[] = [];
  const flat = (n: number) => Array.from({ length: n }, (_, i) => (i === 0 ? -1 : 0));
  const cases: [string, number[], Diagram['sheet']['size']][] = [
    ['24 in one team, A4', flat(24), 'A4'],
    ...[46, 60, 120].map((n): [string, number[], 'A4'] => [`${n} people, A4`, [...organisation(n).parent], 'A4']),
    ['150 people, A3', [...organisation(150).parent], 'A3'],
  ];
  for (const [name, parents, size] of cases) {
    const { print, share } = coverage(people(parents, size));
    lines.push(`${name}: smallest text ${print.toFixed(1)} pt, boxes cover ${(share * 100).toFixed(0)} %`);
  }
  const shares: number[] = [];
  let readable = 0;
  const size = random(7);
  for (let k = 0; k < 200; k++) {
    const n = 5 + Math.floor(size() * 396);
    const { print, share } = coverage(people([...organisation(n, k).parent], 'A4'));
    if (print >= 8) readable++;
    if (print >= 8) shares.push(share);
  }
  const mean = shares.reduce((sum, share) => sum + share, 0) / Math.max(1, shares.length);
  lines.push(
    `200 organisations of 5 to 400 on A4: ${readable} print at 8 pt or more; of these boxes cover ${(mean * 100).toFixed(0)} %`,
  );
  for (const [n, runs] of [
    [60, 40],
    [1000, 5],
  ] as const) {
    const times: number[] = [];
    for (let run = 0; run < runs; run++) {
      const diagram = people([...organisation(n, run).parent], 'A4');
      const at = performance.now();
      draw(diagram);
      times.push(performance.now() - at);
    }
    times.sort((a, b) => a - b);
    const again = arrangedAgain(n, runs);
    lines.push(`${n} people arranged and drawn for another sheet: median ${again.toFixed(1)} ms`);
    lines.push(`${n} people read, styled and arranged anew: median ${times[Math.floor(runs / 2)]!.toFixed(1)} ms`);
  }
  const set = drawSet(people([...organisation(1000).parent], 'A4'), 8)!;
  lines.push(
    `1,000 people as a set on A4: ${set.sheets.length} sheets, smallest text ${(set.print ?? 0).toFixed(1)} pt`,
  );
  return lines;
}
