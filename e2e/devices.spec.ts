import { randomUUID } from 'node:crypto';
import type { Browser, Page } from '@playwright/test';
import { wordsIn } from '@/core/follow/words';
import type { App } from './app';
import { openToFollowers, phone } from './followers';
import { begin, Clock, expect, signIn, stored, untilReady } from './harness';
import { keepsStage, projected, test } from './led';

/** Another device that opens a class, on the same clock. */
async function anotherDevice(browser: Browser, app: App, sessionId: string, now: number) {
  const context = await browser.newContext({ baseURL: app.url });
  context.on('page', untilReady);
  const second = await context.newPage();
  const theirs = new Clock(app, second);
  await theirs.standAt(now);
  await signIn(app, second);
  await second.goto(`/lead/${sessionId}`);
  return { context, second, theirs };
}

/** The same, of a class that is led already. */
async function secondDevice(...of: Parameters<typeof anotherDevice>) {
  const device = await anotherDevice(...of);
  await expect(device.second.getByText('Another device leads this class.')).toBeVisible();
  return device;
}

/** Makes a class ready at another rate. */
async function atRate(lead: Page, rate: string): Promise<void> {
  const answered = lead.waitForResponse((r) => r.url().endsWith('/prepare') && r.ok());
  await lead.getByLabel('Words a minute').selectOption(rate);
  await answered;
  await expect(lead.getByText('The voice is ready.')).toBeVisible();
}

