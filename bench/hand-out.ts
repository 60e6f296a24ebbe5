/**
 * Measures how long a drawing takes as a file: npm run bench:core prints it beside the other figures. Prints medians; asserts nothing.
 */
import { draw } from '../src/core/diagram';
import { diagramFromParents } from '../src/core/testing/arbitrary';
import { formats } from '../src/export/formats';
import { organisation } from './trees';

const given = ['Ada', 'Bo', 'Maëlle', 'Oluwaseun', 'Ćwikła', 'Ngaire', 'Tomasz', 'Wanjiru'];
const family = ['Quill', 'Lindqvist', 'Adeyemi-Fox', 'Wieczorek', 'Holmström-Okafor', 'Mensah', 'Castell'];

export async function measureHandOut(): Promise<string[]> {
  const lines: string[] = [];
  for (const people of [46, 1000]) {
    const parents = [...organisation(people).parent];
    const diagram = diagramFromParents(
      parents,
      (i) => `${given[i % given.length]!} ${family[i % family.length]!} ${i}`,
    );
    const { scene } = draw(diagram);
    for (const format of ['pdf', 'png', 'svg'] as const) {
      const times: number[] = [];
      for (let run = 0; run < 4; run++) {
        const at = performance.now();
        await formats[format].write(diagram, () => scene, { dotsPerInch: 192 });
        times.push(performance.now() - at);
      }
      const [first, ...rest] = times;
      lines.push(
        `${format} of ${people} people: first ${first!.toFixed(0)} ms, then ${rest.sort((a, b) => a - b)[1]!.toFixed(0)} ms`,
      );
    }
  }
  return lines;
}
