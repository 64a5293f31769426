/** Going from step to step in Draw, in Chromium through the real interface: what passes until the sentence stands and the paper is drawn, the script of all that follows (tables, list), and all that the page's thread does for it. */
import { chromium } from '@playwright/test';
import { CHROMIUM_ARGUMENTS } from '../e2e/chromium';

const quantile = (values: readonly number[], q: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * q))] ?? NaN;

const STEPS = 60;

export async function benchDrawStep(baseURL: string, executablePath: string, demos: readonly string[]): Promise<void> {
  const browser = await chromium.launch({ executablePath, args: CHROMIUM_ARGUMENTS });
  try {
    for (const id of demos) {
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      const tools = await page.context().newCDPSession(page);
      await tools.send('Performance.enable');
      const spent = async (name: string): Promise<number> =>
        1000 * ((await tools.send('Performance.getMetrics')).metrics.find((one) => one.name === name)?.value ?? NaN);
      const began = performance.now();
      // From the key's first handler to its last: React tells the sentence and draws the paper within it, the margin after it.
      await page.addInitScript(() => {
        const told: number[] = [];
        (window as unknown as { told: number[] }).told = told;
        new PerformanceObserver((list) => {
          for (const one of list.getEntries())
            if (one instanceof PerformanceEventTiming && one.name === 'keydown')
              told.push(one.processingEnd - one.processingStart);
        }).observe({ type: 'event', durationThreshold: 16 } as PerformanceObserverInit);
      });
      await page.goto(`${baseURL}/project/${id}/draw`);
      await page.getByTestId('step-sentence').waitFor({ timeout: 60_000 });
      const first = performance.now() - began;
      await page.waitForTimeout(1000);
      for (const order of ['by piece', 'by pass']) {
        const [script, all]: [number[], number[]] = [[], []];
        await page.evaluate(() => ((window as unknown as { told: number[] }).told.length = 0));
        for (let i = 0; i < STEPS; i += 1) {
          const [s, t] = [await spent('ScriptDuration'), await spent('TaskDuration')];
          await page.keyboard.press('ArrowRight');
          await page.waitForTimeout(80);
          script.push((await spent('ScriptDuration')) - s);
          all.push((await spent('TaskDuration')) - t);
        }
        const told = await page.evaluate(() => [...(window as unknown as { told: number[] }).told]);
        // Keys done within a frame are not reported at all: they count as none.
        while (told.length < STEPS) told.push(0);
        console.log(
          `${id}, ${order}: to the next step, told and drawn within median ${quantile(told, 0.5).toFixed(1)} ms, p95 ${quantile(told, 0.95).toFixed(1)} ms (aim below 16); script with the tables after it median ${quantile(script, 0.5).toFixed(1)} ms, p95 ${quantile(script, 0.95).toFixed(1)} ms, with layout and painting ${quantile(all, 0.5).toFixed(1)} ms`,
        );
        await page.keyboard.press('o');
        await page.waitForTimeout(500);
      }
      console.log(`${id}: from nothing to the first step told ${first.toFixed(0)} ms`);
      await page.close();
    }
  } finally {
    await browser.close();
  }
}
