import { readFile } from 'node:fs/promises';
import type { Locator } from '@playwright/test';
import { box, expect, kept, make, makeChart, step, test } from './fixtures';
import { Gestures } from './gestures';

const crew = 'Ama Boateng\n\tIvo Marangoni\n\tMaren Solheim\n\tTaavi Kõrvits\n\t\tJin Castellanos';
// One red pixel.
const png = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8BQDwAEhQGAhKmMIQAAAABJRU5ErkJggg==';

/** Drops picture files of the given names on something. */
const dropPictures = (onto: Locator, ...names: string[]) =>
  onto.evaluate(
    (target, { given, data }) => {
      const bytes = Uint8Array.from(atob(data), (letter) => letter.charCodeAt(0));
      const carried = new DataTransfer();
      for (const name of given) carried.items.add(new File([bytes], name, { type: 'image/png' }));
      target.dispatchEvent(new DragEvent('drop', { dataTransfer: carried, bubbles: true, cancelable: true }));
    },
    { given: names, data: png },
  );

test('photos are dropped on a box or a line, or find their entries by name; the others show initials', async ({
  desk: page,
}) => {
  await makeChart(page, crew, 5);
  const pictures = page.getByTestId('stage').locator('image');
  await dropPictures(box(page, 'Maren Solheim'), 'IMG_2041.png');
  await expect(pictures).toHaveCount(1);
  await expect(box(page, 'Maren Solheim').locator('image')).toHaveCount(1);
  // The others of her tier have none yet.
  await expect(box(page, 'Ivo Marangoni').getByText('IM', { exact: true })).toBeVisible();
  await expect(box(page, 'Ama Boateng').getByText('AB', { exact: true })).toHaveCount(0);
  await dropPictures(page.getByLabel('Name, line 2'), 'holiday.png');
  await expect(box(page, 'Ivo Marangoni').locator('image')).toHaveCount(1);
  await dropPictures(page.getByTestId('stage'), 'Ama Boateng.png', 'taavi korvits.png', 'nobody.png');
  await expect(pictures).toHaveCount(4);
  // Who is not in the list can be made, or left out.
  const asked = page.getByLabel('Pictures without an entry');
  await expect(asked.getByText('No person is called like nobody.png.')).toBeVisible();
  await asked.getByRole('button', { name: 'Leave it out' }).click();
  await expect(asked).toHaveCount(0);
  await kept(page);
  const id = page.url().split('/').at(-1)!.split('?')[0]!;
  const svg = await (await page.request.get(`/api/diagrams/${id}/hand-out?format=svg`)).text();
  expect(svg.match(/clip-path:circle\(50%\)/g)).toHaveLength(4);
  // One step takes back what one drop brought.
  await page.getByTestId('stage').click({ position: { x: 8, y: 8 } });
  await page.keyboard.press('Control+z');
  await expect(pictures).toHaveCount(2);
});

test('pictures that are named like nobody make new entries, and one is pasted onto the selected box', async ({
  desk: page,
}) => {
  await makeChart(page, crew, 5);
  await box(page, 'Taavi Kõrvits').click();
  await page.evaluate((data) => {
    const bytes = Uint8Array.from(atob(data), (letter) => letter.charCodeAt(0));
    const carried = new DataTransfer();
    carried.items.add(new File([bytes], 'image.png', { type: 'image/png' }));
    document.activeElement!.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: carried, bubbles: true, cancelable: true }),
    );
  }, png);
  await expect(box(page, 'Taavi Kõrvits').locator('image')).toHaveCount(1);
  await dropPictures(page.getByTestId('stage'), 'Ede Nwachukwu.png', 'Bao Lindqvist.png', 'Maren Solheim.png');
  await page.getByRole('button', { name: 'Make 2 new people of them' }).click();
  for (const name of ['Ede Nwachukwu', 'Bao Lindqvist', 'Maren Solheim'])
    await expect(box(page, name).locator('image')).toHaveCount(1);
  await kept(page);
  await page.keyboard.press('Control+z');
  await expect(box(page, 'Ede Nwachukwu')).toHaveCount(0);
});

