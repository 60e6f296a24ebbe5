import type { DiagramCommon } from '../model';
import { runsOf, type Face } from '../measure';
import { readableText, type Look } from '../style';
import type { SceneGroup, TextPrimitive } from './scene';

type Align = 'left' | 'middle' | 'right';

function line(
  text: string,
  face: Face,
  size: number,
  fill: string,
  at: number,
  y: number,
  align: Align,
): TextPrimitive {
  const runs = runsOf(text, face, size);
  const width = runs.reduce((sum, run) => sum + run.width, 0);
  const x = align === 'left' ? at : align === 'middle' ? at - width / 2 : at - width;
  return { type: 'text', x, y, size, fill, runs, part: 'note' };
}

function group(id: string, label: string, text: TextPrimitive): SceneGroup {
  const width = text.runs.reduce((sum, run) => sum + run.width, 0);
  return {
    type: 'group',
    stands: { for: 'note', id },
    label,
    x: 0,
    y: 0,
    bounds: { x: text.x, y: text.y - text.size, width, height: text.size * 1.3 },
    children: [text],
  };
}

export const titleSize = 22;
export const subtitleSize = 13;
const footSize = 11;

/** Room the title block takes above the drawing and the foot lines below it, CSS px. */
export function notesRoom(diagram: DiagramCommon, legend: string): { top: number; bottom: number } {
  const { shown, title, subtitle, author, date } = diagram.titleBlock;
  const top = shown
    ? (title ? titleSize * 1.35 : 0) + (subtitle ? subtitleSize * 1.5 : 0) + (title || subtitle ? 14 : 0)
    : 0;
  const bottom = (shown && (author || date)) || legend ? footSize * 2.4 : 0;
  return { top, bottom };
}

/** Title, subtitle, author and date, and what the signs mean, in sheet coordinates. */
export function sheetNotes(
  diagram: DiagramCommon,
  look: Look,
  sheet: { width: number; height: number },
  legend: string,
): SceneGroup[] {
  const { shown, title, subtitle, author, date } = diagram.titleBlock;
  const { margin } = diagram.sheet;
  const ink = readableText(look.ink, look.ground, look.ink, look.light);
  const groups: SceneGroup[] = [];
  const middle = sheet.width / 2;
  const foot = sheet.height - margin;
  if (shown && title)
    groups.push(group('title', title, line(title, 'serif600', titleSize, ink, middle, margin + titleSize, 'middle')));
  if (shown && subtitle) {
    const y = margin + (title ? titleSize * 1.35 : 0) + subtitleSize;
    groups.push(group('subtitle', subtitle, line(subtitle, 'sans400', subtitleSize, ink, middle, y, 'middle')));
  }
  if (legend) groups.push(group('legend', legend, line(legend, 'sans400', footSize, ink, margin, foot, 'left')));
  const signed = [author, date].filter(Boolean).join(', ');
  if (shown && signed)
    groups.push(group('signed', signed, line(signed, 'sans400', footSize, ink, sheet.width - margin, foot, 'right')));
  return groups;
}
