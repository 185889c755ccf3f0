import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { callOff, restoreSession } from '../calendar/change';
import { getSession, planSession } from '../sessions/sessions';
import { makeClass, makeStudio, NOON, type TestClass, testDatabase } from '../testing/studio';
import { sendWaiting } from './carry';
import {
  lettersOf,
  MOST_LETTERS,
  MOST_WAITING,
  type NewLetter,
  writeLetter,
  writeLetters,
} from './letters';
import { makeLink, spendLink } from './links';
import { failureOf, type Posted } from './post';
import { withdraw } from './teachers';

const db = testDatabase();
const MINUTE = 60_000;
const HOUR = 60 * MINUTE;

const from = (fields: object) => Object.assign(new Error('trouble'), fields);
const AWAY = from({ code: 'ECONNECTION' });
const LATER = from({ code: 'EENVELOPE', responseCode: 450 });
const NEVER = from({ code: 'EENVELOPE', responseCode: 550 });

/** A mail server that answers each letter as it is told to, and keeps what it took. */
class MailServer {
  taken: Posted[] = [];
  asked = 0;
  answer: (letter: Posted) => Error | null = () => null;
  readonly post = async (letter: Posted) => {
    this.asked++;
    const problem = this.answer(letter);
    if (problem) throw problem;
    this.taken.push(letter);
  };
}

let studio: TestClass;
let mail: MailServer;
beforeEach(async () => {
  await db()('letters').delete();
  studio = await makeClass(db());
  mail = new MailServer();
});

const letter = (more: Partial<NewLetter> = {}): NewLetter => ({
  ...{ recipient: 'a@pier.example', subject: 'Heating', body: 'It is warm.' },
  ...more,
});
const write = (more: Partial<NewLetter> = {}, now = NOON) =>
  writeLetter(db(), studio, { letter: letter(more), now, post: mail.post });
const again = (minutes: number) =>
  sendWaiting(db(), { now: () => NOON + minutes * MINUTE, post: mail.post });
const stands = async () =>
  (await lettersOf(db(), studio)).map((l) => [
    l.sentAt === null ? l.trouble : 'sent',
    l.tryAt && (l.tryAt - NOON) / MINUTE,
  ]);

it.each([
  ['the server is away', AWAY, true, true],
  ['it wants other credentials', from({ code: 'EAUTH', responseCode: 535 }), true, true],
  ['it did not answer in time', new Error('late'), true, true],
  ['an address is refused for now', LATER, false, true],
  ['an address is refused', NEVER, false, false],
  ['an address cannot be read', from({ code: 'EENVELOPE' }), false, false],
  ['a text is refused', from({ code: 'EMESSAGE', responseCode: 554 }), false, false],
])('where %s, it is known whom that concerns and for how long', (_, error, isAway, mayPass) => {
  const { trouble, ...concerns } = failureOf(error);
  expect(concerns).toEqual({ isAway, mayPass });
  expect(trouble).toContain(error.message);
});

