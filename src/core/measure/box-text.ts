import type { BoxStyle, Entry } from '../model';
import { sansFace, type Face } from './face';
import { capHeightOf, runsOf, type Run } from './measure';
import { wrap } from './wrap';

/** One set line, its baseline and middle relative to the middle of all its lines. CSS px. */
export interface SetLine {
  readonly runs: readonly Run[];
  readonly face: Face;
  readonly size: number;
  readonly width: number;
  readonly baseline: number;
  readonly part: 'name' | 'detail';
}

export interface BoxText {
  readonly lines: readonly SetLine[];
  /** Size of all lines without padding, CSS px. */
  readonly width: number;
  readonly height: number;
}

/** Text wider than this many times the name's size starts a new line. */
const wantedEms = { narrow: 7.8, wide: 18 } as const;
export type TextWidth = keyof typeof wantedEms;
const mostNameLines = 3;
const mostDetailLines = 2;
const nameLeading = 1.18;
const detailLeading = 1.25;

const kept = {
  narrow: new WeakMap<Entry, Map<BoxStyle, BoxText>>(),
  wide: new WeakMap<Entry, Map<BoxStyle, BoxText>>(),
};

/**
 * Sets the text of an entry: the name in bold, the details lighter below. `narrow` as boxes want it, `wide` as lists do, where most names
 * keep to one line. Kept per entry and style, which never change in place.
 */
export function boxText(entry: Entry, style: BoxStyle, width: TextWidth = 'narrow'): BoxText {
  let byStyle = kept[width].get(entry);
  if (!byStyle) kept[width].set(entry, (byStyle = new Map()));
  let text = byStyle.get(style);
  if (!text) byStyle.set(style, (text = set(entry, style, width)));
  return text;
}

function set(entry: Entry, style: BoxStyle, inLine: TextWidth): BoxText {
  const nameFace = sansFace(style.nameWeight, style.nameSlant);
  const detailFace = sansFace(400, 'upright');
  const wanted = style.nameSize * wantedEms[inLine];
  const blocks: { text: string; face: Face; size: number; leading: number; part: SetLine['part'] }[] = [];
  const name = entry.name.trim() === '' ? ' ' : entry.name;
  for (const text of wrap(name, nameFace, style.nameSize, wanted, mostNameLines).lines) {
    blocks.push({ text, face: nameFace, size: style.nameSize, leading: nameLeading, part: 'name' });
  }
  for (const detail of entry.details.slice(0, style.details)) {
    if (detail.trim() === '') continue;
    for (const text of wrap(detail, detailFace, style.detailSize, wanted, mostDetailLines).lines) {
      blocks.push({ text, face: detailFace, size: style.detailSize, leading: detailLeading, part: 'detail' });
    }
  }
  const lines: SetLine[] = [];
  let y = 0;
  let width = 0;
  for (const [i, { text, face, size, leading, part }] of blocks.entries()) {
    if (part === 'detail' && blocks[i - 1]?.part === 'name') y += size * 0.15;
    const runs = runsOf(text, face, size);
    const lineWidth = runs.reduce((sum, run) => sum + run.width, 0);
    const step = size * leading;
    lines.push({ runs, face, size, width: lineWidth, baseline: y + (step + capHeightOf(face, size)) / 2, part });
    width = Math.max(width, lineWidth);
    y += step;
  }
  return { lines: lines.map((line) => ({ ...line, baseline: line.baseline - y / 2 })), width, height: y };
}
