/** Refreshes docs/screenshots from the demo data of a running bin/start: npx tsx scripts/screenshots.ts [ADDRESS] */
import { readFile } from 'node:fs/promises';
import { chromium as browsers } from '@playwright/test';
import { demoAccounts } from '../demo/load';
import { chromium } from '../e2e/browser';

const address = process.argv[2] ?? 'http://127.0.0.1:4400';
const folder = process.argv[3] ?? 'docs/screenshots';
const browser = await browsers.launch(chromium);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
page.on('console', (message) => message.type() === 'error' && console.error('console:', message.text()));
page.on('pageerror', (error) => console.error('page:', error.message));
const shot = (name: string) => page.screenshot({ path: `${folder}/${name}.png` });

await page.goto(address);
await page.getByText('9 people').waitFor();
await page.waitForTimeout(600);
await shot('front');
await page.goto(`${address}/sign-in`);
await page.getByLabel('Mail address').fill(demoAccounts[0].email);
await page.getByLabel('Password').fill(demoAccounts[0].password);
await page.getByRole('button', { name: 'Sign in' }).click();
await page.getByRole('heading', { name: 'What is on your list?' }).waitFor();
await page.waitForLoadState('networkidle');
await page.waitForTimeout(6000);
await shot('desk');

await page.goto(`${address}/start`);
await page.getByLabel('Your list').fill(await readFile('demo/lists/brackwater-staff.csv', 'utf8'));
await page.getByText('46 people').waitFor();
await page.waitForTimeout(400);
await shot('start');

await page.goto(`${address}/diagrams/brackwater-staff`);
await page.getByTestId('stage').waitFor();
await page.getByRole('textbox', { name: /^Name, line 5,/ }).click();
await page.waitForTimeout(600);
await shot('bench-list');
const stepTo = (step: string) => page.getByLabel('Steps').getByRole('button', { name: step, exact: true }).click();
for (const step of ['Arrange', 'Style', 'Figures', 'Hand out']) {
  await stepTo(step);
  if (step === 'Style') await page.getByRole('button', { name: /^Tier 3,/ }).click();
  await page.mouse.move(700, 760);
  await page.waitForTimeout(700);
  await shot(`bench-${step.toLowerCase().replace(' ', '-')}`);
}
await page.goto(`${address}/diagrams/brackwater-certificates`);
await page.getByTestId('stage').waitFor();
await stepTo('Arrange');
await page.waitForTimeout(1500);
await shot('venn-arrange');
await stepTo('Style');
await page.getByRole('radio', { name: /^Set: / }).click();
await page.mouse.move(700, 760);
await page.waitForTimeout(600);
await shot('venn-style');
await stepTo('Figures');
await page.getByRole('textbox', { name: 'Ask' }).fill('in first aid or boat, but not minibus');
await page.waitForTimeout(900);
await shot('venn-figures');
await page.goto(`${address}/diagrams/brackwater-birds/sort`);
await page.getByRole('heading', { name: 'Word bank' }).waitFor();
for (const [name, sets] of [
  ['curlew', ['mudflat', 'saltmarsh']],
  ['dunlin', ['mudflat']],
  ['cormorant', ['open water']],
  ['teal', ['open water', 'mudflat']],
] as const) {
  await page.getByRole('button', { name, exact: true }).click();
  for (const set of sets) await page.getByRole('checkbox', { name: set }).check();
  await page.getByRole('button', { name: 'Put it there' }).click();
}
await page.getByRole('button', { name: 'Check the answers' }).click();
await page.waitForTimeout(400);
await shot('venn-sort');
await page.goto(`${address}/diagrams/brackwater-estuary`);
await page.getByTestId('stage').waitFor();
await page.getByLabel('Linking phrase, line 11').click();
await page.waitForTimeout(1500);
await shot('map-list');
await page.goto(`${address}/diagrams/brackwater-family`);
await page.getByTestId('stage').waitFor();
await page.getByRole('textbox', { name: /^Name, line 5,/ }).click();
await page.waitForTimeout(900);
await shot('family-list');
await stepTo('Figures');
await page.getByLabel('Related to whom').selectOption({ label: 'Maren Tolvanen' });
await page.getByLabel('Who is related').selectOption({ label: 'Ansel Achterberg' });
await page.getByRole('button', { name: 'Show the way' }).click();
await page.waitForTimeout(900);
await shot('family-figures');
for (const [diagram, step, name] of [
  ['brackwater-shores', 'Arrange', 'topic-columns'],
  ['brackwater-boardwalk', 'Figures', 'decision-figures'],
] as const) {
  await page.goto(`${address}/diagrams/${diagram}`);
  await page.getByTestId('stage').waitFor();
  await stepTo(step);
  await page.mouse.move(700, 760);
  await page.waitForTimeout(1500);
  await shot(name);
}
await browser.close();
