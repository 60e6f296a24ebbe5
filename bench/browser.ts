import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { chromium as browsers, type Page } from '@playwright/test';
import pg from 'pg';
import { chromium } from '../e2e/browser';
import { Server } from '../e2e/server';
import { migrate } from '../src/server/migrate';
import { createDiagram, type Diagram } from '../src/core/diagram';
import { diagramFromParents } from '../src/core/testing/arbitrary';
import { analysisOf } from '../src/core/testing/arbitrary-decision';
import { vennOf } from '../src/core/testing/arbitrary-venn';
import { random } from './random';
import { organisation } from './trees';

interface Typing {
  readonly work: Spread;
  readonly shown: Spread;
  /** Of the page's main thread, ms a key. */
  readonly cpu: number;
}
interface Spread {
  readonly median: number;
  readonly p95: number;
}
function spread(times: number[]): Spread {
  const sorted = [...times].sort((a, b) => a - b);
  return { median: sorted[Math.floor(sorted.length / 2)]!, p95: sorted[Math.floor(sorted.length * 0.95)]! };
}
const words = ({ median, p95 }: Spread): string =>
  `median ${median.toFixed(1)} ms, 95th percentile ${p95.toFixed(1)} ms`;

/** In the page: does something in a task after the frame that comes next, so that the frame is painted. */
const afterFrame = `(then) => requestAnimationFrame(() => {
  const channel = new MessageChannel();
  channel.port1.onmessage = then;
  channel.port2.postMessage(null);
})`;

/** The same moments in every run. */
const chance = random(3);

/**
 * Two spans from the input event of each key: to the end of all work it causes, drawing and document included; and to a task after the
 * frame that shows it, with the wait for that frame (8 ms on the mean at 60 frames a second).
 */
async function typing(page: Page, keys: string, event: 'input' | 'click' = 'input'): Promise<Typing> {
  const cdp = await page.context().newCDPSession(page);
  // Thread ticks leave out what the machine does for others in the meantime.
  await cdp.send('Performance.enable', { timeDomain: 'threadTicks' });
  const busy = async (): Promise<number> =>
    (await cdp.send('Performance.getMetrics')).metrics.find(({ name }) => name === 'TaskDuration')!.value * 1000;
  const before = await busy();
  // As text: a compiled function would carry helpers that the page does not have.
  await page.evaluate(`
    window.work = []; window.shown = [];
    if (!(window.measuring ??= {})['${event}']) {
      window.measuring['${event}'] = true;
      let began = 0;
      document.addEventListener('${event}', () => {
        const at = began = performance.now();
        (${afterFrame})(() => window.shown.push(performance.now() - at));
      }, true);
      document.addEventListener('${event}', () => window.work.push(performance.now() - began));
    }
  `);
  for (const key of keys) {
    await page.keyboard.type(key);
    // At any moment of a frame, as fingers do, not in step with them.
    await page.waitForTimeout(32 + 17 * chance());
  }
  await page.waitForTimeout(300);
  const { work, shown } = await page.evaluate<{ work: number[]; shown: number[] }>(
    '({ work: window.work, shown: window.shown })',
  );
  const cpu = ((await busy()) - before) / [...keys].length;
  await cdp.detach();
  return { work: spread(work), shown: spread(shown), cpu };
}

const both = ({ work, shown, cpu }: Typing): string =>
  `work ${words(work)}; shown ${words(shown)}; ${cpu.toFixed(1)} ms of the processor a key, drawing and painting included`;

/** Processor time that the machine gave to others (steal) and all that was asked for, in ticks; null where the system does not tell. */
function ticks(): { readonly stolen: number; readonly asked: number } | null {
  try {
    const [, user, nice, system, , , irq, soft, steal] = readFileSync('/proc/stat', 'utf8').split(/\s+/).map(Number);
    const stolen = steal ?? 0;
    return { stolen, asked: user! + nice! + system! + irq! + soft! + stolen };
  } catch {
    return null;
  }
}

/** Time between animation frames while the wheel turns over the drawing. */
async function frames(page: Page, turn: (i: number) => Promise<void>): Promise<Spread> {
  await page.evaluate(`
    const spans = (window.spans = []);
    let before = performance.now();
    const tick = (now) => {
      spans.push(now - before);
      before = now;
      if (window.spans === spans) requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
  `);
  for (let i = 0; i < 60; i++) await turn(i);
  const spans = await page.evaluate<number[]>('((spans) => ((window.spans = null), spans))(window.spans)');
  return spread(spans.slice(2));
}

type Measure = (server: Server, page: Page) => Promise<void>;

