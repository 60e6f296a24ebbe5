import { readXml } from '../xml';
import { listOf, tell, type FormatText, type Item } from './records';

/** Whether a text is OPML: what stands before its first element is passed over. */
export function isOpml(text: string): boolean {
  const begun = text
    .slice(0, 4000)
    .replaceAll(/<\?[^>]*>|<!--[^>]*>/g, '')
    .replace(/<!DOCTYPE[^[>]*(?:\[[^\]]*\][^>]*)?>/i, '');
  return /^\s*<opml[\s>]/i.test(begun);
}

interface Open {
  readonly line: number;
  readonly cells: Map<string, string>;
  readonly below: Item[];
}

/** What an outline of OPML says of how it is shown, not of itself. */
const shownBy = new Set(['text', 'type', 'iscomment', 'isbreakpoint', 'created', '_status']);

/** OPML 2.0 (2007): outlines within outlines, their words in `text` (where it is empty, in `title`); what else they tell under its own name. The head's title stands above. O(characters). */
export function opmlText(source: string): FormatText {
  const tops: Item[] = [];
  const open: Open[] = [];
  const path: string[] = [];
  const problems: { line: number; message: string }[] = [];
  let title = '';
  readXml(source, {
    fault: (line, message) => problems.push({ line, message: `The OPML is not well formed here (${message}).` }),
    open: ({ name, told, line }) => {
      path.push(name.toLowerCase());
      if (path.at(-1) !== 'outline') return;
      const item: Open = { line, cells: cellsOf(told), below: [] };
      (open.at(-1)?.below ?? tops).push(item);
      open.push(item);
    },
    text: (text) => {
      if (path.at(-1) === 'title' && path.at(-2) === 'head') title += text;
    },
    close: () => {
      if (path.pop() === 'outline') open.pop();
    },
  });
  return {
    format: 'OPML',
    ...listOf(tops, title.trim() === '' ? [] : [plain(title)]),
    problems: problems.slice(0, 20),
  };
}

function cellsOf(attributes: Readonly<Record<string, string>>): Map<string, string> {
  const told = new Map(Object.entries(attributes).map(([key, value]) => [key, plain(value)]));
  const words = told.get('text') || told.get('title') || '';
  const cells = new Map<string, string>();
  tell(cells, 'Text', words === '' ? '–' : words);
  for (const [key, value] of told)
    if (!shownBy.has(key.toLowerCase()) && value !== words) tell(cells, key.replace(/^_/, ''), value);
  return cells;
}

/** Words without the markup that outlines may carry within their attributes. */
const plain = (words: string): string =>
  words
    .replaceAll(/<[a-z/][^<>]{0,200}>/gi, ' ')
    .replaceAll(/\s+/g, ' ')
    .trim();
