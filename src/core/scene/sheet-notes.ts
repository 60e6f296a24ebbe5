import { KeptFor, type DiagramCommon } from '../model';
import {
  baseOf,
  isMarked,
  runsOf,
  setMarked,
  unmarked,
  widthOf,
  widthOfRuns,
  wrapWithin,
  type Face,
  type MarkedLine,
} from '../measure';
import { inkOnGround, type Look } from '../style';
import { legendGroup, noLegend, setLegend, type Legend, type SetLegend } from './legend';
import { noteRow, rowGroups, type NoteRow } from './note-rows';
import type { SceneGroup, TextPrimitive } from './scene';
import { lineOfText } from './set-note';

type Align = 'left' | 'middle' | 'right';

export const titleSize = 22;
export const subtitleSize = 13;
const footSize = 11;
const leading = 1.3;
/** Between the title block and the drawing, the drawing and the foot, and two texts of the foot. CSS px. */
const apart = { top: 10, foot: 10, texts: 24, notes: 6 } as const;

/** A text of the sheet broken to its room. */
interface Note {
  readonly id: 'title' | 'subtitle' | 'signed';
  readonly text: string;
  readonly lines: readonly string[];
  readonly face: Face;
  readonly size: number;
  readonly align: Align;
  /** Left out where the text is all of one manner. */
  readonly marked?: readonly MarkedLine[];
}

/** The texts around a drawing, and the room they take above and below it. CSS px. */
export interface Notes {
  readonly top: number;
  readonly bottom: number;
  readonly head: readonly Note[];
  readonly signed: Note | null;
  readonly legend: SetLegend;
  readonly above: NoteRow;
  readonly below: NoteRow;
  /** Where the title block begins across, or ends where it is set to the right, if it stands beside the top of the drawing; left out: over its middle. */
  readonly aside?: { readonly x: number; readonly align: 'left' | 'right' };
}

interface Kept {
  readonly notes: DiagramCommon['notes'];
  readonly legend: Legend;
  readonly width: number;
  readonly made: Notes;
}
/** Of both ways a sheet can lie, with and without a legend. */
const mostKept = 4;
const kept = new KeptFor<DiagramCommon['titleBlock'], readonly Kept[]>();

/** Title, subtitle, author and date, and what the signs mean, broken so that none is wider than its part of `width` (CSS px). */
export function notesWithin(
  diagram: Pick<DiagramCommon, 'titleBlock' | 'notes'>,
  legend: Legend,
  width: number,
): Notes {
  const { titleBlock, notes } = diagram;
  const before = kept.get(titleBlock) ?? [];
  const known = before.find((one) => one.notes === notes && one.legend === legend && one.width === width);
  if (known) return known.made;
  const made = notesMade(diagram, legend, width);
  kept.set(titleBlock, [{ notes, legend, width, made }, ...before].slice(0, mostKept));
  return made;
}

function notesMade(diagram: Pick<DiagramCommon, 'titleBlock' | 'notes'>, legend: Legend, width: number): Notes {
  const { shown, title, subtitle, author, date } = diagram.titleBlock;
  const [above, below] = [noteRow(diagram, 'above', width), noteRow(diagram, 'below', width)];
  const note = (id: Note['id'], text: string, face: Face, size: number, align: Align, room: number): Note => {
    const within = Math.max(size * 3, room);
    const made = { id, face, size, align };
    if (!isMarked(text)) return { ...made, text, lines: wrapWithin(text, face, size, within) };
    const setting =
      face === 'serif600'
        ? ({ typeface: 'book', weight: 600 } as const)
        : ({ typeface: 'clear', weight: 400 } as const);
    const marked = setMarked(text, { ...setting, size }, within);
    return { ...made, text: unmarked(text), lines: marked.map(() => ''), marked };
  };
  const head: Note[] = [];
  if (shown && title) head.push(note('title', title, 'serif600', titleSize, 'middle', width));
  if (shown && subtitle) head.push(note('subtitle', subtitle, 'sans400', subtitleSize, 'middle', width));
  const signed = shown ? [author, date].filter(Boolean).join(', ') : '';
  const own = (text: string) => widthOf(text, 'sans400', footSize);
  const signedWidth = signed ? Math.min(own(signed), legend.length > 0 ? width * 0.4 : width) : 0;
  const left = signed ? width - signedWidth - apart.texts : width;
  const set = legend.length > 0 ? setLegend(legend, left) : setLegend(noLegend, width);
  const signature = signed ? note('signed', signed, 'sans400', footSize, 'right', signedWidth + 0.5) : null;
  const heightOf = ({ lines, size }: Note) => lines.length * size * leading;
  const apartOf = ({ height }: NoteRow) => (height > 0 ? height + apart.notes : 0);
  const top = head.reduce((sum, one) => sum + heightOf(one), 0) + apartOf(above);
  const bottom = Math.max(set.height, signature ? heightOf(signature) : 0) + apartOf(below);
  return {
    top: top > 0 ? top + apart.top : 0,
    bottom: bottom > 0 ? bottom + apart.foot : 0,
    head,
    signed: signature,
    legend: set,
    above,
    below,
  };
}

