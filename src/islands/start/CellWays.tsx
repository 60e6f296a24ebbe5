import type { AnyKind } from '../../core/diagram';
import { separators, type Separator } from '../../core/read';

const separatorWords: Readonly<Record<Separator, string>> = {
  '\t': 'tabs',
  ';': 'semicolons',
  ',': 'commas',
  '|': 'upright strokes',
  '^': 'carets',
  ':': 'colons',
  blanks: 'columns of blanks',
};

/** How the text becomes a table: what parts its cells, and whether its first row is headings; changed in place, and back. */
export function CellWays({
  kind,
  header,
  separator,
  onFirstRow,
  onSeparator,
}: {
  kind: AnyKind;
  /** What was chosen by hand is shown at once, before the list is read anew. */
  header: boolean;
  separator: Separator;
  onFirstRow: (is: 'entry' | 'heading') => void;
  onSeparator: (separator: Separator) => void;
}) {
  return (
    <p className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1 text-sm">
      {kind.readsWithoutHeadings && (
        <label className="flex items-center gap-1.5">
          <input
            type="checkbox"
            className="accent-moss"
            checked={header}
            onChange={(event) => onFirstRow(event.target.checked ? 'heading' : 'entry')}
          />
          The first row is headings
        </label>
      )}
      <label className="flex items-center gap-1.5">
        Cells are parted by
        <select
          className="border border-edge bg-raised px-1 py-0.5"
          value={separator}
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
  );
}
