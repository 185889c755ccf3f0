import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { emptyPlan } from '@/core/class';
import { newClassOf } from '@/core/studio';
import { signIn, signInAs, type Teacher, teacherOf } from '../auth/sign-ins';
import { getClass } from '../classes/classes';
import { appendEvents, closeSession, prepareRun, runOfSession } from '../runs';
import { awaitedToCome } from '../sessions/bookings';
import { roll } from '../sessions/register';
import { planSession } from '../sessions/sessions';
import { recordingsOf, saveRecording } from '../speech/recordings';
import { DAY, makeClass, makeStudio, NOON, PASSWORD, testDatabase } from '../testing/studio';
import { untilAwaited } from '../testing/waiting';
import { hummedWav } from '../testing/wav';
import { lettersOf, MOST_LETTERS, writeLetter, writeLetters } from './letters';
import { findLink, makeLink, spendLink } from './links';
import {
  makeStudio as begin,
  changeStudio,
  deleteStudio,
  forgetOld,
  ledNow,
  olderThan,
  refuseWhileLed,
  studioSettings,
} from './studios';
import {
  changeEmail,
  changeName,
  changePassword,
  changeRole,
  confirmPassword,
  invite,
  invitedTo,
  join,
  leadsToCome,
  MOST_TEACHERS,
  removeTeacher,
  resetAddress,
  resetPassword,
  teachersOf,
  withdraw,
} from './teachers';

const db = testDatabase();
const address = '127.0.0.1';
const HOUR = 3_600_000;
const someone = () => `${randomUUID()}@example.org`;
const tokenIn = (url: string | null) => url?.split('/').at(-1) ?? '';

/** A studio as its first owner sees it, signed in. */
async function owned(): Promise<Teacher> {
  const { email } = await makeStudio(db());
  return signedIn(email);
}

async function signedIn(email: string, password = PASSWORD, now = NOON): Promise<Teacher> {
  const answer = await signIn(db(), { email, password, address }, now);
  const teacher = answer.ok ? await teacherOf(db(), answer.token, now) : null;
  if (!teacher) throw new Error('not signed in');
  return teacher;
}

/** An owner and somebody who joined by invitation. */
async function two() {
  const owner = await owned();
  const email = someone();
  const token = tokenIn(await invite(db(), owner, { email, role: 'teacher', now: NOON }));
  const account = { name: 'Second', email, password: PASSWORD };
  const id = await join(db(), { token, account, now: NOON });
  return { owner, second: await signedIn(email), id, token, account };
}

describe('making a studio', () => {
  it('gives it an owner who can sign in, and its settings', async () => {
    const email = someone();
    const newClass = newClassOf({ ...emptyPlan('x', 600), language: 'de' });
    const studio = { studioName: 'Hall', timeZone: 'Pacific/Auckland', name: 'Mo', newClass };
    await begin(db(), { ...studio, email, password: PASSWORD }, NOON);
    const me = await signedIn(email);
    expect(me).toMatchObject({ name: 'Mo', role: 'owner', studioName: 'Hall' });
    expect(await studioSettings(db(), me)).toEqual({
      name: 'Hall',
      timeZone: 'Pacific/Auckland',
      newClass,
      retention: { runsMonths: null, recordingsMonths: null },
    });
    await expect(begin(db(), { ...studio, email, password: PASSWORD }, NOON)).rejects.toMatchObject(
      { code: 'email-taken' },
    );
  });

  it('changes what is named and leaves the rest', async () => {
    const me = await owned();
    await changeStudio(db(), me, { retention: { runsMonths: 12, recordingsMonths: null } });
    await changeStudio(db(), me, { name: 'Renamed' });
    expect(await studioSettings(db(), me)).toMatchObject({
      name: 'Renamed',
      timeZone: 'Europe/Dublin',
      retention: { runsMonths: 12, recordingsMonths: null },
    });
  });
});