test('the part of a photo that is shown is drawn nearer and dragged, by pointer and by keyboard', async ({
  desk: page,
}) => {
  await makeChart(page, crew, 5);
  await dropPictures(box(page, 'Maren Solheim'), 'IMG_2041.png');
  await box(page, 'Maren Solheim').click();
  const photo = box(page, 'Maren Solheim').locator('image');
  const placed = async () => {
    const [x, width] = [await photo.getAttribute('x'), await photo.getAttribute('width')];
    return { x: Number(x), width: Number(width) };
  };
  const before = await placed();
  await page.getByRole('button', { name: 'Move picture' }).click();
  const nearer = page.getByLabel('Nearer');
  await nearer.fill('4');
  await expect.poll(async () => (await placed()).width).toBeCloseTo(before.width * 4, 1);
  // Dragged to the left by a quarter of what is seen: it shows what is further to the right.
  const middle = await placed();
  const seen = (await page.getByTestId('picture-part').boundingBox())!;
  await page.mouse.move(seen.x + 200, seen.y + 100);
  await page.mouse.down();
  await page.mouse.move(seen.x + 200 - seen.width / 4, seen.y + 100, { steps: 4 });
  await page.mouse.up();
  await expect.poll(async () => (await placed()).x).toBeLessThan(middle.x - before.width / 5);
  const dragged = await placed();
  await page.getByLabel('Left to right').press('End');
  await expect.poll(async () => (await placed()).x).toBeLessThan(dragged.x);
  await page.getByRole('button', { name: 'The middle again' }).click();
  await expect.poll(placed).toEqual(before);
  await nearer.fill('2');
  await page.getByRole('button', { name: 'Done' }).click();
  await kept(page);
  const id = page.url().split('/').at(-1)!.split('?')[0]!;
  const svg = await (await page.request.get(`/api/diagrams/${id}/hand-out?format=svg`)).text();
  expect(svg).toMatch(/clip-path:circle\([\d.]+px at [\d.]+px [\d.]+px\)/);
  // All that was done to it is one step.
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(placed).toEqual(before);
  await expect(photo).toHaveCount(1);
});

test('photos above the text, in squares, or hidden, by their tier', async ({ desk: page }) => {
  await makeChart(page, crew, 5);
  await dropPictures(box(page, 'Maren Solheim'), 'a.png');
  const picture = box(page, 'Maren Solheim').locator('image');
  await expect(picture).toHaveAttribute('style', /circle/);
  await step(page, 'Style');
  await page.getByText('Photos, signs, effects', { exact: true }).click();
  await page.getByLabel('Photo shape', { exact: true }).selectOption('square');
  await expect(picture).not.toHaveAttribute('style', /circle/);
  const side = Number(await picture.getAttribute('width'));
  await page.getByLabel('Photos', { exact: true }).selectOption('above the text');
  await expect.poll(async () => Number(await picture.getAttribute('y'))).toBeLessThan(side);
  await page.getByLabel('Photos', { exact: true }).selectOption('not shown');
  await expect(picture).toHaveCount(0);
});

test('father, mother and child, a photo on one, a word of context, a PDF, in 5 gestures beyond the typing', async ({
  desk: page,
}) => {
  await make(page, 'Ada Quill + Bo Marsh\n\tCy Marsh', 'family tree');
  const hand = new Gestures(page);
  await dropPictures(box(page, 'Cy Marsh'), 'cy.png');
  await expect(box(page, 'Cy Marsh').locator('image')).toHaveCount(1);
  await hand.click(page.getByLabel('Steps').getByRole('button', { name: 'Hand out', exact: true }));
  const download = page.waitForEvent('download');
  await hand.click(page.getByRole('button', { name: 'Save PDF' }));
  expect((await readFile(await (await download).path())).subarray(0, 5).toString()).toBe('%PDF-');
  // The drop is one more.
  expect(hand.count + 1).toBeLessThanOrEqual(5);
  hand.tell('A family of three with a photo, to a PDF, with the drop');
});
