import { z } from 'zod';
import type { Sorting } from '../../../../../core/kinds/venn';
import { useKept } from '../../../../shared/useKept';

const form = z.record(z.string(), z.number().int().min(0).max(31));
const nothing: Sorting = {};

/** A sorting that is kept in this browser. */
export const useSorting = (diagram: string): [Sorting, (next: Sorting) => void] =>
  useKept<Sorting>(`sorting:${diagram}`, form, nothing);
