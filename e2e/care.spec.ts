import { readFileSync } from 'node:fs';
import { inTheWay } from './axe';
import Papa from 'papaparse';
import { expect, test } from '@playwright/test';
import { field, figureOf, handle, inkOf, middleOf, openRoom, saved, typeInto } from './pages';

test('a practitioner’s job by keys alone: stand, turn, set out, draw, with one wrong input on the way', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Pilots’ tea room', exact: true }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('board')).toBeVisible();
  // Tab reaches the handles in turn.
  const reached = new Set<string>();
  for (let i = 0; i < 60 && reached.size < 4; i += 1) {
    await page.keyboard.press('Tab');
    const name = await page.evaluate(() => document.activeElement?.getAttribute('data-handle') ?? '');
    if (name !== '') reached.add(name);
  }
  expect([...reached].sort()).toEqual(['eye', 'plane', 'station', 'turn']);
  await handle(page, 'station').focus();
  await page.keyboard.press('Shift+ArrowLeft');
  await handle(page, 'turn').focus();
  for (let i = 0; i < 3; i += 1) await page.keyboard.press('Shift+ArrowRight');
  await expect(page.getByTestId('where')).toContainText('turned 30°');
  await field(page, 'Eye height').focus();
  await page.keyboard.type('one metre');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'is not a length' })).toBeVisible();
  await page.keyboard.press('ControlOrMeta+A');
  await page.keyboard.type('1 m');
  await page.keyboard.press('Enter');
  expect(await figureOf(field(page, 'Eye height'))).toBe(1000);
  await handle(page, 'station').focus();
  await page.keyboard.press('t');
  await expect(page.getByTestId('set-out-sheet')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('set-out-sheet')).toBeHidden();
  await page.keyboard.press('d');
  await expect(page.getByTestId('step-title')).toContainText('1/', { timeout: 30_000 });
  await page.keyboard.press('End');
  await expect(page.getByTestId('step-sentence')).toContainText(/by eye|firm/);
});

test('the set-out table gives each mark from the centre line and from the left edge, and where it lies', async ({
  page,
}) => {
  await openRoom(page, 'weaving-loft');
  await page.keyboard.press('t');
  await page.getByLabel('Zero of the set-out').selectOption('centre-line');
  const row = (mark: string) => page.locator(`tr[data-mark="${mark}"]`);
  // k = 5000/25 = 200; the room is turned 45°, so VR lies 200 right, MR k·tan 22.5° = 82.8 left.
  await expect(row('vp-right')).toContainText('200.0 mm');
  await expect(row('vp-right')).toContainText('5 000 mm');
  await expect(row('mp-right')).toContainText('−82.8 mm');
  await expect(row('mp-right')).toContainText('on the sheet');
  await expect(row('vp-right of piece loom-bench')).toContainText(
    'on the board, 98.0 mm beyond the sheet’s right edge',
  );
  await page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
  await row('mp-right').getByRole('button').first().click();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe('-82.8 mm');
});

test('the steps are taken away as a table whose paper measures are the real ones at scale', async ({ page }) => {
  await openRoom(page, 'tea-room');
  await page.getByRole('button', { name: 'take away' }).click();
  const waiting = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: /steps/ }).click();
  const download = await waiting;
  expect(download.suggestedFilename()).toBe('tea-room-from-the-street-by-piece.csv');
  const { data } = Papa.parse<Record<string, string>>(readFileSync(await download.path(), 'utf8'), {
    header: true,
    skipEmptyLines: true,
  });
  const measured = data.filter((row) => row.real_mm !== '');
  expect(measured.length).toBeGreaterThan(4);
  for (const row of measured) expect(Number(row.real_mm) / 20).toBeCloseTo(Number(row.paper_mm), 3);
});

test('Enter takes a figure once and gives the keys back to the board', async ({ page }) => {
  await openRoom(page, 'weaving-loft');
  await typeInto(field(page, 'Eye height'), '1500');
  await page.keyboard.press('d');
  await expect(page.getByTestId('step-title')).toContainText('1/', { timeout: 30_000 });
  await page.keyboard.press('s');
  expect(await figureOf(field(page, 'Eye height'))).toBe(1500);
  await page.keyboard.press('z');
  expect(await figureOf(field(page, 'Eye height'))).toBe(1600);
  await expect(page.getByRole('button', { name: 'undo' })).toBeDisabled();
  // Leaving the figure by Tab takes it too, once.
  await field(page, 'Eye height').fill('1700');
  await page.keyboard.press('Tab');
  expect(await figureOf(field(page, 'Eye height'))).toBe(1700);
  await page.getByRole('button', { name: 'undo' }).click();
  expect(await figureOf(field(page, 'Eye height'))).toBe(1600);
  await expect(page.getByRole('button', { name: 'undo' })).toBeDisabled();
});

