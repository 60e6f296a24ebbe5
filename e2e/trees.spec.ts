import { execFileSync } from 'node:child_process';
import { readFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import { axe, box, expect, kept, make, nameCell, step, test } from './fixtures';
import { Gestures } from './gestures';

const shores = `Shores
\tRocky
\t\tHeadland
\t\tBay
\t\tPools
\tSandy
\t\tBeach
\t\tDunes
\tMuddy
\t\tFlat
\t\tMarsh
\t\t\tCreek edge`;

const pasteArea = (page: Page) => page.getByLabel(/^Your list: paste or type it here/);

test('a classification from an empty Desk to a PDF with a title, in 8 gestures', async ({ desk: page }) => {
  const hand = new Gestures(page);
  await hand.paste(pasteArea(page), shores);
  await expect(page.getByLabel('What was understood')).toContainText('12 ideas in 4 tiers');
  await hand.click(page.getByRole('button', { name: 'Make the topic tree' }));
  await expect(box(page, 'Marsh')).toBeVisible();
  await hand.fill(page.getByLabel('Title of the diagram'), 'Kinds of shore');
  await hand.click(page.getByLabel('Steps').getByRole('button', { name: 'Hand out', exact: true }));
  const download = page.waitForEvent('download');
  await hand.click(page.getByRole('button', { name: 'Save PDF' }));
  const text = execFileSync('pdftotext', [await (await download).path(), '-']).toString();
  for (const name of ['Kinds of shore', 'Creek edge', 'Headland']) expect(text).toContain(name);
  hand.tell('A classification of twelve ideas, from an empty Desk to a PDF');
  expect(hand.count).toBeLessThanOrEqual(8);
});

test('four levels as columns, restyled and rearranged, in 14 gestures', async ({ desk: page }) => {
  await make(page, shores, 'topic tree');
  const hand = new Gestures(page);
  await hand.press('Alt+2');
  await hand.click(page.getByRole('button', { name: /^Tier columns/ }));
  await expect(page.getByTestId('stage').getByText('IV', { exact: true })).toBeVisible();
  await hand.click(page.getByRole('button', { name: /^Tier 2,/ }));
  await hand.choose(page.getByLabel('Name weight', { exact: true }), 'bold');
  await hand.click(page.getByRole('button', { name: 'Terracotta' }));
  await hand.click(page.getByRole('button', { name: /^Tier 4,/ }));
  await hand.fill(page.getByLabel('Name size', { exact: true }), '10');
  await hand.click(box(page, 'Bay'));
  await hand.click(box(page, 'Dunes'), { modifiers: ['Control'] });
  await hand.press('Delete');
  await expect(box(page, 'Dunes')).toHaveCount(0);
  await expect(box(page, 'Bay')).toHaveCount(0);
  await hand.drag(box(page, 'Pools'), box(page, 'Sandy'));
  await expect(box(page, 'Pools, tier 3, belongs to Sandy')).toHaveCount(1);
  // Spacing in the column is even again without a gesture.
  const tops = await Promise.all(
    ['Headland', 'Beach', 'Pools', 'Flat'].map(async (name) => (await box(page, name).boundingBox())!.y),
  );
  const steps = tops.slice(1).map((top, k) => top - tops[k]!);
  for (const one of steps) expect(Math.abs(one - steps[0]!)).toBeLessThan(1);
  const before = (await box(page, 'Beach').boundingBox())!;
  await hand.drag(box(page, 'Beach'), { x: 150, y: -12 });
  await expect.poll(async () => (await box(page, 'Beach').boundingBox())!.x).not.toBeCloseTo(before.x, 0);
  await page.keyboard.press('Alt+2');
  await hand.click(page.getByRole('button', { name: 'Send back' }));
  await expect.poll(async () => Math.abs((await box(page, 'Beach').boundingBox())!.x - before.x)).toBeLessThan(1);
  hand.tell('Four levels as columns, restyled and rearranged');
  expect(hand.count).toBeLessThanOrEqual(14);
});

const tree25 = `Which sampling site?
${['North', 'South', 'East']
  .map(
    (site) => `\t${site}: Is ${site} reached at low tide?
\t\tYes: Is the mud firm at ${site}?
\t\t\tFirm: Cores at ${site}
\t\t\tSoft: Sledge to ${site}
\t\tNo: Is a boat free for ${site}?
\t\t\tFree: Boat to ${site}
\t\t\tTaken: Leave ${site}`,
  )
  .join('\n')}`;

test('a decision tree of 22 boxes with a word on every line, and a branch moved, in 12 gestures', async ({
  desk: page,
}) => {
  const hand = new Gestures(page);
  await hand.paste(pasteArea(page), tree25);
  await expect(page.getByLabel('What was understood')).toContainText('22 nodes in 4 tiers');
  await hand.click(page.getByRole('button', { name: 'Make the decision tree' }));
  await expect(box(page, 'Cores at North')).toBeVisible();
  await expect(page.getByTestId('stage').getByText('Soft', { exact: true })).toHaveCount(3);
  await hand.drag(box(page, 'Boat to East'), box(page, 'Is the mud firm at East?'));
  await expect(box(page, 'Boat to East, tier 4, result, follows Is the mud firm at East?')).toHaveCount(1);
  // Boxes of a tier are equal, each tier has its own shape, whatever was moved.
  const widths = await Promise.all(
    ['Cores at North', 'Leave South', 'Boat to East'].map(async (name) =>
      Math.round((await box(page, name).locator('path').first().boundingBox())!.width),
    ),
  );
  expect(new Set(widths).size).toBe(1);
  hand.tell('A decision tree with a word on every line, a branch moved');
  expect(hand.count).toBeLessThanOrEqual(12);
});

test('an analysis from a list: values in the drawing, a fix for a missing chance, figures, a test added, handed out', async ({
  desk: page,
}) => {
  const list = await readFile(new URL('../demo/lists/leaking-boardwalk.txt', import.meta.url), 'utf8');
  await make(page, list.replace('Flood (0.15)\n', 'Flood\n'), 'decision tree');
  await page.getByRole('button', { name: /to look at/ }).click();
  await page.getByRole('button', { name: 'Give it the rest' }).click();
  await expect(page.getByText('Nothing to look at')).toBeVisible();
  await expect(page.getByTestId('stage')).toContainText('−£10\u2009200');
  await step(page, 'Figures');
  await expect(page.getByText('The best plan is worth')).toContainText('−£10\u2009200');
  await page.getByRole('button', { name: 'Cost: Patch it' }).click();
  await page.getByLabel('To', { exact: true }).fill('30,000');
  await expect(page.getByText(/The best choices change at/)).toBeVisible();
  await page.getByRole('button', { name: 'What would a test beforehand be worth?' }).click();
  await page.getByLabel('Called').fill('Ask Ola');
  await page.getByRole('button', { name: 'Add the test to the tree' }).click();
  await expect(page.getByRole('button', { name: /^Tier 2, 4 entries/ })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: /^Tier 2, 3 entries/ })).toBeVisible();
  await step(page, 'List');
  await page.getByLabel('Chance of Mild winter').first().fill('a few');
  await page.keyboard.press('Enter');
  await expect(page.getByText('“a few” is no probability. Write it like 0.3, 30 % or 3/10.')).toBeVisible();
  await kept(page);
});

