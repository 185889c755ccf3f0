import { randomUUID } from 'node:crypto';
import { LIBRARY_BOOK } from '@library';
import { describe, expect, it } from 'vitest';
import type { NewRunEvent } from '@/core/run';
import { estimateSpeech, wavOf } from '@/core/speech';
import { appendEvents, closeSession, prepareRun } from '../runs';
import { makeClass, makeStudio, NOON, shortPlan, testDatabase } from '../testing/studio';
import { compileMeasured } from './compile-measured';
import {
  recordedAudio,
  recordingsOf,
  removeRecording,
  type Speaking,
  saveRecording,
} from './recordings';
import {
  chooseSpeech,
  forgetTalk,
  noteTalk,
  speakerOf,
  speechChoice,
  spoken,
  talkOfTeacher,
} from './teacher-speech';

const db = testDatabase();
const RATE = 24_000;
const wav = (seconds: number) =>
  wavOf({ samples: new Float32Array(Math.round(seconds * RATE)).fill(0.1), rate: RATE });

async function teacherOf(studioId: string): Promise<Speaking> {
  const id = randomUUID();
  await db()('teachers').insert({
    id,
    studio_id: studioId,
    email: `${id}@harbour.example`,
    name: 'Tess Teacher',
    password_hash: 'none',
    created_at: new Date(NOON),
  });
  return { id, studioId };
}

const CUE = { language: 'en', text: 'Let the jaw hang.' } as const;
const utterance = { ...CUE, wordsPerMinute: 150 };

describe('recordings', () => {
  it('are found by their words, and a new one takes the place of the old', async () => {
    const teacher = await teacherOf((await makeStudio(db())).studioId);
    await saveRecording(db(), teacher, { ...CUE, wav: wav(2) }, NOON);
    const second = await saveRecording(db(), teacher, { ...CUE, wav: wav(1.5) }, NOON + 1);
    expect(await recordingsOf(db(), teacher)).toEqual([
      { ...CUE, id: second.id, ms: 1500, recordedAt: NOON + 1 },
    ]);
    expect((await recordedAudio(db(), teacher, CUE))?.wav).toEqual(Buffer.from(wav(1.5)));
    expect(await recordedAudio(db(), teacher, { ...CUE, language: 'de' })).toBeUndefined();
    expect(await recordedAudio(db(), teacher, { ...CUE, text: 'Let it hang.' })).toBeUndefined();
  });

  it('belong to one teacher: no colleague and no stranger hears, lists or removes them', async () => {
    const studio = await makeStudio(db());
    const teacher = await teacherOf(studio.studioId);
    const { id } = await saveRecording(db(), teacher, { ...CUE, wav: wav(1) }, NOON);
    const stranger = await teacherOf((await makeStudio(db())).studioId);
    const others = [
      await teacherOf(studio.studioId),
      stranger,
      { id: teacher.id, studioId: stranger.studioId },
    ];
    for (const other of others) {
      expect(await recordingsOf(db(), other)).toEqual([]);
      expect(await recordedAudio(db(), other, CUE)).toBeUndefined();
      await expect(removeRecording(db(), other, id)).rejects.toMatchObject({ code: 'not-found' });
    }
    await removeRecording(db(), teacher, id);
    expect(await recordingsOf(db(), teacher)).toEqual([]);
  });

  it('are refused where they are too long or no sound at all', async () => {
    const teacher = await teacherOf((await makeStudio(db())).studioId);
    const save = (bytes: Uint8Array) => saveRecording(db(), teacher, { ...CUE, wav: bytes }, NOON);
    await expect(save(wav(21))).rejects.toThrow(/20 seconds/);
    await expect(save(Buffer.from('<svg/>'))).rejects.toMatchObject({ code: 'no-wav' });
  });
});

