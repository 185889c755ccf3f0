import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { OLDEST } from '@/ui/kit/not-running';
import { expect, test } from './harness';

const SENT = ['.next/static', 'public'];
/**
 * What the oldest browsers that we write for do not have, and nobody puts in for it: a pattern that looks back and a block
 * of a class (Safari 16.4) break the whole file; lists that are sorted or turned round as copies (Safari 16, Chrome 110,
 * Firefox 115), forms that are sent as if by a press (Safari 16), groups (Safari 17.4) and what sets have in common
 * (Safari 17) break where they are called. By MDN's tables of compatibility, from memory.
 */
const TOO_NEW =
  /\(\?<[=!]|[;{}]static ?\{|\.(?:toReversed|toSorted|toSpliced|isSubsetOf|isDisjointFrom|symmetricDifference)\(|\?\.requestSubmit\(|\b(?:Object|Map)\.groupBy\b|\bPromise\.withResolvers\b|\bArray\.fromAsync\b/g;

test('no script that is sent asks for more than the oldest browsers have', () => {
  const scripts = SENT.flatMap((folder) =>
    readdirSync(folder, { recursive: true, encoding: 'utf8' })
      .filter((name) => name.endsWith('.js'))
      .map((name) => path.join(folder, name)),
  );
  expect(scripts.length).toBeGreaterThan(20);
  const found = scripts.flatMap((name) => {
    const text = readFileSync(name, 'utf8');
    // A list of the library that makes our menus brings a way of its own to be sorted as a copy.
    const own = text.includes('OrderedDict.toSorted') ? '.toSorted(' : '';
    return [...text.matchAll(TOO_NEW)]
      .filter(([what]) => what !== own)
      .map(({ index }) => `${name}: ${text.slice(Math.max(0, index - 40), index + 40)}`);
  });
  expect(found).toEqual([]);
});

test('the oldest browsers that a page names are those that it is written for', () => {
  const { browserslist } = JSON.parse(readFileSync('package.json', 'utf8'));
  const { chrome, firefox, safari } = OLDEST;
  expect(browserslist).toEqual([
    `chrome >= ${chrome}`,
    `edge >= ${chrome}`,
    `firefox >= ${firefox}`,
    `safari >= ${safari}`,
    `ios_saf >= ${safari}`,
  ]);
});

test('a page whose script does not come says so after a while, in the language of the device', async ({
  app,
  browser,
}) => {
  const context = await browser.newContext({ baseURL: app.url, locale: 'de-DE' });
  const page = await context.newPage();
  await page.route('**/_next/static/**/*.js', (route) => route.abort());
  await page.goto('/follow');
  const told = page.getByText('Diese Seite läuft noch nicht.');
  await expect(told).toBeHidden();
  await told.evaluate((p) => {
    for (const one of p.getAnimations()) one.finish();
  });
  await expect(told).toBeVisible();

  await page.unroute('**/_next/static/**/*.js');
  await page.reload();
  await page.locator('html[data-ready]').waitFor({ state: 'attached' });
  expect(await told.evaluate((p) => getComputedStyle(p).display)).toBe('none');
  await context.close();
});
