import { foldName } from './names';

/** Headings of a column that names each entry's picture file. */
const heading = /^(pictures?|images?|photos?|bild(er)?|fotos?|picture file|image file|photo file)$/;

export const isPictureHeading = (text: string): boolean => heading.test(foldName(text));

/** The picture file a list names for an entry; null where it names none. */
export function pictureFileOf(fields: Readonly<Record<string, string>>): string | null {
  const found = Object.entries(fields).find(([field, value]) => isPictureHeading(field) && value.trim() !== '');
  return found ? found[1].trim() : null;
}

/** A file name without its folders and ending, folded, to be found by name. */
export const foldFileName = (file: string): string =>
  foldName(file.replace(/^.*[\\/]/, '').replace(/\.[a-z0-9]{1,5}$/i, ''));
