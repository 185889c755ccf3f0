import { beforeEach, describe, expect, it, vi } from 'vitest';
import { ERRAND } from '@/core/calls/errand';
import { addParticipant, book } from '@/server/people/people';
import { peopleOfSession } from '@/server/sessions/bookings';
import { planSession } from '@/server/sessions/sessions';
import { DAY, NOON } from '@/server/testing/studio';
import { be, db, mine, outcome } from './testing/visitors';

/** Whatever changes who has room in a session says whom it concerns, and who has to be told by hand. */

// Fetched only once what they are asked with is made up.
const person = () => import('./(studio)/people/[id]/actions');
const people = () => import('./(studio)/people/actions');
const list = () => import('./(studio)/people/take-in/actions');
const files = () => import('./(studio)/calendar/bring-actions');
const calendar = () => import('./(studio)/calendar/actions');
const sessions = () => import('./(studio)/sessions/actions');

const fresh = { values: {}, errors: {}, problem: null, done: null };
const given = (fields: Record<string, string>) => {
  const form = new FormData();
  for (const [name, value] of Object.entries({ [ERRAND]: crypto.randomUUID(), ...fields })) {
    form.set(name, value);
  }
  return form;
};
const STARTS_AT = NOON + 7 * DAY;
const THAT_DAY = { from: '2026-12-01', to: '2026-12-01' };

let classId: string;
let sessionId: string;
let minutes = 0;
let [liv, mo, nan]: string[] = [];

async function somebody(name: string): Promise<string> {
  const joining = { person: { name, contact: null }, joinedOn: '2026-01-01', now: NOON };
  return addParticipant(db(), mine, joining);
}

const bookNext = (participantId: string) =>
  book(db(), mine, { participantId, classId, now: NOON - DAY + 60_000 * minutes++ });
const booked = async () =>
  (await peopleOfSession(db(), mine, sessionId)).coming.flatMap((p) => (p.booked ? p.name : []));

beforeEach(async () => {
  be('owner');
  classId = mine.ids.classes;
  await db()('sessions').where({ studio_id: mine.studioId }).update({ closure_id: null });
  await db()('closures').where({ studio_id: mine.studioId }).delete();
  await db()('sessions').where({ class_id: classId, status: 'planned' }).delete();
  await db()('bookings').where({ class_id: classId }).delete();
  sessionId = await planSession(db(), mine, { classId, startsAt: STARTS_AT, now: NOON });
  await db()('sessions').where({ id: sessionId }).update({ room_for: 1 });
  [liv, mo, nan] = [await somebody('Liv'), await somebody('Mo'), await somebody('Nan')];
});

