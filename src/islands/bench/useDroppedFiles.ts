import { useEffect } from 'react';
import { useParts } from './context';
import { partsOf } from './kinds';

/** Files dropped anywhere on the Bench are taken by the kind, or refused in words; the browser never opens one in place of the application. */
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
      const { notify, diagram } = store.getState();
      const pictures = files.filter(({ type }) => type.startsWith('image/'));
      const { bringPictures } = partsOf(diagram.kind);
      if (pictures.length > 0 && bringPictures) void bringPictures(store, pictures);
      else if (pictures.length > 0) notify(['Pictures are shown in Venn diagrams; this kind of diagram shows none.']);
      if (pictures.length < files.length)
        notify([
          'To bring a newer list, open it, copy its lines and put them into List, As text; or begin a new diagram on the Desk.',
        ]);
    };
    window.addEventListener('dragover', over);
    window.addEventListener('drop', drop);
    return () => {
      window.removeEventListener('dragover', over);
      window.removeEventListener('drop', drop);
    };
  }, [store]);
}
