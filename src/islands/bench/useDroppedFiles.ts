import { useEffect } from 'react';
import { useParts } from './context';
import { entryOfLine } from './list/RowForm';
import { bringPictures } from './pictures/bring-pictures';

/** The entry whose box or line is at a place on the page; null for none. */
function entryAt(target: EventTarget | null): string | null {
  if (!(target instanceof Element)) return null;
  return target.closest('[data-entry]')?.getAttribute('data-entry') ?? entryOfLine(target);
}

/** Files dropped anywhere on the Bench, and pictures pasted, are taken, pictures by the entry they are dropped on, or refused in words; the browser never opens one in place of the application. */
export function useDroppedFiles(): void {
  const { store } = useParts();
  useEffect(() => {
    const holdsFiles = (event: DragEvent) => event.dataTransfer?.types.includes('Files') ?? false;
    const over = (event: DragEvent) => {
      if (holdsFiles(event)) event.preventDefault();
    };
    const drop = (event: DragEvent) => {
      if (!holdsFiles(event)) return;
      event.preventDefault();
      const files = [...(event.dataTransfer?.files ?? [])];
      const { notify } = store.getState();
      const pictures = files.filter(({ type }) => type.startsWith('image/'));
      if (pictures.length > 0) void bringPictures(store, pictures, entryAt(event.target));
      if (pictures.length < files.length)
        notify([
          'To bring a newer list, open it, copy its lines and put them into List, As text; or begin a new diagram on the Desk.',
        ]);
    };
    // Cells copied from a spreadsheet bring a picture of themselves along: where there is text, that is what is meant.
    const paste = (event: ClipboardEvent) => {
      const files = [...(event.clipboardData?.files ?? [])].filter(({ type }) => type.startsWith('image/'));
      if (files.length === 0 || event.clipboardData?.types.includes('text/plain')) return;
      event.preventDefault();
      void bringPictures(store, files, entryAt(event.target));
    };
    window.addEventListener('paste', paste);
    window.addEventListener('dragover', over);
    window.addEventListener('drop', drop);
    return () => {
      window.removeEventListener('paste', paste);
      window.removeEventListener('dragover', over);
      window.removeEventListener('drop', drop);
    };
  }, [store]);
}
