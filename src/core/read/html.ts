import { parse, type DefaultTreeAdapterTypes } from 'parse5';
import { PlacedLines, tabCell } from './placed-lines';

type Node = DefaultTreeAdapterTypes.ChildNode;
type Parent = DefaultTreeAdapterTypes.ParentNode;

const begins = /^\s*<(?:!doctype html|html|head|body|meta|table|ul|ol|div|!--)[\s>-]/i;
const holds = /<(?:tr|li)[\s>]/i;
/** Markup may be nested so deep; what is deeper is passed over. */
const deepest = 200;
const blocks = new Set([
  'p',
  'div',
  'h1',
  'h2',
  'h3',
  'h4',
  'h5',
  'h6',
  'br',
  'section',
  'article',
  'header',
  'footer',
]);
const passedOver = new Set(['style', 'script', 'head', 'template', 'title']);

/** Whether a text is a table or a list in HTML. */
export const isHtml = (text: string): boolean => begins.test(text.slice(0, 2000)) && holds.test(text);

/**
 * A table or nested lists in HTML as plain text: cells parted by tabs (in quotes where they need it), items indented by their depth, each on the line
 * of the source where it begins, as far as no other stands there. A cell over several rows or columns is filled in all of them.
 */
export function htmlText(source: string): string {
  const out = new Lines();
  walk(parse(source, { sourceCodeLocationInfo: true }), 0, 0, out);
  return out.text();
}

/**
 * What was copied from a page, a spreadsheet or a word processor, where its markup says more than its plain text does: lists within lists, levels, joined
 * cells, tables whose cells nothing parts in the text. Null where the plain text says as much. O(characters).
 */
export function copiedText(markup: string, plain: string): string | null {
  const isTable = /<tr[\s>]/i.test(markup);
  const hasJoined = isTable && /\b(?:row|col)span\s*=\s*["']?(?!1\b)\d/i.test(markup);
  const hasLevels = /<li[\s>]/i.test(markup) || /mso-list:/i.test(markup);
  if (!hasJoined && !(isTable && !plain.includes('\t')) && !hasLevels) return null;
  const text = htmlText(markup)
    .split('\n')
    .filter((line) => line.trim() !== '')
    .join('\n');
  return text === '' ? null : text;
}

/** Cells that spans may fill in one document. */
const mostFilled = 200_000;

class Lines {
  /** Cells that are left for spans to fill. */
  left = mostFilled;
  private readonly lines = new PlacedLines();
  add(text: string, node: Node): void {
    this.lines.add(text, ('sourceCodeLocation' in node && node.sourceCodeLocation?.startLine) || 0);
  }
  text(): string {
    return this.lines.text();
  }
}

function walk(parent: Parent, depth: number, indent: number, out: Lines): void {
  if (depth > deepest) return;
  for (const node of parent.childNodes) {
    if (node.nodeName === '#text') {
      const text = squeezed(textOf(node, depth));
      if (text !== '') out.add('  '.repeat(Math.max(0, indent - 1)) + text, node);
    } else if (!('childNodes' in node) || passedOver.has(node.nodeName)) {
      continue;
    } else if (node.nodeName === 'table') {
      addRows(node, depth, out);
    } else if (node.nodeName === 'li') {
      const own = squeezed(
        node.childNodes
          .filter((each) => !isList(each))
          .map((each) => textOf(each, depth))
          .join(' '),
      );
      if (own !== '') out.add('  '.repeat(Math.max(0, indent - 1)) + own, node);
      for (const each of node.childNodes) if (isList(each)) walk(each as Parent, depth + 1, indent + 1, out);
    } else if (blocks.has(node.nodeName) && !hasBlocks(node)) {
      const text = squeezed(textOf(node, depth));
      if (text !== '') out.add('  '.repeat(Math.max(0, indent - 1, levelOf(node) - 1)) + text, node);
    } else {
      walk(node, depth + 1, isList(node) && indent === 0 ? 1 : indent, out);
    }
  }
}

/** At which level of a list a paragraph stands, as word processors write it beside the text; 0 where it is of none. */
function levelOf(node: Node): number {
  const style = 'attrs' in node ? (node.attrs.find(({ name }) => name === 'style')?.value ?? '') : '';
  return Number(/(?:^|[;\s])mso-list:[^;]{0,60}\blevel(\d)/i.exec(style.slice(0, 2000))?.[1] ?? 0);
}

const isList = (node: Node): boolean => node.nodeName === 'ul' || node.nodeName === 'ol';
const hasBlocks = (parent: Parent): boolean =>
  parent.childNodes.some((node) => isList(node) || node.nodeName === 'table' || blocks.has(node.nodeName));
const squeezed = (text: string): string => text.replace(/[ \t\r\n\f]+/g, ' ').trim();

/** All text below a node; a line break within a cell is one. */
function textOf(node: Node, depth: number): string {
  if (node.nodeName === '#text') return 'value' in node ? node.value : '';
  if (node.nodeName === 'br') return '\u2028';
  if (!('childNodes' in node) || depth > deepest || passedOver.has(node.nodeName)) return '';
  return node.childNodes.map((each) => textOf(each, depth + 1)).join('');
}

const spanOf = (node: Node, name: string): number => {
  const told = 'attrs' in node ? Number(node.attrs.find((one) => one.name === name)?.value) : NaN;
  return Number.isInteger(told) ? Math.min(1000, Math.max(1, told)) : 1;
};

function addRows(table: Parent, depth: number, out: Lines): void {
  /** By column: what a cell above fills, and how many rows it goes on. */
  const open = new Map<number, { text: string; rows: number }>();
  for (const row of rowsOf(table, depth)) {
    const cells: string[] = [];
    const filled = () => {
      for (let above = open.get(cells.length); above; above = open.get(cells.length)) {
        if (--above.rows === 0) open.delete(cells.length);
        cells.push(above.text);
      }
    };
    for (const node of (row as Parent).childNodes) {
      if (node.nodeName !== 'td' && node.nodeName !== 'th') continue;
      filled();
      const text = textOf(node, depth).split('\u2028').map(squeezed).filter(Boolean).join('\n');
      const rows = spanOf(node, 'rowspan') - 1;
      const columns = spanOf(node, 'colspan');
      const isBounded = (out.left -= columns * (rows + 1) - 1) >= 0;
      for (let k = isBounded ? columns : 1; k > 0; k--) {
        if (rows > 0 && isBounded) open.set(cells.length, { text, rows });
        cells.push(text);
      }
    }
    filled();
    if (cells.length > 0) out.add(cells.map(tabCell).join('\t'), row);
  }
}

function rowsOf(parent: Parent, depth: number): Node[] {
  if (depth > deepest) return [];
  return parent.childNodes.flatMap((node) =>
    node.nodeName === 'tr' ? [node] : 'childNodes' in node ? rowsOf(node, depth + 1) : [],
  );
}
