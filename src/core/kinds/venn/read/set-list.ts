import type { Finding } from '../../../model';
import { commonHeadings, nothingRead, wordsFor, type Column, type Headings, type Reading } from '../../../read';

/** What a list told of items and the sets they are in. */
export interface SetReading extends Reading {
  readonly structure: SetList['told'] | 'none';
  /** Sets with the ids of their items. */
  readonly sets: readonly { readonly name: string; readonly items: readonly string[] }[];
  /** What they are all taken from; empty where the list does not say. */
  readonly universe: string;
}

export const noSetsRead: SetReading = { ...nothingRead, structure: 'none', sets: [], universe: '' };

/** Headings of columns beside the sets. */
export const setHeadings: Headings = [
  ['id', /^(id|no|nr|number|(staff|employee) (id|no|number)|personnel (no|number)|personalnummer|code|key)$/],
  [
    'name',
    /^(name|full name|(surname|last name|family name|name|nachname),? (first name|given name|vorname|forename)|person|employee|staff|staff member|who|nom|nombre|display name|entry|item|volunteer|species|thing)$/,
  ],
  [
    'detail',
    /^(details?( \d+)?|title|job title|job|post|position|function|site|place|location|office|department|team|unit|section|division|titel|funktion|stelle|abteilung|fonction|poste|service|cargo)$/,
  ],
  ['name', wordsFor('person')],
  ['picture', /^(pictures?|images?|photos?|bild(er)?|fotos?|picture file|image file|photo file)$/],
  ...commonHeadings,
];

/** One mention of an item in a list, with the sets that the place names. An item without sets is in none. */
export interface Mention {
  readonly line: number;
  readonly name: string;
  readonly details: readonly string[];
  readonly fields: Readonly<Record<string, string>>;
  readonly sets: readonly string[];
  /** Sets that it may be in: the list has a question mark there. */
  readonly unsure?: readonly string[];
}

/** How a list told its sets, before mentions of the same item are brought together. */
export interface SetList {
  readonly told: 'set-columns' | 'set-marks' | 'set-lists' | 'set-lines' | 'set-outline';
  readonly universe: string;
  /** Names of the sets in the order of the list. */
  readonly sets: readonly string[];
  /** True where every mention is an item of its own, also where two have one name. */
  readonly apart: boolean;
  /** What found no place. */
  readonly notPlaced: Reading['notPlaced'];
  readonly mentions: readonly Mention[];
  readonly columns: readonly Column[];
  readonly header: boolean;
  readonly findings: readonly Finding[];
}
