import { z } from 'zod';
import { commonShape } from '../../model';

/** An org chart adds nothing of its own to what every diagram has. */
export const OrgChart = z.strictObject({ kind: z.literal('org-chart'), ...commonShape });
export type OrgChart = z.infer<typeof OrgChart>;
