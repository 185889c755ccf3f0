import type { Page } from '@playwright/test';
import { PHASES, type Plan } from '@/core/class';
import { wavOf } from '@/core/speech';
import { createClass } from '@/server/classes/classes';
import { twoMinutes } from './counted';
import { axe, expect, NOON, saved, storedPlan, test } from './harness';
import { keepsStage, lead } from './led';

/** A tone, as a file that somebody may have. */
const tone = ({ seconds, rate }: { seconds: number; rate: number }) =>
  Buffer.from(
    wavOf({
      samples: Float32Array.from(
        { length: seconds * rate },
        (_, i) => 0.3 * Math.sin((2 * Math.PI * 330 * i) / rate),
      ),
      rate,
    }),
  );
const HALF_A_MINUTE = { seconds: 30, rate: 8000 };
/** More megabytes than a server commonly keeps of what it is sent. */
const LARGE = { seconds: 120, rate: 48_000 };

async function openMusic(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'More', exact: true }).press('Enter');
  await page.getByRole('menuitem', { name: 'Music under the class' }).press('Enter');
  await expect(page.getByRole('dialog', { name: 'Music under the class' })).toBeVisible();
}

test('music is put under a class by keyboard, and music of the studio’s own is taken in', async ({
  app,
  studio: page,
}) => {
  await notePlayers(page);
  const { studio_id: studioId } = await app.db('classes').first('studio_id');
  await page.goto(`/classes/${await createClass(app.db, { studioId }, twoMinutes(), NOON)}`);
  await openMusic(page);
  await page.getByRole('button', { name: 'Slow tide in Work' }).press('Enter');
  await page.getByRole('button', { name: 'Lamp light in Work' }).press('Space');
  await expect(page.getByRole('button', { name: 'Lamp light in Work, number 2' })).toBeVisible();
  await page.getByRole('checkbox', { name: 'Slow tide throughout' }).press('Space');
  await page.getByLabel('While somebody speaks').selectOption('24');

  const dialog = page.getByRole('dialog');
  const choose = page.getByLabel('Add music of your own');
  await choose.setInputFiles({
    name: 'notes.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from('x'),
  });
  await expect(dialog.getByRole('alert')).toContainText('This is no sound that can be read here');
  await choose.setInputFiles({
    name: 'Harbour.wav',
    mimeType: 'audio/wav',
    buffer: tone(HALF_A_MINUTE),
  });
  const name = page.getByLabel('Name of Harbour');
  await expect(name).toHaveValue('Harbour');
  await expect(dialog.getByRole('alert')).toHaveCount(0);
  await name.fill(' ');
  await name.press('Enter');
  await expect(dialog.getByRole('alert')).toHaveText('Give the piece a name.');
  await name.fill('Harbour at night');
  await name.press('Enter');
  await page.getByRole('button', { name: 'Harbour at night in Close' }).press('Enter');
  await choose.setInputFiles({ name: 'Long.wav', mimeType: 'audio/wav', buffer: tone(LARGE) });
  await expect(page.getByLabel('Name of Long')).toHaveValue('Long');
  const { ms } = await app.db('music').where({ name: 'Long' }).first('ms');
  expect(Math.abs(ms - LARGE.seconds * 1000)).toBeLessThan(100);
  expect(await axe(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await saved(page);
  const own = (await app.db('music').where({ name: 'Harbour at night' }).first('id')).id as string;
  const { music } = await storedPlan(app, page);
  expect(music).toEqual({
    phases: {
      ...Object.fromEntries(PHASES.map((phase) => [phase, ['tide']])),
      work: ['tide', 'lamp'],
      close: ['tide', own],
    },
    underDb: 24,
  });

  // Rehearsed as it will be led.
  await page.getByRole('button', { name: /^Rehearse/ }).press('Enter');
  await expect.poll(() => playing(page)).toBe(1);
  await page.getByRole('button', { name: 'End', exact: true }).press('Enter');
  await expect.poll(() => playing(page)).toBe(0);

  // Taken back one by one, as everything else.
  await page.getByRole('button', { name: 'Undo' }).click();
  await openMusic(page);
  await expect(page.getByRole('button', { name: 'Harbour at night in Close' })).toHaveAttribute(
    'aria-pressed',
    'false',
  );
  await page.getByRole('button', { name: 'Harbour at night in Arrive' }).click();
  await page.getByRole('button', { name: 'Remove Harbour at night' }).click();
  const asked = page.getByRole('dialog', { name: 'Remove Harbour at night for good?' });
  await expect(asked).toBeVisible();
  // The question is shut alone, not what it stands in.
  await page.keyboard.press('Escape');
  await expect(asked).toBeHidden();
  await page.getByRole('button', { name: 'Remove Harbour at night' }).press('Enter');
  await asked.getByRole('button', { name: 'Remove it for good' }).press('Enter');
  await expect(page.getByText('A piece that your studio has no more')).toBeVisible();
  await page.getByRole('button', { name: 'the piece that is gone in Arrive, number 2' }).click();
  await expect(page.getByText('A piece that your studio has no more')).toHaveCount(0);
});

interface WithPlayed {
  played: HTMLAudioElement[];
}

/** Notes every player of a file that the page makes, from the next load on. */
async function notePlayers(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const played: HTMLAudioElement[] = [];
    Object.assign(window, { played });
    const Usual = window.Audio;
    window.Audio = class extends Usual {
      constructor(src?: string) {
        super(src);
        played.push(this);
      }
    };
  });
}

/** How many players are at work on the page, but for the one that is silent: it is there for the media keys. */
const playing = (page: Page): Promise<number> =>
  page.evaluate(
    () =>
      (window as unknown as WithPlayed).played.filter(
        (one) => one.src.startsWith('blob:') && !one.loop && !one.paused && one.currentTime > 0,
      ).length,
  );

test('music plays under the class that is led, rests in a pause, and goes on without the server', async ({
  app,
  studio: page,
  clock,
}) => {
  // A fade takes its time, and what cannot be played yet is tried again after a while.
  const plays = (players: number) =>
    expect
      .poll(async () => {
        await clock.pass(500);
        return playing(page);
      })
      .toBe(players);
  await notePlayers(page);
  const plan: Plan = {
    ...twoMinutes(),
    music: { phases: { warmUp: ['tide'], work: ['tide'], massage: ['tide'] }, underDb: 20 },
  };
  const { sessionId } = await lead(app, page, clock, plan);
  await plays(1);
  await page.getByRole('button', { name: /^Pause/ }).click();
  await expect(page.getByTestId('doing')).toHaveText('Paused');
  await plays(0);
  await page.getByRole('button', { name: /^Go on/ }).click();
  await plays(1);

  await expect.poll(() => keepsStage(page, sessionId)).toBe(true);
  await expect
    .poll(() => page.evaluate(async () => (await caches.match('/api/music/tide')) !== undefined))
    .toBe(true);
  await page.context().setOffline(true);
  await page.reload();
  await expect(page.getByTestId('move')).toBeVisible();
  // A browser may keep the sound off until something is pressed.
  await page.keyboard.press('Shift');
  await plays(1);

  await page.getByRole('button', { name: 'Sound', exact: true }).click();
  await page.getByLabel('Music', { exact: true }).selectOption('None');
  await plays(0);
  await page.reload();
  await expect(page.getByTestId('move')).toBeVisible();
  await page.getByRole('button', { name: 'Sound', exact: true }).click();
  await expect(page.getByLabel('Music', { exact: true })).toHaveValue('none');
  await page.getByLabel('Music', { exact: true }).selectOption('As the class has it');
  await plays(1);
  await page.context().setOffline(false);
});
