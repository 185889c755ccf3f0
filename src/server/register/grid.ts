import { z } from 'zod';
import { type Attendance, came, lateByMs, markSchema, takenPartMs } from '@/core/attendance';
import { type SessionStatus, sessionStatusSchema } from '@/core/calendar';
import type { MarkSaid } from '@/core/today';
import type { Db } from '../db';
import { type ClassStreak, streaksBy } from '../people/streaks';
import { personMarks, timesBy } from '../people/times';
import { epochMs, maybeEpochMs } from '../rows';
import { found, type Scope } from '../scope';

/** The register of a class over some weeks: people by sessions. */

/** Most people of a register, and most sessions. */
export const MOST_LINES = 500;
export const MOST_SESSIONS = 120;

export interface GridSession {
  id: string;
  /** Epoch ms. */
  startsAt: number;
  status: SessionStatus;
  /** Why it was cancelled. */
  word: string | null;
  /** When it was led; null where it never was. */
  startedAt: number | null;
  finishedAt: number | null;
  slotMs: number;
  /** Marks of people who were erased since. */
  nameless: { came: number; marked: number };
}

export interface GridCell {
  sessionId: string;
  attendance: Attendance;
  /** How long after the start they came, how long before the end they left and took part, in ms. */
  lateMs: number;
  leftMs: number;
  tookMs: number | null;
  /** It was changed after the session was closed. */
  changed: boolean;
}

export interface GridLine {
  participantId: string;
  name: string;
  /** Booked on the class now. */
  booked: boolean;
  /** Ids of the sessions they were or are expected in. */
  expected: ReadonlySet<string>;
  cells: GridCell[];
  streak: ClassStreak | null;
  /** Of those that were marked here, without excuses. */
  came: number;
  of: number;
  /** What is worth knowing of them. */
  marks: MarkSaid[];
}

export interface Register {
  className: string;
  sessions: GridSession[];
  lines: GridLine[];
  /** There are more people than are shown. */
  more: boolean;
}

const sessionSchema = z
  .object({
    id: z.uuid(),
    starts_at: epochMs,
    status: sessionStatusSchema,
    word: z.string().nullable(),
    started_at: maybeEpochMs,
    finished_at: maybeEpochMs,
    slot_seconds: z.number(),
    nameless_came: z.number(),
    nameless: z.number(),
  })
  .transform(
    (row): GridSession => ({
      id: row.id,
      startsAt: row.starts_at,
      status: row.status,
      word: row.word,
      startedAt: row.started_at,
      finishedAt: row.finished_at,
      slotMs: row.slot_seconds * 1000,
      nameless: { came: row.nameless_came, marked: row.nameless },
    }),
  );

const personSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  greet: z.boolean(),
  booked: z.boolean(),
});
const expectedSchema = z.object({ session_id: z.uuid(), participant_id: z.uuid() });
const cellSchema = z.object({
  session_id: z.uuid(),
  participant_id: z.uuid(),
  mark: markSchema,
  arrived_at: maybeEpochMs,
  left_at: maybeEpochMs,
  changed: z.boolean(),
});

/** Which register is asked for; times in epoch ms. */
export interface RegisterAsked {
  classId: string;
  from: number;
  to: number;
  /** One person alone. */
  only?: string;
  zone: string;
  now: number;
}

/**
 * The register of a class from one instant to another.
 * @param from epoch ms, as `to` and `now`
 * @throws Refusal `not-found`
 */
