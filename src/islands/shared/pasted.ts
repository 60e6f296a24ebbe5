import { copiedText } from '../../core/read';

/** What was pasted or dropped, as the text of a list: from its markup where that says more, else its plain text. */
export function textOf(data: DataTransfer): string {
  const plain = data.getData('text/plain');
  const markup = data.getData('text/html');
  return (markup === '' ? null : copiedText(markup, plain)) ?? plain;
}

/** Files that were pasted as lists; where text came with them, as cells do with a picture of themselves, the text is meant. */
export const listFilesOf = (data: DataTransfer): File[] =>
  data.types.includes('text/plain') ? [] : [...data.files].filter(({ type }) => !type.startsWith('image/'));
