import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { inkOf, openRoom, saved, wordsCome } from './pages';

/** The plan is there: its first sentence is told. */
const planned = (page: Page): Promise<void> =>
  expect(page.getByTestId('step-title')).toContainText('1/', { timeout: 30_000 });
const stepsOf = async (page: Page): Promise<number> =>
  Number(/\/(\d+)/.exec((await page.getByTestId('step-title').textContent()) ?? '')?.[1]);

for (const [id, least, names] of [
  ['weaving-loft', 80, ['VL', 'VR', 'ML', 'MR', 'VL2']],
  ['tea-room', 65, ['CV', 'DR']],
] as const)
  test(`a whole plan is carried out by keys, every step of it: ${id}`, async ({ page }) => {
    test.slow();
    await openRoom(page, id);
    await page.getByRole('button', { name: 'Set out the sheet' }).click();
    await page.getByRole('button', { name: 'Draw it, step by step' }).click();
    await expect(page).toHaveURL(new RegExp(`/project/${id}/draw$`));
    await planned(page);
    await page.keyboard.press('o');
    await expect(page.getByRole('button', { name: /^by pass/ })).toHaveAttribute('aria-pressed', 'true');
    const count = await stepsOf(page);
    expect(count).toBeGreaterThan(least);
    const [tools, said] = [new Set<string>(), new Set<string>()];
    const inks = [await inkOf(page)];
    for (let step = 1; step <= count; step += 1) {
      await expect(page.getByTestId('step-title')).toContainText(`${step}/${count}`);
      const sentence = (await page.getByTestId('step-sentence').textContent()) ?? '';
      expect(sentence).toMatch(/^[A-Z].*\.$/);
      said.add(sentence);
      const tool = page.getByTestId('tool');
      if ((await tool.count()) > 0) tools.add((await tool.getAttribute('data-tool')) ?? '');
      if (step % 20 === 0) inks.push(await inkOf(page));
      await page.keyboard.press('Space');
    }
    const all = [...said].join(' ');
    for (const name of names)
      expect(all).toMatch(new RegExp(`On the horizon mark ${name},|centre of vision, ${name}:`));
    expect([...tools].sort()).toEqual(['parallel rule', 'scale rule', 'set square', 'straightedge']);
    expect(new Set(inks).size).toBe(inks.length);
    // All is drawn: the next thing, and no dead button.
    await expect(page.getByTestId('step-title')).toContainText('drawn');
    await page.getByRole('button', { name: 'print it' }).click();
    await expect(page.getByRole('dialog', { name: /print/i })).toBeVisible();
  });

