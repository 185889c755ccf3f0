import type { Page } from '@playwright/test';
import { type PretendSaid, pretendVoices } from '@testing/pretend-voices';
import { talked } from '@testing/talk';
import type { TalkSample } from '@/core/run';
import type { Score } from '@/core/score';
import { saidByDevice } from '@/core/speech';
import { createClass } from '@/server/classes/classes';
import { planSession } from '@/server/sessions/sessions';
import { noteTalk } from '@/server/speech/teacher-speech';
import { twoMinutes } from './counted';
import { axe, begin, expect, NOON, stored, storedPlan, test } from './harness';
import { hallOf } from './planned';

/** A microphone in front of which somebody hums; or one that only hears the room, or is refused. */
async function microphone(page: Page, hears: 'a voice' | 'nothing' | 'refused'): Promise<void> {
  await page.addInitScript((what) => {
    navigator.mediaDevices.getUserMedia = async () => {
      if (what === 'refused') throw new DOMException('refused', 'NotAllowedError');
      const context = new AudioContext();
      const to = context.createMediaStreamDestination();
      const voice = new OscillatorNode(context, { frequency: 180 });
      voice.connect(new GainNode(context, { gain: what === 'a voice' ? 0.3 : 0.0005 })).connect(to);
      voice.start();
      return to.stream;
    };
  }, hears);
}

const button = (page: Page, name: string) => page.getByRole('button', { name, exact: true });

/** Speaks until the recorder shows so much time; a busy machine may take a little longer to stop. */
async function record(page: Page, press: () => Promise<void>, until = '0:02'): Promise<void> {
  await press();
  await expect(page.getByTestId('recorded')).toHaveText(until);
  await press();
}

test('a move is recorded cue by cue with one key, and then said in the teacher’s voice', async ({
  app,
  studio: page,
}) => {
  await microphone(page, 'a voice');
  await page.goto('/moves/tall-o-cheek-lift');
  await page.getByRole('button', { name: 'Record in your voice' }).first().press('Enter');
  const list = page.getByRole('list', { name: 'Cues to record' });
  const first = (await list.locator('span[lang]').first().textContent()) ?? '';
  await expect(button(page, 'Record')).toHaveAttribute('aria-disabled', 'false');
  await button(page, 'Record').focus();
  const space = () => page.keyboard.press('Space');
  for (const done of ['1 of', '2 of']) {
    await record(page, space);
    // How much a busy machine hears of two seconds is its own affair.
    await expect(page.getByText(/^\d+\.\d s, cut and levelled/)).toBeVisible();
    await space();
    await expect(page.getByText(done)).toBeVisible();
  }
  await page.keyboard.press('Escape');

  await page.goto('/voice');
  await expect(page.getByText(first)).toBeVisible();
  const speech = `/api/speech?${new URLSearchParams({ text: first, language: 'en', rate: '150' })}`;
  const own = await page.request.get(speech);
  const [row] = await app.db('recordings').where({ text: first }).select('id', 'wav');
  expect(await own.body()).toEqual(row.wav);
  const etag = own.headers().etag ?? '';
  const again = await page.request.get(speech, { headers: { 'If-None-Match': etag } });
  expect([etag, again.status()]).toEqual([`"${row.id}"`, 304]);

  await page.getByLabel('My recordings first').uncheck();
  await expect.poll(async () => (await page.request.get(speech)).headers().etag).not.toBe(etag);
  await page.getByLabel('My recordings first').check();
  await expect.poll(async () => (await page.request.get(speech)).headers().etag).toBe(etag);

  await button(page, `Remove: ${first}`).click();
  await button(page, 'Remove it for good').click();
  await expect(page.getByText(first)).toBeHidden();
  expect((await page.request.get(speech)).headers().etag).not.toBe(etag);
});

test('a recording takes its own time in the class it is said in', async ({ app, studio: page }) => {
  await microphone(page, 'a voice');
  const { studio_id: studioId } = await app.db('classes').first('studio_id');
  const id = await createClass(app.db, { studioId }, twoMinutes(), NOON);
  await page.goto(`/classes/${id}`);
  await expect(page.getByText('Speech measured as it will be heard')).toBeVisible();
  const length = async () => {
    const [minutes, seconds] = ((await page.getByTestId('length').textContent()) ?? '').split(':');
    return Number(minutes) * 60 + Number(seconds);
  };
  const before = await length();
  await page.locator('[data-segment]').first().click();
  await button(page, 'Record in your voice').click();
  await page.getByRole('heading', { name: 'This move in your voice' }).waitFor();
  // The announcement comes first; the machine says it in less time than that.
  await record(page, () => page.getByRole('button', { name: /^(Record|Stop)$/ }).click(), '0:09');
  await button(page, 'Keep it, go on').click();
  await page.getByText(/^1 of/).waitFor();
  await page.keyboard.press('Escape');
  await expect.poll(length).toBeGreaterThan(before);
});

