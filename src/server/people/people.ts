import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { isNoText } from '@/core/bounded';
import { addDays } from '@/core/calendar';
import { Refusal } from '@/core/calls';
import { dateOn } from '@/core/formats';
import type { Language } from '@/core/language';
import { languageSchema } from '@/core/move';
import type { Span } from '@/core/streak';
import { classInUse } from '../classes/classes';
import type { Db } from '../db';
import { epochMs } from '../rows';
import { found, type Scope } from '../scope';
import { type Apart, apart, type Named } from './apart';

/** Who is on the register of a studio, and what they are booked on. */

/** Most people on the register of a studio, and most pauses of one of them. */
export const MOST_PEOPLE = 20_000;
/** Most people who may be booked on a class; and on one session, or wait for it. */
export const MOST_BOOKED = 500;
export const MOST_PAUSES = 50;

export interface Participant {
  id: string;
  name: string;
  contact: string | null;
  /** The language they would rather hear and read; null where they did not say. */
  language: Language | null;
  /** ISO 8601 dates; the second is null for who is still there. */
  joinedOn: string;
  leftOn: string | null;
  /** Whether round numbers and streaks of theirs may be greeted. */
  greet: boolean;
}

export const participantSchema = z
  .object({
    id: z.uuid(),
    name: z.string(),
    contact: z.string().nullable(),
    language: languageSchema.nullable(),
    joined_on: z.string(),
    left_on: z.string().nullable(),
    greet: z.boolean(),
  })
  .transform(
    ({ joined_on, left_on, ...row }): Participant => ({
      ...row,
      joinedOn: joined_on,
      leftOn: left_on,
    }),
  );

export const participantColumns = (db: Db) => [
  'participants.id',
  'participants.name',
  'participants.contact',
  'participants.language',
  'participants.greet',
  db.raw("to_char(participants.left_on, 'YYYY-MM-DD') as left_on"),
  db.raw("to_char(participants.joined_on, 'YYYY-MM-DD') as joined_on"),
];

const UNREADABLE = 'This holds signs that cannot be stored. Write it anew.';

export const newParticipantSchema = z.object({
  name: z
    .string()
    .trim()
    .min(1, 'Write the name they like to be called by.')
    .max(80)
    .refine((name) => !isNoText(name), UNREADABLE),
  contact: z
    .string()
    .trim()
    .max(120)
    .refine((contact) => !isNoText(contact), UNREADABLE)
    .transform((text) => text || null)
    .nullable(),
  language: z
    .union([z.literal('').transform(() => null), languageSchema])
    .nullable()
    .default(null),
});
export type NewParticipant = z.input<typeof newParticipantSchema>;

export async function addParticipant(
  db: Db,
  scope: Scope,
  {
    person,
    joinedOn,
    now,
    id = randomUUID(),
  }: { person: NewParticipant; joinedOn: string; now: number; id?: string },
): Promise<string> {
  const [kept] = await db('participants').where({ studio_id: scope.studioId }).count();
  if (Number(kept?.count) >= MOST_PEOPLE) {
    throw new Refusal('too-many-people', String(MOST_PEOPLE));
  }
  const { name, contact, language } = newParticipantSchema.parse(person);
  await db('participants').insert({
    id,
    studio_id: scope.studioId,
    name,
    contact,
    language,
    joined_on: joinedOn,
    created_at: new Date(now),
  });
  return id;
}

const personShape = { ...newParticipantSchema.shape, greet: z.boolean() };

/** Changes some of what somebody is called and how they are reached. @throws Refusal `not-found` */
export async function changePerson(
  db: Db,
  { studioId }: Scope,
  { id, ...change }: { id: string } & Partial<NewParticipant & { greet: boolean }>,
): Promise<void> {
  const set = Object.entries(change).map(([name, value]) => [
    name,
    personShape[name as keyof typeof personShape].parse(value),
  ]);
  const theirs = db('participants').where({ id, studio_id: studioId });
  const rows = set.length
    ? await theirs.update(Object.fromEntries(set)).returning('id')
    : await theirs.select('id');
  found(rows[0], 'person');
}

/** A booking of somebody on a class. */
export interface ClassBooking {
  classId: string;
  className: string;
  /** Epoch ms; the second is null while it lasts. */
  since: number;
  until: number | null;
}

/**
 * Books somebody on a class from now on; booking twice changes nothing. Whoever was booked before goes on where
 * they stopped, and what lies between was a pause; they are at the end of the line of those who come.
 * @throws Refusal `not-found`, `class-put-away`, `too-many-booked`
 */
export async function book(
  db: Db,
  scope: Scope,
  {
    participantId,
    classId,
    now,
    zone = 'UTC',
  }: { participantId: string; classId: string; now: number; zone?: string },
): Promise<void> {
  const { studioId } = scope;
  await classInUse(db, scope, classId);
  found(
    await db('participants').where({ id: participantId, studio_id: studioId }).first('id'),
    'participant',
  );
  const of = { studio_id: studioId, class_id: classId, participant_id: participantId };
  await db.transaction(async (trx) => {
    // One at a time, so that each counts those before it.
    await trx('classes').where({ id: classId, studio_id: studioId }).forNoKeyUpdate().select('id');
    const row = await trx('bookings').where(of).forUpdate().first('until');
    if (row && row.until === null) return;
    const { n } = await trx('bookings')
      .where({ studio_id: studioId, class_id: classId, until: null })
      .first(trx.raw('count(*)::int as n'));
    if (n >= MOST_BOOKED) throw new Refusal('too-many-booked', String(MOST_BOOKED));
    if (!row) {
      await trx('bookings')
        .insert({ ...of, since: new Date(now) })
        .onConflict(['class_id', 'participant_id'])
        .ignore();
      return;
    }
    const until = epochMs.parse(row.until);
    await trx('bookings')
      .where(of)
      .update({ until: null, back_at: new Date(now) });
    const gap = { from: dateOn(until, zone), to: addDays(dateOn(now, zone), -1) };
    if (gap.from <= gap.to) {
      await pause(trx, { studioId }, { participantId, span: gap, now });
    }
  });
}

