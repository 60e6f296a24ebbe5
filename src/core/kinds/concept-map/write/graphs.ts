import { example, type ConceptMap } from '../model';
import { ideasInList, linksInList } from './order';

const xml = (text: string): string =>
  text
    .replace(/[&<>"]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign]!)
    // Signs that XML cannot hold.
    // eslint-disable-next-line no-control-regex
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '\ufffd');

/** GraphML with names, details and phrases under keys of their own. Read back by `readGraphml`. */
export function mapGraphml(diagram: ConceptMap): string {
  const ideas = ideasInList(diagram);
  const number = new Map(ideas.map(({ id }, i) => [id, `n${i + 1}`]));
  const most = ideas.reduce((n, { details }) => Math.max(n, details.length), 0);
  const { question } = diagram.map.manner;
  const data = (key: string, text: string) => (text === '' ? '' : `<data key="${key}">${xml(text)}</data>`);
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    '<graphml xmlns="http://graphml.graphdrawing.org/xmlns">',
    '<key id="name" for="node" attr.name="name" attr.type="string"/>',
    '<key id="kind" for="node" attr.name="kind" attr.type="string"/>',
    ...Array.from(
      { length: most },
      (_, i) => `<key id="detail${i + 1}" for="node" attr.name="detail ${i + 1}" attr.type="string"/>`,
    ),
    '<key id="phrase" for="edge" attr.name="phrase" attr.type="string"/>',
    '<key id="question" for="graph" attr.name="question" attr.type="string"/>',
    '<graph edgedefault="directed">',
    data('question', question),
    ...ideas.map(
      ({ id, name, details, role }) =>
        `<node id="${number.get(id)!}">${data('name', name)}${data('kind', role === example ? example : '')}${details
          .map((detail, i) => data(`detail${i + 1}`, detail))
          .join('')}</node>`,
    ),
    ...linksInList(diagram).map(
      ({ from, to, phrase }) =>
        `<edge source="${number.get(from)!}" target="${number.get(to)!}">${data('phrase', phrase)}</edge>`,
    ),
    '</graph>',
    '</graphml>',
    '',
  ]
    .filter((line) => line !== '')
    .join('\n')
    .concat('\n');
}

const dotText = (text: string): string => `"${text.replace(/[\\"]/g, (sign) => `\\${sign}`).replace(/[\r\n]+/g, ' ')}"`;

/** The DOT language with labels. Read back by `readDot`. */
export function mapDot(diagram: ConceptMap): string {
  const ideas = ideasInList(diagram);
  const number = new Map(ideas.map(({ id }, i) => [id, `n${i + 1}`]));
  const { question } = diagram.map.manner;
  return [
    'digraph map {',
    ...(question === '' ? [] : [`  graph [label=${dotText(question)}]`]),
    ...ideas.map(({ id, name, details, role }) => {
      const more = [
        ...(details.length > 0 ? [`comment=${dotText(details.join(', '))}`] : []),
        ...(role === example ? ['class="example"'] : []),
      ];
      return `  ${number.get(id)!} [${[`label=${dotText(name)}`, ...more].join(', ')}]`;
    }),
    ...linksInList(diagram).map(({ from, to, phrase }) => {
      const label = phrase === '' ? '' : ` [label=${dotText(phrase)}]`;
      return `  ${number.get(from)!} -> ${number.get(to)!}${label}`;
    }),
    '}',
    '',
  ].join('\n');
}
