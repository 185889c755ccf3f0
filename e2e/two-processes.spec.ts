import { Clock, expect, signIn, stored, untilReady } from './harness';
import { projected, test } from './led';

test('led at one process and watched at another, a class goes on at the second when the first dies', async ({
  app,
  browser,
  clock,
  held: { sessionId },
  studio: page,
}) => {
  const second = await app.beside();
  const context = await browser.newContext({ baseURL: second.url });
  try {
    context.on('page', untilReady);
    const there = await context.newPage();
    const theirs = new Clock(app, there);
    await theirs.standAt(clock.now);
    await signIn(app, there);
    await there.goto(`/lead/${sessionId}`);
    await expect(there.getByText('Another device leads this class.')).toBeVisible();
    await stored(page, () => page.keyboard.press('+'));
    const { countdown } = await projected(app, sessionId, clock.now);
    await expect(there.getByTestId('countdown')).toHaveText(countdown);

    await app.kill();
    await there.getByRole('button', { name: 'Take over here' }).click();
    await stored(there, () => there.getByRole('button', { name: /^Pause/ }).click());
    await expect(there.getByTestId('doing')).toHaveText('Paused');
    const { events } = await projected(app, sessionId, clock.now);
    expect(events.map((e) => e.type)).toEqual(['marked', 'started', 'extended', 'paused']);
    expect((await there.request.get('/health')).status()).toBe(200);
    expect(await (await there.request.get('/ready')).json()).toMatchObject({ ok: true, why: null });
  } finally {
    await context.close();
    await second.stop();
    await app.up();
  }
});
