import type { AnyKind } from '../../core/diagram';
import type { ColumnUse, Reading } from '../../core/read';

const plural = (n: number, one: string, many = `${one}s`): string =>
  `${n.toLocaleString('en')} ${n === 1 ? one : many}`;

/** How the structure was told and what each column is; every column can be changed in place. */
export function Understood({
  kind,
  read,
  tiers,
  onUse,
  onStructure,
  onFirstRow,
}: {
  kind: AnyKind;
  read: Reading;
  tiers: number;
  onUse: (index: number, use: ColumnUse) => void;
  onStructure: (structure: 'outline' | 'table') => void;
  /** The first row is no heading. */
  onFirstRow: () => void;
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
      {read.header && read.columns.length > 0 && (
        <p className="mt-1 text-sm text-muted">
          Its first row is read as headings:{' '}
          <span className="text-ink">{read.columns.map(({ header }) => header).join(' · ')}</span>.{' '}
          {kind.readsWithoutHeadings && (
            <button className="link" onClick={onFirstRow}>
              It is {kind.entryNoun[0] === 'idea' ? 'an' : 'a'} {kind.entryNoun[0]}
            </button>
          )}
        </p>
      )}
      {read.columns.length > 0 && (
        <ul className="mt-3 flex max-h-40 flex-wrap gap-x-4 gap-y-2 overflow-auto">
          {read.columns.map((column) => (
            <li key={column.index}>
              <label className="flex items-center gap-1.5 text-sm">
                <span className="max-w-40 truncate font-semibold">{column.header}</span>
                <span className="text-muted">is</span>
                <select
                  className="border border-edge bg-raised px-1 py-0.5"
                  value={column.use}
                  onChange={(event) => onUse(column.index, event.target.value)}
                >
                  {kind.columnUses.map(({ use, words }) => (
                    <option key={use} value={use}>
                      {words}
                    </option>
                  ))}
                </select>
              </label>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
