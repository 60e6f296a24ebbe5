/** Lines of a text that is made from another, each where it stood in the source, as far as no other stands there. */
export class PlacedLines {
  private readonly lines: string[] = [];
  private count = 0;

  /** `at`: line of the source, from 1; 0 where it is not known. A text of several lines takes as many. The line where it stands now. O(characters). */
  add(text: string, at: number): number {
    for (; this.count < at - 1; this.count++) this.lines.push('');
    this.lines.push(text);
    const placed = this.count + 1;
    this.count += 1 + (text.match(/\n/g)?.length ?? 0);
    return placed;
  }

  text(): string {
    return this.lines.join('\n');
  }
}

/** A cell of a table whose cells are parted by tabs. */
export const tabCell = (text: string): string => (/["\n\t]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text);
