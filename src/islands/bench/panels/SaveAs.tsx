import { useState } from 'react';
import { ApiError } from '../../shared/api';
import { useParts } from '../context';
import { saveFile } from './save-file';

/** A button that saves the diagram in a format, and says beside it where that failed. */
export function SaveAs({ format, name }: { format: string; name: string }) {
  const { sync, store } = useParts();
  const [told, setTold] = useState('');
  const [busy, setBusy] = useState(false);
  async function save() {
    if (busy) return;
    setBusy(true);
    setTold(`Making the ${name} …`);
    try {
      await sync.flush();
      await saveFile({ sync, store }, { format }, AbortSignal.timeout(90_000));
      setTold(`The ${name} is in your downloads.`);
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setTold(error.message);
    }
    setBusy(false);
  }
  return (
    <span className="grid justify-items-end gap-1">
      <button className="button" aria-disabled={busy} onClick={() => void save()}>
        Save {name}
      </button>
      <span role="status" className="max-w-44 text-right text-sm text-muted">
        {told}
      </span>
    </span>
  );
}
