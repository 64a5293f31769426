import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { writeProject } from '@/core/formats/project';
import { boxPiece, boxView, smallRoom } from '@/testing/small-room';
import { downloadBy, field, noFaults, saved } from './pages';

const picture = (page: Page) => page.getByTestId('live-picture');
/** What the small picture shows, dot by dot. */
const dotsOf = (page: Page): Promise<readonly number[]> =>
  picture(page).evaluate((canvas: HTMLCanvasElement) =>
    Array.from(canvas.getContext('2d')?.getImageData(0, 0, canvas.width, canvas.height).data ?? []),
  );
/** Dots that differ by more than the order in which lines cross makes. */
const apart = async (page: Page, before: readonly number[]): Promise<number> => {
  const now = await dotsOf(page);
  return before.filter((value, i) => Math.abs(value - (now[i] ?? 0)) > 40).length;
};

test('in a large room one works on at once: word while it is made ready, the elevation in its turn, the picture after the edit', async ({
  page,
}) => {
  // Ten seconds here; on a machine that many share it has taken six times as long.
  test.setTimeout(240_000);
  noFaults(page);
  const pieces = Array.from({ length: 520 }, (_, i) =>
    boxPiece({
      ...{ id: `box-${i}`, width: 100, depth: 90, height: 300 + (i % 7) * 90 },
      ...{ fromWest: 60 + (i % 26) * 150, fromNorth: 2815 - Math.floor(i / 26) * 145 },
    }),
  );
  const text = writeProject({ ...smallRoom(pieces, boxView()), name: 'Full room' });
  await page.goto('/');
  await page
    .getByLabel('Project file')
    .setInputFiles({ name: 'full.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await page.waitForURL(/\/project\/small\//, { timeout: 60_000 });
  // Watched from within the page: it may be over before a look from outside.
  await page.addInitScript(() => {
    new MutationObserver(() => {
      if (document.body?.textContent?.includes('Unrolling a large sheet'))
        document.documentElement.dataset.unrolled = 'yes';
    }).observe(document, { childList: true, subtree: true, characterData: true });
  });
  await page.goto('/project/small/measure');
  await expect(page.getByTestId('measure-board')).toBeVisible({ timeout: 60_000 });
  await expect(page.locator('html')).toHaveAttribute('data-unrolled', 'yes');
  await expect(picture(page)).toHaveAttribute('data-exact', 'yes', { timeout: 60_000 });
  await page.keyboard.press('p');
  await expect(page.getByTestId('measure-board').getByText(/, front$/)).toBeVisible();
  const before = await dotsOf(page);
  const width = page.getByRole('textbox', { name: /^Width of/ }).first();
  await width.focus();
  for (let i = 0; i < 11; i += 1) await page.keyboard.press('ArrowUp');
  await expect(width).toHaveValue(/210/);
  // Taken away at once the sheet is not that of the room before: it waits until what is hidden is worked out.
  const sheet = async (): Promise<string> => {
    const { path } = await downloadBy(page, async () => {
      await page.getByRole('button', { name: 'take away' }).click();
      await page.getByRole('menuitem', { name: /^the sheet.*SVG/ }).click();
    });
    return readFileSync(path, 'utf8');
  };
  // Within the page, between two frames: from outside the worker would be done before the hand is at the list.
  const { path } = await downloadBy(page, () =>
    page.evaluate(async () => {
      const find = (all: string, says: string): HTMLElement | undefined =>
        [...document.querySelectorAll<HTMLElement>(all)].find((one) => one.textContent?.startsWith(says));
      document.activeElement?.dispatchEvent(
        new KeyboardEvent('keydown', { key: 'ArrowUp', bubbles: true, cancelable: true }),
      );
      find('button', 'take away')?.click();
      await new Promise((next) => requestAnimationFrame(next));
      find('[role=menuitem]', 'the sheet at true size')?.click();
    }),
  );
  const atOnce = readFileSync(path, 'utf8');
  // The picture follows when it is worked out.
  await expect(picture(page)).toHaveAttribute('data-exact', 'yes', { timeout: 60_000 });
  await expect.poll(() => apart(page, before), { timeout: 60_000 }).toBeGreaterThan(10);
  await saved(page);
  expect(await sheet()).toBe(atOnce);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(field(page, (await width.getAttribute('aria-label')) ?? '')).toHaveValue(/^100/);
  await expect(picture(page)).toHaveAttribute('data-exact', 'yes', { timeout: 60_000 });
  await expect.poll(() => apart(page, before), { timeout: 60_000 }).toBe(0);
});
