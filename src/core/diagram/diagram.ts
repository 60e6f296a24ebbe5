import { z } from 'zod';
import type { Kind, KindTypes } from '../kind';
import { registered } from './kinds';

/** The types of the registered kinds, one member a kind. */
export type Types = (typeof registered)[number] extends infer K ? (K extends Kind<infer T> ? T : never) : never;

/** Plain JSON, one member a kind; everything a diagram is. */
export type Diagram = Types['diagram'];
export type KindId = Diagram['kind'];
export type DiagramOf<K extends KindId> = Extract<Diagram, { kind: K }>;

/** The schema of all of them; the type is made from the same list. */
export const Diagram = z.discriminatedUnion(
  'kind',
  registered.map(({ schemas }) => schemas.diagram) as unknown as [z.ZodObject],
) as unknown as z.ZodType<Diagram>;

/** A kind as whoever holds any Diagram calls it: with that very Diagram and its commands, which the type of a list cannot say. */
export type AnyKind = Kind<KindTypes & Pick<Types, 'diagram' | 'command' | 'scope'>>;

export const kinds = registered as unknown as readonly AnyKind[];
const byId = new Map<string, AnyKind>(kinds.map((kind) => [kind.id, kind]));

export function kindOf(id: KindId): AnyKind {
  const kind = byId.get(id);
  if (!kind) throw new Error(`There is no kind of diagram “${id}”.`);
  return kind;
}