test('what stands in the way of a recording is told, and nothing is lost', async ({
  studio: page,
}) => {
  await microphone(page, 'refused');
  await page.goto('/voice');
  await button(page, 'Counts in German').click();
  await button(page, 'Record').click();
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText(
    'Allow it beside the address',
  );

  await microphone(page, 'nothing');
  await page.reload();
  await button(page, 'Counts in German').click();
  await record(page, () => page.getByRole('button', { name: /^(Record|Stop)$/ }).click());
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText('Nothing was heard');

  await microphone(page, 'a voice');
  await page.reload();
  await button(page, 'Counts in German').click();
  await record(page, () => page.getByRole('button', { name: /^(Record|Stop)$/ }).click());
  await button(page, 'Keep it, go on').waitFor();
  await page.route('**/api/recordings', (route) => route.abort('internetdisconnected'));
  await button(page, 'Keep it, go on').click();
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText('does not answer');
  await page.unroute('**/api/recordings');
  await button(page, 'Keep it, go on').click();
  await expect(page.getByText(/^1 of/)).toBeVisible();
});

test('voice and rate are chosen before the start, and changed while the class runs', async ({
  app,
  clock,
  studio: page,
}) => {
  const { studio_id: studioId } = await app.db('classes').first('studio_id');
  const classId = await createClass(app.db, { studioId }, twoMinutes(), NOON);
  const sessionId = await planSession(app.db, { studioId }, { classId, startsAt: NOON, now: NOON });
  await clock.stand();
  await page.goto(`/lead/${sessionId}`);
  const ready = page.getByText('The voice is ready.');
  await expect(ready).toBeVisible();
  const scoreOf = async () =>
    (await app.db('runs').where({ session_id: sessionId }).first('score')).score;
  const planned = (await scoreOf()).totalMs;
  const prepared = () => page.waitForResponse((r) => r.url().endsWith('/prepare') && r.ok());
  let answered = prepared();
  await page.getByLabel('Words a minute').selectOption('180');
  await answered;
  answered = prepared();
  await page.getByLabel('Voice in English').selectOption('Deep');
  await answered;
  await expect(ready).toBeVisible();
  const score = await scoreOf();
  expect(score.wordsPerMinute).toBe(180);
  expect(score.totalMs).toBeLessThan(planned);

  // The voice is changed while the class is still being measured at a rate chosen a moment before.
  let measure = () => {};
  const slow = new Promise<void>((go) => (measure = go));
  await page.route('**/prepare', async (route) => {
    await slow;
    await route.continue();
  });
  answered = page.waitForResponse(
    (r) => r.url().endsWith('/api/voice') && r.request().method() === 'PUT' && r.ok(),
  );
  await page.getByLabel('Words a minute').selectOption('170');
  await page.getByLabel('Voice in English').selectOption('Soft');
  await answered;
  await expect(page.getByLabel('Voice in English')).toHaveValue('soft');
  // Where somebody wants no movement, words alone say what is waited for.
  await expect(page.getByText('Making the voice ready')).toBeVisible();
  await expect(page.locator('.loading')).toBeHidden();
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await expect(page.locator('.loading')).toBeVisible();
  await page.emulateMedia({ reducedMotion: 'reduce' });
  measure();
  await expect(ready).toBeVisible();
  await expect(page.getByLabel('Words a minute')).toHaveValue('170');
  await expect.poll(async () => (await scoreOf()).wordsPerMinute).toBe(170);
  await page.unroute('**/prepare');
  await page.getByLabel('Words a minute').selectOption('180');
  await expect.poll(async () => (await scoreOf()).wordsPerMinute).toBe(180);
  await expect(ready).toBeVisible();

  await begin(page, clock);
  await button(page, 'Sound').click();
  const rates = page.getByLabel('Words a minute').locator('option');
  await expect(rates.first()).toHaveText('180');
  const asked = page.waitForRequest(
    (r) => r.url().includes('/api/speech?') && r.url().includes('rate=200'),
  );
  await page.getByLabel('Words a minute').selectOption('200');
  await clock.passInSteps(500);
  await asked;
  const chosen = page.waitForResponse(
    (r) => r.url().endsWith('/api/voice') && r.request().method() === 'PUT' && r.ok(),
  );
  await page.getByLabel('Voice in English').selectOption('Plain');
  await chosen;
  const teacher = await app.db('teachers').where({ studio_id: studioId }).first('voices');
  expect(teacher.voices).toEqual({ en: 'plain' });
});

