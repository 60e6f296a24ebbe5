import type { Page } from '@playwright/test';
import { box, expect, make, makeChart, nameCell, step, test } from './fixtures';

const middleOf = async (page: Page, name: string) => {
  const found = (await box(page, name).boundingBox())!;
  return { x: found.x + found.width / 2, y: found.y + found.height / 2 };
};

const list = 'Ada Quill\n\tBo Lin\n\t\tCy Moss\n\t\tDi Reed\n\tEd Fenn\n\t\tFay Holt\n\t\tGus Ware';

test('a side link is drawn by dragging with Alt, worded, styled, selected in the drawing, removed, and brought back', async ({
  desk: page,
}) => {
  await makeChart(page, list, 7);
  const [from, to] = [await middleOf(page, 'Cy Moss'), await middleOf(page, 'Fay Holt')];
  await page.keyboard.down('Alt');
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move((from.x + to.x) / 2, from.y + 4, { steps: 4 });
  await page.mouse.move(to.x, to.y, { steps: 4 });
  await expect(page.getByText('Side link from Cy Moss to Fay Holt')).toBeVisible();
  await page.mouse.up();
  await page.keyboard.up('Alt');
  const links = page.getByRole('region', { name: 'Side links' });
  await expect(links.getByRole('button', { name: 'Cy Moss → Fay Holt', pressed: true })).toBeVisible();
  // Its words are typed at once, where it is drawn.
  await expect(page.getByLabel('Words on the link', { exact: true })).toBeFocused();
  await page.keyboard.type('safety');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('stage').getByText('safety')).toBeVisible();
  await expect(links.getByLabel('Words on the link from Cy Moss to Fay Holt')).toHaveValue('safety');
  await page.keyboard.press('F2');
  await page.keyboard.type('first aid');
  // Escape leaves the field as it does in the list; undo takes back what was typed.
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('stage').getByText('first aid')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByTestId('stage').getByText('safety')).toBeVisible();
  await step(page, 'Style');
  await page.getByRole('radio', { name: /Only the one from Cy Moss to Fay Holt/ }).check();
  await page.getByLabel('Line', { exact: true }).selectOption('dotted');
  await page.getByLabel('At its end').selectOption('arrow');
  await expect(page.getByRole('button', { name: /^Line: set for this one/ })).toBeVisible();
  await step(page, 'List');
  await page.getByRole('group', { name: /^The drawing\./ }).focus();
  await page.keyboard.press('Delete');
  await expect(page.getByTestId('stage').getByText('safety')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(page.getByTestId('stage').getByText('safety')).toBeVisible();
});

test('a bend of a link is dragged aside, told in Style, and sent back in one step', async ({ desk: page }) => {
  await makeChart(page, list, 7);
  await box(page, 'Cy Moss').click();
  await page.getByLabel('Side link to').focus();
  await page.getByLabel('Side link to').selectOption('Gus Ware');
  await page.getByLabel('Words on the link from Cy Moss to Gus Ware').fill('safety');
  const words = page.getByTestId('stage').getByText('safety');
  const place = async () => {
    const { x, y, width, height } = (await words.boundingBox())!;
    return { x: x + width / 2, y: y + height / 2 };
  };
  const before = await place();
  await page.mouse.move(before.x, before.y);
  await page.mouse.down();
  await page.mouse.move(before.x + 20, before.y + 20, { steps: 3 });
  await expect(page.getByText('Let go to move the bend here')).toBeVisible();
  await page.mouse.move(before.x + 45, before.y + 45, { steps: 3 });
  await page.mouse.up();
  const moved = await place();
  expect(Math.hypot(moved.x - before.x, moved.y - before.y)).toBeGreaterThan(20);
  await step(page, 'Style');
  await page.getByRole('radio', { name: /Only the one from Cy Moss to Gus Ware/ }).check();
  await expect(page.getByLabel('Bend moved', { exact: true })).not.toHaveValue('0');
  await page.getByRole('button', { name: /^Bend moved: set for this one/ }).click();
  await expect(page.getByLabel('Bend moved', { exact: true })).toHaveValue('0');
  const back = await place();
  expect(Math.hypot(back.x - before.x, back.y - before.y)).toBeLessThan(1);
});

test('words on a link stand near either end, and it leaves and arrives at the sides that are wished', async ({
  desk: page,
}) => {
  await makeChart(page, list, 7);
  await box(page, 'Bo Lin').click();
  await page.getByLabel('Side link to').focus();
  await page.getByLabel('Side link to').selectOption('Ed Fenn');
  await page.getByLabel('Words on the link from Bo Lin to Ed Fenn').fill('safety');
  const words = page.getByTestId('stage').getByText('safety');
  const near = async (name: string) => {
    const [end, at] = [await middleOf(page, name), (await words.boundingBox())!];
    return Math.abs(at.x + at.width / 2 - end.x);
  };
  const apart = async () => (await near('Bo Lin')) - (await near('Ed Fenn'));
  await expect.poll(async () => Math.abs(await apart())).toBeLessThan(2);
  await step(page, 'Style');
  await page.getByRole('radio', { name: /All side links/ }).check();
  await page.getByLabel('Words stand', { exact: true }).selectOption('near the start');
  await expect.poll(apart).toBeLessThan(-10);
  await page.getByLabel('Words stand', { exact: true }).selectOption('near the end');
  await expect.poll(apart).toBeGreaterThan(10);
  await page.getByRole('button', { name: /^Words stand: set for all; hand it back/ }).click();
  await expect.poll(async () => Math.abs(await apart())).toBeLessThan(2);
  // From one side of a box to one side of another, instead of the nearest.
  const below = async () => {
    const line = (await page.getByTestId('stage').locator('[aria-label^="Link from Bo Lin"]').boundingBox())!;
    const head = (await box(page, 'Bo Lin').boundingBox())!;
    return line.y + line.height - head.y - head.height;
  };
  await expect.poll(below).toBeLessThan(0);
  await page.getByLabel('Leaves', { exact: true }).selectOption('at the bottom');
  await page.getByLabel('Arrives', { exact: true }).selectOption('at the bottom');
  await expect.poll(below).toBeGreaterThan(3);
});

