import type { TitleBlock } from '../../../core/model';
import { useBench, useParts } from '../context';
import { partsOf } from '../kinds';
import { Enclosures } from './Enclosures';
import { Legend } from './Legend';
import { SheetNotes } from './SheetNotes';

const lines: { key: Exclude<keyof TitleBlock, 'shown'>; name: string }[] = [
  { key: 'title', name: 'Title' },
  { key: 'subtitle', name: 'Subtitle' },
  { key: 'author', name: 'Author' },
  { key: 'date', name: 'Date' },
];

/** The title block, drawn on the sheet. */
export function NotesPanel() {
  const { store } = useParts();
  const block = useBench((state) => state.diagram.titleBlock);
  const title = useBench((state) => state.diagram.title);
  const encloses = useBench((state) => partsOf(state.diagram.kind).encloses !== false);
  const set = (patch: Partial<TitleBlock>, merge?: string) =>
    store.getState().perform([{ kind: 'setTitleBlock', patch }], merge ? { merge } : {});
  const today = () => new Date().toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });
  return (
    <div className="grid min-h-0 content-start gap-3 overflow-auto px-4 pb-6">
      <h2 className="label font-sans">Title block</h2>
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="accent-moss"
          checked={block.shown}
          onChange={(event) => set({ shown: event.target.checked })}
        />{' '}
        Show it on the sheet
      </label>
      {lines.map(({ key, name }) => (
        <label key={key} className="grid gap-1">
          {name}
          <input
            className="field"
            value={block[key]}
            disabled={!block.shown}
            onChange={(event) => set({ [key]: event.target.value }, `block:${key}`)}
          />
        </label>
      ))}
      {block.title !== title && (
        <p className="border-l-4 border-edge pl-2 text-sm text-muted">
          The sheet has a title of its own; the diagram is called “{title || 'Untitled'}”.{' '}
          <button className="link" onClick={() => set({ title })}>
            Use that on the sheet too
          </button>
        </p>
      )}
      <button className="button justify-self-start" disabled={!block.shown} onClick={() => set({ date: today() })}>
        Put today’s date
      </button>
      <p className="text-sm text-muted">
        Title and subtitle stand above the drawing; author and date at the foot of the sheet.
      </p>
      <Legend />
      <SheetNotes besideEntries={encloses} />
      {encloses && <Enclosures />}
    </div>
  );
}
