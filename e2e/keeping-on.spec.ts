import { emptyPlan, type Plan } from '@/core/class';
import { startPostgres } from '../scripts/lib/postgres.mjs';
import { inStep, openToFollowers, phone } from './followers';
import { expect, START_IN_MS, stored } from './harness';
import { block, keepsStage, lead, projected, segment, shown, test } from './led';
import { heard, noteSources } from './listen';

test('without a connection everything goes on, and arrives later in order, once', async ({
  app,
  studio: page,
  clock,
  held: { sessionId },
}) => {
  await page.context().setOffline(true);
  await page.keyboard.press('+');
  await expect(page.getByText('No connection; the class goes on, nothing is lost')).toBeVisible();
  await page.getByRole('button', { name: 'Ben: late' }).click();
  await clock.pass(4000);
  await page.keyboard.press('r');
  const before = await shown(page);
  expect((await projected(app, sessionId, clock.now)).events.map((e) => e.type)).toEqual([
    'marked',
    'started',
  ]);
  await page.context().setOffline(false);
  await clock.passInSteps(3200);
  await expect(page.getByText('No connection; the class goes on, nothing is lost')).toBeHidden();
  // The line may be up again a moment before all that waited has been stored.
  await expect
    .poll(async () => (await projected(app, sessionId, clock.now)).events.map((e) => e.type))
    .toEqual(['marked', 'started', 'extended', 'marked', 'roundAdded']);
  const { countdown } = await projected(app, sessionId, clock.now);
  expect(Number(before.countdown) - Number(countdown)).toBe(3);
  await expect(page.getByTestId('countdown')).toHaveText(countdown);
});

test('the voice stays to the last move when the connection is lost at the first', async ({
  app,
  studio: page,
  clock,
}) => {
  const fetched = new Set<string>();
  page.on('response', (r) => {
    const url = new URL(r.url());
    if (url.pathname === '/api/speech') fetched.add(url.searchParams.get('text') ?? '');
  });
  await noteSources(page);
  const { score } = await lead(app, page, clock);
  const words = new Set(score.cues.map((cue) => cue.text));
  await expect.poll(() => [...words].filter((text) => !fetched.has(text))).toEqual([]);
  await page.context().setOffline(true);
  await page.keyboard.press('w');
  await expect(page.getByTestId('move')).toHaveText('Slow belly breaths');
  const spoken = async () => (await heard(page)).sources.filter((s) => s.kind === 'speech').length;
  const before = await spoken();
  await expect
    .poll(async () => {
      await clock.pass(250);
      return spoken();
    })
    .toBeGreaterThan(before);
  await page.context().setOffline(false);
});

test('what was not sent yet survives a crash of the browser', async ({
  app,
  studio: page,
  clock,
  held: { sessionId },
}) => {
  await app.kill();
  await page.keyboard.press('+');
  await page.keyboard.press('r');
  await expect(page.getByText('No connection; the class goes on, nothing is lost')).toBeVisible();
  const before = await shown(page);
  await app.up();
  await clock.reload();
  await expect(page.getByTestId('round')).toHaveText('round 1 of 3');
  expect(await shown(page)).toEqual(before);
  await expect
    .poll(async () => (await projected(app, sessionId, clock.now)).events.map((e) => e.type))
    .toEqual(['marked', 'started', 'extended', 'roundAdded']);
});

