import { randomUUID } from 'node:crypto';
import { tz } from '@date-fns/tz';
import * as demo from '@demo';
import { LIBRARY_BOOK } from '@library';
import { addMinutes, getISODay, set, startOfDay, subDays, subWeeks } from 'date-fns';
import { came } from '@/core/attendance';
import { addDays, type Closure, localOf, mondayOf } from '@/core/calendar';
import type { Plan } from '@/core/class';
import { dateOn, dayOf } from '@/core/formats';
import { compile, type Score } from '@/core/score';
import { STREAK_RULES } from '@/core/streak';
import { hashPassword } from '../auth/passwords';
import { closeFor } from '../calendar/closures';
import { planSessions, type Wish } from '../calendar/plan';
import type { Db } from '../db';
import { enrol, makeProgramme } from '../people/programmes';

/** Builds the demo studio. Everything in it is invented. */

type Key = (typeof demo.TIMETABLE)[number]['key'];
const PLANS: Record<Key, Plan> = {
  choir: demo.choir,
  nightShift: demo.nightShift,
  online: demo.online,
};
const MINUTE = 60_000;

/** The demo studio that everybody shares. */
export async function demoStudioId(db: Db): Promise<string | undefined> {
  return (await db('studios').where({ is_demo: true, visit_ends_at: null }).first('id'))?.id;
}

/** Removes the demo studio and everything in it. */
export async function removeDemo(db: Db): Promise<void> {
  await db('studios').where({ is_demo: true }).delete();
}

/** A demo studio of a visitor's own. */
export interface Visit {
  /** Its teacher has an email of their own, since an email belongs to one teacher. */
  email: string;
  /** When it is swept away, epoch ms. */
  endsAt: number;
}

/**
 * Creates a demo studio: its teacher, classes, people, and eight weeks of sessions that were led.
 * @param visit the studio of one visitor; the one that everybody shares where nothing is said
 * @returns the demo teacher's email
 */
export async function seedDemo(
  db: Db,
  password: string,
  now: number,
  visit?: Visit,
): Promise<string> {
  const email = visit?.email ?? demo.TEACHER.email;
  const studioId = randomUUID();
  await db.transaction(async (trx) => {
    const at = new Date(now);
    await trx('studios').insert({
      id: studioId,
      name: demo.STUDIO.name,
      time_zone: demo.STUDIO.timeZone,
      is_demo: true,
      visit_ends_at: visit ? new Date(visit.endsAt) : null,
      created_at: at,
    });
    const teacherId = randomUUID();
    await trx('teachers').insert({
      id: teacherId,
      studio_id: studioId,
      email,
      name: demo.TEACHER.name,
      password_hash: await hashPassword(password),
      created_at: at,
    });
    const scope = { studioId };
    for (const closure of closedDays(now)) {
      await closeFor(trx, scope, { closure, zone: demo.STUDIO.timeZone, now });
    }
    const classIds = {} as Record<Key, string>;
    for (const { key } of demo.TIMETABLE) {
      classIds[key] = randomUUID();
      await trx('classes').insert({
        id: classIds[key],
        studio_id: studioId,
        plan: JSON.stringify(PLANS[key]),
        created_at: at,
        updated_at: at,
      });
    }
    const people = await seedPeople(trx, studioId, classIds, now);
    await seedProgramme(trx, studioId, { people, now });
    for (const slot of demo.TIMETABLE)
      await seedPast(trx, studioId, { classId: classIds[slot.key], slot, people, now });
    for (const slot of demo.TIMETABLE) {
      const classId = classIds[slot.key];
      await planSessions(trx, scope, {
        wish: aheadOf(slot, { classId, teacherId, now }),
        zone: demo.STUDIO.timeZone,
        now,
      });
    }
  });
  await ensureSessionToday(db, now, studioId);
  return email;
}

const today = (now: number): string => localOf(now, demo.STUDIO.timeZone).slice(0, 10);

/** The days on which the demo's hall is closed, some weeks from now. */
const closedDays = (now: number): Closure[] =>
  demo.CLOSED.map(({ name, inWeeks, weeks }) => {
    const from = addDays(mondayOf(today(now)), 7 * inWeeks);
    return { name, from, to: addDays(from, 7 * weeks - 1) };
  });

