import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, test } from './harness';
import { scriptOf } from './page-weight';

/** Kilobytes of script that a page may bring of its own, beside what every page has. */
const MOST_OF_ITS_OWN = 110;
/** Bytes of script, compressed, that the door of a class may need: it opens on phones with a slow network. */
const MOST_AT_THE_DOOR = 150_000;
const PARTS = '**/_next/static/chunks/*.js';
const NOT_FETCHED =
  'This could not be fetched. Look whether you are connected, and load the page again.';

test('pages that show lists bring nothing that checks what is typed, and no menus', () => {
  const routes: { route: string; firstLoadUncompressedJsBytes: number }[] = JSON.parse(
    readFileSync('.next/diagnostics/route-bundle-stats.json', 'utf8'),
  );
  const kB = (of: string) => {
    const found = routes.find(({ route }) => route === of);
    if (!found) throw new Error(`There is no page at ${of}.`);
    return found.firstLoadUncompressedJsBytes / 1000;
  };
  const shared = kB('/_not-found');
  const heavy = ['/', '/classes', '/moves', '/people', '/insights', '/sign-in']
    .map((route) => ({ route, own: kB(route) - shared }))
    .filter(({ own }) => own > MOST_OF_ITS_OWN);
  expect(heavy).toEqual([]);
});

test('the door of a class needs little script', async ({ app }) => {
  expect(await scriptOf(`${app.url}/follow/ABCDEF`)).toBeLessThan(MOST_AT_THE_DOOR);
});

/** Holds parts that are fetched from now on. @returns lets them come */
async function hold(page: Page): Promise<() => void> {
  let come = () => {};
  const held = new Promise<void>((resolve) => {
    come = resolve;
  });
  await page.route(PARTS, async (route) => {
    await held;
    await route.continue();
  });
  return come;
}

test('a menu opens as it was pressed, also where it comes late', async ({ studio: page }) => {
  await page.goto('/');
  let come = await hold(page);
  const button = page.getByRole('button', { name: /Account of/ });
  await button.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('menu')).toHaveCount(0);
  come();
  await expect(page.getByRole('menuitem', { name: 'Your voice' })).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(button).toBeFocused();

  await page.reload();
  await page.unroute(PARTS);
  come = await hold(page);
  await button.click();
  come();
  await expect(page.getByRole('menu')).toBeVisible();
  await expect(button).toHaveAttribute('aria-expanded', 'true');
});

test('what cannot be fetched says so where it was asked for', async ({ studio: page }) => {
  const gone = () => page.route(PARTS, (route) => route.abort());
  const button = page.getByRole('button', { name: /Account of/ });
  const told = page.getByRole('alert').filter({ hasText: NOT_FETCHED });
  await page.goto('/');
  await gone();
  await button.hover();
  await expect(told).toHaveCount(0);
  await button.click();
  await expect(told).toBeVisible();

  await page.unroute(PARTS);
  await page.reload();
  await button.click();
  await expect(page.getByRole('menu')).toBeVisible();
  await gone();
  await page.getByRole('menuitem', { name: 'Sign out', exact: true }).click();
  await expect(told).toContainText('You are still signed in.');

  await page.unroute(PARTS);
  await page.goto('/people');
  const account = page.getByRole('button', { name: /told day by day/ }).first();
  await gone();
  await account.click();
  await expect(page.getByRole('dialog').getByText(NOT_FETCHED)).toBeVisible();
});

test('a page whose last small part does not come is still there, and says so', async ({
  studio: page,
}) => {
  await page.route(PARTS, async (route) => {
    const response = await route.fetch();
    const tells = (await response.text()).includes('data-sonner-toaster');
    await (tells ? route.abort() : route.fulfill({ response }));
  });
  await page.goto('/');
  await expect(page.getByRole('alert').filter({ hasText: NOT_FETCHED })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Today', exact: true })).toBeAttached();
});

test('the dialogs of Compose come after the page, before anybody asks for one', async ({
  app,
  studio: page,
}) => {
  const { id } = await app.db('classes').orderByRaw("plan->>'name'").first('id');
  const brought = page.waitForResponse(
    async (r) => r.url().includes('/_next/static/chunks/') && (await r.text()).includes('Draft it'),
  );
  await page.goto(`/classes/${id}`);
  await brought;
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Draft a class for me' }).click();
  await expect(page.getByRole('button', { name: 'Draft it' })).toBeVisible();
});
