import { z } from 'zod';
import type { Filling } from '../../../../../core/kinds/concept-map';
import { useKept } from '../../../../shared/useKept';

const form = z.record(z.string(), z.string().max(400));
const nothing: Filling = {};

/** What was filled in, kept in this browser. */
export const useFilling = (diagram: string): [Filling, (next: Filling) => void] =>
  useKept<Filling>(`filling:${diagram}`, form, nothing);
