import { randomUUID } from 'node:crypto';
import { fileURLToPath } from 'node:url';
import AxeBuilder from '@axe-core/playwright';
import { test as base, expect, type BrowserContext, type Page } from '@playwright/test';
import pg from 'pg';
import { migrate } from '../src/server/migrate';
import { Server } from './server';

interface Fixtures {
  /** What the browser may say on its console: that a request was refused or came to nothing, where that is what is tested. */
  allowed: readonly RegExp[];
  /** Page errors and console errors of every page; a journey that has any fails. */
  problems: string[];
  /** A browser of somebody else, or one's own without being signed in. */
  another: () => Promise<BrowserContext>;
  /** Signed in on an account of its own; the page stands on the Desk. */
  desk: Page;
}

export const test = base.extend<Fixtures, { server: Server }>({
  server: [
    // eslint-disable-next-line no-empty-pattern
    async ({}, use) => {
      const pool = new pg.Pool({ connectionString: process.env.TEST_DATABASE_URL });
      await migrate(pool, fileURLToPath(new URL('../db/migrations', import.meta.url)));
      await pool.end();
      const server = await Server.start();
      await use(server);
      await server.kill('SIGTERM');
    },
    { scope: 'worker' },
  ],
  baseURL: ({ server }, use) => use(server.address),
  allowed: [[], { option: true }],
  problems: [
    async ({ allowed }, use) => {
      const problems: string[] = [];
      await use(problems);
      expect(problems.filter((one) => !allowed.some((pattern) => pattern.test(one)))).toEqual([]);
    },
    { auto: true },
  ],
  context: async ({ context, problems }, use) => {
    watch(context, problems);
    await use(context);
  },
  another: async ({ browser, baseURL, problems }, use) => {
    const made: BrowserContext[] = [];
    await use(async () => {
      const context = await browser.newContext({
        baseURL: baseURL!,
        viewport: { width: 1280, height: 800 },
        reducedMotion: 'reduce',
      });
      watch(context, problems);
      made.push(context);
      return context;
    });
    for (const context of made) await context.close();
  },
  desk: async ({ page, server }, use) => {
    const account = {
      name: 'Ilse Nakamura-Vidal',
      email: `${randomUUID()}@brackwater.example`,
      password: 'tide-table-1',
    };
    const { origin } = new URL(server.address);
    const made = await page.request.post('/api/accounts', { data: account, headers: { origin } });
    expect(made.ok()).toBe(true);
    await page.goto('/');
    await expect(page.getByRole('heading', { name: 'Your diagrams' })).toBeVisible();
    await use(page);
  },
});

export { expect };

/** What a browser says when a request was refused, or came to nothing. */
export const refusedRequests = [/Failed to load resource/];

function watch(context: BrowserContext, problems: string[]): void {
  context.on('weberror', (error) => problems.push(`page error: ${error.error().message}`));
  context.on('console', (message) => message.type() === 'error' && problems.push(`console: ${message.text()}`));
}

/** From a list to the Bench, in the kind that the list itself tells; `understood`: what Start says of it first. */
export async function make(page: Page, list: string, kind: string, understood?: string | RegExp): Promise<void> {
  await page.goto('/start');
  await page.getByLabel('Your list').fill(list);
  if (understood) await expect(page.getByText(understood, { exact: true })).toBeVisible();
  await page.getByRole('button', { name: `Make the ${kind}` }).click();
  await expect(page.getByTestId('stage')).toBeVisible();
}

export async function makeChart(page: Page, list: string, people: number): Promise<void> {
  await make(page, list, 'org chart', `${people} ${people === 1 ? 'person' : 'people'}`);
  await expect(page.getByRole('treegrid')).toBeVisible();
}

export const crew =
  'Kalle Nyström, Boat safety lead\n    Ivo Marangoni, Skipper\n        Taavi Kõrvits, Boat builder\n    Pernille Quist, Radio';

export const nameCell = (page: Page, line: number) =>
  page.getByRole('textbox', { name: new RegExp(`^Name, line ${line},`) });
export const box = (page: Page, name: string) => page.getByTestId('stage').locator(`[aria-label^="${name}"]`);
export const kept = (page: Page) => expect(page.getByText(/^All kept/)).toBeVisible();

/** To one of the six steps of the Bench. */
export const step = (page: Page, name: string) =>
  page.getByLabel('Steps').getByRole('button', { name, exact: true }).click();

/** Nothing on the page that keeps anybody from using it. */
export async function axe(page: Page): Promise<void> {
  // The pages have no frames, for which alone results are put together in a page of their own.
  const { violations } = await new AxeBuilder({ page })
    .setLegacyMode()
    .options({ resultTypes: ['violations'] })
    .analyze();
  expect(violations.map((one) => `${one.id}: ${one.nodes.map((node) => node.html.slice(0, 160)).join(' | ')}`)).toEqual(
    [],
  );
}

/** The sheets of a set at a wished print, on the step Hand out: their buttons, and how many there are. */
export async function sheetsOfSet(page: Page, least: string) {
  await page.getByLabel('Print at least at').selectOption(least);
  const told = page.getByLabel('Set of sheets').getByRole('status');
  await expect(told).toHaveText(/^\d+ sheets; the smallest text prints at 1\d\.\d pt\.$/);
  const count = Number(/^\d+/.exec((await told.textContent())!)![0]);
  const sheets = page.getByRole('list', { name: 'Sheets of the set' }).getByRole('button');
  await expect(sheets).toHaveCount(count);
  return { count, sheets };
}
