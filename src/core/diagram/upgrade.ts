import { Diagram } from './diagram';

type Stored = Record<string, unknown>;

/** Links have styles, of all and of single ones. */
const withLinkStyles = (stored: Stored): Stored => ({
  ...stored,
  format: 2,
  styles: { links: {}, onlyLinks: {}, ...(stored.styles as Stored) },
});

/** Steps from an older stored format to the next one; index 0 leads from format 1 to 2, and so on. */
const steps: readonly ((stored: Stored) => Stored)[] = [withLinkStyles];

/** Reads a stored diagram of any format so far. Throws a ZodError where it is none. */
export function openDiagram(stored: unknown): Diagram {
  let json = stored as Stored;
  const format = typeof json?.format === 'number' ? json.format : 1;
  for (const step of steps.slice(format - 1)) json = step(json);
  return Diagram.parse(json);
}
