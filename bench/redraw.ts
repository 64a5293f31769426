/** The whole redraw on a station move, in Chromium through the real interface: from the pointer's move to the painted canvas, and the frames kept. */
import { chromium, type Page } from '@playwright/test';
import { CHROMIUM_ARGUMENTS } from '../e2e/chromium';

const quantile = (values: readonly number[], q: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * q))] ?? NaN;
const print = (ms: number): string => `${ms.toFixed(1)} ms`;

interface Measured {
  readonly script: number[];
  readonly frames: number[];
}

/** Moves the pressed pointer a little in every frame; the listener before and after all others brackets the work of one move. */
const dragForFrames = (page: Page, x: number, y: number, frames: number): Promise<Measured> =>
  page.evaluate(
    async ([x, y, frames]) => {
      const handle = document.querySelector('[data-handle="station"]');
      if (!handle) throw new Error('no station');
      const script: number[] = [];
      const intervals: number[] = [];
      let began = 0;
      const before = (): void => {
        began = performance.now();
      };
      const after = (): void => {
        script.push(performance.now() - began);
      };
      window.addEventListener('pointermove', before, { capture: true });
      window.addEventListener('pointermove', after);
      let last = 0;
      for (let i = 0; i < (frames ?? 0); i += 1) {
        const now = await new Promise<number>((resolve) => requestAnimationFrame(resolve));
        if (last > 0) intervals.push(now - last);
        last = now;
        const [dx, dy] = [40 * Math.sin(i / 20), 12 * Math.sin(i / 13)];
        handle.dispatchEvent(
          new PointerEvent('pointermove', {
            bubbles: true,
            cancelable: true,
            pointerId: 1,
            pointerType: 'mouse',
            buttons: 1,
            clientX: (x ?? 0) + dx,
            clientY: (y ?? 0) + dy,
          }),
        );
      }
      window.removeEventListener('pointermove', before, { capture: true });
      window.removeEventListener('pointermove', after);
      return { script, frames: intervals };
    },
    [x, y, frames],
  );

/** An empty page dragged in the same way: what this browser on this machine keeps when nothing is to be done. */
async function emptyFloor(page: Page): Promise<number[]> {
  await page.setContent('<svg width="1280" height="800"><g data-handle="station"><circle r="20" /></g></svg>');
  return (await dragForFrames(page, 400, 300, 240)).frames;
}

/** Frames of a drag against the frames of an empty page, before and after it in the same run. */
const against = (frames: readonly number[], floor: readonly number[]): string =>
  `frames while dragging, median ${print(quantile(frames, 0.5))} (${(quantile(frames, 0.5) / quantile(floor, 0.5)).toFixed(2)} times the floor, aim 1.1), p95 ${print(quantile(frames, 0.95))} (${(quantile(frames, 0.95) / quantile(floor, 0.95)).toFixed(2)} times the floor, aim 1.5)`;

/** So often the station is let go: the first time the page has yet to compile what it needs. */
const LETTINGS_GO = 5;

/** From letting go to the exact picture: the foot row says when the quick one stands in. */
const lettingGo = (page: Page): Promise<number> =>
  page.evaluate(async () => {
    const handle = document.querySelector('[data-handle="station"]');
    const began = performance.now();
    handle?.dispatchEvent(
      new PointerEvent('pointerup', { bubbles: true, pointerId: 1, pointerType: 'mouse', button: 0 }),
    );
    for (;;) {
      await new Promise<number>((resolve) => requestAnimationFrame(resolve));
      const quick =
        document.querySelector('[data-testid="where"]')?.textContent?.includes('working out what is hidden') ?? false;
      if (!quick || performance.now() - began > 5000) return performance.now() - began;
    }
  });

export async function benchRedraw(baseURL: string, executablePath: string, demos: readonly string[]): Promise<void> {
  const browser = await chromium.launch({
    executablePath,
    args: CHROMIUM_ARGUMENTS,
  });
  try {
    const blank = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const floor = await emptyFloor(blank);
    await blank.close();
    console.log(
      `floor, an empty page dragged the same way: frames, median ${print(quantile(floor, 0.5))}, p95 ${print(quantile(floor, 0.95))}`,
    );
    for (const id of demos) {
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      await page.goto(`${baseURL}/project/${id}/stand`);
      const settled: number[] = [];
      let measured: Awaited<ReturnType<typeof dragForFrames>> | null = null;
      let moved = true;
      for (let i = 0; i < LETTINGS_GO; i += 1) {
        const box = await page.locator('[data-handle="station"]').boundingBox();
        if (!box) throw new Error(`${id}: no station to drag`);
        const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
        const start = await page.locator('[data-handle="station"]').getAttribute('transform');
        await page.mouse.move(x, y);
        await page.mouse.down();
        await page.mouse.move(x + 3, y + 1);
        await dragForFrames(page, x, y, 30);
        measured ??= await dragForFrames(page, x, y, 240);
        moved &&= (await page.locator('[data-handle="station"]').getAttribute('transform')) !== start;
        settled.push(await lettingGo(page));
        await page.mouse.up();
        await page.waitForTimeout(500);
      }
      if (!moved || measured?.script.length !== 240) throw new Error(`${id}: the drag did not take`);
      console.log(
        `${id}: script for each station move, median ${print(quantile(measured.script, 0.5))}, p95 ${print(quantile(measured.script, 0.95))} (aim below 12 ms at p95); ${against(measured.frames, floor)}; exact picture after the last move, median ${print(quantile(settled, 0.5))} (aim below 250 ms), the first of a fresh page ${print(settled[0] ?? NaN)}`,
      );
      await page.close();
    }
  } finally {
    await browser.close();
  }
}
