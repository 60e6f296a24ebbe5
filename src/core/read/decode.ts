import { decodeAnsel, saysAnsel } from './ansel';
import { limits, type Finding } from '../model';
import { readFinding, type ReadCode } from './codes';
import { fullest, isContainer, sheetsOf } from './office';

export interface Decoded {
  /** Null where the bytes are no text. */
  readonly text: string | null;
  readonly findings: readonly Finding[];
  /** The parts of a file that has several, such as the sheets of a spreadsheet, each with its own text; empty for one text. */
  readonly parts?: readonly { readonly name: string; readonly text: string; readonly findings: readonly Finding[] }[];
  /** Index of the part whose text and findings these are. */
  readonly part?: number;
}

const signatures: [number[], string][] = [
  [[0x25, 0x50, 0x44, 0x46], 'a PDF'],
  [[0xd0, 0xcf, 0x11, 0xe0], 'an older office file'],
  [[0x89, 0x50, 0x4e, 0x47], 'a picture'],
  [[0xff, 0xd8, 0xff], 'a picture'],
];

/** What is said of a file of so many bytes, which is too large to be a list. */
export const tooLargeFile = (bytes: number): Finding =>
  readFinding(
    'too-large',
    'error',
    `The file has ${Math.round(bytes / 1e6)} MB; a list may have 20 MB at most. Leave out columns you do not need, or split it.`,
  );

/** Bytes of a list file to text: UTF-8, UTF-16, ANSEL where a GEDCOM file says so, else the one-byte encoding whose letters the words are made of, and says which had to be guessed. */
export function decodeList(bytes: Uint8Array): Decoded {
  const refuse = (code: ReadCode, message: string): Decoded => ({
    text: null,
    findings: [readFinding(code, 'error', message)],
  });
  if (bytes.length > limits.listBytes) {
    return { text: null, findings: [tooLargeFile(bytes.length)] };
  }
  if (isContainer(bytes)) return sheetIn(bytes);
  const known = signatures.find(([signature]) => signature.every((byte, i) => bytes[i] === byte));
  if (known)
    return refuse(
      'not-text',
      `This is ${known[1]}, not a text list. Open it, copy the lines or cells and paste them here, or save it as CSV.`,
    );
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return { text: new TextDecoder('utf-16le').decode(bytes), findings: [] };
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return { text: new TextDecoder('utf-16be').decode(bytes), findings: [] };
  const utf16 = utf16ByContent(bytes);
  if (utf16) return { text: new TextDecoder(utf16).decode(bytes), findings: [] };
  if (looksBinary(bytes))
    return refuse(
      'not-text',
      'This file is not a text list. Paste the lines here, or save the list as CSV or plain text.',
    );
  if (saysAnsel(bytes)) return { text: decodeAnsel(bytes), findings: [] };
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), findings: [] };
  } catch (error) {
    if (!(error instanceof TypeError)) throw error;
    return guessed(bytes);
  }
}

/** A spreadsheet: its fullest sheet, and the others to choose from. */
function sheetIn(bytes: Uint8Array): Decoded {
  const read = sheetsOf(bytes);
  if ('refusal' in read) return { text: null, findings: [read.refusal] };
  const part = fullest(read.sheets);
  const parts = read.sheets.map(({ name, text, findings }) => ({ name, text, findings }));
  return { text: parts[part]!.text, findings: parts[part]!.findings, ...(parts.length > 1 ? { parts, part } : {}) };
}

/** Text in two bytes a character has a zero in nearly every second byte wherever it is mostly Latin letters, digits, blanks and line ends. */
function utf16ByContent(bytes: Uint8Array): 'utf-16le' | 'utf-16be' | null {
  const sample = bytes.subarray(0, 4096 & ~1);
  if (sample.length < 8 || bytes.length % 2 !== 0) return null;
  const zeros = [0, 0];
  const signs = [0, 0];
  sample.forEach((byte, i) => {
    if (byte === 0) zeros[i % 2]!++;
    else if (byte < 0x20 && ![9, 10, 13].includes(byte) && sample[i ^ 1] === 0) signs[i % 2]!++;
  });
  const half = sample.length / 2;
  const [even, odd] = [zeros[0]! / half, zeros[1]! / half];
  if (signs[0]! + signs[1]! > half * 0.02) return null;
  if (odd > 0.7 && even < 0.1) return 'utf-16le';
  return even > 0.7 && odd < 0.1 ? 'utf-16be' : null;
}

function looksBinary(bytes: Uint8Array): boolean {
  const sample = bytes.subarray(0, 65536);
  let odd = 0;
  for (const byte of sample) {
    if (byte === 0) return true;
    if (byte < 0x20 && byte !== 0x09 && byte !== 0x0a && byte !== 0x0d && byte !== 0x0c && byte !== 0x1b) odd++;
  }
  return odd > sample.length / 20;
}

/** Single-byte encodings, in the order in which they are taken where they explain a text equally well, with the letters that languages written in them have. */
const singleByte = [
  ['windows-1252', 'Western European (Windows-1252)', 'àâäáãåæçéèêëíìîïñóòôöõøœßúùûüÿð'],
  ['windows-1250', 'Central European (Windows-1250)', 'ąćęłńóśźżáčďéěíňřšťúůýžäöüßőűăâîşţđľĺŕô'],
  ['iso-8859-2', 'Central European (ISO 8859-2)', 'ąćęłńóśźżáčďéěíňřšťúůýžäöüßőűăâîşţđľĺŕô'],
] as const;

/** How many of the signs beyond ASCII that stand in words are letters of the languages an encoding is for, less those that are not. */
function lettersExplained(text: string, letters: string): number {
  let sum = 0;
  for (const word of text.slice(0, 200_000).split(/[\s\u0021-\u0040]+/))
    for (const sign of word.toLowerCase()) if (sign > '\u007f') sum += letters.includes(sign) ? 1 : -1;
  return sum;
}

function guessed(bytes: Uint8Array): Decoded {
  const read = singleByte.map(([label, words, letters]) => {
    const text = new TextDecoder(label).decode(bytes);
    return { text, words, explained: lettersExplained(text, letters) };
  });
  const { text, words } = read.reduce((best, one) => (one.explained > best.explained ? one : best));
  const lines = text.split(/\r\n|\r|\n/);
  const at = lines.findIndex((line) => /[^\u0020-\u007e\t]/.test(line));
  const example = lines[at]?.trim().slice(0, 60) ?? '';
  const message = `The file does not say its encoding and is not UTF-8; it was read as ${words}. Check line ${at + 1}: “${example}”. If letters look wrong, save the file as UTF-8.`;
  return { text, findings: [readFinding('encoding-guessed', 'warning', message, { line: at + 1 })] };
}
