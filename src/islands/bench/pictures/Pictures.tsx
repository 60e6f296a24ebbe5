import { Image as ImageIcon } from 'lucide-react';
import { useMemo, useRef, useState } from 'react';
import { own } from '../../../core/model';
import { useBench, useParts } from '../context';
import { bringPictures } from './bring-pictures';
import { PicturePart } from './PicturePart';

/** Pictures for entries: several files at once find theirs by name, a single one goes to the selected entry. The other buttons are there as soon as there is any picture. */
export function Pictures() {
  const { store } = useParts();
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const [moving, setMoving] = useState<string | null>(null);
  const selected = useBench((state) => state.selected);
  const image = useBench((state) =>
    state.selected === null ? undefined : own(state.diagram.entries, state.selected)?.image,
  );
  const entries = useBench((state) => state.diagram.entries);
  const some = useMemo(() => Object.values(entries).some((entry) => entry.image), [entries]);
  async function bring(files: readonly File[]) {
    setBusy(true);
    try {
      await bringPictures(store, files);
    } finally {
      setBusy(false);
    }
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
          if (files.length > 0) void bring(files);
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
      {some && (
        <button
          className="plain text-sm"
          disabled={!image}
          title="Choose which part of its picture the selected entry shows"
          onClick={() => setMoving(selected)}
        >
          Move picture
        </button>
      )}
      {moving !== null && <PicturePart entry={moving} onClose={() => setMoving(null)} />}
      {some && (
        <button
          className="plain text-sm"
          disabled={!image}
          title="Take the picture of the selected entry out"
          onClick={() => selected && store.getState().perform([{ kind: 'setImage', id: selected, image: null }])}
        >
          No picture
        </button>
      )}
    </>
  );
}
