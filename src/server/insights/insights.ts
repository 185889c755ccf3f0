import { z } from 'zod';
import { workByArea } from '@/core/balance';
import { mondayOf } from '@/core/calendar';
import { dateOn, dayLabel } from '@/core/formats';
import {
  type Done,
  type Insight,
  type InsightRow,
  loadOf,
  type MoveTime,
  returned,
  timesByMove,
} from '@/core/insights';
import { AREA_NAMES, AREAS, type Area, moveText } from '@/core/move';
import { minutesOf, newRunEventSchema, spent, totalOf } from '@/core/run';
import { type Score, scoreSchema } from '@/core/score';
import type { Db } from '../db';
import { allMoves } from '../moves/moves';
import { bigintMs, epochMs, maybeEpochMs } from '../rows';
import type { Scope } from '../scope';

/** What a term was like: figures that a teacher would rather look at than count. */

/** Most sessions that are looked at, the newest. */
export const MOST_SESSIONS = 150;
/** Newcomers of so long ago are still looked at. */
const NEWCOMER_DAYS = 365;
const DAY_MS = 86_400_000;
const MOST_ROWS = 40;

export interface InsightsAsked {
  /** One class, or all where nothing is said. */
  classId?: string;
  weeks: number;
  zone: string;
  /** Epoch ms. */
  now: number;
}

const sessionSchema = z.object({
  id: z.uuid(),
  class_name: z.string(),
  starts_at: epochMs,
  status: z.enum(['planned', 'held', 'cancelled']),
  room_for: z.number().nullable(),
  came: z.number(),
  expected: z.number(),
  started_at: maybeEpochMs,
  finished_at: maybeEpochMs,
  score: z.unknown(),
  easier: z.unknown(),
  run_id: z.uuid().nullable(),
});
type SessionRow = z.infer<typeof sessionSchema>;

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
      'r.score',
      'r.easier',
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
  const runs = await runsOf(db, scope, sessions);
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
    areas(runs, moves),
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
      { name: 'Session' },
      { name: 'Came', unit: 'people' },
      { name: 'Expected', unit: 'people' },
      { name: 'Room for', unit: 'people' },
      { name: 'Held' },
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
    columns: [{ name: 'Time' }, { name: 'People', unit: 'people' }, { name: 'Of', unit: 'people' }],
    drawn: [1],
    rows: returned(times.map((t) => t.times)).map(({ nth, people, of }) => ({
      cells: [`${nth}${nth === 2 ? 'nd' : 'th'}`, people, of],
      href: '/people?sort=attended&down=true',
    })),
  };
}

/** A session that was led to its end, with where its time went. */
interface LedRun {
  session: SessionRow;
  score: Score;
  promisedMs: number;
  tookMs: number;
  moves: MoveTime[];
}

const eventRowSchema = z
  .object({
    run_id: z.uuid(),
    id: z.uuid(),
    at_ms: bigintMs,
    type: z.string(),
    data: z.record(z.string(), z.unknown()),
  })
  .transform(({ run_id, id, at_ms, type, data }) => ({
    runId: run_id,
    event: newRunEventSchema.parse({ id, at: at_ms, type, ...data }),
  }));

async function runsOf(
  db: Db,
  { studioId }: Scope,
  sessions: readonly SessionRow[],
): Promise<LedRun[]> {
  const led = sessions.filter((s) => s.run_id && s.score && s.started_at && s.finished_at);
  const rows = await db('run_events')
    .where({ studio_id: studioId })
    .whereIn(
      'run_id',
      led.map((s) => s.run_id as string),
    )
    .orderBy(['run_id', 'seq'])
    .select('run_id', 'id', 'at_ms', 'type', 'data');
  const events = z.array(eventRowSchema).parse(rows);
  return led.map((session): LedRun => {
    const score = scoreSchema.parse(session.score) as Score;
    const easier = session.easier ? (scoreSchema.parse(session.easier) as Score) : null;
    const own = events.filter((e) => e.runId === session.run_id).map((e) => e.event);
    const [start, end] = [session.started_at ?? 0, session.finished_at ?? 0];
    const parts = minutesOf(score, spent(score, own, end, easier));
    return {
      session,
      score,
      promisedMs: score.totalMs,
      tookMs: end - start,
      moves: parts.map((p) => ({
        moveId: p.moveId,
        plannedMs: totalOf(p.planned),
        actualMs: totalOf(p.actual),
      })),
    };
  });
}

/** Minutes with one decimal. */
const inMinutes = (ms: number): number => Math.round(ms / 6000) / 10;

function minutes(runs: readonly LedRun[], dayOf: (s: SessionRow) => string): Insight {
  return {
    key: 'minutes',
    title: 'Promised and real minutes',
    how: 'How long each session was by its score when it began, and from its start to its end as it was led, standing still included.',
    columns: [
      { name: 'Session' },
      { name: 'Promised', unit: 'min' },
      { name: 'Real', unit: 'min' },
    ],
    drawn: [1, 2],
    rows: runs.map((r) => ({
      cells: [dayOf(r.session), inMinutes(r.promisedMs), inMinutes(r.tookMs)],
      href: `/lead/${r.session.id}`,
    })),
  };
}

