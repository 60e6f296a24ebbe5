import type { Page } from '@playwright/test';
import { box, crew, expect, makeChart, nameCell, refusedRequests, step, test } from './fixtures';

/** What a newcomer does: begins with nothing, presses everything, has no account. */
const kinds = [
  ['Org chart', 'org chart'],
  ['Topic tree', 'topic tree'],
  ['Decision tree', 'decision tree'],
  ['Family tree', 'family tree'],
  ['Concept map', 'concept map'],
  ['Venn diagram', 'Venn diagram'],
] as const;

/** What is pressed and smaller than 24 px in a direction, as a browser shows it; labels count for what they label. */
const tooSmall = (page: Page): Promise<string[]> =>
  page.locator('button, select, input').evaluateAll((all) =>
    (all as HTMLInputElement[])
      .filter((one) => one.checkVisibility() && !one.closest('svg'))
      .map((one) => {
        const own = one.getBoundingClientRect();
        const label = /checkbox|radio/.test(one.type) ? one.labels?.[0]?.getBoundingClientRect() : undefined;
        const most = (side: 'width' | 'height') => Math.max(own[side], label?.[side] ?? 0);
        return { one, box: { width: most('width'), height: most('height') } };
      })
      .filter(({ box }) => box.width > 2 && (box.width < 23.5 || box.height < 23.5))
      .map(({ one, box }) => `${one.ariaLabel ?? one.textContent}: ${box.width} × ${box.height}`),
  );

test('beginning with nothing: every kind is made empty, what is typed first is in the list and the drawing, and nothing that is pressed is small', async ({
  desk: page,
}) => {
  for (const [name, inSentence] of kinds) {
    await page.goto('/');
    await page.getByText('Start with an empty list').click();
    await page.getByRole('button', { name: `${name} to begin with nothing` }).click();
    await page.getByRole('button', { name: `Make an empty ${inSentence}` }).click();
    await expect(page.getByTestId('stage')).toBeVisible();
    // A row, or whatever the kind lists, has the focus: the first typing is taken.
    await expect(page.locator('input:focus')).toBeVisible();
    await page.keyboard.type('Tern');
    await page.keyboard.press('Enter');
    await expect(box(page, 'Tern').first()).toBeVisible();
    for (const one of ['Arrange', 'Style', 'Figures', 'Notes', 'Hand out', 'List']) {
      await step(page, one);
      expect(await tooSmall(page), `${name}, ${one}`).toEqual([]);
    }
  }
});

test('on the front page, too, an emptied list begins every kind', async ({ another }) => {
  const page = await (await another()).newPage();
  for (const [name, inSentence] of kinds) {
    await page.goto('/');
    await page.getByLabel('Your list').fill('');
    await page.getByRole('button', { name: `${name} to begin with nothing` }).click();
    await page.getByRole('button', { name: `Make an empty ${inSentence}` }).click();
    await expect(page.getByText('You are trying it out')).toBeVisible();
    await expect(page.getByTestId('stage')).toBeVisible();
  }
});

test.describe('where something fails', () => {
  test.use({ allowed: [/page error|console/] });
  test('the page says so instead of going blank, and shows what was typed', async ({ another }) => {
    const page = await (await another()).newPage();
    // A worker that answers what no page can show.
    const spoilt = JSON.stringify([{ kind: 'venn', read: {}, fit: { strength: 1, words: '' }, tiers: 0, drawn: null }]);
    await page.route(/read\.worker/, (route) =>
      route.fulfill({
        contentType: 'text/javascript',
        body: `onmessage = ({ data }) => data.id && postMessage({ id: data.id, type: 'RAW', value: ${spoilt} })`,
      }),
    );
    await page.goto('/');
    await expect(page.getByRole('heading', { name: 'This page could not go on' })).toBeVisible();
    await expect(page.getByLabel('What you typed, to be copied')).toHaveValue(/Adeyemi-Fox/);
    await expect(page.getByRole('button', { name: 'Go on' })).toBeFocused();
    await page.unroute(/read\.worker/);
    await page.getByRole('link', { name: 'To the first page' }).click();
    await expect(page.getByText('9 people', { exact: true })).toBeVisible();
  });
});

