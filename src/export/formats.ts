import { type Diagram, kindOf } from '../core/diagram';
import { withArticle } from '../core/kind';
import { own } from '../core/model';
import type { Scene, SheetSet, TilePaper } from '../core/scene';
import { embeddedFontCss } from './fonts';
import type { ImageFiles } from './images';
import { jsonOf } from './json/json';
import { svgOf } from './svg/svg';

/** `set`: the scenes of the sheets it is set over, for formats with pages; `tiles`: the paper of the tiles of a poster. */
export interface WriteOptions {
  readonly dotsPerInch?: number;
  readonly images?: ImageFiles;
  readonly set?: SheetSet | null;
  readonly tiles?: TilePaper | null;
}

export interface Format {
  readonly mime: string;
  /** `scene` makes the drawing; formats that only hold the list do not ask for it. */
  write(
    diagram: Diagram,
    scene: () => Scene,
    options: WriteOptions,
  ): Promise<Uint8Array | string> | Uint8Array | string;
}

/** The list of one kind of diagram in a format that only it knows; `holds`: what is said to others. */
const listOf = (ending: string, mime: string, holds: string): Format => ({
  mime,
  write: (diagram) => {
    const kind = kindOf(diagram.kind);
    const text = own(kind.writes ?? {}, ending)?.(diagram);
    if (text === undefined) throw new RangeError(`${holds}; this is ${withArticle(kind)}.`);
    return text;
  },
});

/** Every format a diagram leaves in, by file ending. */
export const formats = {
  svg: {
    mime: 'image/svg+xml',
    write: async (_, draw, { images }) => {
      const scene = draw();
      return svgOf(scene, { fontCss: await embeddedFontCss(scene), ...(images && { images }) });
    },
  },
  // Their libraries are loaded when they are first asked for.
  pdf: {
    mime: 'application/pdf',
    write: async (diagram, scene, { images, set, tiles }) => {
      const { pdfOf } = await import('./pdf/pdf');
      const [first, ...others] = set?.sheets ?? [{ name: diagram.title || 'Diagram', scene: scene() }];
      const { author } = diagram.titleBlock;
      return pdfOf([first!, ...others], { author, ...(images && { images }), ...(tiles && { tiles }) });
    },
  },
  png: {
    mime: 'image/png',
    write: async (_, scene, { dotsPerInch, images }) => (await import('./png/png')).pngOf(scene(), dotsPerInch, images),
  },
  json: { mime: 'application/json', write: (_, scene) => jsonOf(scene()) },
  csv: { mime: 'text/csv; charset=utf-8', write: (diagram) => `\ufeff${kindOf(diagram.kind).csv(diagram)}` },
  txt: { mime: 'text/plain; charset=utf-8', write: (diagram) => kindOf(diagram.kind).text(diagram) },
  ged: listOf('ged', 'text/vnd.familysearch.gedcom', 'GEDCOM holds families'),
  graphml: listOf('graphml', 'application/xml', 'GraphML is written of concept maps'),
  dot: listOf('dot', 'text/plain; charset=utf-8', 'DOT is written of concept maps'),
} as const satisfies Record<string, Format>;

export type FormatId = keyof typeof formats;
export const isFormat = (id: string): id is FormatId => Object.hasOwn(formats, id);
