import { axe, box, expect, kept, make, nameCell, step, test } from './fixtures';

test('a column for each level: understood, made, and edited', async ({ desk: page }) => {
  await make(
    page,
    'Level 1,Level 2,Level 3\nRocks,Igneous,Granite\nRocks,Igneous,Basalt\nRocks,Sedimentary,Chalk\nMinerals,Silicates,Quartz',
    'topic tree',
    /Each column is a level, from the top one on\./,
  );
  await expect(page.getByRole('button', { name: /^Tier 3, 4 entries/ })).toBeVisible();
  await expect(box(page, 'Basalt')).toHaveAttribute('aria-label', /belongs to Igneous/);
  await nameCell(page, 4).click();
  await page.keyboard.press('End');
  await page.keyboard.press('Enter');
  await page.keyboard.type('Gabbro');
  await expect(box(page, 'Gabbro')).toHaveAttribute('aria-label', /belongs to Igneous/);
  await kept(page);
});

test('a key in numbered couplets: its title, and the walk through it', async ({ desk: page }) => {
  await make(
    page,
    'Key to common shells\n\n1 One shell, coiled .... 2\n1 Two shells .... 3\n2 Pointed spire .... Whelk\n2 Flat, cap-like .... Limpet\n3 Ribs run outward .... Cockle\n3 Smooth .... Razor',
    'decision tree',
    /Numbered couplets lead from one to the next\./,
  );
  await expect(page.getByTestId('stage')).toContainText('Key to common shells');
  await expect(page.getByText('NOT PLACED', { exact: false })).toHaveCount(0);
  await kept(page);
  await step(page, 'Hand out');
  await page.getByRole('link', { name: 'Walk', exact: true }).click();
  await page.getByRole('button', { name: /Two shells$/ }).click();
  await page.keyboard.press('1');
  await expect(page.getByRole('region', { name: 'Result' })).toContainText('Cockle');
  await axe(page);
});

test('a crew with headings, bullets, an ampersand and a title is an org chart', async ({ desk: page }) => {
  await make(
    page,
    'Festival crew\n\nInes Tidewell - Director\n  Gate\n    * Rufus Ormerod, lead\n    * Mabel Quince\n  Food & stalls\n    - Wilf Anning\n    - Slip: vacant',
    'org chart',
    /Indents tell who reports to whom\./,
  );
  await expect(page.getByTestId('stage')).toContainText('Festival crew');
  await expect(page.getByRole('button', { name: /^Tier 3, 4 entries/ })).toBeVisible();
  await expect(box(page, 'Mabel Quince')).toHaveAttribute('aria-label', /reports to Gate/);
  await expect(box(page, 'Slip')).toHaveAttribute('aria-label', /vacant post/);
});

test('clubs, one a line: five sets, their names inside the curves, nobody in the tray', async ({ desk: page }) => {
  await make(
    page,
    'Choir: Ada, Bo, Cy, Di\nBand: Bo, Di, Ed\nDrama: Ada, Ed, Fay\nChess: Cy, Fay, Gus\nGarden: Di, Gus, Hal, Ada',
    'Venn diagram',
    /Each line tells its sets after a colon\./,
  );
  await expect(page.getByRole('checkbox', { name: 'Di in Garden' })).toBeChecked();
  await expect(page.getByRole('checkbox', { name: 'Di in Chess' })).not.toBeChecked();
  await expect(page.getByTestId('stage').locator('[data-entry]')).toHaveCount(8);
  await page.getByRole('checkbox', { name: 'Hal in Chess' }).check();
  await expect(box(page, 'Hal')).toHaveAttribute('aria-label', /Chess and Garden/);
  await kept(page);
});
