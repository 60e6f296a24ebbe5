import { execFileSync } from 'node:child_process';
import type { Locator, Page } from '@playwright/test';
import { axe, box, expect, kept, make, step, test, refusedRequests } from './fixtures';

const list =
  'curlew: mudflat, saltmarsh\ndunlin: mudflat\nskylark: saltmarsh\nteal: saltmarsh, open water\ncormorant: open water';
const volunteers = 'Name,First aid,Boat\nAda Quill,x,x\nBo Lin,x,\nCy Okoro,,x\nDi Nyström,x,';

const makeVenn = (page: Page, source: string, items: number): Promise<void> =>
  make(page, source, 'Venn diagram', `${items} items`);
const cell = (page: Page, item: string, set: string) =>
  page.getByRole('checkbox', { name: `${item} in ${set}`, exact: true });
const centre = async (of: Locator) => {
  const { x, y, width, height } = (await of.boundingBox())!;
  return { x: x + width / 2, y: y + height / 2 };
};

test('from a table with marks to a PDF', async ({ desk: page }) => {
  await makeVenn(page, volunteers, 4);
  await expect(box(page, 'Ada Quill, all of First aid and Boat')).toBeVisible();
  await expect(box(page, 'Bo Lin, First aid, not Boat')).toBeVisible();
  await step(page, 'Hand out');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save PDF' }).click();
  const text = execFileSync('pdftotext', [await (await download).path(), '-']).toString();
  for (const name of ['Ada Quill', 'Bo Lin', 'Cy Okoro', 'Di Nyström']) expect(text).toContain(name);
});

test('Start shows the sets that were understood, and the kinds that fit', async ({ desk: page }) => {
  await page.goto('/start');
  await page.getByLabel('Your list').fill(volunteers);
  await expect(page.getByText('Marks in the columns tell the sets.')).toBeVisible();
  await expect(page.getByRole('button', { name: /Org chart/ })).toBeVisible();
  await axe(page);
});

