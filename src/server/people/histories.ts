import { z } from 'zod';
import type { Mark } from '@/core/attendance';
import { grouped } from '@/core/collections';
import { dateOn } from '@/core/formats';
import type { History, Meeting, RuleFrom, Span } from '@/core/streak';
import { closuresOf } from '../closed/closed';
import type { Db } from '../db';
import { epochMs, maybeEpochMs } from '../rows';
import type { Scope } from '../scope';
import { rulesFor, rulesOf } from './rules';

/** What streaks are folded from, read for many people at once. */

/** The history of one person in one class they are or were booked on. */
export interface ClassHistory {
  participantId: string;
  classId: string;
  className: string;
  /** Their booking has ended, or they left the studio. */
  ended: boolean;
  history: History;
  rules: readonly RuleFrom[];
}

/** Whose histories; everybody's where nothing is said. */
export interface Whose {
  participantIds?: readonly string[];
  classId?: string;
}

const LETTERS: Record<string, Mark> = { h: 'here', l: 'late', a: 'absent', e: 'excused' };

const sessionSchema = z.object({
  id: z.uuid(),
  class_id: z.uuid(),
  starts_at: epochMs,
  status: z.enum(['planned', 'held', 'cancelled']),
  word: z.string().nullable(),
});
type SessionRow = z.infer<typeof sessionSchema>;

const bookingSchema = z.object({
  participant_id: z.uuid(),
  class_id: z.uuid(),
  class_name: z.string(),
  since: epochMs,
  until: maybeEpochMs,
  left_on: z.string().nullable(),
  /** A letter for each session of the class since then, in order; - where nothing is marked. */
  marks: z.string(),
});

const pairSchema = z.object({ session_id: z.uuid(), participant_id: z.uuid() });
const pair = (row: z.infer<typeof pairSchema>): string => `${row.session_id} ${row.participant_id}`;

/** Histories of everybody, of some people or in one class. @param now epoch ms */
export async function historiesOf(
  db: Db,
  scope: Scope,
  { whose = {}, zone, now }: { whose?: Whose; zone: string; now: number },
): Promise<ClassHistory[]> {
  const { studioId } = scope;
  const { participantIds, classId } = whose;
  /** Narrows a query of a table that names a person. */
  const ofThem = <Q extends ReturnType<Db>>(query: Q, column: string): Q => {
    if (participantIds) query.whereIn(column, [...participantIds]);
    return query;
  };
  const sessions = db('sessions as s')
    .leftJoin('closures as c', 'c.id', 's.closure_id')
    .where('s.studio_id', studioId)
    .orderBy(['s.starts_at', 's.id'])
    .select('s.id', 's.class_id', 's.starts_at', 's.status');
  sessions.select(db.raw('coalesce(s.word, c.name) as word'));
  if (classId) sessions.where('s.class_id', classId);
  const bookings = db('bookings as b')
    .join('classes', 'classes.id', 'b.class_id')
    .join('participants as p', 'p.id', 'b.participant_id')
    .leftJoin('sessions as s', (join) =>
      join
        .on('s.class_id', 'b.class_id')
        .andOn('s.starts_at', '>=', 'b.since')
        .andOn(db.raw('(b.until is null or s.starts_at < b.until)')),
    )
    .leftJoin('attendance as a', (join) =>
      join.on('a.session_id', 's.id').andOn('a.participant_id', 'b.participant_id'),
    )
    .where('b.studio_id', studioId)
    .groupBy('b.class_id', 'b.participant_id', 'classes.id', 'p.left_on')
    .select(
      'b.participant_id',
      'b.class_id',
      db.raw("classes.plan->>'name' as class_name"),
      'b.since',
      'b.until',
      db.raw("to_char(p.left_on, 'YYYY-MM-DD') as left_on"),
      db.raw(`coalesce(string_agg(coalesce(left(a.mark, 1), '-'), '' order by s.starts_at, s.id)
        filter (where s.id is not null), '') as marks`),
    );
  if (classId) bookings.where('b.class_id', classId);
  ofThem(bookings, 'b.participant_id');
  const [sessionRows, bookingRows, away, shares, own, rules] = await Promise.all([
    sessions,
    bookings,
    notExpected(db, scope, whose),
    sharesOf(db, scope, whose),
    ownParts(db, scope, participantIds),
    rulesOf(db, scope),
  ]);
  const byClass = grouped(z.array(sessionSchema).parse(sessionRows), (s) => s.class_id);
  const rulesBy = new Map([...byClass.keys()].map((id) => [id, rulesFor(rules, id)]));
  const dateOf = (ms: number) => dateOn(ms, zone);
  return z
    .array(bookingSchema)
    .parse(bookingRows)
    .map((b): ClassHistory => {
      const all = byClass.get(b.class_id) ?? [];
      const of = { participantId: b.participant_id, away, shares };
      const until = earliest(b.until === null ? null : dateOf(b.until), b.left_on);
      return {
        participantId: b.participant_id,
        classId: b.class_id,
        className: b.class_name,
        ended: (b.until !== null && b.until <= now) || b.left_on !== null,
        history: {
          from: dateOf(b.since),
          until,
          meetings: meetingsOf(all, b, of),
          ...own(b.participant_id),
        },
        rules: rulesBy.get(b.class_id) ?? rulesFor(rules, b.class_id),
      };
    });
}

