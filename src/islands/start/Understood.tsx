import type { AnyKind } from '../../core/diagram';
import { separators, type ColumnUse, type Reading, type Separator } from '../../core/read';
import type { TableSeen } from '../../workers/read.worker';
import { ColumnTable } from './ColumnTable';

const separatorWords: Readonly<Record<Separator, string>> = {
  '\t': 'tabs',
  ';': 'semicolons',
  ',': 'commas',
  '|': 'upright strokes',
  '^': 'carets',
  ':': 'colons',
  blanks: 'columns of blanks',
};

const plural = (n: number, one: string, many = `${one}s`): string =>
  `${n.toLocaleString('en')} ${n === 1 ? one : many}`;

/** How the structure was told and what each column is; every column can be changed in place. */
export function Understood({
  kind,
  read,
  tiers,
  table,
  onUse,
  onStructure,
  onFirstRow,
  onSeparator,
}: {
  kind: AnyKind;
  read: Reading;
  tiers: number;
  table: TableSeen | null;
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
          <p className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1 text-sm">
            {kind.readsWithoutHeadings && (
              <label className="flex items-center gap-1.5">
                <input
                  type="checkbox"
                  className="accent-moss"
                  checked={read.header}
                  onChange={(event) => onFirstRow(event.target.checked ? 'heading' : 'entry')}
                />
                The first row is headings
              </label>
            )}
            <label className="flex items-center gap-1.5">
              Cells are parted by
              <select
                className="border border-edge bg-raised px-1 py-0.5"
                value={table.separator}
                onChange={(event) => onSeparator(event.target.value as Separator)}
              >
                {separators.map((sign) => (
                  <option key={sign} value={sign}>
                    {separatorWords[sign]}
                  </option>
                ))}
              </select>
            </label>
          </p>
          <ColumnTable kind={kind} columns={read.columns} header={read.header} table={table} onUse={onUse} />
        </>
      )}
    </section>
  );
}
