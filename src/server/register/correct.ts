import { dequal } from 'dequal';
import { z } from 'zod';
import { type Attendance, attendanceSchema, came, type Mark } from '@/core/attendance';
import { Refusal } from '@/core/calls';
import type { Db } from '../db';
import { epochMs } from '../rows';
import { found, type Scope } from '../scope';
import { attendanceOf, type Changing, type Line, putAttendance } from '../sessions/register';
import { getSession } from '../sessions/sessions';
import { timesOf } from './grid';

/** Corrections of the register, each with who made it and when, and each to be taken back. */

/** Most corrections that the register of one session keeps. */
export const MOST_CHANGES = 5000;

/** What a teacher says of somebody in a register. */
export interface Said {
  mark: Mark;
  /** How many minutes after the start they came, and before the end they left. */
  lateMinutes?: number;
  leftMinutes?: number;
}

/** Whether a change is made already: who asks again has not heard the answer. */
const isMade = async (db: Db, { studioId }: Scope, id: string | undefined): Promise<boolean> =>
  id !== undefined &&
  (await db('attendance_changes').where({ id, studio_id: studioId }).first('id')) !== undefined;

/** One after the other of what changes the register of one person. @throws Refusal `not-found` */
async function holdPerson(db: Db, { studioId }: Scope, id: string): Promise<void> {
  found(
    await db('participants').where({ id, studio_id: studioId }).forUpdate().first('id'),
    'person',
  );
}

/**
 * Corrects one line of the register of a session, or clears it with null.
 * @param id of the change, made by whoever asks; what is asked again under one id is done once
 * @returns the id of the change; null where nothing changed
 * @throws Refusal `not-found`, `cancelled`; `not-yet-met` for anything but an excuse before a session begins;
 * `too-many-changes`
 */
export async function correct(
  db: Db,
  scope: Scope,
  { line, said, id, ...changing }: Changing & { line: Line; said: Said | null; id?: string },
): Promise<string | null> {
  return db.transaction(async (trx) => {
    const session = await getSession(trx, scope, line.sessionId);
    if (session.status === 'cancelled') throw new Refusal('cancelled');
    const begun = session.status === 'held' || session.runStartedAt !== null;
    if (said && said.mark !== 'excused' && !begun && session.startsAt > changing.now) {
      throw new Refusal('not-yet-met');
    }
    await holdPerson(trx, scope, line.participantId);
    if (id && (await isMade(trx, scope, id))) return id;
    await refuseTooMany(trx, scope, line.sessionId);
    const times = {
      ...session,
      startedAt: session.runStartedAt,
      finishedAt: session.runFinishedAt,
    };
    const before = await attendanceOf(trx, scope, line);
    const after = said && attendanceFrom(said, before, timesOf(times));
    const change = await putAttendance(trx, scope, { line, after, id, ...changing });
    await heldBySaying(trx, scope, { session, now: changing.now, said });
    return change;
  });
}

/** A session that was never led here, and whose register is filled later, was held all the same. */
async function heldBySaying(
  db: Db,
  { studioId }: Scope,
  {
    session,
    now,
    said,
  }: {
    session: { id: string; status: string; startsAt: number; runStartedAt: number | null };
    now: number;
    said: Said | null;
  },
): Promise<void> {
  if (!said || said.mark === 'excused') return;
  if (session.status !== 'planned' || session.runStartedAt !== null) return;
  if (session.startsAt > now) return;
  await db('sessions').where({ id: session.id, studio_id: studioId }).update({ status: 'held' });
}

function attendanceFrom(
  { mark, lateMinutes, leftMinutes }: Said,
  before: Attendance | null,
  [start, end]: [number, number],
): Attendance {
  if (!came(mark)) return { mark, arrivedAt: null, leftAt: null };
  const keeps = before !== null && before.mark === mark;
  const arrivedAt =
    lateMinutes !== undefined
      ? start + lateMinutes * 60_000
      : ((keeps ? before.arrivedAt : null) ?? start);
  const leftAt =
    leftMinutes === undefined
      ? (before?.leftAt ?? null)
      : leftMinutes === 0
        ? null
        : end - leftMinutes * 60_000;
  return { mark, arrivedAt, leftAt: leftAt === null ? null : Math.max(arrivedAt, leftAt) };
}

async function refuseTooMany(db: Db, { studioId }: Scope, sessionId: string): Promise<void> {
  const [kept] = await db('attendance_changes')
    .where({ studio_id: studioId, session_id: sessionId })
    .count();
  if (Number(kept?.count) >= MOST_CHANGES) {
    throw new Refusal('too-many-changes', String(MOST_CHANGES));
  }
}

/** A change of the register, as it can be read. */
export interface Change {
  id: string;
  sessionId: string;
  participantId: string;
  /** Name of the person. */
  name: string;
  by: string;
  at: number;
  before: Attendance | null;
  after: Attendance | null;
}

const changeSchema = z
  .object({
    id: z.uuid(),
    session_id: z.uuid(),
    participant_id: z.uuid(),
    name: z.string(),
    by_name: z.string(),
    at: epochMs,
    before: attendanceSchema.nullable(),
    after: attendanceSchema.nullable(),
  })
  .transform(
    (row): Change => ({
      id: row.id,
      sessionId: row.session_id,
      participantId: row.participant_id,
      name: row.name,
      by: row.by_name,
      at: row.at,
      before: row.before,
      after: row.after,
    }),
  );

const takenSchema = z
  .object({
    session_id: z.uuid(),
    participant_id: z.uuid(),
    before: attendanceSchema.nullable(),
    after: attendanceSchema.nullable(),
  })
  .transform(({ before, after, ...of }) => ({
    line: { sessionId: of.session_id, participantId: of.participant_id },
    before,
    after,
  }));

/** Most changes that are shown at once, the newest. */
const MOST_SHOWN = 100;

/** Changes of the registers of some sessions, the newest first. */
export async function changesOf(
  db: Db,
  { studioId }: Scope,
  sessionIds: readonly string[],
): Promise<Change[]> {
  const rows = await db('attendance_changes as c')
    .join('participants as p', 'p.id', 'c.participant_id')
    .where('c.studio_id', studioId)
    .whereIn('c.session_id', [...sessionIds])
    .orderBy([
      { column: 'c.at', order: 'desc' },
      { column: 'c.n', order: 'desc' },
    ])
    .limit(MOST_SHOWN)
    .select('c.id', 'c.session_id', 'c.participant_id', 'p.name', 'c.by_name', 'c.at')
    .select('c.before', 'c.after');
  return z.array(changeSchema).parse(rows);
}

/**
 * Takes a change back; that is a change too.
 * @param as id of that change, made by whoever asks; what is asked again under one id is done once
 * @throws Refusal `not-found`; `changed-since` where the line is not as the change left it
 */
export async function takeBack(
  db: Db,
  scope: Scope,
  { id, as, ...changing }: Changing & { id: string; as?: string },
): Promise<Line> {
  return db.transaction(async (trx) => {
    const row = await trx('attendance_changes')
      .where({ id, studio_id: scope.studioId })
      .first('session_id', 'participant_id', 'before', 'after');
    const change = takenSchema.parse(found(row, 'change'));
    const { line } = change;
    await holdPerson(trx, scope, line.participantId);
    if (await isMade(trx, scope, as)) return line;
    // What came after it may have been taken back itself.
    if (!dequal(await attendanceOf(trx, scope, line), change.after)) {
      throw new Refusal('changed-since');
    }
    await refuseTooMany(trx, scope, line.sessionId);
    await putAttendance(trx, scope, { line, after: change.before, id: as, ...changing });
    return line;
  });
}
