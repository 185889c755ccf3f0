import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { unzipSync } from 'fflate';
import { PHASES, type Plan } from '@/core/class';
import { HANDS_FREE_RELEASE } from '@/core/move';
import { wavMs } from '@/core/speech';
import { createClass } from '@/server/classes/classes';
import { addParticipant, book } from '@/server/people/people';
import { twoMinutes } from './counted';
import { addMove, axe, expect, NOON, openNewClass, saved, storedPlan, test } from './harness';

async function openTakeAway(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Sound, captions, sheet' }).click();
  await expect(page.getByRole('dialog', { name: 'Sound, captions, sheet' })).toBeVisible();
}

/** What saving gives, and what it is called. */
async function savedBy(page: Page, button: string): Promise<{ name: string; bytes: Buffer }> {
  const coming = page.waitForEvent('download');
  await page.getByRole('button', { name: button }).click();
  const file = await coming;
  return { name: file.suggestedFilename(), bytes: readFileSync(await file.path()) };
}

test('a class is taken away as sound and as captions, which a browser reads as they were written', async ({
  app,
  studio: page,
}) => {
  await openNewClass(app, page, 'Long O, twice & slowly', 10);
  await addMove(page, 'long o cheek');
  await expect(page.getByText('Speech measured as it will be heard')).toBeVisible();
  await openTakeAway(page);
  expect(await axe(page)).toEqual([]);
  await page.getByRole('combobox', { name: 'Sound' }).selectOption('WAV, to work on');
  const sound = await savedBy(page, 'Save the sound');
  expect(sound.name).toBe('long-o-twice-slowly.wav');
  const heardMs = wavMs(sound.bytes) ?? 0;
  expect(heardMs).toBeGreaterThan(60_000);

  await page.getByLabel('Part').selectOption('Work');
  const part = await savedBy(page, 'Save the sound');
  expect(part.name).toBe('long-o-twice-slowly-work.wav');
  // Only a move is in the class, so that its work is all of it.
  expect(wavMs(part.bytes)).toBe(heardMs);
  const sheet = await savedBy(page, 'Save the sheet, PDF');
  expect(sheet.name).toBe('long-o-twice-slowly.pdf');
  expect(sheet.bytes.subarray(0, 5).toString()).toBe('%PDF-');

  await page.getByLabel('How it is done').selectOption('Easier, wherever a move has it');
  const easier = await savedBy(page, 'Save the words');
  expect(easier.name).toBe('long-o-twice-slowly-easier.en.vtt');
  await page.getByLabel('How it is done').selectOption('As planned');

  await page.getByLabel('Language').selectOption('German');
  const words = await savedBy(page, 'Save the words');
  expect(words.name).toBe('long-o-twice-slowly.de.vtt');
  const text = words.bytes.toString();
  expect(text).toContain('Langes O, Wangen heben.');
  const classId = page.url().split('/').at(-1);
  const read = await page.evaluate(async (src) => {
    const video = document.createElement('video');
    const track = document.createElement('track');
    Object.assign(track, { kind: 'captions', srclang: 'de', src });
    video.append(track);
    document.body.append(video);
    track.track.mode = 'hidden';
    await new Promise((loaded, failed) => {
      track.onload = loaded;
      track.onerror = failed;
    });
    return [...(track.track.cues ?? [])].map((cue) => {
      const { startTime, endTime, text, line } = cue as VTTCue;
      return [Math.round(startTime * 1000), Math.round(endTime * 1000), text, line];
    });
  }, `/api/classes/${classId}/words?as=vtt&counts=yes&language=de`);
  const written = [...text.matchAll(/^(\d\d):(\d\d):(\d\d)\.(\d{3}) --> \S+ (\S+)\n(.+)$/gm)].map(
    ([, h, m, s, ms, place, said]) => [
      Number(h) * 3_600_000 + Number(m) * 60_000 + Number(s) * 1000 + Number(ms),
      said,
      // Counts stand at the head, so that they hide no words.
      place === 'line:5%' ? 5 : 'auto',
    ],
  );
  expect(written.length).toBeGreaterThan(20);
  expect(read.map(([start, , said, line]) => [start, said, line])).toEqual(written);
  expect(Math.max(...read.map(([, end]) => Number(end)))).toBeLessThanOrEqual(heardMs);

  // All of it in one file; the class in it comes back as it was.
  const pack = await savedBy(page, 'Save all of it');
  const files = unzipSync(pack.bytes);
  expect(Object.keys(files).sort()).toEqual([
    'README.txt',
    'captions.de.srt',
    'captions.de.vtt',
    'captions.en.srt',
    'captions.en.vtt',
    'chapters.de.vtt',
    'chapters.en.vtt',
    'class.mp3',
    'class.upbeat.json',
    'sheet.pdf',
    'words.de.txt',
    'words.en.txt',
  ]);
  expect(Buffer.from(files['captions.de.vtt'] ?? []).toString()).toBe(text);
  expect(Buffer.from(files['README.txt'] ?? []).toString()).toContain('Stop if anything hurts.');
  const plan = await storedPlan(app, page);
  await page.goto('/classes');
  await page.getByText('Bring a class from a file').click();
  await page.getByLabel('Class file (.upbeat.json)').setInputFiles({
    name: 'class.upbeat.json',
    mimeType: 'application/json',
    buffer: Buffer.from(files['class.upbeat.json'] ?? []),
  });
  await page.getByRole('button', { name: 'Bring it in' }).click();
  await page.waitForURL(/\/classes\/[0-9a-f-]{36}$/);
  expect(page.url()).not.toContain(classId);
  expect(await storedPlan(app, page)).toEqual(plan);
});

