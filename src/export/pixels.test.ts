import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { chromium as browsers, type Browser } from '@playwright/test';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import * as demo from '../../demo/diagrams';
import { chromium } from '../../e2e/browser';
import { draw, kindOf, openDiagram, tokensOf, type Diagram, type KindId } from '../core/diagram';
import { BoxShape, own, Typeface, type StylePatch } from '../core/model';
import { diagramFromParents } from '../core/testing/arbitrary';
import { analysisOf } from '../core/testing/arbitrary-decision';
import { familyOf } from '../core/testing/arbitrary-family';
import { mapOf } from '../core/testing/arbitrary-map';
import { vennOf } from '../core/testing/arbitrary-venn';
import { furnished } from '../core/testing/furnished';
import { embeddedFontCss } from './fonts';
import { pdfOf } from './pdf/pdf';
import { pngOf } from './png/png';
import { svgOf } from './svg/svg';

const text = (path: string): string => readFileSync(new URL(`../../${path}`, import.meta.url), 'utf8');
const list = (name: string): string => text(`demo/lists/${name}`);
const pinned = (name: string): Diagram => openDiagram(JSON.parse(text(`src/core/testing/pinned/${name}.json`)));
const made = (kind: KindId, of: string): Diagram => kindOf(kind).make(kindOf(kind).read(tokensOf(of)), 'A drawing');
const draws = (n: number): number[] => Array.from({ length: n }, (_, i) => (i * 7919) % 100_003);
const people = (n: number, span: number): Diagram =>
  diagramFromParents(Array.from({ length: n }, (_, i) => (i === 0 ? -1 : Math.floor((i - 1) / span))));

const photo = '0123456789abcdef0123456789abcdef';
/** A chart in which each property takes each of its values at somebody. */
function everyStyle(): Diagram {
  const own = (id: string, i: number): [string, StylePatch] => {
    const at = <T>(all: readonly T[]): T => all[i % all.length]!;
    return [
      id,
      {
        shape: at(BoxShape.options),
        nameFont: at(Typeface.options),
        detailFont: at(Typeface.options),
        nameWeight: at([400, 600, 700] as const),
        nameSlant: at(['upright', 'italic'] as const),
        borderLine: at(['solid', 'dashed', 'dotted', 'double'] as const),
        borderWidth: at([1, 2, 3, 4]),
        sign: at(['none', 'stripe', 'band', 'disc'] as const),
        effect: at(['none', 'shadow', 'glow'] as const),
        shade: at(['flat', 'fading'] as const),
        cover: at([100, 60]),
        nameCase: at(['typed', 'capitals'] as const),
        nameMarks: at(['plain', 'set', 'set'] as const),
        align: at(['middle', 'start'] as const),
      },
    ];
  };
  const chart = people(26, 5);
  const only = Object.fromEntries(Object.keys(chart.entries).map(own));
  const entries = Object.fromEntries(
    Object.entries(chart.entries).map(([id, entry], i) => [
      id,
      i % 3 === 2 ? { ...entry, name: `${entry.name} *sl*ant **bold** x^{2} H_{2}O` } : entry,
    ]),
  );
  return { ...chart, entries, palette: { hue: 40, colours: [], ground: '#f4efe2' }, styles: { ...chart.styles, only } };
}

/** Three fields of colour, of which the upper and the lower are cut off. */
const stripes =
  '<svg xmlns="http://www.w3.org/2000/svg" width="60" height="90"><rect width="60" height="90" fill="#a33"/><rect y="20" width="60" height="50" fill="#36a"/><circle cx="30" cy="45" r="16" fill="#fd8"/></svg>';

const image = { id: photo, width: 60, height: 90, part: { x: 0.45, y: 0.3, side: 0.7 } };
const withAll = (diagram: Diagram): Diagram =>
  furnished(diagram, { image, side: kindOf(diagram.kind).linkKinds[0]?.id ?? null });
/** Every kind with every sort of thing that a sheet can hold beside the entries. */
const full: Record<string, () => Diagram> = {
  'a full sheet: org chart': () => withAll(people(14, 4)),
  'a full sheet: topic tree': () => withAll(made('topic-tree', list('kinds-of-shore.txt'))),
  'a full sheet: decision tree': () => withAll(demo.leakingBoardwalk(list('leaking-boardwalk.txt'))),
  'a full sheet: family tree': () => withAll(familyOf(draws(14))),
  'a full sheet: concept map': () => withAll(mapOf(draws(10), draws(3))),
  'a full sheet: Venn diagram': () => withAll(vennOf(3, [1, 2, 3, 4, 5, 6, 7])),
};

