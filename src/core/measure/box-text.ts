import { drawnDetails, interning, type BoxStyle, type Entry } from '../model';
import { faceOf, type Face } from './face';
import { baseOf } from './bidi';
import { isItem, isMarked, markedFolds, unmarked, type MarkedPiece } from './marked-text';
import { capHeightOf, runsOf, widthOfRuns, type Run } from './measure';
import { foldsOf, foldWithin, type Wrapped } from './wrap';

/** One set line, its baseline and middle relative to the middle of all its lines. CSS px. */
export interface SetLine {
  readonly runs: readonly Run[];
  readonly face: Face;
  readonly size: number;
  readonly width: number;
  readonly baseline: number;
  readonly part: 'name' | 'detail';
  /** Its pieces, where they are set in more than one manner; `runs` has those of all. */
  readonly pieces?: readonly MarkedPiece[];
}

export interface BoxText {
  readonly lines: readonly SetLine[];
  /** Size of all lines without padding, CSS px. */
  readonly width: number;
  readonly height: number;
}

/** Text wider than this many times the name's size starts a new line, unless a width in CSS px is given. */
const wantedEms = { narrow: 7.8, wide: 18 } as const;
/** `narrow` as boxes want it, `wide` as lists do, where most names keep to one line; or the width that there is, in CSS px. */
export type TextWidth = keyof typeof wantedEms | number;
const mostNameLines = 3;
const mostDetailLines = 3;
/** The widest double name that is kept whole, in ems. */
const widestDoubleEms = 8.6;
const nameLeading = 1.18;
const detailLeading = 1.25;
/** Lines of scripts with signs above and below their letters stand further apart. */
const tallLeading = 1.5;
const leadingOf = ({ tall }: Wrapped, usual: number): number => (tall ? tallLeading : usual);

/** The ways to break the name and each detail that is shown, from few lines to many. */
export interface TextFolds {
  readonly name: readonly Wrapped[];
  readonly details: readonly (readonly Wrapped[])[];
}

/** What of a style tells how text is set. */
type TextStyle = Pick<
  BoxStyle,
  | 'nameFont'
  | 'nameSize'
  | 'nameWeight'
  | 'nameSlant'
  | 'nameCase'
  | 'nameMarks'
  | 'details'
  | 'detailOrder'
  | 'detailFont'
  | 'detailSize'
  | 'detailWeight'
  | 'detailSlant'
>;
const internedText = interning<TextStyle>(1000);
const textStyles = new WeakMap<BoxStyle, TextStyle>();

/** One object for all styles that set text alike, whatever their colours and boxes, so that another look need not measure anew. */
function textStyleOf(style: BoxStyle): TextStyle {
  const known = textStyles.get(style);
  if (known) return known;
  const { nameFont, nameSize, nameWeight, nameSlant, nameCase, nameMarks } = style;
  const { details, detailOrder, detailFont, detailSize, detailWeight, detailSlant } = style;
  const made = internedText({
    ...{ nameFont, nameSize, nameWeight, nameSlant, nameCase, nameMarks },
    ...{ details, detailOrder, detailFont, detailSize, detailWeight, detailSlant },
  });
  textStyles.set(style, made);
  return made;
}

const folded = new WeakMap<Entry, Map<TextStyle, TextFolds>>();

/** As a sign is lettered; ß becomes SS (Unicode default case conversion). */
const capitals = (name: string): string => name.toUpperCase();

const nameFaceOf = ({ nameFont, nameWeight, nameSlant }: TextStyle): Face =>
  faceOf(nameFont, { weight: nameWeight, slant: nameSlant });
const detailFaceOf = ({ detailFont, detailWeight, detailSlant }: TextStyle): Face =>
  faceOf(detailFont, { weight: detailWeight, slant: detailSlant });

/** The folds of an entry's text. Kept per entry and manner of text, which never change in place. */
export function textFolds(entry: Entry, of: BoxStyle): TextFolds {
  const style = textStyleOf(of);
  return keptBy(folded, entry, style, () => {
    const name = entry.name.trim() === '' ? ' ' : style.nameCase === 'capitals' ? capitals(entry.name) : entry.name;
    const whole = { widestDouble: style.nameSize * widestDoubleEms };
    return {
      name:
        style.nameMarks === 'set' && isMarked(name)
          ? foldsOfMarked(name, nameSetting(style), mostNameLines)
          : foldsOf(name, nameFaceOf(style), style.nameSize, mostNameLines, whole),
      details: drawnDetails(entry, style)
        .filter((detail) => detail.trim() !== '')
        .map((detail) =>
          style.nameMarks === 'set' && (isMarked(detail) || isItem(detail))
            ? foldsOfMarked(detail, detailSetting(style), mostDetailLines)
            : foldsOf(detail, detailFaceOf(style), style.detailSize, mostDetailLines),
        ),
    };
  });
}

