import { classOf } from './cell-shape';
import { withoutEnd } from '../model';
import { foldName, turned } from './names';

/** How cells may name what stands in another column, from the strictest: as it is, surname first, an address bare, a number without zeros and letters around it. */
export function formsOf(cell: string): string[] {
  const forms = [foldName(cell)];
  const add = (form: string) => {
    if (form !== '' && !forms.includes(form)) forms.push(form);
  };
  if (cell.includes(',')) add(foldName(turned(cell)));
  const mail = mailIn(cell);
  if (mail) add(mail);
  const sort = classOf(cell);
  if (sort === 'number' || sort === 'code') {
    const plain = withoutEnd(cell.trim().toLowerCase(), ').');
    const at = plain.search(/\d/);
    const figures = plain.slice(Math.max(0, at));
    if (at >= 0 && /^\d+$/.test(figures)) {
      const value = figures.replace(/^0+(?=\d)/, '');
      add(`${plain.slice(0, at).replace(/[^\p{L}]/gu, '')}${value}`);
      add(value);
    }
  }
  return forms;
}

/** The address of mail in a cell, as `mailto:` or behind a name in angle brackets too; null for none. */
export function mailIn(cell: string): string | null {
  if (!cell.includes('@') || cell.length > 300) return null;
  const open = cell.lastIndexOf('<');
  const close = cell.indexOf('>', open);
  const inside = open >= 0 && close > open ? cell.slice(open + 1, close) : cell.trim();
  const bare = inside.replace(/^mailto:/i, '').toLowerCase();
  return /^[^\s@]+@[^\s@]+$/.test(bare) ? bare : null;
}

/** Numbers for the forms of many cells, each cell looked at once, so that columns are held against each other by numbers. */
export class CellForms {
  private readonly numbers = new Map<string, number>();
  private readonly byCell = new Map<string, readonly number[]>();

  /** The numbers of a cell's forms, from the strictest; none of an empty cell. */
  of(cell: string): readonly number[] {
    let forms = this.byCell.get(cell);
    if (!forms) {
      forms = formsOf(cell).flatMap((form) => (form === '' ? [] : [this.numberOf(form)]));
      this.byCell.set(cell, forms);
    }
    return forms;
  }

  private numberOf(form: string): number {
    let number = this.numbers.get(form);
    if (number === undefined) this.numbers.set(form, (number = this.numbers.size));
    return number;
  }
}

/** The first row of a column by each form of its cells. */
export class RowByForm {
  private readonly rows: number[] = [];

  constructor(
    private readonly forms: CellForms,
    cells: readonly string[],
  ) {
    cells.forEach((cell, row) => {
      for (const form of forms.of(cell)) this.rows[form] ??= row;
    });
  }

  /** The row whose cell a cell names in the strictest form; undefined for none. */
  find(cell: string): number | undefined {
    for (const form of this.forms.of(cell)) {
      const row = this.rows[form];
      if (row !== undefined) return row;
    }
    return undefined;
  }
}
