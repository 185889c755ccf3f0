import { z } from 'zod';

/** Figures of a studio as tables: each can be drawn, read, traced to where it comes from, and kept as a file. */

export interface InsightColumn {
  name: string;
  /** What its numbers are of; nothing for words. */
  unit?: string;
}

export const column = (name: string, unit?: string): InsightColumn =>
  unit === undefined ? { name } : { name, unit };

export interface InsightRow {
  cells: readonly (string | number)[];
  /** Where the row comes from. */
  href: string | null;
}

export interface Insight {
  key: InsightKey;
  title: string;
  /** How it is computed, in a sentence or two. */
  how: string;
  columns: readonly InsightColumn[];
  rows: readonly InsightRow[];
  /** Columns that are drawn, by their place; the first column says where. */
  drawn: readonly number[];
}

export const INSIGHTS = [
  'attendance',
  'newcomers',
  'minutes',
  'moves',
  'learned',
  'areas',
  'corrected',
  'load',
] as const;
export type InsightKey = (typeof INSIGHTS)[number];

/** Which class, or all, over how many weeks. */
export const insightsAskedSchema = z.object({
  classId: z.uuid().optional().catch(undefined),
  weeks: z.coerce.number().int().min(1).max(52).catch(12).default(12),
});

/** Times that a newcomer may come to. */
export const RETURNS = [2, 5, 10] as const;

/**
 * How many of some newcomers came a 2nd, 5th and 10th time.
 * @param times how often each has come
 */
export const returned = (
  times: readonly number[],
): { nth: number; people: number; of: number }[] =>
  times.length === 0
    ? []
    : RETURNS.map((nth) => ({
        nth,
        people: times.filter((t) => t >= nth).length,
        of: times.length,
      }));

/** Time that a move was planned and took in one session, in ms. */
export interface MoveTime {
  moveId: string;
  plannedMs: number;
  actualMs: number;
}

/** Planned and actual time by move over some sessions, those that ran over most first. */
export function timesByMove(
  all: readonly MoveTime[],
): { moveId: string; plannedMs: number; actualMs: number; times: number }[] {
  const by = new Map<string, { plannedMs: number; actualMs: number; times: number }>();
  for (const { moveId, plannedMs, actualMs } of all) {
    const sum = by.get(moveId) ?? { plannedMs: 0, actualMs: 0, times: 0 };
    by.set(moveId, {
      plannedMs: sum.plannedMs + plannedMs,
      actualMs: sum.actualMs + actualMs,
      times: sum.times + 1,
    });
  }
  return [...by]
    .map(([moveId, sum]) => ({ moveId, ...sum }))
    .sort(
      (a, b) =>
        b.actualMs / b.times -
        b.plannedMs / b.times -
        (a.actualMs / a.times - a.plannedMs / a.times),
    );
}

/** That somebody did a capped move in a week. */
export interface Done {
  /** ISO 8601 date of the Monday. */
  week: string;
  moveId: string;
  participantId: string;
}

export interface Load {
  week: string;
  moveId: string;
  /** Most times that anybody did it in the week, and how many did it more often than its cap. */
  most: number;
  over: number;
}

/** How often moves with a weekly cap were done by whoever did them most, week by week. */
export function loadOf(done: readonly Done[], capOf: (moveId: string) => number): Load[] {
  const counts = new Map<string, Map<string, number>>();
  for (const { week, moveId, participantId } of done) {
    const key = `${week} ${moveId}`;
    const people = counts.get(key) ?? new Map<string, number>();
    people.set(participantId, (people.get(participantId) ?? 0) + 1);
    counts.set(key, people);
  }
  return [...counts]
    .map(([key, people]): Load => {
      const [week = '', moveId = ''] = key.split(' ');
      const times = [...people.values()];
      const over = times.filter((n) => n > capOf(moveId)).length;
      return { week, moveId, most: Math.max(...times), over };
    })
    .sort((a, b) =>
      a.week === b.week ? (a.moveId < b.moveId ? -1 : 1) : a.week < b.week ? -1 : 1,
    );
}
