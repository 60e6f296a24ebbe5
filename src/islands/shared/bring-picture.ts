import { z } from 'zod';
import { ImageRef } from '../../core/model';
import { reach } from './api';

/** Sends a picture file, which the server decodes, makes small and keeps; returns how it is referred to. Throws ApiError with words for people. */
export async function bringPicture(file: File): Promise<ImageRef> {
  const answer = await reach('/api/pictures', {
    method: 'POST',
    body: file,
    headers: { 'content-type': file.type || 'application/octet-stream' },
  });
  return ImageRef.parse(z.unknown().parse(await answer.json()));
}
