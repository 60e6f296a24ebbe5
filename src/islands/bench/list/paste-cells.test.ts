import { describe, expect, it } from 'vitest';
import { rowsOf } from './paste-cells';

describe('cells as they are copied from a table', () => {
  it('stand between tabs and line ends of any sort; empty ones stay', () =>
    expect(rowsOf('Ada\t Cook \r\n\tLead\n\n')).toEqual([['Ada', 'Cook'], ['', 'Lead'], ['']]));
  it('in quotes hold line ends, tabs and doubled quotes as one cell', () =>
    expect(rowsOf('"Ada\nQuill"\t"says ""hello"""\n"a\tb"\tc')).toEqual([
      ['Ada Quill', 'says "hello"'],
      ['a\tb', 'c'],
    ]));
  it('keep quotes that do not go around the whole cell', () =>
    expect(rowsOf('"Ada" Quill\t5" pipe\n"open')).toEqual([['"Ada" Quill', '5" pipe'], ['"open']]));
});
