import { describe, expect, it } from 'vitest';
import { readInAllKinds, tokensOf } from '../diagram';

const table = ['Staff of the theatre', '', 'Name;Reports to', 'Ada Quill;', 'Bo Lin;Ada Quill', 'Total;2'].join('\n');

describe('a list told as lines and cells', () => {
  it('once, whatever kind reads it and however often', () => {
    const tokens = tokensOf(table);
    expect(tokensOf(table)).toBe(tokens);
    expect(tokens.table).toBe(tokens.table);
    readInAllKinds(table);
    expect(tokensOf(table)).toBe(tokens);
  });
  it('its heading is found below a title, and what stands around it is told apart', () => {
    const { delimiter, rows, aside } = tokensOf(table).table!;
    expect(delimiter).toBe(';');
    expect(rows[0]).toMatchObject({ line: 3, cells: ['Name', 'Reports to'] });
    expect(aside.map(({ row }) => row.line)).toEqual([1, 6]);
  });
  it('indents, signs and empty lines are told of every text', () => {
    const tokens = tokensOf('Shore\n\n  - rocky\n  - sandy\n');
    expect(tokens.outline.lines.map(({ indent, sign, text }) => [indent, sign, text])).toEqual([
      [0, null, 'Shore'],
      [2, 'bullet', 'rocky'],
      [2, 'bullet', 'sandy'],
    ]);
    expect(tokens.emptyLines(3)).toBe(1);
    expect(tokens.table).toBeNull();
  });
  it('nothing at all, and too much, are refused in words', () => {
    expect(tokensOf('  \n').refusal).toMatchObject({ code: 'empty', severity: 'error' });
    expect(tokensOf('x'.repeat(21 * 1024 * 1024)).refusal).toMatchObject({ code: 'too-large' });
  });
});
