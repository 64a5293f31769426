import { copyFileSync, readFileSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import { expect, test, type Page } from '@playwright/test';
import { readPdf } from '../src/testing/read-pdf';
import { downloadBy, field, handle, noFaults, openRoom, saved, typeInto } from './pages';

const planned = (page: Page): Promise<void> =>
  expect(page.getByTestId('step-title')).toContainText('1/', { timeout: 30_000 });

test('a room is drawn from its plan: the plan lies above the picture, its sheet, cards and marks go to the board on paper', async ({
  page,
}) => {
  test.slow();
  await openRoom(page, 'tea-room', 'draw');
  await planned(page);
  await page.keyboard.press('i');
  const plan = page.getByLabel(/the plan sheet/);
  await expect(plan).toBeDisabled();
  await page.keyboard.press('Escape');
  await page.getByLabel('How depth is spaced', { exact: true }).selectOption('plan-projection');
  await expect(page.getByTestId('step-sentence')).toContainText(
    'Lay the plan beside the sheet or on a paper of its own, its picture plane level',
    {
      timeout: 30_000,
    },
  );
  const said: string[] = [];
  for (let i = 0; i < 10; i += 1) {
    said.push((await page.getByTestId('step-sentence').textContent()) ?? '');
    await page.keyboard.press('Space');
  }
  const all = said.join(' ');
  expect(all).toMatch(/Letter P\d+.* on the plan/);
  expect(all).toMatch(/Lay the straightedge on SP\. Rule from P\d+.* toward SP\./);
  expect(all).toMatch(/Tick on it [CP]\d+.*Carry it to the ground line, its zero at \d+\. Prick through \d+/);
  await page.keyboard.press('i');
  for (const part of [/the set-out table/, /the set-out at true size/]) await page.getByLabel(part).uncheck();
  for (const part of [/an overview/, /the plan sheet/, /an underlay/, /step cards/, /lists of all marks/])
    await page.getByLabel(part).check();
  await page.getByLabel('Paper of the step cards').selectOption('A5');
  await page.getByLabel('Cards on one page').selectOption('4');
  const make = page.getByRole('button', { name: 'Make the PDF' });
  const { name, path } = await downloadBy(page, () => make.click(), 90_000);
  expect(name).toBe('tea-room-from-the-street-overview-plan-underlay-cards-marks.pdf');
  const bytes = readFileSync(path);
  expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
  // More than four score of cards by four, the lists, and three sheets.
  expect(bytes.toString('latin1').match(/\/Type \/Page\b/g)?.length ?? 0).toBeGreaterThan(100);
});

test('heights come from an elevation set beside the plan: told with both readings, carried upright by strip, printed', async ({
  page,
}) => {
  test.slow();
  await openRoom(page, 'tea-room', 'draw');
  await planned(page);
  await page.getByLabel('How depth is spaced', { exact: true }).selectOption('plan-and-elevation');
  const title = page.getByTestId('step-title');
  const sentence = page.getByTestId('step-sentence');
  await expect(sentence).toContainText('Lay the plan', { timeout: 30_000 });
  for (let i = 0; i < 20 && !/elevation/.test((await title.textContent()) ?? ''); i += 1)
    await page.keyboard.press('Space');
  await expect(title).toContainText('Corners on the plan, heights on the elevation');
  await expect(sentence).toContainText('Carry the heights to its edge by level lines, their zero at E.');
  // The ceiling of the room, 2 850 high, at one to twenty.
  const ceiling = page.getByRole('complementary').getByRole('row').filter({ hasText: /^E\d+/ }).first();
  await expect(ceiling).toContainText(/2\s850 mm/);
  await expect(ceiling).toContainText('142.5 mm');
  for (let i = 0; i < 30 && !/Heights on the upright/.test((await title.textContent()) ?? ''); i += 1)
    await page.keyboard.press('Space');
  await expect(sentence).toContainText(
    /Lay a strip of paper upright on the edge of the elevation, its zero at E\. Tick on it E\d+.*Carry it to the upright through \d+/,
  );
  await expect(page.locator('[data-tool="paper strip"]')).toBeVisible();
  await page.keyboard.press('i');
  for (const part of [/the set-out table/, /the set-out at true size/]) await page.getByLabel(part).uncheck();
  await page.getByLabel(/the plan sheet/).check();
  const { path } = await downloadBy(page, () => page.getByRole('button', { name: 'Make the PDF' }).click(), 90_000);
  const words = (await readPdf(new Uint8Array(readFileSync(path)))).flatMap((one) => one.words);
  expect(words.map(({ text }) => text)).toEqual(expect.arrayContaining(['elevation', 'E']));
  // Heights stand on one edge, the ceiling 142.5 mm above the ground line.
  const [zero] = words.filter(({ text }) => text === 'E');
  expect(words.filter(({ text }) => /^E\d+$/.test(text)).length).toBeGreaterThan(3);
  expect(zero).toBeDefined();
});

test('a plan as one page: steps and ticks without a network, resumed after closing, ticks given back and taken over', async ({
  page,
  context,
}, info) => {
  await openRoom(page, 'weaving-loft', 'draw');
  await planned(page);
  const { path } = await downloadBy(page, async () => {
    await page.getByRole('button', { name: 'take away' }).click();
    await page.getByRole('menuitem', { name: /for a tablet/ }).click();
  });
  expect(readFileSync(path).length).toBeLessThan(1_000_000);
  await context.setOffline(true);
  const asked: string[] = [];
  context.on('request', (request) => asked.push(request.url()));
  // A download has no name of its own until it is put somewhere.
  const file = info.outputPath('plan.html');
  copyFileSync(path, file);
  const address = pathToFileURL(file).href;
  const tablet = await context.newPage();
  noFaults(tablet);
  await tablet.setViewportSize({ width: 1024, height: 768 });
  await tablet.goto(address);
  const where = tablet.locator('#where');
  await expect(where).toContainText('1/');
  const count = Number(/1\/(\d+)/.exec((await where.textContent()) ?? '')?.[1]);
  expect(count).toBeGreaterThan(50);
  const ink = (): Promise<string> =>
    tablet.locator('#paper').evaluate((canvas) => (canvas as HTMLCanvasElement).toDataURL().slice(-4000));
  const inks = [await ink()];
  for (let i = 0; i < 3; i += 1) {
    await tablet.keyboard.press('Space');
    inks.push(await ink());
  }
  expect(new Set(inks).size).toBe(inks.length);
  await expect(where).toContainText(`4/${count}`);
  await expect(where).toContainText(`${count - 3} still to draw`);
  await tablet.getByRole('button', { name: 'next' }).click();
  await tablet.getByRole('button', { name: 'back', exact: true }).click();
  await tablet.getByRole('button', { name: 'whole sheet' }).click();
  await expect(tablet.locator('#says')).not.toBeEmpty();
  await tablet.close();
  const again = await context.newPage();
  noFaults(again);
  await again.goto(address);
  await expect(again.locator('#where')).toContainText(`4/${count}`);
  await expect(again.locator('#where')).toContainText(`${count - 4} still to draw`);
  const given = await downloadBy(again, () => again.getByRole('button', { name: 'give the ticks back' }).click());
  expect(given.name).toBe('weaving-loft-from-the-door-ticks.json');
  expect(asked.filter((url) => !url.startsWith('file:') && !url.startsWith('blob:'))).toEqual([]);
  await again.close();
  await context.setOffline(false);
  await page.getByLabel('File of ticks').setInputFiles(given.path);
  await expect(page.getByText(`4 of ${count} steps are drawn.`)).toBeVisible();
  await saved(page);
  // A file of another kind is refused in words.
  await page.getByLabel('File of ticks').setInputFiles({
    ...{ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('{"kind":"bathyskop-project"}') },
  });
  await expect(page.getByText(/This is no file of ticks/)).toBeVisible();
});

test('a mark came out wrong: what to look at, whether it matters, and what of the drawn is to be drawn again', async ({
  page,
}) => {
  await openRoom(page, 'tea-room', 'draw');
  await planned(page);
  for (let i = 0; i < 24; i += 1) await page.keyboard.press('Space');
  await page.keyboard.press('Shift+W');
  const words = page.getByTestId('wrong-words');
  await expect(words).toContainText(/each millimetre moves \S+ by [\d.]+ mm\.|Nothing that stays rests on/);
  const mark = page.getByLabel('The mark that is off');
  await mark.fill('4');
  await mark.press('Enter');
  const by = page.getByLabel('By how much it is off');
  await by.fill('1.5');
  await by.press('Enter');
  await expect(words).toContainText(/Look first at step \d+, “.+”, at \S+ \(\d+ %\)/);
  await expect(words).toContainText('It matters: ');
  await expect(words).toContainText(/Set 4 anew on the ground line: 25\.0 mm right of 1\./);
  await expect(words).toContainText(/Then draw again \d+ marks?.* about \d+ min/);
  await by.fill('0.01');
  await by.press('Enter');
  await expect(words).toContainText('It does not matter');
  await mark.fill('no such');
  await mark.press('Enter');
  await expect(page.getByText('The plan has no mark “no such”.', { exact: false })).toBeVisible();
});

test('a plan at the board outlives a change: what is wrong is told, the rest keeps its tick, the old plan is read still', async ({
  page,
}) => {
  test.slow();
  await openRoom(page, 'tea-room', 'draw');
  await planned(page);
  const sentence = page.getByTestId('frozen-sentence');
  await expect(sentence).toContainText('Not at the board yet.');
  for (let i = 0; i < 60; i += 1) await page.keyboard.press('Space');
  await expect(sentence).toContainText(/^At the board as it is since \d+ \w+, \d\d:\d\d\.$/);
  const drawn = await page.getByRole('button', { name: /, (partly )?drawn$/ }).count();
  expect(drawn).toBeGreaterThan(0);
  await page.keyboard.press('Shift+B');
  await expect(page.getByText('The plan at the board is the plan of the record')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('s');
  await handle(page, 'station').focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('d');
  await expect(sentence).toContainText(
    /Changed since it went to the board .*: \d+ of what is drawn are wrong, by up to [\d.]+ mm\./,
    {
      timeout: 30_000,
    },
  );
  // Undone, the plan is the one at the board again.
  await page.keyboard.press('z');
  await expect(sentence).toContainText('At the board as it is since', { timeout: 30_000 });
  await page.keyboard.press('y');
  await saved(page);
  await page.reload();
  await expect(sentence).toContainText('Changed since it went to the board', { timeout: 30_000 });
  await page.getByRole('button', { name: 'what to do (Shift B)' }).click();
  const words = page.getByTestId('since-words');
  await expect(words).toContainText(
    /Of \d+ drawn strokes \d+ are wrong by now, by up to [\d.]+ mm on paper; \d+ are right/,
  );
  await expect(words).toContainText(/The least still to be drawn is [\d\u00a0]+ strokes in \d+ steps, about /);
  const table = page.getByRole('table', { name: 'What is wrong' });
  await expect(table.getByRole('row').nth(1)).toContainText(/mm/);
  await page.locator('summary').first().click();
  const old = page.getByRole('list', { name: /^Steps of the plan of/ }).getByRole('listitem');
  await expect(old.first()).toBeVisible();
  expect(await old.count()).toBeGreaterThan(200);
  const { name, path } = await downloadBy(page, () =>
    page.getByRole('button', { name: 'take it away as a page' }).first().click(),
  );
  expect(name).toMatch(/^tea-room-from-the-street-by-\w+-.*\.html$/);
  expect(readFileSync(path, 'utf8')).toContain('bathyskop-ticks');
  await page.getByRole('button', { name: 'go on by the new plan' }).click();
  await expect(sentence).toContainText('At the board as it is since');
  // It goes on where the first stroke is wrong; of a step that is drawn in part the rest is told.
  await expect(page.getByTestId('step-title')).toContainText(/^\d+\//);
  for (let i = 0; i < 40 && (await page.getByTestId('left-of-step').count()) === 0; i += 1)
    await page.keyboard.press('Space');
  await expect(page.getByTestId('left-of-step')).toContainText(
    /^Of this step only \d+ strokes? of \d+ (is|are) still to be drawn/,
  );
  await page.keyboard.press('Shift+B');
  await expect(page.locator('summary')).toHaveCount(2);
});

type Spot = readonly [number, number];
type Ruled = readonly [Spot, Spot];

const crossingOf = ([p, q]: Ruled, [r, s]: Ruled): Spot => {
  const [a, b] = [
    [q[0] - p[0], q[1] - p[1]],
    [s[0] - r[0], s[1] - r[1]],
  ] as const;
  const t = ((r[0] - p[0]) * b[1] - (r[1] - p[1]) * b[0]) / (a[0] * b[1] - a[1] * b[0]);
  return [p[0] + a[0] * t, p[1] + a[1] * t];
};

/** Where a part of a square seen at a slant lies: by the parallels’ two vanishing points, as one would draw it. Corners along, then away. */
function inSquare([o, x, xy, y]: readonly [Spot, Spot, Spot, Spot], s: number, t: number): Spot {
  // The square's plane as weights at its corners: x·g + y·h = xy − o, so that (1, 1) falls on the far corner.
  const [dx1, dy1, dx2, dy2] = [x[0] - xy[0], x[1] - xy[1], y[0] - xy[0], y[1] - xy[1]];
  const [sx, sy] = [o[0] - x[0] + xy[0] - y[0], o[1] - x[1] + xy[1] - y[1]];
  const size = dx1 * dy2 - dx2 * dy1;
  const [g, h] = [(sx * dy2 - dx2 * sy) / size, (dx1 * sy - sx * dy1) / size];
  const w = g * s + h * t + 1;
  const at = (i: 0 | 1): number => ((x[i] - o[i] + g * x[i]) * s + (y[i] - o[i] + h * y[i]) * t + o[i]) / w;
  return [at(0), at(1)];
}

const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ';
const FRACTIONS: Readonly<Record<string, number>> = { '': 0, '¼': 0.25, '½': 0.5, '¾': 0.75 };

test('a chair’s corner is counted on the printed grid, and lies where the plan has it', async ({ page }) => {
  test.slow();
  await openRoom(page, 'tea-room', 'draw');
  await planned(page);
  await page.getByLabel('How depth is spaced', { exact: true }).selectOption('measured-grid');
  const told = page.getByTestId('grid-sentence');
  await expect(told).toContainText('no grid to print yet', { timeout: 30_000 });
  await told.getByRole('button', { name: 'lay this one' }).click();
  await expect(told).toContainText('The printed grid has the same numbers', { timeout: 30_000 });
  await page.keyboard.press('i');
  for (const part of [/the set-out table/, /the set-out at true size/]) await page.getByLabel(part).uncheck();
  await page.getByLabel(/the grid, to lay under/).check();
  const print = await downloadBy(page, () => page.getByRole('button', { name: 'Make the PDF' }).click(), 60_000);
  await page.keyboard.press('Escape');
  const marks = await downloadBy(page, async () => {
    await page.getByRole('button', { name: 'take away' }).click();
    await page.getByRole('menuitem', { name: /the marks, pass by pass/ }).click();
  });

  const [head = '', ...rows] = readFileSync(marks.path, 'utf8').split('\r\n');
  const column = (name: string): number => head.split(',').indexOf(name);
  const lies = new Map(
    rows.map((row) => {
      const cells = row.split(',');
      return [
        cells[column('label')] ?? '',
        [Number(cells[column('across_mm')]), Number(cells[column('up_mm')])] as const,
      ];
    }),
  );
  const [sheet] = await readPdf(new Uint8Array(readFileSync(print.path)));
  if (!sheet) throw new Error('the grid is printed');
  /** The floor's line that a number is written at: it hangs from where the line begins. */
  const lineOf = (call: string): Ruled | null => {
    for (const { text, x, y } of sheet.words) {
      if (text !== call) continue;
      const begins = sheet.lines.find(({ x0, y0 }) => Math.hypot(x0 - (x - 0.6), y0 - (y + 2.7)) < 0.05);
      if (begins)
        return [
          [begins.x0, begins.y0],
          [begins.x1, begins.y1],
        ];
    }
    return null;
  };

  await page.getByRole('button', { name: 'the pilot’s chair', exact: true }).click();
  const counted = page.getByLabel('counted on the grid');
  const steps = page.getByRole('button', { name: /^\d+ (Levels|Lines to CV)$/ });
  let found = 0;
  for (let i = 0; i < (await steps.count()) && found < 3; i += 1) {
    await steps.nth(i).click();
    for (const one of await counted.all()) {
      const [along = '', away = '', up] = ((await one.textContent()) ?? '').split(', ');
      const [, number = '', part = ''] = /^(\d+)(\.\d+|[¼½¾])?$/.exec(along) ?? [];
      const [, letter = '', other = ''] = /^([A-Z])(\.\d+|[¼½¾])?$/.exec(away) ?? [];
      if (up !== undefined || number === '' || letter === '') continue;
      const [n, l] = [Number(number), LETTERS.indexOf(letter)];
      const lines = [String(n), String(n + 1), letter, LETTERS.charAt(l + 1)].map(lineOf);
      const [a, b, c, d] = lines;
      const mark = lies.get(
        ((await one.locator('xpath=..').evaluate((cell) => cell.firstChild?.textContent)) ?? '').trim(),
      );
      if (!a || !b || !c || !d || !mark) continue;
      const square = [crossingOf(a, c), crossingOf(b, c), crossingOf(b, d), crossingOf(a, d)] as const;
      const share = (text: string): number => FRACTIONS[text] ?? Number(`0${text}`);
      const [x, y] = inSquare(square, share(part), share(other));
      // The sheet's centre of vision, as its first step says; three decimals of a square are told.
      expect(Math.hypot(x - (297 + mark[0]), y - (215 + mark[1])), `${along}, ${away}`).toBeLessThan(0.15);
      found += 1;
    }
  }
  expect(found).toBeGreaterThanOrEqual(3);
});

test('by diagonals: an interval is repeated, and a back wall by the frame’s corners says how deep it is, and from where', async ({
  page,
}) => {
  await openRoom(page, 'tea-room', 'draw');
  await planned(page);
  await page.getByLabel('How depth is spaced', { exact: true }).selectOption('diagonals');
  const told = page.getByTestId('diagonals-sentence');
  await expect(told).toContainText('are repeated from one corner', { timeout: 30_000 });
  await expect(told).toContainText('That is yours.');
  // The frame is 330 mm wide, the station 5 000 mm before the picture plane, the shelf wall 4 200 mm behind it.
  await typeInto(field(page, 'Width of the back wall as it is drawn'), '150');
  await expect(told).toContainText(/It stands 6.000 mm behind the picture plane, seen from 5.000 mm before it/);
  await expect(told).toContainText(
    /Yours stands 4.200 mm behind it: 179\.3 mm wide from here, or as drawn from 3.500 mm/,
  );
  await typeInto(field(page, 'Width of the back wall as it is drawn'), '400');
  await expect(page.getByRole('alert').filter({ hasText: /“400” must be from 1 to 330/ })).toBeVisible();
  await page.getByRole('button', { name: 'the tea room', exact: true }).click();
  const steps = page.getByRole('button', { name: /^\d+ (Lines from mark to mark|The line) ?/ });
  await expect(steps.first()).toBeVisible();
  const because: string[] = [];
  for (let i = 0; i < (await steps.count()); i += 1) {
    await steps.nth(i).click();
    because.push((await page.getByTestId('step').textContent()) ?? '');
  }
  const repeated = because.filter((text) => text.includes('A diagonal through the middle'));
  expect(repeated.length).toBeGreaterThan(0);
  for (const text of repeated) expect(text).toMatch(/Rule from \S+ on through \S+/);
});

test('by the corners of the frame the back wall is drawn by steps, as wide as it is judged from where one then stands; in binary steps what is judged is said', async ({
  page,
}) => {
  test.slow();
  await openRoom(page, 'tea-room', 'draw');
  await planned(page);
  const school = page.getByLabel('How depth is spaced', { exact: true });
  await school.selectOption('sheet-corners');
  const told = page.getByTestId('diagonals-sentence');
  const sentence = page.getByTestId('step-sentence');
  await expect(told).toContainText(
    /The first interval in depth runs to the back wall, 4\s200 mm behind the picture plane/,
    { timeout: 30_000 },
  );
  const title = page.getByTestId('step-title');
  const toTheHorizon = async (): Promise<void> => {
    for (let i = 0; i < 8 && !/on the horizon/.test((await title.textContent()) ?? ''); i += 1)
      await page.keyboard.press('Space');
  };
  await toTheHorizon();
  // 5 000 of 9 200: the frame's left side, 170 mm from the centre of vision, stands at 92.4 there.
  await expect(sentence).toContainText(
    /At the back wall, 4\s200 mm behind the picture plane, the frame is drawn 0\.543 of its size: \d+ lies on its left side\./,
  );
  await expect(sentence).toContainText('92.4 mm on paper to the left');
  const width = field(page, 'Width of the back wall as it is drawn');
  await typeInto(width, '165');
  // Half of the frame's 330 mm: one stands as far before the picture plane as the wall behind it.
  await expect(told).toContainText(/or as drawn from 4\s200 mm/);
  await told.getByRole('button', { name: 'stand there' }).click();
  await expect(told).toContainText('That is yours.', { timeout: 30_000 });
  await expect(width).toHaveValue('165.0');
  await toTheHorizon();
  await expect(sentence).toContainText('the frame is drawn 0.500 of its size', { timeout: 30_000 });
  await expect(sentence).toContainText('85.0 mm on paper to the left');

  await openRoom(page, 'weaving-loft', 'draw');
  await planned(page);
  await school.selectOption('binary-steps');
  await expect(page.getByTestId('judged-sentence')).toContainText(
    /judged, a half, a quarter or an eighth in place of another: \d+ marks lie up to \d+ mm off in the room, outside the exactness of this plan/,
    { timeout: 30_000 },
  );
});
