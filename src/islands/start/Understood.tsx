import type { AnyKind } from '../../core/diagram';
import type { ColumnUse, ReadChoices, Reading, Separator } from '../../core/read';
import type { TableSeen } from '../../workers/read.worker';
import { CellWays } from './CellWays';
import { ColumnTable } from './ColumnTable';

const plural = (n: number, one: string, many = `${one}s`): string =>
  `${n.toLocaleString('en')} ${n === 1 ? one : many}`;

/** How the structure was told and what each column is; every column can be changed in place. */
export function Understood({
  kind,
  read,
  tiers,
  table,
  choices,
  onUse,
  onStructure,
  onFirstRow,
  onSeparator,
}: {
  kind: AnyKind;
  read: Reading;
  tiers: number;
  table: TableSeen | null;
  /** What was changed by hand, shown at once, before the list is read anew. */
  choices: ReadChoices;
  onUse: (index: number, use: ColumnUse) => void;
  onStructure: (structure: 'outline' | 'table') => void;
  onFirstRow: (is: 'entry' | 'heading') => void;
  onSeparator: (separator: Separator) => void;
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
          <CellWays
            kind={kind}
            header={read.header}
            separator={table.separator}
            choices={choices}
            onFirstRow={onFirstRow}
            onSeparator={onSeparator}
          />
          <ColumnTable
            kind={kind}
            columns={read.columns}
            header={read.header}
            table={table}
            chosen={choices.columns ?? {}}
            onUse={onUse}
          />
        </>
      )}
    </section>
  );
}
