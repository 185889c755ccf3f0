import type { Page } from '@playwright/test';
import { wordsIn } from '@/core/follow/words';
import { differences, drawn, numbers, wanted } from './drawn';
import { openToFollowers, phone, together } from './followers';
import { expect, MOVING, stored } from './harness';
import { projected, test } from './led';

test.use(MOVING);

const SKIPPED = wordsIn('en').bend.skipped ?? '';

interface Noted {
  /** How the mouth was drawn, one after the other. */
  mouths: string[];
  /** How often something was turned a little. */
  turns: number;
}

/** Notes how the mouth is drawn whenever that changes, and what is turned. */
const noteMovement = (page: Page) =>
  page.evaluate(() => {
    const noted: Noted = { mouths: [], turns: 0 };
    Object.assign(window, { noted });
    const look = () => {
      const lip = document.querySelector('svg.face [data-part="lowerLip"]')?.getAttribute('d');
      if (lip && lip !== noted.mouths.at(-1)) noted.mouths.push(lip);
    };
    look();
    const changes = { subtree: true, childList: true, attributes: true };
    new MutationObserver(look).observe(document.body, changes);
    const { animate } = Element.prototype;
    Element.prototype.animate = function (frames, how) {
      if (JSON.stringify(frames).includes('rotate')) noted.turns++;
      return animate.call(this, frames, how);
    };
  });
const noted = (page: Page) => page.evaluate(() => (window as never as { noted: Noted }).noted);

/** How far two ways of drawing are apart, in the box's units. */
function apart(one = '', other = ''): number {
  const [a, b] = [numbers(one), numbers(other)];
  return Math.max(...a.map((n, i) => Math.abs(n - (b[i] ?? 0))));
}

test('where the teacher bends the class, the face of a follower goes where it belongs and does not jump', async ({
  app,
  browser,
  clock,
  led: { sessionId, startOf },
  studio: page,
}) => {
  const code = await openToFollowers(page, sessionId);
  const there = await phone(app, browser, {
    code,
    now: clock.now,
    reducedMotion: 'no-preference',
  });
  await together([clock, there.clock], startOf('s1.1.work.left') + 15_000);
  await there.clock.pass(1000);
  await noteMovement(there.page);
  await stored(page, () => page.keyboard.press('s'));
  await expect(there.page.getByText(SKIPPED)).toBeVisible();
  await there.clock.pass(2000);
  const { mouths, turns } = await noted(there.page);
  const far = apart(mouths[0], mouths.at(-1));
  const steps = mouths.slice(1).map((mouth, i) => apart(mouths[i], mouth));
  expect(far).toBeGreaterThan(10);
  expect(Math.max(...steps)).toBeLessThan(far / 4);
  expect(turns).toBe(1);

  // In a pause too, it goes where the class is, and stands there.
  await together([clock], 2000);
  await stored(page, () => page.keyboard.press(' '));
  await expect(there.page.getByTestId('doing')).toHaveText(wordsIn('en').paused);
  await stored(page, () => page.keyboard.press('ArrowLeft'));
  await expect(there.page.getByTestId('move')).toHaveText('Chin over the shoulder');
  await there.clock.pass(2000);
  const { state } = await projected(app, sessionId, clock.now);
  expect(state.status).toBe('paused');
  expect(differences(await drawn(there.page), wanted(state))).toEqual([]);
  expect((await noted(there.page)).mouths.at(-1)).not.toBe(mouths.at(-1));
  // Nobody is to hold for as long as a pause lasts.
  await stored(page, () => page.keyboard.press('ArrowLeft'));
  await expect(there.page.getByTestId('cue')).toHaveText(wordsIn('en').letGo);
  await there.close();
});
