import { formatHex } from 'culori';
import { defaultArrangement, plainEnclosure } from '../model';
import { Diagram } from './diagram';

type Stored = Record<string, unknown>;

/** Links have styles, of all and of single ones. */
const withLinkStyles = (stored: Stored): Stored => ({
  ...stored,
  format: 2,
  styles: { links: {}, onlyLinks: {}, ...(stored.styles as Stored) },
});

/** What an arrangement of format 3 had where nothing was chosen. */
const roomThen = Object.fromEntries(
  Object.entries(defaultArrangement).filter(([key]) => key !== 'tierNames' && key !== 'tierBands'),
);

/** Drawings are arranged for their sheet. What was chosen by hand stays; teams in columns, which nobody had to choose, fold as the sheet wants it. */
function withRoom(stored: Stored): Stored {
  const before = stored.arrangement as Stored;
  const chosen = before.lowest === 'row' || before.direction === 'right';
  return {
    ...stored,
    format: 3,
    arrangement: {
      ...roomThen,
      ...before,
      tiers: chosen ? 'bands' : 'open',
      lowest: before.lowest === 'row' ? 'row' : 'open',
    },
    sheet: { leastPrint: null, ...(stored.sheet as Stored) },
  };
}

/** Entries can be nudged, tiers have a least width and names that may be drawn. */
const withNudges = (stored: Stored): Stored => ({
  ...stored,
  format: 4,
  nudges: {},
  tiers: Object.fromEntries(
    Object.entries(stored.tiers as Record<string, object>).map(([tier, settings]) => [
      tier,
      { width: null, ...settings },
    ]),
  ),
  arrangement: { tierNames: 'hidden', ...(stored.arrangement as Stored) },
});

/** Sheets have notes. Enclosures are of every kind; those of maps had no dents, and hues. */
function withEnclosures(stored: Stored): Stored {
  const { enclosures = {}, ...map } = (stored.map ?? {}) as { enclosures?: Record<string, { hue?: number | null }> };
  const moved = Object.entries(enclosures).map(([id, { hue = null, ...one }]) => [
    id,
    { ...plainEnclosure, ...one, shape: 'hull', ...(hue !== null && huedEnclosure(hue)) },
  ]);
  return {
    ...stored,
    format: 5,
    arrangement: { tierBands: 'hidden', ...(stored.arrangement as Stored) },
    enclosures: Object.fromEntries(moved),
    notes: {},
    roles: {},
    ...(stored.map ? { map } : {}),
  };
}

/** Colours of an outline in a hue (OKLCH, degrees) on a light page. */
const huedEnclosure = (hue: number) => ({
  fill: formatHex({ mode: 'oklch', l: 0.955, c: 0.03, h: hue }),
  lineColour: formatHex({ mode: 'oklch', l: 0.6, c: 0.08, h: hue }),
});

/** Steps from an older stored format to the next one; index 0 leads from format 1 to 2, and so on. */
const steps: readonly ((stored: Stored) => Stored)[] = [withLinkStyles, withRoom, withNudges, withEnclosures];

/** Reads a stored diagram of any format so far. Throws a ZodError where it is none. */
export function openDiagram(stored: unknown): Diagram {
  let json = stored as Stored;
  const format = typeof json?.format === 'number' ? json.format : 1;
  for (const step of steps.slice(format - 1)) json = step(json);
  return Diagram.parse(json);
}
