import { own, plainNote, type SheetNote } from '../../../core/model';
import { lookOf, inkOnGround } from '../../../core/style';
import { newId } from '../../shared/ids';
import { Check } from '../Check';
import { useBench, useParts } from '../context';
import { NumberField } from '../NumberField';
import { RemoveButton } from '../RemoveButton';
import { ColourField } from '../style/ColourField';
import { typefaces } from '../style/properties';

type SheetPlace = Extract<SheetNote['place'], { kind: 'sheet' }>;
const places: [string, SheetPlace][] = (['above', 'below'] as const).flatMap((row) =>
  (['left', 'middle', 'right'] as const).map((at): [string, SheetPlace] => [
    `${row} the drawing, ${at}`,
    { kind: 'sheet', row, at },
  ]),
);

/** Free text on the sheet, and beside entries. */
export function SheetNotes({ besideEntries }: { besideEntries: boolean }) {
  const { store } = useParts();
  const notes = useBench((state) => state.diagram.notes);
  const selected = useBench((state) => state.selected);
  const entries = useBench((state) => state.diagram.entries);
  const all = Object.values(notes).sort((a, b) => (a.id < b.id ? -1 : 1));
  const put = (place: SheetNote['place']) => {
    const id = newId();
    store.getState().perform([{ kind: 'putNote', note: { ...plainNote, id, place } }]);
    requestAnimationFrame(() => document.getElementById(`note-${id}`)?.focus());
  };
  const name = selected === null ? undefined : own(entries, selected)?.name || 'the selected entry';
  return (
    <section aria-label="Notes on the sheet" className="mt-2 grid gap-2 border-t border-edge pt-3">
      <h2 className="label font-sans">Notes on the sheet</h2>
      {all.map((note) => (
        <OneNote key={note.id} note={note} besideEntries={besideEntries} />
      ))}
      <div className="flex flex-wrap gap-2">
        <button className="button" onClick={() => put(plainNote.place)}>
          Add a note
        </button>
        {besideEntries && selected !== null && name && (
          <button className="button" onClick={() => put({ kind: 'entry', entry: selected })}>
            Add one beside {name}
          </button>
        )}
      </div>
      <p className="text-sm text-muted">
        *slanted*, **bold**, m^{'{2}'} above and H_{'{2}'}O below the line, in notes and in the title; lines that begin
        with a hyphen get a dot.
      </p>
    </section>
  );
}

function OneNote({ note, besideEntries }: { note: SheetNote; besideEntries: boolean }) {
  const { store } = useParts();
  const diagram = useBench((state) => state.diagram);
  const selected = useBench((state) => state.selected);
  const { id, place } = note;
  const look = lookOf(diagram);
  const change = (patch: Partial<Omit<SheetNote, 'id'>>, merge?: string) =>
    store.getState().perform([{ kind: 'changeNote', id, patch }], merge ? { merge: `${merge}:${id}` } : {});
  const at = place.kind === 'sheet' ? places.findIndex(([, one]) => one.row === place.row && one.at === place.at) : -1;
  const tied = place.kind === 'entry' ? own(diagram.entries, place.entry)?.name || 'an entry that is gone' : null;
  const begins = note.text.slice(0, 20) || 'the empty note';
  return (
    <div className="grid gap-1 border-b border-hair pb-2 text-sm">
      <div className="grid grid-cols-[1fr_auto] items-start gap-1">
        <textarea
          id={`note-${id}`}
          className="field min-h-16 py-1"
          aria-label={tied ? `Note beside ${tied}` : 'Note'}
          rows={Math.min(8, note.text.split('\n').length + 1)}
          maxLength={4000}
          value={note.text}
          onChange={(event) => change({ text: event.target.value }, 'note')}
        />
        <RemoveButton
          label={`Remove the note ${begins}`}
          onClick={() => store.getState().perform([{ kind: 'dropNote', id }])}
        />
      </div>
      <select
        className="field min-h-7 min-w-0 py-0"
        aria-label={`Place of ${begins}`}
        value={at}
        onChange={(event) => {
          const to = Number(event.target.value);
          if (to >= 0) change({ place: places[to]![1] });
          else if (to === -2 && selected !== null) change({ place: { kind: 'entry', entry: selected } });
        }}
      >
        {tied && <option value={-1}>beside {tied}</option>}
        {places.map(([words], k) => (
          <option key={words} value={k}>
            {words}
          </option>
        ))}
        {besideEntries && selected !== null && <option value={-2}>beside what is selected</option>}
      </select>
      <div className="grid grid-cols-[1fr_4.5rem_5rem] gap-1">
        <select
          className="field min-h-7 min-w-0 py-0"
          aria-label={`Type of ${begins}`}
          value={note.font}
          onChange={(event) => change({ font: event.target.value as SheetNote['font'] })}
        >
          {typefaces.map(([value, words]) => (
            <option key={String(value)} value={String(value)}>
              {words}
            </option>
          ))}
        </select>
        <NumberField
          className="min-w-0"
          name={`Size of ${begins}`}
          value={note.size}
          least={6}
          most={48}
          onChange={(size) => change({ size }, 'note-size')}
        />
        <NumberField
          className="min-w-0"
          name={`Width of ${begins}`}
          value={note.width}
          least={60}
          most={1200}
          onChange={(width) => change({ width }, 'note-width')}
        />
      </div>
      <div className="flex flex-wrap items-center gap-3">
        <ColourField
          id={`note-colour-${id}`}
          name={`Colour of ${begins}`}
          value={note.colour ?? inkOnGround(look)}
          onChange={(colour) => change({ colour }, 'note-colour')}
        />
        <Check checked={note.framed} onChange={(checked) => change({ framed: checked })}>
          Framed
        </Check>
      </div>
    </div>
  );
}
