/** A tag of our own below FAMC: a parent to whom the child belongs in another way, told by PEDI below it. GEDCOM itself tells it of both parents alike. */
export const oneParentTag = '_PARENT';

/** One line of a GEDCOM file (FamilySearch GEDCOM 5.5.1 and 7.0): level, pointer of its own, tag, payload. */
export interface GedcomLine {
  readonly line: number;
  readonly level: number;
  readonly pointer: string;
  readonly tag: string;
  readonly value: string;
}

/** A structure: a line with those of the next level below it. */
export interface GedcomNode extends GedcomLine {
  readonly children: readonly GedcomNode[];
  /** First and last line of the file that belong to it. */
  readonly end: number;
}

export interface GedcomFault {
  readonly line: number;
  readonly message: string;
}

const grammar = /^\s*(\d{1,2})\s+(?:@([^@#][^@]*)@\s+)?([A-Za-z0-9_]{1,60})(?: (.*))?$/s;

/** Structures whose value is text that may go on. */
const texts = new Set(['NOTE', 'TEXT', 'SNOTE']);

/** True where a text looks like a GEDCOM file: its first line says so. */
export const isGedcom = (text: string): boolean => /^\ufeff?\s*0\s+HEAD\b/.test(text);

/**
 * The lines of a file as structures, with CONC and CONT put together. A line that is none is taken as the continuation of a text, or as a note to the line before, and told; a level
 * that jumps is taken to the deepest that can be. Never throws. O(characters).
 */
export function gedcomNodes(text: string): { readonly nodes: GedcomNode[]; readonly faults: GedcomFault[] } {
  interface Open {
    line: number;
    level: number;
    pointer: string;
    tag: string;
    value: string;
    children: Open[];
    end: number;
  }
  const nodes: Open[] = [];
  const faults: GedcomFault[] = [];
  const open: Open[] = [];
  let at = 0;
  for (const source of text.replace(/^\ufeff/, '').split(/\r\n|\n\r|\r|\n/)) {
    at++;
    if (source.trim() === '') continue;
    const found = grammar.exec(source);
    const last = open.at(-1);
    if (!found) {
      const isText = last !== undefined && texts.has(last.tag);
      const what = isText ? 'taken as the rest of the line before' : 'kept as a note to the line before';
      faults.push({ line: at, message: `Line ${at} is no GEDCOM line (level, tag, value); it was ${what}.` });
      if (isText) last.value += `\n${source.trim()}`;
      else if (last) {
        const value = source.trim();
        last.children.push({ line: at, level: last.level + 1, pointer: '', tag: 'NOTE', value, children: [], end: at });
      }
      continue;
    }
    const [, digits, pointer = '', tag, value = ''] = found;
    let level = Number(digits);
    if (level > open.length) {
      faults.push({
        line: at,
        message: `Line ${at} is on level ${level}, but the line before is on level ${open.length - 1}; it was taken to level ${open.length}.`,
      });
      level = open.length;
    }
    open.length = level;
    const parent = open.at(-1);
    const upper = tag!.toUpperCase();
    if (parent && (upper === 'CONC' || upper === 'CONT')) {
      parent.value += (upper === 'CONT' ? '\n' : '') + unescaped(value);
      for (const one of open) one.end = at;
      continue;
    }
    const node: Open = { line: at, level, pointer, tag: upper, value: unescaped(value), children: [], end: at };
    if (parent) parent.children.push(node);
    else nodes.push(node);
    for (const one of open) one.end = at;
    open.push(node);
  }
  return { nodes, faults };
}

/** At signs are doubled in 5.5.1, and at the beginning of a line in 7.0; a pointer is left as it is. */
const unescaped = (value: string): string => (/^@[^@#][^@]*@$/.test(value) ? value : value.replaceAll('@@', '@'));

const longest = 240;

/** Lines of a structure as they are written in 5.5.1: long values in CONC, line ends in CONT. */
export function gedcomText(level: number, tag: string, value: string, pointer = ''): string {
  const head = `${level}${pointer ? ` @${pointer}@` : ''} ${tag}`;
  const isPointer = /^@[^@#][^@]*@$/.test(value);
  const lines = value.split('\n').map((line) => (isPointer ? line : line.replaceAll('@', '@@')));
  const written: string[] = [];
  lines.forEach((line, k) => {
    const parts = inParts(line);
    parts.forEach((part, p) => {
      const begin = k === 0 && p === 0 ? head : `${level + 1} ${p === 0 ? 'CONT' : 'CONC'}`;
      written.push(part === '' ? begin : `${begin} ${part}`);
    });
  });
  return written.join('\n');
}

/** Parts of a line that neither begin nor end with a blank, which readers may lose, and do not part a doubled sign. */
function inParts(line: string): string[] {
  const parts: string[] = [];
  let rest = line;
  while (rest.length > longest) {
    let cut = longest;
    while (
      cut > 1 &&
      (/[\s@]/.test(rest[cut]!) || /[\s@]/.test(rest[cut - 1]!) || /[\ud800-\udbff]/.test(rest[cut - 1]!))
    )
      cut--;
    if (cut <= 1) cut = longest;
    parts.push(rest.slice(0, cut));
    rest = rest.slice(cut);
  }
  return [...parts, rest];
}

/** A structure as lines again, from a level on. */
export function rawText(node: GedcomNode, level: number): string {
  return [
    gedcomText(level, node.tag, node.value, node.pointer),
    ...node.children.map((child) => rawText(child, level + 1)),
  ].join('\n');
}
