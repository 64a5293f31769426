import { inLight, inTheWay, LIGHTS } from './axe';
import { expect, test, type Page } from '@playwright/test';
import { dragBy, field, figureOf, handle, inkOf, middleOf, openRoom, saved, typeInto, unfolded } from './pages';

const STATION = 'Station point from the west wall';
const DEPTH = 'Station point from the north wall';

test.describe('one gesture shows the whole theory', () => {
  /** The figures each view writes of the corner that is lit. */
  async function litFigures(page: Page) {
    await expect(page.getByTestId('lit')).toBeVisible();
    const read = async (id: string): Promise<string> =>
      ((await page.getByTestId(id).textContent()) ?? '').replace(/^[uv] /, '');
    const [u = '', v = ''] = (await read('picture-uv')).split(', ');
    return {
      corner: await page.getByTestId('lit').getAttribute('data-corner'),
      planU: await read('plan-u'),
      sideV: await read('side-v'),
      stripU: await read('strip-u'),
      u,
      v,
    };
  }
  /** Where the lit corner lies in a view: the dot drawn there. */
  const dotIn = (page: Page, view: 'plan' | 'side' | 'picture') =>
    middleOf(page.locator(`[data-testid="lit"] [clip-path="url(#clip-${view})"] circle[r="4"]`));

  test('pointing at a corner in plan, side view or picture gives the same u and v in the other two', async ({
    page,
  }) => {
    await openRoom(page, 'weaving-loft');
    const wanted = 'yarn-chest/box/front-right-top';
    // By key, the walk begins at the piece at hand and its corners come one after another.
    const walkThere = async (): Promise<void> => {
      await page.mouse.move(5, 300);
      await page.keyboard.press('Escape');
      for (let press = 0; press < 8; press += 1) {
        await page.keyboard.press('c');
        if ((await page.getByTestId('lit').getAttribute('data-corner')) === wanted) return;
      }
    };
    await walkThere();
    const first = await litFigures(page);
    expect(first.corner).toBe(wanted);
    expect(first.planU).toBe(first.u);
    expect(first.sideV).toBe(first.v);
    const seen: string[] = [];
    for (const view of ['plan', 'side', 'picture'] as const) {
      const at = await dotIn(page, view);
      await page.mouse.move(at.x, at.y);
      const now = await litFigures(page);
      // In plan a top corner lies over a bottom one, in the side view corners lie behind each other: what is lit may differ, the figures must not disagree.
      expect(now.planU, view).toBe(now.u);
      expect(now.stripU, view).toBe(now.u);
      expect(now.sideV, view).toBe(now.v);
      if (view === 'plan') expect(now.u).toBe(first.u);
      if (view === 'picture') expect(now).toEqual(first);
      seen.push(now.corner ?? '');
      await walkThere();
    }
    expect(seen[2]).toBe(wanted);
    await expect(page.getByTestId('lit-sentence')).toContainText('The yarn chest, front right, top');
    await expect(page.getByTestId('lit-sentence')).toContainText(first.u);
  });
});

test('edges are walked by key, shown in all three views and spoken with their length and vanishing point', async ({
  page,
}) => {
  await openRoom(page, 'weaving-loft');
  await page.keyboard.press('e');
  await page.keyboard.press('e');
  await expect(page.getByTestId('lit-edge').locator('line')).toHaveCount(3);
  await expect(page.getByTestId('lit-edge')).toHaveAttribute('data-edge', 'yarn-chest/box/top-front');
  // The chest’s width runs at 172° − 45° = 127° to the line of sight: it vanishes 200·tan 53° = 265.4 to the left.
  await expect(page.getByTestId('lit-sentence')).toContainText(
    '900 mm long, receding to a point of its own. It runs to 265.4 left on the horizon',
  );
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('lit-edge')).toHaveCount(0);
});

test('a corner is told from a wall it stands before, not from one carried on beyond its end', async ({ page }) => {
  await openRoom(page, 'tea-room');
  await page.keyboard.press('c');
  // The counter's back left corner, at the foot of its body: 900 from the west wall.
  await expect(page.getByTestId('lit-sentence')).toContainText('900 from the west wall');
});