export async function registerOf(
  db: Db,
  scope: Scope,
  { classId, from, to, only, zone, now }: RegisterAsked,
): Promise<Register> {
  const { studioId } = scope;
  const ofClass = await db('classes')
    .where({ id: classId, studio_id: studioId })
    .first(db.raw("plan->>'name' as name"));
  const className = found<{ name: string }>(ofClass, 'class').name;
  const sessions = await sessionsOf(db, scope, { classId, from, to });
  const ids = sessions.map((s) => s.id);
  const whose = only ? { classId, participantIds: [only] } : { classId };
  const just = (query: ReturnType<Db>, column: string) =>
    only ? query.where(column, only) : query;
  const [cells, expected, streaks, times] = await Promise.all([
    just(db('attendance as a'), 'a.participant_id')
      .where('a.studio_id', studioId)
      .whereIn('a.session_id', ids)
      .select(
        'a.session_id',
        'a.participant_id',
        'a.mark',
        'a.arrived_at',
        'a.left_at',
        db.raw(`exists (select from attendance_changes c
          where c.session_id = a.session_id and c.participant_id = a.participant_id) as changed`),
      ),
    just(db('session_people'), 'participant_id')
      .where({ studio_id: studioId, booked: true })
      .whereIn('session_id', ids)
      .select('session_id', 'participant_id'),
    streaksBy(db, scope, { whose, zone, now }),
    timesBy(db, scope, only ? [only] : undefined),
  ]);
  const cellsBy = z.array(cellSchema).parse(cells);
  const expectedBy = z.array(expectedSchema).parse(expected);
  const inIt = new Set([...cellsBy, ...expectedBy].map((row) => row.participant_id));
  const people = z.array(personSchema).parse(
    await just(db('participants as p'), 'p.id')
      .where('p.studio_id', studioId)
      .where((either) =>
        either
          .whereIn('p.id', [...inIt])
          .orWhereIn(
            'p.id',
            db('bookings').where({ class_id: classId, until: null }).select('participant_id'),
          ),
      )
      .orderByRaw('lower(p.name), p.id')
      .limit(MOST_LINES + 1)
      .select(
        'p.id',
        'p.name',
        'p.greet',
        db.raw(
          `exists (select from bookings b
            where b.participant_id = p.id and b.class_id = ? and b.until is null) as booked`,
          [classId],
        ),
      ),
  );
  const bySession = new Map(sessions.map((s) => [s.id, s]));
  const lines = people.slice(0, MOST_LINES).map((p): GridLine => {
    const own = cellsBy.filter((c) => c.participant_id === p.id);
    const marked = own.filter((c) => {
      return bySession.get(c.session_id)?.status === 'held' && c.mark !== 'excused';
    });
    const streak = streaks.get(p.id)?.[0] ?? null;
    return {
      participantId: p.id,
      name: p.name,
      booked: p.booked,
      expected: new Set(
        expectedBy.filter((e) => e.participant_id === p.id).map((e) => e.session_id),
      ),
      cells: own.flatMap((c) => {
        const session = bySession.get(c.session_id);
        return session ? [cellOf(c, session)] : [];
      }),
      streak,
      came: marked.filter((c) => came(c.mark)).length,
      of: marked.length,
      marks: personMarks(times.get(p.id), { best: streak, greet: p.greet, now }),
    };
  });
  return { className, sessions, lines, more: people.length > MOST_LINES };
}

async function sessionsOf(
  db: Db,
  { studioId }: Scope,
  { classId, from, to }: { classId: string; from: number; to: number },
): Promise<GridSession[]> {
  const rows = await db('sessions as s')
    .join('classes as c', 'c.id', 's.class_id')
    .leftJoin('runs as r', 'r.session_id', 's.id')
    .leftJoin('closures as o', 'o.id', 's.closure_id')
    .where({ 's.studio_id': studioId, 's.class_id': classId })
    .where('s.starts_at', '>=', new Date(from))
    .where('s.starts_at', '<', new Date(to))
    .orderBy(['s.starts_at', 's.id'])
    .limit(MOST_SESSIONS)
    .select(
      's.id',
      's.starts_at',
      's.status',
      db.raw('coalesce(s.word, o.name) as word'),
      'r.started_at',
      'r.finished_at',
      db.raw("(c.plan->>'slotSeconds')::int as slot_seconds"),
      db.raw(`coalesce((select sum(n.people)::int from nameless_marks n
        where n.session_id = s.id and n.mark in ('here', 'late')), 0) as nameless_came`),
      db.raw(`coalesce((select sum(n.people)::int from nameless_marks n
        where n.session_id = s.id and n.mark <> 'excused'), 0) as nameless`),
    );
  return z.array(sessionSchema).parse(rows);
}

function cellOf(row: z.infer<typeof cellSchema>, session: GridSession): GridCell {
  const attendance = { mark: row.mark, arrivedAt: row.arrived_at, leftAt: row.left_at };
  const [start, end] = timesOf(session);
  const isKnown = session.startedAt !== null && session.finishedAt !== null;
  return {
    sessionId: session.id,
    attendance,
    lateMs: row.mark === 'late' ? lateByMs(attendance, start) : 0,
    leftMs: row.left_at === null ? 0 : Math.max(0, end - row.left_at),
    tookMs: isKnown && came(row.mark) ? takenPartMs(attendance, start, end) : null,
    changed: row.changed,
  };
}

/** When a session began and ended, as it was led or as it is on the calendar; epoch ms. */
export const timesOf = (
  s: Pick<GridSession, 'startsAt' | 'startedAt' | 'finishedAt' | 'slotMs'>,
): [start: number, end: number] => {
  const start = s.startedAt ?? s.startsAt;
  return [start, s.finishedAt ?? start + s.slotMs];
};
