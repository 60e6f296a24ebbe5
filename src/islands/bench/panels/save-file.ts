import { fileName } from '../../../core/model';
import type { BenchParts } from '../context';

/** Asks for a file, made of what was sent, by the search part of an address ("dpi=96"), and hands it to the browser's downloads under the title. Throws ApiError. */
export async function saveFile(
  { sync, store }: Pick<BenchParts, 'sync' | 'store'>,
  { format, more = '' }: { readonly format: string; readonly more?: string },
  signal: AbortSignal,
): Promise<void> {
  const file = await (await sync.file(`format=${format}${more}`, signal)).blob();
  const link = document.createElement('a');
  link.href = URL.createObjectURL(file);
  link.download = `${fileName(store.getState().diagram.title)}.${format}`;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}
