import { z } from 'zod';
import { done, formerValues, plainEdits, type KindEdits, type Outcome, type Workspace } from '../../edit';
import { Id, own } from '../../model';
import { Counted, MapManner, MapPart, type ConceptMap } from './model';

/** Commands that only a concept map knows. */
export const mapCommands = [
  z.strictObject({ kind: z.literal('setMap'), patch: MapManner.partial() }),
  /** What a teacher says of a proposition; null takes it back. */
  z.strictObject({ kind: z.literal('markProposition'), link: Id, mark: z.enum(['valid', 'notValid']).nullable() }),
  z.strictObject({ kind: z.literal('setCounted'), patch: Counted.partial() }),
  /** Ideas and links that are left blank, or told again. */
  z.strictObject({ kind: z.literal('setBlanks'), blank: z.array(Id).max(10_000), told: z.array(Id).max(10_000) }),
  z.strictObject({ kind: z.literal('setKey'), key: MapPart.shape.key }),
] as const;
export type MapCommand = z.infer<(typeof mapCommands)[number]>;
type CommandOf<K extends MapCommand['kind']> = Extract<MapCommand, { kind: K }>;

const withMap = (diagram: ConceptMap, patch: Partial<MapPart>): ConceptMap => ({
  ...diagram,
  map: { ...diagram.map, ...patch },
});

export function applyMap(diagram: ConceptMap, command: MapCommand, work: Workspace): Outcome<ConceptMap> {
  const { map } = diagram;
  switch (command.kind) {
    case 'setMap':
      return done(withMap(diagram, { manner: { ...map.manner, ...command.patch } }), {
        ...command,
        patch: formerValues<Partial<MapManner>>(map.manner, command.patch),
      });
    case 'markProposition': {
      const marks =
        command.mark === null ? work.drop(map.marks, command.link) : work.put(map.marks, command.link, command.mark);
      return done(withMap(diagram, { marks }), { ...command, mark: own(map.marks, command.link) ?? null });
    }
    case 'setCounted':
      return done(withMap(diagram, { counted: { ...map.counted, ...command.patch } }), {
        ...command,
        patch: formerValues<Partial<Counted>>(map.counted, command.patch),
      });
    case 'setBlanks': {
      const told = new Set(command.told);
      const blank = command.blank.filter((id) => !told.has(id));
      const kept = Object.entries(map.blanks).filter(([id]) => !told.has(id));
      return done(
        withMap(diagram, { blanks: Object.fromEntries([...kept, ...blank.map((id) => [id, true as const])]) }),
        {
          kind: 'setBlanks',
          blank: command.told.filter((id) => own(map.blanks, id)),
          told: [...new Set(blank)].filter((id) => !own(map.blanks, id)),
        } satisfies CommandOf<'setBlanks'>,
      );
    }
    case 'setKey':
      return done(withMap(diagram, { key: command.key }), { ...command, key: map.key });
  }
}

export const mapEdits: KindEdits<ConceptMap> = {
  ...plainEdits<ConceptMap>(),
  noneUnderAnother: 'In a concept map ideas are linked, not put under each other.',
};
