import { faceCss, type Face } from '../../core/measure';
import { boxOutline, dashPattern, type Primitive, type Scene, type SceneGroup } from '../../core/scene';

export interface SvgOptions {
  /** CSS with @font-face rules to embed; empty where the fonts are at hand anyway. */
  readonly fontCss: string;
}

const num = (n: number): string => String(Math.round(n * 1000) / 1000);
const escapes: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
// Characters that XML 1.0 does not allow are left out.
const esc = (text: string): string =>
  text.replace(/[^\P{Cc}\t\n\r]|[\ufffe\uffff]/gu, '').replace(/[&<>"]/g, (character) => escapes[character]!);

const dash = (width: number): string => dashPattern(width).map(num).join(' ');

/** One short handler per primitive; a new primitive fails to compile until it is drawn here. */
const handlers: { [K in Primitive['type']]: (primitive: Extract<Primitive, { type: K }>) => string } = {
  box: (box) =>
    `<path d="${boxOutline(box)}" fill="${box.fill}"${box.strokeWidth > 0 ? ` stroke="${box.stroke}" stroke-width="${num(box.strokeWidth)}"` : ''}${box.dashed ? ` stroke-dasharray="${dash(box.strokeWidth)}"` : ''}/>`,
  path: (path) =>
    `<path d="${path.d}" fill="none" stroke="${path.stroke}" stroke-width="${num(path.strokeWidth)}"${path.dashed ? ` stroke-dasharray="${dash(path.strokeWidth)}"` : ''}/>`,
  text: (text) => {
    let x = text.x;
    return text.runs
      .map((run) => {
        const { family, weight, italic } = faceCss(run.face);
        const element = `<text x="${num(x)}" y="${num(text.y)}" font-family="'${family}', 'Noto Sans', sans-serif" font-size="${num(text.size)}" font-weight="${weight}"${italic ? ' font-style="italic"' : ''} fill="${text.fill}" xml:space="preserve">${esc(run.text)}</text>`;
        x += run.width;
        return element;
      })
      .join('');
  },
};

export const drawPrimitive = (primitive: Primitive): string =>
  (handlers[primitive.type] as (one: Primitive) => string)(primitive);

function group({ x, y, label, stands, children }: SceneGroup): string {
  const place = x !== 0 || y !== 0 ? ` transform="translate(${num(x)} ${num(y)})"` : '';
  const read = label ? ` role="listitem" aria-label="${esc(label)}"` : ' aria-hidden="true"';
  return `<g${place} data-for="${stands.for}"${read}>${children.map(drawPrimitive).join('')}</g>`;
}

/** The Scene as an SVG 1.1 document, one CSS px a user unit, with title, description and a list of entries for assistive technology. */
export function svgOf(scene: Scene, { fontCss }: SvgOptions = { fontCss: '' }): string {
  const { sheet, drawing } = scene;
  return [
    `<?xml version="1.0" encoding="UTF-8"?>\n<svg xmlns="http://www.w3.org/2000/svg" width="${num(sheet.width)}" height="${num(sheet.height)}" viewBox="0 0 ${num(sheet.width)} ${num(sheet.height)}" role="list" aria-labelledby="title description">`,
    `<title id="title">${esc(scene.title)}</title><desc id="description">${esc(scene.description)}</desc>`,
    `<style>text{font-kerning:normal;font-variant-ligatures:none;white-space:pre}${fontCss}</style>`,
    `<rect width="100%" height="100%" fill="${sheet.ground}"/>`,
    scene.notes.map(group).join('\n'),
    `<g role="presentation" transform="translate(${num(drawing.x)} ${num(drawing.y)}) scale(${String(Math.round(drawing.scale * 1e6) / 1e6)})">`,
    scene.groups.map(group).join('\n'),
    '</g></svg>\n',
  ].join('\n');
}

/** The characters drawn in each face, for embedding only what is used. */
export function textByFace(scene: Scene): Map<Face, string> {
  const used = new Map<Face, Set<string>>();
  for (const { children } of [...scene.groups, ...scene.notes]) {
    for (const primitive of children) {
      if (primitive.type !== 'text') continue;
      for (const run of primitive.runs) {
        let set = used.get(run.face);
        if (!set) used.set(run.face, (set = new Set()));
        for (const character of run.text) set.add(character);
      }
    }
  }
  return new Map([...used].map(([face, set]) => [face, [...set].join('')]));
}
