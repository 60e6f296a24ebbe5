import { z } from 'zod';
import { ImageRef } from '../../core/model';
import { ApiError, reach } from './api';

/** Pictures are kept no larger than this on their longer side, in their own pixels: sharp on paper at the size they are drawn. */
const longestSide = 480;

/** Makes a picture file small enough to keep, sends it, and returns how it is referred to. Throws ApiError with words for people. */
export async function bringPicture(file: File): Promise<ImageRef> {
  const bitmap = await createImageBitmap(file).catch(() => null);
  if (!bitmap)
    throw new ApiError(`“${file.name}” is no picture that this browser can read. Bring a PNG or JPEG.`, null);
  const scale = Math.min(1, longestSide / Math.max(bitmap.width, bitmap.height));
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(bitmap.width * scale)),
    Math.max(1, Math.round(bitmap.height * scale)),
  );
  canvas.getContext('2d')!.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  // JPEG has no transparent ground, so what comes as anything else stays PNG.
  const type = file.type === 'image/jpeg' ? 'image/jpeg' : 'image/png';
  const body = await canvas.convertToBlob({ type, quality: 0.86 });
  const answer = await reach('/api/pictures', { method: 'POST', body, headers: { 'content-type': type } });
  return ImageRef.parse(z.unknown().parse(await answer.json()));
}
