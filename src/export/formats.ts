import type { Diagram } from '../core/model';
import type { Scene } from '../core/scene';
import { csvOf, outlineText } from '../core/write';
import { embeddedFontCss } from './fonts';
import { jsonOf } from './json/json';
import { pdfOf } from './pdf/pdf';
import { pngOf } from './png/png';
import { svgOf } from './svg/svg';

export interface Format {
  readonly mime: string;
  write(
    diagram: Diagram,
    scene: Scene,
    options: { dotsPerInch?: number },
  ): Promise<Uint8Array | string> | Uint8Array | string;
}

/** Every format a diagram leaves in, by file ending. */
export const formats = {
  svg: { mime: 'image/svg+xml', write: async (_, scene) => svgOf(scene, { fontCss: await embeddedFontCss(scene) }) },
  pdf: { mime: 'application/pdf', write: (_, scene) => pdfOf(scene) },
  png: { mime: 'image/png', write: (_, scene, { dotsPerInch }) => pngOf(scene, dotsPerInch) },
  json: { mime: 'application/json', write: (_, scene) => jsonOf(scene) },
  csv: { mime: 'text/csv; charset=utf-8', write: (diagram) => `\ufeff${csvOf(diagram)}` },
  txt: { mime: 'text/plain; charset=utf-8', write: (diagram) => outlineText(diagram) },
} as const satisfies Record<string, Format>;

export type FormatId = keyof typeof formats;
export const isFormat = (id: string): id is FormatId => Object.hasOwn(formats, id);
