import { box, expect, kept, makeChart, step, test } from './fixtures';
import { Gestures } from './gestures';

const crew = 'Ama Boateng\n\tIvo Marangoni\n\t\tGil Ferreira\n\tMaren Solheim\n\tTaavi Kõrvits\n\t\tJin Castellanos';

test('all reporting lines thick, dashed, with arrows, and new ones like them', async ({ desk: page }) => {
  await makeChart(page, crew, 6);
  await step(page, 'Style');
  const hand = new Gestures(page);
  await hand.click(page.getByText('All reporting lines'));
  await hand.fill(page.getByLabel('Width', { exact: true }), '3');
  await hand.choose(page.getByLabel('Line', { exact: true }), 'dashed');
  await hand.choose(page.getByLabel('At its end'), 'arrow');
  const line = page.locator('[data-testid=stage] path[stroke-width="3"][stroke-dasharray]');
  await expect(line).toHaveCount(3);
  expect(hand.count).toBeLessThanOrEqual(5);
  hand.tell('Lines thick, dashed, with arrows, kept for new ones');
  await step(page, 'List');
  await page.getByRole('textbox', { name: /^Name, line 4,/ }).click();
  await page.keyboard.press('Shift+Enter');
  await page.keyboard.type('Ede Nwachukwu');
  await expect(line).toHaveCount(4);
});

test('an outline goes round a branch, follows whoever joins it, is formatted and removed', async ({ desk: page }) => {
  await makeChart(page, crew, 6);
  await box(page, 'Taavi Kõrvits').click();
  await step(page, 'Notes');
  const hand = new Gestures(page);
  await hand.click(page.getByRole('button', { name: 'Enclose the branch' }));
  await expect(page.getByText('The branch of Taavi Kõrvits: 2 people')).toBeVisible();
  await page.getByText('Shape, line and fill').click();
  await page.getByLabel('Shape of Taavi Kõrvits').selectOption('smooth');
  await page.getByLabel('Line of Taavi Kõrvits').selectOption('dotted');
  await page.getByLabel('Fill of Taavi Kõrvits, typed').fill('honeydew');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-testid=stage] path[fill="#f0fff0"][stroke-dasharray]')).toHaveCount(1);
  await hand.click(page.getByRole('button', { name: 'Remove the enclosure Taavi Kõrvits' }));
  await expect(page.locator('[data-testid=stage] path[fill="#f0fff0"]')).toHaveCount(0);
  expect(hand.count).toBe(2);
  hand.tell('An outline round a branch, removed again');
});

test('a title with a slanted word, a note beside a box with a list, and all text in another typeface', async ({
  desk: page,
}) => {
  await makeChart(page, crew, 6);
  await box(page, 'Maren Solheim').click();
  await step(page, 'Notes');
  const hand = new Gestures(page);
  await hand.fill(page.getByLabel('Title', { exact: true }), 'The *autumn* crew');
  await hand.click(page.getByRole('button', { name: 'Add one beside Maren Solheim' }));
  await hand.type('Has the keys\n- of the boathouse\n- of the **tide tank**');
  await step(page, 'Style');
  await hand.click(page.getByText('Everything', { exact: true }));
  await hand.choose(page.getByLabel('Name type'), 'slab serif');
  const stage = page.getByTestId('stage');
  await expect(stage.locator('text[font-style=italic]')).toHaveText('autumn');
  await expect(stage.locator('text[font-weight="700"]', { hasText: 'tide tank' })).toHaveCount(1);
  await expect(stage.locator("text[font-family*='Zilla Slab']").first()).toBeVisible();
  expect(hand.count).toBeLessThanOrEqual(9);
  hand.tell('A title with a slanted word, a note with a list, names in another typeface');
  await kept(page);
  await page.reload();
  await expect(stage).toContainText('of the boathouse');
});

test('a look, its colours, and one override that survives the next look; all of it handed back', async ({
  desk: page,
}) => {
  await makeChart(page, crew, 6);
  const shape = (name: string) => box(page, name).locator('path').first();
  await box(page, 'Maren Solheim').click();
  await page.keyboard.press('s');
  const plain = await shape('Maren Solheim').getAttribute('d');
  await page.getByLabel('Box', { exact: true }).selectOption('star');
  await expect(shape('Maren Solheim')).not.toHaveAttribute('d', plain!);
  const star = await shape('Maren Solheim').getAttribute('d');
  const hand = new Gestures(page);
  await hand.click(page.getByLabel('Looks').getByRole('button', { name: 'Heather' }));
  await hand.click(page.getByLabel('Heather in hue 25'));
  await page.getByLabel('Page, typed').fill('#fff4e0');
  await page.keyboard.press('Enter');
  await page.mouse.move(900, 700);
  await expect(page.locator('[data-testid=stage] rect[fill="#fff4e0"]')).toHaveCount(1);
  await expect(shape('Maren Solheim')).toHaveAttribute('d', star!);
  await expect(page.getByText('One setting made by hand stays when the look changes')).toBeVisible();
  await hand.click(page.getByRole('button', { name: 'Hand back it', exact: true }));
  hand.tell('A look, a variant, and one override taken back');
  await page.getByRole('button', { name: 'Hand back its colours and page' }).click();
  await expect(page.locator('[data-testid=stage] rect[fill="#fff4e0"]')).toHaveCount(0);
});

