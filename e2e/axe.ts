import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';

export const LIGHTS = ['day', 'evening', 'contrast'] as const;
export type Light = (typeof LIGHTS)[number];

/** The page in another light of the room; it begins by day. */
export async function inLight(page: Page, light: Light): Promise<void> {
  for (let i = 0; i < LIGHTS.indexOf(light); i += 1)
    await page.getByRole('button', { name: /Light of the room/ }).click();
}

/** What stands in the way of a screen reader or a weak eye, told; of another light than the day's its colours only, for all else is the same. */
export async function inTheWay(page: Page, light: Light = 'day'): Promise<readonly string[]> {
  // One page without frames of others: no second one has to be opened for each check.
  const axe = new AxeBuilder({ page }).setLegacyMode();
  const asked =
    light === 'day' ? axe.withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa']) : axe.withRules(['color-contrast']);
  const { violations } = await asked.analyze();
  return violations.map((one) => `${one.id}: ${one.nodes.map((node) => node.target.join(' ')).join('; ')}`);
}
