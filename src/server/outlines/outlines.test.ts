import { LIBRARY } from '@library';
import { planOf } from '@testing/plans';
import { talked } from '@testing/talk';
import { expect, it } from 'vitest';
import type { Plan } from '@/core/class';
import { resolve } from '@/core/class';
import type { Move } from '@/core/move';
import { bandsOf } from '@/core/outline';
import { factorOf } from '@/core/run';
import { signInAs, type Teacher, teacherOf } from '../auth/sign-ins';
import { createClass, getClass, savePlan } from '../classes/classes';
import { saveOwnMove, studioBook } from '../moves/moves';
import { outlineOf } from '../speech/compile-measured';
import { saveRecording } from '../speech/recordings';
import { chooseSpeech, noteTalk, speakerOf, talkOfTeacher } from '../speech/teacher-speech';
import { makeClass, NOON, testDatabase } from '../testing/studio';
import { hummedWav } from '../testing/wav';
import { outlinesOf } from './outlines';

const db = testDatabase();

/** The outline of a class made anew, with nothing kept. */
async function fresh(teacher: Teacher, classId: string) {
  const [{ plan }, book, talk, speaker] = await Promise.all([
    getClass(db(), teacher, classId),
    studioBook(db(), teacher),
    talkOfTeacher(db(), teacher),
    speakerOf(db(), teacher),
  ]);
  const talkingFactor = factorOf(talk, plan.rules.say);
  const made = await outlineOf(plan, book, speaker, { talkingFactor });
  const bands = bandsOf(made.score, resolve(plan, book));
  return { totalMs: made.totalMs, measured: made.measured, bands };
}

it('keeps outlines as long as they are true, whatever they are made from changes', async () => {
  const c = await makeClass(db());
  const me = await teacherOf(db(), await signInAs(db(), c.teacherId, NOON), NOON);
  const [first] = LIBRARY.filter((move) => move.kind === 'exercise');
  if (!me || !first) throw new Error('no teacher, or no library');
  const own: Move = { ...first, id: 'harbour-hum' };
  await saveOwnMove(db(), me, own, NOON);
  const plan: Plan = planOf([{ move: 'slow-belly-breaths' }]);
  const asText = JSON.stringify(planOf([{ move: first.id }]));
  const withOwn: Plan = JSON.parse(asText.replaceAll(first.id, own.id));
  const id = await createClass(db(), me, plan, NOON);
  const text = first.text.en?.letGo ?? 'Let go.';
  const acts: (() => Promise<unknown>)[] = [
    async () => {},
    () => savePlan(db(), me, { id, plan: withOwn, basedOn: 1, now: NOON }),
    () => chooseSpeech(db(), me, { voice: 'deep', ownVoice: true, speaksSelf: false }),
    () => saveRecording(db(), me, { language: 'en', text, wav: hummedWav() }, NOON),
    () => noteTalk(db(), me, { sessionId: c.sessionId, ledAt: NOON, ...talked(2) }),
    () => saveOwnMove(db(), me, { ...own, kind: 'massage' }, NOON),
    async () =>
      (await speakerOf(db(), me)).length({ text: 'Look.', language: 'en', wordsPerMinute: 150 }),
  ];
  for (const [i, act] of acts.entries()) {
    await act();
    for (const _ of ['made', 'kept']) {
      const all = await outlinesOf(db(), me, { classIds: [id, id], now: NOON });
      expect([i, all.size]).toEqual([i, 1]);
      expect([i, all.get(id)]).toEqual([i, expect.objectContaining(await fresh(me, id))]);
    }
  }
});

it('has nothing of another studio', async () => {
  const [c, other] = [await makeClass(db()), await makeClass(db())];
  const me = await teacherOf(db(), await signInAs(db(), c.teacherId, NOON), NOON);
  if (!me) throw new Error('no teacher');
  const all = await outlinesOf(db(), me, { classIds: [c.classId, other.classId], now: NOON });
  expect([...all.keys()]).toEqual([c.classId]);
});
