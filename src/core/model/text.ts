import { z } from 'zod';

/** Without the null character and without halves of surrogate pairs, which databases and XML cannot hold. */
const plain = /^[^\0\p{Cs}]*$/u;

/** Text of at most `most` UTF-16 units that everything can hold. */
export const text = (most: number) => z.string().max(most).regex(plain, 'a character that cannot be kept');

/** An id is made of letters, digits, hyphens and underscores, and begins with a letter or digit. */
const idForm = /^[A-Za-z0-9][A-Za-z0-9_-]*$/;

export const Id = z.string().max(64).regex(idForm, 'an id is made of letters, digits, - and _');
export type Id = z.infer<typeof Id>;

/** A role is named like an id, and shorter. */
export const RoleId = z.string().max(40).regex(idForm, 'a role is named with letters, digits, - and _');

/** The heading of a field. The one name that JavaScript gives a meaning of its own is left out. */
export const FieldName = text(100)
  .min(1)
  .refine((name) => name !== '__proto__', 'that name cannot be used for a field');

/** The beginning of a text, at most `most` units, without half a surrogate pair at its end. */
export function beginning(of: string, most: number): string {
  if (of.length <= most) return of;
  const last = of.charCodeAt(most - 1);
  return of.slice(0, last >= 0xd800 && last <= 0xdbff ? most - 1 : most);
}

/** Text as `text` allows it: what cannot be kept is replaced by the sign for an unknown character. */
export const keepable = (of: string): string => of.replace(/\p{Cs}/gu, '\ufffd').replaceAll('\0', '');

/** Without the signs at its end that are among `signs`. */
export function withoutEnd(of: string, signs: string): string {
  let end = of.length;
  while (end > 0 && signs.includes(of[end - 1]!)) end--;
  return of.slice(0, end);
}

/** A title as the name of a file, without what names of files may not hold. */
export const fileName = (title: string): string =>
  beginning(title.replace(/[^\p{L}\p{N} _-]+/gu, ' ').trim() || 'diagram', 80);

/** As a sentence begins. */
export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
