import { check, draw, drawSet, kindOf, openDiagram, usualSetPrint, type Diagram } from '../../core/diagram';
import { withArticle } from '../../core/kind';
import { capital, own } from '../../core/model';
import { cutToDrawing, type Scene, type TilePaper } from '../../core/scene';
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
  /** Over several sheets that print no smaller than this, in points; one sheet where it is left out. */
  readonly setAt?: number | undefined;
  /** The paper of the tiles of a poster. */
  readonly tiles?: TilePaper | undefined;
  /** `drawing`: without the sheet around it; the sheet where it is left out. */
  readonly cut?: 'sheet' | 'drawing';
}

const whole = (scene: Scene): Scene => scene;

/** A diagram as a file. Only formats that show the drawing draw it. */
export async function handOut({ body, format, dotsPerInch, pictures, setAt, tiles, cut }: HandOutInput): Promise<{
  readonly bytes: Uint8Array;
  readonly title: string;
}> {
  const diagram = openDiagram(JSON.parse(body));
  const { write } = formats[format];
  try {
    const set = setAt === undefined ? null : drawSet(diagram, setAt);
    if (setAt !== undefined && !set)
      throw new Refusal(
        422,
        `${capital(withArticle(kindOf(diagram.kind)))} cannot be parted over sheets. Save it as a poster in tiles.`,
      );
    const written = await write(diagram, () => (cut === 'drawing' ? cutToDrawing : whole)(draw(diagram).scene), {
      dotsPerInch,
      images: new Map(pictures),
      set,
      tiles: tiles ?? null,
    });
    return { bytes: typeof written === 'string' ? new TextEncoder().encode(written) : written, title: diagram.title };
  } catch (error) {
    // A picture that would grow too large is the person's to change.
    if (error instanceof RangeError) throw new Refusal(422, error.message);
    throw error;
  }
}

export interface Printed {
  readonly title: string;
  readonly pages: readonly { readonly svg: string; readonly width: number; readonly height: number }[];
}

/**
 * The sheet as the print page shows it; the sheets of a set where `sheet` is “set”; another sheet that its kind knows by that word. Pictures are fetched by the
 * page.
 */
export function printSheet({
  body,
  sheet,
  least = null,
}: {
  readonly body: string;
  readonly sheet: string | null;
  readonly least?: number | null;
}): Printed {
  const opened = openDiagram(JSON.parse(body));
  const scenes = scenesFor(opened, sheet, least);
  if (!scenes) throw new Refusal(404, 'There is no such sheet of this diagram.');
  const pages = scenes.map((scene) => ({
    svg: svgOf(scene, { fontCss: '', hrefOf: (image) => `/api/pictures/${image}` }),
    width: scene.sheet.width,
    height: scene.sheet.height,
  }));
  return { title: opened.title, pages };
}

function scenesFor(diagram: Diagram, sheet: string | null, least: number | null): readonly Scene[] | null {
  if (sheet === null) return [draw(diagram).scene];
  if (sheet === 'set')
    return (
      drawSet(diagram, least ?? diagram.sheet.leastPrint ?? usualSetPrint)?.sheets.map(({ scene }) => scene) ?? null
    );
  const other = own(kindOf(diagram.kind).sheets, sheet);
  return other ? [draw(other(diagram)).scene] : null;
}