test('several are selected, by the list and by a frame; role, style, moving and removing act on all in one step', async ({
  desk: page,
}) => {
  await makeChart(page, list, 7);
  await nameCell(page, 3).click();
  await nameCell(page, 4).click({ modifiers: ['Shift'] });
  await expect(page.getByTestId('selected')).toHaveCount(2);
  await page.getByLabel('Role of 2').selectOption('vacancy');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByLabel('Role of 2')).toHaveValue('');
  // Both under Ed Fenn in one gesture.
  const [from, to] = [await middleOf(page, 'Di Reed'), await middleOf(page, 'Ed Fenn')];
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(to.x, to.y, { steps: 6 });
  await expect(page.getByText('2 entries and what is below them will report to Ed Fenn')).toBeVisible();
  await page.mouse.up();
  await expect(page.getByRole('row').nth(3)).toHaveAttribute('aria-level', '2');
  await page.getByRole('button', { name: 'Undo' }).click();
  await nameCell(page, 3).click();
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('Control+Delete');
  await expect(page.getByText('5 entries. Tab')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('7 entries. Tab')).toBeVisible();
  await nameCell(page, 1).click();
  await page.getByLabel('Select also').selectOption('all of this branch');
  await expect(page.getByTestId('selected')).toHaveCount(7);
});

test('a frame drawn with Shift on empty ground selects what is in it', async ({ desk: page }) => {
  await makeChart(page, list, 7);
  const cy = await box(page, 'Cy Moss').boundingBox();
  const di = await box(page, 'Di Reed').boundingBox();
  const [left, top] = [Math.min(cy!.x, di!.x) - 12, Math.min(cy!.y, di!.y) - 3];
  const [right, bottom] = [
    Math.max(cy!.x + cy!.width, di!.x + di!.width) + 5,
    Math.max(cy!.y + cy!.height, di!.y + di!.height) + 6,
  ];
  await page.keyboard.down('Shift');
  await page.mouse.move(right, bottom);
  await page.mouse.down();
  await page.mouse.move(left, top, { steps: 5 });
  await expect(page.getByTestId('frame')).toBeVisible();
  await page.mouse.up();
  await page.keyboard.up('Shift');
  await expect(page.getByTestId('selected')).toHaveCount(2);
});

test('columns of the list are headed, and a cell that is cut is whole while it is edited', async ({ desk: page }) => {
  await makeChart(
    page,
    'Ada Quill\tDeputy for field studies, learning and the visitor house\tMain house\nBo Lin\tSkipper\tPier',
    2,
  );
  await expect(page.getByRole('columnheader', { name: 'Title' })).toBeVisible();
  const cell = page.getByRole('textbox', { name: 'Title of Ada Quill' });
  const before = (await cell.boundingBox())!.width;
  await cell.click();
  const whole = await cell.evaluate((input: HTMLInputElement) => input.scrollWidth <= input.clientWidth + 1);
  expect([whole, (await cell.boundingBox())!.width > before]).toEqual([true, true]);
  const grip = page.getByRole('slider', { name: 'Width of the column Title' });
  await grip.focus();
  const width = Number(await grip.getAttribute('aria-valuenow'));
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(grip).toHaveAttribute('aria-valuenow', String(width + 24));
});

test('the words of a proposition are dragged aside, with their line, and sent back', async ({ desk: page }) => {
  await make(page, 'tides --carry--> silt\ntides --uncover--> mudflats\nsilt --settles on--> mudflats', 'concept map');
  const words = page.getByTestId('stage').getByText('uncover', { exact: true });
  const place = async () => {
    const { x, y, width, height } = (await words.boundingBox())!;
    return { x: x + width / 2, y: y + height / 2 };
  };
  // The drawing glides to its place.
  await page.waitForTimeout(800);
  const before = await place();
  await page.mouse.move(before.x, before.y);
  await page.mouse.down();
  await page.mouse.move(before.x + 30, before.y + 4, { steps: 3 });
  await expect(page.getByText('Let go to move the bend here')).toBeVisible();
  await page.mouse.move(before.x + 60, before.y + 8, { steps: 3 });
  await page.mouse.up();
  await expect.poll(async () => (await place()).x - before.x).toBeGreaterThan(25);
  await step(page, 'Style');
  await page.getByRole('radio', { name: /Only the one from tides to mudflats/ }).check();
  await expect(page.getByLabel('Bend moved', { exact: true })).not.toHaveValue('0');
  await expect(page.getByLabel('Leaves', { exact: true })).toHaveCount(0);
  await page.getByRole('button', { name: /^Bend moved: set for this one/ }).click();
  await expect.poll(async () => Math.abs((await place()).x - before.x)).toBeLessThan(1);
});
