import { z } from 'zod';
import {
  addEntriesWith,
  fixedCommands,
  setStyleWith,
  type AddEntries,
  type CommonCommand,
  type SetStyle,
} from '../edit';
import { commonScopes, type CommonScope } from '../model';
import type { Types } from './diagram';
import { registered } from './kinds';

/** What a style change applies to, from the widest to the narrowest, in any kind. */
export type Scope = CommonScope | Types['scope'];
export const Scope = z.discriminatedUnion('kind', [
  ...commonScopes,
  ...registered.flatMap(({ schemas }) => schemas.scopes),
] as unknown as [z.ZodObject]) as unknown as z.ZodType<Scope>;

/** Every change of a Diagram, as plain JSON. */
export type Command =
  | Exclude<CommonCommand, { kind: 'addEntries' | 'setStyle' }>
  | (AddEntries & Types['belongings'])
  | (Omit<SetStyle, 'scope'> & { scope: Scope })
  | Types['command'];
export const Command = z.discriminatedUnion('kind', [
  addEntriesWith(Object.assign({}, ...registered.map(({ schemas }) => schemas.belongings)) as z.ZodRawShape),
  setStyleWith(Scope),
  ...fixedCommands,
  ...registered.flatMap(({ schemas }) => schemas.commands as readonly z.ZodType[]),
] as unknown as [z.ZodObject]) as unknown as z.ZodType<Command>;

/** The commands of one gesture: undone, redone, sent and refused as one. */
export type Gesture = readonly Command[];