describe('a link', () => {
  it('works once, also for two who use it at the same time', async () => {
    const token = await makeLink(db(), 'begin', { of: {}, now: NOON });
    const tries = await Promise.allSettled(
      Array.from({ length: 5 }, () => spendLink(db(), 'begin', { token, now: NOON })),
    );
    expect(tries.filter((t) => t.status === 'fulfilled')).toHaveLength(1);
    expect(await findLink(db(), 'begin', { token, now: NOON })).toBeNull();
  });

  it('runs out, is for one thing only, and only its hash is kept', async () => {
    const token = await makeLink(db(), 'begin', { of: {}, now: NOON });
    const at = (now: number) => findLink(db(), 'begin', { token, now });
    expect(await at(NOON + 7 * DAY - 1)).not.toBeNull();
    expect(await at(NOON + 7 * DAY)).toBeNull();
    expect(await findLink(db(), 'join', { token, now: NOON })).toBeNull();
    expect(JSON.stringify(await db()('links').select())).not.toContain(token);
  });
});

describe('teachers', () => {
  it('join by a letter, share the studio, and the link is spent', async () => {
    const { owner, second, token, account } = await two();
    expect(second).toMatchObject({ studioId: owner.studioId, role: 'teacher' });
    const [letter] = await lettersOf(db(), owner);
    expect(letter?.body).toContain(token);
    const again = { token, account: { ...account, email: someone() }, now: NOON };
    await expect(join(db(), again)).rejects.toMatchObject({ code: 'link-spent' });
    expect(await invitedTo(db(), owner, NOON)).toEqual([]);
  });

  it('can try again with another email, since a refused account does not spend the link', async () => {
    const owner = await owned();
    const taken = (await makeStudio(db())).email;
    const token = tokenIn(
      await invite(db(), owner, { email: someone(), role: 'owner', now: NOON }),
    );
    const account = { name: 'Late', email: taken, password: PASSWORD };
    await expect(join(db(), { token, account, now: NOON })).rejects.toMatchObject({
      code: 'email-taken',
    });
    const email = someone();
    await join(db(), { token, account: { ...account, email }, now: NOON });
    expect(await signedIn(email)).toMatchObject({ role: 'owner' });
  });

  it('are invited by the newest letter alone, and not once it was taken back', async () => {
    const owner = await owned();
    const email = someone();
    const ask = () => invite(db(), owner, { email, role: 'teacher', now: NOON });
    const [first, newer] = [tokenIn(await ask()), tokenIn(await ask())];
    const found = async (token: string) =>
      (await findLink(db(), 'join', { token, now: NOON })) !== null;
    expect([await found(first), await found(newer)]).toEqual([false, true]);
    const [waiting, ...others] = await invitedTo(db(), owner, NOON);
    expect(others).toEqual([]);
    await withdraw(db(), await owned(), { id: waiting?.id ?? '' });
    expect(await found(newer)).toBe(true);
    await withdraw(db(), owner, { id: waiting?.id ?? '' });
    expect(await found(newer)).toBe(false);
  });

  it('are so many at most', async () => {
    const owner = await owned();
    await db()('teachers').insert(
      Array.from({ length: MOST_TEACHERS - 1 }, () => ({
        id: randomUUID(),
        studio_id: owner.studioId,
        email: someone(),
        name: 'One of many',
        password_hash: 'none',
        created_at: new Date(NOON),
      })),
    );
    await expect(
      invite(db(), owner, { email: someone(), role: 'teacher', now: NOON }),
    ).rejects.toThrow(/50 teachers at most/);
  });

  it('are removed with their sign-ins; their classes stay', async () => {
    const c = await makeClass(db());
    const owner = await signedIn(c.email);
    const email = someone();
    const token = tokenIn(await invite(db(), owner, { email, role: 'teacher', now: NOON }));
    const id = await join(db(), {
      token,
      account: { name: 'Gone', email, password: PASSWORD },
      now: NOON,
    });
    const session = await signInAs(db(), id, NOON);
    await expect(removeTeacher(db(), await owned(), { id, now: NOON })).rejects.toMatchObject({
      code: 'not-found',
    });
    // Before that it is known whom they leave without a leader: sessions to come alone.
    for (const [hours, status] of [
      [-1, 'planned'],
      [1, 'planned'],
      [2, 'planned'],
      [3, 'cancelled'],
    ] as const) {
      const of = { classId: c.classId, startsAt: NOON + hours * HOUR, now: NOON };
      const led = await planSession(db(), c, of);
      await db()('sessions').where({ id: led }).update({ teacher_id: id, status });
    }
    expect(await leadsToCome(db(), owner, NOON)).toEqual(new Map([[id, 2]]));
    const toThem = async () => (await lettersOf(db(), owner)).filter((l) => l.recipient === email);
    const before = (await toThem()).length;
    await removeTeacher(db(), owner, { id, now: NOON });
    const [letter, ...others] = await toThem();
    expect(others).toHaveLength(before);
    expect(letter?.body).toMatch(`${owner.name} removed your account at ${owner.studioName}`);
    expect(await leadsToCome(db(), owner, NOON)).toEqual(new Map());
    expect(await awaitedToCome(db(), owner, NOON)).toBe(2);
    expect(await awaitedToCome(db(), owner, NOON + 3 * HOUR)).toBe(0);
    expect(await teacherOf(db(), session, NOON)).toBeNull();
    expect((await teachersOf(db(), owner)).map((t) => t.id)).toEqual([owner.id]);
    expect((await getClass(db(), owner, c.classId)).id).toBe(c.classId);
  });

  it('are not written to about what they do themselves', async () => {
    const { owner, id } = await two();
    await changeRole(db(), owner, { id, role: 'owner' });
    const before = await lettersOf(db(), owner);
    await removeTeacher(db(), owner, { id: owner.id, now: NOON });
    expect(await lettersOf(db(), owner)).toEqual(before);
  });

  it('are not taken their class away in the middle of it, and neither is the studio', async () => {
    const c = await makeClass(db());
    const owner = await signedIn(c.email);
    const email = someone();
    const token = tokenIn(await invite(db(), owner, { email, role: 'teacher', now: NOON }));
    const account = { name: 'Second', email, password: PASSWORD };
    const id = await join(db(), { token, account, now: NOON });
    const of = { sessionId: c.sessionId, now: NOON, speaker: null, teacherId: id };
    const { id: runId } = await prepareRun(db(), c, of);
    const refused = {
      code: 'leads-now',
      message: expect.stringMatching(/led at this moment by Second\./),
    };
    await refuseWhileLed(db(), owner, { now: NOON });
    const drafts = [{ id: randomUUID(), type: 'started' as const, at: NOON }];
    await appendEvents(db(), c, { runId, drafts, now: NOON });
    const remove = (now: number) => removeTeacher(db(), owner, { id, now });
    await expect(remove(NOON + HOUR)).rejects.toMatchObject(refused);
    expect((await lettersOf(db(), owner)).map((l) => l.body).join()).not.toContain('removed');
    await expect(refuseWhileLed(db(), owner, { now: NOON })).rejects.toMatchObject(refused);
    await refuseWhileLed(db(), owner, { teacherId: owner.id, now: NOON });
    const led = { by: 'Second', className: (await getClass(db(), c, c.classId)).plan.name };
    expect(await ledNow(db(), owner, { teacherId: id, now: NOON })).toEqual(led);
    await refuseWhileLed(db(), await owned(), { now: NOON });
    // What was left standing is in nobody's hands.
    await refuseWhileLed(db(), owner, { now: NOON + 5 * HOUR });
    const draft = { id: randomUUID(), at: NOON + HOUR };
    await closeSession(db(), c, { sessionId: c.sessionId, draft, now: NOON + HOUR });
    await remove(NOON + HOUR);
    expect((await teachersOf(db(), owner)).map((t) => t.id)).toEqual([owner.id]);
  });

  it('leave an owner behind, whatever is done, also at the same time', async () => {
    const act = fc.record({
      what: fc.constantFrom('remove' as const, 'owner' as const, 'teacher' as const),
      who: fc.nat(2),
    });
    await fc.assert(
      fc.asyncProperty(fc.array(act, { minLength: 1, maxLength: 6 }), async (acts) => {
        const { owner, id } = await two();
        const ids = [owner.id, id, randomUUID()];
        await Promise.allSettled(
          acts.map(({ what, who }) =>
            what === 'remove'
              ? removeTeacher(db(), owner, { id: ids[who] ?? '', now: NOON })
              : changeRole(db(), owner, { id: ids[who] ?? '', role: what }),
          ),
        );
        const left = await teachersOf(db(), owner);
        expect(left.filter((t) => t.role === 'owner').length).toBeGreaterThan(0);
      }),
      { numRuns: 12 },
    );
  });
});

