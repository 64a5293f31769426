import { expect, test } from '@playwright/test';
import { openRoom } from './pages';

test('several views: copied from the list, named, put in order, two compared, taken out, all of it undone', async ({
  page,
}) => {
  await openRoom(page, 'weaving-loft');
  const list = page.getByLabel('View', { exact: true });
  const names = async (): Promise<string[]> => (await list.locator('option').allInnerTexts()).slice(0, -1);
  const before = await names();
  await list.selectOption({ label: 'add, copy, compare views …' });
  const sheet = page.getByRole('dialog', { name: 'Views' });
  await expect(sheet.locator('[data-view]')).toHaveCount(before.length);
  await expect(sheet.getByTestId('view-figures').first()).toContainText('1:25');
  await expect(sheet.getByTestId('view-picture').first()).toBeVisible();

  await sheet.getByRole('button', { name: 'add a view' }).click();
  await expect(sheet.locator('[data-view]')).toHaveCount(before.length + 1);
  const copied = `${before[0]}, another`;
  expect(await names()).toEqual([before[0], copied, ...before.slice(1)]);
  await expect(list.locator('option:checked')).toHaveText(copied);

  const name = sheet.getByLabel(`Name of ${copied}`);
  await name.fill('From the gallery');
  await name.press('Enter');
  await expect(list.locator('option:checked')).toHaveText('From the gallery');

  const card = sheet.locator('[data-view]').filter({ has: page.getByLabel('Name of From the gallery') });
  await card.getByRole('button', { name: 'earlier' }).click();
  expect((await names())[0]).toBe('From the gallery');

  await sheet.locator('[data-view]').nth(1).getByRole('button', { name: 'compare' }).click();
  const two = page.getByRole('dialog', { name: 'Two views' });
  await expect(two.getByTestId('view-picture')).toHaveCount(2);
  await expect(two.getByTestId('view-figures')).toHaveCount(2);
  await two.getByRole('button', { name: 'back to all views' }).click();

  await sheet.locator('[data-view]').first().getByRole('button', { name: 'take out' }).click();
  expect(await names()).toEqual(before);
  for (let i = 0; i < 4; i += 1) await page.getByRole('button', { name: 'undo', exact: true }).click();
  expect(await names()).toEqual(before);
  await expect(page.getByRole('button', { name: 'undo', exact: true })).toBeDisabled();
});
