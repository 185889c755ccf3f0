import { z } from 'zod';
import { workByArea } from '@/core/balance';
import { mondayOf } from '@/core/calendar';
import { dateOn } from '@/core/formats';
import {
  column,
  type Done,
  type Insight,
  type InsightRow,
  loadOf,
  type MoveTime,
  timesByMove,
} from '@/core/insights';
import { AREA_NAMES, AREAS, type Area, type Move } from '@/core/move';
import { minutesOf, newRunEventSchema, spent, totalOf } from '@/core/run';
import { type Score, scoreSchema } from '@/core/score';
import type { Db } from '../db';
import { bigintMs, groupedBy } from '../rows';
import type { Scope } from '../scope';
import { turns } from '../turns';
import { MOST_ROWS, type SessionRow } from './sessions';

/** What sessions that were led say: minutes, areas, and what was done with force. */

/** A session that was led to its end, with where its time went. */
export interface LedRun {
  session: SessionRow;
  /** Its work by area, in ms. */
  work: Partial<Record<Area, number>>;
  /** The moves that were done, but for those in their easier version. */
  whole: ReadonlySet<string>;
  promisedMs: number;
  tookMs: number;
  moves: MoveTime[];
}

const eventRowSchema = z
  .object({
    id: z.uuid(),
    at_ms: bigintMs,
    type: z.string(),
    data: z.record(z.string(), z.unknown()),
  })
  .transform(({ id, at_ms, type, data }) =>
    newRunEventSchema.parse({ id, at: at_ms, type, ...data }),
  );

/**
 * The sessions that were led to their end, with where their time went. Between two of them others have their turn,
 * since a term of them takes long to read.
 */
export async function runsOf(
  db: Db,
  { studioId }: Scope,
  sessions: readonly SessionRow[],
  moves: readonly Move[],
): Promise<LedRun[]> {
  const led = sessions.filter((s) => s.run_id && s.score && s.started_at && s.finished_at);
  const byId = new Map(moves.map((m) => [m.id, m]));
  const rows: { run_id: string }[] = await db('run_events')
    .where({ studio_id: studioId })
    .whereIn(
      'run_id',
      led.map((s) => s.run_id as string),
    )
    .orderBy(['run_id', 'seq'])
    .select('run_id', 'id', 'at_ms', 'type', 'data');
  const eventsOf = groupedBy(rows, (row) => row.run_id);
  const runs: LedRun[] = [];
  const turn = turns();
  for (const session of led) {
    await turn();
    const score = scoreSchema.parse(session.score) as Score;
    const easier = session.easier ? (scoreSchema.parse(session.easier) as Score) : null;
    const own = z.array(eventRowSchema).parse(eventsOf.get(session.run_id ?? '') ?? []);
    const [start, end] = [session.started_at ?? 0, session.finished_at ?? 0];
    const parts = minutesOf(score, spent(score, own, end, easier));
    const known = score.steps.filter((s) => byId.has(s.moveId));
    runs.push({
      session,
      work: workByArea({ ...score, steps: known }, byId),
      whole: new Set(
        score.steps.flatMap((s) => (s.kind === 'work' && s.variant !== 'easier' ? s.moveId : [])),
      ),
      promisedMs: score.totalMs,
      tookMs: end - start,
      moves: parts.map((p) => ({
        moveId: p.moveId,
        plannedMs: totalOf(p.planned),
        actualMs: totalOf(p.actual),
      })),
    });
  }
  return runs;
}

/** Minutes with one decimal. */
export const inMinutes = (ms: number): number => Math.round(ms / 6000) / 10;

export function minutes(runs: readonly LedRun[], dayOf: (s: SessionRow) => string): Insight {
  return {
    key: 'minutes',
    title: 'Promised and real minutes',
    how: 'How long each session was by its score when it began, and from its start to its end as it was led, standing still included.',
    columns: [column('Session'), column('Promised', 'min'), column('Real', 'min')],
    drawn: [1, 2],
    rows: runs.map((r) => ({
      cells: [dayOf(r.session), inMinutes(r.promisedMs), inMinutes(r.tookMs)],
      href: `/lead/${r.session.id}`,
    })),
  };
}

export function byMove(runs: readonly LedRun[], nameOf: (id: string) => string): Insight {
  const all = timesByMove(runs.flatMap((r) => r.moves)).slice(0, MOST_ROWS);
  return {
    key: 'moves',
    title: 'Where the minutes went, by move',
    how: 'Average time of a move in a session as planned and as it was led, those that run over most first. At the close of a class its lengths can be kept.',
    columns: [column('Move'), column('Planned', 'min'), column('Real', 'min'), column('Sessions')],
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

export function areas(runs: readonly LedRun[]): Insight {
  const sums = new Map<Area, number>();
  for (const { work } of runs) {
    for (const [area, ms] of Object.entries(work) as [Area, number][]) {
      sums.set(area, (sums.get(area) ?? 0) + ms);
    }
  }
  const all = [...sums.values()].reduce((a, b) => a + b, 0);
  const worked = all === 0 ? [] : AREAS;
  const rows = worked.map((area): InsightRow => {
    const ms = sums.get(area) ?? 0;
    return {
      cells: [
        AREA_NAMES[area],
        inMinutes(ms),
        Math.round((100 * ms) / all),
        Math.round(100 / AREAS.length),
      ],
      href: '/moves',
    };
  });
  return {
    key: 'areas',
    title: 'Work by area of the face',
    how: 'Work time of the sessions that were led, shared out over the areas of each move by their weights, against what each would have if all had the same. What is hardly worked may come next; an aim may want it so.',
    columns: [
      column('Area'),
      column('Work', 'min'),
      column('Share', '%'),
      column('An even share', '%'),
    ],
    drawn: [2, 3],
    rows: rows.toSorted((a, b) => Number(b.cells[1]) - Number(a.cells[1])),
  };
}

const cameSchema = z.object({ session_id: z.uuid(), participant_id: z.uuid() });

export async function load(
  db: Db,
  { studioId }: Scope,
  {
    runs,
    moves,
    zone,
    nameOf,
  }: {
    runs: readonly LedRun[];
    moves: readonly Move[];
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
  const cameTo = groupedBy(came, (c) => c.session_id);
  const done: Done[] = runs.flatMap(({ session, whole }) => {
    const week = mondayOf(dateOn(session.starts_at, zone));
    const people = cameTo.get(session.id) ?? [];
    // The easier version of a strong move is not what is capped.
    return [...whole].flatMap((moveId) =>
      caps.has(moveId)
        ? people.map((p) => ({ week, moveId, participantId: p.participant_id }))
        : [],
    );
  });
  return {
    key: 'load',
    title: 'Firm massage, week by week',
    how: 'For each move with a weekly cap, how often whoever did it most did it in that week, in the sessions that were led, and how many did it more often than its cap.',
    columns: [
      column('Week'),
      column('Most, one person', 'times'),
      column('Cap', 'times'),
      column('People over it', 'people'),
      column('Move'),
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
