import { baseOf, capHeightOf, faceOf, runsOf, widthOf, widthOfRuns, wrapWithin } from '../measure';
import { interning, type BoxShape, type BoxStyle, type LinkStyle } from '../model';
import { triangleSide } from './box-outline';
import { dotSize, isSymbol } from './box-shapes';
import { emptyBox } from './empty-box';
import { styledLine } from './line-marks';
import type { Primitive, SceneGroup } from './scene';

/** What a sign of the drawing means: the sign itself, small, and words; words alone where it has neither box nor line. */
export interface LegendItem {
  readonly words: string;
  readonly box?: BoxStyle;
  /** True where letters are to show the manner of the text too. */
  readonly letters?: true;
  readonly line?: LinkStyle;
}
export type Legend = readonly LegendItem[];
export const noLegend: Legend = [];

/** One object for equal legends, so that what is measured for one is kept. */
export const internedLegend = interning<Legend>(200);

const face = 'sans400';
const size = 11;
const lineHeight = 16;
/** A sign is so wide and high, and stands so far before its words; items stand apart. CSS px. */
const usual = 24;
const height = 13;
const beforeWords = 6;
const apart = 18;
const betweenRows = 2;
/** Signs at the sides of boxes, borders and soft edges are drawn smaller than in the drawing. */
const smaller = 0.6;
const mostBorder = 2;
const mostLine = 3;

const narrower: Readonly<Partial<Record<BoxShape, number>>> = {
  ...{
    block: height,
    star: 14,
    diamond: 19,
    ellipse: height,
    triangle: triangleSide,
    gable: triangleSide,
    dot: dotSize,
  },
};

const signWidth = ({ box, line }: LegendItem): number => (box ? (narrower[box.shape] ?? usual) : line ? usual + 4 : 0);

interface Placed {
  readonly item: LegendItem;
  readonly x: number;
  readonly y: number;
  readonly lines: readonly string[];
}

/** A legend broken to a width, CSS px. */
export interface SetLegend {
  readonly items: readonly Placed[];
  readonly width: number;
  readonly height: number;
}

/** Sets the items one after the other, in as many rows as it takes; words that are wider than a row are broken. */
export function setLegend(legend: Legend, room: number): SetLegend {
  const items: Placed[] = [];
  let [x, y, width, rows] = [0, 0, 0, 1];
  for (const item of legend) {
    const before = signWidth(item) > 0 ? signWidth(item) + beforeWords : 0;
    const words = widthOf(item.words, face, size);
    if (x > 0 && x + before + words > room) [x, y, rows] = [0, y + rows * lineHeight + betweenRows, 1];
    const within = Math.max(size * 3, room - before);
    const lines = words > within ? wrapWithin(item.words, face, size, within) : [item.words];
    items.push({ item, x, y, lines });
    rows = Math.max(rows, lines.length);
    const taken = before + Math.max(...lines.map((line) => widthOf(line, face, size)));
    width = Math.max(width, x + taken);
    x += taken + apart;
  }
  return { items, width, height: items.length > 0 ? y + rows * lineHeight : 0 };
}

/** The legend with its upper left corner at a place of the sheet. */
export function legendGroup({ items, ...bounds }: SetLegend, ink: string, at: { x: number; y: number }): SceneGroup {
  const children = items.flatMap(({ item, x, y, lines }) => {
    const sign = signOf(item, { x: at.x + x, y: at.y + y + (lineHeight - height) / 2 });
    const from = at.x + x + (signWidth(item) > 0 ? signWidth(item) + beforeWords : 0);
    const base = baseOf(item.words);
    const baseline = at.y + y + (lineHeight + capHeightOf(face, size)) / 2;
    const texts = lines.map((line, k): Primitive => ({
      type: 'text',
      x: from,
      y: baseline + k * lineHeight,
      ...{ size, fill: ink, runs: runsOf(line, face, size, base), part: 'note' },
    }));
    return [...sign, ...texts];
  });
  return {
    type: 'group',
    stands: { for: 'note', id: 'legend' },
    label: items.map(({ item }) => item.words).join('. '),
    x: 0,
    y: 0,
    bounds: { ...bounds, ...at },
    children,
  };
}

function signOf(item: LegendItem, { x, y }: { readonly x: number; readonly y: number }): Primitive[] {
  const { box, line, letters } = item;
  const width = signWidth(item);
  if (line) {
    const middle = y + height / 2;
    return [
      ...styledLine(
        [x, middle, x + width, middle],
        { ...line, endGap: 0, lineWidth: Math.min(line.lineWidth, mostLine) },
        null,
        0,
      ),
    ];
  }
  if (!box) return [];
  const drawn = {
    ...box,
    borderWidth: Math.min(box.borderWidth, mostBorder),
    corner: Math.min(box.corner, height / 3),
  };
  const pointed = box.shape === 'triangle' || box.shape === 'gable' ? triangleSide : height;
  const top = y + (height - pointed) / 2;
  return [
    ...emptyBox(drawn, { x, y: top, width, height: pointed }, smaller),
    ...(letters && !isSymbol(box.shape) && box.shape !== 'dot' ? lettersIn(box, { x, y, width }) : []),
  ];
}

/** Two letters in the manner of names. */
function lettersIn(box: BoxStyle, { x, y, width }: { readonly x: number; readonly y: number; readonly width: number }) {
  const own = faceOf(box.nameFont, { weight: box.nameWeight, slant: box.nameSlant });
  const runs = runsOf(box.nameCase === 'capitals' ? 'AB' : 'Ab', own, size);
  const text: Primitive = {
    type: 'text',
    x: x + (width - widthOfRuns(runs)) / 2,
    y: y + (height + capHeightOf(own, size)) / 2,
    ...{ size, fill: box.text, runs, part: 'note' },
  };
  return [text];
}
