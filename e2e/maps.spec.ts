import { execFileSync } from 'node:child_process';
import { readFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import { axe, box, expect, kept, make, sheetsOfSet, step, test } from './fixtures';
import { Gestures } from './gestures';

const estuary = await readFile(new URL('../demo/lists/productive-estuary.txt', import.meta.url), 'utf8');
const small = 'tides --carry--> silt\nsilt --settles as--> mud\nmud --is home to--> worms';
const proposition = (page: Page, words: string) =>
  page.getByTestId('stage').locator(`[aria-label="Proposition: ${words}"]`);

test('from propositions to a PDF, and to GraphML that is read again', async ({ desk: page }) => {
  await page.goto('/start');
  await page.getByLabel('Your list').fill(estuary);
  const understood = page.getByLabel('What was understood');
  await expect(understood).toContainText('23 ideas in 10 tiers');
  await expect(understood).toContainText('Arrows tell which idea leads to which');
  await page.getByRole('button', { name: 'Make the concept map' }).click();
  await expect(proposition(page, 'mussels filter fresh water')).toHaveCount(1);
  await expect(page.getByRole('heading', { name: 'What makes an estuary productive?' })).toBeVisible();
  await step(page, 'Hand out');
  const pdf = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save PDF' }).click();
  const text = execFileSync('pdftotext', [await (await pdf).path(), '-']).toString();
  for (const words of ['estuary', 'leave droppings rich in', 'redshank']) expect(text).toContain(words);
  await kept(page);
  const file = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save GraphML' }).click();
  const graph = await readFile(await (await file).path(), 'utf8');
  await page.goto('/start');
  await page.getByLabel('Your list').fill(graph);
  await expect(understood).toContainText('23 ideas in 10 tiers');
  await expect(understood).toContainText('A GraphML file tells nodes and edges.');
});

test('a centre with seven satellites, one in another shape, as a picture: at most 6 gestures', async ({
  desk: page,
}) => {
  const parts = ['birds', 'fish', 'worms', 'plants', 'boats', 'mud', 'tides'];
  await page.goto('/start');
  const hand = new Gestures(page);
  await page.getByLabel('Your list').fill(parts.map((part) => `estuary --has--> ${part}`).join('\n'));
  await hand.click(page.getByRole('button', { name: 'Make the concept map' }));
  const middle = (await box(page, 'estuary,').boundingBox())!;
  const above = (await box(page, 'birds,').boundingBox())!;
  expect(Math.hypot(middle.x - above.x, middle.y - above.y)).toBeGreaterThan(30);
  await hand.click(box(page, 'boats,'));
  await hand.press('s');
  await hand.choose(page.getByLabel('Box', { exact: true }), 'six sides');
  await hand.click(page.getByRole('button', { name: 'Hand out' }).first());
  const picture = page.waitForEvent('download');
  await hand.click(page.getByRole('button', { name: 'Save PNG' }));
  expect((await readFile(await (await picture).path())).subarray(1, 4).toString()).toBe('PNG');
  hand.tell('A centre with seven satellites, as a picture');
  expect(hand.count).toBeLessThanOrEqual(6);
});

test('a map for studying, ideas added and one moved by hand, landscape: at most 4 gestures beyond the typing', async ({
  desk: page,
}) => {
  await page.goto('/start');
  const hand = new Gestures(page);
  const list = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h', 'i', 'j', 'k'].map(
    (one, i) =>
      `idea ${i < 4 ? 'start' : 'abc'[i % 3]} --${['is part of', 'causes', 'needs'][i % 3]}--> idea ${one}${one}`,
  );
  await page.getByLabel('Your list').fill(list.join('\n'));
  await hand.click(page.getByRole('button', { name: 'Make the concept map' }));
  const first = page.getByLabel('New proposition: idea');
  await expect(first).toBeFocused();
  for (const [from, phrase, to] of [
    ['idea aa', 'leads to', 'a new idea'],
    ['a new idea', 'needs', 'another new one'],
  ] as const) {
    await page.keyboard.type(from);
    await page.keyboard.press('Tab');
    await page.keyboard.type(phrase);
    await page.keyboard.press('Tab');
    await page.keyboard.type(to);
    await page.keyboard.press('Enter');
    await expect(proposition(page, `${from} ${phrase} ${to}`)).toHaveCount(1);
  }
  const moved = box(page, 'another new one,');
  const before = (await moved.boundingBox())!;
  await hand.drag(moved, { x: 60, y: 40 });
  await expect.poll(async () => Math.round((await moved.boundingBox())!.x - before.x)).not.toBe(0);
  await hand.press('Alt+2');
  await hand.click(page.getByRole('radio', { name: 'landscape' }));
  await expect(page.getByText(/^A4 landscape/)).toBeVisible();
  hand.tell('A map for studying, added to, one idea moved, landscape');
  expect(hand.count).toBeLessThanOrEqual(4);
  await page.getByRole('button', { name: 'Send back' }).click();
  await expect(page.getByRole('region', { name: 'Nudged' })).toHaveCount(0);
});

