import type { AnyKind } from '../../core/diagram';
import type { Column, ColumnUse } from '../../core/read';
import type { TableSeen } from '../../workers/read.worker';

/** The table as it was read, with each column's part over it, changed in place, and what speaks for it under it. */
export function ColumnTable({
  kind,
  columns,
  header,
  table,
  chosen,
  onUse,
}: {
  kind: AnyKind;
  columns: readonly Column[];
  header: boolean;
  table: TableSeen;
  /** Parts that were chosen by hand, by the places of the columns. */
  chosen: Readonly<Record<number, ColumnUse>>;
  onUse: (index: number, use: ColumnUse) => void;
}) {
  const titleOf = (column: Column): string =>
    header && column.header !== '' ? column.header : `Column ${column.index + 1}`;
  return (
    <div
      className="mt-3 max-h-64 overflow-auto border border-hair"
      tabIndex={0}
      role="group"
      aria-label="The table, column by column"
    >
      <table className="w-max min-w-full border-collapse text-sm">
        <thead className="bg-ground">
          <tr>
            {columns.map((column) => (
              <td key={column.index} className="border-r border-hair p-1 align-top last:border-r-0">
                <select
                  aria-label={`${titleOf(column)} is`}
                  className="min-h-7 w-full min-w-28 border border-edge bg-raised px-1"
                  value={chosen[column.index] ?? column.use}
                  onChange={(event) => onUse(column.index, event.target.value)}
                >
                  {kind.columnUses.map(({ use, words }) => (
                    <option key={use} value={use}>
                      {words}
                    </option>
                  ))}
                </select>
              </td>
            ))}
          </tr>
          <tr>
            {columns.map((column, i) => (
              <th
                key={column.index}
                scope="col"
                className="max-w-56 border-r border-b border-hair px-2 pb-1 text-left align-top last:border-r-0"
              >
                <span className="block truncate font-semibold" title={titleOf(column)}>
                  {titleOf(column)}
                </span>
                <span className="block text-[12.5px] leading-tight font-normal text-muted">{table.evidence[i]}</span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {table.rows.map((cells, r) => (
            <tr key={r} className="border-b border-hair last:border-b-0">
              {columns.map((column) => (
                <td
                  key={column.index}
                  className="max-w-56 truncate border-r border-hair px-2 py-0.5 last:border-r-0"
                  title={cells[column.index]}
                >
                  {cells[column.index]}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {table.count > table.rows.length && (
        <p className="px-2 py-0.5 text-sm text-muted">
          … and {(table.count - table.rows.length).toLocaleString('en')} more
        </p>
      )}
    </div>
  );
}
