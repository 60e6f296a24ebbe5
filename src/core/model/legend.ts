import { z } from 'zod';

/** What the legend on the sheet tells of what its signs and colours mean, as far as they occur. */
export const LegendChoice = z.strictObject({
  /** `open`: tiers that have names of their own, where these stand nowhere else on the sheet. */
  tiers: z.enum(['open', 'shown', 'hidden']),
  roles: z.boolean(),
  lines: z.boolean(),
});
export type LegendChoice = z.infer<typeof LegendChoice>;

export const plainLegend: LegendChoice = { tiers: 'open', roles: true, lines: true };