test('links are drawn by dragging: to an idea, and to free ground, with the words typed at once; undone and split', async ({
  desk: page,
}) => {
  await make(page, small, 'concept map');
  const hand = new Gestures(page);
  await hand.drag(box(page, 'tides,'), box(page, 'worms,'));
  await expect(page.getByLabel('Words on the link')).toBeFocused();
  await page.keyboard.type('wash out');
  await page.keyboard.press('Enter');
  await expect(proposition(page, 'tides wash out worms')).toHaveCount(1);
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByTestId('stage').locator('[aria-label^="Proposition: "]')).toHaveCount(3);
  await page.keyboard.down('Alt');
  await hand.drag(box(page, 'mud,'), { x: 160, y: 10 });
  await page.keyboard.up('Alt');
  await page.keyboard.type('smells of');
  await page.keyboard.press('Enter');
  await page.keyboard.type('sulphur');
  await page.keyboard.press('Enter');
  await expect(proposition(page, 'mud smells of sulphur')).toHaveCount(1);
  await page.getByLabel('Linking phrase, line 1').focus();
  await page.getByRole('button', { name: 'Turn round' }).click();
  await expect(proposition(page, 'silt carry tides')).toHaveCount(1);
  await page.getByRole('button', { name: 'Idea between' }).click();
  await page.keyboard.type('sand');
  await page.keyboard.press('Enter');
  await expect(proposition(page, 'silt carry sand')).toHaveCount(1);
  await kept(page);
});

test('an idea that is not there is made where it is typed; what cannot be is said', async ({ desk: page }) => {
  await make(page, small, 'concept map');
  const end = page.getByLabel('Leads to, line 1');
  await end.fill('tides');
  await end.press('Enter');
  await expect(page.getByText('A proposition leads from one idea to another.')).toBeVisible();
  await end.fill('sand');
  await end.press('Enter');
  await expect(proposition(page, 'tides carry sand')).toHaveCount(1);
  await page.getByRole('tab', { name: 'Ideas' }).click();
  await expect(page.getByRole('treegrid')).toContainText('');
  await expect(page.getByText('5 ideas, 3 propositions', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'As text' }).click();
  const text = page.getByRole('textbox', { name: /One proposition a line/ });
  await text.fill(`Focus question: Why mud?\n${small}\nworms --feed--> birds`);
  await page.getByRole('button', { name: 'Take this list' }).click();
  await expect(proposition(page, 'worms feed birds')).toHaveCount(1);
  await step(page, 'Arrange');
  await expect(page.getByRole('textbox', { name: 'Focus question' })).toHaveValue('Why mud?');
});

test('the score, marked and corrected by hand; and the map beside a key', async ({ desk: page }) => {
  await make(page, small, 'concept map');
  await step(page, 'Figures');
  const score = page.getByRole('table', { name: /^Score/ });
  await expect(score.getByRole('row', { name: /^Together/ })).toContainText('18');
  await page.getByRole('button', { name: 'Not valid: tides carry silt' }).click();
  await expect(score.getByRole('row', { name: /^Together/ })).toContainText('17');
  await score.getByLabel('Levels below the first idea, counted by hand').fill('2');
  await expect(score.getByRole('row', { name: /^Together/ })).toContainText('12');
  await page.getByRole('button', { name: 'Write or paste a key' }).click();
  await page
    .getByLabel(/^One proposition a line/)
    .fill('the tide --carries--> silts\nmud --settles as--> silt\nmud --hides--> crabs');
  const compared = page.getByRole('region', { name: 'Compared with a key map' });
  await expect(compared).toContainText('1 of 3 propositions of the key are found');
  await expect(compared).toContainText('The other way round (1)');
  await expect(compared).toContainText('Missing (1)');
  await kept(page);
});

test('a large map is handed out over several sheets, each proposition with both its ideas', async ({ desk: page }) => {
  await make(page, estuary, 'concept map');
  await step(page, 'Hand out');
  const { count, sheets } = await sheetsOfSet(page, '14');
  await sheets.nth(1).click();
  await expect(page.getByRole('dialog')).toContainText('from sheet');
  await page.keyboard.press('Escape');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save set as PDF' }).click();
  const text = execFileSync('pdftotext', [await (await download).path(), '-']).toString();
  for (const words of ['continued on', 'Overview', `Sheet ${count} of ${count}`, 'redshank'])
    expect(text).toContain(words);
});