describe('an account', () => {
  const newClass = newClassOf({ ...emptyPlan('x', 600), language: 'de' });
  const studio = {
    studioName: 'Hall',
    timeZone: 'Pacific/Auckland',
    name: 'Mo',
    newClass,
    password: PASSWORD,
  };
  it.each<[string, (email: string, me: Teacher) => Promise<unknown>]>([
    ['changes to it', (email, me) => changeEmail(db(), me, { email, now: NOON })],
    ['makes a studio', (email) => begin(db(), { ...studio, email }, NOON)],
    [
      'joins',
      async (email, me) => {
        const now = NOON;
        const token = tokenIn(await invite(db(), me, { email: someone(), role: 'teacher', now }));
        return join(db(), { token, account: { ...studio, email }, now });
      },
    ],
  ])('an email that somebody else takes at the same instant is taken: who %s', async (_, takes) => {
    const [me, other] = [await owned(), await owned()];
    const email = someone();
    const taking = await db().transaction();
    try {
      await changeEmail(taking, other, { email, now: NOON });
      const answer = expect(takes(email, me)).rejects.toMatchObject({ code: 'email-taken' });
      await untilAwaited(db(), taking);
      await taking.commit();
      await answer;
    } finally {
      if (!taking.isCompleted()) await taking.rollback();
    }
  });

  it('changes its name and email, but to no email that somebody has', async () => {
    const me = await owned();
    const other = await owned();
    const [{ email: taken } = { email: '' }] = await teachersOf(db(), other);
    const to = (email: string) => changeEmail(db(), me, { email, now: NOON });
    await expect(to(taken)).rejects.toMatchObject({ code: 'email-taken' });
    const email = someone();
    await changeName(db(), me, 'New Name');
    await to(email);
    await to(email);
    expect(await signedIn(email)).toMatchObject({ id: me.id, name: 'New Name' });
  });

  it('tells the address before of another one, once, and of a new password', async () => {
    const me = await owned();
    const [{ email: before } = { email: '' }] = await teachersOf(db(), me);
    const email = someone();
    await changeEmail(db(), me, { email, now: NOON });
    await changeEmail(db(), me, { email, now: NOON });
    await changePassword(db(), me.id, { password: 'another long one', now: NOON + 1 });
    const token = tokenIn(await resetAddress(db(), { email, now: NOON }));
    await resetPassword(db(), { token, password: 'chosen by a link', now: NOON + 2 });
    const told = (await lettersOf(db(), me)).map((l) => [l.recipient, l.subject]);
    expect(told.reverse()).toEqual([
      [before, 'Your email for Up Beat was changed'],
      [email, 'Your password for Up Beat was changed'],
      [email, 'Your password for Up Beat was changed'],
    ]);
  });

  it('is not got into by a link to a new password from before its email or its password changed', async () => {
    const me = await owned();
    const [{ email } = { email: '' }] = await teachersOf(db(), me);
    const link = async (to: string) => tokenIn(await resetAddress(db(), { email: to, now: NOON }));
    const refused = (token: string) =>
      expect(
        resetPassword(db(), { token, password: 'chosen by a link', now: NOON }),
      ).rejects.toMatchObject({ code: 'link-spent' });
    const first = await link(email);
    const next = someone();
    await changeEmail(db(), me, { email: next, now: NOON });
    await refused(first);
    const second = await link(next);
    await changePassword(db(), me.id, { password: 'another long one', now: NOON });
    await refused(second);
    expect(await signedIn(next, 'another long one')).toMatchObject({ id: me.id });
  });

  it('asks for the password before what matters, and counts wrong ones', async () => {
    const me = await owned();
    const ask = (password: string) => confirmPassword(db(), me, { password, address, now: NOON });
    await ask(PASSWORD);
    for (let i = 0; i < 5; i++) {
      await expect(ask('wrong')).rejects.toMatchObject({ code: 'wrong-password' });
    }
    await expect(ask(PASSWORD)).rejects.toMatchObject({ code: 'too-many-tries' });
  });

  it('signs all devices out when its password changes', async () => {
    const me = await owned();
    const before = await signInAs(db(), me.id, NOON);
    await changePassword(db(), me.id, { password: 'another long one', now: NOON });
    expect(await teacherOf(db(), before, NOON)).toBeNull();
    const [{ email } = { email: '' }] = await teachersOf(db(), me);
    expect((await signIn(db(), { email, password: PASSWORD, address }, NOON)).ok).toBe(false);
    expect(await signedIn(email, 'another long one')).toMatchObject({ id: me.id });
  });

  it('gets a new password by a link, the newest one, within an hour, once', async () => {
    const me = await owned();
    const [{ email } = { email: '' }] = await teachersOf(db(), me);
    expect(await resetAddress(db(), { email: someone(), now: NOON })).toBeNull();
    const older = tokenIn(await resetAddress(db(), { email, now: NOON }));
    const token = tokenIn(await resetAddress(db(), { email, now: NOON }));
    const set = (by: string, now: number) =>
      resetPassword(db(), { token: by, password: 'chosen by a link', now });
    await expect(set(older, NOON)).rejects.toMatchObject({ code: 'link-spent' });
    await expect(set(token, NOON + HOUR)).rejects.toMatchObject({ code: 'link-spent' });
    expect(await set(token, NOON + HOUR - 1)).toBe(me.id);
    await expect(set(token, NOON)).rejects.toMatchObject({ code: 'link-spent' });
    expect(await signedIn(email, 'chosen by a link')).toMatchObject({ id: me.id });
  });
});