function byMove(runs: readonly LedRun[], nameOf: (id: string) => string): Insight {
  const all = timesByMove(runs.flatMap((r) => r.moves)).slice(0, MOST_ROWS);
  return {
    key: 'moves',
    title: 'Where the minutes went, by move',
    how: 'Average time of a move in a session as planned and as it was led, those that run over most first. At the close of a class its lengths can be kept.',
    columns: [
      { name: 'Move' },
      { name: 'Planned', unit: 'min' },
      { name: 'Real', unit: 'min' },
      { name: 'Sessions' },
    ],
    drawn: [1, 2],
    rows: all.map((m) => ({
      cells: [
        nameOf(m.moveId),
        inMinutes(m.plannedMs / m.times),
        inMinutes(m.actualMs / m.times),
        m.times,
      ],
      href: `/moves/${m.moveId}`,
    })),
  };
}

function areas(runs: readonly LedRun[], moves: Awaited<ReturnType<typeof allMoves>>): Insight {
  const byId = new Map(moves.map((m) => [m.id, m]));
  const sums = new Map<Area, number>();
  for (const { score } of runs) {
    const known: Score = { ...score, steps: score.steps.filter((s) => byId.has(s.moveId)) };
    for (const [area, ms] of Object.entries(workByArea(known, byId)) as [Area, number][]) {
      sums.set(area, (sums.get(area) ?? 0) + ms);
    }
  }
  const all = [...sums.values()].reduce((a, b) => a + b, 0);
  const rows = AREAS.map((area): InsightRow => {
    const ms = sums.get(area) ?? 0;
    return {
      cells: [AREA_NAMES[area], inMinutes(ms), all === 0 ? 0 : Math.round((100 * ms) / all)],
      href: '/moves',
    };
  });
  return {
    key: 'areas',
    title: 'Work by area of the face',
    how: 'Work time of the sessions that were led, shared out over the areas of each move by their weights. What is hardly worked may come next.',
    columns: [{ name: 'Area' }, { name: 'Work', unit: 'min' }, { name: 'Share, %' }],
    drawn: [1],
    rows: rows.toSorted((a, b) => Number(b.cells[1]) - Number(a.cells[1])),
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
    columns: [
      { name: 'Move' },
      { name: 'Notes' },
      { name: 'People', unit: 'people' },
      { name: 'Open' },
    ],
    drawn: [1],
    rows: rows.map((r) => ({
      cells: [nameOf(r.move_id), r.times, r.people, r.open],
      href: `/moves/${r.move_id}`,
    })),
  };
}

const cameSchema = z.object({ session_id: z.uuid(), participant_id: z.uuid() });

async function load(
  db: Db,
  { studioId }: Scope,
  {
    runs,
    moves,
    zone,
    nameOf,
  }: {
    runs: readonly LedRun[];
    moves: Awaited<ReturnType<typeof allMoves>>;
    zone: string;
    nameOf: (id: string) => string;
  },
): Promise<Insight> {
  const caps = new Map(moves.flatMap((m) => (m.weeklyCap ? [[m.id, m.weeklyCap] as const] : [])));
  const came = z.array(cameSchema).parse(
    await db('attendance')
      .where({ studio_id: studioId })
      .whereNotNull('arrived_at')
      .whereIn(
        'session_id',
        runs.map((r) => r.session.id),
      )
      .select('session_id', 'participant_id'),
  );
  const done: Done[] = runs.flatMap(({ session, score }) => {
    const week = mondayOf(dateOn(session.starts_at, zone));
    // The easier version of a strong move is not what is capped.
    const strong = score.steps.filter(
      (s) => s.kind === 'work' && caps.has(s.moveId) && s.variant !== 'easier',
    );
    const people = came.filter((c) => c.session_id === session.id);
    return [...new Set(strong.map((s) => s.moveId))].flatMap((moveId) =>
      people.map((p) => ({ week, moveId, participantId: p.participant_id })),
    );
  });
  return {
    key: 'load',
    title: 'Firm massage, week by week',
    how: 'For each move with a weekly cap, how often whoever did it most did it in that week, in the sessions that were led, and how many did it more often than its cap.',
    columns: [
      { name: 'Week' },
      { name: 'Most, one person', unit: 'times' },
      { name: 'Cap', unit: 'times' },
      { name: 'People over it', unit: 'people' },
      { name: 'Move' },
    ],
    drawn: [1, 2],
    rows: loadOf(done, (id) => caps.get(id) ?? 0)
      .slice(-MOST_ROWS)
      .map((l) => ({
        cells: [l.week, l.most, caps.get(l.moveId) ?? 0, l.over, nameOf(l.moveId)],
        href: `/calendar?view=week&from=${l.week}`,
      })),
  };
}
