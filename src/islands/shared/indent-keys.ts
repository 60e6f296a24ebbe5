import type { KeyboardEvent } from 'react';

const step = '    ';

/** Puts text in place of the selection so that the browser's own undo knows of it. */
function insert(area: HTMLTextAreaElement, text: string): void {
  area.focus();
  // The one way that keeps the field's undo; browsers support it for text fields.
  if (!document.execCommand('insertText', false, text))
    area.setRangeText(text, area.selectionStart, area.selectionEnd, 'end');
}

/**
 * Keys of a list that is text: Tab and Shift+Tab indent the line or the lines selected, Enter keeps the indent of the line, Esc leaves the field (Tab
 * then goes on from there).
 */
export function indentKeys(event: KeyboardEvent<HTMLTextAreaElement>): void {
  const area = event.currentTarget;
  const { value, selectionStart, selectionEnd } = area;
  if (event.key === 'Escape') {
    area.blur();
    return;
  }
  if (event.altKey || event.ctrlKey || event.metaKey || event.nativeEvent.isComposing) return;
  const from = value.lastIndexOf('\n', selectionStart - 1) + 1;
  if (event.key === 'Enter' && !event.shiftKey) {
    const indent = /^[ \t]*/.exec(value.slice(from, selectionStart))![0];
    if (indent === '') return;
    event.preventDefault();
    insert(area, `\n${indent}`);
    return;
  }
  if (event.key !== 'Tab') return;
  event.preventDefault();
  const last = selectionEnd > selectionStart && value[selectionEnd - 1] === '\n' ? selectionEnd - 1 : selectionEnd;
  const end = value.indexOf('\n', last) < 0 ? value.length : value.indexOf('\n', last);
  const before = value.slice(from, end);
  const lines = before.split('\n');
  const after = event.shiftKey
    ? lines.map((line) => line.replace(/^(\t| {1,4})/, ''))
    : lines.map((line) => (line === '' && lines.length > 1 ? line : step + line));
  const text = after.join('\n');
  if (text === before) return;
  area.setSelectionRange(from, end);
  insert(area, text);
  if (selectionStart === selectionEnd) {
    const at = Math.max(from, selectionStart + (after[0]!.length - lines[0]!.length));
    area.setSelectionRange(at, at);
  } else area.setSelectionRange(from, from + text.length);
}
