import { z } from 'zod';
import {
  Arrangement,
  BoxStyle,
  Entry,
  FieldName,
  Id,
  ImageRef,
  Link,
  Scope,
  Sheet,
  StylePatch,
  TierSettings,
  TitleBlock,
  RegionKey,
  RegionSettings,
  RoleId,
  Unplaced,
  VennManner,
  VennSet,
  limits,
  text,
  type StyleProperty,
} from '../model';

const property = z.enum(Object.keys(BoxStyle.shape) as [StyleProperty, ...StyleProperty[]]);

/** What goes and comes back together with entries: their links and what was styled on them. */
export const Belongings = z.strictObject({
  entries: z.array(Entry).min(1).max(limits.entries),
  links: z.array(Link).max(limits.entries),
  branches: z.record(Id, StylePatch),
  only: z.record(Id, StylePatch),
  /** Sets of the entries of a Venn diagram. */
  members: z.record(Id, z.array(Id).min(1).max(5)).optional(),
});
export type Belongings = z.infer<typeof Belongings>;

/**
 * Every change of a Diagram, as plain JSON. Entries are addressed by id, never by position.
 * A command says what is meant ("move this branch under that entry") and nothing about what it happens to touch.
 */
export const Command = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('addEntries'), ...Belongings.shape }),
  z.strictObject({ kind: z.literal('removeEntries'), ids: z.array(Id).min(1).max(limits.entries) }),
  z.strictObject({ kind: z.literal('rename'), id: Id, name: Entry.shape.name }),
  z.strictObject({ kind: z.literal('setDetails'), id: Id, details: Entry.shape.details }),
  z.strictObject({
    kind: z.literal('setField'),
    id: Id,
    field: FieldName,
    value: text(limits.detailLength).nullable(),
  }),
  z.strictObject({ kind: z.literal('setImage'), id: Id, image: ImageRef.nullable() }),
  z.strictObject({ kind: z.literal('setRole'), id: Id, role: Entry.shape.role }),
  z.strictObject({ kind: z.literal('moveBranch'), id: Id, parent: Id.nullable(), order: Entry.shape.order }),
  z.strictObject({
    kind: z.literal('moveEntries'),
    moves: z
      .array(z.strictObject({ id: Id, parent: Id.nullable(), order: Entry.shape.order }))
      .min(1)
      .max(limits.entries),
  }),
  z.strictObject({ kind: z.literal('addLink'), link: Link }),
  z.strictObject({ kind: z.literal('removeLink'), id: Id }),
  z.strictObject({
    kind: z.literal('setTitle'),
    title: text(200),
  }),
  z.strictObject({ kind: z.literal('setTitleBlock'), patch: TitleBlock.partial() }),
  z.strictObject({
    kind: z.literal('setStyle'),
    scope: Scope,
    property,
    value: z.union([text(100), z.number(), z.boolean()]).nullable(),
  }),
  z.strictObject({
    kind: z.literal('setTier'),
    tier: z.number().int().min(1).max(limits.entries),
    patch: TierSettings.partial(),
  }),
  z.strictObject({ kind: z.literal('setLook'), look: RoleId }),
  z.strictObject({ kind: z.literal('setArrangement'), patch: Arrangement.partial() }),
  z.strictObject({ kind: z.literal('setSheet'), patch: Sheet.partial() }),
  z.strictObject({ kind: z.literal('putInTray'), item: Unplaced }),
  z.strictObject({ kind: z.literal('takeFromTray'), id: Id }),
  z.strictObject({
    kind: z.literal('putSet'),
    set: VennSet,
    members: z.array(Id).max(limits.entries),
    regions: z.record(RegionKey, RegionSettings),
  }),
  z.strictObject({ kind: z.literal('dropSet'), id: Id }),
  z.strictObject({
    kind: z.literal('changeSet'),
    id: Id,
    patch: VennSet.pick({ name: true, order: true, colour: true }).partial(),
  }),
  z.strictObject({ kind: z.literal('setMembers'), entry: Id, sets: z.array(Id).max(5) }),
  z.strictObject({ kind: z.literal('setManner'), patch: VennManner.partial() }),
  z.strictObject({
    kind: z.literal('titleRegion'),
    region: RegionKey,
    title: text(200).nullable(),
  }),
]);
export type Command = z.infer<typeof Command>;
export type CommandOf<K extends Command['kind']> = Extract<Command, { kind: K }>;
