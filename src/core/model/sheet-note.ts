import { z } from 'zod';
import { Colour, Typeface } from './style';
import { Id, text } from './text';

/** Text on the sheet that belongs to no entry, or says something of one. Words between stars are slanted or bold; lines that begin with a hyphen are a list. */
export const SheetNote = z.strictObject({
  id: Id,
  text: text(4000),
  /** Above or below the drawing, or beside an entry, which it follows. */
  place: z.discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('sheet'),
      row: z.enum(['above', 'below']),
      at: z.enum(['left', 'middle', 'right']),
    }),
    z.strictObject({ kind: z.literal('entry'), entry: Id }),
  ]),
  /** Lines are at most so wide, CSS px. */
  width: z.number().min(60).max(1200),
  font: Typeface,
  size: z.number().min(6).max(48),
  /** Null: one that reads on the page. */
  colour: Colour.nullable(),
  framed: z.boolean(),
});
export type SheetNote = z.infer<typeof SheetNote>;

export const plainNote: Omit<SheetNote, 'id'> = {
  text: '',
  place: { kind: 'sheet', row: 'below', at: 'left' },
  width: 260,
  font: 'clear',
  size: 12,
  colour: null,
  framed: false,
};