test('an item dragged into another region takes its ticks along, and undo brings it back', async ({ desk: page }) => {
  await makeVenn(page, list, 5);
  await expect(cell(page, 'dunlin', 'saltmarsh')).not.toBeChecked();
  const from = await centre(box(page, 'dunlin'));
  const to = await centre(box(page, 'curlew'));
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(to.x, to.y + 6, { steps: 6 });
  await expect(page.getByTestId('lit-region')).toBeVisible();
  await expect(page.getByText('dunlin: mudflat and saltmarsh, not open water')).toBeVisible();
  await page.mouse.up();
  await expect(cell(page, 'dunlin', 'saltmarsh')).toBeChecked();
  await expect(box(page, 'dunlin, mudflat and saltmarsh, not open water')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(cell(page, 'dunlin', 'saltmarsh')).not.toBeChecked();
});

test('a set dragged by its name onto another swaps places with it', async ({ desk: page }) => {
  await makeVenn(page, list, 5);
  const name = (i: number) => page.getByLabel(`Name of set ${i}`);
  await expect(name(1)).toHaveValue('mudflat');
  const letters = page.getByTestId('stage').locator('[aria-label^="Set mudflat"] text');
  const from = await centre(letters.nth(3));
  const to = await centre(box(page, 'cormorant'));
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(to.x, to.y, { steps: 6 });
  await expect(page.getByText('mudflat and open water will swap their places')).toBeVisible();
  await expect(page.getByTestId('lit-set')).toBeVisible();
  await page.mouse.up();
  await expect(name(1)).toHaveValue('open water');
  await expect(name(3)).toHaveValue('mudflat');
});

test('drawn to scale, with the error in words', async ({ desk: page }) => {
  await makeVenn(page, list, 5);
  await step(page, 'Arrange');
  await page.getByRole('button', { name: /^Ellipses to scale/ }).click();
  await expect(page.getByText(/stress .*, diagError/)).toBeVisible();
  await kept(page);
  await page.reload();
  await step(page, 'Arrange');
  await expect(page.getByRole('button', { name: /^Ellipses to scale/ })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByText(/stress .*, diagError/)).toBeVisible();
  await page.getByRole('button', { name: /^Counts/ }).click();
  await expect(page.getByTestId('stage').getByText('1', { exact: true }).first()).toBeVisible();
});

test('a question in words lights its region and lists its entries', async ({ desk: page }) => {
  await makeVenn(page, list, 5);
  await step(page, 'Figures');
  await page.getByRole('textbox', { name: 'Ask' }).fill('saltmarsh, but not mudflat');
  await expect(page.getByText('2 entries')).toBeVisible();
  await expect(page.getByTestId('lit-region')).toHaveCount(2);
  await page.getByRole('textbox', { name: 'Ask' }).fill('saltmarsh and lagoon');
  await expect(page.getByText('“lagoon” is neither a set nor a word')).toBeVisible();
});

test('sorting on screen: by dragging and by ticking, checked', async ({ desk: page }) => {
  await makeVenn(page, list, 5);
  await step(page, 'Hand out');
  await page.getByRole('link', { name: 'Sort', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Word bank' })).toBeVisible();
  await axe(page);
  const board = (await page.getByLabel('Drawing').locator('svg').last().boundingBox())!;
  const from = await centre(page.getByRole('button', { name: 'dunlin' }));
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(board.x + board.width / 2, board.y + board.height * 0.35, { steps: 5 });
  await expect(page.getByTestId('lit-region')).toBeVisible();
  await page.mouse.up();
  await page.getByRole('button', { name: 'teal' }).click();
  await page.getByRole('checkbox', { name: 'mudflat' }).check();
  await page.getByRole('button', { name: 'Put it there' }).click();
  await page.getByRole('button', { name: 'Check the answers' }).click();
  await expect(page.getByText('1 of 2 are right; 3 still to sort.')).toBeVisible();
  await page.getByRole('button', { name: 'Tell where they belong' }).click();
  await expect(page.getByText('belongs in saltmarsh and open water, not mudflat')).toBeVisible();
  await page.reload();
  await expect(page.getByText('Sorted so far: 2')).toBeVisible();
});

test('the sheet to fill in has the word bank and no answers', async ({ desk: page }) => {
  await makeVenn(page, list, 5);
  await kept(page);
  await page.addInitScript(() => (window.print = () => {}));
  await page.goto(`${page.url().replace(/\/$/, '')}/print?sheet=blank`);
  const names = page.getByRole('main').locator('text', { hasText: 'curlew' });
  await expect(names).toHaveCount(1);
  await expect(page.getByRole('main').getByText('mudflat and saltmarsh')).toHaveCount(0);
});

test.describe('pictures, some of which are refused', () => {
  test.use({ allowed: refusedRequests });
  test('a picture is kept with its entry and leaves with the diagram', async ({ desk: page }) => {
    await makeVenn(page, list, 5);
    // One red pixel.
    const png = Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8BQDwAEhQGAhKmMIQAAAABJRU5ErkJggg==',
      'base64',
    );
    await page.getByLabel('Picture files').setInputFiles({ name: 'Curlew.png', mimeType: 'image/png', buffer: png });
    await step(page, 'Arrange');
    await page.getByRole('button', { name: /^Names scattered/ }).click();
    await expect(page.getByTestId('stage').locator('image')).toHaveCount(1);
    await kept(page);
    const id = page.url().split('/').at(-1)!;
    const svg = await (await page.request.get(`/api/diagrams/${id}/hand-out?format=svg`)).text();
    expect(svg).toContain('data:image/png;base64,');
    await step(page, 'List');
    await page
      .getByLabel('Picture files')
      .setInputFiles({ name: 'notes.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
    await expect(page.getByText(/notes\.png: That file is no PNG, JPEG, WebP or GIF picture/)).toBeVisible();
    await page
      .getByLabel('Picture files')
      .setInputFiles(
        ['notes.png', 'more.png'].map((name) => ({ name, mimeType: 'image/png', buffer: Buffer.from('no picture') })),
      );
    const asked = page.getByLabel('Pictures without an entry');
    await expect(asked).toContainText('is called like notes.png, more.png.');
    // What is no picture makes no entry, and says so.
    await asked.getByRole('button', { name: /^Make 2 new/ }).click();
    await expect(page.getByText(/more\.png: That file is no PNG, JPEG, WebP or GIF picture/)).toBeVisible();
    await expect(asked).toHaveCount(0);
  });
});

test('the whole job without a pointer', async ({ desk: page }) => {
  await page.goto('/start');
  await page.getByLabel('Your list').focus();
  await page.keyboard.insertText(volunteers);
  await expect(page.getByText('4 items', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Make the Venn diagram' }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('textbox', { name: 'Name, line 4' }).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type('Eve Abara');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Space');
  await expect(cell(page, 'Eve Abara', 'First aid')).toBeChecked();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Space');
  await expect(cell(page, 'Eve Abara', 'Boat')).toBeChecked();
  await page.keyboard.press('Escape');
  // In the drawing: the number of a set puts the selected entry in or out.
  await page.keyboard.press('1');
  await expect(box(page, 'Eve Abara, Boat, not First aid')).toBeVisible();
  await page.keyboard.press('Alt+3');
  await expect(page.getByRole('radio').first()).toBeVisible();
  await page.keyboard.press('Alt+6');
  await page.getByRole('button', { name: 'Save PDF' }).focus();
  const download = page.waitForEvent('download');
  await page.keyboard.press('Enter');
  const text = execFileSync('pdftotext', [await (await download).path(), '-']).toString();
  expect(text).toContain('Eve Abara');
});

for (const colorScheme of ['light', 'dark'] as const)
  test(`axe finds nothing in any step, ${colorScheme}`, async ({ desk: page }) => {
    await page.emulateMedia({ colorScheme });
    await makeVenn(page, list, 5);
    for (const name of ['List', 'Arrange', 'Style', 'Figures', 'Notes', 'Hand out']) {
      await step(page, name);
      await expect(page.getByRole('region', { name, exact: true })).toBeVisible();
      await axe(page);
    }
  });

test('one list for each region: titled, and an item sent to another', async ({ desk: page }) => {
  await makeVenn(page, list, 5);
  await page.getByRole('button', { name: 'By region' }).click();
  await axe(page);
  await page.getByLabel('Title of the region mudflat and saltmarsh, not open water').fill('Both shores');
  await expect(page.getByTestId('stage').getByText('Both shores')).toBeVisible();
  await page.getByLabel('Region of dunlin').selectOption('open water, not mudflat or saltmarsh');
  await expect(box(page, 'dunlin, open water, not mudflat or saltmarsh')).toBeVisible();
});

test('details are written in the grid, and the whole list as text', async ({ desk: page }) => {
  await makeVenn(page, list, 5);
  await page.getByRole('button', { name: 'Details' }).click();
  await page.getByLabel('Detail of teal').fill('a small duck');
  await expect(box(page, 'teal').getByText('a small duck')).toBeVisible();
  // The column is reached, and left, with the arrow keys.
  await page.getByLabel('Detail of teal').press('End');
  await page.keyboard.press('ArrowRight');
  await expect(cell(page, 'teal', 'mudflat')).toBeFocused();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByLabel('Detail of teal')).toBeFocused();
  await page.getByRole('button', { name: 'As text' }).click();
  await axe(page);
  const text = page.getByLabel(/^One line an item/);
  await expect(text).toHaveValue(/^curlew: mudflat, saltmarsh\n/);
  await text.fill('heron: creek\nteal: creek, open water\ncurlew: mudflat, saltmarsh');
  await page.getByRole('button', { name: 'Take this list' }).click();
  await expect(box(page, 'teal, a small duck, open water and creek, not mudflat or saltmarsh')).toBeVisible();
  await expect(page.getByLabel('Detail of teal')).toHaveValue('a small duck');
  await page.keyboard.press('Control+z');
  await expect(cell(page, 'dunlin', 'mudflat')).toBeChecked();
});

test('two windows sort one diagram', async ({ desk: page, context }) => {
  await makeVenn(page, list, 5);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(cell(other, 'dunlin', 'mudflat')).toBeChecked();
  await cell(page, 'dunlin', 'open water').check();
  await expect(cell(other, 'dunlin', 'open water')).toBeChecked();
  await cell(other, 'skylark', 'mudflat').check();
  await expect(cell(page, 'skylark', 'mudflat')).toBeChecked();
});

test('a set is added, filled, styled, removed, and brought back', async ({ desk: page }) => {
  await makeVenn(page, list, 5);
  await page.getByRole('button', { name: 'Add a set' }).click();
  await page.getByLabel('Name of set 4').fill('creek');
  await cell(page, 'teal', 'creek').check();
  await expect(page.getByTestId('stage').locator('[aria-label^="Set creek, 1 entry"]')).toHaveCount(1);
  await step(page, 'Style');
  await page.getByRole('radio', { name: /^Set: / }).check();
  await page.getByLabel('Which set').selectOption('creek');
  await page.getByLabel('Border width').fill('4');
  await expect(page.getByTestId('stage').locator('[aria-label^="Set creek"] path')).toHaveAttribute(
    'stroke-width',
    '4',
  );
  await step(page, 'List');
  await page.getByRole('button', { name: 'Remove the set creek' }).click();
  await expect(page.getByLabel('Name of set 4')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(cell(page, 'teal', 'creek')).toBeChecked();
});

test('near spellings are asked about on Start, and the answer makes one item of two', async ({ desk: page }) => {
  await page.goto('/start');
  await page
    .getByLabel('Your list')
    .fill('mudflat\n  oystercatcher\n  dunlin\nsaltmarsh\n  oystercacher\n  dunlin\n  skylark');
  await expect(page.getByText('nearly “oystercatcher” of line 2')).toBeVisible();
  await expect(page.getByText('4 items', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: /^The same/ }).click();
  await expect(page.getByText('3 items', { exact: true })).toBeVisible();
});

test('on a narrow screen nothing needs to be scrolled sideways', async ({ desk: page }) => {
  await makeVenn(page, list, 5);
  await page.setViewportSize({ width: 390, height: 780 });
  const sideways = () => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  expect(await sideways()).toBeLessThanOrEqual(0);
  await page.getByRole('button', { name: 'Drawing', exact: true }).click();
  await expect(page.getByTestId('stage')).toBeInViewport();
  expect(await sideways()).toBeLessThanOrEqual(0);
  await page.goto(`${page.url()}/sort`);
  await expect(page.getByRole('heading', { name: 'Word bank' })).toBeVisible();
  expect(await sideways()).toBeLessThanOrEqual(0);
});

test('the Desk shows kinds apart, each by its name', async ({ desk: page }) => {
  await makeVenn(page, list, 5);
  await page.goto('/start');
  await page.getByLabel('Your list').fill('Ada\n\tBo\n\tCy');
  await page.getByRole('button', { name: 'Make the org chart' }).click();
  await expect(page.getByTestId('stage')).toBeVisible();
  await page.goto('/');
  const kinds = page.getByRole('group', { name: 'Kinds' });
  const cards = page.getByRole('link', { name: /entries in/ });
  await expect(cards).toHaveCount(2);
  await page.goto('/start');
  await page.getByLabel('Your list').fill('tides --carry--> silt\nsilt --makes--> mud');
  await page.getByRole('button', { name: 'Make the concept map' }).click();
  await expect(page.getByTestId('stage')).toBeVisible();
  await page.goto('/');
  await expect(cards).toHaveCount(3);
  await expect(cards.getByText('Concept map', { exact: true })).toBeVisible();
  await kinds.getByRole('button', { name: 'Venn diagram' }).click();
  await expect(cards).toHaveCount(1);
  await kinds.getByRole('button', { name: 'All' }).click();
  await expect(cards).toHaveCount(3);
});

test('items with a role of our own stand in boxes of their own, which the legend explains', async ({ desk: page }) => {
  await makeVenn(page, list, 5);
  await box(page, 'curlew').click();
  await box(page, 'teal').click({ modifiers: ['Shift'] });
  await step(page, 'Style');
  await page.getByRole('button', { name: 'Add a role' }).click();
  await page.getByLabel('Name of the role New role').fill('Ringed in May');
  const region = await box(page, 'curlew').locator('path').count();
  expect(region).toBe(0);
  await page.getByLabel('Fill, typed').fill('gold');
  await page.keyboard.press('Enter');
  for (const item of ['curlew', 'teal']) await expect(box(page, item).locator('path[fill="#ffd700"]')).toHaveCount(1);
  await expect(box(page, 'dunlin').locator('path')).toHaveCount(0);
  await page.getByLabel('Box', { exact: true }).selectOption('round ends');
  await expect(page.getByTestId('stage').getByText('Ringed in May')).toHaveCount(1);
  await page.getByText('Everything', { exact: true }).click();
  await expect(page.getByLabel('Box', { exact: true })).toHaveCount(0);
  await axe(page);
});

test('how see-through sets are is told for all and for one, and handed back', async ({ desk: page }) => {
  await makeVenn(page, list, 5);
  for (const [name, colour] of [
    ['mudflat', '#7a1022'],
    ['saltmarsh', '#104a7a'],
  ] as const)
    await page.getByLabel(`Colour of the set ${name}`).fill(colour);
  const filled = (colour: string) => page.getByTestId('stage').locator(`path[fill="${colour}"]`);
  await expect(filled('#7a1022')).toHaveCount(1);
  await step(page, 'Arrange');
  await page.getByLabel('See-through of All sets, percent').fill('50');
  await expect(filled('#7a1022')).toHaveCount(0);
  await page.getByLabel('See-through of mudflat, percent').fill('0');
  await expect(filled('#7a1022')).toHaveCount(1);
  await expect(filled('#104a7a')).toHaveCount(0);
  await page.getByLabel('See-through').getByRole('button', { name: 'Hand back' }).first().click();
  await expect(filled('#104a7a')).toHaveCount(1);
  await kept(page);
});
