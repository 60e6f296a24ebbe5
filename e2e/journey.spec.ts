import { execFileSync } from 'node:child_process';
import { readFile } from 'node:fs/promises';
import { axe, box, crew, expect, makeChart, nameCell, step, test } from './fixtures';

const staffList = new URL('../demo/lists/brackwater-staff.csv', import.meta.url);

test('from a staff list to a PDF', async ({ desk: page }) => {
  await page.goto('/start');
  await page.getByLabel('A list file').setInputFiles(staffList.pathname);
  const understood = page.getByLabel('What was understood');
  await expect(understood).toContainText('46 people in 5 tiers');
  await expect(understood).toContainText('The column “Answers to” names the superior.');
  await page.getByText('Is “Tomasz Wieczorak” Tomasz Wieczorek, line 6?').waitFor();
  await page.getByRole('button', { name: 'Yes' }).click();
  await expect(page.getByText('Is “Tomasz Wieczorak”')).toHaveCount(0);
  await page.getByRole('button', { name: 'Make the org chart' }).click();

  await expect(box(page, 'Þóra Einarsdóttir')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Tier 5, 28 entries/ })).toBeVisible();
  await step(page, 'Hand out');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save PDF' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe('brackwater-staff.pdf');
  const text = execFileSync('pdftotext', [await file.path(), '-']).toString();
  for (const name of ['Maëlle', 'Einarsdóttir', 'Vantongeren', 'Kwiatkowska']) expect(text).toContain(name);
});

test('what is handed out equals what is on the screen', async ({ desk: page }) => {
  await makeChart(page, crew, 4);
  // Opened anew nothing is selected, so that only the drawing is on the stage.
  await page.reload();
  await expect(page.getByTestId('stage').locator('path').first()).toBeVisible();
  await step(page, 'Hand out');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save SVG' }).click();
  const svg = await readFile(await (await download).path(), 'utf8');
  const places = (of: string) =>
    [...of.matchAll(/<g transform="translate\(([\d.]+) ([\d.]+)\)" data-(?:entry|for)="/g)].map((match) =>
      [Number(match[1]).toFixed(2), Number(match[2]).toFixed(2)].join(),
    );
  const shown = await page.getByTestId('stage').evaluate((stage) => stage.innerHTML);
  const onScreen = places(shown);
  expect(onScreen).toHaveLength(4);
  expect(places(svg)).toEqual(onScreen);
  const boxes = (of: string) => [...of.matchAll(/ d="(M[^"]*Z)"/g)].map((match) => match[1]);
  expect(boxes(svg)).toEqual(boxes(shown));
});

test('the picture can be copied, the PNG has the resolution asked for, the print page has the sheet', async ({
  desk: page,
  context,
}) => {
  await makeChart(page, crew, 4);
  await step(page, 'Hand out');
  await page.getByLabel('Resolution').selectOption('96');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save PNG' }).click();
  const png = await readFile(await (await download).path());
  expect([png.readUInt32BE(16), png.readUInt32BE(20)]).toEqual([1123, 794]);
  await page.getByRole('button', { name: 'Copy as picture' }).click();
  await expect(page.getByText('The picture is on the clipboard.')).toBeVisible();
  const types = await page.evaluate(async () => (await navigator.clipboard.read()).flatMap((item) => item.types));
  expect(types).toContain('image/png');
  const opened = context.waitForEvent('page');
  await page.getByRole('button', { name: 'Print', exact: true }).click();
  const print = await opened;
  await expect(print.locator('svg')).toContainText('Taavi Kõrvits');
});

test('the whole job without a pointer', async ({ desk: page }) => {
  await page.getByRole('link', { name: 'Start with an empty list' }).focus();
  await page.keyboard.press('Enter');
  await page.getByLabel('Your list').focus();
  await page.keyboard.insertText(
    'Ngaire Holmström-Okafor, Deputy\n\tTomasz Wieczorek, Head of education\n\tInés Okoro',
  );
  const make = page.getByRole('button', { name: 'Make the org chart' });
  await expect(make).toBeEnabled();
  await make.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('treegrid')).toBeVisible();

  await nameCell(page, 3).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type('Bao Lindqvist');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.type('Head of boats');
  await page.keyboard.press('Enter');
  await page.keyboard.type('Kalle Nyström');
  await page.keyboard.press('Tab');
  await expect(nameCell(page, 5)).toBeFocused();
  await expect(box(page, 'Kalle Nyström, tier 3, reports to Bao Lindqvist')).toHaveCount(1);
  await page.keyboard.press('Shift+Tab');
  await expect(box(page, 'Kalle Nyström, tier 2')).toHaveCount(1);
  await page.keyboard.press('Alt+ArrowUp');
  await expect(nameCell(page, 4)).toHaveValue('Kalle Nyström');
  await page.keyboard.press('Control+z');
  await expect(nameCell(page, 5)).toHaveValue('Kalle Nyström');
  await page.keyboard.press('Control+Delete');
  await expect(box(page, 'Kalle Nyström')).toHaveCount(0);

  await page.keyboard.press('Escape');
  const drawing = page.getByRole('group', { name: /^The drawing/ });
  await expect(drawing).toBeFocused();
  await page.keyboard.press('Home');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('F2');
  await page.keyboard.press('End');
  await page.keyboard.type(' Brú');
  await page.keyboard.press('Enter');
  await expect(box(page, 'Inés Okoro Brú')).toHaveCount(1);

  await page.keyboard.press('Alt+3');
  await page.getByRole('radio', { name: /^Tier II/ }).focus();
  await page.keyboard.press('Space');
  await page.getByLabel('Box', { exact: true }).selectOption('round ends');
  await expect(page.getByRole('button', { name: /^Box: set for this tier; hand it back/ })).toBeVisible();
  await page.keyboard.press('Alt+6');
  await page.getByRole('button', { name: 'Save PDF' }).focus();
  const download = page.waitForEvent('download');
  await page.keyboard.press('Enter');
  expect((await download).suggestedFilename()).toMatch(/\.pdf$/);
  await page.keyboard.press('Shift+?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
});

test('axe finds nothing on any view, light or dark', async ({ desk: page, another }) => {
  const context = await another();
  const fresh = await context.newPage();
  await fresh.goto('/sign-in');
  await expect(fresh.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  await axe(fresh);
  await axe(page);
  await page.goto('/start');
  await page.getByLabel('Your list').fill('Name,Reports to\nAda Quill,\nBo Lin,Ada Quil\nCy Dee,Nobody Known');
  await page.getByText('Is “Ada Quil”').waitFor();
  await axe(page);
  await makeChart(page, `${crew}\n    Vacant, Deck hand`, 5);
  for (const scheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme: scheme });
    for (const name of ['List', 'Arrange', 'Style', 'Figures', 'Notes', 'Hand out']) {
      await step(page, name);
      await page.waitForTimeout(150);
      await axe(page);
    }
  }
  await step(page, 'List');
  await nameCell(page, 1).focus();
  await page.keyboard.press('Control+Delete');
  await expect(page.getByRole('dialog')).toBeVisible();
  await axe(page);
});