test('how much the teacher talks is learned, shown, used and forgotten', async ({
  app,
  clock,
  studio: page,
}) => {
  const { studio_id: studioId } = await app.db('classes').first('studio_id');
  const classId = await createClass(app.db, { studioId }, twoMinutes(), NOON);
  const sessionId = await planSession(app.db, { studioId }, { classId, startsAt: NOON, now: NOON });
  await page.goto(`/classes/${classId}`);
  const lengthShown = page.getByTestId('length');
  await expect(page.getByText('Speech measured as it will be heard')).toBeVisible();
  const before = (await lengthShown.textContent()) ?? '';

  await clock.stand();
  await page.goto(`/lead/${sessionId}`);
  await expect(page.getByText('The voice is ready.')).toBeVisible();
  await begin(page, clock);
  await clock.passInSteps(2000);
  await stored(page, () => page.keyboard.press('Space'));
  await clock.passInSteps(30_000);
  await stored(page, () => page.keyboard.press('Space'));
  // Only talk that was heard to its end says how much somebody talks.
  const run = await app.db('runs').where({ session_id: sessionId }).first('score');
  await clock.passInSteps(run.score.steps[0].durationMs);
  await stored(page, () => page.keyboard.press('e'));
  await button(page, 'Finish and store').click();
  await expect(page.getByText('The session is stored.')).toBeVisible();
  await expect(
    page.getByText(/^Your talk in upbeats and switches took [1-3]\.\d\d times/),
  ).toBeVisible();

  await page.getByRole('link', { name: 'What was learned of it' }).click();
  await expect(page.getByText(/learned from one class you led/)).toBeVisible();
  await page.goto(`/classes/${classId}`);
  await clock.passInSteps(1000);
  await expect(page.getByText('Speech measured as it will be heard')).toBeVisible();
  await expect(page.getByRole('link', { name: /^Your talk × 1\.\d\d$/ })).toBeVisible();
  await expect(lengthShown).not.toHaveText(before);
  await page.getByRole('link', { name: /^Your talk/ }).click();
  await button(page, 'Forget it and learn anew').click();
  await button(page, 'Forget it').click();
  await expect(page.getByText('× 1.00')).toHaveCount(2);
  await page.goto(`/classes/${classId}`);
  await clock.passInSteps(1000);
  await expect(lengthShown).toHaveText(before);
});