/** Measures the Bench in Chromium on the built application; needs TEST_DATABASE_URL, as scripts/bench-browser.sh sets it. */
export async function measureBrowser(): Promise<void> {
  if (!process.env.TEST_DATABASE_URL) throw new Error('TEST_DATABASE_URL is not set; run scripts/bench-browser.sh.');
  const pool = new pg.Pool({ connectionString: process.env.TEST_DATABASE_URL });
  await migrate(pool, fileURLToPath(new URL('../db/migrations', import.meta.url)));
  await pool.end();
  const server = await Server.start();
  const browser = await browsers.launch(chromium);
  try {
    const context = await browser.newContext({ baseURL: server.address, viewport: { width: 1280, height: 800 } });
    const account = { name: 'Bench', email: `${randomUUID()}@brackwater.example`, password: 'tide-table-1' };
    await context.request.post('/api/accounts', { data: account, headers: { origin: server.address } });
    console.log('\nThe Bench in Chromium\n');
    const before = ticks();
    // A page of its own for each, which does not carry what others left in the memory.
    for (const measure of [
      measureVenn,
      measureAnalysis,
      measureTopics,
      measureLooks,
      measureOn(500),
      measureOn(5000),
    ]) {
      const page = await context.newPage();
      await measure(server, page);
      await page.close();
    }
    const after = ticks();
    if (before && after) {
      const share = (after.stolen - before.stolen) / (after.asked - before.asked);
      console.log(
        `\nMeanwhile the machine was given to others for ${(share * 100).toFixed(0)} % of the processor time asked for.`,
      );
    }
  } finally {
    await browser.close();
    await server.kill('SIGTERM');
  }
}

/** A diagram on the Bench, drawn and at rest. */
async function opened(server: Server, page: Page, diagram: Diagram, ms: number): Promise<void> {
  const id = randomUUID();
  await page.request.post('/api/diagrams', { data: { id, diagram }, headers: { origin: server.address } });
  await page.goto(`/diagrams/${id}`);
  await page.getByTestId('stage').waitFor();
  await page.waitForTimeout(ms);
}

/** 80 items in two to five sets: a name typed, and boxes ticked. */
async function measureVenn(server: Server, page: Page): Promise<void> {
  for (const [sets, shape] of [
    [2, 'equal'],
    [3, 'equal'],
    [5, 'equal'],
    [3, 'scaled-ellipses'],
  ] as const) {
    const masks = Array.from({ length: 80 }, (_, i) => (i * 7 + (i >> 2)) % (1 << sets));
    const diagram = vennOf(sets, masks, (i) => `Item ${i} of the list`, { shape });
    await opened(server, page, diagram, 1200);
    await page.getByRole('textbox', { name: 'Name, line 5' }).fill('');
    console.log(`80 items in ${sets} sets, ${shape}, typing a name: ${both(await typing(page, 'Oystercatcher'))}`);
    await page
      .getByRole('checkbox', { name: /^Item 5 / })
      .first()
      .focus();
    console.log(`80 items in ${sets} sets, ${shape}, ticking: ${both(await typing(page, ' '.repeat(12), 'click'))}`);
  }
}

/** Marks the moment of the next thing that is typed, or, as a pointer leaves where it was before it is told to be anywhere else, pointed at. */
const begins = {
  typed: `document.addEventListener('input', () => (began = performance.now()), true);`,
  pointed: `document.addEventListener('pointerout', ({ relatedTarget }) => {
    if (relatedTarget?.closest?.('[aria-label=Looks] button')) began ??= performance.now();
  }, true);`,
} as const;

/**
 * From a key or from pointing to the drawing that shows what it changed, also where that is made in a worker: to the change of the drawing, and to a task after the frame that
 * paints it.
 */
async function redrawing(
  page: Page,
  gestures: readonly (() => Promise<unknown>)[],
  by: keyof typeof begins,
): Promise<{ readonly changed: Spread; readonly painted: Spread }> {
  await page.evaluate(`
    window.changed = []; window.painted = [];
    if (!window.redrawing) {
      let began = null;
      ${begins[by]}
      window.redrawing = new MutationObserver(() => {
        if (began === null) return;
        const at = began;
        began = null;
        window.changed.push(performance.now() - at);
        (${afterFrame})(() => window.painted.push(performance.now() - at));
      });
      const stage = document.querySelector('[data-testid=stage]');
      window.redrawing.observe(stage, { subtree: true, childList: true, attributes: true, characterData: true });
    }
  `);
  for (const gesture of gestures) {
    await gesture();
    await page.waitForTimeout((by === 'typed' ? 80 : 400) + 17 * chance());
  }
  await page.waitForTimeout(300);
  const { changed, painted } = await page.evaluate<{ changed: number[]; painted: number[] }>(
    '({ changed: window.changed, painted: window.painted })',
  );
  return { changed: spread(changed), painted: spread(painted) };
}