test('a class is made for one person by what they carry, and holds no other plan', async ({
  app,
  studio: page,
}) => {
  const { studio_id: studioId } = await app.db('classes').first('studio_id');
  const classId = await createClass(app.db, { studioId }, twoMinutes(), NOON);
  const person = { name: 'Ada', contact: null };
  const of = { person, joinedOn: '2026-01-01', now: NOON };
  const participantId = await addParticipant(app.db, { studioId }, of);
  await book(app.db, { studioId }, { participantId, classId, now: NOON - 1000 });
  const carries = { cautions: '[{"caution":"jaw"}]', cautions_consent_on: '2026-01-01' };
  await app.db('participants').where({ id: participantId }).update(carries);

  await page.goto(`/classes/${classId}`);
  await openTakeAway(page);
  await page.getByLabel('How it is done').selectOption('As Ada may do it');
  const told = page.getByText('Easier, and let go without hands: Long O cheek lift.');
  await expect(told).toBeVisible();
  expect(await axe(page)).toEqual([]);
  const pack = await savedBy(page, 'Save all of it');
  expect(pack.name).toBe('two-minutes-for-ada.zip');
  const files = unzipSync(new Uint8Array(pack.bytes));
  const plan = Buffer.from(files['class.upbeat.json'] ?? []).toString();
  const segments = PHASES.flatMap((phase) =>
    (JSON.parse(plan) as Plan).phases[phase].flatMap((b) => b.segments),
  );
  expect(segments.find((s) => s.move === 'tall-o-cheek-lift')?.variant).toBe('easier');
  expect(segments.find((s) => s.move === 'tall-o-cheek-lift')?.release).toBe(HANDS_FREE_RELEASE);
  const [before] = await app.db('classes').where({ id: classId }).select('plan');
  expect(before.plan).toEqual(twoMinutes());
});

test('three sounds of one teacher are under way at most, of which two are made at once; the others are told', async ({
  app,
  studio: page,
}) => {
  await openNewClass(app, page, 'Asked for often', 10);
  await addMove(page, 'long o cheek');
  await saved(page);
  const classId = page.url().split('/').at(-1);
  // Four at once, of which nobody reads one before all are answered.
  const answers = await page.evaluate(async (id) => {
    const tickets = [1, 2, 3, 4].map(() => crypto.randomUUID());
    const asked = await Promise.all(
      tickets.map((ticket) => fetch(`/api/classes/${id}/audio?as=wav&counts=yes&ticket=${ticket}`)),
    );
    const told = asked.find(({ status }) => status === 429);
    const files = asked.filter(({ ok }) => ok);
    const bytes = await Promise.all(
      files.map(async (file) => (await file.arrayBuffer()).byteLength),
    );
    const look = await fetch(`/api/sounds/${tickets[0]}`);
    return { told: await told?.json(), bytes, look: await look.json() };
  }, classId);
  expect(answers.told).toMatchObject({ code: 'sound-enough' });
  expect(answers.bytes).toHaveLength(3);
  expect(new Set(answers.bytes).size).toBe(1);
  expect(answers.look).toEqual({ state: 'none' });
});

test('what stands in the way of taking a class away is told, and a sound that is made can be stopped', async ({
  app,
  studio: page,
}) => {
  await openNewClass(app, page, 'Not yet', 10);
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Sound, captions, sheet' }).click();
  await expect(page.getByText('This class is still empty.')).toBeVisible();
  await addMove(page, 'long o cheek');
  await openTakeAway(page);
  const path = '**/api/classes/*/audio*';
  // Nothing comes of what is asked for.
  await page.route(path, () => {});
  let howFar: object = { state: 'waiting', before: 2 };
  await page.route('**/api/sounds/*', (route) => route.fulfill({ json: howFar }));
  await page.getByRole('button', { name: 'Save the sound' }).click();
  const progress = page.getByRole('progressbar', { name: 'How far it is' });
  await expect(page.getByText('Waits for its turn: 2 are before it')).toBeVisible();
  await expect(progress).not.toHaveAttribute('value');
  expect(await axe(page)).toEqual([]);
  howFar = { state: 'waiting', before: 0 };
  await expect(page.getByText('Waits for its turn: it is next')).toBeVisible();
  howFar = { state: 'making', share: 0.4 };
  await expect(page.getByText('Being made: 40 %')).toBeVisible();
  await expect(progress).toHaveAttribute('value', '0.4');
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(progress).toBeHidden();
  await expect(page.getByRole('button', { name: 'Save the sound' })).toBeVisible();
  await expect(page.getByRole('dialog').getByRole('alert')).toBeHidden();
  await page.unrouteAll({ behavior: 'ignoreErrors' });
  await page.context().setOffline(true);
  await page.getByRole('button', { name: 'Save the words' }).click();
  await expect(page.getByRole('dialog').getByRole('alert')).toHaveText(
    'Nothing was saved. The server does not answer. Try again in a moment.',
  );
  await page.context().setOffline(false);
  await savedBy(page, 'Save the words');
});
