import { readFileSync } from 'node:fs';
import { inLight, inTheWay, LIGHTS } from './axe';
import { expect, test, type Page } from '@playwright/test';
import { readPdf, type PdfPage } from '../src/testing/read-pdf';
import {
  downloadBy,
  dragBy,
  field,
  figureOf,
  handle,
  inkOf,
  openRoom,
  saved,
  tabTo,
  typeInto,
  unfolded,
} from './pages';

const VL = 'Left vanishing point from the centre line';
const VR = 'Right vanishing point from the centre line';
const undo = (page: Page) => page.getByRole('button', { name: 'undo', exact: true });
const sheet = (page: Page, name: string) => page.getByRole('dialog', { name, exact: true });
const readDownload = async (path: string): Promise<readonly PdfPage[]> => readPdf(new Uint8Array(readFileSync(path)));
/** Control lines of a page, across: level lines about 100 mm long in the lower margin. */
const controls = ({ lines }: PdfPage): readonly number[] =>
  lines
    .filter((one) => Math.abs(one.y0 - one.y1) < 1e-6 && one.y0 < 12)
    .map((one) => Math.abs(one.x1 - one.x0))
    .filter((length) => Math.abs(length - 100) < 8);

test.describe('a vanishing point out of reach', () => {
  /** VL 600 left of the centre line: 100 off the board on the left, which is within a long enough ruler. */
  async function withFarPoint(page: Page): Promise<void> {
    await openRoom(page, 'weaving-loft', 'set-out');
    await expect(page.getByText('Every point of the room is within reach.')).toBeAttached();
    await typeInto(field(page, VL), '-600');
    await expect(page.getByText('Out of reach: VL, 100.0 mm off the board.')).toBeAttached();
    await expect(page.getByRole('button', { name: 'Bring VL within reach' })).toBeVisible();
  }
  const ways = [
    ['slide-sheet', /Nothing of the drawing changes/, 'on the board'],
    ['ticks', /A tick 0\.2 mm out of place costs 0\.\d\d mm in the middle of the drawing/, 'by ticks on the edges'],
    ['strip', /340\.0 mm above the board’s lower edge/, 'on a strip'],
    ['nearer-station', /things are stretched 1\.\d\d times, before 1\.\d\d/, 'on the board'],
    ['another-angle', /both vanishing points are within reach/, 'on the '],
    ['smaller-scale', /% of its size/, 'on the '],
  ] as const;
  for (const [kind, consequence, after] of ways)
    test(`comes back by ${kind}, whose consequence is told before it is taken, and undo takes it back`, async ({
      page,
    }) => {
      await withFarPoint(page);
      await page.getByRole('button', { name: 'Bring VL within reach' }).click();
      const remedy = sheet(page, 'Reach').locator(`[data-remedy="${kind}"]`);
      await expect(remedy).toContainText(consequence);
      await remedy.getByRole('button', { name: /Take it/ }).click();
      await expect(page.locator('[data-reach="vp-left"]')).toContainText(after);
      await expect(page.locator('[data-reach="vp-left"]')).not.toContainText('out of reach');
      await page.keyboard.press('Escape');
      await expect(sheet(page, 'Reach')).toBeHidden();
      await expect(page.getByText('Every point of the room is within reach.')).toBeAttached();
      await expect(page.getByRole('button', { name: 'Draw it, step by step' })).toBeVisible();
      await undo(page).click();
      await expect(page.getByText('Out of reach: VL, 100.0 mm off the board.')).toBeAttached();
    });

  test('a distance point comes back as a fraction; of the two one is enough; the table then says 1/2', async ({
    page,
  }) => {
    await openRoom(page, 'tea-room', 'set-out');
    await typeInto(field(page, 'Right distance point from the centre line'), '640');
    await expect(page.getByRole('button', { name: 'Bring DL and DR within reach' })).toBeVisible();
    await page.keyboard.press('r');
    const remedy = sheet(page, 'Reach').locator('[data-remedy="fraction"]');
    await expect(remedy).toContainText('DL/2 lies on the board, 320.0 mm left of the centre of vision');
    await remedy.getByRole('button').click();
    await expect(page.locator('[data-reach="distance-right"]')).toContainText('one can do without it');
    await page.keyboard.press('Escape');
    await page.keyboard.press('t');
    const row = page.locator('tr[data-mark="distance-left"]');
    await expect(row).toContainText('DL/2');
    await expect(row).toContainText('lay lengths off at 1/2');
    // 297 from the left edge to the centre line, less 320.
    await expect(row).toContainText('−23.0 mm');
  });
});

