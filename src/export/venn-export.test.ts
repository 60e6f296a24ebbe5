import { execFileSync } from 'node:child_process';
import { deflateSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import { draw } from '../core/diagram';
import type { Venn } from '../core/kinds/venn';
import { vennOf } from '../core/testing/arbitrary-venn';
import { embeddedFontCss } from './fonts';
import { pictureId, type ImageFiles } from './images';
import { pdfOf } from './pdf/pdf';
import { pngOf } from './png/png';
import { svgOf } from './svg/svg';

/** A PNG of one colour, made by hand: signature, head, packed rows, end (ISO/IEC 15948). The checks are left at 0 where readers pass them. */
function png(width: number, height: number, [r, g, b]: readonly [number, number, number]): Buffer {
  const rows = Buffer.concat(
    Array.from({ length: height }, () => Buffer.from([0, ...Array.from({ length: width }, () => [r, g, b]).flat()])),
  );
  const chunk = (type: string, data: Buffer) => {
    const body = Buffer.concat([Buffer.from(type, 'latin1'), data]);
    const length = Buffer.alloc(4);
    length.writeUInt32BE(data.length);
    const check = Buffer.alloc(4);
    check.writeUInt32BE(crc(body));
    return Buffer.concat([length, body, check]);
  };
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.set([8, 2, 0, 0, 0], 8);
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(rows)),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}
function crc(data: Buffer): number {
  let value = 0xffffffff;
  for (const byte of data) {
    value ^= byte;
    for (let k = 0; k < 8; k++) value = value & 1 ? (value >>> 1) ^ 0xedb88320 : value >>> 1;
  }
  return (value ^ 0xffffffff) >>> 0;
}

const red = png(80, 40, [200, 30, 30]);
const id = pictureId(red);
const images: ImageFiles = new Map([[id, { mime: 'image/png', bytes: red }]]);
const base = vennOf(2, [1, 2, 3], (i) => ['knot', 'teal', 'little egret'][i]!, { content: 'scattered' });
const pictured: Venn = {
  ...base,
  entries: { ...base.entries, e0: { ...base.entries.e0!, image: { id, width: 80, height: 40 } } },
};
const { scene } = draw(pictured);

describe('handing out a Venn diagram', () => {
  it('SVG has the names of items as text, those of sets letter by letter along their curve, and a list to read out', () => {
    const svg = svgOf(scene);
    for (const name of ['knot', 'teal', 'little egret']) expect(svg).toContain(`>${name}</text>`);
    expect(svg).toMatch(/<text x="[^"]+ [^"]+" y="[^"]+" rotate="[^"]+"[^>]*>mudflat<\/text>/);
    expect(svg).toContain('role="listitem" aria-label="knot, mudflat, not saltmarsh"');
  });
  it('PDF has every name, those of sets too', async () => {
    const words = execFileSync('pdftotext', ['-', '-'], { input: await pdfOf([{ name: 'Venn', scene }], { images }) })
      .toString()
      .replace(/\s/g, '');
    for (const name of ['knot', 'teal', 'littleegret']) expect(words).toContain(name);
  });
  it('embeds the characters of names along curves', async () => {
    const css = await embeddedFontCss(draw(vennOf(2, [])).scene);
    expect(css.length).toBeGreaterThan(1000);
  });
});

describe('pictures', () => {
  it('go into the SVG as they were brought', () => {
    expect(svgOf(scene, { fontCss: '', images })).toContain(`data:image/png;base64,${red.toString('base64')}`);
    expect(svgOf(scene, { fontCss: '', hrefOf: (one) => `/p/${one}` })).toContain(`href="/p/${id}"`);
  });
  it('one that is missing leaves an empty outline, not a hole', () => {
    expect(svgOf(scene)).not.toContain('<image');
    expect(svgOf(scene)).toContain('stroke="#888888"');
  });
  it('are drawn in PNG and PDF', async () => {
    const [without, withPicture] = [await pngOf(scene, 48), await pngOf(scene, 48, images)];
    expect(withPicture.equals(without)).toBe(false);
    const listed = execFileSync('pdfimages', ['-list', '-'], {
      input: await pdfOf([{ name: 'Venn', scene }], { images }),
    }).toString();
    expect(listed).toMatch(/image\s+80\s+40/);
  });
});
