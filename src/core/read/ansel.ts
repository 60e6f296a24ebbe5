/** Letters and signs of ANSEL (ANSI/NISO Z39.47, as GEDCOM 5.5.1 appendix C has it), from 0xA1 on; blanks stand where it has none. */
const letters = 'ŁØĐÞÆŒʹ·♭®±ƠƯʼ ʻłøđþæœʺı£ð ơư□■°ℓ℗©♯¿¡ß€    eoß';
/** Marks that stand before their letter, from 0xE0 on. */
const marks = [
  0x309, 0x300, 0x301, 0x302, 0x303, 0x304, 0x306, 0x307, 0x308, 0x30c, 0x30a, 0xfe20, 0xfe21, 0x315, 0x30b, 0x310,
  0x327, 0x328, 0x323, 0x324, 0x325, 0x333, 0x332, 0x326, 0x31c, 0x32e, 0xfe22, 0xfe23, 0, 0, 0x313, 0,
];

/** Whether a GEDCOM file says in its head that it is in ANSEL. */
export function saysAnsel(bytes: Uint8Array): boolean {
  const head = String.fromCharCode(...bytes.subarray(0, 4096));
  return /^0\s+HEAD\b/.test(head) && /(?:^|[\r\n])[ \t]*1[ \t]+CHAR[ \t]+ANSEL\b/i.test(head);
}

/** Bytes in ANSEL to text in composed letters (NFC); what ANSEL does not have becomes U+FFFD. O(bytes). */
export function decodeAnsel(bytes: Uint8Array): string {
  const out: string[] = [];
  let waiting: number[] = [];
  const flush = () => {
    for (const mark of waiting) out.push(String.fromCodePoint(mark));
    waiting = [];
  };
  for (const byte of bytes) {
    const mark = byte >= 0xe0 ? marks[byte - 0xe0]! : 0;
    if (mark > 0) {
      waiting.push(mark);
      continue;
    }
    const letter = byte < 0x80 ? String.fromCharCode(byte) : letters.charAt(byte - 0xa1).trim() || '\ufffd';
    // A mark before the end of a line has no letter to stand on.
    if (letter === '\n' || letter === '\r') flush();
    out.push(letter);
    flush();
  }
  flush();
  return out.join('').normalize('NFC');
}