/** The meetings of a class to come, from tomorrow on. */
function aheadOf(
  slot: (typeof demo.TIMETABLE)[number],
  { classId, teacherId, now }: { classId: string; teacherId: string; now: number },
): Wish {
  const tomorrow = addDays(today(now), 1);
  const inThisWeek = addDays(mondayOf(tomorrow), slot.weekday - 1);
  const two = (n: number) => String(n).padStart(2, '0');
  return {
    start: inThisWeek < tomorrow ? addDays(inThisWeek, 7) : inThisWeek,
    time: `${two(slot.hour)}:${two(slot.minute)}`,
    rule: { repeats: 'weekly', every: 1, days: [], end: { by: 'number', count: demo.WEEKS } },
    classIds: [classId],
    teacherId,
    place: slot.place,
    link: slot.link,
    roomFor: slot.roomFor,
  };
}

type Person = demo.DemoPerson & { id: string };

async function seedPeople(
  db: Db,
  studioId: string,
  classIds: Record<Key, string>,
  now: number,
): Promise<Person[]> {
  const people: Person[] = [];
  for (const person of demo.PEOPLE) {
    const id = randomUUID();
    const joined = subWeeks(now, person.joined);
    await db('participants').insert({
      id,
      studio_id: studioId,
      name: person.name,
      contact: person.contact ?? null,
      joined_on: dateOn(joined.getTime(), demo.STUDIO.timeZone),
      cautions: JSON.stringify(person.cautions ?? []),
      cautions_consent_on: person.cautions ? dateOn(joined.getTime(), demo.STUDIO.timeZone) : null,
      created_at: joined,
    });
    for (const { key } of demo.TIMETABLE) {
      const pattern = person[key];
      if (pattern === undefined) continue;
      const since = pattern.length === 0 ? subDays(now, 1) : subWeeks(now, pattern.length + 1);
      await db('bookings').insert({
        studio_id: studioId,
        class_id: classIds[key],
        participant_id: id,
        since,
      });
    }
    for (const days of person.practice ?? []) {
      await db('practice').insert({
        id: randomUUID(),
        studio_id: studioId,
        participant_id: id,
        at: subDays(now, days),
        seconds: 300,
        by_teacher: false,
      });
    }
    if (person.pause) {
      const [from, to] = person.pause.map((days) => addDays(today(now), -days));
      await db('pauses').insert({
        id: randomUUID(),
        studio_id: studioId,
        participant_id: id,
        from_date: from,
        to_date: to,
        created_at: subDays(now, person.pause[0]),
      });
    }
    people.push({ ...person, id });
  }
  return people;
}

async function seedProgramme(
  db: Db,
  studioId: string,
  { people, now }: { people: readonly Person[]; now: number },
): Promise<void> {
  const { name, rule, weeks } = demo.PROGRAMME;
  const programme = { name, rule: STREAK_RULES[rule], weeks, classId: null };
  const id = await makeProgramme(db, { studioId }, { programme, now: subWeeks(now, 5).getTime() });
  for (const person of people) {
    if (person.programme === undefined) continue;
    const from = addDays(today(now), -person.programme);
    await enrol(db, { studioId }, { id, participantId: person.id, from });
  }
}

/** Start of the meeting so many whole weeks before the coming one, in the studio's time zone. */
function meeting(slot: (typeof demo.TIMETABLE)[number], weeksAgo: number, now: number): Date {
  const zone = { in: tz(demo.STUDIO.timeZone) };
  const today = startOfDay(now, zone);
  const daysSince = (getISODay(today, zone) - slot.weekday + 7) % 7 || 7;
  const day = subDays(today, daysSince + 7 * (weeksAgo - 1), zone);
  return set(day, { hours: slot.hour, minutes: slot.minute }, zone);
}

