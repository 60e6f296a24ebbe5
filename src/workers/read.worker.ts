import { expose } from 'comlink';
import { draw, readInAllKinds, tokensOf, type Drawn, type KindId } from '../core/diagram';
import { tierCount } from '../core/hierarchy';
import type { Fit } from '../core/kind';
import { bodyOf, ColumnEvidence, decodeList, type ReadChoices, type Reading, type Separator } from '../core/read';

/** Drawings of more entries are made on the Bench, not beside the list. */
const mostDrawn = 6000;

/** What one kind understands of a list, as it goes from the worker to the page. */
export interface ReadAway {
  readonly kind: KindId;
  readonly read: Reading;
  /** Null where this kind cannot show the list. */
  readonly fit: Fit | null;
  readonly bits: number;
  readonly strength: number;
  readonly whole: boolean;
  readonly tiers: number;
  /** Null where it was not read as a table. */
  readonly table: TableSeen | null;
  /** Null where it does not fit, or has too many entries to be drawn small. */
  readonly drawn: Drawn | null;
}

/** The table that a list was read as: what parts it, its first rows, and what speaks for what each column was taken for. */
export interface TableSeen {
  readonly separator: Separator;
  /** Without the heading; cells by the places of the columns. */
  readonly rows: readonly (readonly string[])[];
  readonly count: number;
  /** By the order of the reading's columns. */
  readonly evidence: readonly string[];
}

/** So many rows of a table are shown. */
const rowsShown = 3;

/** Shows the table of a list as each kind read it; its cells are looked at once for all of them. */
function tablesOf(text: string, choices: ReadChoices): (read: Reading) => TableSeen | null {
  const tokens = tokensOf(text, choices.separator);
  const looks = new Map<boolean, ColumnEvidence>();
  return (read) => {
    if (!tokens.table || read.columns.length === 0) return null;
    const body = bodyOf(tokens, read);
    const look = looks.get(read.header) ?? new ColumnEvidence(body);
    looks.set(read.header, look);
    return {
      separator: tokens.table.delimiter,
      rows: body.slice(0, rowsShown).map(({ cells }) => cells),
      count: body.length,
      evidence: look.of(read.columns),
    };
  };
}

/** What every kind understands of a list, the one that fits best first; drawn only where it fits. */
export function readAndDraw(
  text: string,
  choices: ReadChoices,
  /** Told before a kind reads or draws the list. */
  goesOn: (kind: KindId) => void = () => undefined,
): ReadAway[] {
  const tableSeen = tablesOf(text, choices);
  return readInAllKinds(text, choices, goesOn).map(({ kind, read, fit, bits, strength, whole }): ReadAway => {
    goesOn(kind.id);
    // Of what was read of the beginning alone nothing is shown but what it may be.
    const table = whole ? tableSeen(read) : null;
    const weighed = { kind: kind.id as KindId, read, fit, bits, strength, whole, table };
    if (!fit || !whole) return { ...weighed, tiers: 0, drawn: null };
    const diagram = kind.make(read, '');
    const drawn = read.entries.length <= mostDrawn ? draw(diagram) : null;
    const tiers = drawn ? drawn.scene.tiers.length : tierCount(kind.structure(diagram));
    return { ...weighed, tiers, drawn };
  });
}

const work = { read: readAndDraw, decode: decodeList };
export type ReadWorker = typeof work;
// In a test this module is read without a worker around it.
if (typeof self !== 'undefined' && 'postMessage' in self) expose(work);
