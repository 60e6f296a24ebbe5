import { z } from 'zod';
import { FieldName, Id, RoleId, text } from './text';

/** What makes an entry one of a role: words of its name, of a detail, of a field of the list, or that it leads others. Letters count alike, large or small. */
export const RoleRule = z.discriminatedUnion('of', [
  z.strictObject({ of: z.literal('leads') }),
  z.strictObject({ of: z.enum(['name', 'detail']), asks: z.enum(['contains', 'is']), words: text(200) }),
  z.strictObject({ of: z.literal('field'), field: FieldName, asks: z.enum(['contains', 'is']), words: text(200) }),
]);
export type RoleRule = z.infer<typeof RoleRule>;

/** A role that whoever keeps the diagram made: whom a rule finds, and whom it was given by hand. Roles that the kind itself tells go before it. */
export const OwnRole = z.strictObject({
  id: RoleId,
  name: text(80),
  /** Of two roles that an entry would have, the one with the lower number counts, then that with the smaller id. */
  order: z.number().int().min(0).max(10_000),
  rule: RoleRule.nullable(),
  members: z.array(Id).max(10_000),
});
export type OwnRole = z.infer<typeof OwnRole>;