describe('a letter that the mail server did not take', () => {
  it('is tried again, later each time, and is the same letter then', async () => {
    mail.answer = () => AWAY;
    expect(await write({ keptAs: 'not kept' })).toBe('away');
    const tries: number[] = [];
    for (let minute = 1; minute < 180; minute++) {
      const before = mail.asked;
      await again(minute);
      if (mail.asked > before) tries.push(minute);
    }
    expect(tries).toEqual([1, 3, 7, 15, 31, 61, 91, 121, 151]);
    mail.answer = () => null;
    expect(await again(180)).toBe(0);
    expect(await again(181)).toBe(1);
    expect(mail.taken).toMatchObject([{ recipient: 'a@pier.example', body: 'It is warm.' }]);
    const [kept] = await lettersOf(db(), studio);
    expect([kept?.id, kept?.body]).toEqual([mail.taken[0]?.id, 'not kept']);
    expect(await stands()).toEqual([['sent', null]]);
    expect(await again(500)).toBe(0);
  });

  it('is not tried again where it was refused for good, and holds up no other', async () => {
    const problems: Record<string, Error> = { a: NEVER, b: LATER };
    mail.answer = ({ recipient }) => problems[recipient.slice(0, 1)] ?? null;
    const to = ['a', 'b', 'c'].map((name) => letter({ recipient: `${name}@pier.example` }));
    expect(await writeLetters(db(), studio, to, { now: NOON, post: mail.post })).toEqual({
      ...{ sent: 1, again: 1, soon: 0 },
    });
    delete problems.a;
    delete problems.b;
    expect(await again(1)).toBe(1);
    expect(mail.taken.map((l) => l.recipient.slice(0, 1))).toEqual(['c', 'b']);
  });

  it('waits with all the others until the mail server is back', async () => {
    mail.answer = () => AWAY;
    const to = ['a', 'b', 'c'].map((name) => letter({ recipient: `${name}@pier.example` }));
    const told = await writeLetters(db(), studio, to, { now: NOON, post: mail.post });
    expect([told, mail.asked]).toEqual([{ sent: 0, again: 3, soon: 0 }, 1]);
    expect([await again(1), mail.asked]).toEqual([0, 2]);
    mail.answer = () => null;
    expect(await again(10)).toBe(3);
  });

  it('is in the outbox with all the others before one of them is sent, and goes out though nobody waits for it', async () => {
    const to = ['a', 'b', 'c', 'd'].map((name) => letter({ recipient: `${name}@pier.example` }));
    const kept: number[] = [];
    const slow = async (one: Posted) => {
      kept.push((await lettersOf(db(), studio)).length);
      await mail.post(one);
    };
    // As long as whoever pressed waits: two of them are sent.
    const told = await writeLetters(db(), studio, to, {
      now: NOON,
      post: slow,
      hasTime: () => mail.taken.length < 2,
    });
    expect([told, kept]).toEqual([{ sent: 2, again: 0, soon: 2 }, [4, 4]]);
    // The next look, which is once a minute, takes the rest.
    expect(await again(0)).toBe(2);
    expect(mail.taken.map((l) => l.recipient.slice(0, 1)).join('')).toBe('abcd');
  });

  it('waits for its own studio’s letters, and not for those of another one', async () => {
    const others = await makeClass(db());
    const many = (of: TestClass, recipient: string) =>
      writeLetters(
        db(),
        of,
        Array.from({ length: 3 }, (_, i) => letter({ recipient: `${recipient}${i}@pier.example` })),
        { now: NOON, post: mail.post, hasTime: () => false },
      );
    await many(studio, 'a');
    await many(others, 'b');
    const third = await makeClass(db());
    await many(third, 'c');
    expect(await again(1)).toBe(9);
    const order = mail.taken.map((l) => l.recipient.slice(0, 1)).join('');
    expect(
      [order.slice(0, 3), order.slice(3, 6), order.slice(6)].map((turn) =>
        [...turn].sort().join(''),
      ),
    ).toEqual(['abc', 'abc', 'abc']);
  });

  it('is not sent any more once it is of no use, or four days old', async () => {
    mail.answer = () => AWAY;
    await write({ until: NOON + HOUR });
    mail.answer = () => null;
    expect(await again(60)).toBe(0);
    await again(61);
    expect(await stands()).toEqual([[expect.stringMatching(/while it was of use$/), null]]);
    mail.answer = () => AWAY;
    await write();
    mail.answer = () => null;
    expect(await again(4 * 24 * 60)).toBe(0);
    expect(mail.taken).toEqual([]);
  });

  it('is not sent where a session that was called off takes place after all', async () => {
    mail.answer = () => AWAY;
    const id = studio.sessionId;
    const of = { id, which: 'this' as const, now: NOON, word: null };
    await callOff(db(), studio, of);
    const holds = { sessionIds: [id], status: 'cancelled' as const };
    await write({ holds });
    await restoreSession(db(), studio, { id, zone: 'UTC' });
    mail.answer = () => null;
    expect(await again(1)).toBe(0);
    expect(await stands()).toEqual([['what it says is not so any more', null]]);
    await callOff(db(), studio, of);
    mail.answer = () => AWAY;
    await write({ holds }, NOON + 1);
    mail.answer = () => null;
    expect(await again(2)).toBe(1);
  });

  it('is sent where only some of what it tells of is otherwise by now, and what tells of that follows', async () => {
    mail.answer = () => AWAY;
    const { classId } = await getSession(db(), studio, studio.sessionId);
    const startsAt = NOON + 24 * HOUR;
    const other = await planSession(db(), studio, { classId, startsAt, now: NOON });
    const both = [studio.sessionId, other];
    for (const id of both) {
      await callOff(db(), studio, { id, which: 'this' as const, now: NOON, word: null });
    }
    const off = { sessionIds: both, status: 'cancelled' as const };
    await write({ holds: off, body: 'Neither takes place.' });
    await restoreSession(db(), studio, { id: other, zone: 'UTC' });
    const on = { sessionIds: [other], status: 'planned' as const };
    await write({ holds: on, body: 'One takes place after all.' }, NOON + 1);
    mail.answer = () => null;
    expect(await again(2)).toBe(2);
    expect(mail.taken.map((l) => l.body)).toEqual([
      'Neither takes place.',
      'One takes place after all.',
    ]);
    // Where nothing of it is so any more, it is not sent.
    mail.answer = () => AWAY;
    await callOff(db(), studio, { id: other, which: 'this' as const, now: NOON, word: null });
    await write({ holds: off, body: 'Again neither.' }, NOON + 3 * MINUTE);
    for (const id of both) await restoreSession(db(), studio, { id, zone: 'UTC' });
    mail.answer = () => null;
    expect(await again(5)).toBe(0);
  });

  it('is not sent where the link in it was taken back, replaced or used', async () => {
    mail.answer = () => AWAY;
    const of = { studioId: studio.studioId, email: 'b@pier.example', role: 'teacher' as const };
    const [kept, gone, used] = [
      await makeLink(db(), 'join', { of, now: NOON }),
      await makeLink(db(), 'join', { of: { ...of, email: 'gone@pier.example' }, now: NOON }),
      await makeLink(db(), 'join', { of, now: NOON }),
    ];
    for (const link of [kept, gone, used]) await write({ link, subject: link });
    await withdraw(db(), studio, { email: 'gone@pier.example' });
    await spendLink(db(), 'join', { token: used, now: NOON });
    mail.answer = () => null;
    expect(await again(10)).toBe(1);
    expect(mail.taken.map((l) => l.subject)).toEqual([kept]);
  });

  it('is sent before what was written to the same address later, since that may be all different again', async () => {
    const holds = { sessionIds: [studio.sessionId], status: 'planned' as const };
    mail.answer = () => LATER;
    expect(await write({ holds, body: 'At six.' })).toBe('delayed');
    await again(1);
    mail.answer = () => null;
    const later = NOON + 2 * MINUTE;
    expect(await write({ holds, body: 'At seven.' }, later)).toBe('delayed');
    expect(await write({ body: 'Of something else.' }, later)).toBe('sent');
    expect(await write({ holds, body: 'To others.', recipient: 'b@pier.example' }, later)).toBe(
      'sent',
    );
    expect(await again(3)).toBe(2);
    const bodies = () => mail.taken.map((l) => l.body);
    expect(bodies()).toEqual(['Of something else.', 'To others.', 'At six.', 'At seven.']);

    // One that is refused for good is waited for no longer.
    mail.answer = () => AWAY;
    await write({ holds, body: 'At eight.' }, NOON + 4 * MINUTE);
    mail.answer = () => NEVER;
    await again(5);
    mail.answer = () => null;
    expect(await write({ holds, body: 'At nine.' }, NOON + 6 * MINUTE)).toBe('sent');
  });

  it('is sent once, though two processes look after it at the same time', async () => {
    mail.answer = () => AWAY;
    const to = Array.from({ length: 12 }, (_, i) => letter({ recipient: `p${i}@pier.example` }));
    await writeLetters(db(), studio, to, { now: NOON, post: mail.post });
    mail.answer = () => null;
    const sent = await Promise.all([again(1), again(1), again(1)]);
    expect(sent.reduce((sum, n) => sum + n, 0)).toBe(12);
    expect(new Set(mail.taken.map((l) => l.recipient)).size).toBe(12);
    expect(mail.taken).toHaveLength(12);
  });

  it('is sent by another process where its own ended before it was', async () => {
    const ended = new Promise<never>(() => {});
    void writeLetter(db(), studio, { letter: letter(), now: NOON, post: () => ended });
    await expect.poll(async () => (await stands()).length).toBe(1);
    expect(await sendWaiting(db(), { now: () => NOON + MINUTE - 1, post: mail.post })).toBe(0);
    expect(await again(1)).toBe(1);
  });

  it('waits for its owner where there is no mail server, also once there is one', async () => {
    await writeLetter(db(), studio, { letter: letter(), now: NOON, post: null });
    expect(await sendWaiting(db(), { now: () => NOON + HOUR, post: null })).toBe(0);
    expect(await again(60)).toBe(0);
    expect(await stands()).toEqual([[null, null]]);
  });
});

