import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fanLines, type Drop } from './fan';

const box = (at: number, to: number): Drop => ({ at, to, ticks: [] });
const points = (lines: ReturnType<typeof fanLines>) => lines.map((line) => line.points);

describe('the lines from a head', () => {
  it('to one box below it go straight down', () => {
    expect(points(fanLines(50, 10, 20, [box(50, 30)]))).toEqual([[50, 10, 50, 30]]);
  });
  it('to one box aside go over the bus', () => {
    expect(points(fanLines(50, 10, 20, [box(80, 30)]))).toEqual([[50, 10, 50, 20, 80, 20, 80, 30]]);
  });
  it('to several have a stem, a bus with its two ends, and drops in between', () => {
    expect(points(fanLines(50, 10, 20, [box(0, 30), box(50, 30), box(100, 30)]))).toEqual([
      [50, 10, 50, 20],
      [0, 30, 0, 20, 100, 20, 100, 30],
      [50, 20, 50, 30],
    ]);
  });
  it('begin the bus at the stem where that stands before all boxes', () => {
    expect(points(fanLines(0, 10, 20, [box(40, 30), box(80, 30)]))).toEqual([
      [0, 10, 0, 20, 80, 20, 80, 30],
      [40, 20, 40, 30],
    ]);
  });
  it('end a spine in its last tick', () => {
    const spine: Drop = {
      at: 50,
      to: 60,
      ticks: [
        { edge: 58, at: 40 },
        { edge: 58, at: 60 },
      ],
    };
    expect(points(fanLines(50, 10, 20, [spine]))).toEqual([
      [50, 10, 50, 60, 58, 60],
      [50, 40, 58, 40],
    ]);
  });
  it('join every drop to the stem without a break', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 0, max: 300 }), { minLength: 1, maxLength: 7 }),
        fc.integer({ min: 0, max: 300 }),
        (places, stem) => {
          const drops = [...places].sort((a, b) => a - b).map((at) => box(at, 40));
          const lines = points(fanLines(stem, 0, 20, drops));
          // Rasterised on whole px, all that is drawn hangs together and reaches every box.
          const seen = new Set<string>();
          for (const line of lines)
            for (let p = 2; p < line.length; p += 2) {
              const [ax, ay, bx, by] = line.slice(p - 2, p + 2) as [number, number, number, number];
              const steps = Math.max(Math.abs(bx - ax), Math.abs(by - ay), 1);
              for (let k = 0; k <= steps; k++)
                seen.add(`${Math.round(ax + ((bx - ax) * k) / steps)} ${Math.round(ay + ((by - ay) * k) / steps)}`);
            }
          const reached = new Set<string>([`${stem} 0`]);
          const waiting = [`${stem} 0`];
          for (let at = waiting.pop(); at; at = waiting.pop()) {
            const [x, y] = at.split(' ').map(Number) as [number, number];
            for (const next of [`${x + 1} ${y}`, `${x - 1} ${y}`, `${x} ${y + 1}`, `${x} ${y - 1}`])
              if (seen.has(next) && !reached.has(next)) {
                reached.add(next);
                waiting.push(next);
              }
          }
          for (const { at } of drops) expect(reached.has(`${at} 40`)).toBe(true);
          expect(reached.size).toBe(seen.size);
        },
      ),
    );
  });
});
