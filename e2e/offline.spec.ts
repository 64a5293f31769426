import { appendFileSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { readPdf } from '../src/testing/read-pdf';
import { ownServer, type OwnServer } from './own-server';
import { downloadBy, field, figureOf, noFaults, saved, typeInto } from './pages';

test.use({ serviceWorkers: 'allow' });

const PORT = Number(process.env.BATHYSKOP_TEST_PORT ?? 4391) + 100;
/** Each journey has a server of its own, and stops it. */
let server: OwnServer;
test.beforeEach(async ({ page }, { parallelIndex, workerIndex }) => {
  server = await ownServer(PORT + parallelIndex * 50 + (workerIndex % 50));
  noFaults(page);
  await page.goto(server.url);
  await expect(page.getByText('opens without a network from now on')).toBeVisible({ timeout: 30_000 });
});
test.afterEach(() => server.stop());

test('with the server stopped every stage works: reload, workers, print, export, and a stage never seen before', async ({
  page,
}) => {
  await server.stop();
  // What is written beside the prints and in the address bar alike: nothing is there to ask.
  await expect(page.request.get(server.url)).rejects.toThrow();
  await page.reload();
  await expect(page.locator('[data-project]')).toHaveCount(3);
  await page.getByRole('button', { name: 'Pilots’ tea room', exact: true }).click();
  await expect(page.getByTestId('board')).toBeVisible();
  await expect(page).toHaveURL(/\/project\/tea-room\//);

  for (const stage of ['measure', 'stand', 'set-out', 'draw'] as const) {
    await page.goto(`${server.url}/project/tea-room/${stage}`);
    await expect(page.getByTestId(stage === 'measure' ? 'measure-board' : 'board')).toBeVisible();
    if (stage === 'measure') await expect(page.locator('[data-exact="yes"]')).toBeAttached();
  }
  // Draw has its plan from a worker.
  await expect(page.getByTestId('step-title')).toContainText(/^1\/\d+/);

  // A print and a file for others, each by what is loaded for it only.
  await page.goto(`${server.url}/project/tea-room/set-out`);
  await expect(page.getByTestId('board')).toBeVisible();
  await page.keyboard.press('i');
  const { path } = await downloadBy(page, () => page.getByRole('button', { name: 'Make the PDF' }).click());
  expect((await readPdf(new Uint8Array(readFileSync(path)))).length).toBeGreaterThan(0);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'take away' }).click();
  const dxf = await downloadBy(page, () => page.getByRole('menuitem', { name: /DXF/ }).click());
  expect(readFileSync(dxf.path, 'utf8')).toContain('ENTITIES');
  expect(
    await page.evaluate(
      () => document.fonts.check('16px "Fira Sans Condensed"') && document.fonts.check('16px "Fira Mono"'),
    ),
  ).toBe(true);
});

test('a newer build waits until it is taken up; what is not saved in another tab keeps the old one', async ({
  page,
  context,
}) => {
  await page.goto(`${server.url}/project/tea-room/stand`);
  await expect(page.getByTestId('board')).toBeVisible();
  appendFileSync(join(server.folder, 'public', 'service-worker.js'), '\n// A newer build.');
  await page.reload();
  const notice = page.getByText('A newer build of the application is here');
  await expect(notice).toBeVisible({ timeout: 30_000 });

  // A second tab in which nothing can be kept.
  const other = await context.newPage();
  await other.goto(`${server.url}/project/weaving-loft/stand`);
  await expect(other.getByTestId('board')).toBeVisible();
  await other.evaluate(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
  });
  await typeInto(field(other, 'Eye height'), '1500');
  await expect(other.getByTestId('save-status')).toHaveText('Not saved');
  let loads = 0;
  page.on('load', () => (loads += 1));
  await page.getByRole('button', { name: 'take it up' }).click();
  await expect(page.getByText('is not saved yet: the build in use stays')).toBeVisible();
  expect(loads).toBe(0);
  other.on('dialog', (dialog) => void dialog.accept());
  await other.close({ runBeforeUnload: false });

  await typeInto(field(page, 'Eye height'), '1234');
  await page.getByRole('button', { name: 'take it up' }).click();
  await expect.poll(() => loads).toBe(1);
  await saved(page);
  expect(await figureOf(field(page, 'Eye height'))).toBe(1234);
  await expect(notice).toHaveCount(0);
});
