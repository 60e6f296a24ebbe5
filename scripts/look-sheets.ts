/** Draws the demo diagrams in the looks, side by side, into docs/screenshots: npx tsx scripts/look-sheets.ts [FOLDER] */
import { readFile } from 'node:fs/promises';
import sharp from 'sharp';
import {
  boathouseFamily,
  brackwaterStaff,
  kindsOfShore,
  leakingBoardwalk,
  productiveEstuary,
  shorebirds,
} from '../demo/diagrams';
import { draw, type Diagram } from '../src/core/diagram';
import { looks } from '../src/core/style';
import { pngOf } from '../src/export/png/png';

const folder = process.argv[2] ?? 'docs/screenshots';
const wide = 760;
const apart = 16;

/** Diagrams in two columns, each as it is handed out. */
async function beside(name: string, diagrams: readonly Diagram[]): Promise<void> {
  const pictures = await Promise.all(
    diagrams.map(async (diagram) =>
      sharp(await pngOf(draw(diagram).scene, 144))
        .resize({ width: wide })
        .png()
        .toBuffer({ resolveWithObject: true }),
    ),
  );
  const rows = Math.ceil(pictures.length / 2);
  const heights = Array.from({ length: rows }, (_, r) =>
    Math.max(...pictures.slice(2 * r, 2 * r + 2).map(({ info }) => info.height)),
  );
  const top = (row: number) => heights.slice(0, row).reduce((sum, height) => sum + height + apart, apart);
  await sharp({ create: { width: 2 * wide + 3 * apart, height: top(rows), channels: 3, background: '#e9e5da' } })
    .composite(
      pictures.map(({ data }, i) => ({
        input: data,
        left: apart + (i % 2) * (wide + apart),
        top: top(Math.floor(i / 2)),
      })),
    )
    .png({ compressionLevel: 9, palette: true })
    .toFile(`${folder}/${name}.png`);
}

const list = (name: string) => readFile(`demo/lists/${name}`, 'utf8');
const inLook = (diagram: Diagram, look: string): Diagram => ({ ...diagram, look });
const staff = brackwaterStaff(await list('brackwater-staff.csv'));
await beside(
  'looks-chart',
  looks.map(({ id }) => inLook(staff, id)),
);
const kinds: [Diagram, string, string][] = [
  [boathouseFamily(await list('boathouse-family.csv')), 'terracotta', 'shingle'],
  [leakingBoardwalk(await list('leaking-boardwalk.txt')), 'ledger', 'night-ferry'],
  [productiveEstuary(await list('productive-estuary.txt')), 'saltmarsh', 'heather'],
  [shorebirds(await list('shorebirds.txt')), 'beacon', 'plain-ink'],
  [kindsOfShore(await list('kinds-of-shore.txt')), 'saltmarsh', 'beacon'],
];
await beside(
  'looks-kinds',
  kinds.flatMap(([diagram, one, other]) => [inLook(diagram, one), inLook(diagram, other)]),
);