describe('who speaks', () => {
  it('is the teacher where they recorded the words, the chosen voice of the machine where not', async () => {
    const teacher = await teacherOf((await makeStudio(db())).studioId);
    const machine = (await spoken(db(), teacher, utterance))?.mark;
    const { id } = await saveRecording(db(), teacher, { ...CUE, wav: wav(3) }, NOON);
    expect(await spoken(db(), teacher, utterance)).toEqual({ mark: id, wav: Buffer.from(wav(3)) });
    expect(await (await speakerOf(db(), teacher)).length(utterance)).toBe(3000);

    await chooseSpeech(db(), teacher, { voice: 'plain', ownVoice: false });
    expect((await spoken(db(), teacher, utterance))?.mark).toBe(machine);
    expect(await (await speakerOf(db(), teacher)).length(utterance)).not.toBe(3000);
    await chooseSpeech(db(), teacher, { voice: 'deep', ownVoice: false });
    expect(await speechChoice(db(), teacher)).toEqual({ voice: 'deep', ownVoice: false });
    expect((await spoken(db(), teacher, utterance))?.mark).not.toBe(machine);
  });

  it('gives recorded cues the time they take, also on a machine without a voice', async () => {
    const teacher = await teacherOf((await makeStudio(db())).studioId);
    const mute = await compileMeasured(
      shortPlan(),
      LIBRARY_BOOK,
      await speakerOf(db(), teacher, null),
    );
    expect(mute.speech).toBe('estimated');
    const cue = mute.cues.find((c) => c.kind === 'announce');
    const text = cue?.text ?? '';
    await saveRecording(db(), teacher, { language: 'en', text, wav: wav(12) }, NOON);
    const own = await compileMeasured(
      shortPlan(),
      LIBRARY_BOOK,
      await speakerOf(db(), teacher, null),
    );
    expect(own.speech).toBe('mixed');
    const times = own.cues.filter((c) => c.text === text).length;
    const longer = 12_000 - estimateSpeech(text, 'en', 150);
    expect(own.totalMs).toBe(mute.totalMs + times * longer);
  });
});

describe('the talking factor', () => {
  const event = (type: string, at: number) => ({ id: randomUUID(), type, at }) as NewRunEvent;

  it('is learned when a class is closed, once, shown with its classes, and forgotten on demand', async () => {
    const c = await makeClass(db());
    const teacher = await teacherOf(c.studioId);
    expect(await talkOfTeacher(db(), teacher)).toEqual({ factor: 1, classes: 0 });
    const run = await prepareRun(db(), c, { sessionId: c.sessionId, now: NOON });
    const later = NOON + 30 * 60_000;
    const log = [
      event('started', NOON),
      event('paused', NOON + 2000),
      event('resumed', NOON + 62_000),
    ];
    await appendEvents(db(), c, { runId: run.id, drafts: log, now: later });
    const close = () =>
      closeSession(db(), c, {
        sessionId: c.sessionId,
        draft: event('finished', later),
        now: later,
        teacherId: teacher.id,
      });
    await close();
    const learned = await talkOfTeacher(db(), teacher);
    expect(learned.classes).toBe(1);
    expect(learned.factor).toBeGreaterThan(1.02);
    await close();
    expect(await talkOfTeacher(db(), teacher)).toEqual(learned);

    await forgetTalk(db(), teacher);
    await close();
    expect(await talkOfTeacher(db(), teacher)).toEqual({ factor: 1, classes: 0 });
  });

  it('makes upbeats and switches longer and nothing else', async () => {
    const c = await makeClass(db());
    const plain = (await prepareRun(db(), c, { sessionId: c.sessionId, now: NOON })).score;
    const saying = { talkingFactor: 1.3, wordsPerMinute: 180 };
    const slow = (
      await prepareRun(db(), c, { sessionId: c.sessionId, now: NOON, talkingFactor: 1.3 })
    ).score;
    expect(slow.totals.upbeatMs).toBeGreaterThan(plain.totals.upbeatMs * 1.1);
    expect(slow.totals.workMs).toBe(plain.totals.workMs);
    expect(slow.totals.talkMs).toBe(plain.totals.talkMs);
    const quick = (await prepareRun(db(), c, { sessionId: c.sessionId, now: NOON, ...saying }))
      .score;
    expect(quick.wordsPerMinute).toBe(180);
    expect(quick.totals.talkMs).toBeLessThan(plain.totals.talkMs);
  });

  it('is of one teacher', async () => {
    const c = await makeClass(db());
    const [teacher, other] = [await teacherOf(c.studioId), await teacherOf(c.studioId)];
    await noteTalk(db(), teacher, {
      sessionId: c.sessionId,
      cuesMs: 300_000,
      takenMs: 450_000,
      ledAt: NOON,
    });
    expect((await talkOfTeacher(db(), teacher)).factor).toBeGreaterThan(1.2);
    expect((await talkOfTeacher(db(), other)).factor).toBe(1);
    const elsewhere = await makeStudio(db());
    await forgetTalk(db(), { id: teacher.id, studioId: elsewhere.studioId });
    expect((await talkOfTeacher(db(), teacher)).classes).toBe(1);
  });
});