test('one resumes where one stopped, jumps to a thing, ticks off; the ticks hold in the other order', async ({
  page,
}) => {
  await openRoom(page, 'tea-room', 'draw');
  await planned(page);
  for (let i = 0; i < 4; i += 1) await page.keyboard.press('Space');
  await page.keyboard.press('j');
  await saved(page);
  await page.reload();
  await expect(page.getByTestId('step-title')).toContainText(/^5\//, { timeout: 30_000 });
  await expect(page.getByTestId('step-title')).toContainText('drawn');
  const counts = await page.getByRole('group', { name: 'Order of the work' }).innerText();
  const [pieces, passes] = [/by piece: (\d+) moves/, /by pass: (\d+) moves/].map((one) =>
    Number(one.exec(counts)?.[1]),
  );
  expect(passes).toBeLessThan((pieces ?? 0) * 0.75);
  await page.getByRole('button', { name: /^by pass/ }).click();
  // What was drawn in one order is drawn in the other: one goes on with what is not.
  await expect(page.getByTestId('step-title')).not.toContainText(/^1\//);
  await page.getByRole('button', { name: /^by piece/ }).click();
  const parts = page.getByRole('list', { name: 'Parts of the plan' });
  await expect(parts.getByRole('button', { name: /the set-out/ })).toHaveAccessibleName(/partly drawn/);
  await parts.getByRole('button', { name: 'the arched niche' }).click();
  await expect(page.getByRole('list', { name: 'Steps of the arched niche' })).toBeVisible();
  await expect(page.getByTestId('step-title')).not.toContainText(/^5\//);
});

test('the centre of vision is told on the sheet, and paper measures in the units of the project', async ({ page }) => {
  await openRoom(page, 'tea-room', 'draw');
  await planned(page);
  await expect(page.getByTestId('step-sentence')).toContainText(/CV: [\d.]+ mm from the sheet’s left edge/);
  await page
    .getByRole('list', { name: 'Parts of the plan' })
    .getByRole('button', { name: /centre line, zero at CV/ })
    .click();
  // Eye height 1600 at 1:20.
  await expect(page.getByTestId('step-sentence')).toContainText('1 600 mm: 80.0 mm on paper down');
  await openRoom(page, 'seed-shop', 'draw');
  await planned(page);
  await expect(page.getByTestId('step-sentence')).toContainText(/CV: [\d /]+" from/);
});

test('a mark pointed at says what it stands for and how far it may be missed; a line leads to its step', async ({
  page,
}) => {
  await openRoom(page, 'weaving-loft', 'draw');
  await planned(page);
  await page.getByRole('list', { name: 'Parts of the plan' }).getByRole('button', { name: 'the yarn chest' }).click();
  const told = page.getByTestId('pointed-sentence');
  const says: string[] = [];
  for (let i = 0; i < 30; i += 1) {
    if (i % 6 === 0) await page.keyboard.press('ArrowRight');
    await page.keyboard.press('k');
    await expect(page.getByTestId('pointed-mark')).toHaveCount(1);
    await wordsCome(page);
    says.push(await told.innerText());
  }
  expect(says.join('\n')).toMatch(/made in step \d+, “.+”: .* the horizon\./);
  expect(says.join('\n')).toMatch(/It stands for (the yarn chest|a place)/);
  expect(says.join('\n')).toMatch(/Nineteen times in twenty it falls within [\d.]+ mm: in the room [\d.]+ mm beside/);
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('pointed-mark')).toHaveCount(0);
  // By the mouse: the ground line, where nothing else lies.
  const box = await page.getByTestId('board').boundingBox();
  if (!box) throw new Error('no board');
  let found = false;
  for (let y = 0.2; y < 0.95 && !found; y += 0.01) {
    await page.mouse.move(box.x + box.width * 0.52, box.y + box.height * y);
    await wordsCome(page);
    found = (await page.getByTestId('pointed-line').count()) > 0;
  }
  const line = await told.innerText();
  const step = /drawn in step (\d+)/.exec(line)?.[1];
  expect(line).toMatch(/marks? rests? on it|Nothing rests on it/);
  await page.mouse.down();
  await page.mouse.up();
  await expect(page.getByTestId('step-title')).toContainText(new RegExp(`^${step}/`));
});

test('the finished picture lies beneath or aside, and errors are laid over', async ({ page }) => {
  await openRoom(page, 'tea-room', 'draw');
  await planned(page);
  await page.waitForTimeout(300);
  const inks = [await inkOf(page)];
  for (const key of ['u', 'a', 'u', 'a']) {
    await page.keyboard.press(key);
    await page.waitForTimeout(300);
    inks.push(await inkOf(page));
  }
  expect(new Set(inks).size).toBe(4);
  expect(inks[4]).toBe(inks[0]);
});

test('a mark of the step beyond what is seen is told at the edge, until all of it is shown again', async ({ page }) => {
  await openRoom(page, 'weaving-loft', 'draw');
  await planned(page);
  await page.getByRole('button', { name: /^9 Lines to VL/ }).click();
  await expect(page.locator('[data-testid^="beyond-"]').filter({ hasText: '8' })).toHaveCount(0);
  const board = await page.getByTestId('board').boundingBox();
  if (!board) throw new Error('there is a board');
  await page.mouse.move(board.x + board.width * 0.7, board.y + board.height * 0.5);
  for (let i = 0; i < 6; i += 1) await page.mouse.wheel(0, -200);
  await expect(page.getByTestId('beyond-right')).toHaveText(/^8: \d+\.\d mm farther →$/);
  await expect(page.getByTestId('beyond-left')).toHaveText(/^← VL: \d+\.\d mm farther$/);
  await page.keyboard.press('f');
  await expect(page.getByTestId('beyond-right')).toHaveCount(0);
});

test('where the sentence points to a table it is in sight, however far down the list one is', async ({ page }) => {
  await openRoom(page, 'seed-shop', 'draw');
  await planned(page);
  await page.keyboard.press('o');
  const table = page.getByRole('table', { name: 'Crossings of this step' });
  for (let i = 0; i < 20 && (await table.count()) === 0; i += 1) {
    await page.keyboard.press('Space');
    await page.waitForTimeout(150);
  }
  await expect(page.getByTestId('step-sentence')).toContainText('by the table');
  await expect(table.getByRole('row').nth(1)).toBeInViewport();
  // Rows are made as one comes to them.
  const rows = await table.getByRole('row').count();
  await page.getByRole('complementary').evaluate((margin) => margin.scrollTo(0, 900));
  await expect.poll(() => table.getByRole('row').count()).toBeGreaterThan(rows);
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
  await planned(page);
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
  // There is no margin for a table: what it says stands beneath the sentence.
  const sentence = page.getByTestId('step-sentence');
  for (let i = 0; i < 40 && !/the table/.test((await sentence.textContent()) ?? ''); i += 1)
    await page.keyboard.press('ArrowRight');
  await expect(sentence).toContainText('the table');
  const figures = page.getByRole('list', { name: 'Figures of this step' });
  await expect(figures).toBeVisible();
  expect(await figures.getByRole('listitem').count()).toBeGreaterThan(4);
  await expect(figures.getByRole('listitem').first()).toHaveText(/^\S+ .: [\d ]+/);
});