test('a key is walked through by keyboard, back a step, to its result', async ({ desk: page }) => {
  await make(
    page,
    await readFile(new URL('../demo/lists/wading-birds-key.txt', import.meta.url), 'utf8'),
    'decision tree',
  );
  await kept(page);
  await step(page, 'Hand out');
  await page.getByRole('link', { name: 'Walk', exact: true }).click();
  const asked = page.getByRole('region', { name: /^(Question|Result)$/ }).getByRole('heading');
  await expect(asked).toHaveText('Is the bill curved?');
  await page.keyboard.press('2');
  await expect(asked).toHaveText('Is the bill longer than the head?');
  await page.keyboard.press('1');
  await expect(asked).toHaveText('What colour are the legs?');
  await page.keyboard.press('Backspace');
  await expect(asked).toHaveText('Is the bill longer than the head?');
  await page.getByRole('button', { name: /No$/ }).click();
  await page.keyboard.press('1');
  await expect(page.getByRole('region', { name: 'Result' })).toContainText('Ringed plover');
  await expect(page.getByRole('region', { name: 'The way so far' })).toContainText('Does it run in short bursts? Yes');
  await axe(page);
});

test('both jobs without a pointer', async ({ desk: page }) => {
  await page.getByRole('link', { name: 'Start with an empty list' }).focus();
  await page.keyboard.press('Enter');
  await page.getByLabel('Your list').focus();
  await page.keyboard.insertText('Is it tidal?\n\tYes: Saltmarsh\n\tNo: Reed bed');
  const making = page.getByRole('button', { name: 'Make the decision tree' });
  await expect(making).toBeEnabled();
  await making.focus();
  await page.keyboard.press('Enter');
  await expect(nameCell(page, 1)).toBeFocused();
  await page.keyboard.press('ArrowDown');
  await expect(nameCell(page, 2)).toBeFocused();
  await page.keyboard.press('Enter');
  await page.keyboard.type('Brackish pool');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.type('Sometimes');
  await expect(page.getByTestId('stage').getByText('Sometimes', { exact: true })).toHaveCount(1);
  await page.keyboard.press('Escape');
  await page.keyboard.press('Alt+Shift+ArrowDown');
  await page.keyboard.press('Alt+2');
  await page.getByRole('button', { name: 'Send back' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Nudged off their places' })).toHaveCount(0);
  await page.keyboard.press('Alt+6');
  await page.getByRole('button', { name: 'Save PDF' }).focus();
  const download = page.waitForEvent('download');
  await page.keyboard.press('Enter');
  const text = execFileSync('pdftotext', [await (await download).path(), '-']).toString();
  expect(text).toContain('Sometimes');
});

for (const [kind, list] of [
  ['topic tree', shores],
  ['decision tree', 'Go?\n\tGo (cost 1)\n\t\tWin (0.5) = 10\n\t\tLose (0.5) = -4\n\tStay = 0'],
] as const)
  test(`axe finds nothing in any step of a ${kind}`, async ({ desk: page }) => {
    await make(page, list, kind);
    for (const name of ['List', 'Arrange', 'Style', 'Figures', 'Notes', 'Hand out']) {
      await step(page, name);
      await expect(page.getByRole('region', { name, exact: true })).toBeVisible();
      if (name === 'Figures' && kind === 'decision tree')
        await page.getByRole('button', { name: 'What would a test beforehand be worth?' }).click();
      await axe(page);
    }
  });
