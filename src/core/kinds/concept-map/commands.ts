import { z } from 'zod';
import { done, formerValues, plainEdits, refused, type KindEdits, type Outcome, type Workspace } from '../../edit';
import { Id, own } from '../../model';
import { Counted, Enclosure, MapManner, MapPart, type ConceptMap } from './model';

/** Commands that only a concept map knows. */
export const mapCommands = [
  z.strictObject({ kind: z.literal('setMap'), patch: MapManner.partial() }),
  z.strictObject({ kind: z.literal('putEnclosure'), enclosure: Enclosure }),
  z.strictObject({ kind: z.literal('changeEnclosure'), id: Id, patch: Enclosure.omit({ id: true }).partial() }),
  z.strictObject({ kind: z.literal('dropEnclosure'), id: Id }),
  /** What a teacher says of a proposition; null takes it back. */
  z.strictObject({ kind: z.literal('markProposition'), link: Id, mark: z.enum(['valid', 'notValid']).nullable() }),
  z.strictObject({ kind: z.literal('setCounted'), patch: Counted.partial() }),
  /** Ideas and links that are left blank, or told again. */
  z.strictObject({ kind: z.literal('setBlanks'), blank: z.array(Id).max(10_000), told: z.array(Id).max(10_000) }),
  z.strictObject({ kind: z.literal('setKey'), key: MapPart.shape.key }),
] as const;
export type MapCommand = z.infer<(typeof mapCommands)[number]>;
type CommandOf<K extends MapCommand['kind']> = Extract<MapCommand, { kind: K }>;

const gone = refused('The enclosure is no longer there.');
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
    case 'putEnclosure': {
      const { enclosure } = command;
      if (own(map.enclosures, enclosure.id)) return refused('That enclosure is there already.');
      if (holdsTwice(enclosure.members)) return twice;
      return done(withMap(diagram, { enclosures: work.put(map.enclosures, enclosure.id, enclosure) }), {
        kind: 'dropEnclosure',
        id: enclosure.id,
      } satisfies CommandOf<'dropEnclosure'>);
    }
    case 'changeEnclosure': {
      const enclosure = own(map.enclosures, command.id);
      if (!enclosure) return gone;
      if (command.patch.members && holdsTwice(command.patch.members)) return twice;
      return done(
        withMap(diagram, { enclosures: work.put(map.enclosures, command.id, { ...enclosure, ...command.patch }) }),
        { ...command, patch: formerValues<typeof command.patch>(enclosure, command.patch) },
      );
    }
    case 'dropEnclosure': {
      const enclosure = own(map.enclosures, command.id);
      if (!enclosure) return gone;
      return done(withMap(diagram, { enclosures: work.drop(map.enclosures, command.id) }), {
        kind: 'putEnclosure',
        enclosure,
      } satisfies CommandOf<'putEnclosure'>);
    }
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

const holdsTwice = (members: readonly string[]): boolean => new Set(members).size < members.length;
const twice = refused('An enclosure holds an idea once.');

export const mapEdits: KindEdits<ConceptMap> = {
  ...plainEdits<ConceptMap>(),
  noneUnderAnother: 'In a concept map ideas are linked, not put under each other.',
};