test.describe('standing', () => {
  test('the station point moves by mouse: figures, picture and history follow, and undo brings it back', async ({
    page,
  }) => {
    await openRoom(page, 'weaving-loft');
    const [x, ink] = [await figureOf(field(page, STATION)), await inkOf(page)];
    await dragBy(page, handle(page, 'station'), 40, -10);
    expect(await figureOf(field(page, STATION))).not.toBe(x);
    expect(await inkOf(page)).not.toBe(ink);
    await expect(page.getByRole('button', { name: 'undo' })).toHaveAttribute('title', 'Undo: Move the station point');
    await page.keyboard.press('z');
    expect(await figureOf(field(page, STATION))).toBe(x);
    await page.keyboard.press('y');
    expect(await figureOf(field(page, STATION))).not.toBe(x);
  });

  test('the picture changes while the pointer is still down, in the same frame', async ({ page }) => {
    await openRoom(page, 'tea-room');
    const at = await middleOf(handle(page, 'station'));
    await page.mouse.move(at.x, at.y);
    await page.mouse.down();
    const before = await inkOf(page);
    await page.evaluate(() => {
      window.addEventListener(
        'pointermove',
        () =>
          requestAnimationFrame(() =>
            document.body.setAttribute(
              'data-frame',
              document.querySelector('[data-handle="station"]')?.getAttribute('transform') ?? '',
            ),
          ),
        { once: true },
      );
    });
    await page.mouse.move(at.x + 25, at.y + 5);
    const during = await inkOf(page);
    expect(during).not.toBe(before);
    // By the very next frame the handle stands where the pointer is.
    await expect
      .poll(() => page.locator('body').getAttribute('data-frame'))
      .toBe(await handle(page, 'station').getAttribute('transform'));
    await page.keyboard.press('Escape');
    await page.mouse.up();
  });

  test('the station point moves by keyboard, ten times as far with Shift; one run is one entry', async ({ page }) => {
    // The clock stands still: however slow the machine, the three nudges are one run.
    await page.clock.setFixedTime(new Date('2026-11-23T10:00:00Z'));
    await openRoom(page, 'tea-room');
    const start = await figureOf(field(page, 'Station point from the west wall'));
    await handle(page, 'station').focus();
    for (const key of ['ArrowRight', 'ArrowRight', 'Shift+ArrowRight']) await page.keyboard.press(key);
    expect(await figureOf(field(page, 'Station point from the west wall'))).toBe(start + 120);
    await page.keyboard.press('z');
    expect(await figureOf(field(page, 'Station point from the west wall'))).toBe(start);
    await expect(page.getByRole('button', { name: 'undo' })).toBeDisabled();
  });

  test('the plan turns by mouse and by key and catches at set-square angles', async ({ page }) => {
    await openRoom(page, 'weaving-loft');
    const turn = field(page, 'Turn of the room');
    expect(await figureOf(turn)).toBe(45);
    await dragBy(page, handle(page, 'turn'), 30, -60);
    const dragged = await figureOf(turn);
    expect(dragged).toBeGreaterThan(0);
    expect(dragged).toBeLessThan(40);
    await handle(page, 'turn').focus();
    await page.keyboard.press('ArrowRight');
    expect(await figureOf(turn)).toBeCloseTo(dragged + 1, 6);
    await (await unfolded(page.getByRole('button', { name: '60°', includeHidden: true }))).click();
    expect(await figureOf(turn)).toBe(60);
    await (await unfolded(page.getByRole('button', { name: 'square on', includeHidden: true }))).click();
    await expect(page.getByTestId('where')).toContainText('one-point');
    await typeInto(turn, '22,5');
    await expect(page.getByTestId('where')).toContainText('two-point, the room turned 22.5°');
  });

  test('picture plane and eye move by handle, by key and by typing', async ({ page }) => {
    await openRoom(page, 'weaving-loft');
    const plane = field(page, 'Distance of the picture plane');
    await dragBy(page, handle(page, 'plane'), 0, 40);
    expect(await figureOf(plane)).toBeLessThan(5000);
    await (
      await unfolded(page.getByLabel('Picture plane goes'))
    ).selectOption({ label: 'through the corner of the north wall and the east wall' });
    const atCorner = await figureOf(plane);
    await handle(page, 'station').focus();
    await page.keyboard.press('Shift+ArrowUp');
    expect(await figureOf(plane)).toBe(atCorner - 100);
    const eye = field(page, 'Eye height');
    await dragBy(page, handle(page, 'eye'), 0, -12);
    expect(await figureOf(eye)).toBeGreaterThan(1600);
    await typeInto(eye, '1,2 m');
    expect(await figureOf(eye)).toBe(1200);
    await eye.press('ArrowUp');
    expect(await figureOf(eye)).toBe(1210);
  });

  test('figures go ahead of the words about them: nudges between two frames add up, and what is undone at once is gone', async ({
    page,
  }) => {
    await openRoom(page, 'weaving-loft');
    const eye = field(page, 'Eye height');
    const before = await figureOf(eye);
    await eye.focus();
    /** Keys as fast as no hand is: between them the page finishes what a key began, but paints nothing. */
    const keys = (all: readonly { readonly key: string; readonly ctrlKey?: boolean }[]): Promise<readonly string[]> =>
      eye.evaluate(async (input: HTMLInputElement, all) => {
        const seen: string[] = [];
        for (const one of all) {
          input.dispatchEvent(new KeyboardEvent('keydown', { ...one, bubbles: true, cancelable: true }));
          await new Promise((done) => queueMicrotask(() => queueMicrotask(() => done(null))));
          seen.push(input.value.replace(/\D/g, ''));
        }
        return seen;
      }, all);
    const up = { key: 'ArrowUp' };
    expect((await keys([up, up, up])).map(Number)).toEqual([before + 10, before + 20, before + 30]);
    expect(await figureOf(eye)).toBe(before + 30);
    await saved(page);
    await keys([up, up, { key: 'ArrowDown' }]);
    await eye.blur();
    await expect.poll(() => figureOf(eye)).toBe(before + 40);
    await page.keyboard.press('Control+z');
    await expect.poll(() => figureOf(eye)).toBe(before);
    // What is undone before its words have come is not shown for good.
    await eye.focus();
    await eye.evaluate(async (input: HTMLInputElement) => {
      input.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp', bubbles: true, cancelable: true }));
      await new Promise((done) => queueMicrotask(() => queueMicrotask(() => done(null))));
      document.querySelector<HTMLElement>('[title^="Undo: "]')?.click();
    });
    expect(await figureOf(eye)).toBe(before);
    await expect(page.getByRole('button', { name: 'redo' })).toBeEnabled();
    // A choice shows at once what was chosen.
    const goes = await unfolded(page.getByLabel('Picture plane goes'));
    const shows = await goes.evaluate(async (choice: HTMLSelectElement) => {
      choice.selectedIndex = choice.options.length - 1;
      const chosen = choice.value;
      choice.dispatchEvent(new Event('change', { bubbles: true }));
      await new Promise((done) => queueMicrotask(() => queueMicrotask(() => done(null))));
      return [chosen, choice.value];
    });
    expect(shows[1]).toBe(shows[0]);
    await expect(goes).toHaveValue(shows[0] ?? '');
  });

  test('a bad length is refused with the right form, keeps what was typed, and offers both readings', async ({
    page,
  }) => {
    await openRoom(page, 'weaving-loft');
    const eye = field(page, 'Eye height');
    await typeInto(eye, '1,600');
    const fault = page.getByRole('alert').filter({ hasText: 'two ways' });
    await expect(fault).toBeVisible();
    await expect(eye).toHaveValue('1,600');
    await expect(eye).toHaveAttribute('aria-invalid', 'true');
    await expect(page.getByRole('button', { name: 'undo' })).toBeDisabled();
    await fault.getByRole('button', { name: 'take 1600' }).click();
    await expect(fault).toBeHidden();
    expect(await figureOf(eye)).toBe(1600);
    await typeInto(eye, `7'14"`);
    await expect(page.getByRole('alert').filter({ hasText: 'below 12' })).toBeVisible();
    await eye.press('Escape');
    await expect(page.getByRole('alert').filter({ hasText: 'below 12' })).toBeHidden();
    expect(await figureOf(eye)).toBe(1600);
  });

  test('standing behind the picture plane says so and the last change can be taken back', async ({ page }) => {
    await openRoom(page, 'tea-room');
    await typeInto(field(page, 'Station point from the shelf wall'), '1000');
    const problem = page.getByRole('alert').filter({ hasText: 'lies behind the station point' });
    await expect(problem).toBeVisible();
    await problem.getByRole('button').click();
    await expect(page.getByTestId('board')).toBeVisible();
  });

  test('undo everything: after many changes the room stands as it began', async ({ page }) => {
    await openRoom(page, 'seed-shop');
    const ink = await inkOf(page);
    await dragBy(page, handle(page, 'station'), 20, 8);
    await typeInto(field(page, 'Eye height'), `5'-6"`);
    await typeInto(field(page, 'Width of the packing table'), `5'-0"`);
    await (await unfolded(page.getByRole('button', { name: '45°', includeHidden: true }))).click();
    await typeInto(field(page, 'Scale at the picture plane'), `3/8" = 1'-0"`);
    await page.keyboard.press('Shift+P');
    for (let i = 0; i < 20 && (await page.getByRole('button', { name: 'undo' }).isEnabled()); i += 1)
      await page.getByRole('button', { name: 'undo' }).click();
    await expect(page.getByRole('button', { name: 'undo' })).toBeDisabled();
    expect((await field(page, 'Eye height').inputValue()).replace(/\u00a0/g, ' ')).toBe(`5'-2"`);
    await page.mouse.move(5, 300);
    await page.keyboard.press('f');
    expect(await inkOf(page)).toBe(ink);
  });

  test('equal magnification makes the drop straight; fitting brings the fan back', async ({ page }) => {
    await openRoom(page, 'weaving-loft');
    await expect(page.getByText(/plan to picture/)).toBeVisible();
    await page.keyboard.press('=');
    await expect(page.getByText(/plan to picture/)).toBeHidden();
    await page.keyboard.press('f');
    await expect(page.getByText(/plan to picture/)).toBeVisible();
  });

  test('reloading finds the work, its history and its step', async ({ page }) => {
    await openRoom(page, 'weaving-loft');
    await typeInto(field(page, 'Height of the yarn chest'), '600 + 3 x 20');
    await typeInto(field(page, STATION), '-800');
    await page.keyboard.press('Escape');
    await page.locator('body').click({ position: { x: 60, y: 790 } });
    await page.keyboard.press('d');
    await expect(page.getByTestId('step-title')).toContainText('1/', { timeout: 30_000 });
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    await saved(page);
    await page.reload();
    await expect(page.getByTestId('step-title')).toContainText(/^3\//, { timeout: 30_000 });
    await page.keyboard.press('s');
    expect(await figureOf(field(page, 'Height of the yarn chest'))).toBe(660);
    expect(await figureOf(field(page, STATION))).toBe(-800);
    await page.keyboard.press('z');
    await page.keyboard.press('z');
    expect(await figureOf(field(page, 'Height of the yarn chest'))).toBe(560);
    expect(await figureOf(field(page, DEPTH))).toBe(5900);
  });

  test('a second tab reads, is told so, and may take over; the first then reads', async ({ context, page }) => {
    await openRoom(page, 'weaving-loft');
    const second = await context.newPage();
    await openRoom(second, 'weaving-loft');
    await expect(second.getByTestId('save-status')).toContainText('reading only');
    await expect(handle(second, 'station')).toHaveCount(0);
    await typeInto(field(page, 'Eye height'), '1500');
    await saved(page);
    await expect.poll(() => figureOf(field(second, 'Eye height'))).toBe(1500);
    await second.getByRole('button', { name: 'work here' }).click();
    await saved(second);
    await expect(page.getByTestId('save-status')).toContainText('reading only');
    await typeInto(field(second, 'Eye height'), '1450');
    await saved(second);
    await expect.poll(() => figureOf(field(page, 'Eye height'))).toBe(1450);
  });

  for (const look of LIGHTS) {
    test(`nothing stands in the way of a screen reader or a weak eye, ${look}`, async ({ page }) => {
      await openRoom(page, 'weaving-loft');
      await inLight(page, look);
      await page.keyboard.press('t');
      expect(await inTheWay(page, look)).toEqual([]);
    });
  }
});

test('each view takes the whole paper by one key or its corner, and gives it back as it lay', async ({ page }) => {
  await openRoom(page, 'tea-room');
  const station = handle(page, 'station');
  const eye = handle(page, 'eye');
  const before = await station.boundingBox();
  await page.mouse.move(700, 300);
  await page.mouse.wheel(0, -120);
  await expect.poll(async () => (await station.boundingBox())?.y).not.toBe(before?.y);
  const magnified = await station.boundingBox();
  const room = (view: string) =>
    page
      .locator(`#clip-${view} rect`)
      .evaluate((one) => [one.getAttribute('width'), one.getAttribute('height')].map(Number));
  await page.keyboard.press('2');
  await expect(page.getByRole('button', { name: 'Give the paper back to all three views' })).toBeVisible();
  const [wide = 0, high = 0] = await room('plan');
  expect(wide).toBeGreaterThan(1040);
  expect(high).toBeGreaterThan(660);
  await expect(eye).toHaveCount(0);
  await expect(station).toBeVisible();
  // One works in it as in the small one, and it stays as it lies.
  const large = await station.boundingBox();
  const depth = field(page, DEPTH.replace('north', 'shelf'));
  const stood = await figureOf(depth);
  await dragBy(page, station, 0, -40);
  await expect.poll(() => figureOf(depth)).toBeLessThan(stood);
  expect((await station.boundingBox())?.y).toBeCloseTo((large?.y ?? 0) - 40, 0);
  await page.keyboard.press('z');
  await page.keyboard.press('3');
  await expect(eye).toBeVisible();
  await expect(station).toHaveCount(0);
  await page.keyboard.press('3');
  expect(await station.boundingBox()).toEqual(magnified);
  await page.getByRole('button', { name: 'The picture over the whole paper' }).click();
  await expect(station).toHaveCount(0);
  expect((await room('picture'))[0]).toBeGreaterThan(1000);
  await page.keyboard.press('c');
  await expect(page.getByTestId('picture-uv')).toBeVisible();
  await expect(page.getByTestId('plan-u')).toHaveCount(0);
  await page.getByRole('button', { name: 'Give the paper back to all three views' }).press('Enter');
  expect(await station.boundingBox()).toEqual(magnified);
});

test('the margins of Stand and Set out fit the window: what is not at hand is folded, and opens by one press', async ({
  page,
}) => {
  for (const room of ['tea-room', 'weaving-loft', 'seed-shop'])
    for (const stage of ['stand', 'set-out'] as const) {
      await openRoom(page, room, stage);
      const margin = page.locator('aside');
      const over = () => margin.evaluate((one) => one.scrollHeight - one.clientHeight);
      const folded = margin.locator('.short').filter({ visible: true });
      expect(await over(), `${room}, ${stage}`).toBeLessThanOrEqual(0);
      const count = await folded.count();
      expect(count).toBeGreaterThan(0);
      // Each opens, wholly within the window, and another gives way.
      // One room stands for the others here.
      for (const words of room === 'seed-shop' ? await folded.allTextContents() : []) {
        const one = margin.locator('.sentence').filter({ has: page.locator('.short', { hasText: words }) });
        if (!(await one.locator('.short').isVisible())) continue;
        await one.locator('.short').click();
        await expect(one.locator('.whole')).toBeVisible();
        expect(await over(), `${room}, ${stage}, ${words}`).toBeLessThanOrEqual(0);
        const box = await one.boundingBox();
        expect((box?.y ?? 0) + (box?.height ?? 0)).toBeLessThanOrEqual(750);
      }
    }
});

test('at 1024x768 no sentence of Stand and Set out is cut: they are folded to their words, and each opens', async ({
  page,
}) => {
  await page.setViewportSize({ width: 1024, height: 768 });
  for (const stage of ['stand', 'set-out'] as const) {
    await openRoom(page, 'seed-shop', stage);
    const margin = page.locator('aside');
    expect(await margin.evaluate((one) => one.scrollHeight - one.clientHeight)).toBeLessThanOrEqual(0);
    const scale = margin.locator('.short').filter({ hasText: 'The scale' });
    await expect(scale).toBeInViewport({ ratio: 1 });
    await scale.click();
    await expect(field(page, 'Scale at the picture plane')).toBeInViewport({ ratio: 1 });
    await expect(field(page, 'Scale at the picture plane')).toBeFocused();
  }
});

test('one who stands by rule is offered a place that was found for what stands there; nothing moves until it is taken', async ({
  page,
}) => {
  await openRoom(page, 'weaving-loft', 'stand');
  await page.getByRole('button', { name: 'stand by rule' }).click();
  const offer = page.getByTestId('first-stand');
  // Looked for by itself, away from the screen's thread.
  await expect(offer).toContainText(/A better first place was found .*% seen/, { timeout: 40_000 });
  await expect(page.getByText('by rule and go with it')).toBeAttached();
  await page.getByRole('button', { name: 'stand there' }).click();
  await expect(offer).toBeHidden();
  await expect(page.getByText('You were put here, and stay as the room is measured.')).toBeAttached();
  // The plan is fitted anew where the place found would have lain outside it.
  const [station, strip] = await Promise.all([
    handle(page, 'station').boundingBox(),
    page.getByText(/^u strip/).boundingBox(),
  ]);
  expect((station?.y ?? Infinity) + (station?.height ?? 0)).toBeLessThan((strip?.y ?? 0) + 1);
  await page.keyboard.press('Control+z');
  await expect(offer).toBeVisible({ timeout: 40_000 });
});
