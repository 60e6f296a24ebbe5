import { createHash } from 'node:crypto';
import type { Scene } from '../core/scene';

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

/** The ids of all pictures in a Scene, each once. */
export const imagesIn = (scene: Scene): string[] => [
  ...new Set(
    scene.groups.flatMap(({ children }) => children.flatMap((one) => (one.type === 'image' ? [one.image] : []))),
  ),
];

export interface ImageSize {
  readonly mime: ImageFile['mime'];
  readonly width: number;
  readonly height: number;
}

/** Kind and size of a PNG or JPEG from its head; null for anything else, and for a file that breaks off before the size. */
export function imageSize(bytes: Uint8Array): ImageSize | null {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  return pngSize(view) ?? jpegSize(view);
}

/** PNG (ISO/IEC 15948): signature, then IHDR with width and height. */
function pngSize(view: DataView): ImageSize | null {
  if (view.byteLength < 24 || view.getUint32(0) !== 0x89504e47 || view.getUint32(4) !== 0x0d0a1a0a) return null;
  return sized('image/png', view.getUint32(16), view.getUint32(20));
}

/** JPEG (ISO/IEC 10918-1): segments up to the first frame header, which holds height and width. */
function jpegSize(view: DataView): ImageSize | null {
  if (view.byteLength < 4 || view.getUint16(0) !== 0xffd8) return null;
  let at = 2;
  while (at + 9 <= view.byteLength && view.getUint8(at) === 0xff) {
    const marker = view.getUint8(at + 1);
    const isFrame = marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker);
    if (isFrame) return sized('image/jpeg', view.getUint16(at + 7), view.getUint16(at + 5));
    at += 2 + view.getUint16(at + 2);
  }
  return null;
}

const sized = (mime: ImageSize['mime'], width: number, height: number): ImageSize | null =>
  width > 0 && height > 0 && width <= 20_000 && height <= 20_000 ? { mime, width, height } : null;
