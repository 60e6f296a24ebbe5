import type { ReactNode } from 'react';
import type { AnyKind } from '../../core/diagram';
import type { ColumnUse, Reading } from '../../core/read';
import type { TableSeen } from '../../workers/read.worker';
import { ColumnTable } from './ColumnTable';

const plural = (n: number, one: string, many = `${one}s`): string =>
  `${n.toLocaleString('en')} ${n === 1 ? one : many}`;

/** How the structure was told and what each column is; every column can be changed in place. */
export function Understood({
  kind,
  read,
  tiers,
  table,
  chosen,
  ways,
  onUse,
  onStructure,
}: {
  kind: AnyKind;
  read: Reading;
  tiers: number;
  table: TableSeen | null;
  /** Parts of columns that were chosen by hand, by their places. */
  chosen: Readonly<Record<number, ColumnUse>>;
  /** How the text becomes a table, to be changed over it. */
  ways: ReactNode;
  onUse: (index: number, use: ColumnUse) => void;
  onStructure: (structure: 'outline' | 'table') => void;
}) {
  if (read.entries.length === 0) return null;
  const placed = read.entries.length;
  return (
    <section aria-label="What was understood" className="border border-hair bg-paper p-4">
      <h2 className="label mb-1 font-sans">What was understood</h2>
      <p className="text-[16px]">
        <strong>{plural(placed, ...kind.entryNoun)}</strong> in <strong>{plural(tiers, 'tier')}</strong>.{' '}
        {kind.told(read)}
      </p>
      <p className="text-sm text-muted">
        {read.emptyLines > 0 ? `${plural(read.emptyLines, 'empty line')} passed over. ` : ''}
        {placed} of {placed + read.notPlaced.length} lines have a place.{' '}
        {(placed > 1 || read.columns.length > 0) && (
          <button className="link" onClick={() => onStructure(read.columns.length > 0 ? 'outline' : 'table')}>
            {read.columns.length > 0 ? 'Read it as an indented list instead' : 'Read it as a table instead'}
          </button>
        )}
      </p>
      {table && (
        <>
          {ways}
          <ColumnTable
            kind={kind}
            columns={read.columns}
            header={read.header}
            table={table}
            chosen={chosen}
            onUse={onUse}
          />
        </>
      )}
    </section>
  );
}