const nameSetting = ({ nameFont, nameSize, nameWeight, nameSlant }: TextStyle) => ({
  ...{ typeface: nameFont, size: nameSize, weight: nameWeight, slant: nameSlant },
});
const detailSetting = ({ detailFont, detailSize, detailWeight, detailSlant }: TextStyle) => ({
  ...{ typeface: detailFont, size: detailSize, weight: detailWeight, slant: detailSlant },
});

/** The folds of a text in which signs tell a manner. */
function foldsOfMarked(text: string, setting: ReturnType<typeof nameSetting>, mostLines: number): Wrapped[] {
  const base = baseOf(unmarked(text));
  return markedFolds(text.trim(), setting, mostLines).map(({ lines, width }) => ({
    ...{ width, base, tall: false, marked: lines },
    lines: lines.map(({ pieces }) => pieces.flatMap(({ runs }) => runs.map(({ text }) => text)).join('')),
  }));
}

/** Height of the lines of a text set within a width, without padding. CSS px. */
export function heightWithin({ name, details }: TextFolds, style: BoxStyle, wanted: number): number {
  const heightOf = (way: Wrapped, size: number, leading: number): number =>
    way.lines.length * size * leadingOf(way, leading);
  let height = heightOf(foldWithin(name, wanted), style.nameSize, nameLeading);
  for (const detail of details) height += heightOf(foldWithin(detail, wanted), style.detailSize, detailLeading);
  return height + (details.length > 0 ? style.detailSize * 0.15 : 0);
}

/** Width of the widest line of a text set within a width. CSS px. */
export function widthWithin({ name, details }: TextFolds, wanted: number): number {
  let width = foldWithin(name, wanted).width;
  for (const detail of details) width = Math.max(width, foldWithin(detail, wanted).width);
  return width;
}

const kept = new WeakMap<Entry, Map<TextStyle, Map<string, BoxText>>>();

/** Sets the text of an entry: the name in bold, the details lighter below. Kept per entry, manner and way of breaking it. */
export function boxText(entry: Entry, style: BoxStyle, width: TextWidth = 'narrow'): BoxText {
  const wanted = typeof width === 'number' ? width : style.nameSize * wantedEms[width];
  const { name, details } = textFolds(entry, style);
  const blocks = [foldWithin(name, wanted), ...details.map((detail) => foldWithin(detail, wanted))];
  const ways = keptBy(kept, entry, textStyleOf(style), () => new Map<string, BoxText>());
  const key = blocks.map(({ lines }) => lines.length).join(' ');
  let text = ways.get(key);
  if (!text) ways.set(key, (text = set(blocks, style)));
  return text;
}

function set([name, ...details]: readonly Wrapped[], style: TextStyle): BoxText {
  const [nameFace, detailFace] = [nameFaceOf(style), detailFaceOf(style)];
  const blocks = [
    ...linesOf(name!, 'name', nameFace, style.nameSize),
    ...details.flatMap((detail) => linesOf(detail, 'detail', detailFace, style.detailSize)),
  ];
  const lines: SetLine[] = [];
  let y = 0;
  let width = 0;
  for (const [i, { text, face, size, leading, part, base, marked }] of blocks.entries()) {
    if (part === 'detail' && blocks[i - 1]?.part === 'name') y += size * 0.15;
    const runs = marked ? marked.pieces.flatMap((piece) => piece.runs) : runsOf(text, face, size, base);
    const lineWidth = marked ? marked.width : widthOfRuns(runs);
    const step = size * leading;
    const baseline = y + (step + capHeightOf(face, size)) / 2;
    const pieces = marked?.pieces.map((piece) => ({ ...piece, x: piece.x + marked.indent }));
    lines.push({ runs, face, size, width: lineWidth, baseline, part, ...(pieces && { pieces }) });
    width = Math.max(width, lineWidth);
    y += step;
  }
  return { lines: lines.map((line) => ({ ...line, baseline: line.baseline - y / 2 })), width, height: y };
}

const linesOf = (way: Wrapped, part: SetLine['part'], face: Face, size: number) =>
  way.lines.map((text, k) => ({
    text,
    marked: way.marked?.[k],
    part,
    face,
    size,
    leading: leadingOf(way, part === 'name' ? nameLeading : detailLeading),
    base: way.base,
  }));

function keptBy<V>(by: WeakMap<Entry, Map<TextStyle, V>>, entry: Entry, style: TextStyle, make: () => V): V {
  let byStyle = by.get(entry);
  if (!byStyle) by.set(entry, (byStyle = new Map()));
  let value = byStyle.get(style);
  if (value === undefined) byStyle.set(style, (value = make()));
  return value;
}