/** Width of the longest line of a title block, and its height. CSS px. */
export function headSize({ head }: Notes): { readonly width: number; readonly height: number } {
  let [width, height] = [0, 0];
  for (const { text, lines, face, size, marked } of head) {
    const base = baseOf(text);
    lines.forEach((line, k) => {
      width = Math.max(width, marked?.[k]?.width ?? widthOfRuns(runsOf(line, face, size, base)));
    });
    height += lines.length * size * leading;
  }
  return { width, height };
}

/** The notes in sheet coordinates: the title over the middle of the drawing or beside its top, the foot at the lower edge. */
export function sheetNotes(
  diagram: DiagramCommon,
  look: Look,
  sheet: { width: number; height: number },
  { head, signed, legend, above, below, aside }: Notes,
): SceneGroup[] {
  const { margin } = diagram.sheet;
  const ink = inkOnGround(look);
  const groups: SceneGroup[] = [];
  let y = margin;
  for (const note of head) {
    groups.push(
      aside === undefined
        ? noteGroup(note, ink, { x: sheet.width / 2, y })
        : noteGroup({ ...note, align: aside.align }, ink, { x: aside.x, y }),
    );
    y += note.lines.length * note.size * leading;
  }
  const edges = { left: margin, right: sheet.width - margin };
  groups.push(...rowGroups(above, look, { ...edges, y: y + apart.notes }));
  const signedHeight = signed ? signed.lines.length * signed.size * leading : 0;
  const footHeight = Math.max(legend.height, signedHeight);
  const belowAt = sheet.height - margin - footHeight - (footHeight > 0 ? apart.notes : 0) - below.height;
  groups.push(...rowGroups(below, look, { ...edges, y: belowAt }));
  const foot = sheet.height - margin;
  if (legend.height > 0) groups.push(legendGroup(legend, ink, { x: margin, y: foot - legend.height }));
  if (signed) groups.push(noteGroup(signed, ink, { x: edges.right, y: foot - signedHeight }));
  return groups;
}

/** The lines of a note, each set from `x` to the right, to the left or to both sides; the first begins at `y`. */
function noteGroup(
  { id, text, lines, face, size, align, marked }: Note,
  fill: string,
  { x, y }: { readonly x: number; readonly y: number },
): SceneGroup {
  const base = baseOf(text);
  let [left, right] = [Infinity, -Infinity];
  const children = lines.flatMap((line, k): TextPrimitive[] => {
    const set = marked?.[k];
    const runs = set ? [] : runsOf(line, face, size, base);
    const width = set ? set.width : widthOfRuns(runs);
    const at = align === 'left' ? x : align === 'middle' ? x - width / 2 : x - width;
    left = Math.min(left, at);
    right = Math.max(right, at + width);
    const baseline = y + k * size * leading + size;
    return set
      ? lineOfText(set, fill, { x: at, y: baseline })
      : [{ type: 'text', x: at, y: baseline, size, fill, runs, part: 'note' }];
  });
  return {
    type: 'group',
    stands: { for: 'note', id },
    label: text,
    x: 0,
    y: 0,
    bounds: { x: left, y, width: right - left, height: lines.length * size * leading },
    children,
  };
}
