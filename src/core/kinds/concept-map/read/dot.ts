import type { ListTokens, ReadChoices } from '../../../read';
import { example } from '../model';
import { MapMaker, mapFinding, type MapReading } from './result';

/** Whether a text begins, after remarks, as a graph in the DOT language does. */
export function isDot(text: string): boolean {
  const head = text.slice(0, 6000);
  const passed = /\s+|\/\/[^\n]*|#[^\n]*|\/\*[^*]*\*+(?:[^/*][^*]*\*+)*\//y;
  let begin = 0;
  while (passed.test(head)) begin = passed.lastIndex;
  return /^(?:strict\s+)?(?:di)?graph\b[^{]{0,200}\{/i.test(head.slice(begin));
}

interface Token {
  readonly kind: 'word' | 'sign';
  readonly text: string;
  readonly line: number;
  /** False for a keyword that stood in quotes. */
  readonly bare: boolean;
}

/** The tokens of the DOT language: words, quoted texts (joined by +), numbers, HTML-like texts without their tags, and signs. O(characters). */
function tokensOf(text: string, problem: (line: number, message: string) => void): Token[] {
  const tokens: Token[] = [];
  let line = 1;
  let at = 0;
  /** Where remarks and quotes that are never closed have been met, none is looked for again. */
  const open = { remark: false, quotes: false };
  const pattern =
    /(\s+)|(\/\/[^\n]*|^#[^\n]*)|(\/\*[\s\S]*?\*\/)|"((?:[^"\\]|\\[\s\S])*)"|(->|--|[{}[\];,=:+])|([\p{L}_\u0080-\u{10ffff}][\p{L}\p{N}_\u0080-\u{10ffff}]*|-?(?:\.\d+|\d+(?:\.\d*)?))/muy;
  while (at < text.length) {
    if (text[at] === '<') {
      const end = htmlEnd(text, at);
      const words = text
        .slice(at + 1, end)
        .replace(/<[^<>]*>/g, ' ')
        .replace(/\s+/g, ' ')
        .trim();
      tokens.push({ kind: 'word', text: words, line, bare: false });
      line += lineEnds(text.slice(at, end));
      at = end + 1;
      continue;
    }
    pattern.lastIndex = at;
    const begins = text.startsWith('/*', at) ? 'remark' : text[at] === '"' ? 'quotes' : null;
    const found = begins && open[begins] ? null : pattern.exec(text);
    if (!found) {
      if (begins) open[begins] = true;
      problem(line, `“${text[at]}” has no meaning here`);
      at++;
      continue;
    }
    const [whole, , , , inQuotes, sign, word] = found;
    if (inQuotes !== undefined) {
      const words = inQuotes
        .replace(/\\\r?\n/g, '')
        .replace(/\\(.)/g, (_, one: string) => (one === 'n' || one === 'l' || one === 'r' ? ' ' : one));
      const last = tokens.at(-1);
      if (last?.text === '+' && last.kind === 'sign' && tokens.at(-2)?.kind === 'word') {
        tokens.pop();
        const before = tokens.pop()!;
        tokens.push({ ...before, text: before.text + words });
      } else tokens.push({ kind: 'word', text: words, line, bare: false });
    } else if (sign !== undefined) tokens.push({ kind: 'sign', text: sign, line, bare: true });
    else if (word !== undefined) tokens.push({ kind: 'word', text: word, line, bare: true });
    line += lineEnds(whole);
    at += whole.length;
  }
  return tokens;
}

const lineEnds = (text: string): number => text.split('\n').length - 1;

function htmlEnd(text: string, from: number): number {
  let depth = 0;
  for (let i = from; i < text.length; i++) {
    if (text[i] === '<') depth++;
    else if (text[i] === '>' && --depth === 0) return i;
  }
  return text.length;
}

/**
 * The DOT language (E. R. Gansner, S. C. North, "An open graph visualization system", 2000): nodes as ideas, named by their labels, edges as propositions with
 * their labels as phrases, chains and groups of nodes spelled out, default labels of edges kept. Without direction an edge leads from its first node. O(characters).
 */
export function readDot(tokens: ListTokens, choices: ReadChoices = {}): MapReading {
  const maker = new MapMaker(choices);
  const problem = (line: number, message: string): void => {
    if (maker.findings.length < 20)
      maker.findings.push(
        mapFinding('bad-graph', 'warning', `Line ${line}: ${message}; what could be read was kept.`, { line }),
      );
  };
  new DotReader(tokensOf(tokens.text, problem), maker, problem).read();
  return maker.done('dot');
}

interface Attributes {
  readonly [name: string]: string;
}

class DotReader {
  private at = 0;
  private readonly nodes = new Map<string, { label: string; line: number; attributes: Attributes }>();
  private readonly edges: { from: string; to: string; phrase: string; line: number }[] = [];

  constructor(
    private readonly tokens: readonly Token[],
    private readonly maker: MapMaker,
    private readonly problem: (line: number, message: string) => void,
  ) {}

  read(): void {
    while (this.at < this.tokens.length && !this.is('{')) this.at++;
    this.at++;
    this.statements('');
    const ideaOf = new Map<string, string | null>();
    for (const [id, { label, line, attributes }] of this.nodes) {
      const detail = attributes['comment'] ?? attributes['tooltip'] ?? '';
      ideaOf.set(
        id,
        this.maker.add({
          name: label,
          line,
          details: detail === '' ? [] : detail.split('\n'),
          role: attributes['class'] === example ? example : null,
        }),
      );
    }
    for (const { from, to, phrase, line } of this.edges)
      this.maker.link(ideaOf.get(from)!, ideaOf.get(to)!, phrase, line);
  }

  private is(sign: string): boolean {
    const token = this.tokens[this.at];
    return token?.kind === 'sign' && token.text === sign;
  }
  private take(sign: string): boolean {
    if (!this.is(sign)) return false;
    this.at++;
    return true;
  }

  /** Statements up to the end of a group; the nodes that it names. Nested groups are kept on a stack of calls no deeper than they are written, at most 200. */
  private statements(edgeLabel: string, depth = 0): string[] {
    const named: string[] = [];
    let label = edgeLabel;
    while (this.at < this.tokens.length) {
      if (this.take('}')) return named;
      if (this.take(';') || this.take(',')) continue;
      const token = this.tokens[this.at]!;
      const word = token.kind === 'word' && token.bare ? token.text.toLowerCase() : '';
      if ((word === 'graph' || word === 'node' || word === 'edge') && this.tokens[this.at + 1]?.text === '[') {
        this.at++;
        const attributes = this.attributes();
        if (word === 'edge') label = attributes['label'] ?? label;
        if (word === 'graph' && depth === 0) this.maker.question ||= (attributes['label'] ?? '').slice(0, 300);
        continue;
      }
      if (
        token.kind === 'word' &&
        this.tokens[this.at + 1]?.text === '=' &&
        this.tokens[this.at + 1]!.kind === 'sign'
      ) {
        if (word === 'label' && depth === 0)
          this.maker.question ||= (this.tokens[this.at + 2]?.text ?? '').slice(0, 300);
        this.at += 3;
        continue;
      }
      const before = this.at;
      named.push(...this.chain(label, depth));
      if (this.at === before) {
        this.problem(token.line, `“${token.text}” has no meaning here`);
        this.at++;
      }
    }
    return named;
  }

  /** `a -> b -> {c d} [label = "…"]`. */
  private chain(defaultLabel: string, depth: number): string[] {
    const ends: string[][] = [];
    const named: string[] = [];
    const { line } = this.tokens[this.at]!;
    for (;;) {
      const end = this.end(defaultLabel, depth);
      if (!end) break;
      ends.push(end);
      named.push(...end);
      if (!this.take('->') && !this.take('--')) break;
    }
    const attributes = this.is('[') ? this.attributes() : {};
    if (ends.length === 1) {
      const [node] = ends[0]!;
      const known = node === undefined ? undefined : this.nodes.get(node);
      if (known && ends[0]!.length === 1) {
        const label = attributes['label'] ?? attributes['xlabel'];
        this.nodes.set(node!, {
          ...known,
          attributes: { ...known.attributes, ...attributes },
          label: label === undefined || label === '\\N' || label === 'N' ? known.label : label,
        });
      }
    }
    for (let i = 1; i < ends.length; i++)
      for (const from of ends[i - 1]!)
        for (const to of ends[i]!)
          this.edges.push({ from, to, phrase: attributes['label'] ?? attributes['xlabel'] ?? defaultLabel, line });
    return named;
  }

  /** A node or a group of nodes. */
  private end(edgeLabel: string, depth: number): string[] | null {
    const token = this.tokens[this.at];
    if (!token) return null;
    if (token.kind === 'word' && token.bare && token.text.toLowerCase() === 'subgraph') {
      this.at++;
      if (this.tokens[this.at]?.kind === 'word') this.at++;
    }
    if (depth < 200 && this.take('{')) return this.statements(edgeLabel, depth + 1);
    const node = this.tokens[this.at];
    if (node?.kind !== 'word') return null;
    this.at++;
    while (this.take(':')) this.at++;
    if (!this.nodes.has(node.text)) this.nodes.set(node.text, { label: node.text, line: node.line, attributes: {} });
    return [node.text];
  }

  private attributes(): Attributes {
    const found: Record<string, string> = {};
    while (this.take('[')) {
      while (this.at < this.tokens.length && !this.take(']')) {
        const name = this.tokens[this.at++]!;
        if (name.kind === 'word' && this.take('=')) found[name.text.toLowerCase()] = this.tokens[this.at++]?.text ?? '';
      }
    }
    return found;
  }
}
