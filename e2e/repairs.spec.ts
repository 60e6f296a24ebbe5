import { readFile } from 'node:fs/promises';
import { randomUUID } from 'node:crypto';
import { Server } from './server';
import { box, crew, expect, kept, makeChart, nameCell, step, test, refusedRequests } from './fixtures';

// Servers that die and requests that are refused are what is tested here.
test.use({ allowed: refusedRequests });

test('without signing in: a list is drawn beside the words, one’s own is tried, arranged, and kept after making an account', async ({
  another,
}) => {
  const page = await (await another()).newPage();
  await page.goto('/');
  await expect(page.getByText('9 people', { exact: true })).toBeVisible();
  await page.getByLabel('Your list').fill('Ada Quill\n    Bo Lin, Cook\n    Cy Dee');
  await expect(page.getByText('3 people', { exact: true })).toBeVisible();
  await page.getByLabel('Title of the diagram').fill('Kitchen');
  await page.getByRole('button', { name: 'Make the org chart' }).click();
  await expect(page.getByText('You are trying it out')).toBeVisible();
  // The first cell has the focus: typing begins at once.
  await expect(nameCell(page, 1)).toBeFocused();
  await nameCell(page, 1).fill('Ada Quill-Ray');
  await expect(box(page, 'Ada Quill-Ray')).toBeVisible();
  await step(page, 'Hand out');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save PDF' }).click();
  expect((await download).suggestedFilename()).toBe('Kitchen.pdf');
  await expect(page.getByText('The PDF is in your downloads.')).toBeInViewport();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  await expect(page.getByLabel('Mail address')).toBeFocused();
  await page.getByRole('button', { name: 'I am new here: make an account' }).click();
  await expect(page.getByLabel('Your name')).toBeFocused();
  await page.getByLabel('Your name').fill('Ada');
  await page.getByLabel('Mail address').fill(`${randomUUID()}@brackwater.example`);
  await page.getByLabel('Password').fill('estuary-mud-9');
  await page.getByRole('button', { name: 'Make the account' }).click();
  await expect(page).toHaveURL(/\/diagrams\//);
  await expect(box(page, 'Ada Quill-Ray')).toBeVisible();
  await expect(page.getByLabel('Title of the diagram')).toHaveValue('Kitchen');
});

test('a word of 300 letters and a narrow window leave the list its place and the page its width', async ({
  desk: page,
  another,
}) => {
  const long = 'm'.repeat(300);
  await page.getByLabel('Find a diagram').fill(long);
  await expect(page.getByText('Nobody called')).toBeVisible();
  const sideways = () => document.scrollingElement!.scrollWidth - window.innerWidth;
  expect(await page.evaluate(sideways)).toBeLessThanOrEqual(0);
  const guest = await (await another()).newPage();
  await guest.setViewportSize({ width: 390, height: 844 });
  await guest.goto('/');
  await guest.getByLabel('Your list').fill(long);
  await guest.getByRole('button', { name: /^People/ }).click();
  await expect(guest.getByText('1 person', { exact: true })).toBeVisible();
  expect((await guest.getByLabel('Your list').boundingBox())!.height).toBeGreaterThan(150);
  expect(await guest.evaluate(sideways)).toBeLessThanOrEqual(0);
});

test('what was done can be undone after closing and opening the diagram, and done again', async ({ desk: page }) => {
  await makeChart(page, crew, 4);
  await nameCell(page, 2).fill('Ivo Changed');
  await kept(page);
  await page.getByLabel('Title of the diagram').fill('Autumn crew');
  await kept(page);
  await page.reload();
  await expect(box(page, 'Ivo Changed')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByLabel('Title of the diagram')).not.toHaveValue('Autumn crew');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(box(page, 'Ivo Marangoni')).toBeVisible();
  await kept(page);
  await page.reload();
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(box(page, 'Ivo Changed')).toBeVisible();
});

test('a change the server will never take is handed back with its reason; the rest is kept', async ({ desk: page }) => {
  await makeChart(page, crew, 4);
  await page.route('**/edits', async (route) => {
    const sent = route.request().postData() ?? '';
    if (!sent.includes('Too much')) return route.continue();
    return route.fulfill({ status: 422, contentType: 'application/json', body: '{"message":"That cannot be kept."}' });
  });
  await nameCell(page, 2).fill('Too much');
  await nameCell(page, 3).fill('Good');
  const lost = page.getByRole('region', { name: 'Not kept' });
  await expect(lost).toContainText('One change could not be kept.');
  // Whose entry, what was typed, when, and why.
  await expect(lost).toContainText(/Ivo Marangoni: “Too much” \(done at .*\)\. That cannot be kept\./);
  await lost.getByRole('button', { name: 'Copy what was not kept' }).click();
  await expect(page.getByText('What was not kept is on the clipboard.')).toBeVisible();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toContain('Too much');
  await kept(page);
  await page.reload();
  await expect(box(page, 'Good')).toBeVisible();
  await expect(box(page, 'Ivo Marangoni')).toBeVisible();
});

test('a browser that stores nothing: diagrams open, work is kept, and the foot says what is at risk', async ({
  desk: page,
}) => {
  await page.addInitScript(() => {
    Object.defineProperty(window, 'indexedDB', {
      value: {
        open: () => {
          throw new DOMException('no', 'SecurityError');
        },
      },
    });
  });
  await makeChart(page, crew, 4);
  await nameCell(page, 2).fill('Kept all the same');
  await kept(page);
  await expect(page.getByText('This browser stores nothing here')).toBeVisible();
  await page.reload();
  await expect(box(page, 'Kept all the same')).toBeVisible();
});

test('files dropped anywhere on the Bench are refused in words and never open in its place', async ({ desk: page }) => {
  await makeChart(page, crew, 4);
  const address = page.url();
  await page.getByTestId('stage').evaluate((stage) => {
    const data = new DataTransfer();
    data.items.add(new File(['Name'], 'list.csv', { type: 'text/csv' }));
    stage.dispatchEvent(new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true }));
  });
  await expect(page.getByText('To bring a newer list')).toBeVisible();
  expect(page.url()).toBe(address);
});

