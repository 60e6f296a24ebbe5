import type { Rect } from './scene';

/** Left and right end of what is covered between two heights. */
interface Span {
  readonly top: number;
  readonly bottom: number;
  readonly left: number;
  readonly right: number;
}

/**
 * The outline that follows boxes row by row: at each height from the leftmost to the rightmost of them there. Between rows it is as narrow as both allow,
 * so that it stays in one piece. Points clockwise from the left upper corner. O(boxes × boxes side by side).
 */
export function contourOf(boxes: readonly Rect[]): number[] {
  const spans = joined(spansOf(boxes));
  const right: number[] = [];
  const left: number[] = [];
  for (const span of spans) {
    right.push(span.right, span.top, span.right, span.bottom);
    left.push(span.left, span.top, span.left, span.bottom);
  }
  const back: number[] = [];
  for (let p = left.length - 2; p >= 0; p -= 2) back.push(left[p]!, left[p + 1]!);
  // From the left upper corner on: the last of the way back.
  return withoutRepeats([back.at(-2)!, back.at(-1)!, ...right, ...back.slice(0, -2)]);
}

function spansOf(boxes: readonly Rect[]): Span[] {
  const heights = [...new Set(boxes.flatMap(({ y, height }) => [y, y + height]))].sort((a, b) => a - b);
  const byTop = [...boxes].sort((a, b) => a.y - b.y);
  let next = 0;
  let active: Rect[] = [];
  const spans: Span[] = [];
  for (let k = 0; k + 1 < heights.length; k++) {
    const [top, bottom] = [heights[k]!, heights[k + 1]!];
    while (next < byTop.length && byTop[next]!.y <= top) active.push(byTop[next++]!);
    active = active.filter(({ y, height }) => y + height > top);
    if (active.length === 0) continue;
    let [left, right] = [Infinity, -Infinity];
    for (const { x, width } of active) {
      left = Math.min(left, x);
      right = Math.max(right, x + width);
    }
    spans.push({ top, bottom, left, right });
  }
  return spans;
}

/** Spans with what joins them where boxes leave a gap. */
function joined(spans: readonly Span[]): Span[] {
  const all: Span[] = [];
  for (const span of spans) {
    const before = all.at(-1);
    if (before && span.top > before.bottom) all.push(neck(before, span));
    else if (before && Math.min(before.right, span.right) <= Math.max(before.left, span.left))
      // Rows that meet nowhere are joined by a strip along their common edge.
      all.push({ ...neck(before, span), top: before.bottom - 1, bottom: span.top + 1 });
    all.push(span);
  }
  return all;
}

function neck(above: Span, below: Span): Span {
  const [left, right] = [Math.max(above.left, below.left), Math.min(above.right, below.right)];
  const meets = left < right;
  return {
    top: above.bottom,
    bottom: below.top,
    left: meets ? left : Math.min(above.left, below.left),
    right: meets ? right : Math.max(above.right, below.right),
  };
}

function withoutRepeats(points: readonly number[]): number[] {
  const kept: number[] = [];
  for (let p = 0; p < points.length; p += 2)
    if (p === 0 || points[p] !== kept.at(-2) || points[p + 1] !== kept.at(-1)) kept.push(points[p]!, points[p + 1]!);
  return kept;
}
