import type { Page } from '@playwright/test';

/** A class of its own, so that what the demo has planned is not in the way. */
export async function ownClass(page: Page, name: string): Promise<void> {
  await page.goto('/classes');
  await page.getByLabel('Name of a new class').fill(name);
  await page.getByRole('button', { name: 'Make the class' }).click();
  await page.waitForURL(/\/classes\/.+/);
}

/** Asks what a weekly series would be. */
export async function planWeekly(page: Page, of: { start: string; time: string; count: string }) {
  await page.getByLabel('First day').fill(of.start);
  await page.getByLabel('At', { exact: true }).fill(of.time);
  await page.getByLabel('It ends after so many sessions').fill(of.count);
  await page.getByRole('button', { name: 'See what would come' }).click();
}
