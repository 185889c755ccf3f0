import { randomBytes } from 'node:crypto';
import { z } from 'zod';
import { Refusal, waitWords } from '@/core/calls';
import { codeOf, readCode } from '@/core/follow';
import { type Language, MAIN_LANGUAGE } from '@/core/language';
import { languageSchema } from '@/core/move';
import { countTry, forgetLastTry } from '../auth/attempts';
import { type Db, isUniqueError } from '../db';
import { announce } from '../live/hub';
import { epochMs, maybeEpochMs } from '../rows';
import { openLog } from '../runs';
import type { Scope } from '../scope';
import { getSession } from '../sessions/sessions';

/** The doors of classes that are followed: each has a code for as long as the class lasts, and a while after. */

/** How long a door stands before anybody closes the class, and after the class is closed, in ms. */
export const OPEN_MS = 12 * 3_600_000;
export const AFTER_MS = 30 * 60_000;
/** More than so many codes in a row are taken only where something is wrong. */
const MOST_CODES = 20;
const CHANCE_BYTES = 64;

export interface Door {
  sessionId: string;
  code: string;
  /** Nobody else may come in. */
  shut: boolean;
  /** Whoever followed may do the class again alone. */
  takeHome: boolean;
  /** Epoch ms. */
  endsAt: number;
}

const rowSchema = z
  .object({
    session_id: z.uuid(),
    code: z.string(),
    shut_at: maybeEpochMs,
    ends_at: epochMs,
    take_home: z.boolean(),
  })
  .transform(
    (row): Door => ({
      sessionId: row.session_id,
      code: row.code,
      shut: row.shut_at !== null,
      takeHome: row.take_home,
      endsAt: row.ends_at,
    }),
  );

const own = ({ studioId }: Scope, sessionId: string) => ({
  session_id: sessionId,
  studio_id: studioId,
});
const codeByChance = (): string => codeOf(randomBytes(CHANCE_BYTES)) ?? codeByChance();

/** The door of a session while it stands. */
export async function doorOf(
  db: Db,
  scope: Scope,
  sessionId: string,
  now: number,
): Promise<Door | null> {
  const row = await db('follow_doors as d')
    .join('sessions as s', 's.id', 'd.session_id')
    .join('classes as c', 'c.id', 's.class_id')
    .where({ 'd.session_id': sessionId, 'd.studio_id': scope.studioId })
    .where('d.ends_at', '>', new Date(now))
    .first('d.session_id', 'd.code', 'd.shut_at', 'd.ends_at', 'c.take_home');
  return row ? rowSchema.parse(row) : null;
}

/**
 * Opens a session to followers, or opens its door again. A door that stands keeps its code.
 * @throws Refusal `not-found`, `cancelled`
 */
export async function openDoor(
  db: Db,
  scope: Scope,
  sessionId: string,
  now: number,
): Promise<Door> {
  const session = await getSession(db, scope, sessionId);
  if (session.status === 'cancelled') throw new Refusal('cancelled');
  // Whoever follows hears of it by the log, from before the class is made ready.
  await openLog(db, scope, sessionId, now);
  const stands = await doorOf(db, scope, sessionId, now);
  if (stands) {
    await db('follow_doors').where(own(scope, sessionId)).update({ shut_at: null });
    return { ...stands, shut: false };
  }
  for (let n = 0; n < MOST_CODES; n++) {
    const door = {
      code: codeByChance(),
      opened_at: new Date(now),
      shut_at: null,
      ends_at: new Date(now + OPEN_MS),
    };
    try {
      await db('follow_doors')
        .insert({ ...own(scope, sessionId), ...door })
        .onConflict('session_id')
        .merge();
      const made = await doorOf(db, scope, sessionId, now);
      if (made) return made;
    } catch (error) {
      // Another class has this code.
      if (!isUniqueError(error)) throw error;
    }
  }
  throw new Error('no code was free');
}

/** Lets nobody else in; whoever follows goes on. @throws Refusal `not-open` */
export async function shutDoor(
  db: Db,
  scope: Scope,
  sessionId: string,
  now: number,
): Promise<Door> {
  const door = await doorOf(db, scope, sessionId, now);
  if (!door) throw new Refusal('not-open');
  await db('follow_doors')
    .where(own(scope, sessionId))
    .update({ shut_at: new Date(now) });
  return { ...door, shut: true };
}

