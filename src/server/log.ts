/** One line of JSON on the error output: where, and what the error says, without content of diagrams. */
export function log(at: string, error: unknown, more: Readonly<Record<string, string | number>> = {}): void {
  const told = error instanceof Error ? `${error.name}: ${error.message.slice(0, 200)}` : String(error).slice(0, 200);
  console.error(JSON.stringify({ at, error: told, ...more }));
}
