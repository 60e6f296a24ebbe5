import type { AnyKind } from '../../core/diagram';
import { separators, type ReadChoices, type Separator } from '../../core/read';

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
  choices,
  onFirstRow,
  onSeparator,
}: {
  kind: AnyKind;
  header: boolean;
  separator: Separator;
  choices: ReadChoices;
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
            checked={choices.firstRow ? choices.firstRow === 'heading' : header}
            onChange={(event) => onFirstRow(event.target.checked ? 'heading' : 'entry')}
          />
          The first row is headings
        </label>
      )}
      <label className="flex items-center gap-1.5">
        Cells are parted by
        <select
          className="border border-edge bg-raised px-1 py-0.5"
          value={choices.separator ?? separator}
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
