import { strToU8, zipSync } from 'fflate';
import { axe, box, expect, kept, test } from './fixtures';

const cells = (rows: readonly (readonly string[])[]): Uint8Array =>
  strToU8(
    `<worksheet><sheetData>${rows.map((row, r) => `<row r="${r + 1}">${row.map((text, c) => (text === '' ? '' : `<c r="${'ABCD'[c]}${r + 1}" t="inlineStr"><is><t>${text}</t></is></c>`)).join('')}</row>`).join('')}</sheetData></worksheet>`,
  );
const workbook = (sheets: Readonly<Record<string, readonly (readonly string[])[]>>): Buffer => {
  const names = Object.keys(sheets);
  return Buffer.from(
    zipSync({
      'xl/workbook.xml': strToU8(
        `<workbook xmlns:r="x"><sheets>${names.map((name, i) => `<sheet name="${name}" r:id="r${i}"/>`).join('')}</sheets></workbook>`,
      ),
      'xl/_rels/workbook.xml.rels': strToU8(
        `<Relationships>${names.map((_, i) => `<Relationship Id="r${i}" Target="worksheets/sheet${i}.xml"/>`).join('')}</Relationships>`,
      ),
      ...Object.fromEntries(names.map((name, i) => [`xl/worksheets/sheet${i}.xml`, cells(sheets[name]!)])),
    }),
  );
};
const staff = [
  ['Code', 'Post', 'Person', 'Above'],
  ['B1', 'Director', 'Ana Rook', ''],
  ['B2', 'Boats', 'Ben Heron', 'B1'],
  ['B3', 'Paths', 'Cy Teal', 'B1'],
  ['B4', 'Repairs', 'Di Smew', 'B2'],
];
const spreadsheet = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';

test('a spreadsheet: which sheet, what each column is, and the chart of it', async ({ desk: page }) => {
  await page.goto('/start');
  const buffer = workbook({
    Boats: [
      ['Boat', 'Berth'],
      ['Tern', '3'],
    ],
    Staff: staff,
  });
  await page.getByLabel('A list file').setInputFiles({ name: 'centre.xlsx', mimeType: spreadsheet, buffer });
  const which = page.getByRole('group', { name: 'Which of them is the list' });
  await expect(which.getByRole('button', { name: 'Staff' })).toHaveAttribute('aria-pressed', 'true');
  const table = page.getByRole('group', { name: 'The table, column by column' });
  await expect(table).toContainText('3 of 3 stand in “Code”');
  await expect(page.getByText('4 people in 3 tiers')).toBeVisible();
  await axe(page);
  // The table scrolls within its place, however narrow the window.
  await page.setViewportSize({ width: 390, height: 844 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBe(0);
  await page.setViewportSize({ width: 1280, height: 800 });
  // Another part for a column, in place; then the sheet changed over and back.
  await table.getByLabel('Post is').selectOption('the name');
  await expect(table.getByLabel('Post is')).toHaveValue('name');
  await which.getByRole('button', { name: 'Boats' }).click();
  await expect(page.getByLabel('Your list')).toHaveValue(/Tern\t3/);
  await which.getByRole('button', { name: 'Staff' }).click();
  await expect(page.getByText('4 people in 3 tiers')).toBeVisible();
  await page.getByRole('button', { name: 'Make the org chart' }).click();
  await expect(box(page, 'Di Smew')).toHaveAttribute('aria-label', /reports to Ben Heron/);
  await kept(page);
});

test('what parts the cells, and whether the first row is headings, are changed over the table', async ({
  desk: page,
}) => {
  await page.goto('/start');
  await page
    .getByLabel('Your list')
    .fill('Ana Rook;Director;\nBen Heron;Boats;Ana Rook\nCy Teal;Paths;Ana Rook\nDi Smew;Repairs;Ben Heron');
  await expect(page.getByText('4 people in 3 tiers')).toBeVisible();
  const first = page.getByLabel('The first row is headings');
  await first.check();
  await expect(page.getByText(/^3 people/)).toBeVisible();
  await first.uncheck();
  await expect(page.getByText('4 people in 3 tiers')).toBeVisible();
  // Commas part nothing here: each line is one cell, until semicolons are chosen again.
  const parted = page.getByLabel('Cells are parted by');
  await parted.selectOption('commas');
  await expect(page.getByText('4 people in 3 tiers')).toHaveCount(0);
  await parted.selectOption('semicolons');
  await expect(page.getByText('4 people in 3 tiers')).toBeVisible();
});

test('several files ask which; a list copied from a page keeps its levels; a damaged file leaves the list', async ({
  desk: page,
}) => {
  await page.goto('/start');
  const text = (name: string, list: string) => ({ name, mimeType: 'text/plain', buffer: Buffer.from(list) });
  await page
    .getByLabel('A list file')
    .setInputFiles([text('north.txt', 'Ana\n  Ben'), text('south.txt', 'Cy\n  Di\n  Fen')]);
  const which = page.getByRole('group', { name: 'Which of them is the list' });
  await which.getByRole('button', { name: 'south' }).click();
  await expect(page.getByLabel('Your list')).toHaveValue('Cy\n  Di\n  Fen');
  const damaged = workbook({ Staff: staff }).subarray(0, 300);
  await page.getByLabel('A list file').setInputFiles({ name: 'centre.xlsx', mimeType: spreadsheet, buffer: damaged });
  await expect(page.getByText('The file is damaged')).toBeVisible();
  await expect(page.getByLabel('Your list')).toHaveValue('Cy\n  Di\n  Fen');
  await page.getByLabel('Your list').fill('');
  await page.getByLabel('Your list').evaluate((area: HTMLTextAreaElement) => {
    area.focus();
    const clipboardData = new DataTransfer();
    clipboardData.setData(
      'text/html',
      '<ul><li>Shores<ul><li>Rocky<ul><li>Bay</li></ul></li><li>Sandy</li></ul></li></ul>',
    );
    clipboardData.setData('text/plain', 'Shores\nRocky\nBay\nSandy');
    area.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
  });
  await expect(page.getByLabel('Your list')).toHaveValue('Shores\n  Rocky\n    Bay\n  Sandy');
});
