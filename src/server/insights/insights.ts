import { z } from 'zod';
import { dayLabel } from '@/core/formats';
import { column, type Insight, returned } from '@/core/insights';
import { moveText } from '@/core/move';
import type { Db } from '../db';
import { allMoves } from '../moves/moves';
import { NEWCOMER_DAYS } from '../people/list';
import type { Scope } from '../scope';
import { areas, byMove, inMinutes, load, minutes, runsOf } from './led';
import { MOST_ROWS, type SessionRow, sessionSchema } from './sessions';

/** What a term was like: figures that a teacher would rather look at than count. */

/** Most sessions that are looked at, the newest. */
export const MOST_SESSIONS = 150;
const DAY_MS = 86_400_000;
export interface InsightsAsked {
  /** One class, or all where nothing is said. */
  classId?: string;
  weeks: number;
  zone: string;
  /** Epoch ms. */
  now: number;
}

/** All insights of a studio over some weeks up to now. */
export async function insightsOf(db: Db, scope: Scope, asked: InsightsAsked): Promise<Insight[]> {
  const { studioId } = scope;
  const { weeks, zone, now, classId } = asked;
  const from = new Date(now - weeks * 7 * DAY_MS);
  const query = db('sessions as s')
    .join('classes as c', 'c.id', 's.class_id')
    .leftJoin('runs as r', 'r.session_id', 's.id')
    .where('s.studio_id', studioId)
    .whereBetween('s.starts_at', [from, new Date(now)])
    .orderBy('s.starts_at', 'desc')
    .limit(MOST_SESSIONS)
    .select(
      's.id',
      db.raw("c.plan->>'name' as class_name"),
      's.starts_at',
      's.status',
      's.room_for',
      'r.id as run_id',
      'r.started_at',
      'r.finished_at',
      // What was said is long, and nothing is asked of it here.
      db.raw(`r.score || '{"cues": []}' as score`),
      db.raw(`r.easier || '{"cues": []}' as easier`),
      db.raw(`(select count(*)::int from attendance a
        where a.session_id = s.id and a.arrived_at is not null)
        + coalesce((select sum(n.people)::int from nameless_marks n
          where n.session_id = s.id and n.mark in ('here', 'late')), 0) as came`),
      db.raw(`(select count(*)::int from session_people p
        where p.session_id = s.id and p.booked) as expected`),
    );
  if (classId) query.where('s.class_id', classId);
  const sessions = z
    .array(sessionSchema)
    .parse(await query)
    .reverse();
  const moves = await allMoves(db, scope);
  const nameOf = (id: string) => {
    const move = moves.find((m) => m.id === id);
    return move ? moveText(move, 'en').name : id;
  };
  const runs = await runsOf(db, scope, sessions, moves);
  const dayOf = (s: SessionRow): string => {
    const day = dayLabel(s.starts_at, zone);
    // Of all classes together, the name says more than the year.
    return classId ? day : `${day.replace(/ \d{4}$/, '')}, ${s.class_name}`;
  };
  return [
    attendance(sessions, dayOf),
    await newcomers(db, scope, asked),
    minutes(runs, dayOf),
    byMove(runs, nameOf),
    await learned(db, scope, { sessions, dayOf }),
    areas(runs),
    await corrected(db, scope, { from, classId, nameOf }),
    await load(db, scope, { runs, moves, zone, nameOf }),
  ];
}

function attendance(sessions: readonly SessionRow[], dayOf: (s: SessionRow) => string): Insight {
  return {
    key: 'attendance',
    title: 'Who came, session by session',
    how: 'People marked here or late, those expected (booked and not excused beforehand), and how many there is room for. A cancelled session has none.',
    columns: [
      column('Session'),
      column('Came', 'people'),
      column('Expected', 'people'),
      column('Room for', 'people'),
      column('Held'),
    ],
    drawn: [1, 2],
    rows: sessions.map((s) => ({
      cells: [
        dayOf(s),
        s.came,
        s.status === 'cancelled' ? 0 : s.expected,
        s.room_for ?? '',
        s.status === 'planned' ? 'not closed' : s.status,
      ],
      href: `/sessions/${s.id}`,
    })),
  };
}

const newcomerSchema = z.object({ participant_id: z.uuid(), times: z.number() });

