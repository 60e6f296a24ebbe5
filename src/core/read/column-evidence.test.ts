import { describe, expect, it } from 'vitest';
import { ColumnEvidence } from './column-evidence';
import type { Column } from './result';

const told = (rows: readonly string[], uses: readonly string[]) =>
  new ColumnEvidence(rows.map((row, i) => ({ line: i + 1, cells: row.split(',') }))).of(
    uses.map((use, index): Column => ({ index, header: `C${index + 1}`, use })),
  );

describe('what speaks for a column', () => {
  it('is counted: filled and different, found in another, or of one sort', () => {
    const rows = ['7,Ana Rook,Boats,,1980-05-03', '8,Ben Heron,Boats,7,1981-05-04', '9,Cy Teal,Paths,8,'];
    expect(told(rows, ['id', 'name', 'detail', 'parent', 'field'])).toEqual([
      'all 3 filled, no two alike',
      'all 3 filled, no two alike',
      'all 3 filled',
      '2 of 2 stand in “C1”',
      '2 of 2 are dates',
    ]);
  });
  it('says rows where numbers name no cell, and does not say of a detail that it names anybody', () => {
    expect(told(['Ana,', 'Ben,1', 'Cy,1', 'Di,2'], ['name', 'parent'])[1]).toBe('3 of 4 filled, all numbers of rows');
    expect(told(['B1,Post 2', 'B2,Post 1', 'B3,Post 2', 'B4,Post 1'], ['id', 'detail'])[1]).toBe(
      'all 4 filled, 2 different',
    );
  });
  it('finds names within a cell of several', () => {
    expect(told(['Ana,', 'Ben,Ana', 'Cy,Ana; Ben'], ['name', 'parent'])[1]).toBe('2 of 2 stand in “C1”');
  });
});
