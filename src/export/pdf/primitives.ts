import { isShaped } from '../../core/measure';
import { boxOutline, dashPattern, type Primitive } from '../../core/scene';
import type { ImageFiles } from '../images';
import { setText } from './set-text';

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

/** Draws with a fill that covers only a share of what is below. */
function covering(pdf: PDFKit.PDFDocument, { cover }: { readonly cover?: number }, draw: () => void): void {
  if (cover === undefined) return draw();
  pdf.save().fillOpacity(cover);
  draw();
  pdf.restore();
}

const handlers: Handlers = {
  image(pdf, { image, x, y, width, height, crop, whole }, images) {
    const file = images.get(image);
    if (file && crop) {
      pdf.save();
      if (crop === 'round') pdf.ellipse(x + width / 2, y + height / 2, width / 2, height / 2).clip();
      else pdf.rect(x, y, width, height).clip();
      const { bytes } = file;
      if (whole) pdf.image(Buffer.from(bytes), whole.x, whole.y, { width: whole.width, height: whole.height });
      else pdf.image(Buffer.from(bytes), x, y, { cover: [width, height], align: 'center', valign: 'center' });
      pdf.restore();
    } else if (file) pdf.image(Buffer.from(file.bytes), x, y, { width, height });
    else pdf.undash().rect(x, y, width, height).lineWidth(0.75).stroke('#888888');
  },
  box(pdf, box) {
    dashed(pdf, box.strokeWidth, box);
    covering(pdf, box, () => {
      pdf.path(boxOutline(box));
      const fill = box.fade
        ? pdf
            .linearGradient(box.x, box.y, box.x, box.y + box.height)
            .stop(0, box.fade)
            .stop(1, box.fill)
        : box.fill;
      if (box.strokeWidth > 0) pdf.lineWidth(box.strokeWidth).fillAndStroke(fill, box.stroke);
      else pdf.fill(fill);
    });
  },
  path(pdf, path) {
    dashed(pdf, path.strokeWidth, path);
    covering(pdf, path, () => {
      pdf.path(path.d).lineWidth(path.strokeWidth);
      if (path.fill && path.strokeWidth > 0) pdf.fillAndStroke(path.fill, path.stroke, 'even-odd');
      else if (path.fill) pdf.fill(path.fill, 'even-odd');
      else pdf.stroke(path.stroke);
    });
  },
  curvedText(pdf, { glyphs, size, fill }) {
    pdf.fillColor(fill);
    for (const { text, face, x, y, turn } of glyphs) setText(pdf, text, { face, size, x, y, turn });
  },
  text(pdf, { x: start, y, size, fill, runs }) {
    let x = start;
    pdf.fillColor(fill);
    for (const [k, { text, face, width, rtl }] of runs.entries()) {
      // The blank after a line is not seen; it keeps the words of two lines apart for whoever has them read out.
      const ends = k === runs.length - 1 && !text.endsWith('-') && !isShaped(face);
      // From right to left, readers put the glyphs in order by themselves; signs that stand before their letter have to be told.
      const told = isShaped(face) && !rtl;
      if (told) pdf.markContent('Span', { actual: text });
      setText(pdf, ends ? `${text} ` : text, { face, size, x, y, turn: 0, ...(rtl && { rtl }) });
      if (told) pdf.endMarkedContent();
      x += width;
    }
  },
};

type Handler = (to: PDFKit.PDFDocument, one: Primitive, images: ImageFiles) => void;
export const drawPrimitive = (pdf: PDFKit.PDFDocument, primitive: Primitive, images: ImageFiles): void =>
  (handlers[primitive.type] as Handler)(pdf, primitive, images);
