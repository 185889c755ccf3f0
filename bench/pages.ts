import lighthouse from 'lighthouse';
import { App } from '../e2e/app';
import { freePort } from '../scripts/lib/ports.mjs';
import { launch } from './browser';

/** How Lighthouse judges the main pages, as a phone on a slow line would load them. */

const AIMS = { performance: 95, accessibility: 100, 'best-practices': 100 } as const;
/** Compose has more to do than the others. */
const COMPOSE_PERFORMANCE = 90;

const app = await App.start();
const port = await freePort();
const browser = await launch(`--remote-debugging-port=${port}`);
try {
  app.runClock(Date.now());
  const page = await browser.newPage();
  await page.goto(`${app.url}/sign-in`);
  await page.getByRole('button', { name: 'Enter the demo studio' }).click();
  await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
  const cookies = await page.context().cookies();
  const Cookie = cookies.map((c) => `${c.name}=${c.value}`).join('; ');
  const { id } = await app.db('classes').first('id');
  const pages = {
    'sign in': '/sign-in',
    Today: '/',
    Classes: '/classes',
    Compose: `/classes/${id}`,
    Moves: '/moves',
    People: '/people',
  };
  for (const [name, path] of Object.entries(pages)) {
    const result = await lighthouse(`${app.url}${path}`, {
      port,
      logLevel: 'error',
      onlyCategories: Object.keys(AIMS),
      extraHeaders: name === 'sign in' ? {} : { Cookie },
      disableStorageReset: true,
    });
    if (!result) throw new Error(`Lighthouse said nothing of ${name}`);
    const { categories, audits } = result.lhr;
    const scores = Object.entries(AIMS).map(([category, usual]) => {
      const isCompose = name === 'Compose' && category === 'performance';
      const aim = isCompose ? COMPOSE_PERFORMANCE : usual;
      const score = Math.round(100 * (categories[category]?.score ?? 0));
      return `${category} ${score} / ${aim}: ${(score / aim).toFixed(2)}`;
    });
    const shown = (audit: string) => audits[audit]?.displayValue ?? 'not told';
    console.log(
      `Lighthouse on ${name}: ${scores.join(', ')} (blocked ${shown('total-blocking-time')}, largest paint ${shown('largest-contentful-paint')})`,
    );
  }
} finally {
  await browser.close();
  await app.stop();
}
