import { parseTree, printParseErrorCode, type Node, type ParseError } from 'jsonc-parser';

/** A value of a JSON text (RFC 8259) with the line where it begins. */
export type JsonValue =
  | { readonly is: 'word'; readonly line: number; readonly word: string }
  | { readonly is: 'array'; readonly line: number; readonly items: readonly JsonValue[] }
  | {
      readonly is: 'object';
      readonly line: number;
      readonly own: readonly (readonly [key: string, value: JsonValue])[];
    };
export type JsonObject = Extract<JsonValue, { is: 'object' }>;

/** Nested deeper than this nothing is told apart any more. */
const deepest = 500;

/** Lines by offset, asked for in rising order mostly. */
class LineOf {
  private readonly starts: number[] = [0];
  constructor(text: string) {
    for (let at = text.indexOf('\n'); at >= 0; at = text.indexOf('\n', at + 1)) this.starts.push(at + 1);
  }
  of(offset: number): number {
    let [low, high] = [0, this.starts.length];
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if (this.starts[middle]! <= offset) low = middle;
      else high = middle;
    }
    return low + 1;
  }
}

/** Whether brackets are nested deeper than is read. O(characters). */
function isTooDeep(text: string): boolean {
  let depth = 0;
  let inWord = false;
  for (let i = 0; i < text.length; i++) {
    const sign = text[i];
    if (inWord) {
      if (sign === '\\') i++;
      else if (sign === '"') inWord = false;
    } else if (sign === '"') inWord = true;
    else if (sign === '[' || sign === '{') {
      if (++depth > deepest) return true;
    } else if (sign === ']' || sign === '}') depth--;
  }
  return false;
}

/** The value of a JSON text, and what is wrong with it, with its line; null where there is none. What is well formed before and after a fault is read. O(characters). */
export function jsonValue(text: string): { value: JsonValue | null; problems: { line: number; message: string }[] } {
  if (isTooDeep(text))
    return { value: null, problems: [{ line: 1, message: `The JSON is nested more than ${deepest} deep.` }] };
  const errors: ParseError[] = [];
  const root = parseTree(text, errors, { allowTrailingComma: true });
  const lines = new LineOf(text);
  const problems = errors.slice(0, 20).map(({ error, offset }) => ({
    line: lines.of(offset),
    message: `The JSON is not well formed here (${printParseErrorCode(error)
      .replaceAll(/(?<=[a-z])(?=[A-Z])/g, ' ')
      .toLowerCase()}).`,
  }));
  return { value: root ? valueOf(root, lines) : null, problems };
}

function valueOf(node: Node, lines: LineOf): JsonValue {
  const line = lines.of(node.offset);
  if (node.type === 'array')
    return { is: 'array', line, items: (node.children ?? []).map((each) => valueOf(each, lines)) };
  if (node.type === 'object') {
    const own = (node.children ?? []).flatMap(({ children }): (readonly [string, JsonValue])[] => {
      const [key, value] = children ?? [];
      return key ? [[String(key.value), value ? valueOf(value, lines) : { is: 'word', line, word: '' }]] : [];
    });
    return { is: 'object', line, own };
  }
  const word = node.value === null || node.value === undefined ? '' : String(node.value);
  return { is: 'word', line, word };
}