test('what is warned of is ringed on the plan and told in plain words', async ({ page }) => {
  await openRoom(page, 'tea-room');
  const ringed = page.locator('[data-ring~="counter"]');
  // The frame reaches past the cone a little: that is a matter of where one stands.
  await expect(page.locator('[data-ring~="station"]')).toBeVisible();
  await expect(ringed).toHaveCount(0);
  await typeInto(field(page, 'Station point from the shelf wall'), '6200');
  await expect(ringed).toBeVisible();
  await page.getByRole('button', { name: /pencil ring/ }).click();
  await expect(page.getByText(/past the 60° cone of vision.*Outside the cone: the counter/).first()).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'undo' }).click();
  await expect(ringed).toHaveCount(0);
});

test('the wheel magnifies the view under the pointer; the others keep their size', async ({ page }) => {
  await openRoom(page, 'weaving-loft');
  const before = await inkOf(page);
  const station = await handle(page, 'station').getAttribute('transform');
  await page.mouse.move(1000, 600);
  await page.mouse.wheel(0, -200);
  await expect.poll(() => inkOf(page)).not.toBe(before);
  expect(await handle(page, 'station').getAttribute('transform')).toBe(station);
  await page.mouse.move(700, 150);
  await page.mouse.wheel(0, 200);
  await expect.poll(() => handle(page, 'station').getAttribute('transform')).not.toBe(station);
});

test('Escape gives up a drag and leaves no entry in the history', async ({ page }) => {
  await openRoom(page, 'weaving-loft');
  const at = await middleOf(handle(page, 'station'));
  const label = 'Station point from the west wall';
  const start = await figureOf(field(page, label));
  await page.mouse.move(at.x, at.y);
  await page.mouse.down();
  await page.mouse.move(at.x + 40, at.y, { steps: 4 });
  await expect.poll(() => figureOf(field(page, label))).not.toBe(start);
  await page.keyboard.press('Escape');
  await page.mouse.up();
  await expect.poll(() => figureOf(field(page, label))).toBe(start);
  await expect(page.getByRole('button', { name: 'undo' })).toBeDisabled();
});

test('a full disk is said, nothing kept is lost, and saving goes on when there is room again', async ({ page }) => {
  await openRoom(page, 'weaving-loft');
  await typeInto(field(page, 'Eye height'), '1500');
  await saved(page);
  // The store refuses as a browser does when the disk is full.
  await page.evaluate(() => {
    const { put } = IDBObjectStore.prototype;
    const full = window as unknown as { makeRoom: () => void };
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('The disk is full', 'QuotaExceededError');
    };
    full.makeRoom = () => {
      IDBObjectStore.prototype.put = put;
    };
  });
  await typeInto(field(page, 'Eye height'), '1400');
  await expect(page.getByTestId('save-status')).toHaveText('Not saved', { timeout: 15_000 });
  await page.evaluate(() => (window as unknown as { makeRoom: () => void }).makeRoom());
  await page.getByRole('button', { name: 'try again' }).click();
  await saved(page);
  await page.reload();
  await expect.poll(() => figureOf(field(page, 'Eye height'))).toBe(1400);
});

test('the light of the room is kept over a reload', async ({ page }) => {
  await openRoom(page, 'weaving-loft');
  await page.getByRole('button', { name: /Light of the room/ }).click();
  await expect(page.getByRole('button', { name: 'Light of the room: evening' })).toBeVisible();
  await page.waitForTimeout(300);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Light of the room: evening' })).toBeVisible();
});

for (const [name, address] of [
  ['the chest', '/'],
  ['Draw', '/project/weaving-loft/draw'],
] as const) {
  test(`nothing stands in the way of a screen reader in ${name}`, async ({ page }) => {
    await page.goto(address);
    await expect(page.getByText('Weaving loft stair hall').or(page.getByTestId('board')).first()).toBeVisible();
    expect(await inTheWay(page)).toEqual([]);
  });
}