async function seedPast(
  db: Db,
  studioId: string,
  {
    classId,
    slot,
    people,
    now,
  }: { classId: string; slot: (typeof demo.TIMETABLE)[number]; people: Person[]; now: number },
): Promise<void> {
  const score = compile(PLANS[slot.key], LIBRARY_BOOK);
  for (let weeksAgo = demo.WEEKS; weeksAgo >= 1; weeksAgo--) {
    const startsAt = meeting(slot, weeksAgo, now);
    const cancelled = slot.cancelledWeeksAgo === weeksAgo;
    const sessionId = randomUUID();
    await db('sessions').insert({
      id: sessionId,
      studio_id: studioId,
      class_id: classId,
      starts_at: startsAt,
      status: cancelled ? 'cancelled' : 'held',
      created_at: startsAt,
    });
    if (cancelled) continue;
    const begun = addMinutes(startsAt, weeksAgo % 3);
    const last = slot.key === 'choir' && weeksAgo === 1;
    const parked = last ? demo.PARKED : null;
    await seedRun(db, studioId, { sessionId, score, begun, parked });
    if (last) await seedNote(db, studioId, { sessionId, people, at: begun });
    const rows = people.flatMap((person) => {
      const pattern = person[slot.key];
      const letter = pattern?.[pattern.length - weeksAgo];
      const mark = letter ? demo.MARK_OF[letter] : undefined;
      if (!mark) return [];
      const minutes = mark === 'late' ? 3 : -4;
      return {
        studio_id: studioId,
        session_id: sessionId,
        participant_id: person.id,
        mark,
        arrived_at: came(mark) ? addMinutes(begun, minutes) : null,
        left_at: null,
      };
    });
    if (rows.length) await db('attendance').insert(rows);
  }
}

async function seedNote(
  db: Db,
  studioId: string,
  { sessionId, people, at }: { sessionId: string; people: Person[]; at: Date },
): Promise<void> {
  const { name, move, note } = demo.FORM_NOTE;
  const person = people.find((p) => p.name === name);
  await db('form_notes').insert({
    id: randomUUID(),
    studio_id: studioId,
    participant_id: person?.id,
    session_id: sessionId,
    move_id: move,
    note,
    noted_at: at,
  });
}

async function seedRun(
  db: Db,
  studioId: string,
  {
    sessionId,
    score,
    begun,
    parked,
  }: { sessionId: string; score: Score; begun: Date; parked: string | null },
): Promise<void> {
  const id = randomUUID();
  const ended = begun.getTime() + score.totalMs;
  await db('runs').insert({
    id,
    studio_id: studioId,
    session_id: sessionId,
    score: JSON.stringify(score),
    started_at: begun,
    finished_at: new Date(ended),
    created_at: begun,
  });
  const event = (seq: number, type: string, at: number, data = {}) => ({
    studio_id: studioId,
    run_id: id,
    seq,
    id: randomUUID(),
    at_ms: at,
    type,
    data: JSON.stringify(data),
    received_at: new Date(at),
  });
  await db('run_events').insert([
    event(1, 'started', begun.getTime()),
    ...(parked ? [event(2, 'parked', ended, { note: parked })] : []),
    event(parked ? 3 : 2, 'finished', ended + MINUTE / 2),
  ]);
}

/** Makes sure that the demo has a session to lead later today, on whatever day it is opened. */
export async function ensureSessionToday(db: Db, now: number, of?: string): Promise<void> {
  const studioId = of ?? (await demoStudioId(db));
  if (!studioId) return;
  const { end } = dayOf(now, demo.STUDIO.timeZone);
  const planned = await db('sessions')
    .where({ studio_id: studioId, status: 'planned' })
    .where('starts_at', '>=', new Date(now))
    .where('starts_at', '<', new Date(end))
    .first('id');
  if (planned) return;
  const inAnHour = Math.ceil((now + 45 * MINUTE) / (15 * MINUTE)) * 15 * MINUTE;
  const startsAt = Math.min(inAnHour, end - 15 * MINUTE);
  const choir = await db('classes')
    .where({ studio_id: studioId })
    .whereRaw("plan->>'name' = ?", [demo.choir.name])
    .orderBy('created_at')
    .first('id');
  if (!choir) return;
  const [{ place, roomFor }] = demo.TIMETABLE;
  await db('sessions').insert({
    id: randomUUID(),
    studio_id: studioId,
    class_id: choir.id,
    starts_at: new Date(startsAt),
    status: 'planned',
    place,
    room_for: roomFor,
    created_at: new Date(now),
  });
}
