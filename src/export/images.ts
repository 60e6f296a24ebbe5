import { createHash } from 'node:crypto';

/** A picture's file as it was brought. */
export interface ImageFile {
  readonly mime: 'image/png' | 'image/jpeg';
  readonly bytes: Uint8Array;
}
/** The pictures of a Scene by id; one that is missing is drawn as an empty outline. */
export type ImageFiles = ReadonlyMap<string, ImageFile>;

/** The name under which a picture is kept: the start of its SHA-256. */
export const pictureId = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex').slice(0, 32);

export const noImages: ImageFiles = new Map();
