import { useState, type FormEvent } from 'react';
import { ApiError } from './api';

/** A form that asks the server for something with what was filled in: whether it is under way, and what was refused, in words. */
export function useAsking(ask: (given: Readonly<Record<string, string>>) => Promise<void>) {
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  async function submit(event: FormEvent<HTMLFormElement>): Promise<void> {
    event.preventDefault();
    const given = Object.fromEntries(new FormData(event.currentTarget)) as Record<string, string>;
    setBusy(true);
    setProblem(null);
    try {
      await ask(given);
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setProblem(error.message);
      setBusy(false);
    }
  }
  return { problem, busy, submit, forget: () => setProblem(null) };
}
