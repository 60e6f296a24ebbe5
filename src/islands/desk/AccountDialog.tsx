import { useState, type ReactNode } from 'react';
import { api } from '../shared/api';
import { Dialog } from '../shared/Dialog';
import { useAsking } from '../shared/use-asking';

/** One's own account: another password, or all of it erased. */
export function AccountDialog({ diagrams, onClose }: { diagrams: number; onClose: (told: string | null) => void }) {
  const [erasing, setErasing] = useState(false);
  return (
    <Dialog title={erasing ? 'Erase the account' : 'Your account'} onClose={() => onClose(null)}>
      {erasing ? (
        <Asking
          go="Erase it all"
          onLeave={() => setErasing(false)}
          ask={async (given) => {
            await api('/api/accounts', { method: 'DELETE', body: given });
            location.assign('/');
          }}
        >
          <p>
            {diagrams === 0
              ? 'The account'
              : `The account and its ${diagrams === 1 ? 'one diagram' : `${diagrams} diagrams`}`}{' '}
            with all pictures, house styles and the whole log are erased for good. This cannot be taken back.
          </p>
          <label className="grid gap-1">
            Your password
            <input
              className="field"
              name="password"
              type="password"
              required
              maxLength={200}
              autoComplete="current-password"
            />
          </label>
        </Asking>
      ) : (
        <>
          <Asking
            go="Change the password"
            onLeave={() => onClose(null)}
            ask={async (given) => {
              await api('/api/password', { method: 'POST', body: given });
              onClose('The password was changed. Other windows of yours, on other machines too, are signed out.');
            }}
          >
            <label className="grid gap-1">
              The present password
              <input
                className="field"
                name="current"
                type="password"
                required
                maxLength={200}
                autoComplete="current-password"
              />
            </label>
            <label className="grid gap-1">
              The new one
              <input
                className="field"
                name="next"
                type="password"
                required
                minLength={10}
                maxLength={200}
                autoComplete="new-password"
              />
              <span className="text-sm text-muted">10 to 200 characters.</span>
            </label>
          </Asking>
          <hr className="my-5 border-hair" />
          <button className="button text-brick" onClick={() => setErasing(true)}>
            Erase the account …
          </button>
        </>
      )}
    </Dialog>
  );
}

/** A form that says what went wrong below its fields and can be left. */
function Asking({
  go,
  ask,
  onLeave,
  children,
}: {
  go: string;
  ask: (given: Readonly<Record<string, string>>) => Promise<void>;
  onLeave: () => void;
  children: ReactNode;
}) {
  const { problem, busy, submit } = useAsking(ask);
  return (
    <form method="post" onSubmit={(event) => void submit(event)} className="grid gap-4">
      {children}
      {problem && (
        <p role="alert" className="border-l-4 border-brick pl-3 text-brick">
          {problem}
        </p>
      )}
      <div className="flex gap-2">
        <button className="button button-main" aria-disabled={busy}>
          {go}
        </button>
        <button type="button" className="button" onClick={onLeave}>
          Leave it
        </button>
      </div>
    </form>
  );
}
