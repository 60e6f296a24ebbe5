import { useCallback, useState } from 'react';
import { z } from 'zod';
import type { Sorting } from '../../../../../core/kinds/venn';

const Kept = z.record(z.string(), z.number().int().min(0).max(31));

function kept(key: string): Sorting {
  try {
    return Kept.parse(JSON.parse(localStorage.getItem(key) ?? '{}'));
  } catch {
    // What cannot be read any more is begun anew; it is an exercise, not the diagram.
    return {};
  }
}

/** A sorting that is kept in this browser, so that a page loaded again goes on where it was. */
export function useSorting(diagram: string): [Sorting, (next: Sorting) => void] {
  const key = `sorting:${diagram}`;
  const [sorting, setSorting] = useState<Sorting>(() => kept(key));
  const change = useCallback(
    (next: Sorting) => {
      setSorting(next);
      localStorage.setItem(key, JSON.stringify(next));
    },
    [key],
  );
  return [sorting, change];
}
