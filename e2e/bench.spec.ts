import type { Page } from '@playwright/test';
import { box, crew, expect, kept, makeChart, nameCell, step, test, refusedRequests } from './fixtures';

// Servers that die and requests that are refused are what is tested here.
test.use({ allowed: refusedRequests });

const middle = async (page: Page, name: string) => {
  const found = (await box(page, name).boundingBox())!;
  return { x: found.x + found.width / 2, y: found.y + found.height / 2 };
};

test('what was done is there when the diagram is opened again, and on the Desk', async ({ desk: page }) => {
  await makeChart(page, crew, 4);
  await page.getByLabel('Title of the diagram').fill('Boat crew, spring');
  await nameCell(page, 4).fill('Pernille Quist-Amundsen');
  await kept(page);
  await page.reload();
  await expect(nameCell(page, 4)).toHaveValue('Pernille Quist-Amundsen');
  await page.getByRole('link', { name: 'Desk' }).click();
  await expect(page.getByRole('link', { name: /Boat crew, spring.*4 entries in 3 tiers/ })).toBeVisible();
  await page.getByLabel('Find a diagram').fill('amundsen');
  await page.getByRole('link', { name: /^Pernille Quist-Amundsen/ }).click();
  await expect(page.getByLabel('From the top to the selection')).toContainText('Pernille Quist-Amundsen');
  await expect(page.getByTestId('selected')).toHaveCount(1);
});

test('the bin keeps a diagram until it is put back or erased', async ({ desk: page }) => {
  await makeChart(page, crew, 4);
  await page.getByLabel('Title of the diagram').fill('To the bin');
  await kept(page);
  await page.goto('/');
  await page.getByRole('button', { name: 'Put To the bin in the bin' }).click();
  await expect(page.getByRole('link', { name: /To the bin/ })).toHaveCount(0);
  await page.getByRole('button', { name: /^Bin/ }).click();
  await page.getByRole('button', { name: 'Put To the bin back' }).click();
  await expect(page.getByRole('link', { name: /To the bin/ })).toBeVisible();
  await page.getByRole('button', { name: 'Put To the bin in the bin' }).click();
  page.once('dialog', (dialog) => void dialog.accept());
  await page.getByRole('button', { name: 'Erase To the bin for good' }).click();
  await expect(page.getByText('“To the bin” was erased.')).toBeVisible();
});

test('two windows on one diagram see each other’s edits as they are made', async ({ desk: page, context }) => {
  await makeChart(page, crew, 4);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(nameCell(other, 2)).toHaveValue('Ivo Marangoni');
  await expect(page.getByText('Also here: you, in another window')).toBeVisible();
  await nameCell(page, 2).fill('Ivo Marangoni-Sand');
  await expect(nameCell(other, 2)).toHaveValue('Ivo Marangoni-Sand');
  await nameCell(other, 4).fill('Pernille Ö');
  await expect(nameCell(page, 4)).toHaveValue('Pernille Ö');
  // One removes a branch while the other types in it: the refused gesture is told, nothing breaks.
  await nameCell(page, 3).focus();
  await page.keyboard.press('Control+Delete');
  await expect(nameCell(other, 3)).toHaveValue('Pernille Ö');
  await other.close();
  await expect(page.getByText('Also here')).toHaveCount(0);
});

test('the server dies between two edits and comes back: nothing typed is lost', async ({ desk: page, server }) => {
  await makeChart(page, crew, 4);
  await nameCell(page, 2).fill('Before the crash');
  await kept(page);
  await server.kill();
  await nameCell(page, 3).fill('While it was down');
  await expect(page.getByText('No connection: what you do is kept here and sent later')).toBeVisible();
  await nameCell(page, 4).fill('Still down');
  await server.run();
  await kept(page);
  await page.reload();
  await expect(nameCell(page, 2)).toHaveValue('Before the crash');
  await expect(nameCell(page, 3)).toHaveValue('While it was down');
  await expect(nameCell(page, 4)).toHaveValue('Still down');
});

test('a window closed while the server was down gives its unsent work to the next one', async ({
  desk: page,
  server,
  context,
}) => {
  await makeChart(page, crew, 4);
  const address = page.url();
  await server.kill();
  await nameCell(page, 3).fill('Kept on this machine');
  await expect(page.getByText('No connection: what you do is kept here and sent later')).toBeVisible();
  await page.close();
  await server.run();
  const next = await context.newPage();
  await next.goto(address);
  await expect(nameCell(next, 3)).toHaveValue('Kept on this machine');
  await kept(next);
});