/** 500 nodes of an analysis: names and payoffs typed that keep to their tier, and payoffs that outgrow it, by which the values of all that lead to them change. */
async function measureAnalysis(server: Server, page: Page): Promise<void> {
  const parents = Array.from({ length: 500 }, (_, i) => (i === 0 ? -1 : Math.floor((i - 1) / 3)));
  const payoff = [12_000, -5_500, 60_250, 301_000, 7_800, 45_000, -120_000];
  const made = analysisOf(parents, { chance: [true, false, true], weight: [1, 2, 3], payoff });
  const entries = Object.fromEntries(
    Object.entries(made.entries).map(([id, entry], i) => [id, { ...entry, name: `Dredge the creek, way ${i}` }]),
  );
  await opened(server, page, { ...made, entries }, 1500);
  const name = page.getByRole('textbox', { name: /^Name, line 12,/ });
  const cell = page.getByRole('textbox', { name: /^Payoff of / }).nth(6);
  for (let run = 0; run < 3; run++) {
    await name.fill('');
    await page.waitForTimeout(300);
    console.log(`500 nodes of an analysis, typing a name: ${both(await typing(page, 'Salome Achterberg'))}`);
    await cell.fill('');
    await page.waitForTimeout(300);
    console.log(`500 nodes of an analysis, typing a payoff: ${both(await typing(page, '48215'))}`);
  }
  await cell.fill('');
  const keys = [...'1735209'].map((key) => () => page.keyboard.type(key));
  const { changed, painted } = await redrawing(page, keys, 'typed');
  console.log(
    `500 nodes of an analysis, a payoff that outgrows its tier: drawing changed ${words(changed)}; painted ${words(painted)}`,
  );
}

/** 500 ideas in a compact drawing: a name typed that keeps to its tier. */
async function measureTopics(server: Server, page: Page): Promise<void> {
  const made = diagramFromParents([...organisation(500).parent], (i) => `Waders of the creek ${i}`);
  const { kind, arrangement } = createDiagram('topic-tree', '');
  await opened(server, page, { ...made, kind, arrangement: { ...arrangement, tiers: 'compact' } }, 1500);
  const name = page.getByRole('textbox', { name: /^Name, line 12,/ });
  for (let run = 0; run < 3; run++) {
    await name.fill('');
    await page.waitForTimeout(500);
    console.log(`500 ideas, compact, typing a name: ${both(await typing(page, 'Salome Achterberg'))}`);
  }
}

/** 500 entries in a compact drawing: each look pointed at. */
async function measureLooks(server: Server, page: Page): Promise<void> {
  const diagram = diagramFromParents([...organisation(500).parent], (i) => `Waders of the creek ${i}`);
  await opened(server, page, diagram, 1500);
  await page.getByLabel('Steps').getByRole('button', { name: 'Style', exact: true }).click();
  const all = page.getByLabel('Looks').getByRole('button');
  await all.last().scrollIntoViewIfNeeded();
  await page.waitForTimeout(3000);
  const gestures = Array.from({ length: 3 }, () =>
    Array.from({ length: 7 }, (_, k) => async () => {
      await page.mouse.move(900, 780);
      await page.waitForTimeout(300);
      // A look that is not the chosen one.
      await all.nth(k + 1).hover();
    }),
  ).flat();
  const { changed, painted } = await redrawing(page, gestures, 'pointed');
  console.log(`500 entries, pointing at a look: drawing changed ${words(changed)}; painted ${words(painted)}`);
}

const measureOn =
  (n: number): Measure =>
  async (server, page) => {
    const names = [
      'Maëlle Adeyemi',
      'Tomasz Wieczorek',
      'Inés Okoro',
      'Bao Lindqvist',
      'Hana Petrović',
      'Noor van der Veen',
      'Arjun Sundaram',
    ];
    const diagram = diagramFromParents([...organisation(n).parent], (i) => names[i % names.length]!);
    await opened(server, page, diagram, 1500);
    const cell = page.getByRole('textbox', { name: /^Name, line 12,/ });
    await cell.fill('');
    console.log(`${n} entries, whole sheet in view, typing a name: ${both(await typing(page, 'Salome Achterberg'))}`);
    console.log(
      `${n} entries, whole sheet in view, a name that outgrows its tier: ${both(await typing(page, ' of the saltmarsh and the tidal creek'))}`,
    );
    const box = (await page.getByTestId('stage').boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    console.log(
      `${n} entries, zooming in and out: frames ${words(
        await frames(page, async (i) => {
          await page.mouse.wheel(0, i < 30 ? -120 : 120);
          await page.waitForTimeout(16);
        }),
      )}`,
    );
    // In until names can be read.
    const named = page.locator('[data-testid=stage] [data-entry]');
    for (let i = 0; i < 18 || (i < 60 && (await named.count()) === 0); i++) await page.mouse.wheel(0, -160);
    await cell.fill('');
    await page.waitForTimeout(500);
    console.log(`${n} entries, zoomed in, typing a name: ${both(await typing(page, 'Ngaire Holmström'))}`);
    // What is selected comes into view.
    await page.getByRole('textbox', { name: /^Name, line 14,/ }).click();
    await page.waitForTimeout(500);
    const [x, y] = [box.x + 120, box.y + 60];
    await page.mouse.move(x, y);
    await page.mouse.down();
    let most = 0;
    console.log(
      `${n} entries, zoomed in, panning: frames ${words(
        await frames(page, async (i) => {
          // To and fro, so that there is always something in view.
          const out = i % 40 < 20 ? i % 20 : 20 - (i % 20);
          await page.mouse.move(x + out * 20, y + out * 8);
          if (i % 10 === 0) most = Math.max(most, await named.count());
        }),
      )}, up to ${most} entries in the document`,
    );
    await page.mouse.up();
  };
