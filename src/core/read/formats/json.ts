import { jsonValue, type JsonObject, type JsonValue } from './json-tree';
import { listOf, tell, type FormatText, type Item, type ListText } from './records';

/** Whether a text is JSON: it begins and ends as a list or an object does, and has the quotes of one. */
export function isJson(text: string): boolean {
  const trimmed = text.trim();
  const [first, last] = [trimmed[0], trimmed.at(-1)];
  return (
    ((first === '[' && last === ']') || (first === '{' && last === '}')) &&
    /^[[{]\s*(?:["[{\]}]|-?\d)/.test(trimmed.slice(0, 5000))
  );
}

const isObject = (value: JsonValue): value is JsonObject => value.is === 'object';
const objectsIn = (value: JsonValue): readonly JsonObject[] =>
  value.is === 'array' ? value.items.filter(isObject) : [];
const isList = (value: JsonValue): boolean =>
  value.is === 'array' && objectsIn(value).length > 0 && objectsIn(value).length >= value.items.length / 2;
const hasWords = ({ own }: JsonObject): boolean => own.some(([, value]) => value.is === 'word');

/** How many keys of the smaller of two objects the other has too, as a share. */
function likeness(a: JsonObject, b: JsonObject): number {
  const keys = new Set(a.own.map(([key]) => key));
  const shared = b.own.filter(([key]) => keys.has(key)).length;
  return shared / Math.max(1, Math.min(a.own.length, b.own.length));
}

/** Objects that hold the same keys mostly: entries of one list. */
function areAlike(objects: readonly JsonObject[]): boolean {
  const first = objects[0];
  if (!first || objects.length < 2) return false;
  const alike = objects.filter((each) => hasWords(each) && likeness(first, each) >= 0.6);
  return alike.length >= objects.length * 0.8;
}

/** The keys of an object that hold what stands below it: lists of objects like itself. */
const branchesOf = (object: JsonObject): string[] =>
  object.own
    .filter(
      ([, value]) =>
        isList(value) && hasWords(object) && objectsIn(value).some((each) => likeness(object, each) >= 0.5),
    )
    .map(([key]) => key);

/** Keys of which any object of a list, however deep, says that they hold what stands below it. */
function branchKeys(objects: readonly JsonObject[]): Set<string> {
  const keys = new Set<string>();
  const stack = [...objects];
  for (let object = stack.pop(); object; object = stack.pop()) {
    for (const key of branchesOf(object)) keys.add(key);
    for (const [, value] of object.own) stack.push(...(isObject(value) ? [value] : objectsIn(value)));
  }
  return keys;
}

/** The last part of a key that names a schema before it: "urn:x:2.0:User" is "User". */
const keyWords = (key: string): string => (/^urn:/i.test(key) ? key.slice(key.lastIndexOf(':') + 1) : key);

/** What an object says, by key; keys of objects within it by both keys. */
function tellAll(cells: Map<string, string>, value: JsonValue, heading: string): void {
  if (value.is === 'word') tell(cells, heading, value.word);
  else if (value.is === 'array') for (const each of value.items) tellAll(cells, each, heading);
  else
    for (const [key, each] of value.own)
      tellAll(cells, each, heading === '' ? keyWords(key) : `${heading} ${keyWords(key)}`);
}

/** An object as an item; what stands under one of `below` stands below it. */
function itemOf(object: JsonObject, below: ReadonlySet<string>): Item {
  const cells = new Map<string, string>();
  const items: Item[] = [];
  for (const [key, value] of object.own) {
    if (!below.has(key)) tellAll(cells, value, keyWords(key));
    else if (isObject(value)) items.push(itemOf(value, below));
    else if (value.is === 'array')
      for (const each of value.items)
        if (isObject(each)) items.push(itemOf(each, below));
        else items.push({ line: each.line, cells: new Map([[firstKey(object), wordsOf(each)]]), below: [] });
    else tell(cells, keyWords(key), value.word);
  }
  return { line: object.line, cells, below: items };
}
const firstKey = ({ own }: JsonObject): string => keyWords(own.find(([, value]) => value.is === 'word')?.[0] ?? 'Name');

function wordsOf(value: JsonValue): string {
  const cells = new Map<string, string>();
  tellAll(cells, value, '');
  return [...cells.values()].join('; ');
}

/** Keys as the names of a tree: an object's keys stand below the key that holds it. */
function keyedItems(value: JsonValue): Item[] {
  if (value.is === 'word') return value.word === '' ? [] : [lineItem(value.line, value.word, [])];
  if (value.is === 'array')
    return value.items.flatMap((each) =>
      isObject(each) && hasWords(each) && each.own.length > 1 ? [itemOf(each, new Set())] : keyedItems(each),
    );
  return value.own.map(([key, each]) =>
    each.is === 'word'
      ? lineItem(each.line, each.word === '' ? key : `${key}: ${each.word}`, [])
      : lineItem(each.line, key, keyedItems(each)),
  );
}
const lineItem = (line: number, words: string, below: Item[]): Item => ({ line, cells: new Map([['', words]]), below });

/** The list of objects that says most, with the keys that lead to it. */
function mainList(
  value: JsonValue,
): { readonly list: readonly JsonObject[]; readonly others: readonly [string, JsonValue][] } | null {
  if (value.is === 'array') return isList(value) ? { list: objectsIn(value), others: [] } : null;
  if (!isObject(value)) return null;
  const inner = value.own.flatMap(([key, each]) => {
    const found = each.is === 'array' || (isObject(each) && !hasWords(each)) ? mainList(each) : null;
    return found ? [{ key, found }] : [];
  });
  const best = inner.toSorted((a, b) => b.found.list.length - a.found.list.length)[0];
  if (!best) return null;
  const others = value.own.filter(([key]) => key !== best.key).map(([key, each]): [string, JsonValue] => [key, each]);
  return { list: best.found.list, others: [...others, ...best.found.others] };
}

/** Two lists of which one says how the things of the other are joined: the words of the first by what names them in the second. */
function joined(things: readonly JsonObject[], others: readonly [string, JsonValue][]): Item[] | null {
  for (const [, other] of others) {
    if (!isList(other)) continue;
    const pair = [things, objectsIn(other)] as const;
    for (const [nodes, edges] of [pair, [pair[1], pair[0]] as const]) {
      const found = edgesAmong(nodes, edges);
      if (found) return found;
    }
  }
  return null;
}

function edgesAmong(nodes: readonly JsonObject[], edges: readonly JsonObject[]): Item[] | null {
  const rows = nodes.map((each) => itemOf(each, new Set()).cells);
  const told = edges.map((each) => itemOf(each, new Set()));
  for (const key of rows[0]?.keys() ?? []) {
    const byKey = new Map(rows.map((cells) => [cells.get(key) ?? '', cells]));
    byKey.delete('');
    if (byKey.size < nodes.length * 0.9) continue;
    const ends = [...(told[0]?.cells.keys() ?? [])].filter(
      (heading) => told.filter(({ cells }) => byKey.has(cells.get(heading) ?? '')).length >= told.length * 0.9,
    );
    if (ends.length < 2) continue;
    const [from, to] = ends as [string, string];
    const name = (cells: Map<string, string>): string =>
      [...cells].find(([heading]) => heading !== key)?.[1] ?? cells.get(key) ?? '';
    const nameOf = (id: string | undefined): string => (byKey.has(id ?? '') ? name(byKey.get(id!)!) : (id ?? ''));
    const met = new Set(told.flatMap(({ cells }) => [cells.get(from), cells.get(to)]));
    const alone = [...byKey]
      .filter(([id]) => !met.has(id))
      .map(([, cells]): Item => ({ line: 0, cells: new Map([['From', name(cells)]]), below: [] }));
    const propositions = told.map(({ line, cells }): Item => {
      const phrase = [...cells].filter(([heading]) => heading !== from && heading !== to).map(([, words]) => words);
      return {
        line,
        cells: new Map([
          ['From', nameOf(cells.get(from))],
          ['Phrase', phrase.join(', ')],
          ['To', nameOf(cells.get(to))],
        ]),
        below: [],
      };
    });
    return [...propositions, ...alone];
  }
  return null;
}

/**
 * JSON (RFC 8259; lists of people after SCIM, RFC 7643) as a list: objects of one list as rows, whatever their keys; objects within lists of objects like
 * them as what stands below; objects of objects by their keys as an outline. Beside a list of things, one of what joins them makes propositions.
 */
export function jsonText(text: string): FormatText | null {
  const { value, problems } = jsonValue(text);
  if (!value) return problems.length > 0 ? { format: 'JSON', text: '', rows: null, above: [], problems } : null;
  return { format: 'JSON', ...listIn(value), problems };
}

function isObjectLine(line: string): boolean {
  const own = line.trim().replace(/,$/, '').trimEnd();
  return own.startsWith('{') && own.slice(1).trimStart().startsWith('"') && own.endsWith('}');
}

/** Lines of which each is a JSON object of its own. */
export function jsonLinesText(text: string): FormatText | null {
  const lines = text.split(/\r\n|\r|\n/);
  const filled = lines.filter((line) => line.trim() !== '');
  if (filled.length < 2 || !filled.every(isObjectLine)) return null;
  const read = lines.map((line) => (line.trim() === '' ? null : jsonValue(line.trim().replace(/,$/, ''))));
  const items = read.flatMap((one, i) =>
    one?.value && isObject(one.value) ? [{ ...itemOf(one.value, new Set()), line: i + 1 }] : [],
  );
  const problems = read.flatMap((one, i) => (one?.problems ?? []).map(({ message }) => ({ line: i + 1, message })));
  return { format: 'JSON', ...listOf(items), problems };
}

function listIn(value: JsonValue): ListText {
  if (value.is === 'word') return { text: value.word, rows: null, above: [] };
  if (isObject(value)) {
    if (branchKeys([value]).size > 0 && branchesOf(value).length > 0)
      return listOf([itemOf(value, branchKeys([value]))]);
    const inside = value.own.map(([, each]) => each).filter(isObject);
    if (inside.length === value.own.length && areAlike(inside))
      return listOf(value.own.map(([key, each]) => withKey(key, itemOf(each as JsonObject, branchKeys(inside)))));
  }
  const main = mainList(value);
  if (!main) return listOf(keyedItems(value));
  const edges = joined(main.list, main.others);
  if (edges) return listOf(edges, aboveOf(main.others.filter(([, each]) => !isList(each))));
  const below = branchKeys(main.list);
  const words =
    value.is === 'array'
      ? value.items
          .filter((each) => !isObject(each))
          .map(wordsOf)
          .filter(Boolean)
      : [];
  return listOf(
    main.list.map((each) => itemOf(each, below)),
    [...aboveOf(main.others), ...words],
  );
}

const withKey = (key: string, item: Item): Item => ({ ...item, cells: new Map([['Key', key], ...item.cells]) });

/** What stands beside the list, a line each, a title before the others. */
function aboveOf(others: readonly (readonly [string, JsonValue])[]): string[] {
  const told = others.flatMap(([key, value]) => {
    const words = wordsOf(value);
    return words === ''
      ? []
      : [/^(?:title|name|label)$/i.test(key) ? { rank: 0, words } : { rank: 1, words: `${keyWords(key)}: ${words}` }];
  });
  return told.toSorted((a, b) => a.rank - b.rank).map(({ words }) => words);
}
