import { isJson, jsonLinesText, jsonText } from './json';
import { isLdif, ldifText } from './ldif';
import { isOpml, opmlText } from './opml';
import type { FormatText } from './records';
import { isVcard, vcardText } from './vcard';

export type { FormatText } from './records';

/** A text in one of the formats that programs hand people and ideas over in, in the words of a list; null where it is in none. */
export function formatText(text: string): FormatText | null {
  const head = text.slice(0, 50).trimStart()[0];
  if (head === '{' || head === '[') return jsonLinesText(text) ?? (isJson(text) ? jsonText(text) : null);
  if (isOpml(text)) return opmlText(text);
  if (isVcard(text)) return vcardText(text);
  return isLdif(text) ? ldifText(text) : null;
}
