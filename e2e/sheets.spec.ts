import { execFileSync } from 'node:child_process';
import { expect, makeChart, sheetsOfSet, step, test } from './fixtures';

/** A head, heads of teams under it, and people under each: 1 + 9 + 9 · 12 = 118. */
const house = [
  'Salome Achterberg, Head of house',
  ...Array.from({ length: 9 }, (_, team) => [
    `    Lead ${team + 1} Nystrom, Lead of team ${team + 1}`,
    ...Array.from({ length: 12 }, (_, who) => `        Person ${team + 1}-${who + 1} Quist, Warden`),
  ]).flat(),
].join('\n');
const pagesOf = (path: string): number =>
  Number(/Pages:\s+(\d+)/.exec(execFileSync('pdfinfo', [path]).toString())?.[1]);

test('a chart too large for one sheet is told so, set over several, looked at, saved and printed', async ({
  desk: page,
  context,
}) => {
  await makeChart(page, house, 118);
  await step(page, 'Arrange');
  // Each way says the size at which it prints.
  await expect(page.getByRole('button', { name: /^Tier bands.*pt, too small/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Compact.*\d pt/ })).toBeVisible();
  await step(page, 'Hand out');
  const { count, sheets } = await sheetsOfSet(page, '10');
  await sheets.nth(1).click();
  const large = page.getByRole('dialog');
  await expect(large).toContainText('from sheet 1');
  await page.keyboard.press('Escape');
  await expect(large).toHaveCount(0);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save set as PDF' }).click();
  const path = await (await download).path();
  expect(pagesOf(path)).toBe(count);
  const text = execFileSync('pdftotext', [path, '-']).toString();
  for (const words of ['continued on sheet 2', 'from sheet 1', `Sheet ${count} of ${count}`, '9-12 Quist'])
    expect(text).toContain(words);
  const opened = context.waitForEvent('page');
  await page.getByRole('button', { name: 'Print set' }).click();
  await expect((await opened).locator('svg')).toHaveCount(count);
});

test('with a wish for print the sheet follows; a poster is saved in tiles', async ({ desk: page }) => {
  await makeChart(page, house, 118);
  await step(page, 'Arrange');
  const pt = async () => Number(/prints at ([\d.]+) pt/.exec((await page.locator('footer').textContent())!)![1]);
  const before = await pt();
  expect(before).toBeLessThan(9);
  await page.getByLabel('Smallest print').selectOption('9');
  await expect(page.locator('footer')).toContainText('A3 landscape');
  expect(await pt()).toBeGreaterThanOrEqual(9);
  await page.getByLabel('Size').selectOption('A1');
  await expect(page.locator('footer')).toContainText('A1 landscape');
  await step(page, 'Hand out');
  await page.getByLabel('Tiles of').selectOption('A3');
  const tiles = page.getByLabel('Poster in tiles');
  await expect(tiles).toContainText(/A1 landscape in \d × \d tiles/);
  const [, rows, columns] = /in (\d+) × (\d+) tiles/.exec((await tiles.textContent())!)!;
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save tiles as PDF' }).click();
  expect(pagesOf(await (await download).path())).toBe(Number(rows) * Number(columns));
});
