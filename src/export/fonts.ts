import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import subsetFont from 'subset-font';
import { faceCss, type Face } from '../core/measure';
import type { Scene } from '../core/scene';
import { faceFiles } from './font-files';
import { textByFace } from './svg/svg';

const require = createRequire(import.meta.url);

/** Where the font file of a face lies on this machine. */
export function fontPath(face: Face): string {
  let path = paths.get(face);
  if (path === undefined) paths.set(face, (path = require.resolve(faceFiles[face])));
  return path;
}
const paths = new Map<Face, string>();

/** @font-face rules with the used characters of each face as TrueType, for an SVG that stands alone. */
export async function embeddedFontCss(scene: Scene): Promise<string> {
  const rules = await Promise.all(
    [...oneEachFile(textByFace(scene))].map(async ([face, text]) => {
      const subset = await subsetFont(await readFile(fontPath(face)), text, { targetFormat: 'sfnt' });
      const { family, weight, italic } = faceCss(face);
      return `@font-face{font-family:"${family}";font-weight:${weight};font-style:${italic ? 'italic' : 'normal'};src:url(data:font/ttf;base64,${subset.toString('base64')}) format("truetype")}`;
    }),
  );
  return rules.join('');
}

/** Faces that lie in one file told as one. */
function oneEachFile(texts: ReadonlyMap<Face, string>): ReadonlyMap<Face, string> {
  const one = new Map<string, Face>();
  const merged = new Map<Face, string>();
  for (const [face, text] of texts) {
    const path = fontPath(face);
    const first = one.get(path) ?? face;
    one.set(path, first);
    merged.set(first, (merged.get(first) ?? '') + text);
  }
  return merged;
}