test('the stage opens again while the server is away, and nothing of the class is missing', async ({
  app,
  studio: page,
  clock,
  held: { sessionId },
}) => {
  const isKept = () => keepsStage(page, sessionId);
  await expect.poll(isKept).toBe(true);
  const broken: string[] = [];
  page.on('pageerror', (error) => broken.push(error.message));
  await stored(page, () => page.keyboard.press('+'));
  await stored(page, () => page.getByRole('button', { name: 'Ben: late' }).click());
  await app.kill();
  await page.keyboard.press('r');
  await clock.pass(2000);
  const before = await shown(page);
  await page.reload();
  await expect(page.getByText('No connection; the class goes on, nothing is lost')).toBeVisible();
  expect(await shown(page)).toEqual(before);
  await expect(page.getByRole('button', { name: 'Ben: late' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await page.keyboard.press('c');
  await app.up();
  await clock.passInSteps(3200);
  await expect
    .poll(async () => (await projected(app, sessionId, clock.now)).events.map((e) => e.type))
    .toEqual(['marked', 'started', 'extended', 'marked', 'roundAdded', 'extended']);
  const { countdown } = await projected(app, sessionId, clock.now);
  await expect(page.getByTestId('countdown')).toHaveText(countdown);

  // Nothing of the people is left on the device when the class is closed.
  await stored(page, () => page.keyboard.press('e'));
  await page.getByRole('button', { name: 'Finish and store' }).click();
  await expect(page.getByText('The session is stored.')).toBeVisible();
  expect(await isKept()).toBe(false);
  expect(broken).toEqual([]);
});

test('who signs in after somebody else finds no class on the device', async ({
  app,
  studio: page,
  clock,
}) => {
  const { sessionId } = await lead(app, page, clock);
  await expect.poll(() => keepsStage(page, sessionId)).toBe(true);
  await page.context().clearCookies();
  await page.goto('/sign-in');
  await expect.poll(() => keepsStage(page, sessionId)).toBe(false);
});

test('signing out sends first what waits, and leaves nothing on the device', async ({
  app,
  studio: page,
  clock,
  held: { sessionId },
}) => {
  const events = async () => (await projected(app, sessionId, clock.now)).events.map((e) => e.type);
  await expect.poll(() => keepsStage(page, sessionId)).toBe(true);
  await page.route('**/events', (route) => route.abort());
  await page.keyboard.press('+');
  await expect(page.getByText('No connection; the class goes on')).toBeVisible();
  await page.goto('/');
  const signOut = async () => {
    await page.getByRole('button', { name: /Account of/ }).click();
    await page.getByRole('menuitem', { name: 'Sign out', exact: true }).click();
    // The menu goes away by its own time.
    await clock.pass(500);
  };
  await signOut();
  const dialog = page.getByRole('dialog', { name: 'Something is not stored yet' });
  await expect(dialog).toContainText('1 thing that happened');
  await dialog.getByRole('button', { name: 'Send it first' }).click();
  await expect(dialog.getByRole('alert')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(dialog).toBeHidden();
  expect(await events()).toEqual(['marked', 'started']);
  await page.unroute('**/events');
  // What a tab that is gone could not save of a class goes along.
  const { class_id: classId } = await app.db('sessions').where({ id: sessionId }).first('class_id');
  const { plan: base, version } = await app.db('classes').where({ id: classId }).first();
  const unsaved = { plan: { ...base, name: 'By the sea' }, base, version };
  await page.evaluate(
    ([key = '', text = '']) => localStorage.setItem(key, text),
    [`upbeat-unsaved-${classId}-gone`, JSON.stringify(unsaved)],
  );
  await signOut();
  await expect(dialog).toContainText('1 class with unsaved edits');
  await dialog.getByRole('button', { name: 'Send it first' }).click();
  await page.waitForURL('**/sign-in');
  expect((await app.db('classes').where({ id: classId }).first('plan')).plan.name).toBe(
    'By the sea',
  );
  expect(await events()).toEqual(['marked', 'started', 'extended']);
  expect(await keepsStage(page, sessionId)).toBe(false);
  const left = () =>
    page.evaluate(async () => [
      localStorage.length,
      (await caches.keys()).length,
      (await navigator.serviceWorker.getRegistrations()).length,
    ]);
  await expect.poll(left).toEqual([0, 0, 0]);
});

test('a crash of the database in mid-hold loses nothing and moves nothing', {
  tag: '@alone',
}, async ({ app, browser, studio: page, clock, held: { sessionId } }) => {
  const code = await openToFollowers(page, sessionId);
  const there = await phone(app, browser, { code, now: clock.now });
  const before = await shown(page);
  const postgres = await startPostgres(process.env.UPBEAT_DATA_DIR ?? '.data/test');
  await postgres.crash();
  await page.keyboard.press('+');
  expect(Number((await shown(page)).countdown)).toBe(Number(before.countdown) + 10);
  await expect
    .poll(async () => {
      await clock.passInSteps(1600);
      const row = await app.db('runs').where({ session_id: sessionId }).first('id');
      const events = await app.db('run_events').where({ run_id: row.id }).orderBy('seq');
      return events.map((e) => e.type);
    })
    .toEqual(['marked', 'started', 'extended']);
  // Who follows heard of it too, by a line of the database that was opened anew.
  await there.clock.sleep(clock.now - there.clock.now);
  await inStep(app, sessionId, clock.now, [there.page]);
  await there.close();
  await clock.reload();
  const { countdown } = await projected(app, sessionId, clock.now);
  await expect(page.getByTestId('countdown')).toHaveText(countdown);
});

test('a device that slept for three minutes says so and can go back to where it stood', async ({
  app,
  studio: page,
  clock,
  held: { sessionId },
}) => {
  const before = await shown(page);
  await clock.sleep(180_000);
  await expect(page.getByText('This device slept for 3:00, and the class went on.')).toBeVisible();
  const { countdown } = await projected(app, sessionId, clock.now);
  await expect(page.getByTestId('countdown')).toHaveText(countdown);
  await stored(page, () => page.getByRole('button', { name: 'Back to where it stood' }).click());
  expect(await shown(page)).toEqual(before);
  await expect(page.getByText('This device slept for')).toBeHidden();
});

test('a jump of the time of day on the device moves nothing', async ({
  app,
  studio: page,
  clock,
  held: { sessionId },
}) => {
  const before = await shown(page);
  await page.evaluate(() => {
    const real = Date.now;
    Date.now = () => real() + 3_600_000;
  });
  await clock.pass(200);
  const after = await shown(page);
  expect(after).toEqual({ ...before, toGo: after.toGo });
  const seconds = (toGo: string | null) => {
    const [min = 0, s = 0] = (toGo ?? '').split(' ')[0]?.split(':').map(Number) ?? [];
    return 60 * min + s;
  };
  // The fifth of a second that passed may turn it over.
  expect(seconds(before.toGo) - seconds(after.toGo)).toBeLessThanOrEqual(1);
  expect(seconds(after.toGo)).toBeGreaterThan(60);
  await stored(page, () => page.keyboard.press('+'));
  const { events } = await projected(app, sessionId, clock.now);
  expect(Math.abs((events.at(-1)?.at ?? 0) - clock.now)).toBeLessThan(200);
});

test('the night the clocks go back, the finish is right on the clock on the wall', async ({
  app,
  studio: page,
  clock,
}) => {
  // 25 October 2026, 00:58 UTC: in two minutes Dublin's clocks go from 02:00 back to 01:00.
  const before = Date.UTC(2026, 9, 25, 0, 58);
  await clock.standAt(before);
  const { startOf, score } = await lead(app, page, clock);
  await clock.passInStrides(startOf('s2.1.work.both') + 1500);
  const wall = new Intl.DateTimeFormat('en-GB', {
    timeStyle: 'short',
    timeZone: 'Europe/Dublin',
  }).format(before + START_IN_MS + score.totalMs);
  await expect(page.getByTestId('ends')).toHaveText(`ends ${wall}`);
  await stored(page, () => page.keyboard.press('+'));
  await clock.passInStrides(160_000);
  await expect(page.getByTestId('move')).not.toHaveText('Chin over the shoulder');
});

/** About an hour: six moves of ten long rounds. */
function anHour(): Plan {
  const empty = emptyPlan('An hour', 3600);
  const moves = ['tall-o-cheek-lift', 'soft-jaw-drop', 'folded-lip-press'];
  const work = [...moves, ...moves].map((move, i) =>
    block(
      `b${i}`,
      segment(`s${i}`, move, {
        rounds: 10,
        dose: { kind: 'hold', seconds: 40 },
        releaseSeconds: 8,
      }),
    ),
  );
  return { ...empty, phases: { ...empty.phases, work } };
}

test('an hour on the clock ends without a millisecond of drift', async ({
  app,
  studio: page,
  clock,
}) => {
  const { sessionId, score } = await lead(app, page, clock, anHour());
  expect(score.totalMs).toBeGreaterThan(3_300_000);
  const startedAt = clock.now;
  const drift = async () => {
    await stored(page, () => page.keyboard.press('+'));
    const { events } = await projected(app, sessionId, clock.now);
    return (events.at(-1)?.at ?? 0) - clock.now;
  };
  const early = await drift();
  await clock.passInStrides(score.totalMs - 60_000);
  expect([early, await drift()]).toEqual([0, 0]);
  await expect(page.getByTestId('to-go')).toHaveText('1:20 to go');
  await clock.pass(90_000);
  await page.getByRole('button', { name: 'Finish and store' }).click();
  await expect(page.getByText('The session is stored.')).toBeVisible();
  const run = await app.db('runs').where({ session_id: sessionId }).first('finished_at');
  expect(run.finished_at.getTime()).toBe(startedAt + score.totalMs + 20_000);
});
