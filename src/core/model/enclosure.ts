import { z } from 'zod';
import { Colour } from './style';
import { Id, text } from './text';

/**
 * An outline around a branch or some entries, which follows them through every arrangement. Members that are no longer in the list say nothing, so
 * that removing entries and bringing them back leaves it as it was.
 */
export const Enclosure = z.strictObject({
  id: Id,
  name: text(200),
  members: z.array(Id).max(10_000),
  /** The entry whose whole branch is enclosed, whoever belongs to it; null for none. */
  branch: Id.nullable(),
  /** `box` and `rounded` have straight sides, `contour` goes in between the boxes it follows, `hull` has no dents, `smooth` has no corners. */
  shape: z.enum(['box', 'rounded', 'contour', 'hull', 'smooth']),
  line: z.enum(['solid', 'dashed', 'dotted', 'none']),
  /** CSS px. */
  lineWidth: z.number().min(0.5).max(8),
  /** Null: as the look has it. */
  lineColour: Colour.nullable(),
  fill: Colour.nullable(),
  filled: z.boolean(),
});
export type Enclosure = z.infer<typeof Enclosure>;

export const plainEnclosure: Omit<Enclosure, 'id'> = {
  name: '',
  members: [],
  branch: null,
  shape: 'contour',
  line: 'dashed',
  lineWidth: 1,
  lineColour: null,
  fill: null,
  filled: true,
};
