import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { field, figureOf, openRoom, saved, typeInto } from './pages';

/** Reaches into the browser's store as nothing in the application does. */
const inStore = (page: Page, act: 'read' | 'write', key: string, value?: unknown): Promise<unknown> =>
  page.evaluate(
    ([act, key, value]) =>
      new Promise((resolve, reject) => {
        const asked = indexedDB.open('bathyskop');
        asked.onerror = () => reject(new Error('no database'));
        asked.onsuccess = () => {
          const store = asked.result.transaction('projects', 'readwrite').objectStore('projects');
          const done = act === 'read' ? store.get(key as string) : store.put(value, key as string);
          done.onsuccess = () => resolve(done.result);
          done.onerror = () => reject(new Error('refused'));
        };
      }),
    [act, key, value] as const,
  );

interface Saved {
  history: { past: unknown[]; present: { views: unknown[]; pieces: { width: { claims: { mm: number }[] } }[] } };
}

test('a project that cannot be read hides no other: what is wrong is said, it is taken away, repaired, removed', async ({
  page,
}) => {
  await openRoom(page, 'tea-room');
  await typeInto(field(page, 'Eye height'), '1400');
  await saved(page);
  await page.getByRole('button', { name: 'All projects' }).click();
  await expect(page.locator('[data-picture="drawn"]')).toHaveCount(3, { timeout: 20_000 });
  const pointer = (await inStore(page, 'read', 'project/tea-room/pointer')) as { kept: number[] };
  for (const number of pointer.kept) {
    const save = (await inStore(page, 'read', `project/tea-room/snapshot/${number}`)) as Saved;
    save.history.present.views = [];
    await inStore(page, 'write', `project/tea-room/snapshot/${number}`, save);
  }
  // A pointer that cannot be read hides nothing either.
  await inStore(page, 'write', 'project/seed-shop/pointer', 'rubbish');
  await inStore(page, 'write', 'project/tea-room/picture', null);
  await page.reload();
  await expect(page.locator('[data-project]')).toHaveCount(3);
  const row = page.locator('[data-project="tea-room"]');
  await expect(row.getByRole('alert')).toContainText('needs a view');
  await expect(page.locator('[data-project="weaving-loft"] [data-picture="drawn"]')).toBeVisible();
  const taken = page.waitForEvent('download');
  await row.getByRole('button', { name: 'take away what is kept' }).click();
  expect(JSON.parse(readFileSync(await (await taken).path(), 'utf8'))).toMatchObject({ id: 'tea-room' });
  await row.getByRole('button', { name: 'repair from its history' }).click();
  await expect(page.locator('[data-project]')).toHaveCount(4);
  await expect(
    page.locator('[data-project]').filter({ hasText: 'repaired' }).locator('[data-picture="drawn"]'),
  ).toBeVisible({ timeout: 20_000 });
  await row.getByRole('button', { name: /^Remove/ }).click();
  await row.getByRole('button', { name: 'remove for good' }).click();
  await expect(page.locator('[data-project]')).toHaveCount(3);
  await page.locator('[data-project="seed-shop"]').getByRole('button').first().click();
  await expect(page.getByTestId('board')).toBeVisible();
});

test('taking over a moment after an edit loses nothing, and the tab that lost the right never writes again', async ({
  page,
  context,
}) => {
  await openRoom(page, 'weaving-loft');
  await saved(page);
  const second = await context.newPage();
  await openRoom(second, 'weaving-loft');
  await expect(second.getByTestId('save-status')).toContainText('reading only');
  // All that has to be said then has room on a tablet too: nothing of the title line lies on another.
  await second.setViewportSize({ width: 1024, height: 768 });
  expect(
    await second
      .locator('header')
      .evaluate(
        (line) =>
          [...line.children]
            .map((one) => one.getBoundingClientRect())
            .filter((box, i, all) => box.right > Math.min(1024, (all[i + 1]?.left ?? Infinity) + 0.5)).length,
      ),
  ).toBe(0);
  await second.setViewportSize({ width: 1280, height: 800 });
  for (const [one, other, eye] of [
    [page, second, 1510],
    [second, page, 1520],
    [page, second, 1530],
  ] as const) {
    await typeInto(field(one, 'Eye height'), String(eye));
    await other.getByRole('button', { name: 'work here' }).click();
    await saved(other);
    await expect.poll(() => figureOf(field(other, 'Eye height'))).toBe(eye);
    await expect(one.getByTestId('save-status')).toContainText('reading only');
    await expect(one.getByTestId('save-trouble')).toHaveCount(0);
  }
  // The tab that writes goes away: the one that reads says so.
  await second.close();
  await expect(page.getByTestId('save-status')).toContainText('has gone', { timeout: 15_000 });
  await page.getByRole('button', { name: 'work here' }).click();
  await saved(page);
  expect(await figureOf(field(page, 'Eye height'))).toBe(1530);
});

