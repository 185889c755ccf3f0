import type { Page } from '@playwright/test';
import type { Db } from '@/server/db';
import { planSession } from '@/server/sessions/sessions';
import { enterDemo, expect, NOON, stored, test } from './harness';

/** Notes every sound the page starts: when on the audio clock, how long, and in real ms. */
async function listen(page: Page) {
  await page.addInitScript(() => {
    const heard: { when: number; seconds: number; kind: string }[] = [];
    Object.assign(window, { heard });
    const note = (kind: string, prototype: AudioScheduledSourceNode) => {
      const start = prototype.start;
      prototype.start = function (this: AudioScheduledSourceNode, when = 0) {
        const buffer = (this as Partial<AudioBufferSourceNode>).buffer;
        heard.push({ kind, when, seconds: buffer?.duration ?? 0 });
        start.call(this, when);
      };
    };
    note('speech', AudioBufferSourceNode.prototype);
    note('tone', OscillatorNode.prototype);
  });
}
const heard = (page: Page) =>
  page.evaluate(
    () => (window as unknown as { heard: { when: number; seconds: number; kind: string }[] }).heard,
  );

/** Opens a new session of a demo class in Lead. */
async function openSession(page: Page, db: Db) {
  const found = await db('classes').orderByRaw("plan->>'name'").first('id', 'studio_id');
  const scope = { studioId: found.studio_id };
  await page.goto(`/lead/${await planSession(db, scope, found.id, NOON, NOON)}`);
}

test('cues are spoken from rendered audio, ahead on the audio clock, never over one another', async ({
  app,
  page,
}) => {
  app.runClock(NOON);
  await listen(page);
  await enterDemo(page);
  await openSession(page, app.db);
  await page.getByText('The voice is ready.').waitFor({ timeout: 30_000 });
  await page.waitForLoadState('networkidle');
  await stored(page, () => page.getByRole('button', { name: 'Start the class' }).click());
  await expect
    .poll(async () => (await heard(page)).length, { timeout: 20_000 })
    .toBeGreaterThanOrEqual(3);
  const cues = await heard(page);
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
    await listen(page);
    await enterDemo(page);
    await openSession(page, app.db);
    await expect(page.getByText(/The server has no voice/)).toBeVisible();
    await stored(page, () => page.getByRole('button', { name: 'Start the class' }).click());
    await expect(
      page.getByText('No voice here: read the cues, a soft tone marks them'),
    ).toBeVisible();
    await expect.poll(async () => (await heard(page)).some((h) => h.kind === 'tone')).toBe(true);
    await expect(page.getByTestId('cue')).not.toBeEmpty();
  } finally {
    await app.kill();
    await app.up();
  }
});
