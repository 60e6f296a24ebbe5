import { useState } from 'react';
import { api } from '../shared/api';
import { guarded } from '../shared/Guarded';
import { Mark } from '../shared/Mark';
import { useAsking } from '../shared/use-asking';

/** The first field has the focus as soon as it is there. */
const focusNow = (field: HTMLInputElement | null): void => field?.focus();

/** Signing in, or making an account. */
export const SignIn = guarded(SignInPage, 'Nothing was changed.');

function SignInPage({ to }: { to: string }) {
  const [making, setMaking] = useState(false);
  const { problem, busy, submit, forget } = useAsking(async (given) => {
    await api(making ? '/api/accounts' : '/api/session', { method: 'POST', body: given });
    location.assign(to);
  });

  return (
    <main className="grid min-h-screen place-items-center bg-ground p-4">
      <div className="w-full max-w-[420px] border border-hair bg-paper p-8">
        <div className="mb-6 flex items-center gap-3">
          <Mark />
          <p className="font-serif text-lg font-semibold">Dendrotax</p>
        </div>
        <h1 className="text-[28px]">{making ? 'Make an account' : 'Sign in'}</h1>
        <p className="mt-1 mb-5 text-muted">You keep the list; Dendrotax keeps the drawing.</p>
        <form method="post" onSubmit={(event) => void submit(event)} className="grid gap-4">
          {making && (
            <label className="grid gap-1">
              Your name
              <input className="field" name="name" required maxLength={100} autoComplete="name" ref={focusNow} />
            </label>
          )}
          <label className="grid gap-1">
            Mail address
            <input
              className="field"
              name="email"
              maxLength={200}
              type="email"
              required
              autoComplete="username"
              ref={making ? undefined : focusNow}
            />
          </label>
          <label className="grid gap-1">
            Password
            <input
              className="field"
              name="password"
              type="password"
              required
              minLength={making ? 10 : undefined}
              maxLength={200}
              autoComplete={making ? 'new-password' : 'current-password'}
            />
            {making && <span className="text-sm text-muted">10 to 200 characters.</span>}
          </label>
          {problem && (
            <p role="alert" className="border-l-4 border-brick pl-3 text-brick">
              {problem}
            </p>
          )}
          <button className="button button-main justify-center" disabled={busy}>
            {making ? 'Make the account' : 'Sign in'}
          </button>
        </form>
        <button type="button" className="link mt-5" onClick={() => (setMaking(!making), forget())}>
          {making ? 'I have an account: sign in' : 'I am new here: make an account'}
        </button>
      </div>
    </main>
  );
}
