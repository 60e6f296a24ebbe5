import { check, draw } from '../../core/diagram';
import { exerciseSheet } from '../../core/kinds/venn';
import { openDiagram } from '../../core/diagram';
import { type Diagram } from '../../core/diagram';
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

/** The sheet as the print page shows it; pictures are fetched by the page. */
export function printSheet({
  body,
  exercise,
}: {
  readonly body: string;
  readonly exercise: 'blank' | 'answers' | null;
}): {
  readonly svg: string;
  readonly title: string;
  readonly width: number;
  readonly height: number;
} {
  const opened = openDiagram(JSON.parse(body));
  const diagram: Diagram =
    opened.kind === 'venn' && exercise !== null ? exerciseSheet(opened, exercise === 'answers') : opened;
  const { scene } = draw(diagram);
  const svg = svgOf(scene, { fontCss: '', hrefOf: (image) => `/api/pictures/${image}` });
  return { svg, title: diagram.title, width: scene.sheet.width, height: scene.sheet.height };
}
