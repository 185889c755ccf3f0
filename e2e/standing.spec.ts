import { Clock, expect, signIn, stored, untilReady } from './harness';
import { test } from './led';

const HOUR_MS = 3_600_000;

test('a class left standing is told, goes on elsewhere, makes way for a new one, and is closed', async ({
  app,
  browser,
  clock,
  held: { sessionId },
  studio: page,
}) => {
  await stored(page, () => page.keyboard.press(' '));
  await clock.sleep(HOUR_MS);

  const context = await browser.newContext({ baseURL: app.url });
  context.on('page', untilReady);
  const second = await context.newPage();
  await new Clock(app, second).standAt(clock.now);
  await signIn(app, second);
  await second.goto('/');
  const left = second.getByRole('form', { name: /^Left standing: On the stage/ });
  await expect(left).toContainText('It has stood paused since');
  await expect(left).toContainText(/booked and not marked: they will be stored as not here\./);
  await left.getByRole('button', { name: 'Go on here' }).click();
  await expect(second.getByTestId('doing')).toHaveText('Paused');
  await stored(second, () => second.getByRole('button', { name: /^Go on/ }).click());
  await expect(second.getByTestId('doing')).not.toHaveText('Paused');
  await stored(second, () => second.getByRole('button', { name: /^Pause/ }).click());

  app.setClock(clock.now + HOUR_MS);
  const { class_id: classId } = await app.db('sessions').where({ id: sessionId }).first('class_id');
  await second.goto(`/classes/${classId}`);
  await second.getByRole('button', { name: 'Lead class' }).click();
  await second.waitForURL(`/sessions/${sessionId}`);
  await second.getByRole('button', { name: 'Begin a new one' }).click();
  await second.waitForURL((url) => url.pathname.startsWith('/lead/'));
  expect(second.url()).not.toContain(sessionId);
  await expect(second.getByRole('button', { name: 'Start the class' })).toBeVisible();

  await second.goto('/');
  await left.getByRole('button', { name: 'Close it as it was' }).click();
  await second.waitForURL(`/lead/${sessionId}`);
  const status = async () => (await app.db('sessions').where({ id: sessionId }).first()).status;
  expect(await status()).toBe('held');
  await second.goto('/');
  await expect(left).toBeHidden();
  await context.close();
});