test('a branch dragged onto a new manager moves there, in the drawing and in the list, and back', async ({
  desk: page,
}) => {
  await makeChart(page, crew, 4);
  const [from, to] = [await middle(page, 'Ivo Marangoni'), await middle(page, 'Pernille Quist')];
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move((from.x + to.x) / 2, to.y, { steps: 4 });
  await page.mouse.move(to.x, to.y, { steps: 4 });
  await expect(page.getByText('Ivo Marangoni and 1 below will report to Pernille Quist')).toBeVisible();
  await expect(page.getByTestId('target')).toHaveCount(1);
  await page.mouse.up();
  await expect(box(page, 'Taavi Kõrvits, Boat builder, tier 4')).toHaveCount(1);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(box(page, 'Taavi Kõrvits, Boat builder, tier 3')).toHaveCount(1);
  // In the list: Pernille by her grip onto Taavi.
  const [grip, target] = [
    (await page.getByTitle('Drag to move the branch').nth(3).boundingBox())!,
    (await nameCell(page, 3).boundingBox())!,
  ];
  await page.mouse.move(grip.x + 8, grip.y + 15);
  await page.mouse.down();
  await page.mouse.move(grip.x + 20, grip.y - 10, { steps: 4 });
  await page.mouse.move(target.x + 40, target.y + 15, { steps: 6 });
  await expect(page.getByText('Pernille Quist will report to Taavi Kõrvits')).toBeVisible();
  await page.mouse.up();
  await expect(box(page, 'Pernille Quist, Radio, tier 4, reports to Taavi Kõrvits')).toHaveCount(1);
});

test('selection, double-click and removing keep list and drawing in step', async ({ desk: page }) => {
  await makeChart(page, crew, 4);
  const at = await middle(page, 'Ivo Marangoni');
  await page.mouse.click(at.x, at.y);
  await expect(page.getByRole('row', { selected: true }).getByRole('textbox').first()).toHaveValue('Ivo Marangoni');
  await page.mouse.dblclick(at.x, at.y);
  await page.getByRole('textbox', { name: 'Name of Ivo Marangoni' }).fill('Ivo M.');
  await page.keyboard.press('Enter');
  await expect(nameCell(page, 2)).toHaveValue('Ivo M.');
  await page.getByLabel('List', { exact: true }).getByRole('button', { name: 'Remove' }).click();
  await page.getByRole('button', { name: 'Remove Ivo M. only; those below go to Kalle Nyström' }).click();
  await expect(box(page, 'Taavi Kõrvits, Boat builder, tier 2')).toHaveCount(1);
});

test('lines pasted into a cell become entries with their own structure; the list as text can be edited as a whole', async ({
  desk: page,
}) => {
  await makeChart(page, crew, 4);
  await nameCell(page, 4).focus();
  await page.evaluate(async () =>
    navigator.clipboard.writeText('Maren Solheim\n\tGwenda Prys-Morgan, Night watch\nFemi Oyelaran'),
  );
  await page.keyboard.press('Control+v');
  await expect(box(page, 'Gwenda Prys-Morgan, Night watch, tier 3, reports to Maren Solheim')).toHaveCount(1);
  await expect(box(page, 'Femi Oyelaran, tier 2')).toHaveCount(1);
  await page.getByRole('button', { name: 'As text' }).click();
  await page.getByLabel('One line an entry').fill('Kalle Nyström\n    Ivo Marangoni\n        Salka Benediktsen');
  await page.getByRole('button', { name: 'Take this list' }).click();
  await expect(page.getByRole('treegrid').getByRole('textbox', { name: /^Name/ })).toHaveCount(3);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('treegrid').getByRole('textbox', { name: /^Name/ })).toHaveCount(7);
});

test('a tier is styled from the rail, the value says where it comes from and can be handed back', async ({
  desk: page,
}) => {
  await makeChart(page, crew, 4);
  await page.getByRole('button', { name: /^Tier 2/ }).click();
  await expect(page.getByRole('radio', { name: /^Tier II/ })).toBeChecked();
  const fill = page.getByLabel('Fill', { exact: true });
  const before = await fill.inputValue();
  await fill.fill('#112233');
  const path = box(page, 'Ivo Marangoni').locator('path').first();
  await expect(path).toHaveAttribute('fill', '#112233');
  await expect(page.getByText('chosen to be readable').first()).toBeVisible();
  await page.getByRole('button', { name: /^Fill: set for this tier/ }).click();
  await expect(path).toHaveAttribute('fill', before);
  await page.getByLabel('Called').fill('Skippers');
  await expect(page.getByRole('button', { name: /^Tier 2, Skippers/ })).toBeVisible();
  const grip = page.getByRole('slider', { name: 'Gap above tier 2' });
  await grip.focus();
  await page.keyboard.press('ArrowDown');
  await expect(grip).toHaveAttribute('aria-valuenow', '44');
});

