import type { Locator, Page } from '@playwright/test';
import { isCount, type Score } from '@/core/score';
import { openToFollowers, phone } from './followers';
import { axe, begin, expect, signIn, slidNoMore, stored, untilReady } from './harness';
import { test } from './led';

/** Laptops under the bars of a browser, pages made larger, telephones on their side and upright, down to the smallest. */
const SCREENS = [
  [1366, 625],
  [1280, 600],
  [1100, 540],
  [1024, 700],
  [853, 533],
  [740, 360],
  [640, 400],
  [568, 320],
  [390, 750],
  [360, 640],
  [320, 568],
] as const;

/** What of these is cut off, stands outside of the window, or under something else. */
async function outOfSight(page: Page, names: readonly string[]): Promise<string[]> {
  const out: string[] = [];
  for (const name of names) {
    const seen = await page.getByTestId(name).evaluate((shown) => {
      const { left, top, right, bottom } = shown.getBoundingClientRect();
      const whole = top >= 0 && left >= 0 && right <= innerWidth && bottom <= innerHeight;
      // Corners may be round.
      const atEnds = [top + 3, (top + bottom) / 2, bottom - 3].every((y) =>
        shown.contains(document.elementFromPoint(left + 14, y)),
      );
      const line = Number.parseFloat(getComputedStyle(shown).lineHeight);
      return whole && atEnds && bottom - top >= line - 1;
    });
    if (!seen) out.push(name);
  }
  return out;
}

/** What a browser does with a page that is pushed beyond its end: load it again or go back, unless it is told not to. */
const beyondItsEnd = (page: Page) =>
  page.evaluate(() => getComputedStyle(document.documentElement).overscrollBehavior);

/** In the middle of the longest cue that is read. */
const inLongestCue = ({ cues }: Score): number => {
  const read = cues.filter((cue) => !isCount(cue) && cue.kind !== 'breath');
  const longest = read.reduce((a, b) => (b.text.length > a.text.length ? b : a));
  return longest.startMs + longest.durationMs / 2;
};

test('the move, how long still and the cue are in sight on every screen, and so is taking back', async ({
  clock,
  led: { score, sessionId },
  studio: page,
}) => {
  await clock.passInStrides(inLongestCue(score));
  await expect(page.getByTestId('cue')).not.toBeEmpty();
  await stored(page, () => page.keyboard.press('+'));
  await expect(page.getByTestId('undo')).toBeVisible();
  const shown = await page.context().newPage();
  await shown.goto(`/lead/${sessionId}/show`);
  await expect(shown.getByTestId('countdown')).toBeVisible();
  const out: string[] = [];
  for (const [width, height] of SCREENS) {
    for (const [screen, names] of [
      [page, ['move', 'countdown', 'doing', 'cue', 'undo']],
      [shown, ['move', 'countdown', 'doing']],
    ] as const) {
      await screen.setViewportSize({ width, height });
      for (const name of await outOfSight(screen, names)) {
        out.push(`${width} by ${height}, ${screen === page ? 'Lead' : 'shown'}: ${name}`);
      }
    }
  }
  expect(out).toEqual([]);
  for (const screen of [page, shown]) expect(await beyondItsEnd(screen)).toBe('none');
});

test('a class that is begun or ended on a pushed page is seen from its top', async ({
  clock,
  opened,
  studio: page,
}) => {
  expect(opened.sessionId).not.toBe('');
  await page.setViewportSize({ width: 360, height: 640 });
  const pushed = () => page.evaluate(() => scrollY);
  const push = async () => {
    await page.evaluate(() => scrollTo(0, document.body.scrollHeight));
    expect(await pushed()).toBeGreaterThan(100);
  };
  await push();
  await begin(page, clock);
  expect(await pushed()).toBe(0);
  await expect(page.getByTestId('move')).toBeInViewport({ ratio: 1 });
  await push();
  await page.keyboard.press('e');
  await expect(page.getByRole('heading', { name: 'Is the register right?' })).toBeAttached();
  await expect(page.getByRole('heading', { name: 'On the stage', exact: true })).toBeInViewport();
  expect(await pushed()).toBe(0);
  // Back on the stage it is seen whole again.
  await push();
  await page.getByRole('button', { name: /^Back to the class/ }).click();
  await expect(page.getByTestId('move')).toBeInViewport({ ratio: 1 });
});

test('on a telephone that lies on its side, whoever follows sees the face beside the words, and what can be pressed', async ({
  app,
  browser,
  clock,
  led: { score, sessionId },
  studio: page,
}) => {
  const code = await openToFollowers(page, sessionId);
  await clock.passInStrides(inLongestCue(score));
  const there = await phone(app, browser, { code, now: clock.now });
  await expect(there.page.getByTestId('cue')).not.toBeEmpty();
  for (const [width, height] of [
    [844, 340],
    [740, 360],
    [640, 400],
  ] as const) {
    await there.page.setViewportSize({ width, height });
    expect(
      await outOfSight(there.page, ['move', 'countdown', 'doing', 'cue']),
      `${width} by ${height}`,
    ).toEqual([]);
    const face = await there.page.locator('svg.face').boundingBox();
    expect(face?.height).toBeGreaterThan(height / 2);
    for (const button of await there.page.locator('main button').all()) {
      await expect(button).toBeInViewport({ ratio: 1 });
    }
  }
  expect(await beyondItsEnd(there.page)).toBe('none');
  await there.close();
});

