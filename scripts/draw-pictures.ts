import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { Diagram } from '../src/core/diagram';
import { finding, type Finding } from '../src/core/model';
import { pictureFileOf } from '../src/core/read';
import { pictureId, type ImageFile, type ImageFiles } from '../src/export/images';

/** Pictures that the list names, read from beside it. One that cannot be read is told and left out. */
export async function withPictures(
  diagram: Diagram,
  folder: string,
): Promise<{ diagram: Diagram; images: ImageFiles; missing: Finding[] }> {
  const images = new Map<string, ImageFile>();
  const missing: Finding[] = [];
  const entries: Diagram['entries'] = {};
  for (const entry of Object.values(diagram.entries)) {
    const file = pictureFileOf(entry.fields);
    const bytes = file === null ? null : await readFile(join(folder, file)).catch(() => null);
    const picture = bytes && (await cleaned(bytes));
    if (file !== null && !picture) {
      const message = `${entry.name}: the picture ${file} ${bytes ? 'is no PNG, JPEG, WebP or GIF that can be read' : 'is not beside the list'}.`;
      missing.push(finding('no-picture', 'warning', message, { entries: [entry.id] }));
    }
    if (!picture) {
      entries[entry.id] = entry;
      continue;
    }
    const { width, height } = picture;
    const id = pictureId(picture.bytes);
    images.set(id, picture);
    entries[entry.id] = { ...entry, image: { id, width, height } };
  }
  return { diagram: { ...diagram, entries }, images, missing };
}

/** The picture made clean; null for one that cannot be read. */
async function cleaned(bytes: Uint8Array) {
  const { cleanPicture, PictureFault } = await import('../src/export/clean-picture');
  try {
    return await cleanPicture(bytes);
  } catch (error) {
    if (error instanceof PictureFault) return null;
    throw error;
  }
}