test('who leaves much out says less first, and with their own words plans shorter than the voice', async ({
  app,
  page,
}) => {
  const { scope, teacherId } = await hallOf(app, page);
  const classId = await createClass(app.db, scope, twoMinutes(), NOON);
  const learn = async (samples: TalkSample[]) => {
    for (const [i, sample] of samples.entries()) {
      const startsAt = NOON - (i + 1) * 3_600_000;
      const sessionId = await planSession(app.db, scope, { classId, startsAt, now: NOON });
      const of = { id: teacherId, studioId: scope.studioId };
      await noteTalk(app.db, of, { sessionId, ledAt: startsAt, ...sample });
    }
  };
  await learn([0.3, 0.4, 0.2].map((share) => talked(1, { leftOutMs: 240_000 * share })));
  await page.goto(`/classes/${classId}`);
  await expect(page.getByText('30 % of what is said was left out')).toBeVisible();
  const inFull = (await page.getByTestId('length').textContent()) ?? '';
  await button(page, 'Say it in short').click();
  await expect(page.getByText('30 % of what is said was left out')).toBeHidden();
  await expect(page.getByTestId('length')).not.toHaveText(inFull);
  await expect.poll(async () => (await storedPlan(app, page)).rules.say).toBe('short');
  await expect(page.getByText('Speech measured as it will be heard')).toBeVisible();
  const short = (await page.getByTestId('length').textContent()) ?? '';

  const said = Array.from({ length: 4 }, () => talked(0.7, { say: 'short', self: true }));
  await learn(said);
  await page.goto('/voice');
  await expect(page.getByText(/It is never below 1 while the voice says the words/)).toBeVisible();
  const kept = page.waitForResponse(
    (r) => r.url().endsWith('/api/voice') && r.request().method() === 'PUT' && r.ok(),
  );
  await page.getByLabel('Who says the words').selectOption('I do, the voice counts');
  await kept;
  await expect(page.getByText('× 0.75')).toBeVisible();
  expect(await axe(page)).toEqual([]);
  await page.goto(`/classes/${classId}`);
  await expect(page.getByRole('link', { name: 'Your talk × 0.75' })).toBeVisible();
  await expect(page.getByText('Speech measured as it will be heard')).toBeVisible();
  await expect(page.getByTestId('length')).not.toHaveText(short);

  const sessionId = await planSession(app.db, scope, { classId, startsAt: NOON, now: NOON });
  await page.goto(`/lead/${sessionId}`);
  await expect(page.getByText('The voice is ready.')).toBeVisible();
  const factor = async () =>
    (await app.db('runs').where({ session_id: sessionId }).first('score')).score.talkingFactor;
  expect(await factor()).toBe(0.75);
  // Changed before the start: the voice needs its whole time again.
  const choose = async (who: string) => {
    const prepared = page.waitForResponse((r) => r.url().endsWith('/prepare') && r.ok());
    await page.getByLabel('Who says the words').selectOption(who);
    await prepared;
  };
  await choose('The voice');
  expect(await factor()).toBe(1);
  await choose('I do, the voice counts');
  expect(await factor()).toBe(0.75);
  await stored(page, () => button(page, 'Start the class').click());
  await expect(button(page, 'Counts only')).toHaveAttribute('aria-pressed', 'true');
});

test('a word that comes out wrong is said another way, counts are wood, and a bell ends the class', async ({
  app,
  studio: page,
}) => {
  await page.goto('/voice');
  await button(page, 'Say it so').press('Enter');
  await expect(page.getByText('Write the word as it stands in your cues.')).toBeVisible();
  await expect(page.getByLabel('As it is written')).toHaveAttribute('aria-invalid', 'true');
  const asked = (text: string) =>
    page.request.get(`/api/speech?${new URLSearchParams({ text, language: 'en', rate: '150' })}`);
  const before = (await asked('Come to Tern Quay.')).headers().etag;
  await page.getByLabel('As it is written').fill('Tern Quay');
  await page.getByLabel('As it sounds').fill('turn key');
  await page.getByLabel('As it sounds').press('Enter');
  await expect(page.getByText('turn key')).toBeVisible();
  const after = (await asked('Come to Tern Quay.')).headers().etag;
  expect(after).not.toBe(before);
  expect(after).toBe((await asked('Come to turn key.')).headers().etag);

  await page.getByLabel('Counts are heard as').selectOption('A block of wood');
  await page.getByLabel('A bell').selectOption('As the class begins and ends');
  const kept = async () => (await app.db('teachers').first('sounds')).sounds;
  await expect.poll(kept).toMatchObject({ countedBy: 'wood', bells: 'class', bellVolume: 1 });
  const volume = page.getByLabel('Volume of the bell');
  await volume.focus();
  for (let n = 0; n < 4; n++) await volume.press('ArrowLeft');
  await expect.poll(kept).toMatchObject({ countedBy: 'wood', bells: 'class', bellVolume: 0.8 });
  expect(await axe(page)).toEqual([]);

  await button(page, 'Remove: Tern Quay').press('Enter');
  await expect(page.getByText('No words of your own yet')).toBeVisible();
  expect((await asked('Come to Tern Quay.')).headers().etag).toBe(before);
});