test('words are left blank, filled in on screen and checked', async ({ desk: page }) => {
  await make(page, small, 'concept map');
  await step(page, 'Hand out');
  await page.getByRole('button', { name: 'All phrases' }).click();
  await expect(page.getByText('3 words are left blank')).toBeVisible();
  await kept(page);
  await page.getByRole('link', { name: 'Fill in' }).click();
  await page.getByLabel('Gap 1: tides gap silt').fill('carries');
  await page.getByLabel('Gap 2: silt gap mud').fill('eats');
  await page.getByRole('button', { name: 'Check' }).click();
  await expect(page.getByRole('status')).toHaveText('1 of 3 right, 1 still open.');
  await axe(page);
  await page.reload();
  await expect(page.getByLabel('Gap 2: silt gap mud')).toHaveValue('eats');
  await page.goto(page.url().replace('/fill', '/print?sheet=blank'));
  await expect(page.locator('svg')).toContainText('settles as');
});

test('ideas are enclosed, and the outline follows them into another arrangement', async ({ desk: page }) => {
  await make(page, small, 'concept map');
  await box(page, 'silt,').click();
  await box(page, 'mud,').click({ modifiers: ['Control'] });
  await step(page, 'Notes');
  await page.getByRole('button', { name: 'Enclose the 2 selected ideas' }).click();
  await page.getByLabel('Name of the enclosure around 2 ideas').fill('What settles');
  await expect(page.getByTestId('stage')).toContainText('What settles');
  await step(page, 'Arrange');
  await page.getByRole('button', { name: /^Rings/ }).click();
  await expect(page.getByTestId('stage')).toContainText('What settles');
  await step(page, 'Notes');
  await page.getByRole('button', { name: 'Remove the enclosure What settles' }).click();
  await expect(page.getByTestId('stage')).not.toContainText('What settles');
  const idea = page.getByTestId('stage').locator('g.glides > [data-entry]').first();
  // Where less motion is asked for, as in these journeys, ideas are in their places at once.
  await expect(idea).toHaveCSS('transition-property', 'none');
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await expect(idea).toHaveCSS('transition-property', 'transform');
  await expect(idea).toHaveCSS('transition-duration', '0.24s');
});

test('the whole job without a pointer', async ({ desk: page }) => {
  await page.getByRole('link', { name: 'Start with an empty list' }).focus();
  await page.keyboard.press('Enter');
  await page.getByLabel('Your list').focus();
  await page.keyboard.insertText(small);
  const making = page.getByRole('button', { name: 'Make the concept map' });
  await expect(making).toBeEnabled();
  await making.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('New proposition: idea')).toBeFocused();
  await page.keyboard.type('worms');
  await page.keyboard.press('Tab');
  await page.keyboard.type('feed');
  await page.keyboard.press('Tab');
  await page.keyboard.type('birds');
  await page.keyboard.press('Enter');
  await expect(proposition(page, 'worms feed birds')).toHaveCount(1);
  await page.getByRole('group', { name: /^The drawing/ }).focus();
  await page.keyboard.press('Home');
  await page.keyboard.press('Shift+Enter');
  await page.keyboard.type('shape');
  await page.keyboard.press('Enter');
  await page.keyboard.type('channels');
  await page.keyboard.press('Enter');
  await expect(proposition(page, 'tides shape channels')).toHaveCount(1);
  await page.keyboard.press('Alt+6');
  await page.getByRole('button', { name: 'Save PDF' }).focus();
  const pdf = page.waitForEvent('download');
  await page.keyboard.press('Enter');
  const text = execFileSync('pdftotext', [await (await pdf).path(), '-']).toString();
  expect(text).toContain('channels');
});

test('every step of the Bench can be used by everybody', async ({ desk: page }) => {
  await make(page, small, 'concept map');
  for (const name of ['List', 'Arrange', 'Style', 'Figures', 'Notes', 'Hand out']) {
    await step(page, name);
    await axe(page);
  }
});

test('a diagram of another kind is taken to Start as propositions', async ({ desk: page }) => {
  await make(page, 'Ada Quill + Bo Marsh\n\tCy Quill', 'family tree');
  await step(page, 'Hand out');
  await page.getByRole('button', { name: 'Take it to Start' }).click();
  await expect(page.getByLabel('Your list')).toHaveValue(/Ada Quill --is with--> Bo Marsh/);
  await page.getByRole('button', { name: 'Make the concept map' }).click();
  await expect(proposition(page, 'Bo Marsh is a parent of Cy Quill')).toHaveCount(1);
});
