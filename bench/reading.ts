/**
 * Measures how long lists take to be read in every kind: npm run bench:core prints it beside the other figures. Prints medians; asserts nothing.
 */
import { readInAllKinds } from '../src/core/diagram';

const given = ['Ada', 'Bo', 'Maëlle', 'Oluwaseun', 'Ćwikła', 'Ngaire', 'Tomasz', 'Wanjiru', 'Inés', 'Hana'];
const family = ['Quill', 'Lindqvist', 'Adeyemi', 'Wieczorek', 'Holmström', 'Okafor', 'Mensah', 'Castell', 'Byrne'];
const name = (i: number, salt = 0) =>
  `${given[(i + salt) % given.length]!} ${family[(i * 7 + salt) % family.length]!}${String.fromCharCode(97 + (i % 26))}${(i / 26) | 0}`;

const lists: Record<string, string> = {
  '10,000 rows with a column of superiors of whom none is in the list': [
    'Name;Reports to',
    ...Array.from({ length: 10_000 }, (_, i) => `${name(i)};${name(i, 3)}x`),
  ].join('\n'),
  '5,000 items with the sets they are in': Array.from(
    { length: 5000 },
    (_, i) =>
      `${name(i)}: ${['mudflat', 'saltmarsh', 'open water'].filter((_, k) => (i >> k) & 1).join(', ') || 'mudflat'}`,
  ).join('\n'),
  '3,000 indented lines with titles': Array.from(
    { length: 3000 },
    (_, i) => `${'  '.repeat(i % 4)}${name(i)}: Warden, Reserve`,
  ).join('\n'),
};

export function measureReading(): string[] {
  return Object.entries(lists).map(([what, text]) => {
    const times: number[] = [];
    for (let run = 0; run < 4; run++) {
      const at = performance.now();
      // Another text each time: what was told of the last one is kept.
      readInAllKinds(`${text}\n${name(run, 5)}`);
      times.push(performance.now() - at);
    }
    return `${what}: first ${times[0]!.toFixed(0)} ms, then ${times
      .slice(1)
      .sort((a, b) => a - b)[1]!
      .toFixed(0)} ms, in every kind`;
  });
}
