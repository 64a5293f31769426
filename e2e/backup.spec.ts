import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { downloadBy, field, figureOf, openRoom, saved, typeInto } from './pages';

test('a state kept by hand is gone back to, what came after is kept first, and undo takes it back', async ({
  page,
}) => {
  await openRoom(page, 'tea-room');
  const eye = field(page, 'Eye height');
  await page.keyboard.press('Shift+H');
  const sheet = page.getByRole('dialog', { name: 'Kept states' });
  await typeInto(sheet.getByRole('textbox', { name: 'Name of the state to be kept' }), 'as it was measured');
  await expect(sheet.getByText('as it was measured')).toBeVisible();
  await page.keyboard.press('Escape');
  await typeInto(eye, '1234');
  await saved(page);

  await page.getByRole('button', { name: 'Kept states' }).click();
  await sheet.getByRole('button', { name: 'Go back to as it was measured' }).click();
  await expect(sheet).toBeHidden();
  await expect.poll(() => figureOf(eye)).toBe(1600);
  await page.getByRole('button', { name: 'undo' }).click();
  await expect.poll(() => figureOf(eye)).toBe(1234);

  // What came after lies there too, through a reload.
  await saved(page);
  await page.reload();
  await page.getByRole('button', { name: 'Kept states' }).click();
  await expect(sheet.getByRole('listitem')).toHaveCount(3);
  await expect(sheet.getByText('today, as last saved')).toBeVisible();
  const { path } = await downloadBy(page, () =>
    sheet.getByRole('button', { name: 'The file of before going back to as it was measured' }).click(),
  );
  expect(readFileSync(path, 'utf8')).toContain('1234');
  await sheet.getByRole('button', { name: 'Let go of as it was measured' }).click();
  await expect(sheet.getByRole('listitem')).toHaveCount(2);
});

test('what is only here is said, all of it goes into one file and comes back in an empty browser', async ({
  page,
  browser,
  baseURL,
}) => {
  await openRoom(page, 'tea-room');
  await typeInto(field(page, 'Eye height'), '1234');
  await saved(page);
  await page.getByRole('button', { name: 'All projects' }).click();
  const alone = page.getByRole('note', { name: 'Only in this browser' });
  await expect(alone).toContainText('Pilots’ tea room (changed since');
  await expect(alone).not.toContainText('Weaving loft');
  const { path, name } = await downloadBy(page, () =>
    alone.getByRole('button', { name: 'take everything away as one file' }).click(),
  );
  expect(name).toMatch(/^bathyskop-\d{4}-\d\d-\d\d\.json$/);
  await expect(alone).toBeHidden();

  const elsewhere = await (await browser.newContext({ baseURL: baseURL ?? '', serviceWorkers: 'block' })).newPage();
  await elsewhere.goto('/');
  await expect(elsewhere.locator('[data-project]')).toHaveCount(3);
  await elsewhere.getByLabel('Project file').setInputFiles(path);
  await expect(elsewhere.getByRole('status').filter({ hasText: 'Brought in' })).toHaveText(
    /^Brought in: “Pilots’ tea room, from the backup”; here already, just as in the file: /,
  );
  await elsewhere.getByRole('button', { name: 'Pilots’ tea room, from the backup', exact: true }).click();
  await expect.poll(() => figureOf(field(elsewhere, 'Eye height'))).toBe(1234);
  await elsewhere.context().close();
});
