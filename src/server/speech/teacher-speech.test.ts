import { randomUUID } from 'node:crypto';
import { talked } from '@testing/talk';
import { describe, expect, it } from 'vitest';
import { changeRules } from '@/core/class';
import { factorOf, type NewRunEvent } from '@/core/run';
import { CUE_GAP_MS } from '@/core/score';
import { estimateSpeech, USUAL_SOUNDS, wavOf } from '@/core/speech';
import { getClass, savePlan } from '../classes/classes';
import { bookOf } from '../compiling/book';
import { compileMeasured } from '../compiling/measured';
import { appendEvents, closeSession, prepareRun } from '../runs';
import { planSession } from '../sessions/sessions';
import {
  DAY,
  makeClass,
  makeStudio,
  makeTeacher,
  NOON,
  shortPlan,
  testDatabase,
} from '../testing/studio';
import {
  MOST_RECORDINGS,
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

const BOOK = bookOf('me', []);

const db = testDatabase();
const RATE = 24_000;
const wav = (seconds: number) =>
  wavOf({ samples: new Float32Array(Math.round(seconds * RATE)).fill(0.1), rate: RATE });

const teacherOf = (studioId: string): Promise<Speaking> => makeTeacher(db(), studioId);

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

  it('are so many at most; one that is recorded anew takes no more place', async () => {
    const teacher = await teacherOf((await makeStudio(db())).studioId);
    const rows = Array.from({ length: MOST_RECORDINGS - 1 }, (_, i) => ({
      id: randomUUID(),
      studio_id: teacher.studioId,
      teacher_id: teacher.id,
      language: 'en',
      text: `Cue ${i}.`,
      ms: 1000,
      wav: Buffer.from(wav(0.01)),
      recorded_at: new Date(NOON),
    }));
    await db()('recordings').insert(rows);
    await saveRecording(db(), teacher, { ...CUE, wav: wav(1) }, NOON);
    await saveRecording(db(), teacher, { ...CUE, wav: wav(1) }, NOON);
    const more = saveRecording(db(), teacher, { ...CUE, text: 'One more.', wav: wav(1) }, NOON);
    await expect(more).rejects.toMatchObject({ code: 'too-many-recordings' });
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

    await chooseSpeech(db(), teacher, {
      voice: 'plain',
      voices: {},
      ownVoice: false,
      speaksSelf: false,
      deviceVoices: {},
      sounds: USUAL_SOUNDS,
    });
    expect((await spoken(db(), teacher, utterance))?.mark).toBe(machine);
    expect(await (await speakerOf(db(), teacher)).length(utterance)).not.toBe(3000);
    await chooseSpeech(db(), teacher, {
      voice: 'deep',
      voices: {},
      ownVoice: false,
      speaksSelf: false,
      deviceVoices: {},
      sounds: USUAL_SOUNDS,
    });
    expect(await speechChoice(db(), teacher)).toEqual({
      voice: 'deep',
      voices: {},
      ownVoice: false,
      speaksSelf: false,
      deviceVoices: {},
      sounds: USUAL_SOUNDS,
    });
    expect((await spoken(db(), teacher, utterance))?.mark).not.toBe(machine);
  });

  it('gives recorded cues the time they take, also on a machine without a voice', async () => {
    const teacher = await teacherOf((await makeStudio(db())).studioId);
    const mute = await compileMeasured(shortPlan(), BOOK, await speakerOf(db(), teacher, null));
    expect(mute.speech).toBe('estimated');
    const cue = mute.cues.find((c) => c.kind === 'announce');
    const text = cue?.text ?? '';
    await saveRecording(db(), teacher, { language: 'en', text, wav: wav(12) }, NOON);
    const own = await compileMeasured(shortPlan(), BOOK, await speakerOf(db(), teacher, null));
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
    expect(await talkOfTeacher(db(), teacher)).toEqual({ self: false, samples: [] });
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
    expect(learned.samples).toMatchObject([{ say: 'all', self: false, leftOutMs: 0 }]);
    expect(factorOf(learned, 'all')).toBeGreaterThan(1.02);
    await close();
    expect(await talkOfTeacher(db(), teacher)).toEqual(learned);

    await forgetTalk(db(), teacher);
    await close();
    expect(await talkOfTeacher(db(), teacher)).toEqual({ self: false, samples: [] });
  });

  it('makes upbeats and switches longer and nothing else', async () => {
    const c = await makeClass(db());
    const plain = (await prepareRun(db(), c, { sessionId: c.sessionId, now: NOON })).score;
    const talk = { self: false, samples: [talked(1.5), talked(1.5)] };
    const slow = (await prepareRun(db(), c, { sessionId: c.sessionId, now: NOON, talk })).score;
    expect(slow.totals.upbeatMs).toBeGreaterThan(plain.totals.upbeatMs * 1.1);
    expect(slow.totals.workMs).toBe(plain.totals.workMs);
    expect(slow.totals.talkMs).toBe(plain.totals.talkMs);
    const saying = { talk, wordsPerMinute: 180 };
    const quick = (await prepareRun(db(), c, { sessionId: c.sessionId, now: NOON, ...saying }))
      .score;
    expect(quick.wordsPerMinute).toBe(180);
    expect(quick.totals.talkMs).toBeLessThan(plain.totals.talkMs);
  });

  it('is of one teacher', async () => {
    const c = await makeClass(db());
    const [teacher, other] = [await teacherOf(c.studioId), await teacherOf(c.studioId)];
    await noteTalk(db(), teacher, { sessionId: c.sessionId, ledAt: NOON, ...talked(1.5) });
    expect((await talkOfTeacher(db(), teacher)).samples).toEqual([talked(1.5)]);
    expect((await talkOfTeacher(db(), other)).samples).toEqual([]);
    const elsewhere = await makeStudio(db());
    await forgetTalk(db(), { id: teacher.id, studioId: elsewhere.studioId });
    expect((await talkOfTeacher(db(), teacher)).samples).toHaveLength(1);
  });

  it('falls below 1 once a teacher says the words of a short class in fewer, with the voice silent', async () => {
    const c = await makeClass(db());
    const teacher = await teacherOf(c.studioId);
    const { plan } = await getClass(db(), c, c.classId);
    const short = changeRules(plan, { say: 'short' });
    await savePlan(db(), c, { id: c.classId, plan: short, basedOn: 1, now: NOON });
    await chooseSpeech(db(), teacher, {
      voice: 'plain',
      voices: {},
      ownVoice: true,
      speaksSelf: true,
      deviceVoices: {},
      sounds: USUAL_SOUNDS,
    });
    const prepared = async (sessionId: string, now: number) =>
      prepareRun(db(), c, { sessionId, now, talk: await talkOfTeacher(db(), teacher) });
    const run = await prepared(c.sessionId, NOON);
    expect(run.score.words).toEqual({ say: 'short', self: true });
    // They go on as soon as three quarters of what is to be said before each work is over.
    const said = (step: number) =>
      run.score.cues
        .filter((cue) => cue.step === step && cue.kind !== 'countIn')
        .reduce((sum, cue) => sum + cue.durationMs + CUE_GAP_MS, 0);
    let at = NOON;
    const log = [event('started', at)];
    for (const [i, { kind, durationMs }] of run.score.steps.entries()) {
      const early = kind === 'upbeat' && said(i) > 2000;
      at += early ? Math.round(durationMs - said(i) / 4) : durationMs;
      if (early) log.push(event('next', at));
    }
    await appendEvents(db(), c, { runId: run.id, drafts: log, now: at });
    const draft = event('finished', at);
    await closeSession(db(), c, { sessionId: c.sessionId, draft, now: at, teacherId: teacher.id });
    const talk = await talkOfTeacher(db(), teacher);
    expect(talk.samples).toMatchObject([{ say: 'short', self: true }]);
    expect(factorOf(talk, 'short')).toBeLessThan(1);
    expect(factorOf(talk, 'all')).toBe(1);
    const next = await planSession(db(), c, { classId: c.classId, startsAt: at + DAY, now: at });
    const shorter = await prepared(next, at);
    expect(shorter.score.talkingFactor).toBe(factorOf(talk, 'short'));
    expect(shorter.score.totalMs).toBeLessThan(run.score.totalMs);
  });
});
