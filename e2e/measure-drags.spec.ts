import { expect, test, type Page } from '@playwright/test';
import { dragBy, figureOf, handle, middleOf, openRoom, typeInto, wordsCome } from './pages';

/** CSS pixels to the millimetre on the paper of Measure. */
const scaleOf = async (page: Page): Promise<number> =>
  Number(await page.getByTestId('measure-board').getAttribute('data-scale'));
const undoes = (page: Page, what: string | RegExp) =>
  expect(page.getByRole('button', { name: 'undo', exact: true })).toHaveAttribute('title', what);

/** A figure of the margin; the drawing may bear the same one. */
const told = (page: Page, label: string) =>
  page.getByRole('complementary', { name: 'Margin' }).getByRole('textbox', { name: label, exact: true });

/** Walks by key until something with such a field is chosen. */
async function chooseWith(page: Page, label: string): Promise<void> {
  await page.getByTestId('measure-board').click({ position: { x: 6, y: 60 } });
  for (let i = 0; i < 40 && (await told(page, label).count()) === 0; i += 1) {
    await page.keyboard.press('n');
    await wordsCome(page);
  }
  await expect(told(page, label)).toBeVisible();
}

test('sill and head are dragged in the elevation: what one drags moves by as much as the hand, the other stays', async ({
  page,
}) => {
  await openRoom(page, 'tea-room', 'measure');
  await chooseWith(page, 'Sill of the harbour window');
  const [sill, height] = [told(page, 'Sill of the harbour window'), told(page, 'Height of the harbour window')];
  const before = { sill: await figureOf(sill), height: await figureOf(height) };
  const scale = await scaleOf(page);
  const up = 22;
  const from = await middleOf(handle(page, 'opening-sill'));
  const head = await middleOf(handle(page, 'opening-head'));
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(from.x, from.y - up / 2, { steps: 4 });
  await page.mouse.move(from.x, from.y - up, { steps: 4 });
  // While the hand is on it: under the pointer, the head where it was; the figures follow at their own pace.
  expect(Math.abs((await middleOf(handle(page, 'opening-sill'))).y - (from.y - up))).toBeLessThan(3);
  expect(Math.abs((await middleOf(handle(page, 'opening-head'))).y - head.y)).toBeLessThan(0.6);
  await expect.poll(() => figureOf(sill)).toBeGreaterThan(before.sill + 20);
  await page.mouse.up();
  const moved = (await figureOf(sill)) - before.sill;
  expect(Math.abs(moved - up / scale)).toBeLessThanOrEqual(5.5);
  expect((await figureOf(sill)) + (await figureOf(height))).toBe(before.sill + before.height);
  await undoes(page, /^Undo: Move the sill of the harbour window$/);
  await dragBy(page, handle(page, 'opening-head'), 0, -16);
  expect(await figureOf(sill)).toBe(before.sill + moved);
  const higher = (await figureOf(height)) - (before.height - moved);
  expect(Math.abs(higher - 16 / scale)).toBeLessThanOrEqual(5.5);
  await page.keyboard.press('z');
  await page.keyboard.press('z');
  expect([await figureOf(sill), await figureOf(height)]).toEqual([before.sill, before.height]);
});

test('a piece is made higher by its top, a corner takes its walls along; Escape gives a drag up', async ({ page }) => {
  await openRoom(page, 'tea-room', 'measure');
  await chooseWith(page, 'Height of the counter');
  const height = told(page, 'Height of the counter');
  const before = await figureOf(height);
  const scale = await scaleOf(page);
  await dragBy(page, handle(page, 'piece-height'), 0, -20);
  expect(Math.abs((await figureOf(height)) - before - 20 / scale)).toBeLessThanOrEqual(5.5);
  await page.keyboard.press('z');
  expect(await figureOf(height)).toBe(before);

  await page.keyboard.press('Escape');
  await page.getByTestId('measure-board').click({ position: { x: 6, y: 60 } });
  const corner = page.locator('[data-handle^="corner-"]').first();
  const at = await middleOf(corner);
  const place = await corner.getAttribute('transform');
  await page.mouse.move(at.x, at.y);
  await page.mouse.down();
  await page.mouse.move(at.x - 30, at.y - 24, { steps: 5 });
  expect(await corner.getAttribute('transform')).not.toBe(place);
  await page.keyboard.press('Escape');
  await expect(corner).toHaveAttribute('transform', place ?? '');
  await page.mouse.up();
  await expect(page.getByRole('button', { name: 'undo', exact: true })).toBeDisabled();
  await dragBy(page, corner, -30, -24);
  await undoes(page, 'Undo: Move a corner');
});

