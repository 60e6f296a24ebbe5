/** The text of bytes written in base64 (RFC 4648), where they are UTF-8; null where they are not, or no base64. */
export function textOfBase64(written: string): string | null {
  try {
    const bytes = Uint8Array.from(atob(written.replaceAll(/\s/g, '')), (sign) => sign.charCodeAt(0));
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return null;
  }
}

/** Lines that begin with a blank go on with the line before (RFC 2849, RFC 6350), each with the number of its first. */
export function unfolded(source: string): { readonly line: number; readonly text: string }[] {
  const out: { line: number; parts: string[] }[] = [];
  source.split(/\r\n|\r|\n/).forEach((text, i) => {
    const before = out.at(-1);
    if (before && before.parts[0] !== '' && /^[ \t]/.test(text)) before.parts.push(text.slice(1));
    else out.push({ line: i + 1, parts: [text] });
  });
  return out.map(({ line, parts }) => ({ line, text: parts.join('') }));
}