test.describe('points as handles', () => {
  test('a vanishing point is dragged, nudged and typed; turn and station follow, and what else moved is told', async ({
    page,
  }) => {
    await openRoom(page, 'weaving-loft', 'set-out');
    await (await unfolded(page.getByLabel('What stays'))).selectOption({ label: 'its partner stays' });
    await dragBy(page, handle(page, 'vp-left'), -60, 0);
    const dragged = await figureOf(field(page, VL));
    expect(dragged).toBeLessThan(-260);
    expect(await figureOf(field(page, VR))).toBeCloseTo(200, 1);
    await expect(page.getByTestId('what-moved')).toContainText('The room is turned');
    await expect(page.getByTestId('what-moved')).toContainText('it was 45°');
    await expect(page.getByTestId('what-moved')).not.toContainText('VL went');
    await handle(page, 'vp-left').focus();
    await page.keyboard.press('ArrowRight');
    expect(await figureOf(field(page, VL))).toBeCloseTo(dragged + 1, 1);
    // tan² of the turn is VR over VL: what is typed comes out in Stand.
    await typeInto(field(page, VL), '-600');
    await page.keyboard.press('s');
    expect(await figureOf(field(page, 'Turn of the room'))).toBeCloseTo(30, 2);
    await page.keyboard.press('b');
    await (await unfolded(page.getByLabel('What stays'))).selectOption({ label: 'the turn stays' });
    await typeInto(field(page, VL), '-300');
    expect(await figureOf(field(page, VR))).toBeCloseTo(100, 1);
    await typeInto(field(page, VL), '300');
    await expect(page.getByTestId('what-moved')).toContainText('left vanishing point');
    expect(await figureOf(field(page, VL))).toBeCloseTo(-300, 1);
  });

  test('horizon, frame and sheet by handle and key; the widest set-out is one command', async ({ page }) => {
    await openRoom(page, 'weaving-loft', 'set-out');
    const ground = field(page, 'Horizon above the ground line');
    const start = await figureOf(ground);
    await handle(page, 'horizon').focus();
    await page.keyboard.press('Shift+ArrowUp');
    expect(await figureOf(ground)).toBeCloseTo(start + 10, 1);
    await expect(page.getByTestId('what-moved')).toContainText('The eye is 1 850 mm above the floor');
    const left = await figureOf(field(page, 'Sheet from the board’s left edge'));
    await dragBy(page, handle(page, 'sheet'), 40, 0);
    expect(await figureOf(field(page, 'Sheet from the board’s left edge'))).toBeGreaterThan(left + 30);
    await (await unfolded(page.getByRole('button', { name: 'centre the sheet', includeHidden: true }))).click();
    expect(await figureOf(field(page, 'Sheet from the board’s left edge'))).toBe(290);
    await handle(page, 'frame-right').focus();
    const ink = await inkOf(page);
    await page.keyboard.press('Shift+ArrowRight');
    await expect.poll(() => inkOf(page)).not.toBe(ink);
    await (
      await unfolded(page.getByRole('button', { name: 'set it out as wide as that', includeHidden: true }))
    ).click();
    // At 45° the points lie k to each side: on a board of 1000 mm, 5 mm from each edge, k is 495.
    expect(await figureOf(field(page, VR))).toBeCloseTo(495, 1);
    await expect(page.getByText('Every point of the room is within reach.')).toBeAttached();
  });

  test('in one-point the vanishing point is put off the middle of the frame while the measured wall stays on the paper', async ({
    page,
  }) => {
    await openRoom(page, 'tea-room', 'set-out');
    const place = field(page, 'Vanishing point from the frame’s left side');
    const start = await figureOf(place);
    const centre = await figureOf(field(page, 'Centre line from the sheet’s left edge'));
    await typeInto(place, String(start + 40));
    await expect(page.getByText('45.0 mm right of its middle')).toBeVisible();
    expect(await figureOf(field(page, 'Centre line from the sheet’s left edge'))).toBe(centre + 40);
    // Forty millimetres at 1:20: 800 mm to the right.
    await expect(page.getByTestId('what-moved')).toContainText('The station point moved 800 mm');
    await handle(page, 'centre-of-vision').focus();
    await page.keyboard.press('Shift+ArrowLeft');
    expect(await figureOf(place)).toBe(start + 30);
  });
});

