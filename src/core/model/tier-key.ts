import { z } from 'zod';

/** The number of a tier, from 0 (items in no set) on. */
export const TierKey = z.string().regex(/^(0|[1-9]\d{0,5})$/, 'a tier is a number');
