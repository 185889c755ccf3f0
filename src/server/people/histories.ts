import { z } from 'zod';
import { came, type Mark } from '@/core/attendance';
import { sessionStatusSchema } from '@/core/calendar';
import { grouped } from '@/core/collections';
import { dateOn } from '@/core/formats';
import type { History, Meeting, RuleFrom, Span } from '@/core/streak';
import { closuresOf } from '../closed/closed';
import type { Db } from '../db';
import { bigintMs, epochMs, maybeEpochMs } from '../rows';
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
  n: bigintMs,
  class_id: z.uuid(),
  starts_at: epochMs,
  status: sessionStatusSchema,
  word: z.string().nullable(),
});
type SessionRow = z.infer<typeof sessionSchema>;

const bookingSchema = z.object({
  participant_id: z.uuid(),
  class_id: z.uuid(),
  since: epochMs,
  until: maybeEpochMs,
  left_on: z.string().nullable(),
});
type BookingRow = z.infer<typeof bookingSchema>;

const nameSchema = z.object({ id: z.uuid(), name: z.string() });
/** All marks of one person: for each the number of its session and a letter, as in "12h 13a". */
const marksSchema = z.object({ participant_id: z.uuid(), marks: z.string() });
type MarksOf = ReadonlyMap<number, Mark>;

function marksIn(text: string): MarksOf {
  const marks = new Map<number, Mark>();
  for (const token of text.split(' ')) {
    const mark = LETTERS[token.at(-1) ?? ''];
    if (mark) marks.set(Number(token.slice(0, -1)), mark);
  }
  return marks;
}

/** How often somebody came, and when last. */
export interface Times {
  times: number;
  /** When they came first, epoch ms; null for who never did. */
  firstAt: number | null;
  /** When they came last and the time before, epoch ms. */
  lastAt: number | null;
  beforeAt: number | null;
}

/** What the register knows of some people. */
export interface Histories {
  histories: ClassHistory[];
  /** How often each came, whether they were booked or not; of one class alone where one was asked for. */
  times: ReadonlyMap<string, Times>;
}

const pairSchema = z.object({ session_id: z.uuid(), participant_id: z.uuid() });
const pair = (row: z.infer<typeof pairSchema>): string => `${row.session_id} ${row.participant_id}`;

