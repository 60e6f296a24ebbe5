import { randomUUID } from 'node:crypto';
import { crew, expect, kept, makeChart, test, refusedRequests } from './fixtures';

// Servers that die and requests that are refused are what is tested here.
test.use({ allowed: refusedRequests });

test('what is sent amiss is answered in words with the right code, and never with a trace', async ({
  desk: page,
  baseURL,
}) => {
  await makeChart(page, crew, 4);
  const id = page.url().split('/').at(-1)!;
  const origin = { origin: baseURL! };
  const post = (path: string, data: unknown, headers = {}) =>
    page.request.post(path, { data, headers: { ...origin, ...headers } });
  const entry = { id: 'n', name: 'x', details: [], fields: {}, role: null, parent: 'gone', order: 'V' };
  const cases: [string, Promise<import('@playwright/test').APIResponse>, number, RegExp][] = [
    ['no JSON', post(`/api/diagrams/${id}/edits`, 'x', { 'content-type': 'text/plain' }), 400, /has to be JSON/],
    [
      'broken JSON',
      page.request.fetch(`/api/diagrams/${id}/edits`, {
        method: 'POST',
        data: Buffer.from('{'),
        headers: { ...origin, 'content-type': 'application/json' },
      }),
      400,
      /not valid JSON/,
    ],
    ['no batch', post(`/api/diagrams/${id}/edits`, {}), 422, /./],
    [
      'an unknown command',
      post(`/api/diagrams/${id}/edits`, { base: 0, gestures: [{ id: randomUUID(), commands: [{ kind: 'explode' }] }] }),
      422,
      /./,
    ],
    [
      'a null character',
      post(`/api/diagrams/${id}/edits`, {
        base: 0,
        gestures: [{ id: randomUUID(), commands: [{ kind: 'setTitle', title: 'a\u0000b' }] }],
      }),
      422,
      /./,
    ],
    ['an unknown format', page.request.get(`/api/diagrams/${id}/hand-out?format=doc`), 400, /There is no format “doc”/],
    [
      'a resolution beyond measure',
      page.request.get(`/api/diagrams/${id}/hand-out?format=png&dpi=9999`),
      400,
      /between 24 and 1200/,
    ],
    [
      'a short password',
      post('/api/accounts', { name: 'x', email: 'x@y.example', password: 'short' }),
      422,
      /at least 10 characters/,
    ],
    [
      'a broken address',
      post('/api/accounts', { name: 'x', email: 'nonsense', password: 'long-enough-1' }),
      422,
      /name@place\.example/,
    ],
    [
      'erasing what is not in the bin',
      page.request.delete(`/api/diagrams/${id}`, { headers: origin }),
      404,
      /no such diagram/,
    ],
  ];
  for (const [what, answer, status, words] of cases) {
    const got = await answer;
    const text = await got.text();
    expect(got.status(), what).toBe(status);
    expect((JSON.parse(text) as { message: string }).message, what).toMatch(words);
    expect(text).not.toMatch(/node_modules|\.ts:|\.mjs:/);
  }
  // A well-formed command that cannot apply is refused with its reason, not an error.
  const refused = await post(`/api/diagrams/${id}/edits`, {
    base: 0,
    gestures: [
      { id: randomUUID(), commands: [{ kind: 'addEntries', entries: [entry], links: [], branches: {}, only: {} }] },
    ],
  });
  expect(await refused.json()).toMatchObject({
    revision: 0,
    outcomes: [{ refused: expect.stringContaining('no longer in the list') as unknown }],
  });
});

test('a body beyond the limit is refused while it is read', async ({ desk: page, baseURL }) => {
  const answer = await page.request.post('/api/diagrams', {
    data: Buffer.alloc(65 * 1024 * 1024, 0x20),
    headers: { origin: baseURL!, 'content-type': 'application/json' },
  });
  expect(answer.status()).toBe(413);
});

test('signing out ends the session; signing in leads back to the page that was asked for', async ({ desk: page }) => {
  await makeChart(page, crew, 4);
  const address = page.url();
  await page.goto('/');
  await page.getByRole('button', { name: 'Sign out' }).click();
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  expect((await page.request.get('/api/diagrams')).status()).toBe(401);
  await page.goto(address);
  await expect(page).toHaveURL(/\/sign-in\?to=%2Fdiagrams%2F/);
  await page.getByLabel('Mail address').fill('nobody@brackwater.example');
  await page.getByLabel('Password').fill('not the one');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('alert')).toHaveText('The address or the password is not right.');
});

test('a list of 500 and one of 3 fit the page without scrolling it, wide and narrow', async ({ desk: page }) => {
  const people = Array.from({ length: 499 }, (_, i) => `Person ${i + 2},Person ${Math.floor(i / 6) + 1}`).join('\n');
  for (const [list, n] of [
    [`Name,Reports to\nPerson 1,\n${people}`, 500],
    ['Ada Quill\n\tBo Lin\n\tCy Dee', 3],
  ] as const) {
    await makeChart(page, list, n);
    for (const size of [
      { width: 1280, height: 800 },
      { width: 420, height: 800 },
    ]) {
      await page.setViewportSize(size);
      const overflow = await page.evaluate(() => [
        document.documentElement.scrollWidth - window.innerWidth,
        document.documentElement.scrollHeight - window.innerHeight,
      ]);
      expect(overflow).toEqual([0, 0]);
      // Where there is no room for both, list and drawing take turns.
      const drawing = page.getByRole('button', { name: 'Drawing', exact: true });
      if (size.width < 768) await drawing.click();
      await expect(page.getByTestId('stage').locator('path').first()).toBeVisible();
      if (size.width < 768) await page.getByRole('button', { name: 'Steps and list' }).click();
    }
    await page.setViewportSize({ width: 1280, height: 800 });
  }
});

test('a set and tiles are asked for in words that the server knows, and only as PDF', async ({ desk: page }) => {
  await makeChart(page, crew, 4);
  await kept(page);
  const hand = (query: string) => page.request.get(`/api${new URL(page.url()).pathname}/hand-out?${query}`);
  for (const [query, words] of [
    ['format=pdf&set=2', '4 to 36'],
    ['format=pdf&set=many', ''],
    ['format=pdf&tiles=A9', 'A4, A3, letter'],
    ['format=png&set=9', 'PDF'],
    ['format=svg&tiles=A4', 'PDF'],
  ] as const) {
    const answer = await hand(query);
    expect(answer.status()).toBe(400);
    expect(await answer.text()).toContain(words);
  }
  const set = await hand('format=pdf&set=9');
  expect(set.status()).toBe(200);
  expect(set.headers()['content-type']).toBe('application/pdf');
  const printed = await page.request.get(`${new URL(page.url()).pathname}/print?sheet=set`);
  expect(printed.status()).toBe(200);
  expect((await page.request.get(`${new URL(page.url()).pathname}/print?sheet=nothing`)).status()).toBe(404);
});
