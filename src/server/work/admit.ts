import { z } from 'zod';
import { Command, brokenReferences, Diagram } from '../../core/diagram';
import { Id } from '../../core/model';
import { parseJson } from '../json';
import { Refusal } from '../refusal';
import { indexChanges, type IndexChanges } from './apply';

/** One gesture as a window sends it. */
export const SentGesture = z.strictObject({
  id: Id.min(8),
  commands: z.array(Command).min(1).max(200_000),
  /** Gestures of one step are undone together. */
  step: Id.min(8).optional(),
  manner: z.enum(['do', 'undo', 'redo']).optional(),
});
export type SentGesture = z.infer<typeof SentGesture>;

export const Batch = z.strictObject({
  /** The revision the gestures were made on. */
  base: z.number().int().min(0).max(2_147_483_647),
  gestures: z.array(SentGesture).min(1).max(500),
});
export type Batch = z.infer<typeof Batch>;

/** A gesture whose commands were checked, as JSON, so that they need not be taken apart and put together again. */
export interface Admitted {
  readonly id: string;
  readonly commands: string;
  readonly count: number;
  readonly step: string | null;
  readonly manner: 'do' | 'undo' | 'redo';
}
export interface AdmittedBatch {
  readonly base: number;
  readonly gestures: readonly Admitted[];
}

/** All commands of a batch together. */
const mostCommands = 200_000;

export function admitted(batch: Batch): AdmittedBatch {
  const count = batch.gestures.reduce((sum, { commands }) => sum + commands.length, 0);
  if (count > mostCommands)
    throw new Refusal(413, `A batch has at most ${mostCommands.toLocaleString('en')} changes; send it in parts.`);
  return {
    base: batch.base,
    gestures: batch.gestures.map(({ id, commands, step, manner }) => ({
      id,
      commands: JSON.stringify(commands),
      count: commands.length,
      step: step ?? null,
      manner: manner ?? 'do',
    })),
  };
}

export const admitBatch = ({ text }: { readonly text: string }): AdmittedBatch => admitted(parseJson(text, Batch));

export const NewDiagram = z.strictObject({ id: Id.min(8), diagram: Diagram });

export interface AdmittedDiagram {
  readonly id: string;
  readonly kind: string;
  readonly title: string;
  readonly body: string;
  readonly entryCount: number;
  readonly index: IndexChanges;
}

/** A new diagram, checked. A title that another has is numbered: "Staff (2)". */
export function admitDiagram({
  text,
  titles,
}: {
  readonly text: string;
  readonly titles: readonly string[];
}): AdmittedDiagram {
  const { id, diagram } = parseJson(text, NewDiagram);
  return admittedDiagram(id, diagram, titles);
}

export function admittedDiagram(id: string, given: Diagram, titles: readonly string[]): AdmittedDiagram {
  const broken = brokenReferences(given);
  if (broken.length > 0) throw new Refusal(422, `The diagram does not hold together: ${broken[0]}`);
  const title = numbered(given.title, new Set(titles));
  const together = given.titleBlock.title === given.title;
  const diagram: Diagram =
    title === given.title
      ? given
      : { ...given, title, titleBlock: together ? { ...given.titleBlock, title } : given.titleBlock };
  return {
    id,
    kind: diagram.kind,
    title,
    body: JSON.stringify(diagram),
    entryCount: Object.keys(diagram.entries).length,
    index: indexChanges({ entries: {}, links: {} }, diagram),
  };
}

function numbered(title: string, taken: ReadonlySet<string>): string {
  if (!taken.has(title)) return title;
  const base = title.replace(/ \(\d{1,4}\)$/, '').slice(0, 190);
  for (let n = 2; ; n++) if (!taken.has(`${base} (${n})`)) return `${base} (${n})`;
}
