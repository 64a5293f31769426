import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { field, inkOf, openRoom, typeInto } from './pages';

test('a piece is drawn step by step by keys: the sentence, the rule on the sheet and the strokes follow', async ({
  page,
}) => {
  await openRoom(page, 'weaving-loft');
  await page.getByRole('button', { name: 'Set out the sheet' }).click();
  await page.getByRole('button', { name: /Draw the yarn chest/ }).click();
  await expect(page).toHaveURL(/\/project\/weaving-loft\/draw$/);
  const sentence = page.getByTestId('step-sentence');
  await expect(sentence).toContainText('1/15');
  const inks = new Set([await inkOf(page)]);
  const sentences = new Set([await sentence.textContent()]);
  for (let step = 2; step <= 15; step += 1) {
    await page.keyboard.press(step % 2 === 0 ? 'ArrowRight' : 'Space');
    await expect(sentence).toContainText(`${step}/15`);
    inks.add(await inkOf(page));
    sentences.add(await sentence.textContent());
    const measures = await page.getByRole('table', { name: 'Measures of this step' }).count();
    await expect(page.getByTestId('straightedge')).toHaveCount(measures);
  }
  expect(sentences.size).toBe(15);
  expect(inks.size).toBe(15);
  await expect(sentence).toContainText('9 edges are seen whole');
  await page.keyboard.press('ArrowRight');
  await expect(sentence).toContainText('15/15');
  await page.keyboard.press('Home');
  await expect(sentence).toContainText('1/15');
  await page.keyboard.press('End');
  await page.keyboard.press('ArrowLeft');
  await expect(sentence).toContainText('14/15');
  await page.goBack();
  await expect(page.getByRole('button', { name: 'Set out', exact: true })).toHaveAttribute('aria-current', 'page');
});

test('the paper measure in the sentence is the set-out’s, in the units of the project', async ({ page }) => {
  await openRoom(page, 'tea-room', 'draw');
  await page.keyboard.press('ArrowRight');
  // Eye height 1600 at 1:20.
  await expect(page.getByTestId('step-sentence')).toContainText('1 600 mm: 80.0 mm on paper down from the horizon');
  await openRoom(page, 'seed-shop', 'draw');
  await page.keyboard.press('ArrowRight');
  // 5'-2" at half an inch to the foot is 2 7/12 inches, to the nearest 1/32.
  await expect(page.getByTestId('step-sentence')).toContainText(`5'-2": 2 19/32" on paper down from the horizon`);
});

test('choosing another piece by key begins its construction anew', async ({ page }) => {
  await openRoom(page, 'tea-room', 'draw');
  await page.keyboard.press('End');
  await page.keyboard.press('p');
  await expect(page.getByTestId('step-sentence')).toContainText('1/');
  await page.keyboard.press('End');
  await expect(page.getByTestId('step-sentence')).toContainText('the counter’s return');
});

test('a piece beside the eye is refused with a reason and a way out', async ({ page }) => {
  await openRoom(page, 'weaving-loft');
  await typeInto(field(page, 'Distance from the first wall of the yarn chest'), '9000');
  await page.getByRole('button', { name: 'Draw', exact: true }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'beside or behind your eye' })).toBeVisible();
  await page.getByRole('button', { name: 'Stand elsewhere' }).click();
  await expect(page.getByText(/pencil ring/)).toBeVisible();
});

test('the sheet is taken away at true size, with a control line of 100 mm', async ({ page }) => {
  await openRoom(page, 'weaving-loft');
  await page.getByRole('button', { name: 'take away' }).click();
  const waiting = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: /sheet at true size/ }).click();
  const download = await waiting;
  expect(download.suggestedFilename()).toBe('weaving-loft-from-the-door.svg');
  const svg = readFileSync(await download.path(), 'utf8');
  expect(svg).toContain('width="420mm" height="297mm" viewBox="0 0 420 297"');
  // As the browser itself measures it: 100 mm are 377.95 CSS pixels.
  // On a blank page: there is no application that could still be waking up under it.
  await page.goto('about:blank');
  await page.setContent(svg.replace(/^<\?xml[^>]*>/, ''));
  const width = await page.evaluate(
    () => document.querySelector('[data-of="control-across"]')?.getBoundingClientRect().width ?? 0,
  );
  expect(width).toBeCloseTo((100 / 25.4) * 96, 1);
});

test('on a tablet beside the board the sentence is large and next and back fill the corners', async ({ page }) => {
  await page.setViewportSize({ width: 1024, height: 768 });
  await openRoom(page, 'weaving-loft', 'draw');
  const [back, next] = [
    await page.getByRole('button', { name: 'Back one step' }).boundingBox(),
    await page.getByRole('button', { name: 'Next step' }).boundingBox(),
  ];
  expect([back?.width, back?.height, next?.width, next?.height]).toEqual([120, 120, 120, 120]);
  expect(await page.getByTestId('step-sentence').evaluate((element) => getComputedStyle(element).fontSize)).toBe(
    '28px',
  );
  const board = await page.getByTestId('board').boundingBox();
  expect(board?.width).toBe(1024);
  expect(board?.height ?? 0).toBeGreaterThan(500);
});
