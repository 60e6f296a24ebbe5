import { SaxesParser, type SaxesTagPlain } from 'saxes';

/** What is told of an element: its name without the prefix of its namespace, and its attributes likewise. */
export interface Element {
  readonly name: string;
  readonly told: Readonly<Record<string, string>>;
  /** Line on which its tag ends, from 1. */
  readonly line: number;
}
export interface Handlers {
  open?(element: Element): void;
  /** Text where it stands, in as many pieces as there are. */
  text?(text: string): void;
  /** `text`: the element's own, whole. */
  close?(name: string, text: string): void;
  /** What is not well formed, and on which line. */
  fault?(line: number, message: string): void;
}

const local = (name: string): string => name.slice(name.indexOf(':') + 1);

/** Goes through XML (XML 1.0) once. Entities beyond those of XML itself are unknown to it, so that none is ever expanded. What is not well formed is passed over. O(characters). */
export function readXml(source: string, { open, text: passed, close, fault }: Handlers): void {
  const parser = new SaxesParser({ xmlns: false, position: true });
  const texts: string[] = [];
  parser.on('error', ({ message }) => fault?.(parser.line, message.replace(/^\d+:\d+:\s*/, '')));
  parser.on('opentag', (tag: SaxesTagPlain) => {
    texts.push('');
    const told: Record<string, string> = Object.create(null) as Record<string, string>;
    for (const [key, value] of Object.entries(tag.attributes)) told[local(key)] = value;
    open?.({ name: local(tag.name), told, line: parser.line });
  });
  parser.on('text', (text) => {
    if (texts.length > 0) texts[texts.length - 1] += text;
    passed?.(text);
  });
  parser.on('closetag', (tag: SaxesTagPlain) => close?.(local(tag.name), texts.pop() ?? ''));
  parser.write(source).close();
}
