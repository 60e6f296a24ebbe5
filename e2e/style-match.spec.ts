import { box, expect, kept, makeChart, step, test } from './fixtures';
import { Gestures } from './gestures';

const crew = 'Ama Boateng\n\tIvo Marangoni\n\t\tGil Ferreira\n\tMaren Solheim\n\tTaavi Kõrvits\n\t\tJin Castellanos';

test('whoever is clicked takes the style of another, all of it or a part; R gives it by keyboard', async ({
  desk: page,
}) => {
  await makeChart(page, crew, 6);
  const shape = (name: string) => box(page, name).locator('path').first();
  await box(page, 'Maren Solheim').click();
  await page.keyboard.press('s');
  await page.getByLabel('Fill, typed').fill('gold');
  await page.keyboard.press('Enter');
  await page.getByLabel('Box', { exact: true }).selectOption('round ends');
  const hand = new Gestures(page);
  await hand.click(page.getByRole('button', { name: 'the next ones clicked' }));
  await expect(page.getByText('Click whoever is to look like Maren Solheim.')).toBeVisible();
  await hand.click(box(page, 'Ivo Marangoni'));
  await hand.click(box(page, 'Jin Castellanos'));
  await hand.press('Escape');
  hand.tell('The style of one given to two others');
  for (const name of ['Ivo Marangoni', 'Jin Castellanos']) await expect(shape(name)).toHaveAttribute('fill', '#ffd700');
  await expect(page.getByText('Click whoever is to look like')).toHaveCount(0);
  await box(page, 'Gil Ferreira').click();
  await expect(shape('Gil Ferreira')).not.toHaveAttribute('fill', '#ffd700');
  // By keyboard: matched from one, given to the next that is selected.
  await box(page, 'Maren Solheim').click();
  await page.getByLabel('Which of its style').selectOption('what is set for it alone');
  await page.getByRole('button', { name: 'the next ones clicked' }).focus();
  await page.keyboard.press('Enter');
  await page.locator('[tabindex="0"]', { has: page.getByTestId('stage') }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(shape('Taavi Kõrvits')).not.toHaveAttribute('fill', '#ffd700');
  await page.keyboard.press('r');
  await expect(shape('Taavi Kõrvits')).toHaveAttribute('fill', '#ffd700');
  await page.keyboard.press('Escape');
  // What only some of the tier had is its tier's in one step.
  await box(page, 'Jin Castellanos').click();
  await page.getByRole('button', { name: 'its tier' }).click();
  await expect(shape('Gil Ferreira')).toHaveAttribute('fill', '#ffd700');
  await kept(page);
});

test('one person with a star, one with a glow, a coloured page, all taken back', async ({ desk: page }) => {
  await makeChart(page, crew, 6);
  await box(page, 'Maren Solheim').click();
  await page.keyboard.press('s');
  await page.getByText('Photos, signs, effects', { exact: true }).click();
  const stage = page.getByTestId('stage');
  const plain = await box(page, 'Maren Solheim').locator('path').first().getAttribute('d');
  const hand = new Gestures(page);
  await hand.choose(page.getByLabel('Box', { exact: true }), 'star');
  await hand.click(box(page, 'Ivo Marangoni'));
  await hand.choose(page.getByLabel('Effect', { exact: true }), 'glow');
  await page.getByLabel('Page, typed').fill('#fff4e0');
  await hand.press('Enter');
  await expect(stage.locator('rect[fill="#fff4e0"]')).toHaveCount(1);
  await expect(box(page, 'Ivo Marangoni').locator('path')).not.toHaveCount(1);
  await hand.click(page.getByRole('button', { name: 'and its colours and page' }));
  hand.tell('A star, a glow and a coloured page, all taken back');
  expect(hand.count).toBeLessThanOrEqual(5);
  await expect(stage.locator('rect[fill="#fff4e0"]')).toHaveCount(0);
  await expect(box(page, 'Maren Solheim').locator('path').first()).toHaveAttribute('d', plain!);
  await expect(box(page, 'Ivo Marangoni').locator('path')).toHaveCount(1);
});

test('those within an enclosure are styled together, and lose it with the enclosure', async ({ desk: page }) => {
  await makeChart(page, crew, 6);
  const shape = (name: string) => box(page, name).locator('path').first();
  await box(page, 'Gil Ferreira').click();
  await box(page, 'Jin Castellanos').click({ modifiers: ['ControlOrMeta'] });
  await step(page, 'Notes');
  await page.getByRole('button', { name: 'Enclose the 2 selected people' }).click();
  await page.getByLabel('Name of the enclosure around 2 people').fill('Skippers');
  await step(page, 'Style');
  await page.getByText('Enclosure: Skippers').click();
  await page.getByLabel('Fill, typed').fill('gold');
  await page.keyboard.press('Enter');
  for (const name of ['Gil Ferreira', 'Jin Castellanos']) await expect(shape(name)).toHaveAttribute('fill', '#ffd700');
  await expect(shape('Maren Solheim')).not.toHaveAttribute('fill', '#ffd700');
  await step(page, 'Notes');
  await page.getByRole('button', { name: 'Remove the enclosure Skippers' }).click();
  await expect(shape('Gil Ferreira')).not.toHaveAttribute('fill', '#ffd700');
  await page.keyboard.press('ControlOrMeta+z');
  await expect(shape('Gil Ferreira')).toHaveAttribute('fill', '#ffd700');
});
