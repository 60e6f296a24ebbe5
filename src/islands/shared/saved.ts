/** Hands a file to the browser's downloads, named by a title. */
export function saved(file: Blob, title: string, ending: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(file);
  link.download = `${(title.replace(/[^\p{L}\p{N} _-]+/gu, ' ').trim() || 'diagram').slice(0, 80)}.${ending}`;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}