/** Lets a class be taken home by whoever follows it, or not any more. @throws Refusal `not-found` */
export async function letTakeHome(
  db: Db,
  scope: Scope,
  { sessionId, takeHome, now }: { sessionId: string; takeHome: boolean; now: number },
): Promise<void> {
  const { classId } = await getSession(db, scope, sessionId);
  await db('classes')
    .where({ id: classId, studio_id: scope.studioId })
    .update({ take_home: takeHome });
  await tellFollowers(db, scope, sessionId, now);
}

/** The class is closed: its code is dead in a while. */
export async function endDoor(db: Db, scope: Scope, sessionId: string, now: number): Promise<void> {
  await db('follow_doors')
    .where(own(scope, sessionId))
    .where('ends_at', '>', new Date(now + AFTER_MS))
    .update({ ends_at: new Date(now + AFTER_MS) });
}

/** Followers look again, at whatever process they are. */
export async function tellFollowers(
  db: Db,
  scope: Scope,
  sessionId: string,
  now: number,
): Promise<void> {
  const { id } = await openLog(db, scope, sessionId, now);
  await announce(db, id);
}

/** A class that a code leads to. */
export interface Behind extends Scope {
  sessionId: string;
  code: string;
  shut: boolean;
  className: string;
  studioName: string;
  /** In which the class is led. */
  language: Language;
  startsAt: number;
  timeZone: string;
}

const behindSchema = z
  .object({
    session_id: z.uuid(),
    studio_id: z.uuid(),
    code: z.string(),
    shut_at: maybeEpochMs,
    class_name: z.string(),
    studio_name: z.string(),
    language: languageSchema,
    starts_at: epochMs,
    time_zone: z.string(),
  })
  .transform(
    (row): Behind => ({
      sessionId: row.session_id,
      studioId: row.studio_id,
      code: row.code,
      shut: row.shut_at !== null,
      className: row.class_name,
      studioName: row.studio_name,
      language: row.language,
      startsAt: row.starts_at,
      timeZone: row.time_zone,
    }),
  );

const behindQuery = (db: Db, now: number) =>
  db('follow_doors')
    .join('sessions', 'sessions.id', 'follow_doors.session_id')
    .join('classes', 'classes.id', 'sessions.class_id')
    .join('studios', 'studios.id', 'follow_doors.studio_id')
    .where('follow_doors.ends_at', '>', new Date(now))
    .first(
      'follow_doors.session_id',
      'follow_doors.studio_id',
      'follow_doors.code',
      'follow_doors.shut_at',
      'follow_doors.ends_at',
      db.raw("classes.plan->>'name' as class_name"),
      'studios.name as studio_name',
      db.raw("coalesce(classes.plan->>'language', ?) as language", [MAIN_LANGUAGE]),
      'sessions.starts_at',
      'studios.time_zone',
    );

/** The class behind a code that stands, or null. */
export async function behind(db: Db, code: string, now: number): Promise<Behind | null> {
  const row = await behindQuery(db, now).where('follow_doors.code', code);
  return row ? behindSchema.parse(row) : null;
}

/** The class that somebody is expected in and whose door is open now; the one that was opened last. */
export async function openTo(
  db: Db,
  { studioId }: Scope,
  participantId: string,
  now: number,
): Promise<Behind | null> {
  const row = await behindQuery(db, now)
    .join('person_sessions', 'person_sessions.session_id', 'follow_doors.session_id')
    .where({
      'follow_doors.studio_id': studioId,
      'person_sessions.participant_id': participantId,
      'person_sessions.booked': true,
    })
    .whereNull('follow_doors.shut_at')
    .orderBy('follow_doors.opened_at', 'desc');
  return row ? behindSchema.parse(row) : null;
}

/**
 * The class behind a code that somebody typed. Wrong codes are counted by where they come from, before the code is
 * looked at; after many the next has to wait, longer each time.
 * @throws Refusal `no-such-code`; `too-many-tries` in how many ms
 */
export async function behindTyped(
  db: Db,
  typed: string,
  { address, now }: { address: string; now: number },
): Promise<Behind> {
  const code = readCode(typed);
  if (!code) throw new Refusal('no-such-code');
  const tries = { guessesFrom: address };
  const waitMs = await countTry(db, tries, now);
  if (waitMs > 0) throw new Refusal('too-many-tries', waitWords(waitMs));
  const class_ = await behind(db, code, now);
  if (!class_) throw new Refusal('no-such-code');
  await forgetLastTry(db, tries);
  return class_;
}
