import PDFDocument from 'pdfkit';
import { boxOutline, dashPattern, type Primitive, type Scene } from '../../core/scene';
import { fontPath } from '../fonts';
import { noImages, type ImageFiles } from '../images';
import { quicken } from './quick-text';

/** 1 CSS px = 0.75 pt. */
const pointsPerPx = 0.75;

type Handlers = {
  [K in Primitive['type']]: (
    pdf: PDFKit.PDFDocument,
    primitive: Extract<Primitive, { type: K }>,
    images: ImageFiles,
  ) => void;
};

function dashed(pdf: PDFKit.PDFDocument, width: number, line: { dashed: boolean; dotted?: true }): void {
  const [dash, space] = dashPattern(width, line.dotted ? 'dotted' : 'dashed');
  if (line.dashed || line.dotted) pdf.dash(dash, { space });
  else pdf.undash();
}

const handlers: Handlers = {
  image(pdf, { image, x, y, width, height }, images) {
    const file = images.get(image);
    if (file) pdf.image(Buffer.from(file.bytes), x, y, { width, height });
    else pdf.undash().rect(x, y, width, height).lineWidth(0.75).stroke('#888888');
  },
  box(pdf, box) {
    dashed(pdf, box.strokeWidth, box);
    pdf.path(boxOutline(box));
    if (box.strokeWidth > 0) pdf.lineWidth(box.strokeWidth).fillAndStroke(box.fill, box.stroke);
    else pdf.fill(box.fill);
  },
  path(pdf, path) {
    dashed(pdf, path.strokeWidth, path);
    pdf.path(path.d).lineWidth(path.strokeWidth);
    if (path.fill && path.strokeWidth > 0) pdf.fillAndStroke(path.fill, path.stroke, 'even-odd');
    else if (path.fill) pdf.fill(path.fill, 'even-odd');
    else pdf.stroke(path.stroke);
  },
  curvedText(pdf, { glyphs, size, fill }) {
    for (const { text, face, x, y, turn } of glyphs) {
      pdf
        .save()
        .rotate(turn, { origin: [x, y] })
        .font(fontPath(face))
        .fontSize(size)
        .fillColor(fill);
      pdf.text(text, x, y, { lineBreak: false, baseline: 'alphabetic' });
      pdf.restore();
    }
  },
  text(pdf, text) {
    let x = text.x;
    for (const run of text.runs) {
      pdf.font(fontPath(run.face)).fontSize(text.size).fillColor(text.fill);
      quicken(pdf, run.face);
      pdf.text(run.text, x, text.y, { lineBreak: false, baseline: 'alphabetic', features: ['kern'] });
      x += run.width;
    }
  },
};

type Handler = (to: PDFKit.PDFDocument, one: Primitive, images: ImageFiles) => void;
const drawPrimitive = (pdf: PDFKit.PDFDocument, primitive: Primitive, images: ImageFiles): void =>
  (handlers[primitive.type] as Handler)(pdf, primitive, images);

/** The Scene as a one-page PDF at the sheet's size, with the used characters of the fonts embedded and the text selectable. */
export function pdfOf(scene: Scene, images = noImages): Promise<Buffer> {
  const { sheet, drawing } = scene;
  const pdf = new PDFDocument({
    size: [sheet.width * pointsPerPx, sheet.height * pointsPerPx],
    margin: 0,
    info: { Title: scene.title, Subject: scene.description, Creator: 'Dendrotax', Producer: 'Dendrotax' },
    displayTitle: true,
    lang: 'en',
  });
  const done = collect(pdf);
  pdf.scale(pointsPerPx);
  pdf.rect(0, 0, sheet.width, sheet.height).fill(sheet.ground);
  for (const { children } of scene.notes) for (const primitive of children) drawPrimitive(pdf, primitive, images);
  pdf.translate(drawing.x, drawing.y).scale(drawing.scale);
  for (const { x, y, children } of scene.groups) {
    pdf.save().translate(x, y);
    for (const primitive of children) drawPrimitive(pdf, primitive, images);
    pdf.restore();
  }
  pdf.end();
  return done;
}

function collect(pdf: PDFKit.PDFDocument): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    const parts: Buffer[] = [];
    pdf.on('data', (part: Buffer) => parts.push(part));
    pdf.on('end', () => resolve(Buffer.concat(parts)));
    pdf.on('error', reject);
  });
}
