import { check, draw, kindOf, openDiagram } from '../../core/diagram';
import { own } from '../../core/model';
import { embeddedFontCss } from '../../export/fonts';
import { formats, type FormatId } from '../../export/formats';
import type { ImageFile } from '../../export/images';
import { svgOf } from '../../export/svg/svg';
import { Refusal } from '../refusal';

export interface Pictures {
  readonly pictures: readonly (readonly [id: string, file: ImageFile])[];
}

export interface Summary {
  readonly tiers: number;
  readonly findings: number;
  readonly svg: string;
}

/** In larger diagrams no text can be read on a thumbnail. */
const mostWithFonts = 300;

/** What the Desk shows of a diagram: its counts and its drawing. */
export async function summarise({ body, pictures }: { readonly body: string } & Pictures): Promise<Summary> {
  const diagram = openDiagram(JSON.parse(body));
  const drawn = draw(diagram);
  const fontCss = Object.keys(diagram.entries).length > mostWithFonts ? '' : await embeddedFontCss(drawn.scene);
  return {
    tiers: drawn.scene.tiers.length,
    findings: check(diagram, drawn).length,
    svg: svgOf(drawn.scene, { fontCss, images: new Map(pictures) }),
  };
}

export interface HandOutInput extends Pictures {
  readonly body: string;
  readonly format: FormatId;
  readonly dotsPerInch: number;
}

/** A diagram as a file. Only formats that show the drawing draw it. */
export async function handOut({ body, format, dotsPerInch, pictures }: HandOutInput): Promise<{
  readonly bytes: Uint8Array;
  readonly title: string;
}> {
  const diagram = openDiagram(JSON.parse(body));
  const { write } = formats[format];
  try {
    const written = await write(diagram, () => draw(diagram).scene, { dotsPerInch, images: new Map(pictures) });
    return { bytes: typeof written === 'string' ? new TextEncoder().encode(written) : written, title: diagram.title };
  } catch (error) {
    // A picture that would grow too large is the person's to change.
    if (error instanceof RangeError) throw new Refusal(422, error.message);
    throw error;
  }
}

/** The sheet as the print page shows it, or another sheet of it that its kind knows by that word; pictures are fetched by the page. */
export function printSheet({ body, sheet }: { readonly body: string; readonly sheet: string | null }): {
  readonly svg: string;
  readonly title: string;
  readonly width: number;
  readonly height: number;
} {
  const opened = openDiagram(JSON.parse(body));
  const { sheets } = kindOf(opened.kind);
  const other = sheet === null ? undefined : own(sheets, sheet);
  if (sheet !== null && !other) throw new Refusal(404, 'There is no such sheet of this diagram.');
  const diagram = other ? other(opened) : opened;
  const { scene } = draw(diagram);
  const svg = svgOf(scene, { fontCss: '', hrefOf: (image) => `/api/pictures/${image}` });
  return { svg, title: diagram.title, width: scene.sheet.width, height: scene.sheet.height };
}