test('what is fastened does not move and says why when it is let go; a sheet out of sight takes no Escape; a wrong word is told', async ({
  page,
}) => {
  await openRoom(page, 'tea-room', 'measure');
  await page.keyboard.press('t');
  await expect(page.getByRole('dialog', { name: 'Template sheet' })).toBeVisible();
  await page.mouse.move(400, 20);
  await page.getByRole('button', { name: 'Stand', exact: true }).click();
  await page.keyboard.press('c');
  await expect(page.getByTestId('lit-sentence')).not.toContainText('Point at a corner');
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('lit-sentence')).toContainText('Point at a corner');
  await page.keyboard.press('h');
  await expect(page.getByRole('dialog', { name: 'Views' })).toBeVisible();
  const name = page.getByRole('textbox', { name: /^Name of From the street/ });
  await name.fill('given up');
  await name.press('Escape');
  await expect(name).toHaveValue('From the street');
  await expect(page.getByRole('dialog', { name: 'Views' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog', { name: 'Views' })).toBeHidden();

  await page.keyboard.press('l');
  await page
    .locator('tr, [data-layer]')
    .filter({ hasText: 'the counter' })
    .getByRole('button', { name: 'fasten' })
    .first()
    .click();
  await page.keyboard.press('Escape');
  await page.keyboard.press('m');
  await chooseWith(page, 'Height of the counter');
  await dragBy(page, handle(page, 'piece'), 40, 20);
  await expect(
    page.getByText('the counter is fastened. Loosen it under layers (L, at the board) to move it.'),
  ).toBeVisible();
  await typeInto(told(page, 'Height of the counter'), 'about a metre');
  await expect(page.getByRole('alert').filter({ hasText: 'is not a length' })).toBeVisible();
});

test('the plan lies still whatever is chosen or set down; Q turns it to its elevation, and north up again', async ({
  page,
}) => {
  await openRoom(page, 'weaving-loft', 'measure');
  const board = page.getByTestId('measure-board');
  const lies = async () => ({
    scale: await board.getAttribute('data-scale'),
    north: await page.getByTestId('north').getAttribute('data-north'),
    walls: await page.locator('[data-wall-name]').evaluateAll((all) => all.map((one) => one.getAttribute('transform'))),
  });
  const first = await lies();
  expect(first.north).toBe('0.000,-1.000');
  expect(first.walls).toHaveLength(4);
  for (let i = 0; i < 4; i += 1) {
    await page.keyboard.press('n');
    expect(await lies()).toEqual(first);
  }
  // The second wall walked to is the east wall: it hangs under a plan that is turned to it.
  await page.keyboard.press('Shift+n');
  await page.keyboard.press('p');
  await page.keyboard.press('p');
  await expect(page.getByRole('button', { name: 'turn the plan to hang it under (Q)' })).toBeVisible();
  await page.keyboard.press('q');
  await expect(page.getByRole('button', { name: 'turn the plan to hang it under (Q)' })).toBeHidden();
  expect((await lies()).north).not.toBe(first.north);
  await page.getByRole('button', { name: 'turn north up again (Q)' }).click();
  expect((await lies()).north).toBe(first.north);
  const before = await lies();
  await page.keyboard.press('t');
  await page.locator('[data-template]').first().press('Enter');
  await page.keyboard.press('Escape');
  expect(await lies()).toEqual(before);
  // With nothing in the hand it is the paper that is moved; nothing is changed by it.
  const box = await board.boundingBox();
  if (!box) throw new Error('no board');
  const undo = page.getByRole('button', { name: 'undo', exact: true });
  const told = await undo.getAttribute('title');
  await page.mouse.move(box.x + 20, box.y + 120);
  await page.mouse.down();
  await page.mouse.move(box.x + 80, box.y + 150, { steps: 4 });
  await page.mouse.up();
  const moved = await lies();
  expect([moved.scale, moved.north]).toEqual([before.scale, before.north]);
  expect(moved.walls).not.toEqual(before.walls);
  expect(await undo.getAttribute('title')).toBe(told);
});
