/** Rooms of a thousand and three thousand pieces in Chromium: opening, the exact picture, an edit to its next frame and its save, and the longest block of the main thread. */
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { writeProject } from '@/core/formats/project';
import { CHROMIUM_ARGUMENTS } from '../e2e/chromium';
import { fullRoom } from './full-room';

interface Block {
  readonly at: number;
  readonly ms: number;
}
/** Blocks of the main thread of 50 ms and more since the last call, longest first. */
const blocks = (page: Page): Promise<readonly Block[]> =>
  page.evaluate(() => {
    const held = window as unknown as { blocks: Block[] };
    return held.blocks.splice(0).sort((a, b) => b.ms - a.ms);
  });
const longest = (all: readonly Block[]): string =>
  `longest block ${(all[0]?.ms ?? 0).toFixed(0)} ms, ${all.filter((one) => one.ms > 200).length} over 200 ms`;

export async function benchLarge(baseURL: string, executablePath: string, count: number): Promise<void> {
  const browser = await chromium.launch({ executablePath, args: CHROMIUM_ARGUMENTS });
  try {
    const page = await (
      await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' })
    ).newPage();
    await page.addInitScript(() => {
      const held = window as unknown as { blocks: Block[] };
      held.blocks = [];
      new PerformanceObserver((list) => {
        for (const one of list.getEntries()) held.blocks.push({ at: one.startTime, ms: one.duration });
      }).observe({ type: 'longtask', buffered: true });
    });
    await page.goto(baseURL);
    await page.locator('[data-project]').nth(2).waitFor();
    // From a file, as a person brings it in: handed over as bytes it would block the page by itself.
    const file = join(mkdtempSync(join(tmpdir(), 'large-')), 'full.json');
    writeFileSync(file, writeProject(fullRoom(count)));
    await page.locator('input[type=file]').setInputFiles(file);
    await page.waitForURL(/\/project\/full-room\//, { timeout: 120_000 });
    console.log(`${count} pieces: brought in, ${longest(await blocks(page))}`);

    const began = performance.now();
    await page.goto(`${baseURL}/project/full-room/measure`);
    await page.getByTestId('measure-board').waitFor({ timeout: 120_000 });
    const open = performance.now() - began;
    await page.locator('[data-testid="live-picture"][data-exact="yes"]').waitFor({ timeout: 180_000 });
    const exact = performance.now() - began;
    const opening = await blocks(page);
    console.log(
      `${count} pieces: open after ${open.toFixed(0)} ms, exact picture after ${exact.toFixed(0)} ms; ${longest(opening)} (${opening
        .slice(0, 6)
        .map((one) => `${one.ms.toFixed(0)} at ${one.at.toFixed(0)}`)
        .join(', ')})`,
    );

    await page.keyboard.press('p');
    await page.locator('[data-handle="piece"]').waitFor();
    await page.waitForTimeout(500);
    await page
      .getByRole('textbox', { name: /^Width of/ })
      .first()
      .focus();
    await blocks(page);
    for (const round of [1, 2, 3]) {
      const edit = await page.evaluate(async () => {
        const status = (): string => document.querySelector('[data-testid="save-status"]')?.textContent ?? '';
        const picture = (): Element | null => document.querySelector('[data-testid="live-picture"]');
        const start = performance.now();
        // One nudge of the figure by key: an edit as a person makes it.
        document.activeElement?.dispatchEvent(
          new KeyboardEvent('keydown', { key: 'ArrowUp', bubbles: true, cancelable: true }),
        );
        // The frame stands when it has been painted: what is posted from within it comes right after.
        const frame = await new Promise<number>((done) =>
          requestAnimationFrame(() => {
            const { port1, port2 } = new MessageChannel();
            port1.onmessage = () => done(performance.now() - start);
            port2.postMessage(null);
          }),
        );
        while (status() === 'Saved' && performance.now() - start < 2000)
          await new Promise((next) => setTimeout(next, 5));
        while (status() !== 'Saved') await new Promise((next) => setTimeout(next, 5));
        const saved = performance.now() - start;
        while (picture()?.getAttribute('data-exact') !== 'yes') await new Promise((next) => setTimeout(next, 5));
        return { frame, saved, exact: performance.now() - start };
      });
      const all = await blocks(page);
      console.log(
        `${count} pieces: edit ${round}, next frame painted after ${edit.frame.toFixed(0)} ms, saved after ${edit.saved.toFixed(0)} ms, exact after ${edit.exact.toFixed(0)} ms; ${longest(all)} (${all
          .slice(0, 5)
          .map((one) => one.ms.toFixed(0))
          .join(', ')})`,
      );
      await page.waitForTimeout(1500);
    }
  } finally {
    await browser.close();
  }
}
