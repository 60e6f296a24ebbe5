import { useCallback, useState } from 'react';
import type { z } from 'zod';

function kept<T>(key: string, form: z.ZodType<T>, otherwise: T): T {
  try {
    return form.parse(JSON.parse(localStorage.getItem(key) ?? 'null'));
  } catch {
    // What is not there, or cannot be read any more, is begun anew; it is an exercise, not the diagram.
    return otherwise;
  }
}

/** Something of a form that is kept in this browser, so that a page loaded again goes on where it was. */
export function useKept<T>(key: string, form: z.ZodType<T>, otherwise: T): [T, (next: T) => void] {
  const [value, setValue] = useState<T>(() => kept(key, form, otherwise));
  const change = useCallback(
    (next: T) => {
      setValue(next);
      localStorage.setItem(key, JSON.stringify(next));
    },
    [key],
  );
  return [value, change];
}
