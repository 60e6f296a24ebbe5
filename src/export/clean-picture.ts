import sharp from 'sharp';
import type { ImageFile } from './images';

/** A file that is no picture we take, in words for people. */
export class PictureFault extends Error {}

export interface CleanPicture extends ImageFile {
  readonly width: number;
  readonly height: number;
}

/** A picture of more pixels is not decoded: it would take seconds and gigabytes. */
const mostPixels = 40_000_000;
/** Pictures are kept no larger than this on their longer side, in their own pixels: sharp on paper at the size they are drawn. */
const longestSide = 640;
const known = new Set(['jpeg', 'png', 'webp', 'gif']);

/**
 * Decodes a PNG, JPEG, WebP or the first frame of a GIF and encodes it anew, upright and small, as JPEG where it came as one and as PNG else;
 * whatever else the file held (place, camera, rubbish) is gone. Throws PictureFault with words for people.
 */
export async function cleanPicture(bytes: Uint8Array): Promise<CleanPicture> {
  try {
    const picture = sharp(bytes, { limitInputPixels: mostPixels, failOn: 'error', pages: 1, animated: false });
    const { format, width, height } = await picture.metadata();
    if (!known.has(format)) throw new PictureFault(notTaken);
    if (width * height > mostPixels) throw new PictureFault(tooManyPixels);
    const small = picture.rotate().resize(longestSide, longestSide, { fit: 'inside', withoutEnlargement: true });
    const isPhoto = format === 'jpeg';
    const encoded = isPhoto ? small.jpeg({ quality: 86, mozjpeg: true }) : small.png({ compressionLevel: 9 });
    const { data, info } = await encoded.toBuffer({ resolveWithObject: true });
    return {
      mime: isPhoto ? 'image/jpeg' : 'image/png',
      width: info.width,
      height: info.height,
      bytes: new Uint8Array(data),
    };
  } catch (error) {
    if (error instanceof PictureFault) throw error;
    // The decoder's own words name no remedy; what they are about is one of two things.
    throw new PictureFault(/pixel limit/i.test(String(error)) ? tooManyPixels : notTaken);
  }
}

const notTaken =
  'That file is no PNG, JPEG, WebP or GIF picture, or it is damaged. Open it, save it as PNG or JPEG and bring it again.';
const tooManyPixels = `That picture has more than ${mostPixels / 1_000_000} million pixels. Make it smaller and bring it again.`;
