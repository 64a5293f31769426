import { expect, type Locator, type Page } from '@playwright/test';

/** Any error on the page, and anything its content security policy refuses, fails the journey. */
export function noFaults(page: Page): void {
  page.on('pageerror', (error) => {
    throw error;
  });
  page.on('console', (message) => {
    if (message.type() === 'error' && message.text().includes('Content Security Policy'))
      throw new Error(message.text());
  });
}

/** Opens a demonstration room in Stand, ready to work on; any error on the page fails the journey. */
export async function openRoom(
  page: Page,
  id: string,
  stage: 'measure' | 'stand' | 'set-out' | 'draw' = 'stand',
): Promise<void> {
  noFaults(page);
  await page.goto(`/project/${id}/${stage}`);
  // Opening takes one to three seconds; on a machine that many share it has taken ten.
  await expect(page.getByTestId(stage === 'measure' ? 'measure-board' : 'board')).toBeVisible({ timeout: 30_000 });
}

export const handle = (page: Page, name: string): Locator => page.locator(`[data-handle="${name}"]`);

export async function middleOf(target: Locator): Promise<{ x: number; y: number }> {
  const box = await target.boundingBox();
  if (!box) throw new Error('nothing to point at');
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}

export async function dragBy(page: Page, target: Locator, dx: number, dy: number): Promise<void> {
  const from = await middleOf(target);
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(from.x + dx / 2, from.y + dy / 2, { steps: 4 });
  await page.mouse.move(from.x + dx, from.y + dy, { steps: 4 });
  await page.mouse.up();
}

/** A field by its name; where the margin has folded its sentence it is there all the same, and can be read. */
export const field = (page: Page, label: string): Locator =>
  page.getByRole('textbox', { name: label, exact: true, includeHidden: true });
/** Words follow an edit once it is on the screen: what reads them waits for them. */
export const wordsCome = (page: Page): Promise<void> => expect(page.locator('[aria-busy="true"]')).toHaveCount(0);
export const figureOf = async (target: Locator): Promise<number> => {
  await wordsCome(target.page());
  return Number((await target.inputValue()).replace(/[\u00a0°]/g, '').replace('−', '-'));
};

/** Opens the sentence a thing stands in, where the margin has folded it. */
export async function unfolded(target: Locator): Promise<Locator> {
  await wordsCome(target.page());
  const folded = target.locator('xpath=ancestor::*[@data-folded]/button');
  if ((await folded.count()) > 0) await folded.click();
  return target;
}

export async function typeInto(target: Locator, text: string): Promise<void> {
  await unfolded(target);
  await target.fill(text);
  await target.press('Enter');
}

/** What the canvas shows, as one number: it changes when the picture does. */
export const inkOf = (page: Page): Promise<string> =>
  page.getByTestId('board-canvas').evaluate((canvas: HTMLCanvasElement) => {
    const data =
      canvas.getContext('2d')?.getImageData(0, 0, canvas.width, canvas.height).data ?? new Uint8ClampedArray();
    let sum = 0;
    for (let i = 0; i < data.length; i += 4) sum = (sum * 31 + (data[i] ?? 0) + (data[i + 3] ?? 0)) % 2147483647;
    return String(sum);
  });

export const saved = (page: Page): Promise<void> => expect(page.getByTestId('save-status')).toHaveText('Saved');

/** Goes by Tab alone, as a person without a mouse does, until what has the keyboard bears the name; fails when it is not to be reached. */
export async function tabTo(page: Page, name: string | RegExp): Promise<void> {
  const named = (): Promise<string> =>
    page.evaluate(() => {
      const element = document.activeElement;
      return element?.getAttribute('aria-label') ?? (element === document.body ? '' : (element?.textContent ?? ''));
    });
  for (let press = 0; press < 120; press += 1) {
    await page.keyboard.press('Tab');
    const here = (await named()).trim();
    if (typeof name === 'string' ? here === name : name.test(here)) return;
  }
  throw new Error(`Tab does not come to ${String(name)}`);
}

/** Does something and waits for the file it makes; a print of many pages takes longer than most. */
export async function downloadBy(
  page: Page,
  act: () => Promise<void>,
  withinMs?: number,
): Promise<{ name: string; path: string }> {
  const waiting = page.waitForEvent('download', withinMs === undefined ? {} : { timeout: withinMs });
  await act();
  const download = await waiting;
  return { name: download.suggestedFilename(), path: await download.path() };
}
