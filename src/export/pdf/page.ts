import type { Primitive, Rect, Scene, SceneGroup } from '../../core/scene';
import type { ImageFiles } from '../images';
import { drawPrimitive } from './primitives';

/** Where a mark of a set leads, by the number of its sheet. */
export const destinationOf = (sheet: string): string => `sheet ${sheet}`;

/** What is drawn onto: the PDF, its structure, and the pictures there are. */
export interface Onto {
  readonly pdf: PDFKit.PDFDocument;
  readonly document: PDFKit.PDFStructureElement;
  readonly images: ImageFiles;
}

/**
 * Draws a Scene onto the page, in CSS px of its sheet, with what it reads as tags in the order of the list: the title a heading, every entry a
 * paragraph, its picture a figure; lines are no content. `cut`: the part of the sheet that the page shows; all where it is null.
 */
export function drawScene({ pdf, document, images }: Onto, scene: Scene, cut: Rect | null): void {
  const { sheet, drawing, notes, groups } = scene;
  const section = pdf.struct('Sect');
  document.add(section);
  artifact(pdf, () => pdf.rect(0, 0, sheet.width, sheet.height).fill(sheet.ground));
  for (const note of notes) {
    pdf.save().translate(note.x, note.y);
    tagged(pdf, section, note, note.stands.id === 'title' ? 'H1' : 'P', images);
    pdf.restore();
  }
  pdf.save().translate(drawing.x, drawing.y).scale(drawing.scale);
  const shown = cut && {
    x: (cut.x - drawing.x) / drawing.scale,
    y: (cut.y - drawing.y) / drawing.scale,
    width: cut.width / drawing.scale,
    height: cut.height / drawing.scale,
  };
  for (const group of groups) {
    if (shown && !meets(group, shown)) continue;
    pdf.save().translate(group.x, group.y);
    if (group.label) tagged(pdf, section, group, 'P', images);
    else artifact(pdf, () => group.children.forEach((primitive) => drawPrimitive(pdf, primitive, images)));
    const { for: leads, id } = group.stands;
    const { x, y, width, height } = group.bounds;
    if (leads === 'onward' || leads === 'back') pdf.goTo(x, y, width, height, destinationOf(id));
    pdf.restore();
  }
  pdf.restore();
  section.end();
}

const meets = ({ x, y, bounds }: SceneGroup, cut: Rect): boolean =>
  x + bounds.x <= cut.x + cut.width &&
  x + bounds.x + bounds.width >= cut.x &&
  y + bounds.y <= cut.y + cut.height &&
  y + bounds.y + bounds.height >= cut.y;

function artifact(pdf: PDFKit.PDFDocument, work: () => void): void {
  pdf.markContent('Artifact', { type: 'Layout' });
  work();
  pdf.endMarkedContent();
}

/** The parts of a group in its tag; names that are broken, and letters along a curve, can be searched and copied as one. */
function tagged(
  pdf: PDFKit.PDFDocument,
  section: PDFKit.PDFStructureElement,
  { label, children }: SceneGroup,
  tag: 'H1' | 'P',
  images: ImageFiles,
): void {
  const pictured =
    !children.some(({ type }) => type === 'text' || type === 'curvedText') ||
    children.some(({ type }) => type === 'image');
  const marked = pdf.markStructureContent(pictured ? 'Figure' : tag, pictured ? { alt: label } : {});
  const said = saidAs(children);
  children.forEach((child, k) => {
    const actual = said.get(k);
    if (actual !== undefined) pdf.markContent('Span', { actual });
    drawPrimitive(pdf, child, images);
    if (actual !== undefined) pdf.endMarkedContent();
  });
  pdf.endMarkedContent();
  section.add(pdf.struct(pictured ? 'Figure' : tag, pictured ? { alt: label } : {}, marked));
}

/** A text that stands for nothing of its own. */
const nothing = ' ';

/**
 * What parts of a group are read and copied as, by their index: letters along a curve as their word; a name that is broken after a hyphen with its first
 * line, as readers of PDF do not join such lines.
 */
function saidAs(children: readonly Primitive[]): Map<number, string> {
  const said = new Map<number, string>();
  const words = children.map((one) => (one.type === 'text' ? one.runs.map(({ text }) => text).join('') : null));
  children.forEach((one, k) => {
    if (one.type === 'curvedText') said.set(k, one.glyphs.map(({ text }) => text).join(''));
    if (one.type !== 'text' || one.part !== 'name' || !words[k]!.endsWith('-')) return;
    const next = children[k + 1];
    if (next?.type !== 'text' || next.part !== 'name') return;
    // Where this line itself goes on from one before, the name is told with that.
    let start = k;
    while (said.get(start) === nothing) start--;
    said.set(start, `${said.get(start) ?? words[k]!}${words[k + 1]!}`);
    said.set(k + 1, nothing);
  });
  return said;
}
