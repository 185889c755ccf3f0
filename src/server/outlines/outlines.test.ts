import { LIBRARY } from '@library';
import { heavyPlan, planOf } from '@testing/plans';
import { talked } from '@testing/talk';
import { expect, it, vi } from 'vitest';
import type { Plan } from '@/core/class';
import { resolve } from '@/core/class';
import type { Move } from '@/core/move';
import { bandsOf } from '@/core/outline';
import { factorOf } from '@/core/run';
import { compile } from '@/core/score';
import { USUAL_SOUNDS } from '@/core/speech';
import { signInAs, type Teacher, teacherOf } from '../auth/sign-ins';
import { createClass, getClass, savePlan } from '../classes/classes';
import { compileMeasured, outlineOf } from '../compiling/measured';
import { saveOwnMove, studioBook } from '../moves/moves';
import { saveRecording } from '../speech/recordings';
import { chooseSpeech, noteTalk, speakerOf, talkOfTeacher } from '../speech/teacher-speech';
import { makeClass, NOON, testDatabase } from '../testing/studio';
import { hummedWav } from '../testing/wav';
import { log } from '../watch/log';
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
  const bands = bandsOf(compile(plan, book, { talkingFactor }), resolve(plan, book));
  expect(made.bands).toEqual(bands);
  return made;
}

it('keeps outlines as long as they are true, whatever they are made from changes', async () => {
  const c = await makeClass(db());
  const me = await teacherOf(db(), await signInAs(db(), c.teacherId, NOON), NOON);
  const [first] = LIBRARY.filter((move) => move.kind === 'exercise');
  if (!me || !first) throw new Error('no teacher, or no library');
  const own: Move = { ...first, id: 'harbour-hum' };
  await saveOwnMove(db(), me, own, { now: NOON });
  const plan: Plan = planOf([{ move: 'slow-belly-breaths' }]);
  const asText = JSON.stringify(planOf([{ move: first.id }]));
  const withOwn: Plan = JSON.parse(asText.replaceAll(first.id, own.id));
  const id = await createClass(db(), me, plan, NOON);
  const text = first.text.en?.letGo ?? 'Let go.';
  const acts: (() => Promise<unknown>)[] = [
    async () => {},
    () => savePlan(db(), me, { id, plan: withOwn, basedOn: 1, now: NOON }),
    () =>
      chooseSpeech(db(), me, {
        voice: 'deep',
        voices: {},
        ownVoice: true,
        speaksSelf: false,
        deviceVoices: {},
        sounds: USUAL_SOUNDS,
      }),
    () => saveRecording(db(), me, { language: 'en', text, wav: hummedWav() }, NOON),
    () => noteTalk(db(), me, { sessionId: c.sessionId, ledAt: NOON, ...talked(2) }),
    () => saveOwnMove(db(), me, { ...own, kind: 'massage' }, { now: NOON }),
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

async function teacherWith(plan: Plan): Promise<{ me: Teacher; id: string }> {
  const { teacherId } = await makeClass(db());
  const me = await teacherOf(db(), await signInAs(db(), teacherId, NOON), NOON);
  if (!me) throw new Error('no teacher');
  return { me, id: await createClass(db(), me, plan, NOON) };
}

/** The same server after a restart: nothing is in its memory. */
async function restarted(): Promise<typeof outlinesOf> {
  vi.resetModules();
  return (await import('./outlines')).outlinesOf;
}

it('keeps them beside the class over a restart, for this version of it alone', async () => {
  // Without a voice an outline is as exact as it will ever be; with recordings of all it says it is measured.
  const plan = planOf([{ move: 'slow-belly-breaths' }]);
  const { me, id } = await teacherWith(plan);
  const at = { classIds: [id], now: NOON };
  await compileMeasured(plan, await studioBook(db(), me), await speakerOf(db(), me));
  const before = (await outlinesOf(db(), me, at)).get(id);
  expect(before?.measured).toBe(true);
  // What nobody could have worked out shows where it comes from.
  const mark = { ...before, totalMs: 12_345 };
  const row = () => db()('class_outlines').where({ class_id: id, teacher_id: me.id });
  await row().update({ outline: JSON.stringify(mark) });
  expect((await (await restarted())(db(), me, at)).get(id)).toMatchObject(mark);

  await row().update({ made_from: 'another voice' });
  expect((await (await restarted())(db(), me, at)).get(id)).toEqual(before);
  await savePlan(db(), me, { id, plan: { ...plan, name: 'Later' }, basedOn: 1, now: NOON });
  await row().update({ outline: JSON.stringify(mark) });
  expect((await (await restarted())(db(), me, at)).get(id)).toEqual(before);
  await db()('classes').where({ id }).delete();
  expect(await row()).toEqual([]);
});

it('works a heavy class out beside, and more light ones than a list waits for', async () => {
  const { me, id } = await teacherWith(heavyPlan());
  const ids = [id];
  for (let i = 0; i < 24; i++) {
    ids.push(
      await createClass(db(), me, planOf([{ move: 'smile-pulses', rounds: 1 + (i % 5) }]), NOON),
    );
  }
  const asked = { classIds: ids, now: NOON };
  // A list does not wait for all of it; the next looks find what was done since.
  await expect.poll(async () => (await outlinesOf(db(), me, asked)).size).toBe(ids.length);
  const found = await outlinesOf(db(), me, asked);
  for (const one of ids) expect(found.get(one)).toMatchObject(await fresh(me, one));
});

it('is missing of a class that cannot be read, which takes no list along', async () => {
  const c = await makeClass(db());
  const me = await teacherOf(db(), await signInAs(db(), c.teacherId, NOON), NOON);
  if (!me) throw new Error('no teacher');
  const id = await createClass(db(), me, planOf([{ move: 'smile-pulses' }]), NOON);
  await db()('classes')
    .where({ id })
    .update({ plan: db().raw(`jsonb_set(plan, '{slotSeconds}', '-1')`) });
  const warned = vi.spyOn(log(), 'warn').mockReturnValue();
  const all = await outlinesOf(db(), me, { classIds: [id, c.classId], now: NOON });
  expect([...all.keys()]).toEqual([c.classId]);
  expect(warned).toHaveBeenCalledExactlyOnceWith({ class: id }, 'a class cannot be read');
  warned.mockRestore();
});
