import { randomUUID } from 'node:crypto';
import { planOf } from '@testing/plans';
import { describe, expect, it } from 'vitest';
import type { Caution } from '@/core/move';
import type { NewRunEvent } from '@/core/run';
import { signInAs, type Teacher, teacherOf } from '../auth/sign-ins';
import { createClass, getClass, versionsOf } from '../classes/classes';
import { keepCautions } from '../people/carried';
import { book } from '../people/people';
import { answerQuestion, appendEvents, closeSession, prepareRun } from '../runs';
import { setComing } from '../sessions/bookings';
import { getSession, planSession } from '../sessions/sessions';
import { DAY, MINUTE, makeClass, NOON, type TestClass, testDatabase } from '../testing/studio';
import { prepareFor, repairFor, seeNote } from './today';

const db = testDatabase();
const CAPPED = 'forehead-fist-slides';

async function teacherIn(c: TestClass): Promise<Teacher> {
  const me = await teacherOf(db(), await signInAs(db(), c.teacherId, NOON), NOON);
  if (!me) throw new Error('not signed in');
  return me;
}

/** Leads a session and closes it, with what happened in the room. */
async function led(
  c: TestClass,
  {
    classId,
    at,
    came,
    ...more
  }: { classId: string; at: number; came: string[]; room?: NewRunEvent[] },
): Promise<{ sessionId: string; runId: string }> {
  const sessionId = await planSession(db(), c, { classId, startsAt: at, now: at });
  const run = await prepareRun(db(), c, { sessionId, now: at, speaker: null });
  const drafts: NewRunEvent[] = [
    { id: randomUUID(), type: 'started', at },
    ...came.map((participantId): NewRunEvent => {
      return { id: randomUUID(), type: 'marked', at, participantId, mark: 'here' };
    }),
    ...(more.room ?? []),
  ];
  await appendEvents(db(), c, { runId: run.id, drafts, now: at });
  const draft = { id: randomUUID(), at: at + MINUTE };
  await closeSession(db(), c, { sessionId, draft, now: at + MINUTE });
  return { sessionId, runId: run.id };
}

async function withClass(moves: string[]) {
  const c = await makeClass(db());
  const me = await teacherIn(c);
  const plan = planOf(moves.map((move) => ({ move, rounds: 1 })));
  const classId = await createClass(db(), c, plan, NOON - 60 * DAY);
  for (const participantId of [c.ada, c.ben]) {
    await book(db(), c, { participantId, classId, now: NOON - 60 * DAY });
  }
  const sessionId = await planSession(db(), c, { classId, startsAt: NOON, now: NOON - DAY });
  const session = await getSession(db(), c, sessionId);
  const prepared = () => prepareFor(db(), me, { session, now: NOON - DAY });
  return { c, me, classId, sessionId, prepared };
}

