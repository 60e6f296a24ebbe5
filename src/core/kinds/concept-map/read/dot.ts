import { limits, own } from '../../../model';
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

/** What is the same for all that is named in a group, unless it says otherwise; handed down into the groups within. */
interface Scope {
  readonly node: Attributes;
  readonly edge: Attributes;
  /** Labels of the groups around, from the outermost. */
  readonly groups: readonly string[];
}

interface Node {
  readonly label: string;
  readonly line: number;
  readonly attributes: Attributes;
  /** The labels of the groups that it stands in, each once. */
  readonly groups: readonly string[];
}

interface Edge {
  readonly from: string;
  readonly to: string;
  readonly attributes: Attributes;
  readonly line: number;
}

/** Attributes that are words of a node, an edge or a graph, in the order in which they are taken for its label. */
const labels = ['label', 'xlabel', 'headlabel', 'taillabel'];
const remarks = ['comment', 'tooltip', 'edgetooltip', 'labeltooltip', 'headtooltip', 'tailtooltip', 'url', 'href'];

/** The words of something: its label, and what is said besides, each once. A label that only repeats the name of a node is none. */
function wordsOf(attributes: Attributes): { readonly label: string | undefined; readonly more: readonly string[] } {
  const told = (names: readonly string[]): string[] =>
    names.flatMap((name) => {
      const words = (own(attributes, name) ?? '').trim();
      return words === '' || words === '\\N' || words === 'N' ? [] : [words];
    });
  const [label, ...rest] = told(labels);
  const more = [...rest, ...told(remarks).flatMap((words) => words.split('\n'))];
  return { label, more: [...new Set(more)].filter((words) => words !== label) };
}

class DotReader {
  private at = 0;
  private readonly nodes = new Map<string, Node>();
  private readonly edges: Edge[] = [];

  constructor(
    private readonly tokens: readonly Token[],
    private readonly maker: MapMaker,
    private readonly problem: (line: number, message: string) => void,
  ) {}

  read(): void {
    // One file may hold several graphs; they make one map.
    while (this.at < this.tokens.length) this.graph();
    const ideaOf = new Map<string, string | null>();
    for (const [id, { label, line, attributes, groups }] of this.nodes)
      ideaOf.set(
        id,
        this.maker.add({
          name: label,
          line,
          details: wordsOf(attributes).more,
          fields: groups.length > 0 ? { Group: groups.join(', ') } : {},
          role: own(attributes, 'class') === example ? example : null,
        }),
      );
    for (const { from, to, attributes, line } of this.edges) {
      const { label = '', more } = wordsOf(attributes);
      this.maker.link(ideaOf.get(from)!, ideaOf.get(to)!, label, line);
      for (const words of more) {
        const reason = `Line ${line}: this stands beside the label of the edge from ${from} to ${to}; a link has one phrase.`;
        this.tray(line, words, reason);
      }
    }
  }

  private graph(): void {
    const head: Token[] = [];
    while (this.at < this.tokens.length && !this.is('{')) head.push(this.tokens[this.at++]!);
    const keyword = head.findIndex(({ text, bare }) => bare && /^(?:di)?graph$/i.test(text));
    const name = keyword >= 0 ? head[keyword + 1]?.text : undefined;
    if (name) this.maker.graph ||= name.slice(0, 120);
    // What stands between graphs, or after the last.
    const stray = keyword < 0 ? head : head.slice(0, keyword).filter(({ text }) => !/^strict$/i.test(text));
    if (name && this.maker.graph !== name.slice(0, 120)) stray.push(head[keyword + 1]!);
    const words = stray.filter(({ kind }) => kind === 'word').map(({ text }) => text);
    if (words.length > 0)
      this.tray(stray[0]!.line, words.join(' '), `Line ${stray[0]!.line}: this text stands outside of the graph.`);
    this.at++;
    this.statements({ node: {}, edge: {}, groups: [] });
  }