test('the list as text indents by Tab, keeps the indent at Enter, and is left by Esc; a first child says why it stays', async ({
  desk: page,
}) => {
  await page.goto('/start');
  const area = page.getByLabel('Your list');
  await area.click();
  await page.keyboard.type('Ada Quill');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Tab');
  await page.keyboard.type('Bo Lin');
  await page.keyboard.press('Enter');
  await page.keyboard.type('Cy Dee');
  await page.keyboard.press('Shift+Tab');
  await expect(area).toHaveValue('Ada Quill\n    Bo Lin\nCy Dee');
  await page.keyboard.press('Escape');
  await expect(area).not.toBeFocused();
  await makeChart(page, crew, 4);
  await nameCell(page, 2).focus();
  await page.keyboard.press('Tab');
  await expect(page.getByText('“Ivo Marangoni” is the first here')).toBeVisible();
  await page.keyboard.press('Alt+3');
  await expect(page.locator('[data-panel]')).toBeFocused();
});

test('one title for head, sheet, Desk and file, until the sheet’s is parted; two of one name are numbered', async ({
  desk: page,
}) => {
  for (const wanted of ['Crew list', 'Crew list (2)']) {
    await page.goto('/start');
    await page.getByLabel('Title of the diagram').fill('Crew list');
    await page.getByLabel('Your list').fill(crew);
    await page.getByRole('button', { name: 'Make the org chart' }).click();
    // Start has a field of the same name.
    await page.waitForURL(/\/diagrams\//);
    await expect(page.getByLabel('Title of the diagram')).toHaveValue(wanted);
  }
  await page.getByLabel('Title of the diagram').fill('Spring crew');
  await step(page, 'Notes');
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue('Spring crew');
  await page.getByLabel('Title', { exact: true }).fill('For the wall');
  await expect(page.getByText('The sheet has a title of its own')).toBeVisible();
  await page.getByRole('button', { name: 'Use that on the sheet too' }).click();
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue('Spring crew');
  await step(page, 'Hand out');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save CSV' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe('Spring crew.csv');
  expect(await readFile(await file.path(), 'utf8')).toContain('Ivo Marangoni');
  await page.goto('/');
  await expect(page.getByRole('link', { name: /Spring crew.*today \d\d:\d\d/ })).toBeVisible();
});

test('a list that nothing reads well is asked about instead of drawn', async ({ desk: page }) => {
  await page.goto('/start');
  await page.getByLabel('Your list').fill('12;13;14\n7|8;9\n3;4;5;6|7');
  await expect(page.getByRole('region', { name: 'What does the list hold?' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Make/ })).toBeDisabled();
});

test('several guesses are said yes to in one gesture', async ({ desk: page }) => {
  await page.goto('/start');
  await page
    .getByLabel('Your list')
    .fill(
      'Name;Reports to\nAdaeze Okonkwo;\nPer Lindgren;Adaeze Okonkvo\nRin Takeda;Per Lindgrin\nTuva Nilsen;Rin Takeba',
    );
  await page.getByRole('button', { name: 'Yes to all 3' }).click();
  await expect(page.getByText('4 people in 4 tiers')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Yes', exact: true })).toHaveCount(0);
});

test('a name is typed into its region; pictures brought are shown; a colour picked is the colour drawn', async ({
  desk: page,
}) => {
  await page.goto('/start');
  await page.getByLabel('Your list').fill('curlew: mudflat, saltmarsh\ndunlin: mudflat\nskylark: saltmarsh');
  await page.getByRole('button', { name: 'Make the Venn diagram' }).click();
  await page.getByRole('button', { name: 'By region' }).click();
  const first = page.getByLabel(/^New name: /).first();
  await expect(first).toBeFocused();
  await page.keyboard.type('knot');
  await page.keyboard.press('Enter');
  await expect(box(page, 'knot')).toBeVisible();
  await expect(first).toHaveValue('');
  await page.getByRole('button', { name: 'As grid' }).click();
  const png = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8BQDwAEhQGAhKmMIQAAAABJRU5ErkJggg==',
    'base64',
  );
  await page.getByLabel('Picture files').setInputFiles({ name: 'knot.png', mimeType: 'image/png', buffer: png });
  await expect(page.getByTestId('stage').locator('image')).toHaveCount(1);
  await page.getByLabel('Colour of the set mudflat').fill('#3366aa');
  await expect(page.getByTestId('stage').locator('path[fill="#3366aa"]').first()).toBeAttached();
});

test('signing out ends what the browser was told: streams, pages and pictures', async ({
  desk: page,
  server,
  baseURL,
}) => {
  await makeChart(page, crew, 4);
  const id = page.url().split('/').at(-1)!.split('?')[0]!;
  const ended = page.evaluate(
    (at) =>
      new Promise((resolve) => {
        const source = new EventSource(`/api/feed?at=${at}~window-x`);
        source.onopen = () => ((window as unknown as { heard: boolean }).heard = true);
        source.onerror = () => (source.close(), resolve('ended'));
      }),
    id,
  );
  await page.waitForFunction(() => (window as unknown as { heard?: boolean }).heard === true);
  const cookie = (await page.context().cookies()).map(({ name, value }) => `${name}=${value}`).join('; ');
  const gone = await server.raw('/api/session', { method: 'DELETE', headers: { cookie, origin: baseURL! } });
  expect([gone.status, gone.headers['clear-site-data']]).toEqual([200, '"cache"']);
  expect(await ended).toBe('ended');
  for (const path of ['', '/edits', '/picture', '/hand-out?format=pdf'])
    expect((await page.request.get(`/api/diagrams/${id}${path}`)).status()).toBe(401);
});

test('a password is changed from the Desk', async ({ desk: page }) => {
  await page.getByRole('button', { name: 'Account' }).click();
  await page.getByLabel('The present password').fill('wrong');
  await page.getByLabel(/^The new one/).fill('another-tide-2');
  await page.getByRole('button', { name: 'Change the password' }).click();
  await expect(page.getByRole('alert')).toHaveText('The present password is not right.');
  await page.getByLabel('The present password').fill('tide-table-1');
  await page.getByRole('button', { name: 'Change the password' }).click();
  await expect(page.getByText('The password was changed.')).toBeVisible();
});

test('at the doors: odd addresses, hosts, methods and bodies get words, never a 500', async ({
  desk: page,
  server,
  baseURL,
}) => {
  await makeChart(page, crew, 4);
  const id = page.url().split('/').at(-1)!.split('?')[0]!;
  const cookies = (await page.context().cookies()).map(({ name, value }) => `${name}=${value}`).join('; ');
  const status = async (
    path: string,
    init: { method?: string; headers?: Record<string, string>; body?: string } = {},
  ) => (await server.raw(path, { ...init, headers: { cookie: cookies, ...init.headers } })).status;
  for (const since of ['1.5', '1e10', '-1', 'x', '%00'])
    expect(await status(`/api/diagrams/${id}/edits?since=${since}`), since).toBe(400);
  expect(await status(`/api/diagrams/${id}/edits?since=0`)).toBe(200);
  expect(await status('/api/diagrams/a%00b')).toBe(400);
  expect(await status('/api/diagrams/%ff')).toBe(400);
  expect(await status('/api/diagrams/constructor/edits')).toBe(404);
  expect(await status('/', { method: 'TRACE' })).toBe(405);
  expect(await status('/', { headers: { host: 'elsewhere.example' } })).toBe(421);
  const json = { origin: baseURL!, 'content-type': 'application/json' };
  expect(await status('/api/session', { method: 'POST', headers: json, body: '['.repeat(200_000) })).toBe(413);
  expect(await status('/api/session', { method: 'POST', headers: json, body: '['.repeat(3000) })).toBe(422);
  for (const body of [
    '{"base":99999999999,"gestures":[]}',
    '{"base":0,"gestures":[{"id":"12345678","commands":[{"kind":"rename","id":"e1","name":"\\ud800"}]}]}',
    '{"base":0,"gestures":[{"id":"12345678","commands":[{"kind":"rename","id":"__proto__","name":"x"}]}]}',
    '{"base":0,"gestures":[{"id":"12345678","commands":[{"kind":"setTitle","title":"\\u0000"}]}]}',
  ])
    expect(await status(`/api/diagrams/${id}/edits`, { method: 'POST', headers: json, body }), body).toBe(422);
  const title = `${'x'.repeat(79)}😀 end`;
  const body = JSON.stringify({ base: 0, gestures: [{ id: randomUUID(), commands: [{ kind: 'setTitle', title }] }] });
  expect(await status(`/api/diagrams/${id}/edits`, { method: 'POST', headers: json, body })).toBe(200);
  expect(await status(`/api/diagrams/${id}/hand-out?format=txt`)).toBe(200);
  // Feeds that are asked for by HEAD or given up at once leave nobody behind.
  for (let i = 0; i < 5; i++) expect(await status(`/api/feed?at=${id}~window-${i}`, { method: 'HEAD' })).toBe(200);
  await page.reload();
  await expect(page.getByText(/^All kept/)).toBeVisible();
  await expect(page.getByText(/Also here/)).toHaveCount(0);
});

test('behind a balancer that speaks HTTPS, cookies go over HTTPS alone and browsers are told so; nobody else may say that', async () => {
  const behind = await Server.start({ DENDROTAX_PROXY: 'yes', DENDROTAX_HOSTS: 'dendrotax.example' });
  const plain = await Server.start();
  try {
    const made = async (server: Server, headers: Record<string, string>) => {
      const account = { name: 'Pia Thorne', email: `${randomUUID()}@brackwater.example`, password: 'tide-table-1' };
      const answer = await server.raw('/api/accounts', {
        method: 'POST',
        headers: { 'content-type': 'application/json', ...headers },
        body: JSON.stringify(account),
      });
      const [cookie = ''] = answer.headers['set-cookie'] ?? [];
      return { status: answer.status, cookie, hsts: answer.headers['strict-transport-security'] };
    };
    const https = { host: 'dendrotax.example', origin: 'https://dendrotax.example' };
    const told = await made(behind, { ...https, 'x-forwarded-proto': 'https', 'x-forwarded-for': '203.0.113.7' });
    expect(told.status).toBeLessThan(300);
    expect(told.cookie).toMatch(/; Secure/i);
    expect(told.hsts).toMatch(/max-age=\d{7,}/);
    const unasked = await made(plain, {
      host: `127.0.0.1:${plain.port}`,
      origin: plain.address,
      'x-forwarded-proto': 'https',
      'x-dendrotax-secure': 'yes',
    });
    expect(unasked.status).toBeLessThan(300);
    expect(unasked.cookie).not.toMatch(/; Secure/i);
    expect(unasked.hsts).toBeUndefined();
  } finally {
    await behind.kill('SIGTERM');
    await plain.kill('SIGTERM');
  }
});

test.describe('two accounts in one browser', () => {
  test.use({ allowed: refusedRequests });
  test('what one has not sent waits for them, is never sent as the other, and is sent when they are back', async ({
    desk: page,
    context,
  }) => {
    const email = `${randomUUID()}@brackwater.example`;
    const mine = `${randomUUID()}@brackwater.example`;
    const signIn = async (of: typeof page, address: string, isNew: boolean) => {
      await of.goto('/sign-in');
      if (isNew) {
        await of.getByRole('button', { name: 'I am new here: make an account' }).press('Enter');
        await of.getByLabel('Your name').fill('Bo Lin');
      }
      await of.getByLabel('Mail address').fill(address);
      await of.getByLabel('Password').fill('tide-table-1');
      await of.getByRole('button', { name: isNew ? 'Make the account' : 'Sign in', exact: true }).click();
      await expect(of.getByText('What is on your list?')).toBeVisible();
    };
    await page.getByRole('button', { name: /Sign out/ }).click();
    await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
    await signIn(page, mine, true);
    await makeChart(page, crew, 4);
    const address = page.url();
    await kept(page);
    // The way to the server is shut for this window alone.
    await page.route('**/edits**', (route) => route.abort());
    await nameCell(page, 2).fill('Ivo Marangoni-Sand');
    await expect(page.getByText('No connection: what you do is kept here and sent later')).toBeVisible();
    // In another tab somebody else signs in.
    const other = await context.newPage();
    await other.request.delete('/api/session', { headers: { origin: new URL(address).origin } });
    await signIn(other, email, true);
    await page.unroute('**/edits**');
    await nameCell(page, 4).fill('Pernille Ö');
    await expect(page.getByText(/sign in/i).first()).toBeVisible();
    // It has reached nobody, and is told to nobody else.
    await other.goto('/');
    await expect(other.getByText(/wait on this machine/)).toHaveCount(0);
    await other.request.delete('/api/session', { headers: { origin: new URL(address).origin } });
    // Back on the first account the Desk tells of it, and the diagram sends it; the first window, which would do so by itself, is kept from it.
    await page.route('**/edits**', (route) => route.abort());
    await signIn(other, mine, false);
    await other.goto('/');
    await expect(other.getByText(/wait on this machine/)).toBeVisible();
    await page.close();
    await other.goto(address);
    await kept(other);
    await other.reload();
    await expect(nameCell(other, 2)).toHaveValue('Ivo Marangoni-Sand');
    await expect(nameCell(other, 4)).toHaveValue('Pernille Ö');
  });
});