describe('who has room', () => {
  it('keeps it where somebody comes back out of a pause, who is told to wait', async () => {
    for (const id of [liv, mo]) await bookNext(id ?? '');
    const { pauseAction, bookingAction } = await person();
    const paused = await pauseAction(liv ?? '', fresh, given(THAT_DAY));
    expect(paused.done).toMatch(/ 1 person moves up\. .*Mo/);
    const { id: unpause } = await db()('pauses').where({ participant_id: liv }).first('id');
    const back = await bookingAction(liv ?? '', fresh, given({ unpause }));
    expect(back.done).toBe(
      'The pause is taken back. In 1 session others have the room, and they wait for it.',
    );
    expect(await booked()).toEqual(['Mo']);
  });

  it('keeps it where somebody is booked again, alone or with others', async () => {
    for (const id of [liv, mo]) await bookNext(id ?? '');
    const { bookAction, bookingAction } = await person();
    const ended = await bookingAction(liv ?? '', fresh, given({ end: classId }));
    expect(ended.done).toMatch(/^The booking has ended\. 1 person moves up\. .*Mo/);
    const again = await bookAction(liv ?? '', fresh, given({ classId }));
    expect(again.done).toBe('Booked. In 1 session others have the room, and they wait for it.');
    const { bookThemAction } = await people();
    const ids = [mo, nan].join();
    const both = await bookThemAction(fresh, given({ ids, query: '', classId }));
    expect(both.done).toBe(
      '2 people are booked. In 1 session others have the room, and 1 of them waits for it.',
    );
    expect(await booked()).toEqual(['Mo']);
  });

  it('is another where two become one, and where they are two again', async () => {
    await db()('sessions').where({ id: sessionId }).update({ room_for: 2 });
    for (const id of [liv, mo, nan]) await bookNext(id ?? '');
    const { joinAction } = await person();
    const one = await joinAction(liv ?? '', fresh, given({ person: mo ?? '' }));
    expect(one.done).toMatch(/for a day\. 1 person moves up\. .*Nan/);
    expect(await booked()).toEqual(['Liv', 'Nan']);
    const { id: undo } = await db()('joined_people').where({ kept_id: liv }).first('id');
    const two = await joinAction(liv ?? '', fresh, given({ undo }));
    expect(two.done).toMatch(/^They are two again\. 1 person has no room any more\. .*Nan/);
    expect(await booked()).toEqual(['Liv', 'Mo']);
  });

  it('is whoever waited where those who were taken in by a slip are taken out', async () => {
    const { takeInAction, takeOutAction } = await list();
    const slip = { id: crypto.randomUUID(), name: 'A slip', contact: '', language: '' };
    expect(await takeInAction([slip], classId)).toEqual({ ids: [slip.id] });
    const at = NOON + 60_000;
    await book(db(), mine, { participantId: nan ?? '', classId, now: at });
    const { out, moved } = await takeOutAction([slip.id]);
    expect(out).toBe(1);
    expect(moved).toMatch(/^ 1 person moves up\. .*Nan/);
  });

  it('is told of before the page of somebody who is erased goes', async () => {
    for (const id of [liv, mo]) await bookNext(id ?? '');
    const { eraseAction } = await person();
    const gone = await eraseAction(liv ?? '', fresh, given({ name: 'Liv' }));
    expect(gone.done).toMatch(/^Liv is erased\. 1 person moves up\. .*Mo/);
    const nobody = () => eraseAction(mo ?? '', fresh, given({ name: 'Mo' }));
    expect(await outcome(nobody)).toBe('to /people');
  });
});

it('who is booked on what falls into closed days of a calendar file has to be told', async () => {
  await bookNext(liv ?? '');
  const text = [
    ...['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Harbour//Hall//EN', 'BEGIN:VEVENT'],
    ...['UID:storm', 'DTSTAMP:20261101T100000Z', 'DTSTART;VALUE=DATE:20261201'],
    ...['SUMMARY:Storm', 'END:VEVENT', 'END:VCALENDAR', ''],
  ].join('\r\n');
  const asked = { text, teacherId: '', roomFor: '', step: 'take', 'closed 0': 'on' };
  const { bringAction } = await files();
  const { done, to } = await bringAction(fresh, given(asked));
  expect(done).toMatch(/Liv/);
  expect(to).toBe('/calendar?view=term&from=2026-12-01');
});