  private tray(line: number, words: string, reason: string): void {
    this.maker.notPlaced.push({ line, text: words, reason });
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
  private statements(outer: Scope, depth = 0): string[] {
    const named: string[] = [];
    const own_: Record<string, string> = {};
    let scope = outer;
    const { line = 1 } = this.tokens[this.at] ?? {};
    while (this.at < this.tokens.length) {
      if (this.take('}')) break;
      if (this.take(';') || this.take(',')) continue;
      const token = this.tokens[this.at]!;
      const word = token.kind === 'word' && token.bare ? token.text.toLowerCase() : '';
      if ((word === 'graph' || word === 'node' || word === 'edge') && this.tokens[this.at + 1]?.text === '[') {
        this.at++;
        const attributes = this.attributes();
        if (word === 'graph') this.ofGroup(own_, attributes, token.line);
        else scope = { ...scope, [word]: { ...scope[word], ...attributes } };
        continue;
      }
      const next = this.tokens[this.at + 1];
      if (token.kind === 'word' && next?.text === '=' && next.kind === 'sign') {
        this.ofGroup(own_, { [token.text.toLowerCase()]: this.tokens[this.at + 2]?.text ?? '' }, token.line);
        this.at += 3;
        continue;
      }
      const before = this.at;
      named.push(...this.chain(scope, depth));
      if (this.at === before) {
        this.problem(token.line, `“${token.text}” has no meaning here`);
        if (token.kind === 'word')
          this.tray(token.line, token.text, `Line ${token.line}: this has no meaning where it stands.`);
        this.at++;
      }
    }
    this.tellGroup(wordsOf(own_), named, depth, line);
    return named;
  }

  /** Words of a graph or group; those that are told twice stay in the tray. */
  private ofGroup(known: Record<string, string>, more: Attributes, line: number): void {
    for (const [name, words] of Object.entries(more)) {
      const before = own(known, name);
      if (before !== undefined && before !== words && [...labels, ...remarks].includes(name))
        this.tray(line, before, `Line ${line}: the ${name} of the graph is told again.`);
      known[name] = words;
    }
  }

  /** The label of the whole is its question; that of a group stands with all that it holds. */
  private tellGroup(
    { label, more }: ReturnType<typeof wordsOf>,
    named: readonly string[],
    depth: number,
    line: number,
  ): void {
    const left = [...more];
    if (label && depth === 0 && this.maker.question === '' && label.length <= 300) this.maker.question = label;
    else if (label && depth > 0 && named.length > 0)
      for (const id of new Set(named)) {
        const node = this.nodes.get(id)!;
        if (!node.groups.includes(label)) this.nodes.set(id, { ...node, groups: [...node.groups, label] });
      }
    else if (label) left.unshift(label);
    for (const words of left) this.tray(line, words, `Line ${line}: this is said of a graph or group as a whole.`);
  }

  /** `a -> b -> {c d} [label = "…"]`. */
  private chain(scope: Scope, depth: number): string[] {
    const ends: string[][] = [];
    const named: string[] = [];
    const { line } = this.tokens[this.at]!;
    for (;;) {
      const end = this.end(scope, depth);
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
        const all = { ...known.attributes, ...attributes };
        for (const [name, words] of Object.entries(attributes)) {
          const before = own(known.attributes, name);
          if (before && before !== words && own(scope.node, name) !== before && [...labels, ...remarks].includes(name))
            this.tray(line, before, `Line ${line}: the ${name} of ${node!} is told again.`);
        }
        this.nodes.set(node!, { ...known, attributes: all, label: wordsOf(all).label ?? known.label });
      }
    }
    const told = { ...scope.edge, ...attributes };
    for (let i = 1; i < ends.length; i++) {
      // Groups of nodes are linked each with each.
      if (this.edges.length + ends[i - 1]!.length * ends[i]!.length > limits.entries) {
        this.problem(line, `more than ${limits.entries.toLocaleString('en')} edges are told`);
        continue;
      }
      for (const from of ends[i - 1]!) for (const to of ends[i]!) this.edges.push({ from, to, attributes: told, line });
    }
    return named;
  }

  /** A node or a group of nodes. */
  private end(scope: Scope, depth: number): string[] | null {
    const token = this.tokens[this.at];
    if (!token) return null;
    if (token.kind === 'word' && token.bare && token.text.toLowerCase() === 'subgraph') {
      this.at++;
      if (this.tokens[this.at]?.kind === 'word') this.at++;
    }
    if (depth < 200 && this.take('{')) return this.statements(scope, depth + 1);
    const node = this.tokens[this.at];
    if (node?.kind !== 'word') return null;
    this.at++;
    // A port says where at its node an edge ends.
    while (this.take(':')) this.at++;
    if (!this.nodes.has(node.text))
      this.nodes.set(node.text, {
        label: wordsOf(scope.node).label ?? node.text,
        line: node.line,
        attributes: scope.node,
        groups: [],
      });
    return [node.text];
  }

  private attributes(): Attributes {
    const found: Record<string, string> = {};
    while (this.take('[')) {
      while (this.at < this.tokens.length && !this.take(']')) {
        const name = this.tokens[this.at++]!;
        if (name.kind !== 'word') continue;
        if (this.take('=')) {
          const value = this.tokens[this.at++]?.text ?? '';
          const key = name.text.toLowerCase();
          const before = own(found, key);
          if (before && before !== value && [...labels, ...remarks].includes(key))
            this.tray(name.line, before, `Line ${name.line}: the ${key} is told again.`);
          found[key] = value;
        } else this.tray(name.line, name.text, `Line ${name.line}: this has no meaning where it stands.`);
      }
    }
    return found;
  }
}