test.describe('without an account', () => {
  test.use({ allowed: refusedRequests });
  test('files are handed out; what asks for an account says so where it was pressed; keeping it three times keeps one', async ({
    another,
  }) => {
    const page = await (await another()).newPage();
    await page.goto('/');
    await page
      .getByLabel('Your list')
      .fill('Bill curved?\n  Yes: Curlew\n  No: Legs red?\n    Yes: Redshank\n    No: Knot');
    await page.getByRole('button', { name: 'Make the decision tree' }).click();
    await step(page, 'Hand out');
    for (const [name, ending] of [
      ['PDF', 'pdf'],
      ['PNG', 'png'],
      ['CSV', 'csv'],
    ] as const) {
      const download = page.waitForEvent('download');
      await page.getByRole('button', { name: `Save ${name}` }).click();
      expect((await download).suggestedFilename()).toMatch(new RegExp(`\\.${ending}$`));
      await expect(page.getByText(`The ${name} is in your downloads.`)).toBeInViewport();
      // The button that was pressed still has the focus.
      await expect(page.getByRole('button', { name: `Save ${name}` })).toBeFocused();
    }
    await page.getByRole('button', { name: 'Walk', exact: true }).click();
    await expect(page.getByText('This asks for an account: choose “Keep it” above.')).toBeVisible();
    await page.getByRole('link', { name: 'Front page' }).click();
    await page.getByRole('link', { name: 'Go on with it' }).click();
    await expect(page.getByText('You are trying it out')).toBeVisible();

    await page.getByRole('button', { name: 'Keep it' }).click();
    await page.getByRole('button', { name: 'I am new here: make an account' }).click();
    await page.getByLabel('Your name').fill('Newcomer');
    await page.getByLabel('Mail address').fill(`new-${Date.now()}@brackwater.example`);
    await page.getByLabel('Password').fill('estuary-mud-9');
    // Three keepings at once, as three clicks are.
    const sent: string[] = [];
    page.on('request', (one) => {
      if (one.method() === 'POST' && one.url().endsWith('/api/diagrams')) sent.push(one.postData() ?? '');
    });
    await page.getByRole('button', { name: 'Make the account' }).click();
    await expect(page).toHaveURL(/\/diagrams\//);
    expect(sent).toHaveLength(1);
    const { origin } = new URL(page.url());
    for (let k = 0; k < 2; k++)
      await page.request.post('/api/diagrams', { data: JSON.parse(sent[0]!), headers: { origin } });
    expect(await (await page.request.get('/api/diagrams')).json()).toHaveLength(1);
  });

  test('a missing address, on a page and at an endpoint, is told in our words with the way on', async ({ another }) => {
    const page = await (await another()).newPage();
    await page.goto('/no-such-page');
    await expect(page.getByRole('heading', { name: 'There is nothing here' })).toBeVisible();
    await page.getByRole('link', { name: 'A new diagram' }).click();
    await expect(page.getByLabel('Your list')).toBeVisible();
    const answer = await page.request.get('/api/no-such');
    expect(answer.headers()['content-type']).toContain('json');
  });
});

test('nothing leaves the keyboard nowhere: the window of keys, undo to the end, a message put away', async ({
  desk: page,
}) => {
  await makeChart(page, crew, 4);
  await page.getByRole('button', { name: 'Keys' }).click();
  await page.getByRole('dialog', { name: 'Keys' }).getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('button', { name: 'Keys' })).toBeFocused();
  await nameCell(page, 1).fill('Ada');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  await expect(page.getByRole('button', { name: 'Undo' })).toBeFocused();
});

test('an empty diagram says at Hand out that nothing is on it, and no number that is none', async ({ desk: page }) => {
  await page.goto('/start');
  await page.getByRole('button', { name: 'Make an empty org chart' }).click();
  await step(page, 'Hand out');
  await expect(page.getByTestId('stage')).toBeVisible();
  await page.waitForTimeout(1500);
  expect(await page.locator('body').innerText()).not.toMatch(/Infinity|NaN|undefined/);
});

test('at twice the size, and on a phone, the list shows its rows and the drawing can be read, by turns', async ({
  desk: page,
}) => {
  const staff = Array.from({ length: 45 }, (_, i) => `Person ${i + 2},Person ${Math.floor(i / 5) + 1}`).join('\n');
  await makeChart(page, `Name,Reports to\nPerson 1,\n${staff}`, 46);
  for (const [size, least] of [
    [{ width: 640, height: 400 }, 3],
    [{ width: 390, height: 844 }, 8],
  ] as const) {
    await page.setViewportSize(size);
    await page.getByRole('button', { name: 'Steps and list' }).click();
    const seen = await page.getByRole('treegrid').evaluate((grid) => {
      const { top, bottom } = grid.getBoundingClientRect();
      return [...grid.querySelectorAll('[role=row]')].filter((row) => {
        const box = row.getBoundingClientRect();
        return box.height > 0 && box.top >= top && box.bottom <= Math.min(bottom, window.innerHeight) + 1;
      }).length;
    });
    expect(seen).toBeGreaterThanOrEqual(least);
    await page.getByRole('button', { name: 'Drawing', exact: true }).click();
    const stage = (await page.getByTestId('stage').boundingBox())!;
    expect(stage.height).toBeGreaterThan(size.height * 0.45);
    await expect(page.getByRole('button', { name: 'Undo' })).toBeInViewport();
  }
});
