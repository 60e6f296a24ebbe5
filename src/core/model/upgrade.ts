import { Diagram } from './diagram';

/** Steps from an older stored format to the next one; index 0 leads from format 1 to 2, and so on. */
const steps: readonly ((stored: Record<string, unknown>) => Record<string, unknown>)[] = [];

/** Reads a stored diagram of any format so far. Throws a ZodError where it is none. */
export function openDiagram(stored: unknown): Diagram {
  let json = stored as Record<string, unknown>;
  const format = typeof json?.format === 'number' ? json.format : 1;
  for (const step of steps.slice(format - 1)) json = step(json);
  return Diagram.parse(json);
}