const practiceSchema = z.object({ participant_id: z.uuid(), at: epochMs });
const pauseSchema = z.object({
  participant_id: z.uuid(),
  from_date: z.string(),
  to_date: z.string(),
});
const dayOffSchema = z.object({ participant_id: z.uuid(), day: z.string() });

/** What a history has besides its meetings. */
export type OwnParts = Pick<History, 'practice' | 'holidays' | 'pauses' | 'freezes'>;

/** Tells of some people, or of all, when they practised and which days were off. */
export async function ownParts(
  db: Db,
  scope: Scope,
  participantIds?: readonly string[],
): Promise<(participantId: string) => OwnParts> {
  const of = (table: string) => {
    const query = db(table).where({ studio_id: scope.studioId });
    if (participantIds) query.whereIn('participant_id', [...participantIds]);
    return query;
  };
  const [practice, pauses, daysOff, closed] = await Promise.all([
    of('practice').select('participant_id', 'at'),
    of('pauses').select(
      'participant_id',
      db.raw("to_char(from_date, 'YYYY-MM-DD') as from_date"),
      db.raw("to_char(to_date, 'YYYY-MM-DD') as to_date"),
    ),
    of('days_off').select('participant_id', db.raw("to_char(day, 'YYYY-MM-DD') as day")),
    closuresOf(db, scope),
  ]);
  const practised = grouped(z.array(practiceSchema).parse(practice), (p) => p.participant_id);
  const paused = grouped(z.array(pauseSchema).parse(pauses), (p) => p.participant_id);
  const off = grouped(z.array(dayOffSchema).parse(daysOff), (d) => d.participant_id);
  const holidays = closed.map(({ from, to, name }) => ({ from, to, name }));
  return (id) => ({
    practice: (practised.get(id) ?? []).map((p) => p.at),
    holidays,
    pauses: (paused.get(id) ?? []).map((p): Span => ({ from: p.from_date, to: p.to_date })),
    freezes: (off.get(id) ?? []).map((d) => d.day),
  });
}

const earliest = (a: string | null, b: string | null): string | null =>
  a === null ? b : b === null || a < b ? a : b;

/** The sessions of a class since a booking, with what the register says of each. */
function meetingsOf(
  sessions: readonly SessionRow[],
  { since, marks }: z.infer<typeof bookingSchema>,
  {
    participantId,
    away,
    shares,
  }: {
    participantId: string;
    away: ReadonlySet<string>;
    shares: ReadonlyMap<string, number>;
  },
): Meeting[] {
  const first = sessions.findIndex((s) => s.starts_at >= since);
  const meetings: Meeting[] = [];
  for (let i = 0; i < marks.length; i++) {
    const session = sessions[first + i];
    if (!session) break;
    const mark = LETTERS[marks[i] ?? '-'];
    const key =
      away.size + shares.size > 0
        ? pair({ session_id: session.id, participant_id: participantId })
        : '';
    // Who had said that they cannot come, or found no room, was not expected.
    if (away.has(key) && mark !== 'here' && mark !== 'late') continue;
    meetings.push({
      sessionId: session.id,
      startsAt: session.starts_at,
      status: session.status,
      mark,
      share: shares.get(key),
      word: session.word ?? undefined,
    });
  }
  return meetings;
}

/** Who said that they cannot come to a session, or found no room in it. */
async function notExpected(
  db: Db,
  { studioId }: Scope,
  { participantIds, classId }: Whose,
): Promise<ReadonlySet<string>> {
  const [away, full] = [
    db('session_bookings as w').where({ 'w.studio_id': studioId, coming: false }),
    db('session_people as w')
      .where({ 'w.studio_id': studioId, booked: false })
      .whereNotNull('w.room_for'),
  ];
  for (const query of [away, full]) {
    if (participantIds) query.whereIn('w.participant_id', [...participantIds]);
    if (classId) query.join('sessions', 'sessions.id', 'w.session_id').where({ class_id: classId });
    query.select('w.session_id', 'w.participant_id');
  }
  const rows = [...(await away), ...(await full)];
  return new Set(z.array(pairSchema).parse(rows).map(pair));
}

const shareSchema = pairSchema.extend({ share: z.number() });

/** The share of a session that somebody took part in, in percent, where it is not the whole. */
async function sharesOf(
  db: Db,
  { studioId }: Scope,
  { participantIds, classId }: Whose,
): Promise<ReadonlyMap<string, number>> {
  const query = db('attendance as a')
    .join('runs as r', 'r.session_id', 'a.session_id')
    .where('a.studio_id', studioId)
    .whereRaw('r.finished_at > r.started_at')
    .whereRaw('(a.arrived_at > r.started_at or a.left_at < r.finished_at)')
    .select('a.session_id', 'a.participant_id')
    .select(
      db.raw(`100 * greatest(0, extract(epoch from
        least(coalesce(a.left_at, r.finished_at), r.finished_at) - greatest(a.arrived_at, r.started_at))
        / extract(epoch from r.finished_at - r.started_at))::float8 as share`),
    );
  if (participantIds) query.whereIn('a.participant_id', [...participantIds]);
  if (classId) {
    query.join('sessions', 'sessions.id', 'a.session_id').where('sessions.class_id', classId);
  }
  const rows = z.array(shareSchema).parse(await query);
  return new Map(rows.map((row) => [pair(row), row.share]));
}
