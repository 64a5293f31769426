import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { writeProject } from '@/core/formats/project';
import { boxPiece, boxView, smallRoom } from '@/testing/small-room';
import { field, figureOf, handle, inkOf, middleOf, openRoom, saved, typeInto } from './pages';

const bringIn = (page: Page, name: string, text: string): Promise<void> =>
  page.getByLabel('Project file').setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });
const names = (page: Page): Promise<string[]> =>
  page
    .locator('[data-project]')
    .evaluateAll((rows) => rows.map((row) => row.querySelector('button')?.textContent ?? ''));

test('the chest holds the demonstration rooms at first, and several projects side by side', async ({ page }) => {
  await page.goto('/');
  await expect(page.locator('[data-project]')).toHaveCount(3);
  await page.getByRole('button', { name: 'start with an empty room' }).click();
  await expect(page.getByTestId('measure-board')).toBeVisible();
  await typeInto(field(page, 'Name of the project'), 'Attic');
  await saved(page);
  await page.getByRole('button', { name: 'All projects' }).click();
  await expect(page.locator('[data-project]')).toHaveCount(4);
  expect((await names(page))[0]).toBe('Attic');
  await page.getByRole('button', { name: 'Copy Attic' }).click();
  await expect(page.locator('[data-project]')).toHaveCount(5);
  await page.getByRole('button', { name: 'Remove Attic', exact: true }).click();
  await page.getByRole('button', { name: 'remove for good' }).click();
  await expect(page.locator('[data-project]')).toHaveCount(4);
  expect(await names(page)).toContain('Attic, copy');
});

test('a project file goes out and comes in again as it was', async ({ page }) => {
  await openRoom(page, 'tea-room');
  await typeInto(field(page, 'Width of the counter'), '2,6 m + 120');
  await page.getByRole('button', { name: 'take away' }).click();
  const waiting = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: /project file/ }).click();
  const text = readFileSync(await (await waiting).path(), 'utf8');
  await saved(page);
  await page.goto('/');
  await bringIn(page, 'tea.json', text);
  // It opens, under a name by which the two are told apart, and says so.
  await expect(page).toHaveURL(/\/project\/tea-room-2\//);
  await expect(page.getByText('this one is called “Pilots’ tea room, 2”')).toBeVisible();
  await expect(field(page, 'Name of the project')).toHaveValue('Pilots’ tea room, 2');
  expect(await figureOf(field(page, 'Width of the counter'))).toBe(2720);
});

test('a damaged, a newer and a foreign file are refused with a reason, and nothing kept is lost', async ({ page }) => {
  await openRoom(page, 'weaving-loft');
  await typeInto(field(page, 'Eye height'), '1555');
  await saved(page);
  await page.goto('/');
  await expect(page.locator('[data-project]')).toHaveCount(3);
  const refusal = page.getByRole('alert').filter({ hasText: 'was not brought in' });
  for (const [name, text, reason] of [
    ['cut-short.json', '{"kind": "bathyskop-project", "version": 1, "na', 'cut short'],
    ['newer.json', '{"kind": "bathyskop-project", "version": 99}', 'newer version'],
    ['foreign.json', '{"shapes": []}', 'not a Bathyskop project'],
    ['damaged.json', '{"kind": "bathyskop-project", "version": 1, "id": "x"}', 'damaged at'],
  ] as const) {
    await bringIn(page, name, text);
    await expect(refusal).toContainText(name);
    await expect(refusal).toContainText(reason);
  }
  await expect(page.locator('[data-project]')).toHaveCount(3);
  await page.locator('[data-project="weaving-loft"] button').first().click();
  expect(await figureOf(field(page, 'Eye height'))).toBe(1555);
});

test('a room too full for the frame shows a quick picture, then the worker’s exact one', async ({ page }) => {
  const pieces = Array.from({ length: 520 }, (_, i) =>
    boxPiece({
      id: `box-${i}`,
      width: 100,
      depth: 90,
      height: 300 + (i % 7) * 90,
      fromWest: 60 + (i % 26) * 150,
      fromNorth: 60 + Math.floor(i / 26) * 145,
    }),
  );
  await page.goto('/');
  await expect(page.locator('[data-project]')).toHaveCount(3);
  await bringIn(page, 'full.json', writeProject({ ...smallRoom(pieces, boxView()), name: 'Full room' }));
  await expect(page.getByTestId('board')).toBeVisible();
  const working = page.getByText('working out what is hidden');
  await expect(working).toBeHidden({ timeout: 15_000 });
  const exact = await inkOf(page);
  // While the station is dragged every edge shows and the words say what is going on; let go, the exact picture comes back.
  // Watched from within the page: the worker may be done before a look from outside.
  await page.evaluate(() => {
    const foot = document.querySelector('footer');
    const watch = new MutationObserver(() => {
      if (foot?.textContent?.includes('working out what is hidden'))
        document.body.setAttribute('data-was-quick', 'yes');
    });
    if (foot) watch.observe(foot, { childList: true, subtree: true, characterData: true });
  });
  const at = await middleOf(handle(page, 'station'));
  await page.mouse.move(at.x, at.y);
  await page.mouse.down();
  await page.mouse.move(at.x + 9, at.y, { steps: 3 });
  await page.mouse.move(at.x + 5, at.y + 1);
  await expect(page.locator('body')).toHaveAttribute('data-was-quick', 'yes');
  await page.mouse.up();
  await expect(working).toBeHidden({ timeout: 15_000 });
  await page.keyboard.press('z');
  await expect(working).toBeHidden({ timeout: 15_000 });
  await page.mouse.move(5, 300);
  await page.keyboard.press('f');
  expect(await inkOf(page)).toBe(exact);
});

test('a project that is not there, and an unknown stage, are said plainly', async ({ page }) => {
  await page.goto('/project/nowhere/stand');
  await expect(page.getByRole('alert').filter({ hasText: 'no such project' })).toBeVisible();
  await page.getByRole('button', { name: 'All projects' }).click();
  await expect(page.locator('[data-project]')).toHaveCount(3);
});

test('nothing is fetched from anywhere else', async ({ page, baseURL }) => {
  const elsewhere: string[] = [];
  page.on('request', (request) => {
    if (!request.url().startsWith(baseURL ?? '') && !/^(data|blob):/.test(request.url())) elsewhere.push(request.url());
  });
  await openRoom(page, 'weaving-loft');
  await page.keyboard.press('d');
  expect(elsewhere).toEqual([]);
  // The faces come from the application itself; `load` waits for them, `check` alone would race with the fetch.
  const faces = await page.evaluate(async () => {
    const loaded = await Promise.all(
      ["16px 'Fira Sans Condensed'", "16px 'Fira Mono'"].map((face) => document.fonts.load(face)),
    );
    return loaded.map((each) => each.length);
  });
  for (const found of faces) expect(found).toBeGreaterThan(0);
  expect(elsewhere).toEqual([]);
});
