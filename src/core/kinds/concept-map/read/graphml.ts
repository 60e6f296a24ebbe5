import { SaxesParser } from 'saxes';
import { own } from '../../../model';
import { fieldsOf, type ListTokens, type ReadChoices } from '../../../read';
import { example } from '../model';
import { MapMaker, mapFinding, noMapRead, type MapReading } from './result';

export const isGraphml = (text: string): boolean => /<graphml[\s>]/.test(text.slice(0, 4000));

const detailKey = /^(details?|description|note)(\s*\d+)?$/i;

interface Node {
  readonly id: string;
  readonly line: number;
  name: string;
  readonly details: string[];
  readonly fields: [string, string][];
}
interface Edge {
  readonly from: string;
  readonly to: string;
  readonly line: number;
  phrase: string;
  /** Whether its phrase stood under a label or under other data. */
  said: 'label' | 'data' | null;
  /** What else is told of it. */
  readonly more: [string, string][];
}

/** Words under a key of GraphML, or in an element of their own. */
interface Told {
  readonly key: string;
  readonly words: string;
  readonly as: 'label' | 'data' | 'desc';
}

function tellNode(node: Node, { key, words, as }: Told): void {
  if (as === 'label' && node.name === '') node.name = words;
  else if (as === 'desc' || (as === 'data' && detailKey.test(key))) node.details.push(words);
  else node.fields.push([key, words]);
}

/** A label is the phrase, else what is told first; what an edge says beside that is kept apart. */
function tellEdge(edge: Edge, { key, words, as }: Told): void {
  const takesPlace = as === 'label' && edge.said !== 'label';
  if (takesPlace && edge.said === 'data') edge.more.push(['data', edge.phrase]);
  if (takesPlace || (as === 'data' && edge.said === null))
    [edge.phrase, edge.said] = [words, as === 'label' ? as : 'data'];
  else edge.more.push([key, words]);
}

/**
 * GraphML (U. Brandes and others, "GraphML Progress Report", 2002): nodes as ideas, edges as propositions. A name is the node's data under a key named
 * label, name or title, or the text within its label; else its id. Nested graphs are read flat. What is not well formed is told with its line. O(characters).
 */
export function readGraphml(tokens: ListTokens, choices: ReadChoices = {}): MapReading {
  const parser = new SaxesParser({ xmlns: false, position: true });
  const keys = new Map<string, string>();
  const nodes = new Map<string, Node>();
  const edges: Edge[] = [];
  const open: { name: string; node: Node | null; edge: Edge | null; key: string | null; text: string }[] = [];
  const problems: { line: number; message: string }[] = [];
  let title = '';
  /** Text that stands where nothing is told. */
  const strays: { line: number; text: string }[] = [];
  const tell = ({ node, edge }: { node: Node | null; edge: Edge | null }, told: Told): void => {
    if (node) tellNode(node, told);
    else if (edge) tellEdge(edge, told);
    else strays.push({ line: parser.line, text: told.words });
  };
  const local = (name: string) => name.slice(name.indexOf(':') + 1);
  const attribute = (tag: { attributes: Record<string, unknown> }, name: string): string => {
    const value = own(tag.attributes, name);
    return typeof value === 'string' ? value : '';
  };
  parser.on('error', (error) => {
    problems.push({ line: parser.line, message: error.message.replace(/^\d+:\d+:\s*/, '') });
  });
  parser.on('opentag', (tag) => {
    const name = local(tag.name);
    const above = open.at(-1);
    let { node, edge } = above ?? { node: null, edge: null };
    let key: string | null = above?.key ?? null;
    if (name === 'key')
      keys.set(attribute(tag, 'id'), (attribute(tag, 'attr.name') || attribute(tag, 'id')).toLowerCase());
    if (name === 'node') {
      const id = attribute(tag, 'id');
      node = nodes.get(id) ?? { id, line: parser.line, name: '', details: [], fields: [] };
      nodes.set(id, node);
      edge = null;
    }
    if (name === 'edge') {
      edge = {
        from: attribute(tag, 'source'),
        to: attribute(tag, 'target'),
        line: parser.line,
        phrase: '',
        said: null,
        more: [],
      };
      edges.push(edge);
      node = null;
    }
    if (name === 'data') key = attribute(tag, 'key');
    open.push({ name, node, edge, key, text: '' });
  });
  const text = (piece: string): void => {
    const top = open.at(-1);
    if (top) top.text += piece;
  };
  parser.on('text', text);
  parser.on('cdata', text);
  parser.on('closetag', () => {
    const top = open.pop();
    if (!top) return;
    const words = top.text.trim();
    const named = top.key === null ? '' : (keys.get(top.key) ?? top.key).toLowerCase();
    const isLabel = /^(label|name|title|text|phrase|relation|caption)$/.test(named);
    if (words === '' || top.name === 'default') return;
    if (/label$/i.test(top.name)) tell(top, { key: 'label', words, as: top.edge?.phrase ? 'data' : 'label' });
    else if (top.name === 'desc') tell(top, { key: 'desc', words, as: 'desc' });
    else if (top.name !== 'data') strays.push({ line: parser.line, text: words });
    else if (!top.node && !top.edge && (named === 'question' || isLabel) && title === '') title = words;
    else tell(top, { key: named || 'data', words, as: isLabel ? 'label' : 'data' });
  });
  parser.write(tokens.text).close();
  const maker = new MapMaker(choices);
  for (const { line, message } of problems.slice(0, 20))
    maker.findings.push(
      mapFinding(
        'bad-graph',
        'warning',
        `Line ${line}: the XML is not well formed (${message}). What could be read was kept.`,
        { line },
      ),
    );
  if (nodes.size === 0 && edges.length === 0) return { ...noMapRead, findings: maker.findings };
  const ideaOf = new Map<string, string | null>();
  const end = (id: string, line: number): string | null => {
    if (!ideaOf.has(id)) ideaOf.set(id, maker.add({ name: id, line }));
    return ideaOf.get(id)!;
  };
  for (const { id, line, name, details, fields } of nodes.values()) {
    const kind = fields.find(([key]) => key === 'kind')?.[1];
    const made = maker.add({
      ...{ name: name || id, line, details },
      role: kind === example ? example : null,
      fields: fieldsOf(fields.filter(([key, value]) => !(key === 'kind' && value === example))),
    });
    ideaOf.set(id, made);
  }
  for (const { from, to, phrase, line, more } of edges) {
    const [a, b] = [end(from, line), end(to, line)];
    maker.link(a, b, phrase, line);
    for (const [key, words] of more)
      maker.notPlaced.push({
        line,
        text: words,
        reason: `Line ${line}: “${key}” of the edge from ${from} to ${to}; a link has one phrase.`,
      });
  }
  for (const { line, text: words } of strays)
    maker.notPlaced.push({ line, text: words, reason: `Line ${line}: this text stands in no node and no edge.` });
  if (title !== '') maker.question = title.slice(0, 300);
  return maker.done('graphml');
}