it('letters that nobody has are kept beyond the others, up to a number, of this studio alone', async () => {
  const other = await makeStudio(db());
  const rows = (n: number, at: number, of: object) =>
    Array.from({ length: n }, (_, i) => ({
      ...{ id: randomUUID(), studio_id: studio.studioId, ...of },
      ...{ recipient: 'a@pier.example', subject: 'S', body: 'B', written_at: new Date(at + i) },
    }));
  const waiting = { try_at: new Date(NOON) };
  const count = async (scope = studio as { studioId: string }) =>
    Number((await db()('letters').where({ studio_id: scope.studioId }).count())[0]?.count);
  await db()('letters').insert(rows(MOST_LETTERS + 50, NOON, waiting));
  await db()('letters').insert(rows(1, NOON - HOUR, { sent_at: new Date(NOON - HOUR) }));
  // No mail server was there, or it refused them: their owner hands them on.
  await db()('letters').insert([
    ...rows(1, NOON - HOUR, {}),
    ...rows(1, NOON - HOUR, { trouble: 'no' }),
  ]);
  await db()('letters').insert(rows(2, NOON - HOUR, { studio_id: other.studioId }));
  await write({}, NOON + HOUR);
  expect(await count()).toBe(MOST_LETTERS + 53);
  await db().batchInsert('letters', rows(MOST_WAITING, NOON + 2 * HOUR, waiting), 100);
  await write({}, NOON + 3 * HOUR);
  expect([await count(), await count(other)]).toEqual([MOST_WAITING, 2]);
});
