import { box, expect, kept, makeChart, step, test } from './fixtures';
import { Gestures } from './gestures';

const crew = 'Ama Boateng\n\tIvo Marangoni\n\tMaren Solheim\n\tTaavi Kõrvits\n\t\tJin Castellanos';

test('a style is given to others by one key, and all that is set somewhere is handed back in one step', async ({
  desk: page,
}) => {
  await makeChart(page, crew, 5);
  const shape = (name: string) => box(page, name).locator('path').first();
  const plain = await shape('Maren Solheim').getAttribute('stroke-width');
  await page.getByTestId('stage').focus();
  await page.keyboard.press('r');
  await box(page, 'Ivo Marangoni').click();
  const hand = new Gestures(page);
  await hand.press('s');
  await hand.fill(page.getByLabel('Border width', { exact: true }), '5');
  await expect(shape('Ivo Marangoni')).toHaveAttribute('stroke-width', '5');
  await hand.click(box(page, 'Maren Solheim'));
  await hand.press('r');
  await expect(shape('Maren Solheim')).toHaveAttribute('stroke-width', '5');
  await expect(shape('Taavi Kõrvits')).toHaveAttribute('stroke-width', plain!);
  expect(hand.count).toBeLessThanOrEqual(5);
  hand.tell('A border given to one, and the same to another by one key');
  await kept(page);
  // On Maren alone: another property, then both back at once, and again by undo.
  await page.keyboard.press('s');
  await page.getByLabel('Border line', { exact: true }).selectOption('dashed');
  await expect(shape('Maren Solheim')).toHaveAttribute('stroke-dasharray', /./);
  await page.getByRole('button', { name: 'Hand back all 2 set here' }).click();
  await expect(shape('Maren Solheim')).toHaveAttribute('stroke-width', plain!);
  await expect(shape('Maren Solheim')).not.toHaveAttribute('stroke-dasharray', /./);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(shape('Maren Solheim')).toHaveAttribute('stroke-width', '5');
  await step(page, 'List');
});

test('the key that repeats a style says so where there is none yet', async ({ desk: page }) => {
  await makeChart(page, crew, 5);
  await box(page, 'Ivo Marangoni').click();
  await page.keyboard.press('r');
  await expect(page.getByText('No style was given yet')).toBeVisible();
});

test('details stand in the order that is wished, and each can be taken back by undo', async ({ desk: page }) => {
  await makeChart(page, 'Ama Boateng, Skipper, Quay\n\tIvo Marangoni, Warden, Dunes', 2);
  const lines = (name: string) => box(page, name).locator('text');
  await expect(lines('Ivo Marangoni')).toHaveText(['Ivo Marangoni', 'Warden', 'Dunes']);
  await step(page, 'Style');
  await page.getByText('Details', { exact: true }).click();
  await page.getByRole('button', { name: 'Place: a place up' }).click();
  for (const [name, ...details] of [
    ['Ama Boateng', 'Quay', 'Skipper'],
    ['Ivo Marangoni', 'Dunes', 'Warden'],
  ] as const)
    await expect(lines(name)).toHaveText([name, ...details]);
  // With one line, what stands first is what stays.
  await page.getByLabel('Detail lines', { exact: true }).fill('1');
  await page.getByLabel('Detail lines', { exact: true }).press('Enter');
  await expect(lines('Ivo Marangoni')).toHaveText(['Ivo Marangoni', 'Dunes']);
  await page.getByRole('button', { name: /^In this order: set for all; hand it back/ }).click();
  await expect(lines('Ivo Marangoni')).toHaveText(['Ivo Marangoni', 'Warden']);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(lines('Ivo Marangoni')).toHaveText(['Ivo Marangoni', 'Dunes']);
});
