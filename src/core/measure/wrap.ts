import LineBreaker from 'linebreak';
import type { Face } from './face';
import { widthOf } from './measure';

export interface Wrapped {
  readonly lines: readonly string[];
  /** Width of the widest line, CSS px. */
  readonly width: number;
}

/** The pieces of a text between its Unicode line-break opportunities (UAX #14), spaces kept at their ends. */
function pieces(text: string): string[] {
  const breaker = new LineBreaker(text);
  const found: string[] = [];
  let start = 0;
  for (let next = breaker.nextBreak(); next; next = breaker.nextBreak()) {
    found.push(text.slice(start, next.position));
    start = next.position;
  }
  return found;
}

/**
 * Breaks a text so that it is at most `wanted` CSS px wide where that takes no more than `mostLines` lines; where it would take
 * more, the lines grow wider instead: nothing is ever cut. Lines are as even as the words allow.
 */
export function wrap(text: string, face: Face, size: number, wanted: number, mostLines: number): Wrapped {
  const whole = text.trim();
  const single = widthOf(whole, face, size);
  if (single <= wanted || mostLines <= 1) return { lines: [whole], width: single };
  const parts = pieces(whole);
  if (parts.length === 1) return { lines: [whole], width: single };
  for (let lines = 2; lines <= mostLines; lines++) {
    const even = evenLines(parts, face, size, lines);
    if (even.width <= wanted || lines === mostLines || lines >= parts.length) return even;
  }
  return { lines: [whole], width: single };
}

/** The narrowest setting in at most `lines` lines: bisection over the width, filling each line as far as it goes. */
function evenLines(parts: readonly string[], face: Face, size: number, lines: number): Wrapped {
  let low = Math.max(...parts.map((part) => widthOf(part.trimEnd(), face, size)));
  let best = fill(parts, face, size, low);
  if (best.lines.length <= lines) return best;
  let high = widthOf(parts.join(''), face, size);
  best = fill(parts, face, size, high);
  while (high - low > 0.5) {
    const middle = (low + high) / 2;
    const tried = fill(parts, face, size, middle);
    if (tried.lines.length <= lines) {
      best = tried;
      high = middle;
    } else {
      low = middle;
    }
  }
  return best;
}

function fill(parts: readonly string[], face: Face, size: number, width: number): Wrapped {
  const lines: string[] = [];
  let line = '';
  let widest = 0;
  for (const part of parts) {
    const longer = line + part;
    if (line !== '' && widthOf(longer.trimEnd(), face, size) > width) {
      lines.push(line.trimEnd());
      line = part;
    } else {
      line = longer;
    }
  }
  lines.push(line.trimEnd());
  for (const each of lines) widest = Math.max(widest, widthOf(each, face, size));
  return { lines, width: widest };
}