test('a row says where something narrower goes before; what one has is said for its tier', async ({ desk: page }) => {
  await makeChart(page, crew, 6);
  const shape = (name: string) => box(page, name).locator('path').first();
  await box(page, 'Maren Solheim').click();
  await page.keyboard.press('s');
  await page.getByLabel('Fill, typed').fill('navy');
  await page.keyboard.press('Enter');
  await expect(shape('Maren Solheim')).toHaveAttribute('fill', '#000080');
  await page.getByRole('button', { name: 'the whole tier' }).click();
  await expect(shape('Ivo Marangoni')).toHaveAttribute('fill', '#000080');
  await expect(page.getByText('All 3 entries of it now say so.')).toBeVisible();
  // A role goes before its tier, and the row of the tier says so.
  await page.getByText(/^Role:/).click();
  await page.getByLabel('Fill, typed').fill('#ffe08a');
  await page.keyboard.press('Enter');
  await page.getByText(/^Tier II/).click();
  await expect(page.getByText('Where something narrower sets it too, that goes before.')).toBeVisible();
});

test('a house style is kept, used in a second chart, changed, and offered to the first', async ({ desk: page }) => {
  await makeChart(page, crew, 6);
  const first = page.url();
  await step(page, 'Style');
  await page.getByLabel('Looks').getByRole('button', { name: 'Ledger' }).click();
  await page.getByLabel('Name of a new house style').fill('Brackwater house');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('tied', { exact: true })).toBeVisible();
  await page.getByLabel('For new diagrams').check();
  await kept(page);
  await page.goto('/');
  await makeChart(page, 'Bao Lindqvist\n\tLucja Borowska', 2);
  await step(page, 'Style');
  await expect(page.getByLabel('Looks').getByRole('button', { name: 'Ledger' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await page.getByLabel('Looks').getByRole('button', { name: 'Terracotta' }).click();
  await page.getByRole('button', { name: 'Put the changes made here into “Brackwater house”' }).click();
  await expect(page.getByText('tied', { exact: true })).toBeVisible();
  await kept(page);
  await page.goto(first);
  await page.getByRole('button', { name: 'Take the changes over' }).click();
  await step(page, 'Style');
  await expect(page.getByLabel('Looks').getByRole('button', { name: 'Terracotta' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await expect(page.getByText('has changed since this diagram')).toHaveCount(0);
  // As a file, and back under another account's eyes: the same words.
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByLabel('Brackwater house as a file').click(),
  ]);
  await page.getByLabel('House style file').setInputFiles(await download.path());
  await expect(page.getByLabel('House styles').getByText('Brackwater house')).toHaveCount(2);
  await page
    .getByLabel('House style file')
    .setInputFiles({ name: 'no.json', mimeType: 'application/json', buffer: Buffer.from('{"a":1}') });
  await expect(page.getByText('“no.json” is no house style')).toBeVisible();
});

test('roles are made of a column and of words, styled once for all who have them, and used in a second chart', async ({
  desk: page,
}) => {
  const table =
    'Name,Reports to,Title,Grade\nAma,,Head,5\nIvo,Ama,Boat lead,4\nMaren,Ama,Shore lead,3\nGil,Ivo,Skipper,4\n';
  await makeChart(page, table, 4);
  await step(page, 'Style');
  const hand = new Gestures(page);
  await hand.choose(page.getByLabel('Roles from a column'), 'Grade');
  await expect(page.getByLabel(/^Name of the role/)).toHaveCount(3);
  await hand.click(page.getByRole('button', { name: 'Style all 2' }));
  await hand.fill(page.getByLabel('Fill, typed'), 'gold');
  await page.keyboard.press('Enter');
  const shape = (name: string) => box(page, name).locator('path').first();
  await expect(shape('Ivo')).toHaveAttribute('fill', '#ffd700');
  await expect(shape('Gil')).toHaveAttribute('fill', '#ffd700');
  await expect(shape('Maren')).not.toHaveAttribute('fill', '#ffd700');
  hand.tell('Everyone with a role restyled');
  // One of words goes before that of the column, where it is put first.
  await page.getByRole('button', { name: 'Add a role' }).click();
  await page.getByLabel('Name of the role New role').fill('Leads');
  await page.getByLabel('Who has the role Leads').selectOption('whose detail contains');
  await page.getByLabel('Words of the role Leads').fill('lead');
  for (let k = 0; k < 3; k++) await page.getByLabel('Leads goes before the role above it').click();
  await page.getByLabel('Fill, typed').fill('#cde5ff');
  await page.keyboard.press('Enter');
  await expect(shape('Ivo')).toHaveAttribute('fill', '#cde5ff');
  await expect(shape('Gil')).toHaveAttribute('fill', '#ffd700');
  // The sheet explains the roles that look different, and the tiers once they have names.
  const legend = page.getByRole('img', { name: /^Leads\. 4$/ });
  await expect(legend).toHaveCount(1);
  await step(page, 'Notes');
  await page.getByRole('region', { name: 'Legend' }).getByLabel('Tiers').selectOption('all');
  await expect(page.getByRole('img', { name: 'Tier 1. Tier 2. Tier 3. Leads. 4' })).toHaveCount(1);
  await page.getByLabel('Roles that are drawn in a manner of their own').uncheck();
  await expect(page.getByRole('img', { name: 'Tier 1. Tier 2. Tier 3', exact: true })).toHaveCount(1);
  for (let k = 0; k < 2; k++) await page.getByRole('button', { name: 'Undo' }).click();
  await expect(legend).toHaveCount(1);
  await step(page, 'Style');
  await page.getByLabel('Name of a new house style').fill('With roles');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await kept(page);
  await page.goto('/');
  await makeChart(page, 'Name,Reports to,Title,Grade\nBao,,Tide lead,5\nOlek,Bao,Mapper,4\n', 2);
  await step(page, 'Style');
  await page.getByRole('button', { name: 'With roles', exact: true }).click();
  await expect(shape('Bao')).toHaveAttribute('fill', '#cde5ff');
  await expect(shape('Olek')).toHaveAttribute('fill', '#ffd700');
});

test('three boxes alike but one with its text beside, lines at the nearest and at a fixed side, two grouped, effects on and off', async ({
  desk: page,
}) => {
  await makeChart(page, 'Bo Lin\n\tCy Moss\n\tDi Reed', 3);
  const stage = page.getByTestId('stage');
  const hand = new Gestures(page);
  await hand.click(page.getByLabel('Steps').getByRole('button', { name: 'Style', exact: true }));
  await hand.click(page.getByText('Everything', { exact: true }));
  await hand.choose(page.getByLabel('Box', { exact: true }), 'round ends');
  // Effects go on and off.
  const plain = await box(page, 'Cy Moss').locator('path').count();
  await hand.click(page.getByText('Photos, signs, effects'));
  await hand.choose(page.getByLabel('Effect', { exact: true }), 'soft shadow');
  await expect(box(page, 'Cy Moss').locator('path')).not.toHaveCount(plain);
  await hand.click(page.getByRole('button', { name: 'Plain again: no effects' }));
  await expect(box(page, 'Cy Moss').locator('path')).toHaveCount(plain);
  // One with its text beside a dot.
  await hand.click(box(page, 'Di Reed'));
  await hand.press('s');
  await hand.choose(page.getByLabel('Box', { exact: true }), 'dot and text');
  // Two lines: one where it is nearest, one to a fixed side.
  await page.keyboard.down('Alt');
  await hand.drag(box(page, 'Cy Moss'), box(page, 'Di Reed'));
  await page.keyboard.up('Alt');
  await hand.press('Escape');
  await page.keyboard.down('Alt');
  await hand.drag(box(page, 'Bo Lin'), box(page, 'Cy Moss'));
  await page.keyboard.up('Alt');
  await hand.press('Escape');
  await hand.choose(page.getByLabel('Arrives', { exact: true }), 'at the left');
  const link = (await stage.locator('[aria-label^="Link from Bo Lin to Cy Moss"]').boundingBox())!;
  expect(link.x).toBeLessThan((await box(page, 'Cy Moss').boundingBox())!.x - 2);
  // Two are grouped.
  await hand.click(box(page, 'Cy Moss'));
  await hand.click(box(page, 'Di Reed'), { modifiers: ['Control'] });
  await hand.click(page.getByLabel('Steps').getByRole('button', { name: 'Notes', exact: true }));
  await hand.click(page.getByRole('button', { name: 'Enclose the 2 selected people' }));
  await expect(page.getByLabel('Enclosures')).toContainText('2 people');
  expect(hand.count).toBeLessThanOrEqual(18);
  hand.tell('Three boxes alike, text beside one, effects on and off, lines at sides, two grouped');
});
