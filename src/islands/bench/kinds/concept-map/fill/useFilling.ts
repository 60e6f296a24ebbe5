import { useCallback, useState } from 'react';
import { z } from 'zod';
import type { Filling } from '../../../../../core/kinds/concept-map';

const Kept = z.record(z.string(), z.string().max(400));

function kept(key: string): Filling {
  try {
    return Kept.parse(JSON.parse(localStorage.getItem(key) ?? '{}'));
  } catch {
    // What cannot be read any more is begun anew; it is an exercise, not the diagram.
    return {};
  }
}

/** What was filled in, kept in this browser, so that a page loaded again goes on where it was. */
export function useFilling(diagram: string): [Filling, (next: Filling) => void] {
  const key = `filling:${diagram}`;
  const [filling, setFilling] = useState<Filling>(() => kept(key));
  const change = useCallback(
    (next: Filling) => {
      setFilling(next);
      localStorage.setItem(key, JSON.stringify(next));
    },
    [key],
  );
  return [filling, change];
}