describe('before a session', () => {
  it('says who comes for the first time, and not who said that they cannot', async () => {
    const { c, classId, sessionId, prepared } = await withClass(['chin-over-shoulder']);
    await led(c, { classId, at: NOON - 7 * DAY, came: [c.ada] });
    const before = await prepared();
    expect(before.who).toEqual([
      { says: 'for the first time', people: [{ participantId: c.ben, name: 'Ben' }] },
    ]);
    expect(before.others).toBe(1);
    await setComing(db(), c, { sessionId, participantId: c.ben, coming: false, now: NOON - DAY });
    expect((await prepared()).who).toEqual([]);
  });

  it('names what somebody must not do, and one press repairs it for all, as Compose would', async () => {
    const { c, me, classId, sessionId, prepared } = await withClass([
      'tall-o-cheek-lift',
      'chin-over-shoulder',
    ]);
    await keepCautions(db(), c, {
      participantId: c.ada,
      cautions: [{ caution: 'jaw' }],
      consentOn: '2026-11-01',
    });
    const must = (await prepared()).findings.find((f) => f.check === 'person-caution');
    if (!must) throw new Error('the caution is not told');
    expect(must.says).toMatch(/^1 person should/);
    const press = () => repairFor(db(), me, { sessionId, key: must.key, now: NOON });
    expect(await press()).toBe(`Done: ${must.repair?.label}.`);
    expect((await prepared()).findings.map((f) => f.key)).not.toContain(must.key);
    expect((await getClass(db(), c, classId)).version).toBe(2);
    expect((await versionsOf(db(), c, classId)).map((v) => v.version)).toEqual([2, 1]);
    await expect(press()).rejects.toMatchObject({ code: 'settled-already' });
    const other = await teacherIn(await makeClass(db()));
    await expect(
      repairFor(db(), other, { sessionId, key: must.key, now: NOON }),
    ).rejects.toMatchObject({ code: 'not-found' });
  });

  it('repairs nothing for one session that would harm somebody who comes to the next', async () => {
    /** What is done for Ada while Ben is away, with what he carries. */
    const doneWith = async (ben: Caution[]): Promise<string> => {
      const { c, me, sessionId, prepared } = await withClass(['anchored-tongue-curl']);
      const keep = (participantId: string, all: Caution[]) => {
        const cautions = all.map((caution) => ({ caution }));
        return keepCautions(db(), c, { participantId, cautions, consentOn: '2026-11-01' });
      };
      await keep(c.ada, ['skin']);
      await keep(c.ben, ben);
      const away = { sessionId, participantId: c.ben, coming: false, now: NOON - DAY };
      await setComing(db(), c, away);
      const must = (await prepared()).findings.find((f) => f.repair?.label.startsWith('Swap'));
      if (!must) throw new Error('nothing is to be swapped');
      return repairFor(db(), me, { sessionId, key: must.key, now: NOON });
    };
    expect(await doneWith([])).toMatch(/^Done: Swap for Opening and closing, looking/);
    expect(await doneWith(['jaw'])).toBe('Done: Take it out.');
  });

  it('does not let somebody do in two classes of a week what is enough once', async () => {
    const { c, prepared } = await withClass([CAPPED]);
    const other = await createClass(db(), c, planOf([{ move: CAPPED, rounds: 1 }]), NOON);
    const told = async () =>
      (await prepared()).findings.filter((f) => f.check === 'done-this-week').map((f) => f.says);
    // Sunday evening in Dublin is the week before; Monday morning is this one. NOON is a Tuesday.
    await led(c, { classId: other, at: NOON - 2 * DAY + 6 * 60 * MINUTE, came: [c.ada] });
    expect(await told()).toEqual([]);
    await led(c, { classId: other, at: NOON - DAY - 4 * 60 * MINUTE, came: [c.ada] });
    expect(await told()).toEqual([expect.stringMatching(/: 1 person did it this week already$/)]);
  });

  it('shows the questions of the last meeting until they are answered, and notes until they are seen', async () => {
    const { c, me, classId, prepared } = await withClass(['chin-over-shoulder']);
    const at = NOON - 7 * DAY;
    const room: NewRunEvent[] = [
      { id: randomUUID(), type: 'parked', at, note: 'Why the neck?' },
      {
        id: randomUUID(),
        type: 'corrected',
        at,
        participantId: c.ada,
        moveId: 'chin-over-shoulder',
        note: 'turns too far',
      },
    ];
    const { runId } = await led(c, { classId, at, came: [c.ada], room });
    const { parked, notes } = await prepared();
    const [question] = parked;
    const [note] = notes;
    if (!question || !note) throw new Error('nothing is left of the last meeting');
    expect(question).toMatchObject({ runId, note: 'Why the neck?' });
    expect(note).toMatchObject({ name: 'Ada', note: 'turns too far' });
    const other = await makeClass(db());
    const asked = { runId, id: question.id, now: NOON };
    await expect(answerQuestion(db(), other, asked)).rejects.toMatchObject({ code: 'not-found' });
    await expect(
      answerQuestion(db(), me, { ...asked, id: room[1]?.id ?? '' }),
    ).rejects.toMatchObject({ code: 'not-found' });
    await expect(seeNote(db(), other, { id: note.id, now: NOON })).rejects.toMatchObject({
      code: 'not-found',
    });
    await answerQuestion(db(), me, asked);
    await answerQuestion(db(), me, asked);
    await seeNote(db(), me, { id: note.id, now: NOON });
    expect(await prepared()).toMatchObject({ parked: [], notes: [] });
    // The note stays with the person, for the stage and the register.
    expect(await db()('form_notes').where({ participant_id: c.ada })).toHaveLength(1);
  });
});