test.describe('paper', () => {
  test('another sheet, its margins, a scale that fills it, and a wrong figure on the way', async ({ page }) => {
    await openRoom(page, 'weaving-loft', 'set-out');
    await (await unfolded(page.getByLabel('Sheet', { exact: true }))).selectOption('A2');
    expect(await figureOf(field(page, 'Width of the sheet'))).toBe(594);
    await (await unfolded(page.getByRole('button', { name: 'fill the sheet', includeHidden: true }))).click();
    await expect(page.getByText(/fills \d+ % of the sheet: no larger usual scale fits/)).toBeAttached();
    await expect(field(page, 'Scale at the picture plane')).toHaveValue('1:15');
    await typeInto(field(page, 'Margin all round'), 'a thumb');
    await expect(page.getByRole('alert').filter({ hasText: 'is not a length' })).toBeVisible();
    // As one types it, in the words of what a sheet may be.
    await typeInto(field(page, 'Width of the sheet'), '9000');
    await expect(page.getByRole('alert').filter({ hasText: /“9000” must be from 10 to 5.000 mm/ })).toBeVisible();
    await page.keyboard.press('Escape');
    await typeInto(field(page, 'Margin all round'), '150');
    await page.getByRole('button', { name: /pencil ring/ }).click();
    await expect(page.locator('[data-contradiction="over-margins"]')).toBeVisible();
    await page
      .locator('[data-contradiction="over-margins"]')
      .getByRole('button', { name: /Draw at 1:/ })
      .click();
    await expect(page.getByText(/fills \d+ % of the sheet: no larger usual scale fits/)).toBeAttached();
    await expect(field(page, 'Scale at the picture plane')).not.toHaveValue('1:15');
    await (await unfolded(page.getByRole('button', { name: 'each by itself', includeHidden: true }))).click();
    await typeInto(field(page, 'Margin left'), '2 cm');
    expect(await figureOf(field(page, 'Margin left'))).toBe(20);
    await (await unfolded(page.getByRole('button', { name: 'stand it up', includeHidden: true }))).click();
    expect(await figureOf(field(page, 'Height of the sheet'))).toBe(594);
  });

  test('the frame is typed from the centre of vision and from the sheet’s edges; one that encloses nothing is refused', async ({
    page,
  }) => {
    await openRoom(page, 'weaving-loft', 'set-out');
    const centre = await figureOf(field(page, 'Centre line from the sheet’s left edge'));
    await typeInto(field(page, 'Frame to the left'), '95');
    await expect.poll(() => figureOf(field(page, 'Frame to the left'))).toBe(95);
    const right = await figureOf(field(page, 'Frame to the right'));
    await (await unfolded(page.getByLabel('What the frame is told from'))).selectOption('sheet');
    await expect.poll(() => figureOf(field(page, 'Frame from the left edge'))).toBeCloseTo(centre - 95, 1);
    await typeInto(field(page, 'Frame from the left edge'), '30');
    await (await unfolded(page.getByLabel('What the frame is told from'))).selectOption('centre');
    await expect.poll(() => figureOf(field(page, 'Frame to the left'))).toBeCloseTo(centre - 30, 1);
    expect(await figureOf(field(page, 'Frame to the right'))).toBe(right);
    await typeInto(field(page, 'Frame to the left'), String(-right - 5));
    await expect(page.getByText('The frame would enclose nothing')).toBeVisible();
    expect(await figureOf(field(page, 'Frame to the left'))).toBeCloseTo(centre - 30, 1);
  });

  test('a grid in metres and in feet, on the surfaces one wants, printed as an underlay of its own', async ({
    page,
  }) => {
    await openRoom(page, 'weaving-loft', 'set-out');
    const bare = await inkOf(page);
    await page.getByRole('button', { name: 'lay a grid of half metres' }).click();
    const laid = await inkOf(page);
    expect(laid).not.toBe(bare);
    await typeInto(field(page, 'Unit of the grid'), '1 m');
    expect(await figureOf(field(page, 'Unit of the grid'))).toBe(1000);
    await expect.poll(() => inkOf(page)).not.toBe(laid);
    const metres = await inkOf(page);
    await page.getByRole('button', { name: 'ceiling', exact: true }).click();
    await expect(page.getByRole('button', { name: 'ceiling', exact: true })).toHaveAttribute('aria-pressed', 'false');
    await expect.poll(() => inkOf(page)).not.toBe(metres);
    await typeInto(field(page, 'Unit of the grid'), '2');
    await expect(page.getByRole('alert').filter({ hasText: /“2” must be from 10 to 100.000 mm/ })).toBeVisible();
    await typeInto(field(page, 'Unit of the grid'), '12');
    await expect(page.getByText(/It would come to \d+ lines; a surface with more than 400/)).toBeVisible();

    await openRoom(page, 'seed-shop', 'set-out');
    await page.getByRole('button', { name: 'lay a grid of feet' }).click();
    await expect(field(page, 'Unit of the grid')).toHaveValue(/1'-0"/);
    await page.keyboard.press('i');
    for (const name of ['the set-out table, with the board', 'the set-out at true size'])
      await page.getByRole('checkbox', { name }).uncheck();
    await page.getByRole('checkbox', { name: /the grid/ }).check();
    const { name, path } = await downloadBy(page, () => page.getByRole('button', { name: 'Make the PDF' }).click());
    expect(name).toBe('seed-shop-back-corner-grid.pdf');
    const pages = await readDownload(path);
    expect(pages).toHaveLength(1);
    // 18 by 24 inches, lying.
    expect(pages[0]?.width).toBeCloseTo(609.6, 3);
    expect(pages[0]?.height).toBeCloseTo(457.2, 3);
    expect(pages[0]?.lines.length).toBeGreaterThan(60);
    expect(pages[0]?.words.filter((word) => /^\d+$/.test(word.text)).length).toBeGreaterThan(8);
  });

  test('a print over A4, measured, corrected for its printer, and kept for the next time', async ({ page }) => {
    await openRoom(page, 'weaving-loft', 'set-out');
    await page.keyboard.press('i');
    await page.getByRole('checkbox', { name: 'the picture itself' }).check();
    await page.getByLabel('Paper of the printer').selectOption('A4');
    const make = page.getByRole('button', { name: 'Make the PDF' });
    const first = await readDownload((await downloadBy(page, () => make.click())).path);
    expect(first.length).toBeGreaterThan(8);
    for (const one of first) expect([one.width, one.height].map(Math.round).sort()).toEqual([210, 297]);
    // One printer makes 101 of 100 across; it has to be named first.
    await typeInto(field(page, 'Control line across'), '101');
    const correct = page.getByRole('button', { name: 'correct the next print' });
    await correct.click();
    await expect(page.getByText('Name the printer first')).toBeVisible();
    await page.getByLabel('Name of the printer').fill('the one by the window');
    await correct.click();
    await expect(page.getByLabel('Printer', { exact: true })).toHaveValue('the one by the window');
    await expect(sheet(page, 'Print')).toContainText('corrected −0.99 % across and +0.00 % down');
    const second = await readDownload((await downloadBy(page, () => make.click())).path);
    for (const one of second.slice(-first.length + 3))
      expect(controls(one).some((length) => Math.abs(length - 100 / 1.01) < 1e-3)).toBe(true);
    await typeInto(field(page, 'Control line across'), '150');
    await correct.click();
    await expect(page.getByText('no printer’s stretch')).toBeVisible();
    await page.reload();
    await expect(page.getByTestId('board')).toBeVisible();
    await page.keyboard.press('i');
    await expect(page.getByLabel('Printer', { exact: true })).toHaveValue('the one by the window');
  });

  test('the set-out as SVG has the sheet’s size, both control lines and the crosses', async ({ page }) => {
    await openRoom(page, 'weaving-loft', 'set-out');
    await page.keyboard.press('i');
    const { path } = await downloadBy(page, () => page.getByRole('button', { name: 'the set-out as SVG' }).click());
    const svg = readFileSync(path, 'utf8');
    expect(svg).toContain('width="420mm" height="297mm"');
    for (const mark of ['control-across', 'control-down', 'registration', 'vp-left'])
      expect(svg).toContain(`data-of="${mark}"`);
  });

  test('a project file posted to the print address comes back as its PDF', async ({ page, request }) => {
    await openRoom(page, 'weaving-loft', 'set-out');
    await page.getByRole('button', { name: 'take away' }).click();
    const { path } = await downloadBy(page, () => page.getByRole('menuitem', { name: /project file/ }).click());
    const file = { data: readFileSync(path), headers: { 'content-type': 'application/json' } };
    const response = await request.post('/api/print?parts=set-out', file);
    expect(response.status()).toBe(200);
    const pages = await readPdf(new Uint8Array(await response.body()));
    expect(pages[0]?.width).toBeCloseTo(420, 3);
    expect((await request.post('/api/print?parts=ceiling', file)).status()).toBe(400);
  });
});

test.describe('true size', () => {
  test('holds once the screen is measured, and says when zoom breaks it', async ({ page }) => {
    await openRoom(page, 'weaving-loft', 'set-out');
    await page.keyboard.press('1');
    await expect(page.getByText('Measure the screen with a ruler first')).toBeVisible();
    await page.keyboard.press('i');
    // The line of 300 px measures 75 mm: 4 px to the millimetre.
    await typeInto(field(page, 'Line on the screen'), '75');
    await expect(page.getByTestId('screen-ruler')).toContainText('Measured');
    await page.keyboard.press('Escape');
    await page.keyboard.press('1');
    await expect(page.getByTestId('shown-size')).toHaveText('shown at true size');
    const [a, b] = await Promise.all(
      ['mp-right', 'mp-left'].map(async (name) =>
        Number(/translate\(([\d.-]+)/.exec((await handle(page, name).getAttribute('transform')) ?? '')?.[1] ?? NaN),
      ),
    );
    expect((b ?? 0) - (a ?? 0)).toBeCloseTo(2 * 200 * Math.tan(Math.PI / 8) * 4, 3);
    // Zoom to 125 %: the device pixels for each CSS pixel change.
    const session = await page.context().newCDPSession(page);
    await session.send('Emulation.setDeviceMetricsOverride', {
      width: 1024,
      height: 640,
      deviceScaleFactor: 1.25,
      mobile: false,
    });
    await expect(page.getByTestId('shown-size')).toHaveText('true size does not hold: the zoom has changed');
    await page.keyboard.press('1');
    await expect(page.getByText(/True size does not hold: the browser’s zoom/)).toBeVisible();
  });
});

test.describe('reach, stretch and guesses', () => {
  test('every piece’s angle and stretch, and both charts of a line picked by key', async ({ page }) => {
    await openRoom(page, 'weaving-loft', 'set-out');
    await page.keyboard.press('a');
    const row = page.locator('tr[data-piece="yarn-chest"]');
    await expect(row).toContainText('°');
    const pencil = row.locator('td').nth(6);
    const before = await pencil.textContent();
    await typeInto(field(page, 'Width of the pencil’s line'), '1');
    await expect(pencil).not.toHaveText(before ?? '');
    // A pencil a millimetre wide means what one millimetre means.
    await expect(pencil).toHaveText((await row.locator('td').nth(4).textContent()) ?? '-');
    const chart = page.getByRole('img', { name: /Paper distance along the line/ });
    await expect(chart.locator('svg')).toBeVisible();
    expect(await chart.locator('svg path').count()).toBeGreaterThan(4);
    const told = await chart.getAttribute('aria-label');
    await handle(page, 'line-to').focus();
    for (let i = 0; i < 5; i += 1) await page.keyboard.press('Shift+ArrowUp');
    await expect(chart).not.toHaveAttribute('aria-label', told ?? '');
    await expect(
      page
        .getByRole('img', { name: /Pencil error over the floor/ })
        .locator('svg path')
        .first(),
    ).toBeVisible();
  });

  test('a first interval judged by eye on two walls: what it stands for, whether they agree, and standing there', async ({
    page,
  }) => {
    await openRoom(page, 'tea-room', 'set-out');
    await page.keyboard.press('j');
    for (const wall of ['the west wall', 'the harbour wall'])
      await page.getByLabel('Mark an interval on').selectOption({ label: wall });
    await expect(page.getByTestId('guess-verdict')).toHaveText('Both walls stand for the same station.');
    const west = page.locator('[data-guess]').first();
    await expect(west).toContainText('stands for a station 5 000 mm before the picture plane');
    await page.locator('[data-handle^="guess-"]').first().focus();
    for (let i = 0; i < 6; i += 1) await page.keyboard.press('ArrowRight');
    await expect(page.getByTestId('guess-verdict')).toContainText('do not agree');
    const told = (await west.textContent()) ?? '';
    const station = Number((/a station ([\d\s\u00a0]+) mm/.exec(told)?.[1] ?? '').replace(/[\s\u00a0]/g, ''));
    expect(station).toBeLessThan(5000);
    await west.getByRole('button', { name: 'stand there' }).click();
    await expect(west).toContainText('it truly ends 0.0 mm away');
    await page.keyboard.press('Escape');
    await page.keyboard.press('s');
    expect(await figureOf(field(page, 'Distance of the picture plane'))).toBeCloseTo(station, -1);
  });
});

test('the whole of it by keys alone: a far point brought back, a grid, the screen measured, a print', async ({
  page,
}) => {
  await openRoom(page, 'weaving-loft');
  const value = (): Promise<string> =>
    page.evaluate(() => (document.activeElement as HTMLInputElement | null)?.value ?? '');
  // Stand: a seated figure, and its eyes.
  await tabTo(page, 'Figure beside the eye');
  await page.keyboard.type('someone s');
  await page.keyboard.press('ArrowDown');
  expect(await value()).toBe('seated');
  await tabTo(page, 'see with those eyes');
  await page.keyboard.press('Enter');
  expect(await figureOf(field(page, 'Eye height'))).toBe(1200);
  await page.keyboard.press('b');
  await tabTo(page, VL);
  await page.keyboard.type('-600');
  await page.keyboard.press('Enter');
  await page.keyboard.press('r');
  await tabTo(page, /Take it: Converging ticks/);
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-reach="vp-left"]')).toContainText('by ticks on the edges');
  await page.keyboard.press('Escape');
  await page.keyboard.press('g');
  await tabTo(page, 'Unit of the grid');
  await page.keyboard.type('1 m');
  await page.keyboard.press('Enter');
  expect(await figureOf(field(page, 'Unit of the grid'))).toBe(1000);
  await page.keyboard.press('t');
  await tabTo(page, 'Zero of the set-out');
  await page.keyboard.type('the centre');
  await expect(page.getByText('Zero across is the centre line')).toBeVisible();
  await expect(page.locator('tr[data-mark="vp-left-tick-0-near"]')).toBeAttached();
  await page.keyboard.press('Escape');
  await page.keyboard.press('i');
  await tabTo(page, 'Line on the screen');
  await page.keyboard.type('75');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('screen-ruler')).toContainText('Measured');
  await tabTo(page, 'Make the PDF');
  const { path } = await downloadBy(page, () => page.keyboard.press('Enter'));
  const pages = await readDownload(path);
  // The table on A4 with its ticks, then the sheet itself.
  expect(pages.length).toBeGreaterThan(2);
  expect(pages.at(-1)?.width).toBeCloseTo(420, 3);
  await page.keyboard.press('Escape');
  await saved(page);
  await page.reload();
  await expect(page.locator('[data-handle="vp-right"]')).toBeVisible();
  expect(await figureOf(field(page, VL))).toBeCloseTo(-600, 1);
});