test('a voice of this device is chosen by ear, measured without sound, speaks in time, and is stood in for', async ({
  app,
  clock,
  studio: page,
}) => {
  await page.addInitScript(pretendVoices, {
    voices: [
      { name: 'Harbour', lang: 'en-GB' },
      { name: 'Lighthouse', lang: 'en-US' },
    ],
    delayMs: 150,
    msPerLetter: 40,
    foundAfterMs: 50,
  });
  await page.goto('/voice');
  const english = page.getByRole('group', { name: 'Voice in English' });
  await english.getByLabel('voices of this device').selectOption('Lighthouse');
  const told = page.waitForResponse((r) => r.url().endsWith('/api/speech/measured') && r.ok());
  await english.getByRole('button', { name: 'Hear Lighthouse' }).press('Enter');
  await told;
  expect(await app.db('device_lengths').where({ voice: 'Lighthouse' })).toHaveLength(3);
  await english.getByRole('radio', { name: 'Of this device' }).press('Space');
  await expect(english.getByText('It speaks where this device leads.')).toBeVisible();
  expect(await axe(page)).toEqual([]);

  const { studio_id: studioId } = await app.db('classes').first('studio_id');
  const classId = await createClass(app.db, { studioId }, twoMinutes(), NOON);
  const sessionId = await planSession(app.db, { studioId }, { classId, startsAt: NOON, now: NOON });
  await clock.stand();
  await page.goto(`/lead/${sessionId}`);
  await clock.pass(100);
  await expect(page.getByText('Lighthouse will speak, the voice of this device.')).toBeVisible();
  await page.getByRole('button', { name: /^Let it say them now, without sound/ }).press('Enter');
  /** Lets time pass until a sentence is there. */
  const passUntil = (sentence: string) =>
    expect
      .poll(
        async () => {
          await clock.pass(2000);
          return page.getByText(sentence).isVisible();
        },
        // It is the clock of the page that passes; the next look waits for nothing.
        { intervals: [10] },
      )
      .toBe(true);
  await passUntil('Every cue has been measured.');
  const silently = await said(page);
  expect(silently.length).toBeGreaterThan(20);
  expect(silently.every(({ volume }) => volume === 0)).toBe(true);

  await begin(page, clock);
  await clock.passInSteps(30_000);
  const heard = (await said(page)).slice(silently.length);
  const { id, score } = await app.db('runs').where({ session_id: sessionId }).first('id', 'score');
  const began = { run_id: id, type: 'started' };
  const { at_ms } = await app.db('run_events').where(began).first('at_ms');
  const toSay = saidByDevice([]);
  const due = (score as Score).cues.slice(0, heard.length);
  expect(heard.length).toBeGreaterThan(3);
  for (const [i, cue] of due.entries()) {
    const { text, begunAt, volume } = heard[i] ?? { text: '', begunAt: 0, volume: 0 };
    expect([text, volume]).toEqual([toSay(cue.text, cue.language), 1]);
    expect(Math.abs(begunAt - Number(at_ms) - cue.startMs)).toBeLessThanOrEqual(20);
  }

  await page.evaluate(() =>
    Object.assign(Reflect.get(globalThis, 'pretendDevice'), { fallSilent: true }),
  );
  await passUntil('The voice of this device fell silent; another one speaks');
});

test('a class that begins while its cues are measured is not made ready anew', async ({
  app,
  clock,
  studio: page,
}) => {
  await page.addInitScript(pretendVoices, {
    voices: [{ name: 'Harbour', lang: 'en-GB' }],
    delayMs: 150,
    msPerLetter: 40,
  });
  const { studio_id: studioId } = await app.db('classes').first('studio_id');
  await app
    .db('teachers')
    .where({ studio_id: studioId })
    .update({ device_voices: '{"en":"Harbour"}' });
  const classId = await createClass(app.db, { studioId }, twoMinutes(), NOON);
  const sessionId = await planSession(app.db, { studioId }, { classId, startsAt: NOON, now: NOON });
  await clock.stand();
  await page.goto(`/lead/${sessionId}`);
  await expect(page.getByText('Harbour will speak, the voice of this device.')).toBeVisible();
  const prepared: string[] = [];
  page.on('request', (request) => {
    if (request.url().endsWith('/prepare')) prepared.push(request.url());
  });
  const run = () => app.db('runs').where({ session_id: sessionId }).first('prepared', 'score');
  const before = await run();
  const told = page.waitForResponse((r) => r.url().endsWith('/api/speech/measured') && r.ok());
  await page.getByRole('button', { name: /^Let it say them now/ }).press('Enter');
  await clock.passInSteps(3000);
  await begin(page, clock);
  await told;
  await clock.passInSteps(3000);
  expect(prepared).toEqual([]);
  expect(await run()).toEqual(before);
});

/** What the device said so far; what begins from a press says nothing. */
const said = async (page: Page): Promise<PretendSaid[]> => {
  const all: PretendSaid[] = await page.evaluate(
    () => Reflect.get(globalThis, 'pretendDevice').said,
  );
  return all.filter(({ text }) => text !== '');
};