describe('a teacher who leads', () => {
  const lead = async () => {
    const { name, email } = await db()('teachers').where({ id: mine.colleague }).first();
    return { told: `Teachers written to: ${name}.`, email };
  };
  const letter = async () => {
    const { email } = await lead();
    const [last] = await db()('letters')
      .where({ studio_id: mine.studioId, recipient: email })
      .orderBy('written_at', 'desc')
      .limit(1);
    return last?.body;
  };
  beforeEach(async () => {
    vi.setSystemTime(Date.now() + 1000);
  });

  it('is told that somebody else named them, moved it, called it off, and put it back', async () => {
    const { told } = await lead();
    const act = await sessions();
    const was = { day: '2026-12-01', time: '12:00', classId, teacherId: '', place: '', link: '' };
    const changed = async (what: Record<string, string>) => {
      const form = given({
        ...was,
        roomFor: '1',
        ...what,
        was: JSON.stringify({ ...was, roomFor: '1' }),
      });
      return (await act.changeSessionAction(sessionId, fresh, form)).done;
    };
    expect(await changed({ teacherId: mine.colleague })).toContain(told);
    expect(await letter()).toMatch(/From now on you lead:\n.*1 Dec 2026/);
    was.teacherId = mine.colleague;
    expect(await changed({ time: '13:00' })).toContain(told);
    expect(await letter()).toMatch(/until now: .*12:00\nfrom now on: .*13:00/);
    vi.setSystemTime(Date.now() + 1000);
    const off = await act.callOffAction(
      sessionId,
      fresh,
      given({ word: 'No heating.', which: 'this' }),
    );
    expect(off.done).toContain(told);
    expect(await letter()).toMatch(/This does not take place:\n.*\n\nNo heating\.\n/);
    vi.setSystemTime(Date.now() + 1000);
    const on = await act.restoreAction(sessionId, fresh, given({}));
    expect(on.done).toContain(told);
    expect(await letter()).toMatch(/This takes place after all:/);
  });

  it('is told what is planned for them, once, and of closed days', async () => {
    const { told } = await lead();
    const { planAction, closeAction } = await calendar();
    const wish = { class0: classId, class1: '', class2: '', class3: '', start: '2026-12-08' };
    const more = { time: '18:00', repeats: 'once', count: '', last: '', place: 'Loft', link: '' };
    const form = given({ ...wish, ...more, roomFor: '', teacherId: mine.colleague, step: 'plan' });
    const planned = await planAction(fresh, form);
    expect(planned).toMatchObject({ done: expect.stringContaining(told), to: expect.any(String) });
    expect(await letter()).toMatch(/From now on you lead:\n.*8 Dec 2026, 18:00, Loft\n/);
    // Sent again, since its answer was lost.
    expect(await outcome(() => planAction(fresh, form))).toBe(`to ${planned.to}`);
    vi.setSystemTime(Date.now() + 1000);
    const closure = { name: 'Boat lift', from: '2026-12-08', to: '2026-12-08' };
    expect((await closeAction(fresh, given(closure))).done).toContain(told);
    expect(await letter()).toMatch(/does not take place:\n.*18:00, Loft: Boat lift\n/);
  });

  it('and what is in the way by now of what takes place again', async () => {
    const act = await sessions();
    const { closeAction, reopenAction } = await calendar();
    await db()('sessions').where({ id: sessionId }).update({ place: 'Loft' });
    await act.callOffAction(sessionId, fresh, given({ word: '', which: 'this' }));
    const there = await planSession(db(), mine, { classId, startsAt: STARTS_AT, now: NOON });
    await db()('sessions').where({ id: there }).update({ place: 'Loft' });
    const asked = await act.restoreAction(sessionId, fresh, given({}));
    expect(asked).toMatchObject({
      done: null,
      errors: { sure: expect.stringMatching(/same place/) },
    });
    const sure = await act.restoreAction(sessionId, fresh, given({ sure: 'on' }));
    expect(sure.done).toMatch(/^It takes place\./);
    await closeAction(fresh, given({ name: 'Storm', ...THAT_DAY }));
    const { id } = await db()('closures')
      .where({ name: 'Storm', studio_id: mine.studioId })
      .orderBy('created_at', 'desc')
      .first();
    await db()('sessions').where({ id: there }).update({ status: 'planned', closure_id: null });
    expect(await reopenAction(given({ id }))).toMatch(
      / Look at what is there by now: .* is in the same place\./,
    );
  });

  it('who changes what they lead themselves is not written to', async () => {
    be('colleague');
    const { changeSessionAction } = await sessions();
    const was = { day: '2026-12-01', time: '12:00', classId, teacherId: '', place: '', link: '' };
    const form = given({
      ...{ ...was, roomFor: '1', teacherId: mine.colleague },
      was: JSON.stringify({ ...was, roomFor: '1' }),
    });
    expect((await changeSessionAction(sessionId, fresh, form)).done).toBe('Changed.');
  });
});