test('each remedy by keys alone, one after another', async ({ page }) => {
  await openRoom(page, 'weaving-loft', 'set-out');
  await tabTo(page, VL);
  await page.keyboard.type('-600');
  await page.keyboard.press('Enter');
  for (const [kind, label] of [
    ['slide-sheet', /^Take it: Slide the sheet/],
    ['ticks', /^Take it: Converging ticks/],
    ['strip', /^Take it: A strip of paper/],
    ['nearer-station', /^Take it: Stand nearer/],
    ['another-angle', /^Take it: Another angle/],
    ['smaller-scale', /^Take it: A smaller scale/],
  ] as const) {
    await page.keyboard.press('r');
    await tabTo(page, label);
    await page.keyboard.press('Enter');
    await expect(page.locator('[data-reach="vp-left"]'), kind).not.toContainText('out of reach');
    await page.keyboard.press('Escape');
    await expect(page.getByText('Every point of the room is within reach.'), kind).toBeAttached();
    await page.keyboard.press('z');
    await expect(page.getByText('Out of reach: VL, 100.0 mm off the board.'), kind).toBeAttached();
  }
});

test('a fraction and a grid in feet by keys alone, and the grid’s print', async ({ page }) => {
  await openRoom(page, 'tea-room', 'set-out');
  await tabTo(page, 'Right distance point from the centre line');
  await page.keyboard.type('640');
  await page.keyboard.press('Enter');
  await page.keyboard.press('r');
  await tabTo(page, /^Take it: A distance point at 1\/2/);
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-reach="distance-left"]')).toContainText('drawn at 1/2');

  await openRoom(page, 'seed-shop', 'set-out');
  await page.keyboard.press('g');
  await expect(field(page, 'Unit of the grid')).toHaveValue(/1'-0"/);
  await tabTo(page, 'Unit of the grid');
  await page.keyboard.type(`2'`);
  await page.keyboard.press('Enter');
  await expect(field(page, 'Unit of the grid')).toHaveValue(/2'-0"/);
  await page.keyboard.press('i');
  // The print has the keyboard; back from it lie the boxes. Table and set-out are ticked; the grid is the one after them.
  const boxes = page.getByRole('group', { name: 'What is to be printed' }).getByRole('checkbox');
  const onFirst = (): Promise<boolean> => boxes.first().evaluate((box) => box === document.activeElement);
  for (let back = 0; back < 12 && !(await onFirst()); back += 1) await page.keyboard.press('Shift+Tab');
  for (let box = 0; box < 3; box += 1) {
    await page.keyboard.press('Tab');
    await page.keyboard.press('Space');
  }
  await expect(page.getByRole('checkbox', { name: /the grid/ })).toBeChecked();
  await expect(page.getByRole('checkbox', { name: /the set-out table/ })).not.toBeChecked();
  await tabTo(page, 'Make the PDF');
  const { name, path } = await downloadBy(page, () => page.keyboard.press('Enter'));
  expect(name).toBe('seed-shop-back-corner-grid.pdf');
  expect((await readDownload(path))[0]?.lines.length).toBeGreaterThan(30);
});

test('Stand: figure, front and back plane measured, and who is outside the cone', async ({ page }) => {
  await openRoom(page, 'tea-room');
  await (await unfolded(page.getByLabel('Figure beside the eye'))).selectOption('child');
  await expect(page.getByText('1 160 mm tall, eyes at 1 060 mm')).toBeVisible();
  await page.getByRole('button', { name: 'see with those eyes' }).click();
  expect(await figureOf(field(page, 'Eye height'))).toBe(1060);
  await unfolded(page.getByLabel('Picture plane goes'));
  await expect(page.getByText('all of it comes out smaller than scale')).toBeVisible();
  await (await unfolded(page.getByRole('button', { name: 'measure the back wall', includeHidden: true }))).click();
  await expect(page.getByText('all of it comes out larger than scale')).toBeVisible();
  await (await unfolded(page.getByRole('button', { name: 'measure the front plane', includeHidden: true }))).click();
  await expect(page.getByTestId('cone-words')).toContainText('every piece in the frame is inside it');
  await typeInto(field(page, 'Station point from the shelf wall'), '6200');
  await expect(page.getByTestId('cone-words')).toContainText(/outside it: .*°/);
});

for (const look of LIGHTS)
  test(`Set out and its sheets stand in nobody’s way, ${look}`, async ({ page }) => {
    // Six sheets are looked through in one journey, on two cores beside another.
    test.setTimeout(150_000);
    await openRoom(page, 'weaving-loft', 'set-out');
    await inLight(page, look);
    for (const key of ['g', 't', 'r', 'a', 'j', 'i']) {
      if (key !== 'g') await page.keyboard.press(key);
      expect(await inTheWay(page, look), key).toEqual([]);
      if (key !== 'g') await page.keyboard.press('Escape');
    }
  });