test('arrangements are tried by pointing and kept by a click; sheet and look follow', async ({ desk: page }) => {
  await makeChart(page, crew, 4);
  await step(page, 'Arrange');
  const right = page.getByRole('button', { name: /^Left to right/ });
  const direction = async () => (await middle(page, 'Ivo Marangoni')).x > (await middle(page, 'Kalle Nyström')).x + 60;
  await right.hover();
  await expect.poll(direction).toBe(true);
  await page.getByRole('heading', { name: 'Sheet', exact: true }).hover();
  await expect.poll(direction).toBe(false);
  await right.click();
  await page.getByRole('heading', { name: 'Sheet', exact: true }).hover();
  await expect.poll(direction).toBe(true);
  await page.getByLabel('Size').selectOption('A3');
  await expect(page.getByText('A3 landscape, 1 sheet')).toBeVisible();
  await step(page, 'Style');
  await page.getByRole('button', { name: 'Night ferry' }).click();
  await expect(page.getByTestId('stage').locator('rect[fill="#13222b"]')).toHaveCount(1);
  await step(page, 'Notes');
  await page.getByLabel('Author').fill('I. Okoro');
  await expect(page.getByTestId('stage')).toContainText('I. Okoro');
});

test('figures count heads and spans and light the entries pointed at; findings lead to theirs', async ({
  desk: page,
}) => {
  await makeChart(page, `${crew}\n    Vacant, Deck hand`, 5);
  await step(page, 'Figures');
  const figures = page.getByRole('group', { name: 'Figures' });
  await expect(figures).toContainText(
    '4 people in 3 tiers, 1 post vacant. A manager has 2.0 direct reports on average, 3 at most.',
  );
  await expect(figures.locator('.recharts-bar-rectangle').first()).toBeVisible();
  await figures.getByRole('row', { name: /^II / }).hover();
  await expect(page.getByTestId('lit')).toHaveAttribute('d', /^M[^M]*M[^M]*M[^M]*$/);
  await page.getByRole('button', { name: /1 to look at/ }).click();
  await page.getByRole('button', { name: /1 post is vacant: Deck hand/ }).click();
  await expect(page.getByLabel('From the top to the selection')).toContainText('Vacant');
});

test('nobody opens a diagram that is not theirs; writes from elsewhere are turned away', async ({
  desk: page,
  another,
  request,
}) => {
  await makeChart(page, crew, 4);
  const address = page.url();
  const id = address.split('/').at(-1)!;
  const stranger = await (await another()).newPage();
  await stranger.goto(address);
  await expect(stranger).toHaveURL(/\/sign-in\?to=/);
  await stranger.getByRole('button', { name: 'I am new here: make an account' }).press('Enter');
  await stranger.getByLabel('Your name').fill('Bo Lin');
  await stranger.getByLabel('Mail address').fill(`bo-${Date.now()}@brackwater.example`);
  await stranger.getByLabel('Password').fill('another-tide-2');
  await stranger.getByRole('button', { name: 'Make the account' }).click();
  await expect(stranger.getByRole('heading', { name: 'There is nothing here' })).toBeVisible();
  await expect(stranger.getByRole('link', { name: 'To the Desk' })).toBeVisible();
  for (const path of ['', '/edits', '/picture', '/steps', '/hand-out?format=pdf'])
    expect((await stranger.request.get(`/api/diagrams/${id}${path}`)).status()).toBe(404);
  const heard = await stranger.evaluate(
    (at) =>
      new Promise((resolve) => {
        const source = new EventSource(`/api/feed?at=${at}~window-1`);
        source.onmessage = () => resolve('told of it');
        source.addEventListener('gone', () => (source.close(), resolve('gone')));
      }),
    id,
  );
  expect(heard).toBe('gone');
  await stranger.close();
  expect((await request.get(`/api/diagrams/${id}`)).status()).toBe(401);
  const forged = await page.request.post(`/api/diagrams/${id}/bin`, {
    data: { binned: true },
    headers: { origin: 'http://elsewhere.example' },
  });
  expect(forged.status()).toBe(403);
  const headers = (await page.request.get('/')).headers();
  expect(headers['content-security-policy']).toMatch(/script-src[^;]*'sha256-/);
  expect(headers['content-security-policy']).not.toMatch(/script-src[^;]*unsafe/);
});

test('a chart far too large for its sheet can still be read: in by keys until names show, selection in view', async ({
  desk: page,
}) => {
  const people = Array.from({ length: 899 }, (_, i) => `Person ${i + 2},Person ${Math.floor(i / 4) + 1}`).join('\n');
  await makeChart(page, `Name,Reports to\nPerson 1,\n${people}`, 900);
  const boxes = page.getByTestId('stage').locator('[data-entry]');
  await expect(boxes).toHaveCount(0);
  await nameCell(page, 4).click();
  const name = await nameCell(page, 4).inputValue();
  await page.keyboard.press('Escape');
  await expect(async () => {
    await page.keyboard.press('+');
    expect(await boxes.count()).toBeGreaterThan(0);
  }).toPass();
  // From entry to entry by arrows; the view goes along.
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByTestId('stage').getByText(name, { exact: true })).toBeInViewport();
});
