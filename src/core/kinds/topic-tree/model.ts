import { z } from 'zod';
import { commonShape } from '../../model';

/** A topic tree adds nothing of its own to what every diagram has. */
export const TopicTree = z.strictObject({ kind: z.literal('topic-tree'), ...commonShape });
export type TopicTree = z.infer<typeof TopicTree>;
