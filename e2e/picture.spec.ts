import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { middleOf, openRoom, inkOf, handle, wordsCome } from './pages';

test('a place to stand is found for what is marked, shown with reasons, taken and undone', async ({ page }) => {
  test.setTimeout(120_000);
  await openRoom(page, 'seed-shop');
  await page.keyboard.press('n');
  const sheet = page.getByRole('dialog', { name: 'Find a place to stand' });
  await expect(sheet).toBeVisible();
  await sheet.getByRole('button', { name: 'the wall clock' }).click();
  await sheet.getByRole('button', { name: 'Look for places' }).click();
  // It can be given up, and begun again.
  await sheet.getByRole('button', { name: 'give it up' }).click();
  await expect(sheet.getByRole('button', { name: 'Look for places' })).toBeVisible();
  await sheet.getByRole('button', { name: 'Look for places' }).click();
  await expect(sheet.getByTestId('found-reasons')).toBeVisible({ timeout: 90_000 });
  const places = sheet.getByRole('button', { name: /^Stand there/ });
  expect(await places.count()).toBe(6);
  await places.nth(2).focus();
  await expect(sheet.getByTestId('found-reasons')).toContainText(/from the line of sight/);
  const station = page.getByRole('textbox', { name: /Station point from/ }).first();
  const before = await station.inputValue();
  await places.first().click();
  await expect(station).not.toHaveValue(before);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^undo/ }).click();
  await expect(station).toHaveValue(before);
});

test('layers are laid aside, made faint, fastened and taken by themselves', async ({ page }) => {
  await openRoom(page, 'seed-shop', 'draw');
  const inks = new Set([await inkOf(page)]);
  await page.keyboard.press('l');
  const sheet = page.getByRole('dialog', { name: 'Layers' });
  const room = sheet.getByRole('group', { name: 'Room', exact: true });
  await room.getByRole('button', { name: 'aside' }).click();
  await page.waitForTimeout(300);
  inks.add(await inkOf(page));
  await room.getByRole('button', { name: 'faint' }).click();
  await page.waitForTimeout(300);
  inks.add(await inkOf(page));
  expect(inks.size).toBe(3);
  const table = sheet.getByRole('group', { name: 'the packing table', exact: true });
  await table.getByRole('button', { name: 'fasten' }).click();
  await expect(table.getByRole('button', { name: 'fastened' })).toHaveAttribute('aria-pressed', 'true');
  const taking = page.waitForEvent('download');
  await table.getByRole('button', { name: /^Take the packing table/ }).click();
  const svg = readFileSync(await (await taking).path(), 'utf8');
  expect(svg).toContain('layer-piece-table');
  expect(svg).toContain('layer-control');
  expect(svg).not.toContain('layer-room');
  await page.keyboard.press('Escape');
  // What is fastened does not move, and says why.
  await page.keyboard.press('m');
  await expect(page.getByTestId('measure-board')).toBeVisible();
  const piece = handle(page, 'piece');
  const label = 'Place of the packing table';
  for (let i = 0; i < 40; i += 1) {
    await page.keyboard.press('p');
    if ((await piece.getAttribute('aria-label')) === label) break;
  }
  await expect(piece).toHaveAttribute('aria-label', label);
  await piece.focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText(/the packing table is fastened/)).toBeVisible();
});

test('a line pointed at in the picture is told whole, and a tape between two points gives the real length', async ({
  page,
}) => {
  await openRoom(page, 'seed-shop', 'draw');
  const board = page.getByTestId('board');
  const box = await board.boundingBox();
  if (!box) throw new Error('no board');
  const lit = page.getByTestId('lit-sentence').or(page.getByTestId('pointed-sentence')).first();
  let told = '';
  for (let i = 0; i < 60 && !/ on paper/.test(told); i += 1) {
    await page.mouse.move(box.x + box.width * (0.3 + 0.005 * i), box.y + box.height * 0.45);
    await wordsCome(page);
    told = (await lit.textContent()) ?? '';
  }
  expect(told).toMatch(/long, .* on paper, .* from your eye/);
  await expect(page.getByTestId('lit-edge')).toHaveCount(1);
  await page.keyboard.press('x');
  const sheet = page.getByRole('dialog', { name: 'Measure in the picture' });
  await expect(sheet.getByTestId('tape-reading')).toContainText('Two points are wanted');
  const middle = await middleOf(page.getByTestId('board-canvas'));
  await page.mouse.click(middle.x - 120, middle.y + 20);
  await page.mouse.click(middle.x + 60, middle.y + 40);
  await expect(sheet.getByTestId('tape-reading')).toContainText(/truly .* apart/);
  await sheet.getByRole('combobox', { name: 'Plane measured on' }).selectOption('picture-plane');
  await expect(sheet.getByTestId('tape-reading')).toContainText(/On the picture plane they are truly/);
  await expect(page.getByTestId('tape').locator('line')).toHaveCount(1);
  await sheet.getByRole('button', { name: 'take the tape up' }).click();
  await expect(sheet.getByTestId('tape-reading')).toContainText('Two points are wanted');
});

test('the sheet is taken away as DXF in millimetres and as a picture that knows its size', async ({ page }) => {
  await openRoom(page, 'tea-room');
  for (const [item, check] of [
    ['the sheet in millimetres (DXF)', (bytes: Buffer) => expect(bytes.toString('latin1')).toContain('$INSUNITS')],
    [
      'the sheet, 150 dots to the inch (PNG)',
      (bytes: Buffer) => {
        expect(bytes.subarray(1, 4).toString()).toBe('PNG');
        // A2 across at 150 dots to the inch, and told so: 5906 dots to the metre.
        expect(bytes.readUInt32BE(16)).toBe(Math.round((594 / 25.4) * 150));
        const at = bytes.indexOf('pHYs');
        expect(bytes.readUInt32BE(at + 4)).toBe(5906);
      },
    ],
  ] as const) {
    await page.getByRole('button', { name: 'take away' }).click();
    const taking = page.waitForEvent('download');
    await page.getByRole('menuitem', { name: item }).click();
    check(readFileSync(await (await taking).path()));
  }
});
