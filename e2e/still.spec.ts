import { expect, test } from './harness';

/** So much of what is in sight may move by itself, as the Layout Instability API counts (W3C); from 0.1 on it is felt. */
const MOST_MOVED = 0.05;

declare global {
  interface Window {
    moved: number;
  }
}

test('nothing on a page moves once its fonts, charts and lists have come', async ({
  app,
  studio: page,
}) => {
  const { id } = await app.db('classes').orderByRaw("plan->>'name'").first('id');
  await page.setViewportSize({ width: 412, height: 823 });
  await page.addInitScript(() => {
    window.moved = 0;
    const count = (list: PerformanceObserverEntryList) => {
      for (const entry of list.getEntries()) {
        window.moved += (entry as PerformanceEntry & { value: number }).value;
      }
    };
    new PerformanceObserver(count).observe({ type: 'layout-shift', buffered: true });
  });
  const ready = {
    '/': page.getByRole('heading', { name: 'Today' }),
    '/voice': page.getByRole('radio').first(),
    '/insights': page.locator('.recharts-surface').first(),
    [`/classes/${id}`]: page.getByRole('region', { name: 'Moves to add' }),
  };
  const moved: Record<string, number> = {};
  for (const [path, there] of Object.entries(ready)) {
    let come = () => {};
    const held = new Promise<void>((resolve) => {
      come = resolve;
    });
    await page.route('**/*.woff2', async (route) => {
      await held;
      await route.continue();
    });
    // A page has not loaded as long as its fonts have not.
    await page.goto(path, { waitUntil: 'commit' });
    await there.waitFor();
    // Painted as it is without its own fonts.
    await page.evaluate(
      () => new Promise((painted) => requestAnimationFrame(() => requestAnimationFrame(painted))),
    );
    const loading = await page.evaluate(() => document.fonts.status);
    come();
    await page.evaluate(async () => {
      await document.fonts.ready;
      await new Promise((painted) => requestAnimationFrame(() => requestAnimationFrame(painted)));
    });
    expect([path, loading]).toEqual([path, 'loading']);
    moved[path] = await page.evaluate(() => window.moved);
    await page.unroute('**/*.woff2');
  }
  const felt = Object.entries(moved).filter(([, share]) => share > MOST_MOVED);
  expect(felt).toEqual([]);
});
