import { useState, type FormEvent } from 'react';
import { api, ApiError } from '../shared/api';
import { Dialog } from '../shared/Dialog';

/** Changes one's own password; everywhere else one is signed out then. */
export function PasswordDialog({ onClose }: { onClose: (told: string | null) => void }) {
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  async function submit(event: FormEvent<HTMLFormElement>) {
    event.preventDefault();
    const given = Object.fromEntries(new FormData(event.currentTarget)) as Record<string, string>;
    setBusy(true);
    setProblem(null);
    try {
      await api('/api/password', { method: 'POST', body: given });
      onClose('The password was changed. Other windows of yours, on other machines too, are signed out.');
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setProblem(error.message);
      setBusy(false);
    }
  }
  return (
    <Dialog title="Change the password" onClose={() => onClose(null)}>
      <form method="post" onSubmit={(event) => void submit(event)} className="grid gap-4">
        <label className="grid gap-1">
          The present one
          <input className="field" name="current" type="password" required autoComplete="current-password" />
        </label>
        <label className="grid gap-1">
          The new one
          <input className="field" name="next" type="password" required minLength={10} autoComplete="new-password" />
          <span className="text-sm text-muted">At least 10 characters.</span>
        </label>
        {problem && (
          <p role="alert" className="border-l-4 border-brick pl-3 text-brick">
            {problem}
          </p>
        )}
        <div className="flex gap-2">
          <button className="button button-main" disabled={busy}>
            Change it
          </button>
          <button type="button" className="button" onClick={() => onClose(null)}>
            Leave it
          </button>
        </div>
      </form>
    </Dialog>
  );
}
