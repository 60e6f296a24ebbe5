/** Lines in a span of time; what comes beyond is counted and told in the next span. */
const most = { lines: 60, spanMs: 10_000, letters: 1500 } as const;
let span = { begun: 0, lines: 0, left: 0 };

/**
 * One line of JSON on the error output: where, and what the error says, without content of diagrams. Lines are bounded in number and length, and that one
 * cannot be written (a full disk) is no error.
 */
export function log(at: string, error: unknown, more: Readonly<Record<string, string | number>> = {}): void {
  const now = Date.now();
  const told = error instanceof Error ? `${error.name}: ${error.message.slice(0, 200)}` : String(error).slice(0, 200);
  if (now - span.begun > most.spanMs) {
    const { left } = span;
    span = { begun: now, lines: 0, left: 0 };
    if (left > 0) write({ at: 'log', left });
  }
  if (++span.lines > most.lines) span.left++;
  else write({ at, error: told, ...more });
}

function write(line: Readonly<Record<string, string | number>>): void {
  try {
    console.error(JSON.stringify(line).slice(0, most.letters));
  } catch {
    // There is nowhere else to tell it.
  }
}