test('a project removed in another tab is not made again; its tab says so, asks before it is left, and gives the file', async ({
  page,
  context,
}) => {
  await openRoom(page, 'weaving-loft');
  await saved(page);
  const other = await context.newPage();
  await other.goto('/');
  await other.getByRole('button', { name: /^Remove Weaving loft/ }).click();
  await other.getByRole('button', { name: 'remove for good' }).click();
  await expect(other.locator('[data-project]')).toHaveCount(2);
  await typeInto(field(page, 'Eye height'), '1500');
  const trouble = page.getByTestId('save-trouble');
  await expect(trouble).toContainText('was removed in another tab');
  // What is of no use is not offered, and what is not done not said.
  await expect(trouble.getByRole('button', { name: 'try again' })).toHaveCount(0);
  await typeInto(field(page, 'Eye height'), '1510');
  await page.waitForTimeout(600);
  await expect(page.getByTestId('save-status')).toHaveText('Not saved');
  await page.getByRole('button', { name: 'All projects' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('not saved');
  const taken = page.waitForEvent('download');
  await dialog.getByRole('button', { name: 'take the file away' }).click();
  expect(readFileSync(await (await taken).path(), 'utf8')).toContain('"1510"');
  await dialog.getByRole('button', { name: 'stay' }).click();
  await expect(page.getByTestId('board')).toBeVisible();
  await page.getByRole('button', { name: 'All projects' }).click();
  await page.getByRole('button', { name: 'leave without them' }).click();
  await expect(page.locator('[data-project]')).toHaveCount(2);
});

test('a page that falls is never blank: the file is taken away, what was done last undone', async ({ page }) => {
  await openRoom(page, 'weaving-loft');
  await typeInto(field(page, 'Eye height'), '1400');
  await saved(page);
  // What no record should bring about is brought about here: nothing can be painted.
  await page.evaluate(() => {
    const { prototype } = CanvasRenderingContext2D;
    const { beginPath } = prototype;
    Object.assign(window, { mend: () => Object.assign(prototype, { beginPath }) });
    prototype.beginPath = () => {
      throw new Error('no paint');
    };
  });
  await typeInto(field(page, 'Eye height'), '1500');
  await expect(page.getByRole('heading', { name: 'This page cannot be shown' })).toBeVisible();
  const taken = page.waitForEvent('download');
  await page.getByRole('button', { name: 'take the file away' }).click();
  expect(readFileSync(await (await taken).path(), 'utf8')).toContain('"1500"');
  await page.evaluate(() => (window as unknown as { mend: () => void }).mend());
  await page.getByRole('button', { name: 'undo the last change' }).click();
  await expect(page.getByTestId('board')).toBeVisible();
  expect(await figureOf(field(page, 'Eye height'))).toBe(1400);
});

test('a wall of next to nothing, or of two kilometres, is refused as one types it, and what was typed stays', async ({
  page,
}) => {
  await openRoom(page, 'seed-shop', 'measure');
  const wall = field(page, 'Length of the drawer wall');
  for (const [typed, said] of [
    ['0.0000000001 mm', 'must be from 0.04" to'],
    ['2000 m', 'one kilometre'],
  ] as const) {
    await typeInto(wall, typed);
    await expect(page.getByRole('alert').filter({ hasText: said })).toBeVisible();
    await expect(wall).toHaveValue(typed);
    await wall.press('Escape');
  }
  await expect(wall).toHaveValue(`16'-0"`);
});