test('every entry of a menu can be reached where there is little height', async ({
  app,
  studio: page,
}) => {
  await page.setViewportSize({ width: 640, height: 400 });
  const { id } = await app.db('classes').orderByRaw("plan->>'name'").first('id');
  await page.goto(`/classes/${id}`);
  await page.getByRole('button', { name: 'More', exact: true }).click();
  const found = page.getByRole('menuitem');
  await expect(found.nth(8)).toBeAttached();
  // As by a mouse: no key brings what is out of sight there.
  for (const entry of await found.all()) await entry.click({ trial: true, timeout: 5000 });
});

/** A colour of something as it is painted, whatever it is written as. */
const painted = (of: Locator, property: 'color' | 'backgroundColor') =>
  of.evaluate((shown, which) => {
    const brush = document.createElement('canvas').getContext('2d', { willReadFrequently: true });
    if (!brush) throw new Error('nothing to paint with');
    for (const colour of [
      getComputedStyle(document.body).backgroundColor,
      getComputedStyle(shown)[which],
    ]) {
      brush.fillStyle = colour;
      brush.fillRect(0, 0, 1, 1);
    }
    return [...brush.getImageData(0, 0, 1, 1).data.slice(0, 3)];
  }, property);

/** How far two colours are from each other, as WCAG 2.2 has it (contrast ratio). */
function contrast(...colours: readonly number[][]): number {
  const [a = 0, b = 0] = colours.map((parts) => {
    const [red = 0, green = 0, blue = 0] = parts.map((part) => {
      const share = part / 255;
      return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
    });
    return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
  });
  return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
}

test('whoever reads all pages in colours of their own sees what is marked, what is planned and who carries a caution', async ({
  app,
  studio: page,
}) => {
  await page.emulateMedia({ forcedColors: 'active', colorScheme: 'dark' });
  const { id } = await app
    .db('sessions')
    .where({ status: 'planned' })
    .orderBy('starts_at')
    .first('id');
  await page.goto(`/lead/${id}`);
  const here = page.getByRole('button', { name: /: here$/ });
  await stored(page, () => here.first().click());
  await expect(here.first()).toHaveAttribute('aria-pressed', 'true');
  // A colour may begin to slide only with the frame after.
  const apart = async () => {
    await slidNoMore(page);
    const marked = await painted(here.first(), 'backgroundColor');
    return contrast(marked, await painted(here.nth(1), 'backgroundColor'));
  };
  await expect.poll(apart).toBeGreaterThan(3);
  expect(await axe(page)).toEqual([]);

  await page.goto('/people');
  const sign = page.getByRole('table').locator('svg[class*="lucide-shield"]').first();
  const paper = await painted(page.locator('body'), 'backgroundColor');
  expect(contrast(await painted(sign, 'color'), paper)).toBeGreaterThan(4.5);
  expect(await axe(page)).toEqual([]);

  await page.goto('/calendar');
  const bands = page.locator('.own-colours').first().locator('span');
  const colours = await bands.evaluateAll((all) =>
    all.map((band) => getComputedStyle(band).backgroundColor),
  );
  expect(new Set(colours).size).toBeGreaterThan(1);
  expect(await axe(page)).toEqual([]);
});

test('a telephone has no cause to make a page larger where somebody types', async ({
  app,
  browser,
}) => {
  const context = await browser.newContext({
    baseURL: app.url,
    viewport: { width: 360, height: 740 },
    hasTouch: true,
    isMobile: true,
  });
  context.on('page', untilReady);
  const page = await context.newPage();
  await signIn(app, page);
  const { id: classId } = await app.db('classes').orderByRaw("plan->>'name'").first('id');
  const { id: sessionId } = await app
    .db('sessions')
    .where({ status: 'planned' })
    .orderBy('starts_at')
    .first('id');
  const small: string[] = [];
  for (const path of [`/classes/${classId}`, `/lead/${sessionId}`, '/people', '/calendar/plan']) {
    await page.goto(path);
    const fields = page.locator(
      'input:not([type=checkbox], [type=radio], [type=range], [type=file]), select, textarea',
    );
    await expect(fields.first()).toBeAttached();
    const sizes = await fields.evaluateAll((all) =>
      all.map((field) => Number.parseFloat(getComputedStyle(field).fontSize)),
    );
    // Smaller ones than that are made larger by some, as far as is known from memory.
    if (sizes.some((px) => px < 16)) small.push(path);
    expect(await page.evaluate(() => document.documentElement.scrollWidth), path).toBe(360);
  }
  expect(small).toEqual([]);
  await context.close();
});
