import type { Page } from '@playwright/test';
import type { Db } from '@/server/db';
import { planSession } from '@/server/sessions/sessions';
import { begin, expect, NOON, signIn, stored, test } from './harness';
import { heard, noteSources } from './listen';

/** Opens a new session of a demo class in Lead. */
async function openSession(page: Page, db: Db) {
  const found = await db('classes').orderByRaw("plan->>'name'").first('id', 'studio_id');
  const scope = { studioId: found.studio_id };
  await page.goto(
    `/lead/${await planSession(db, scope, { classId: found.id, startsAt: NOON, now: NOON })}`,
  );
}

test('cues are spoken from rendered audio, ahead on the audio clock, never over one another', async ({
  app,
  page,
}) => {
  await noteSources(page);
  await signIn(app, page);
  await openSession(page, app.db);
  await page.getByText('The voice is ready.').waitFor();
  await stored(page, () => page.getByRole('button', { name: 'Start the class' }).click());
  await expect.poll(async () => (await heard(page)).sources.length).toBeGreaterThanOrEqual(3);
  const cues = (await heard(page)).sources.sort((a, b) => a.when - b.when);
  const over = cues.filter((cue, i) => {
    const next = cues[i + 1];
    return next && cue.when + cue.seconds > next.when;
  });
  expect(cues.every((c) => c.kind === 'speech' && c.seconds > 0.2)).toBe(true);
  expect(over).toEqual([]);
});

test('without a voice on the server and in the browser, tones mark the cues and the page says so', async ({
  app,
  page,
}) => {
  await app.kill();
  await app.up({ UPBEAT_SPEECH: 'off' });
  try {
    await noteSources(page);
    await signIn(app, page);
    await openSession(page, app.db);
    await expect(page.getByText(/The server has no voice/)).toBeVisible();
    await stored(page, () => page.getByRole('button', { name: 'Start the class' }).click());
    await expect(
      page.getByText('No voice here: read the cues, a soft tone marks them'),
    ).toBeVisible();
    await expect
      .poll(async () => (await heard(page)).sources.some((h) => h.kind === 'tone'))
      .toBe(true);
    await expect(page.getByTestId('cue')).not.toBeEmpty();
  } finally {
    // A page that is still loading something would miss the server.
    await page.close();
    await app.kill();
    await app.up();
  }
});

test('a browser that keeps the sound off after a reload says so, and any press brings it back', async ({
  app,
  studio: page,
}) => {
  await openSession(page, app.db);
  await page.getByText('The voice is ready.').waitFor();
  await stored(page, () => page.getByRole('button', { name: 'Start the class' }).click());
  await page.addInitScript(() => {
    let pressed = false;
    const press = () => {
      pressed = true;
    };
    window.addEventListener('keydown', press, { capture: true });
    window.AudioContext = class extends AudioContext {
      constructor(options?: AudioContextOptions) {
        super(options);
        void this.suspend();
      }
      // As browsers do that wait for a press.
      override async resume() {
        if (!pressed) throw new DOMException('not yet');
        return super.resume();
      }
    };
  });
  await page.reload();
  const notice = page.getByText('No sound: the browser or this device keeps it off.');
  await expect(notice).toBeVisible();
  await page.keyboard.press('Shift');
  await expect(notice).toBeHidden();
});

test('a screen that cannot be kept awake says so while a class runs', async ({
  app,
  studio: page,
}) => {
  await page.addInitScript(() => {
    navigator.wakeLock.request = async () => {
      throw new DOMException('The battery is low.', 'NotAllowedError');
    };
  });
  await openSession(page, app.db);
  await page.getByText('The voice is ready.').waitFor();
  const notice = page.getByText('This screen may go dark');
  await expect(notice).toBeHidden();
  await stored(page, () => page.getByRole('button', { name: 'Start the class' }).click());
  await expect(notice).toBeVisible();
});

test('how late a loudspeaker is stays with the device', async ({ app, studio: page }) => {
  await openSession(page, app.db);
  await page.getByText('The voice is ready.').waitFor();
  await stored(page, () => page.getByRole('button', { name: 'Start the class' }).click());
  const late = page.getByLabel('Loudspeaker is late by');
  await page.getByRole('button', { name: 'Sound', exact: true }).click();
  await expect(late).toHaveValue('');
  await late.selectOption('250 ms');
  await page.reload();
  await page.getByRole('button', { name: 'Sound', exact: true }).click();
  await expect(late).toHaveValue('250');
  await late.selectOption('As this device says');
  await page.reload();
  await page.getByRole('button', { name: 'Sound', exact: true }).click();
  await expect(late).toHaveValue('');
  // On a phone the names lie behind it, and nothing of them lies over it.
  await page.setViewportSize({ width: 360, height: 740 });
  const over = await page.locator('footer').evaluate((bar) => {
    const { top, bottom, left, right } = bar.getBoundingClientRect();
    const found = new Set<string>();
    for (let y = top + 2; y < bottom; y += 8) {
      for (let x = left + 2; x < right; x += 8) {
        const seen = document.elementFromPoint(x, y);
        if (seen && !bar.contains(seen)) found.add(seen.outerHTML.slice(0, 80));
      }
    }
    return [...found];
  });
  expect(over).toEqual([]);
});

declare global {
  interface Window {
    /** What the page does on a media key. */
    mediaKeys: Map<string, (() => void) | null>;
    playing: HTMLMediaElement[];
  }
}

test('media keys lead the class and agree with what it does', async ({ app, page, clock }) => {
  await page.addInitScript(() => {
    window.mediaKeys = new Map();
    window.playing = [];
    navigator.mediaSession.setActionHandler = (action, handler) => {
      window.mediaKeys.set(action, handler as (() => void) | null);
    };
    const play = HTMLMediaElement.prototype.play;
    HTMLMediaElement.prototype.play = function () {
      window.playing.push(this);
      return play.call(this);
    };
  });
  const press = (key: string) =>
    stored(page, () => page.evaluate((k) => window.mediaKeys.get(k)?.(), key));
  const session = () =>
    page.evaluate(() => ({
      state: navigator.mediaSession.playbackState,
      title: navigator.mediaSession.metadata?.title,
    }));
  await signIn(app, page);
  await clock.stand();
  await openSession(page, app.db);
  await page.getByText('The voice is ready.').waitFor();
  await begin(page, clock);
  const move = (await page.getByTestId('move').textContent()) ?? '';
  expect(await session()).toEqual({ state: 'playing', title: move });
  // A page has the keys as long as it plays something of some length.
  await expect
    .poll(() => page.evaluate(() => window.playing.map((p) => [p.loop, p.paused, p.duration])))
    .toEqual([[true, false, 10]]);

  await press('pause');
  await expect(page.getByTestId('doing')).toHaveText('Paused');
  expect((await session()).state).toBe('paused');
  // A key that says what is so already changes nothing.
  await page.evaluate(() => window.mediaKeys.get('pause')?.());
  await expect(page.getByTestId('doing')).toHaveText('Paused');
  await press('play');
  await expect(page.getByTestId('doing')).not.toHaveText('Paused');
  const doing = await page.getByTestId('doing').textContent();
  await press('nexttrack');
  await expect(page.getByTestId('doing')).not.toHaveText(doing ?? '');
  await press('previoustrack');
  await expect(page.getByTestId('doing')).toHaveText(doing ?? '');
});
