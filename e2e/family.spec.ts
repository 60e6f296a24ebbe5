import { execFileSync } from 'node:child_process';
import { readFile } from 'node:fs/promises';
import { axe, box, expect, kept, make, nameCell, step, test } from './fixtures';
import { Gestures } from './gestures';

const family = await readFile(new URL('../demo/lists/boathouse-family.csv', import.meta.url), 'utf8');

test('from a table of a family to a PDF, and to GEDCOM', async ({ desk: page }) => {
  await page.goto('/start');
  await page.getByLabel('Your list').fill(family);
  const understood = page.getByLabel('What was understood');
  await expect(understood).toContainText('31 persons in 6 tiers');
  await expect(understood).toContainText('Columns name parents and partners.');
  await page.getByRole('button', { name: 'Make the family tree' }).click();
  await expect(box(page, 'Ines Vantongeren, born 1988, generation 6')).toHaveCount(1);
  await step(page, 'Hand out');
  const pdf = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save PDF' }).click();
  const text = execFileSync('pdftotext', [await (await pdf).path(), '-']).toString();
  for (const name of ['Wilhelmina', 'Penhaligon', 'adopted']) expect(text).toContain(name);
  await kept(page);
  const file = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save GEDCOM' }).click();
  const gedcom = await readFile(await (await file).path(), 'utf8');
  expect(gedcom).toContain('2 PEDI adopted');
  // What was handed out is read again as the same family.
  await page.goto('/start');
  await page.getByLabel('Your list').fill(gedcom);
  await expect(understood).toContainText('31 persons in 6 tiers');
  await expect(understood).toContainText('A GEDCOM file tells persons and families.');
});

test('father, mother and child, each in a colour: at most 5 gestures beyond the typing', async ({ desk: page }) => {
  await page.goto('/start');
  const hand = new Gestures(page);
  await page.getByLabel('Your list').fill('Ada Quill + Bo Marsh\n\tCy Quill');
  await hand.click(page.getByRole('button', { name: 'Make the family tree' }));
  await expect(box(page, 'Cy Quill, generation 2, child of Ada Quill and Bo Marsh')).toHaveCount(1);
  // The line to the child begins at the middle between the parents.
  const middle = async (name: string) => {
    const at = (await box(page, name).boundingBox())!;
    return at.x + at.width / 2;
  };
  expect(
    Math.abs((await middle('Cy Quill')) - ((await middle('Ada Quill')) + (await middle('Bo Marsh'))) / 2),
  ).toBeLessThan(2);
  await hand.press('Alt+3');
  await hand.click(page.getByRole('button', { name: 'Terracotta' }));
  await hand.click(page.getByRole('button', { name: /^Tier 2/ }));
  await page.getByLabel('Fill', { exact: true }).fill('#dde6f0');
  await expect(box(page, 'Cy Quill').locator('path').first()).toHaveAttribute('fill', '#dde6f0');
  hand.tell('Father, mother and child, each generation in a colour');
  expect(hand.count).toBeLessThanOrEqual(5);
});

test('a household by levels, one added after another: at most 14 gestures beyond the typing', async ({
  desk: page,
}) => {
  await page.goto('/start');
  await page.getByLabel('Your list').fill('Ada Quill');
  await page.getByRole('button', { name: /^Family tree/ }).click();
  await page.getByRole('button', { name: 'Make the family tree' }).click();
  await expect(page.getByTestId('stage')).toBeVisible();
  const hand = new Gestures(page);
  await nameCell(page, 1).focus();
  await hand.press('Control+Enter');
  await page.keyboard.type('Bo Marsh');
  await hand.press('Shift+Enter');
  await page.keyboard.type('Cy Quill');
  await hand.press('Enter');
  await page.keyboard.type('Di Quill');
  await expect(box(page, 'Di Quill, generation 2, child of')).toHaveCount(1);
  await hand.press('Shift+Enter');
  await page.keyboard.type('Biscuit');
  await hand.choose(page.getByLabel('Is a'), 'pet');
  await hand.press('Alt+2');
  await hand.click(page.getByRole('button', { name: /^Left to right/ }));
  await hand.click(page.getByRole('button', { name: /^Top-down/ }));
  await hand.press('Alt+3');
  await hand.click(page.getByRole('button', { name: 'Heather' }));
  await hand.click(box(page, 'Di Quill'));
  await hand.click(page.getByRole('radio', { name: /^Only Di Quill/ }));
  await hand.choose(page.getByLabel('Box', { exact: true }), 'six sides');
  await expect(box(page, 'Biscuit, generation 3')).toHaveCount(1);
  hand.tell('A household by levels, styled, with one person in a shape of her own');
  expect(hand.count).toBeLessThanOrEqual(14);
});

test('how two are related is told in words, with degrees and coefficients, and the way lit', async ({ desk: page }) => {
  await make(page, family, 'family tree');
  await step(page, 'Figures');
  await page.getByLabel('Related to whom').selectOption({ label: 'Maren Tolvanen' });
  await page.getByLabel('Who is related').selectOption({ label: 'Ansel Achterberg' });
  const told = page.getByRole('region', { name: 'How are these two related?' }).getByRole('status');
  await expect(told).toContainText('spouse and second cousin');
  await expect(told).toContainText('6, 3');
  await expect(told).toContainText('1/32');
  await expect(told).toContainText('1/64');
});

