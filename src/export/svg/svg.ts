import { own } from '../../core/model';
import { faceCss, isOfScript, type Face, type Run } from '../../core/measure';
import {
  boxOutline,
  clipOf,
  dashPattern,
  type BoxPrimitive,
  type CurvedTextPrimitive,
  type Primitive,
  type Rect,
  type Scene,
  type SceneGroup,
} from '../../core/scene';
import { noImages, type ImageFiles } from '../images';

export interface SvgOptions {
  /** CSS with @font-face rules to embed; empty where the fonts are at hand anyway. */
  readonly fontCss: string;
  /** Pictures to embed; `hrefOf` instead where the document stands on a page that can load them. */
  readonly images?: ImageFiles;
  readonly hrefOf?: (image: string) => string;
}

const num = (n: number): string => String(Math.round(n * 1000) / 1000);
const escapes: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
// Characters that XML 1.0 does not allow are left out.
const esc = (text: string): string =>
  text.replace(/[^\P{Cc}\t\n\r]|[\ufffe\uffff]/gu, '').replace(/[&<>"]/g, (character) => own(escapes, character)!);

const dash = (width: number, line: 'dashed' | 'dotted' = 'dashed'): string =>
  dashPattern(width, line).map(num).join(' ');

type Href = (image: string) => string | null;

/** Where its fonts are not at hand, a text still takes the width it was measured with. A single letter cannot be spaced. */
const fitted = ({ text, width }: { readonly text: string; readonly width: number }): string =>
  text.trim().length > 1 ? ` textLength="${num(width)}" lengthAdjust="spacingAndGlyphs"` : '';

/** Letters of scripts keep the forms their font joins them in; text from right to left begins at its right end, whatever stands in it. */
const asScript = ({ face, rtl }: Run): string =>
  `${isOfScript(face) ? ' style="font-variant-ligatures:normal"' : ''}${rtl ? ' direction="rtl" unicode-bidi="bidi-override"' : ''}`;

const covering = ({ cover }: { readonly cover?: number }): string =>
  cover === undefined ? '' : ` fill-opacity="${num(cover)}"`;

type Fading = Pick<BoxPrimitive, 'fill' | 'fade'>;
const fadeId = ({ fill, fade }: Fading): string => `fade-${fade!.slice(1)}-${fill.slice(1)}`;

/** The fills that fade, each once, from their upper edge down. */
function fadesOf(groups: readonly SceneGroup[]): string {
  const fades = new Map<string, Fading>();
  for (const { children } of groups)
    for (const one of children) if (one.type === 'box' && one.fade) fades.set(fadeId(one), one);
  const told = [...fades].map(
    ([id, { fill, fade }]) =>
      `<linearGradient id="${id}" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="${fade!}"/><stop offset="1" stop-color="${fill}"/></linearGradient>`,
  );
  return told.length === 0 ? '' : `<defs>${told.join('')}</defs>`;
}

/** One short handler per primitive; a new primitive fails to compile until it is drawn here. */
const handlers: { [K in Primitive['type']]: (primitive: Extract<Primitive, { type: K }>, href: Href) => string } = {
  image: (primitive, hrefOf) => {
    const { image, crop, whole } = primitive;
    const href = hrefOf(image);
    const placed = ({ x, y, width, height }: Rect) =>
      `x="${num(x)}" y="${num(y)}" width="${num(width)}" height="${num(height)}"`;
    return href === null
      ? `<rect ${placed(primitive)} fill="none" stroke="#888888" stroke-width="0.75"/>`
      : `<image ${placed(whole ?? primitive)}${crop ? ` preserveAspectRatio="xMidYMid slice" style="clip-path:${clipOf(primitive)}"` : ''} href="${esc(href)}" xlink:href="${esc(href)}"/>`;
  },
  box: (box) =>
    `<path d="${boxOutline(box)}" fill="${box.fade ? `url(#${fadeId(box)})` : box.fill}"${covering(box)}${box.strokeWidth > 0 ? ` stroke="${box.stroke}" stroke-width="${num(box.strokeWidth)}"` : ''}${box.dashed || box.dotted ? ` stroke-dasharray="${dash(box.strokeWidth, box.dotted ? 'dotted' : 'dashed')}"` : ''}/>`,
  path: (path) =>
    `<path d="${path.d}" fill="${path.fill ?? 'none'}"${path.fill ? ' fill-rule="evenodd"' : ''}${covering(path)} stroke="${path.stroke}" stroke-width="${num(path.strokeWidth)}"${path.dashed || path.dotted ? ` stroke-dasharray="${dash(path.strokeWidth, path.dotted ? 'dotted' : 'dashed')}"` : ''}/>`,
  curvedText: ({ glyphs, size, fill }) =>
    sameFace(glyphs)
      .map((part) => {
        const { family, weight, italic } = faceCss(part[0]!.face);
        const list = (of: (glyph: (typeof part)[number]) => number) => part.map((glyph) => num(of(glyph))).join(' ');
        return `<text x="${list((glyph) => glyph.x)}" y="${list((glyph) => glyph.y)}" rotate="${list((glyph) => glyph.turn)}" font-family="'${family}', 'Noto Sans', sans-serif" font-size="${num(size)}" font-weight="${weight}"${italic ? ' font-style="italic"' : ''} fill="${fill}" xml:space="preserve">${esc(part.map((glyph) => glyph.text).join(''))}</text>`;
      })
      .join(''),
  text: (text) => {
    let x = text.x;
    return text.runs
      .map((run) => {
        const { family, weight, italic } = faceCss(run.face);
        const element = `<text x="${num(run.rtl ? x + run.width : x)}" y="${num(text.y)}" font-family="'${family}', 'Noto Sans', sans-serif" font-size="${num(text.size)}" font-weight="${weight}"${italic ? ' font-style="italic"' : ''} fill="${text.fill}"${fitted(run)}${asScript(run)} xml:space="preserve">${esc(run.text)}</text>`;
        x += run.width;
        return element;
      })
      .join('');
  },
};

type Glyphs = CurvedTextPrimitive['glyphs'];

/** Glyphs in a row that share a face; one whose text is more than one code unit stands alone, as the lists count code units. */
function sameFace(glyphs: Glyphs): Glyphs[] {
  const parts: Glyphs[number][][] = [];
  for (const glyph of glyphs) {
    const last = parts.at(-1);
    if (last && last[0]!.face === glyph.face && last.at(-1)!.text.length === 1 && glyph.text.length === 1)
      last.push(glyph);
    else parts.push([glyph]);
  }
  return parts;
}

const drawPrimitive = (primitive: Primitive, href: Href): string =>
  (handlers[primitive.type] as (one: Primitive, href: Href) => string)(primitive, href);

function group({ x, y, label, stands, children }: SceneGroup, href: Href): string {
  const place = x !== 0 || y !== 0 ? ` transform="translate(${num(x)} ${num(y)})"` : '';
  const read = label ? ` role="listitem" aria-label="${esc(label)}"` : ' aria-hidden="true"';
  return `<g${place} data-for="${stands.for}"${read}>${children.map((one) => drawPrimitive(one, href)).join('')}</g>`;
}

/** The Scene as an SVG 1.1 document, one CSS px a user unit, with title, description and a list of entries for assistive technology. */
export function svgOf(scene: Scene, { fontCss, images = noImages, hrefOf }: SvgOptions = { fontCss: '' }): string {
  const { sheet, drawing } = scene;
  const href: Href = (image) => {
    const file = images.get(image);
    if (file) return `data:${file.mime};base64,${Buffer.from(file.bytes).toString('base64')}`;
    return hrefOf ? hrefOf(image) : null;
  };
  return [
    `<?xml version="1.0" encoding="UTF-8"?>\n<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="${num(sheet.width)}" height="${num(sheet.height)}" viewBox="0 0 ${num(sheet.width)} ${num(sheet.height)}" role="list" aria-labelledby="title description">`,
    `<title id="title">${esc(scene.title)}</title><desc id="description">${esc(scene.description)}</desc>`,
    `<style>text{font-kerning:normal;font-variant-ligatures:none;white-space:pre}${fontCss}</style>`,
    `${fadesOf(scene.groups)}<rect width="100%" height="100%" fill="${sheet.ground}"/>`,
    scene.notes.map((one) => group(one, href)).join('\n'),
    `<g role="presentation" transform="translate(${num(drawing.x)} ${num(drawing.y)}) scale(${String(Math.round(drawing.scale * 1e6) / 1e6)})">`,
    scene.groups.map((one) => group(one, href)).join('\n'),
    '</g></svg>\n',
  ].join('\n');
}

/** The characters drawn in each face, for embedding only what is used. */
export function textByFace(scene: Scene): Map<Face, string> {
  const used = new Map<Face, Set<string>>();
  for (const { children } of [...scene.groups, ...scene.notes]) {
    for (const primitive of children) {
      const runs = primitive.type === 'text' ? primitive.runs : primitive.type === 'curvedText' ? primitive.glyphs : [];
      for (const run of runs) {
        let set = used.get(run.face);
        if (!set) used.set(run.face, (set = new Set()));
        for (const character of run.text) set.add(character);
      }
    }
  }
  return new Map([...used].map(([face, set]) => [face, [...set].join('')]));
}