async function newcomers(
  db: Db,
  { studioId }: Scope,
  { classId, now }: InsightsAsked,
): Promise<Insight> {
  const query = db('attendance as a')
    .join('sessions as s', 's.id', 'a.session_id')
    .where({ 'a.studio_id': studioId, 's.status': 'held' })
    .whereNotNull('a.arrived_at')
    .groupBy('a.participant_id')
    .havingRaw('min(s.starts_at) >= ?', [new Date(now - NEWCOMER_DAYS * DAY_MS)])
    .select('a.participant_id', db.raw('count(*)::int as times'));
  if (classId) query.where('s.class_id', classId);
  const times = z.array(newcomerSchema).parse(await query);
  return {
    key: 'newcomers',
    title: 'Newcomers who came back',
    how: 'Of everybody whose first class was within a year, how many have come at least so often. Whoever is new needs time for the tenth.',
    columns: [column('Time'), column('People', 'people'), column('Of', 'people')],
    drawn: [1],
    rows: returned(times.map((t) => t.times)).map(({ nth, people, of }) => ({
      cells: [`${nth}${nth === 2 ? 'nd' : 'th'}`, people, of],
      href: '/people?show=newcomers',
    })),
  };
}

const correctedSchema = z.object({
  move_id: z.string(),
  times: z.number(),
  people: z.number(),
  open: z.number(),
});

async function corrected(
  db: Db,
  { studioId }: Scope,
  { from, classId, nameOf }: { from: Date; classId?: string; nameOf: (id: string) => string },
): Promise<Insight> {
  const query = db('form_notes as n')
    .join('sessions as s', 's.id', 'n.session_id')
    .where('n.studio_id', studioId)
    .where('n.noted_at', '>=', from)
    .groupBy('n.move_id')
    .orderByRaw('times desc, n.move_id')
    .limit(MOST_ROWS)
    .select(
      'n.move_id',
      db.raw('count(*)::int as times'),
      db.raw('count(distinct n.participant_id)::int as people'),
      db.raw('(count(*) filter (where n.settled_at is null))::int as open'),
    );
  if (classId) query.where('s.class_id', classId);
  const rows = z.array(correctedSchema).parse(await query);
  return {
    key: 'corrected',
    title: 'Moves that are corrected most',
    how: 'Notes on form that were made while leading, by move, and how many of them are still open.',
    columns: [column('Move'), column('Notes'), column('People', 'people'), column('Open')],
    drawn: [1],
    rows: rows.map((r) => ({
      cells: [nameOf(r.move_id), r.times, r.people, r.open],
      href: `/moves/${r.move_id}`,
    })),
  };
}

const talkSchema = z.object({
  session_id: z.uuid(),
  cues_ms: z.number(),
  taken_ms: z.number(),
  left_out_ms: z.number(),
});

async function learned(
  db: Db,
  { studioId }: Scope,
  { sessions, dayOf }: { sessions: readonly SessionRow[]; dayOf: (s: SessionRow) => string },
): Promise<Insight> {
  const rows = await db('talk_samples')
    .where({ studio_id: studioId })
    .whereIn(
      'session_id',
      sessions.map((s) => s.id),
    )
    .select('session_id', 'cues_ms', 'taken_ms', 'left_out_ms');
  const by = new Map(
    z
      .array(talkSchema)
      .parse(rows)
      .map((r) => [r.session_id, r]),
  );
  return {
    key: 'learned',
    title: 'What was learned of talk',
    how: 'How long the cues of upbeats and changes of side are, how long the teacher took over them, and how much was left out by going on before. The latest ten classes of a kind make a talking factor, by which classes are planned.',
    columns: [
      column('Session'),
      column('Cues', 'min'),
      column('Talk took', 'min'),
      column('Left out', 'min'),
      column('Factor'),
    ],
    drawn: [1, 2],
    rows: sessions.flatMap((s) => {
      const talk = by.get(s.id);
      if (!talk) return [];
      const { cues_ms, taken_ms, left_out_ms } = talk;
      const factor = cues_ms === 0 ? '' : Math.round((100 * taken_ms) / cues_ms) / 100;
      const minutes = [cues_ms, taken_ms, left_out_ms].map(inMinutes);
      const cells = [dayOf(s), ...minutes, factor];
      return [{ cells, href: '/voice' }];
    }),
  };
}