describe('letters', () => {
  const letter = { recipient: 'a@example.org', subject: 'S', body: 'B' };

  it('wait for their owners, and say whether a mail server took them', async () => {
    const me = await owned();
    const sent: string[] = [];
    await writeLetter(db(), me, { letter, now: NOON });
    const takes = async ({ body }: typeof letter) => void sent.push(body);
    const secret = { ...letter, body: 'a link', keptAs: 'not kept' };
    await writeLetter(db(), me, { letter: secret, now: NOON + 1, post: takes });
    const fails = () => Promise.reject(new Error('mailbox full'));
    await writeLetter(db(), me, { letter, now: NOON + 2, post: fails });
    const all = await lettersOf(db(), me);
    expect(all.map((l) => [l.sentAt, l.trouble])).toEqual([
      [null, expect.stringContaining('mailbox full')],
      [NOON + 1, null],
      [null, null],
    ]);
    expect([sent, all[1]?.body]).toEqual([['a link'], 'not kept']);
    expect(await lettersOf(db(), await owned())).toEqual([]);
  });

  it('go out though one address is refused, and are not waited for one by one where the mail server is away', async () => {
    const me = await owned();
    const to = ['a', 'b', 'c', 'd'].map((name) => ({
      ...letter,
      recipient: `${name}@example.org`,
    }));
    const asked: string[] = [];
    const refusesB = async ({ recipient }: typeof letter) => {
      asked.push(recipient.slice(0, 1));
      if (recipient.startsWith('b')) {
        throw Object.assign(new Error('no such mailbox'), { code: 'EENVELOPE' });
      }
    };
    await writeLetters(db(), me, to, { now: NOON, post: refusesB });
    const isAway = async ({ recipient }: typeof letter) => {
      asked.push(recipient.slice(0, 1));
      throw Object.assign(new Error('no answer'), { code: 'ECONNECTION' });
    };
    await writeLetters(db(), me, to, { now: NOON + 1, post: isAway });
    expect(asked.join('')).toBe('abcda');
    const all = (await lettersOf(db(), me)).toSorted(
      (x, y) => x.writtenAt - y.writtenAt || x.recipient.localeCompare(y.recipient),
    );
    expect(all.map((l) => l.trouble ?? (l.sentAt === null ? 'waits' : 'sent'))).toEqual([
      ...['sent', 'no such mailbox', 'sent', 'sent'],
      ...[expect.stringContaining('(no answer)'), 'waits', 'waits', 'waits'],
    ]);
  });

  it('are kept up to a number, the oldest go', async () => {
    const [me, other] = [await owned(), await owned()];
    await writeLetter(db(), other, { letter, now: NOON - DAY });
    const sent = (i: number) => ({
      ...{ id: randomUUID(), studio_id: me.studioId, ...letter, subject: String(i) },
      ...{ written_at: new Date(NOON + i), sent_at: new Date(NOON + i) },
    });
    await db().batchInsert(
      'letters',
      Array.from({ length: MOST_LETTERS }, (_, i) => sent(i)),
    );
    const last = { letter: { ...letter, subject: 'last' }, now: NOON + MOST_LETTERS };
    await writeLetter(db(), me, { ...last, post: async () => {} });
    const all = await lettersOf(db(), me);
    expect([all.length, all[0]?.subject, all.at(-1)?.subject]).toEqual([MOST_LETTERS, 'last', '1']);
    expect(await lettersOf(db(), other)).toHaveLength(1);
  });
});