test('bad input is told where and what to do, and what could be read is kept', async ({ desk: page }) => {
  await page.goto('/start');
  const list = page.getByLabel('Your list');
  const file = page.getByLabel('A list file');
  await list.fill('Ada Quill\n\tBo Lin');
  await file.setInputFiles({ name: 'x.pdf', mimeType: 'application/pdf', buffer: Buffer.from('%PDF-1.4') });
  await expect(page.getByText('This is a PDF, not a text list.')).toBeVisible();
  await expect(list).toHaveValue('Ada Quill\n\tBo Lin');
  await file.setInputFiles({ name: 'big.csv', mimeType: 'text/csv', buffer: Buffer.alloc(30_000_000, 'a,b\n') });
  await expect(page.getByText('The file has 30 MB; a list may have 20 MB at most.')).toBeVisible();
  await list.fill(
    'Name,Reports to\nAda Quill,Bo Lin\nBo Lin,Ada Quill\nAna Ruiz,Sales Dir\n,Ada Quill\nAna Ruiz,Bo Lin',
  );
  const told = page.getByLabel('To decide');
  await expect(told).toContainText('report to each other in a circle');
  await expect(told).toContainText('“Sales Dir” is not in the list.');
  await expect(told).toContainText('Lines 4 and 6 have the same name');
  await expect(page.getByText('4 of 5 lines have a place.')).toBeVisible();
  await page.getByRole('button', { name: 'Add “Sales Dir”' }).click();
  await expect(page.getByText('5 people')).toBeVisible();
  await page.getByRole('button', { name: 'Make the org chart' }).click();
  await expect(page.getByLabel('Not placed')).toContainText('Line 5 has no name.');
  await page.getByLabel('Not placed').getByRole('button', { name: 'Throw away' }).click();
  await expect(page.getByLabel('Not placed')).toHaveCount(0);
});
