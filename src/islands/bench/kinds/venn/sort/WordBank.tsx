import { own } from '../../../../../core/model';
import { type Sorting, type VennSet, regionWords } from '../../../../../core/kinds/venn';

interface WordBankProps {
  readonly bank: readonly string[];
  readonly sorted: readonly string[];
  readonly sets: readonly VennSet[];
  readonly sorting: Sorting;
  readonly chosen: string | null;
  nameOf(entry: string): string;
  onChoose(entry: string | null): void;
  onPick(entry: string, event: React.PointerEvent): void;
  onPut(entry: string, mask: number | null): void;
}

/** The names still to be sorted: dragged into the drawing, or chosen and sent to a region by ticking its sets. */
export function WordBank({ bank, sorted, sets, sorting, chosen, nameOf, onChoose, onPick, onPut }: WordBankProps) {
  return (
    <>
      <h2 className="text-xl">Word bank</h2>
      <p className="mt-1 text-sm text-muted">
        Drag each name into its region. Or choose a name, tick its sets below, and put it there.
      </p>
      <ul className="mt-3 flex flex-wrap gap-2">
        {bank.map((entry) => (
          <li key={entry}>
            <Chip entry={entry} name={nameOf(entry)} chosen={chosen === entry} onChoose={onChoose} onPick={onPick} />
          </li>
        ))}
      </ul>
      {bank.length === 0 && <p className="mt-3 text-muted">Every name is sorted.</p>}
      {chosen !== null && (
        <Region
          key={chosen}
          name={nameOf(chosen)}
          sets={sets}
          mask={own(sorting, chosen)}
          onPut={(mask) => onPut(chosen, mask)}
        />
      )}
      {sorted.length > 0 && (
        <details className="mt-4">
          <summary className="cursor-pointer text-sm text-muted">Sorted so far: {sorted.length}</summary>
          <ul className="mt-1">
            {sorted.map((entry) => (
              <li key={entry}>
                <button className="text-left hover:underline" onClick={() => onChoose(entry)}>
                  <strong>{nameOf(entry)}</strong>: {regionWords(sets, own(sorting, entry)!)}
                </button>
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}

function Chip({
  entry,
  name,
  chosen,
  onChoose,
  onPick,
}: {
  entry: string;
  name: string;
  chosen: boolean;
  onChoose(entry: string): void;
  onPick(entry: string, event: React.PointerEvent): void;
}) {
  return (
    <button
      aria-pressed={chosen}
      className={`cursor-grab touch-none border px-2.5 py-1 select-none ${chosen ? 'border-moss bg-mosswash font-semibold' : 'border-edge bg-raised'}`}
      onClick={() => onChoose(entry)}
      onPointerDown={(event) => onPick(entry, event)}
    >
      {name}
    </button>
  );
}

/** The sets of one name as boxes to tick; says which region they make. */
function Region({
  name,
  sets,
  mask,
  onPut,
}: {
  name: string;
  sets: readonly VennSet[];
  mask: number | undefined;
  onPut(mask: number | null): void;
}) {
  return (
    <form
      className="mt-4 border border-moss p-3"
      onSubmit={(event) => {
        event.preventDefault();
        const ticked = new FormData(event.currentTarget).getAll('set').map(Number);
        onPut(ticked.reduce((bits, i) => bits | (1 << i), 0));
      }}
    >
      <fieldset>
        <legend className="font-semibold">{name} is in</legend>
        {sets.map((set, i) => (
          <label key={set.id} className="flex items-center gap-2 py-0.5">
            <input
              type="checkbox"
              className="accent-moss"
              name="set"
              value={i}
              defaultChecked={((mask ?? 0) >> i) % 2 === 1}
            />
            {set.name}
          </label>
        ))}
      </fieldset>
      <div className="mt-2 flex gap-2">
        <button className="button button-main" type="submit">
          Put it there
        </button>
        {mask !== undefined && (
          <button className="button" type="button" onClick={() => onPut(null)}>
            Back to the bank
          </button>
        )}
      </div>
    </form>
  );
}
