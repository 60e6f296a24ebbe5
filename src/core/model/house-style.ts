import { z } from 'zod';
import { OwnRole } from './own-role';
import { TierKey } from './tier-key';
import { LinkPatch, Palette, StylePatch } from './style';
import { Id, RoleId, text } from './text';

/** An organisation's look with what it sets for everything, for tiers, roles and lines, and its title block. Written to a file as it is. */
export const HouseStyle = z.strictObject({
  /** The format of the file. */
  houseStyle: z.literal(1),
  name: text(120).min(1, 'A house style needs a name.'),
  look: RoleId,
  palette: Palette.nullable(),
  styles: z.strictObject({
    everything: StylePatch,
    tiers: z.record(TierKey, StylePatch),
    roles: z.record(RoleId, StylePatch),
    links: LinkPatch,
    lines: LinkPatch,
    tierLines: z.record(TierKey, LinkPatch),
  }),
  /** Roles that are told by a rule. */
  roles: z.record(RoleId, OwnRole.pick({ name: true, order: true, rule: true })),
  titleBlock: z.strictObject({ shown: z.boolean(), author: text(120) }),
});
export type HouseStyle = z.infer<typeof HouseStyle>;

/** The house style that a diagram is tied to, and which state of it the diagram took last. */
export const HouseTie = z.strictObject({ id: Id, revision: z.number().int().min(1) });
export type HouseTie = z.infer<typeof HouseTie>;