/** Histories of everybody, of some people or in one class. @param now epoch ms */
export async function historiesOf(
  db: Db,
  scope: Scope,
  { whose = {}, zone, now }: { whose?: Whose; zone: string; now: number },
): Promise<Histories> {
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
    .select('s.id', 's.n', 's.class_id', 's.starts_at', 's.status');
  sessions.select(db.raw('coalesce(s.word, c.name) as word'));
  const bookings = ofThem(db('bookings as b'), 'b.participant_id')
    .join('participants as p', 'p.id', 'b.participant_id')
    .join('classes as k', 'k.id', 'b.class_id')
    .where('b.studio_id', studioId)
    .select('b.participant_id', 'b.class_id', 'b.since')
    // Nobody is waited for in a class that is put away.
    .select(db.raw('least(b.until, k.put_away_at) as until'))
    .select(db.raw("to_char(p.left_on, 'YYYY-MM-DD') as left_on"));
  const marks = ofThem(db('attendance as a'), 'a.participant_id')
    .join('sessions as s', 's.id', 'a.session_id')
    .where('a.studio_id', studioId)
    .groupBy('a.participant_id')
    .select('a.participant_id', db.raw("string_agg(s.n || left(a.mark, 1), ' ') as marks"));
  if (classId) {
    sessions.where('s.class_id', classId);
    bookings.where('b.class_id', classId);
    marks.where('s.class_id', classId);
  }
  const names = db('classes')
    .where({ studio_id: studioId })
    .select('id', db.raw("plan->>'name' as name"));
  const [sessionRows, bookingRows, markRows, nameRows, away, shares, own, rules] =
    await Promise.all([
      sessions,
      bookings,
      marks,
      names,
      notExpected(db, scope, whose),
      sharesOf(db, scope, whose),
      ownParts(db, scope, participantIds),
      rulesOf(db, scope),
    ]);
  const all = z.array(sessionSchema).parse(sessionRows);
  const byClass = grouped(all, (s) => s.class_id);
  const className = new Map(
    z
      .array(nameSchema)
      .parse(nameRows)
      .map((c) => [c.id, c.name]),
  );
  const marksBy = new Map(
    z
      .array(marksSchema)
      .parse(markRows)
      .map((m) => [m.participant_id, marksIn(m.marks)]),
  );
  const dateOf = (ms: number) => dateOn(ms, zone);
  const rulesBy = new Map([...className.keys()].map((id) => [id, rulesFor(rules, id)]));
  const histories = z
    .array(bookingSchema)
    .parse(bookingRows)
    .map((b): ClassHistory => {
      const { participant_id: participantId, class_id, since, until } = b;
      const of = { marks: marksBy.get(participantId) ?? new Map(), away, shares };
      return {
        participantId,
        classId: class_id,
        className: className.get(class_id) ?? '',
        ended: (until !== null && until <= now) || b.left_on !== null,
        history: {
          from: dateOf(since),
          until: earliest(until === null ? null : dateOf(until), b.left_on),
          meetings: meetingsOf(byClass.get(class_id) ?? [], b, of),
          ...own(participantId),
        },
        rules: rulesBy.get(class_id) ?? rulesFor(rules, class_id),
      };
    });
  return { histories, times: timesOf(all, marksBy) };
}

/** How often each of some people came to held sessions. @param sessions by time */
function timesOf(
  sessions: readonly SessionRow[],
  marksBy: ReadonlyMap<string, MarksOf>,
): Map<string, Times> {
  const startOf = new Map(
    sessions.filter((s) => s.status === 'held').map((s) => [s.n, s.starts_at]),
  );
  const all = new Map<string, Times>();
  for (const [participantId, marks] of marksBy) {
    let [times, last, before] = [0, Number.NEGATIVE_INFINITY, Number.NEGATIVE_INFINITY];
    let first = Number.POSITIVE_INFINITY;
    for (const [n, mark] of marks) {
      const at = startOf.get(n);
      if (at === undefined || !came(mark)) continue;
      times++;
      first = Math.min(first, at);
      if (at > last) [last, before] = [at, last];
      else if (at > before) before = at;
    }
    const orNull = (ms: number) => (Number.isFinite(ms) ? ms : null);
    if (times > 0) {
      const [lastAt, beforeAt] = [orNull(last), orNull(before)];
      all.set(participantId, { times, firstAt: first, lastAt, beforeAt });
    }
  }
  return all;
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

/** The sessions of a class while a booking lasts, with what the register says of each. */
function meetingsOf(
  sessions: readonly SessionRow[],
  { participant_id, since, until }: BookingRow,
  {
    marks,
    away,
    shares,
  }: { marks: MarksOf; away: ReadonlySet<string>; shares: ReadonlyMap<string, number> },
): Meeting[] {
  const isPlain = away.size + shares.size === 0;
  const meetings: Meeting[] = [];
  for (const session of sessions) {
    if (session.starts_at < since || (until !== null && session.starts_at >= until)) continue;
    const mark = marks.get(session.n);
    const key = isPlain ? '' : pair({ session_id: session.id, participant_id });
    // Who had said that they cannot come, or found no room, was not expected.
    if (away.has(key) && !came(mark)) continue;
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
  // For one person it is quicker to count who came before them than to put everybody in order.
  const places = participantIds?.length === 1 ? 'person_sessions' : 'session_people';
  const [away, full] = [
    db('session_bookings as w').where({ 'w.studio_id': studioId, coming: false }),
    db(`${places} as w`)
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
