import { z } from 'zod';
import { commonShape, Id, own, text } from '../../model';

/** How the ideas stand and what the sheet shows. */
export const MapManner = z.strictObject({
  /** In rows below the focus; on circles around it; or with links of much the same length. */
  way: z.enum(['ranked', 'rings', 'even']),
  /** Heads of arrows where a link is not read downwards (or outwards), on every link, or on none. */
  arrows: z.enum(['needed', 'always', 'never']),
  /** The idea all begins with; null: the one from which most others are reached. One that is gone counts as null. */
  focus: Id.nullable(),
  /** The question that the map answers. */
  question: text(300),
  /** Whether what is left blank is drawn as a gap, with a word bank below. */
  blanked: z.boolean(),
});
export type MapManner = z.infer<typeof MapManner>;

/** What a teacher counts instead of what is counted here; null where the count stands. */
export const Counted = z.strictObject({
  propositions: z.number().int().min(0).max(100_000).nullable(),
  levels: z.number().int().min(0).max(1000).nullable(),
  crossLinks: z.number().int().min(0).max(100_000).nullable(),
  examples: z.number().int().min(0).max(100_000).nullable(),
});
export type Counted = z.infer<typeof Counted>;

/**
 * Marks and blanks may name links or ideas that are gone: they then say nothing, and hold again when what they name is brought back.
 */
export const MapPart = z.strictObject({
  manner: MapManner,
  /** By link, what a teacher said of the proposition. */
  marks: z.record(Id, z.enum(['valid', 'notValid'])),
  counted: Counted,
  /** Ideas and links whose words are left blank in an exercise. */
  blanks: z.record(Id, z.literal(true)),
  /** What was filled in instead, on a sheet of an exercise; left out in a map itself. */
  filled: z.record(Id, text(400)).optional(),
  /** The map to compare with, as a list of propositions; empty for none. */
  key: text(100_000),
});
export type MapPart = z.infer<typeof MapPart>;

export const ConceptMap = z.strictObject({ kind: z.literal('concept-map'), ...commonShape, map: MapPart });
export type ConceptMap = z.infer<typeof ConceptMap>;

export const emptyMap: MapPart = {
  manner: { way: 'ranked', arrows: 'needed', focus: null, question: '', blanked: false },
  marks: {},
  counted: { propositions: null, levels: null, crossLinks: null, examples: null },
  blanks: {},
  key: '',
};

/** The kind of link that a concept map has. */
export const proposition = 'proposition';
/** The role of an idea that is an example of what leads to it. */
export const example = 'example';

/** What must hold beyond what holds in every diagram. */
export function brokenMap({ entries }: ConceptMap): string[] {
  const broken: string[] = [];
  for (const entry of Object.values(entries))
    if (entry.parent !== null) broken.push(`idea ${entry.id} stands under another`);
  return broken;
}

/** The idea that was chosen for the focus, where it is there. */
export const chosenFocus = ({ entries, map }: ConceptMap): string | null =>
  map.manner.focus !== null && own(entries, map.manner.focus) ? map.manner.focus : null;
