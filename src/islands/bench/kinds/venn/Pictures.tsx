import { own } from '../../../../core/model';
import { Image as ImageIcon } from 'lucide-react';
import { useRef, useState } from 'react';
import { ApiError } from '../../../shared/api';
import { bringPicture } from '../../../shared/bring-picture';
import { useBench, useParts } from '../../context';
import { entryOfFile } from './entry-of-file';

/** Pictures for entries: several files at once find theirs by name, a single one goes to the selected entry. */
export function Pictures() {
  const { store } = useParts();
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const selected = useBench((state) => state.selected);
  const image = useBench((state) =>
    state.selected === null ? undefined : own(state.diagram.entries, state.selected)?.image,
  );
  async function bring(files: readonly File[]) {
    setBusy(true);
    const { diagram, notify, perform } = store.getState();
    const unmatched: string[] = [];
    for (const file of files) {
      const named = entryOfFile(diagram, file.name);
      const entry = named ?? (files.length === 1 ? selected : null);
      if (entry === null) {
        unmatched.push(file.name);
        continue;
      }
      try {
        const found = await bringPicture(file);
        perform([{ kind: 'setImage', id: entry, image: found }]);
      } catch (error) {
        if (!(error instanceof ApiError)) throw error;
        notify([error.message]);
      }
    }
    if (unmatched.length > 0)
      notify([
        `No entry is called like ${unmatched.slice(0, 3).join(', ')}${unmatched.length > 3 ? ' …' : ''}. Name the file as the entry, or select the entry and bring one picture.`,
      ]);
    setBusy(false);
  }
  return (
    <>
      <input
        ref={input}
        type="file"
        accept="image/png,image/jpeg,image/webp,image/gif"
        multiple
        className="sr-only"
        tabIndex={-1}
        aria-label="Picture files"
        onChange={(event) => {
          const files = [...(event.target.files ?? [])];
          event.target.value = '';
          void bring(files);
        }}
      />
      <button
        className="plain"
        disabled={busy}
        title="Files named as their entries find them; one file goes to the selected entry"
        onClick={() => input.current?.click()}
      >
        <ImageIcon size={15} aria-hidden="true" /> {busy ? 'Bringing …' : 'Pictures'}
      </button>
      {image && selected !== null && (
        <button
          className="plain text-sm"
          onClick={() => store.getState().perform([{ kind: 'setImage', id: selected, image: null }])}
        >
          Without picture
        </button>
      )}
    </>
  );
}
