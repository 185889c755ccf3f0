import { addMove, expect, openNewClass, test } from './harness';

/** So much of what is in sight may move by itself, as the Layout Instability API counts (W3C); from 0.1 on it is felt. */
const MOST_MOVED = 0.05;

declare global {
  interface Window {
    moved: number;
    firstSeenAt: number | null;
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

test('a move that is added opens with its time, and nothing of it moves after', async ({
  app,
  studio: page,
}) => {
  await openNewClass(app, page, 'Still', 9);
  const lock = page.getByLabel('Keep as it is when fitting');
  for (const name of ['long o cheek', 'shoulder rolls', 'smile pulses']) {
    await page.evaluate(() => {
      const before = document.querySelector('[aria-label="Timeline"]');
      window.firstSeenAt = null;
      new MutationObserver((_, observer) => {
        const timeline = document.querySelector('[aria-label="Timeline"]');
        if (!timeline || timeline === before) return;
        observer.disconnect();
        const labels = [...document.querySelectorAll('label')];
        const lock = labels.find((l) => l.textContent === 'Keep as it is when fitting');
        window.firstSeenAt = lock?.getBoundingClientRect().y ?? null;
      }).observe(document.body, { childList: true, subtree: true });
    });
    await addMove(page, name);
    await expect(page.locator('li[data-chosen]')).toHaveCount(1);
    await expect(page.locator('main [aria-busy=true]')).toHaveCount(0);
    await expect.poll(() => page.evaluate(() => window.firstSeenAt)).not.toBe(null);
    const first = await page.evaluate(() => window.firstSeenAt);
    const after = await lock.evaluate((e) => e.closest('label')?.getBoundingClientRect().y);
    expect(Math.abs((after ?? 0) - (first ?? 0)), name).toBeLessThan(4);
  }
});