describe('what a studio keeps', () => {
  it('goes when it is older than the studio wants, and registers stay', async () => {
    const c = await makeClass(db());
    const kept = await makeClass(db());
    for (const of of [c, kept]) {
      await prepareRun(db(), of, { sessionId: of.sessionId, now: NOON });
      await db()('runs')
        .where({ session_id: of.sessionId })
        .update({ started_at: new Date(NOON), finished_at: new Date(NOON) });
      const teacher = { id: of.teacherId, studioId: of.studioId };
      const words = { language: 'en' as const, text: 'Lift.' };
      await saveRecording(db(), teacher, { ...words, wav: hummedWav() }, NOON);
    }
    await changeStudio(db(), c, { retention: { runsMonths: 1, recordingsMonths: 2 } });
    const left = async (of: typeof c) => [
      (await runOfSession(db(), of, of.sessionId)) !== undefined,
      (await recordingsOf(db(), { id: of.teacherId, studioId: of.studioId })).length,
      (await roll(db(), of, of.sessionId)).length,
    ];
    const retention = { runsMonths: 1, recordingsMonths: 2 };
    const older = (days: number, of = retention) =>
      olderThan(db(), c, { retention: of, now: NOON + days * DAY });
    await forgetOld(db(), NOON + 29 * DAY);
    expect(await left(c)).toEqual([true, 1, 2]);
    // What would go is known before it does.
    expect(await Promise.all([29, 32, 63].map((days) => older(days)))).toEqual([
      { runs: 0, recordings: 0 },
      { runs: 1, recordings: 0 },
      { runs: 1, recordings: 1 },
    ]);
    const forEver = { runsMonths: null, recordingsMonths: null } as never;
    expect(await older(9999, forEver)).toEqual({ runs: 0, recordings: 0 });
    await forgetOld(db(), NOON + 32 * DAY);
    expect(await left(c)).toEqual([false, 1, 2]);
    await forgetOld(db(), NOON + 63 * DAY);
    expect(await left(c)).toEqual([false, 0, 2]);
    expect(await left(kept)).toEqual([true, 1, 2]);
  });

  it('goes wholly when the studio is deleted, and nothing of another', async () => {
    const [gone, stays] = [await makeClass(db()), await makeClass(db())];
    await deleteStudio(db(), gone);
    const tables = ['teachers', 'classes', 'sessions', 'participants', 'bookings'];
    const rows = (of: typeof gone) =>
      Promise.all(
        tables.map(async (t) => (await db()(t).where({ studio_id: of.studioId })).length),
      );
    expect(await rows(gone)).toEqual([0, 0, 0, 0, 0]);
    expect(await rows(stays)).toEqual([1, 1, 1, 2, 2]);
  });
});
