import type { Browser, BrowserContext, Page } from '@playwright/test';
import { freePort } from '../scripts/lib/ports.mjs';
import type { App } from './app';
import { addMove, expect, saved, storedPlan, test, untilReady } from './harness';
import { tlsProxy } from './tls-proxy';

/** Browsers take every name that ends like this for the machine itself; the server does not. */
const NAME = 'hall.localhost';

interface Outside {
  url: string;
  /** What the server has told since it was started. */
  log: () => string;
  visitor: (headers?: Record<string, string>) => Promise<{ context: BrowserContext; page: Page }>;
}

/** The server as people on the open internet reach it: by https, through one proxy, with a public demo. */
async function onTheInternet(
  { app, browser }: { app: App; browser: Browser },
  act: (outside: Outside) => Promise<void>,
): Promise<void> {
  const port = await freePort();
  const url = `https://${NAME}:${port}`;
  const inside = await app.beside({ UPBEAT_URL: url, UPBEAT_TRUSTED_PROXIES: '1' });
  const close = await tlsProxy({ name: NAME, port, to: inside.url });
  const open: BrowserContext[] = [];
  try {
    await act({
      url,
      log: inside.log,
      visitor: async (extraHTTPHeaders = {}) => {
        const how = { baseURL: url, ignoreHTTPSErrors: true, extraHTTPHeaders };
        const context = await browser.newContext(how);
        open.push(context);
        context.on('page', untilReady);
        return { context, page: await context.newPage() };
      },
    });
  } finally {
    for (const context of open) await context.close();
    await close();
    await inside.stop();
  }
}

const enter = async (page: Page) => {
  await page.goto('/sign-in');
  await page.getByRole('button', { name: 'Enter the demo studio' }).click();
  await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
};

test('behind a proxy with https a visitor has a demo of their own, and a cookie that no other site can set', async ({
  app,
  browser,
}) => {
  await onTheInternet({ app, browser }, async ({ url, visitor, log }) => {
    const { context, page } = await visitor();
    const first = await page.goto('/sign-in');
    expect(first?.headers()['strict-transport-security']).toContain('max-age=');
    await enter(page);
    const cookies = await context.cookies();
    for (const name of ['__Host-upbeat_sign_in', '__Host-upbeat_device']) {
      expect(cookies.find((c) => c.name === name)).toMatchObject({
        secure: true,
        httpOnly: true,
        sameSite: 'Lax',
        path: '/',
        domain: NAME,
      });
    }
    expect(cookies.filter((c) => !c.name.startsWith('__Host-'))).toEqual([]);

    // What is changed comes through the proxy as from the page of the same site.
    await page.goto('/classes');
    await page.getByRole('link', { name: /Loose jaw before choir/ }).click();
    await page.getByRole('region', { name: 'Running order' }).waitFor();
    await addMove(page, 'chin over');
    await saved(page);
    const mine = await storedPlan(app, page);
    const second = await visitor();
    await enter(second.page);
    const studios = await app.db('studios').whereNotNull('visit_ends_at').pluck('id');
    expect(studios).toHaveLength(2);
    // The other visitor's studio has no class of this one.
    const address = new URL(page.url()).pathname;
    const there = await second.page.goto(address);
    expect(there?.status()).toBe(404);
    expect(await storedPlan(app, page)).toEqual(mine);

    await page.getByRole('button', { name: /Account of/ }).click();
    await page.getByRole('menuitem', { name: 'Sign out', exact: true }).click();
    await page.waitForURL(`${url}/sign-in`);
    const left = (await context.cookies()).map((c) => c.name);
    expect(left).not.toContain('__Host-upbeat_sign_in');
    // Also where the server asks itself for what an action leads to.
    expect(log()).not.toContain('a request failed');
    expect(log()).not.toContain('"level":50');
  });
});

test('what a stranger writes of where they come from is not believed', async ({ app, browser }) => {
  await onTheInternet({ app, browser }, async ({ visitor }) => {
    const { page } = await visitor({ 'X-Forwarded-For': '203.0.113.9' });
    await page.goto('/sign-in');
    await page.getByLabel('Email').fill('nobody@tern-quay.example');
    await page.getByLabel('Password').fill('not the password');
    await page.getByRole('button', { name: 'Sign in', exact: true }).click();
    await page.getByText('do not belong together').waitFor();
    const keys: string[] = await app.db('sign_in_attempts').pluck('key');
    expect(keys.filter((key) => key.startsWith('address'))).toEqual(['address 127.0.0.1']);
  });
});
