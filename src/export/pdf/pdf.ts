import PDFDocument from 'pdfkit';
import { tileEdge, tileOverlap, tilingOf, type Scene, type Tile, type TilePaper, type Tiling } from '../../core/scene';
import { fontPath } from '../fonts';
import { noImages, type ImageFiles } from '../images';
import { destinationOf, drawScene, type Onto } from './page';
import { readyFor } from './set-text';

/** 1 CSS px = 0.75 pt. */
const pointsPerPx = 0.75;
/** A page of a PDF is no larger than this without a unit of its own, in pt (ISO 32000, annex C). */
const largestPage = 14_400;

export interface PdfPage {
  /** As the bookmark says it. */
  readonly name: string;
  readonly scene: Scene;
}

export interface PdfOptions {
  readonly images?: ImageFiles;
  readonly author?: string;
  /** One large sheet over tiles of this paper. */
  readonly tiles?: TilePaper;
}

/**
 * Scenes as the pages of a PDF at their sheets' sizes, fonts embedded: tagged in reading order, with bookmarks, title, author, language and XMP (PDF/UA-1,
 * ISO 14289); marks of a set lead to their sheets.
 */
export async function pdfOf(
  pages: readonly [PdfPage, ...PdfPage[]],
  { images = noImages, author = '', tiles }: PdfOptions = {},
): Promise<Buffer> {
  const [{ scene }] = pages;
  for (const page of pages) await readyFor(page.scene);
  const pdf = new PDFDocument({
    autoFirstPage: false,
    margin: 0,
    pdfVersion: '1.7',
    subset: 'PDF/UA' as 'PDF/A-1b',
    tagged: true,
    info: {
      Title: scene.title || 'Diagram',
      Subject: scene.description,
      Creator: 'Dendrotax',
      Producer: 'Dendrotax',
      ...(author && { Author: author }),
    },
    displayTitle: true,
    lang: 'en',
    font: fontPath('sans400'),
  });
  const done = collect(pdf);
  const document = pdf.struct('Document');
  pdf.addStructure(document);
  const onto: Onto = { pdf, document, images };
  pages.forEach(({ name, scene: one }, k) => {
    if (tiles) return tilePages(onto, one, tilingOf(one.sheet, tiles));
    const unit = addPage(pdf, one.sheet.width, one.sheet.height);
    pdf.addNamedDestination(destinationOf(String(k + 1)), 'Fit');
    pdf.outline.addItem(name);
    pdf.scale(pointsPerPx / unit);
    drawScene(onto, one, null);
  });
  document.end();
  pdf.end();
  return done;
}

/** A page of a size in CSS px; how many points its unit has, 1 unless it is larger than pages may be. */
function addPage(pdf: PDFKit.PDFDocument, width: number, height: number): number {
  const unit = Math.max(1, Math.ceil((Math.max(width, height) * pointsPerPx) / largestPage));
  pdf.addPage({ size: [(width * pointsPerPx) / unit, (height * pointsPerPx) / unit], margin: 0 });
  if (unit > 1) (pdf.page.dictionary.data as Record<string, unknown>).UserUnit = unit;
  return unit;
}

/** Every tile on a page of its own: its part of the sheet, marks where to cut, and which tile it is. */
function tilePages(onto: Onto, scene: Scene, tiling: Tiling): void {
  const { pdf } = onto;
  for (const tile of tiling.tiles) {
    addPage(pdf, tiling.width, tiling.height);
    const name = `Row ${tile.row} of ${tiling.rows}, column ${tile.column} of ${tiling.columns}`;
    pdf.outline.addItem(name);
    pdf.scale(pointsPerPx);
    pdf.save().rect(tileEdge, tileEdge, tile.cut.width, tile.cut.height).clip();
    pdf.translate(tileEdge - tile.cut.x, tileEdge - tile.cut.y);
    drawScene(onto, scene, tile.cut);
    pdf.restore();
    pdf.markContent('Artifact', { type: 'Page' });
    cutMarks(pdf, tile, tiling);
    pdf.font(fontPath('sans400')).fontSize(9).fillColor('#444444');
    pdf.text(name, tileEdge + 24, tileEdge / 2 - 5, { lineBreak: false });
    pdf.endMarkedContent();
  }
}

/** Short lines in the white edge: where the tile ends, and where its neighbour after or below begins to show the same. */
function cutMarks(pdf: PDFKit.PDFDocument, { cut, row, column }: Tile, { rows, columns }: Tiling): void {
  const [left, top] = [tileEdge, tileEdge];
  const [right, bottom] = [left + cut.width, top + cut.height];
  const length = tileEdge * 0.6;
  pdf.undash().lineWidth(0.5).strokeColor('#444444');
  for (const x of [left, right, ...(column < columns ? [right - tileOverlap] : [])])
    for (const [from, to] of [
      [top - length, top - 2],
      [bottom + 2, bottom + length],
    ] as const)
      pdf.moveTo(x, from).lineTo(x, to).stroke();
  for (const y of [top, bottom, ...(row < rows ? [bottom - tileOverlap] : [])])
    for (const [from, to] of [
      [left - length, left - 2],
      [right + 2, right + length],
    ] as const)
      pdf.moveTo(from, y).lineTo(to, y).stroke();
}

function collect(pdf: PDFKit.PDFDocument): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    const parts: Buffer[] = [];
    pdf.on('data', (part: Buffer) => parts.push(part));
    pdf.on('end', () => resolve(Buffer.concat(parts)));
    pdf.on('error', reject);
  });
}