test('parents and partners are written by name, what cannot be is said; a ring is found; undo brings back', async ({
  desk: page,
}) => {
  await make(page, 'Ada Quill + Bo Marsh\n\tCy Quill\nDi Holm', 'family tree');
  await nameCell(page, 4).click();
  await page.getByLabel('Parents').fill('Nobody at all');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Nobody in the list is called “Nobody at all”.')).toBeVisible();
  await page.getByLabel('Parents').fill('Cy Quill');
  await page.keyboard.press('Enter');
  await expect(box(page, 'Di Holm, generation 3, child of Cy Quill')).toHaveCount(1);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(box(page, 'Di Holm, generation 1')).toHaveCount(1);
  await page.getByRole('button', { name: 'Redo' }).click();
  // Removing a parent leaves the child with the other.
  await nameCell(page, 1).click();
  await page.keyboard.press('Control+Delete');
  await expect(box(page, 'Cy Quill, generation 2, child of Bo Marsh')).toHaveCount(1);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(box(page, 'Cy Quill, generation 2, child of Ada Quill and Bo Marsh')).toHaveCount(1);
});

test('a child by birth of one parent and stepchild of the other: a dashed line, half-siblings, and there again from GEDCOM', async ({
  desk: page,
}) => {
  await make(page, 'Ada Quill + Bo Marsh\n\tCy Quill\n\tDi Marsh', 'family tree');
  await nameCell(page, 3).click();
  await page.getByLabel('Of one otherwise').selectOption({ label: 'stepchild (Bo Marsh)' });
  await expect(box(page, 'Cy Quill, generation 2, child of Ada Quill and Bo Marsh (stepchild)')).toHaveCount(1);
  await expect(page.getByTestId('stage').getByText('Child: stepchild')).toHaveCount(1);
  await step(page, 'Figures');
  await page.getByLabel('Related to whom').selectOption({ label: 'Cy Quill' });
  await page.getByLabel('Who is related').selectOption({ label: 'Di Marsh' });
  const told = page.getByRole('region', { name: 'How are these two related?' }).getByRole('status');
  await expect(told).toContainText('half-sibling');
  await step(page, 'Hand out');
  await kept(page);
  const file = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save GEDCOM' }).click();
  await make(page, await readFile(await (await file).path(), 'utf8'), 'family tree');
  await expect(box(page, 'Cy Quill, generation 2, child of Ada Quill and Bo Marsh (stepchild)')).toHaveCount(1);
});

test('a role of our own in a family: those whose detail says so, told on the sheet', async ({ desk: page }) => {
  await make(page, 'Ada Quill + Bo Marsh\n\tCy Quill\n\tDi Marsh', 'family tree');
  for (const line of [1, 3]) {
    await nameCell(page, line).click();
    await page.getByLabel('Details').fill('Pilot');
  }
  await step(page, 'Style');
  await page.getByRole('button', { name: 'Add a role' }).click();
  await page.getByLabel('Name of the role New role').fill('Pilots');
  await page.getByLabel('Who has the role Pilots').selectOption('whose detail contains');
  await page.getByLabel('Words of the role Pilots').fill('pilot');
  await expect(page.getByRole('button', { name: 'Style all 2' })).toBeVisible();
  await expect(page.getByLabel('Who has the role Pilots').locator('option', { hasText: 'who lead' })).toHaveCount(0);
  await page.getByText('Photos, signs, effects').click();
  await page.getByLabel('Sign', { exact: true }).selectOption({ label: 'left stripe' });
  await expect(page.getByTestId('stage').getByText('Pilots')).toHaveCount(1);
});

test('around one person: ancestors with their numbers', async ({ desk: page }) => {
  await make(page, family, 'family tree');
  await step(page, 'Arrange');
  await page.getByLabel('Around').selectOption({ label: 'Ines Vantongeren' });
  await page.getByRole('button', { name: /^Ancestors/ }).click();
  await expect(box(page, 'Solveig Achterberg')).toHaveCount(0);
  await page.getByLabel('Numbers').selectOption('of ancestors (1, 2, 3 …)');
  await expect(page.getByTestId('stage')).toContainText('1 · born 1988');
  await expect(page.getByRole('button', { name: /^Tier 5, Parents of Ines Vantongeren/ })).toBeVisible();
});

test('the whole job without a pointer', async ({ desk: page }) => {
  await page.getByRole('link', { name: 'Start with an empty list' }).focus();
  await page.keyboard.press('Enter');
  await page.getByLabel('Your list').focus();
  await page.keyboard.insertText('Ada Quill (1900–1980) & Bo Marsh\n\tCy Quill (b. 1925)');
  const making = page.getByRole('button', { name: 'Make the family tree' });
  await expect(making).toBeEnabled();
  await making.focus();
  await page.keyboard.press('Enter');
  await expect(nameCell(page, 1)).toBeFocused();
  await page.keyboard.press('Alt+Enter');
  await page.keyboard.type('Grandmother Quill');
  await expect(box(page, 'Ada Quill, 1900–1980, generation 2, child of Grandmother Quill')).toHaveCount(1);
  await page.keyboard.press('Escape');
  await page.keyboard.press('Alt+6');
  await page.getByRole('button', { name: 'Save PDF' }).focus();
  const download = page.waitForEvent('download');
  await page.keyboard.press('Enter');
  const text = execFileSync('pdftotext', [await (await download).path(), '-']).toString();
  expect(text).toContain('1900–1980');
});

test('axe finds nothing in any step of a family tree', async ({ desk: page }) => {
  await make(page, family, 'family tree');
  for (const name of ['List', 'Arrange', 'Style', 'Figures', 'Notes', 'Hand out']) {
    await step(page, name);
    await expect(page.getByRole('region', { name, exact: true })).toBeVisible();
    if (name === 'List') await nameCell(page, 3).click();
    await axe(page);
  }
});
