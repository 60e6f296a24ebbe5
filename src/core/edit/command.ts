import { z } from 'zod';
import {
  Arrangement,
  CommonScope,
  Enclosure,
  Entry,
  FieldName,
  HouseTie,
  Id,
  ImageRef,
  LegendChoice,
  limits,
  Link,
  LinkPatch,
  linkProperties,
  Nudge,
  OwnRole,
  Palette,
  RoleId,
  Sheet,
  SheetNote,
  styleProperties,
  StylePatch,
  text,
  TierSettings,
  TitleBlock,
  Unplaced,
  type AnyScope,
  type LinkProperty,
  type StyleProperty,
} from '../model';

const property = z.enum([...styleProperties, ...linkProperties] as [StyleProperty | LinkProperty]);

/** What goes and comes back together with entries: their links and what was styled on them. A kind adds what it keeps of entries itself. */
const belongings = {
  entries: z.array(Entry).min(1).max(limits.entries),
  links: z.array(Link).max(limits.entries),
  branches: z.record(Id, StylePatch),
  only: z.record(Id, StylePatch),
  /** Styles of the links; left out where there are none. */
  onlyLinks: z.record(Id, LinkPatch).optional(),
  /** How they were nudged; left out where none was. */
  nudges: z.record(Id, Nudge).optional(),
};

/** Keys of the adding command that every kind knows. */
export const commonBelongings: readonly string[] = ['kind', ...Object.keys(belongings)];

/** The command that adds entries, with what a kind keeps of them. */
export const addEntriesWith = <Own extends z.ZodRawShape>(own: Own) =>
  z.strictObject({ kind: z.literal('addEntries'), ...belongings, ...own });

/** The command that styles, with the scopes that the kinds know. */
export const setStyleWith = <S extends z.ZodType>(scope: S) =>
  z.strictObject({
    kind: z.literal('setStyle'),
    scope,
    property,
    value: z.union([text(100), z.number(), z.boolean()]).nullable(),
  });

/** Commands that are the same for every kind. */
export const fixedCommands = [
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
  z.strictObject({ kind: z.literal('addLink'), link: Link, style: LinkPatch.optional() }),
  z.strictObject({
    kind: z.literal('changeLink'),
    id: Id,
    patch: Link.pick({ from: true, to: true, kind: true, phrase: true }).partial(),
  }),
  z.strictObject({ kind: z.literal('removeLink'), id: Id }),
  z.strictObject({ kind: z.literal('setTitle'), title: text(200) }),
  z.strictObject({ kind: z.literal('setTitleBlock'), patch: TitleBlock.partial() }),
  z.strictObject({ kind: z.literal('setLegend'), patch: LegendChoice.partial() }),
  z.strictObject({
    kind: z.literal('setTier'),
    tier: z.number().int().min(1).max(limits.entries),
    patch: TierSettings.partial(),
  }),
  z.strictObject({ kind: z.literal('putRole'), role: OwnRole }),
  z.strictObject({ kind: z.literal('changeRole'), id: RoleId, patch: OwnRole.omit({ id: true }).partial() }),
  z.strictObject({ kind: z.literal('dropRole'), id: RoleId }),
  z.strictObject({ kind: z.literal('putEnclosure'), enclosure: Enclosure }),
  z.strictObject({ kind: z.literal('changeEnclosure'), id: Id, patch: Enclosure.omit({ id: true }).partial() }),
  z.strictObject({ kind: z.literal('dropEnclosure'), id: Id }),
  z.strictObject({ kind: z.literal('putNote'), note: SheetNote }),
  z.strictObject({ kind: z.literal('changeNote'), id: Id, patch: SheetNote.omit({ id: true }).partial() }),
  z.strictObject({ kind: z.literal('dropNote'), id: Id }),
  z.strictObject({ kind: z.literal('setNudge'), id: Id, nudge: Nudge.nullable() }),
  z.strictObject({ kind: z.literal('setLook'), look: RoleId }),
  z.strictObject({ kind: z.literal('setHouse'), house: HouseTie.nullable() }),
  z.strictObject({ kind: z.literal('setPalette'), palette: Palette.nullable() }),
  z.strictObject({ kind: z.literal('setArrangement'), patch: Arrangement.partial() }),
  z.strictObject({ kind: z.literal('setSheet'), patch: Sheet.partial() }),
  z.strictObject({ kind: z.literal('putInTray'), item: Unplaced }),
  z.strictObject({ kind: z.literal('takeFromTray'), id: Id }),
] as const;

/**
 * The changes that a diagram of any kind knows, as plain JSON. Entries are addressed by id, never by position.
 * A command says what is meant ("move this branch under that entry") and nothing about what it happens to touch.
 */
export const CommonCommand = z.discriminatedUnion('kind', [
  addEntriesWith({}),
  setStyleWith(CommonScope),
  ...fixedCommands,
]);
export type CommonCommand = z.infer<typeof CommonCommand>;
export type CommandOf<K extends CommonCommand['kind']> = Extract<CommonCommand, { kind: K }>;

export type AddEntries = CommandOf<'addEntries'>;
/** As `setStyle`, whatever kind of diagram the scope belongs to. */
export type SetStyle = Omit<CommandOf<'setStyle'>, 'scope'> & { scope: AnyScope };