/** Ends somebody's booking now; what they came to stays. @throws Refusal `not-found` */
export async function endBooking(
  db: Db,
  { studioId }: Scope,
  { participantId, classId, now }: { participantId: string; classId: string; now: number },
): Promise<void> {
  const rows = await db('bookings')
    .where({ studio_id: studioId, class_id: classId, participant_id: participantId, until: null })
    .update({ until: db.raw('greatest(since, ?)', [new Date(now)]) })
    .returning('since');
  found(rows[0], 'booking');
}

/**
 * Somebody pauses for some days: they are not expected, and no streak of theirs counts or breaks.
 * @throws Refusal `not-found`, `too-many-pauses`
 */
export async function pause(
  db: Db,
  { studioId }: Scope,
  { participantId, span, now }: { participantId: string; span: Span; now: number },
): Promise<string> {
  const person = { id: participantId, studio_id: studioId };
  found(await db('participants').where(person).forUpdate().first('id'), 'person');
  const [kept] = await db('pauses').where({ participant_id: participantId }).count();
  if (Number(kept?.count) >= MOST_PAUSES) {
    throw new Refusal('too-many-pauses', String(MOST_PAUSES));
  }
  const id = randomUUID();
  await db('pauses').insert({
    id,
    studio_id: studioId,
    participant_id: participantId,
    from_date: span.from,
    to_date: span.to,
    created_at: new Date(now),
  });
  return id;
}

/**
 * Takes a pause back. Whoever paused is at the end of the line of each session in it, so nobody loses the room they
 * have. @throws Refusal `not-found`
 */
export async function dropPause(
  db: Db,
  { studioId }: Scope,
  { participantId, id, now }: { participantId: string; id: string; now: number },
): Promise<void> {
  await db.transaction(async (trx) => {
    const rows = await trx('pauses')
      .where({ id, studio_id: studioId, participant_id: participantId })
      .delete()
      .returning([
        'id',
        trx.raw("to_char(from_date, 'YYYY-MM-DD') as from_day"),
        trx.raw("to_char(to_date, 'YYYY-MM-DD') as to_day"),
      ]);
    const { from_day, to_day } = found(rows[0], 'pause');
    const at = new Date(now);
    await trx.raw(
      `insert into session_bookings (studio_id, session_id, participant_id, coming, at)
        select w.studio_id, w.session_id, w.participant_id, null, ?
        from session_wishes w
        join sessions s on s.id = w.session_id
        join studios on studios.id = s.studio_id
        where w.participant_id = ? and w.studio_id = ?
          and s.status <> 'held' and s.starts_at > ?
          and (s.starts_at at time zone studios.time_zone)::date between ? and ?
        on conflict (session_id, participant_id) do update set at = excluded.at
          where session_bookings.coming is null`,
      [at, participantId, studioId, at, from_day, to_day],
    );
  });
}

/**
 * Somebody leaves the studio: their bookings end, and they are in no list any more. All that is known of them
 * stays until they are erased. @throws Refusal `not-found`
 */
export async function leaveStudio(
  db: Db,
  { studioId }: Scope,
  { id, on, now }: { id: string; on: string; now: number },
): Promise<void> {
  await db.transaction(async (trx) => {
    const rows = await trx('participants')
      .where({ id, studio_id: studioId })
      .update({ left_on: on, home_hash: null, feed_hash: null })
      .returning('id');
    found(rows[0], 'person');
    await trx('bookings')
      .where({ studio_id: studioId, participant_id: id, until: null })
      .update({ until: trx.raw('greatest(since, ?)', [new Date(now)]) });
    const toCome = trx('sessions').where('starts_at', '>', new Date(now)).select('id');
    await trx('session_bookings')
      .where({ studio_id: studioId, participant_id: id })
      .whereIn('session_id', toCome)
      .delete();
  });
}

/** They are back; they have to be booked anew. @throws Refusal `not-found` */
export async function comeBack(db: Db, { studioId }: Scope, id: string): Promise<void> {
  const rows = await db('participants')
    .where({ id, studio_id: studioId })
    .update({ left_on: null })
    .returning('id');
  found(rows[0], 'person');
}

/** What somebody is called. @throws Refusal `not-found` */
export async function nameOf(db: Db, { studioId }: Scope, id: string): Promise<string> {
  const row = await db('participants').where({ id, studio_id: studioId }).first('name');
  return found<{ name: string }>(row, 'person').name;
}

/** Everybody who is with the studio, by name, and as they are told from others of their name. */
export async function namesOfPeople(db: Db, scope: Scope): Promise<Apart[]> {
  const people: Named[] = await db('participants')
    .where({ studio_id: scope.studioId, left_on: null })
    .orderByRaw('lower(name)')
    .select('id', 'name');
  return apart(db, scope, people);
}

/** Whether anybody is or was on the register. */
export async function anybody(db: Db, { studioId }: Scope): Promise<boolean> {
  return (await db('participants').where({ studio_id: studioId }).first('id')) !== undefined;
}