/** Every kind, plain, styled and with all that a sheet can hold; small and large, in several scripts. */
const drawings: Record<string, () => Diagram> = {
  ...full,
  staff: () => pinned('staff'),
  'staff styled': () => pinned('staff-styled'),
  crew: () => pinned('crew'),
  shorebirds: () => pinned('shorebirds'),
  'shorebirds styled': () => pinned('shorebirds-styled'),
  certificates: () => pinned('certificates'),
  'kinds of shore': () => demo.kindsOfShore(list('kinds-of-shore.txt')),
  'leaking boardwalk': () => demo.leakingBoardwalk(list('leaking-boardwalk.txt')),
  'wading birds': () => demo.wadingBirds(list('wading-birds-key.txt')),
  'boathouse family': () => demo.boathouseFamily(list('boathouse-family.csv')),
  'productive estuary': () => demo.productiveEstuary(list('productive-estuary.txt')),
  'twinned centres': () => made('org-chart', list('twinned-centres.txt')),
  'twinned centres as topics': () => made('topic-tree', list('twinned-centres.txt')),
  'three people, one with a photo': () => {
    const three = people(3, 2);
    return { ...three, entries: { ...three.entries, e1: { ...own(three.entries, 'e1')!, image } } };
  },
  'twenty-four in one team': () => people(24, 23),
  'sixty people': () => people(60, 5),
  'four sets': () => vennOf(4, [1, 2, 3, 4, 6, 8, 12, 15]),
  'an analysis': () =>
    analysisOf(
      Array.from({ length: 25 }, (_, i) => (i === 0 ? -1 : Math.floor((i - 1) / 2))),
      { chance: [true, false, true], weight: [1, 2, 3], payoff: [120, -40, 800, 15] },
    ),
  'a family': () => familyOf(draws(30)),
  'a map': () => mapOf(draws(16), draws(6)),
  'a map with links aside, and roles in the legend': () => {
    const map = mapOf(draws(12), draws(4));
    const [first, second] = Object.keys(map.links);
    const roles = {
      wader: { id: 'wader', name: 'Waders', order: 0, rule: null, members: Object.keys(map.entries).slice(2, 5) },
    };
    return {
      ...map,
      roles,
      legend: { tiers: 'shown', roles: true, lines: true },
      styles: {
        ...map.styles,
        roles: { wader: { sign: 'stripe', fill: '#f3d98b', nameSlant: 'italic', borderLine: 'dashed' } },
        onlyLinks: { [first!]: { bend: 60 }, [second!]: { bend: -45, dash: 'dotted', endMark: 'dot' } },
      },
    };
  },
  'items in boxes of their own': () => {
    const sets = vennOf(3, [1, 2, 3, 4, 5, 6, 7, 1, 2], (i) => `Bird ${i} m^{2}`);
    const of = (id: string, name: string, order: number, members: string[]) => ({
      id,
      name,
      order,
      rule: null,
      members,
    });
    return {
      ...sets,
      roles: { a: of('a', 'Ringed', 0, ['e0', 'e3']), b: of('b', 'Red list', 1, ['e2', 'e6']) },
      styles: {
        ...sets.styles,
        everything: { nameMarks: 'set' },
        roles: { a: { fill: '#7a2f10', shape: 'pill', effect: 'shadow' }, b: { sign: 'disc', signColour: '#c0392b' } },
      },
    };
  },
  'every shape, typeface, border, sign and effect': everyStyle,
};

interface Picture {
  readonly data: Buffer;
  readonly width: number;
  readonly height: number;
}
async function picture(png: Buffer, like?: Picture): Promise<Picture> {
  const flat = sharp(png).flatten({ background: '#ffffff' }).removeAlpha();
  if (like) flat.resize(like.width, like.height, { fit: 'fill' });
  const { data, info } = await flat.raw().toBuffer({ resolveWithObject: true });
  return { data, width: info.width, height: info.height };
}

/** A channel that differs by more than this is seen to differ, beside the smoothing of edges. */
const seen = 96;
/** Itself first, then the pixels around it. */
const around = [0, -1, 1].flatMap((dy) => [0, -1, 1].map((dx) => ({ dx, dy })));
/** Share of the pixels of `a` that are like none of `b` within a pixel of them. */
function apart(a: Picture, b: Picture): number {
  const steps = around.map(({ dx, dy }) => 3 * (dy * a.width + dx));
  let count = 0;
  for (let y = 1; y < a.height - 1; y++)
    for (let x = 1; x < a.width - 1; x++) {
      const at = 3 * (y * a.width + x);
      let k = 0;
      while (k < steps.length && !isLike(a.data, at, b.data, at + steps[k]!)) k++;
      if (k === steps.length) count++;
    }
  return count / (a.width * a.height);
}
const isLike = (a: Buffer, i: number, b: Buffer, j: number): boolean =>
  Math.abs(a[i]! - b[j]!) <= seen && Math.abs(a[i + 1]! - b[j + 1]!) <= seen && Math.abs(a[i + 2]! - b[j + 2]!) <= seen;

describe('what is handed out looks as on the screen', () => {
  let browser: Browser;
  beforeAll(async () => {
    browser = await browsers.launch(chromium);
  });
  afterAll(() => browser.close());

  it.each(Object.entries(drawings))('%s: under a thousandth of the pixels of PDF and PNG is apart', async (_, make) => {
    const { scene } = draw(make());
    const images = new Map([
      [photo, { mime: 'image/png' as const, bytes: await sharp(Buffer.from(stripes)).png().toBuffer() }],
    ]);
    const svg = svgOf(scene, { fontCss: await embeddedFontCss(scene), images });
    const size = { width: Math.round(scene.sheet.width), height: Math.round(scene.sheet.height) };
    const page = await browser.newPage({ viewport: size, deviceScaleFactor: 1.5 });
    await page.setContent(`<style>body{margin:0}</style>${svg.slice(svg.indexOf('<svg'))}`);
    await page.evaluate(() => document.fonts.ready);
    const shown = await picture(await page.screenshot());
    await page.close();
    const pdf = await pdfOf([{ name: 'x', scene }], { images });
    const printed = execFileSync('pdftoppm', ['-r', '144', '-png', '-'], { input: pdf, maxBuffer: 1e8 });
    for (const other of [await picture(printed, shown), await picture(await pngOf(scene, 144, images), shown)]) {
      expect(apart(shown, other)).toBeLessThan(0.001);
      expect(apart(other, shown)).toBeLessThan(0.001);
    }
  });
});