test('one device leads, another watches and takes over, and what came too late is told', async ({
  app,
  browser,
  studio: page,
  clock,
  held: { sessionId },
}) => {
  const { context, second } = await secondDevice(browser, app, sessionId, clock.now);
  await expect(second.getByRole('button', { name: /^Pause/ })).toBeHidden();
  await second.keyboard.press('ArrowRight');
  await stored(page, () => page.keyboard.press(' '));
  await expect(second.getByTestId('doing')).toHaveText('Paused');
  await stored(second, () => second.getByRole('button', { name: 'Ben: here' }).click());
  await expect(page.getByRole('button', { name: 'Ben: here' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );

  await page.context().setOffline(true);
  await page.keyboard.press('r');
  await second.getByRole('button', { name: 'Take over here' }).click();
  await expect(second.getByRole('button', { name: /^Go on/ })).toBeVisible();
  await stored(second, () => second.keyboard.press('+'));
  await page.context().setOffline(false);
  await clock.passInSteps(2000);
  await expect(page.getByText('Another device leads this class.')).toBeVisible();
  await expect(page.getByText(/One thing done here could not be stored/)).toContainText(
    'One more round',
  );
  await expect(page.getByTestId('round')).toHaveText('round 1 of 2');
  const { events } = await projected(app, sessionId, clock.now);
  expect(events.map((e) => e.type)).toEqual(['marked', 'started', 'paused', 'marked', 'extended']);
  await context.close();
});

test('who took over still leads after a reload while the server is away', async ({
  app,
  browser,
  studio: page,
  clock,
  held: { sessionId },
}) => {
  await expect(page.getByTestId('move')).toBeVisible();
  const { context, second, theirs } = await secondDevice(browser, app, sessionId, clock.now);
  await expect.poll(() => keepsStage(second, sessionId)).toBe(true);
  await theirs.pass(500);
  await second.getByRole('button', { name: 'Take over here' }).click();
  await expect(second.getByRole('button', { name: /^Pause/ })).toBeVisible();

  await app.kill();
  await second.reload();
  await expect(second.getByText('No connection; the class goes on, nothing is lost')).toBeVisible();
  await expect(second.getByText('Another device leads this class.')).toBeHidden();
  await second.keyboard.press(' ');
  await expect(second.getByTestId('doing')).toHaveText('Paused');
  await app.up();
  await theirs.passInSteps(3200);
  await expect
    .poll(async () => (await projected(app, sessionId, theirs.now)).events.map((e) => e.type))
    .toEqual(['marked', 'started', 'paused']);
  await context.close();
});

test('a second window shows the same without the people, also while the server is away', async ({
  app,
  studio: page,
  clock,
  led: { sessionId, startOf },
}) => {
  await clock.passInStrides(startOf('s3.1.work.both') + 1500);
  const screen = await page.context().newPage();
  await screen.goto(`/lead/${sessionId}/show`);
  await expect(screen.getByTestId('move')).toHaveText('Soft jaw drop, palms on the cheeks');
  await expect(screen.getByTestId('countdown')).toHaveText(
    (await page.getByTestId('countdown').textContent()) ?? '',
  );
  await expect(screen.getByText('Ada')).toHaveCount(0);
  // Nobody in the hall holds on for as long as a pause lasts; whoever leads sees where it stands.
  const cue = (await page.getByTestId('cue').textContent()) ?? '';
  await stored(page, () => page.keyboard.press(' '));
  await expect(screen.getByTestId('cue')).toHaveText(wordsIn('en').letGo);
  await expect(page.getByTestId('cue')).toHaveText(cue);
  await stored(page, () => page.keyboard.press(' '));
  await expect(screen.getByTestId('cue')).toHaveText(cue);
  // A hand on the keyboard or on a remote does not see which window has the focus.
  await stored(page, () => screen.keyboard.press(' '));
  await expect(screen.getByTestId('cue')).toHaveText(wordsIn('en').letGo);
  await stored(page, () => screen.keyboard.press('b'));
  await expect(screen.getByTestId('cue')).toHaveText(cue);
  // What still loads would miss the server: a worker answers once it has its script.
  await Promise.all(screen.workers().map((worker) => worker.evaluate('0')));
  await app.kill();
  await page.keyboard.press('+');
  await expect(screen.getByTestId('countdown')).toHaveText(
    (await page.getByTestId('countdown').textContent()) ?? '',
  );
  await app.up();
  await screen.close();
});

test('a class that was made ready anew before it begins is the same on every screen', async ({
  app,
  browser,
  studio: page,
  clock,
  opened: { sessionId },
}) => {
  const screen = await page.context().newPage();
  await screen.goto(`/lead/${sessionId}/show`);
  await expect(screen.getByText(wordsIn('en').begins)).toBeVisible();
  const { context, second, theirs } = await anotherDevice(browser, app, sessionId, clock.now);
  await expect(second.getByText('The voice is ready.')).toBeVisible();
  await atRate(page, '180');
  await stored(page, () => page.getByRole('button', { name: 'Ada: here' }).click());
  await begin(page, clock);
  // The server tells it the time again.
  await theirs.pass(50);
  const left = (await page.getByTestId('countdown').textContent()) ?? '';
  for (const other of [screen, second]) {
    await expect(other.getByTestId('countdown')).toHaveText(left);
  }
  const toGo = (await page.getByTestId('to-go').textContent()) ?? '';
  await expect(second.getByTestId('to-go')).toHaveText(toGo);
  await context.close();
});

test('the class is what the device has that begins it, also where another made it ready after', async ({
  app,
  browser,
  studio: page,
  clock,
  opened: { sessionId },
}) => {
  const code = await openToFollowers(page, sessionId);
  const screen = await page.context().newPage();
  await screen.goto(`/lead/${sessionId}/show`);
  await atRate(page, '180');
  const { context, second, theirs } = await anotherDevice(browser, app, sessionId, clock.now);
  await expect(second.getByText('The voice is ready.')).toBeVisible();
  await atRate(second, '100');
  const guest = await phone(app, browser, { code, now: clock.now });
  await stored(page, () => page.getByRole('button', { name: 'Ada: here' }).click());
  await begin(page, clock);
  await theirs.pass(50);
  await guest.clock.pass(50);
  const left = (await page.getByTestId('countdown').textContent()) ?? '';
  for (const other of [screen, second, guest.page]) {
    await expect(other.getByTestId('countdown')).toHaveText(left);
  }
  const run = await app.db('runs').where({ session_id: sessionId }).first('score');
  expect(run.score.wordsPerMinute).toBe(180);
  await guest.close();
  await context.close();
});

test('an id that is no event is refused, and a stranger’s device cannot bend', async ({
  app,
  studio: page,
  clock,
  led: { sessionId },
}) => {
  const run = await app.db('runs').where({ session_id: sessionId }).first('id');
  const post = (data: object) => page.request.post(`/api/runs/${run.id}/events`, { data });
  const bend = { id: randomUUID(), at: clock.now, type: 'next' };
  expect((await post({ device: randomUUID(), events: [bend] })).status()).toBe(409);
  expect((await post({ device: randomUUID(), events: [{ ...bend, type: 'fly' }] })).status()).toBe(
    400,
  );
});
