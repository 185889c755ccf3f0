import { z } from 'zod';
import { came } from '@/core/attendance';
import { isNoText } from '@/core/bounded';
import { type MarkSaid, PERSON_MARKS } from '@/core/today';
import type { Db } from '../db';
import type { Scope } from '../scope';
import { type Participant, participantColumns, participantSchema } from './people';
import { type ClassStreak, regularityOf } from './streaks';
import { personMarks } from './times';

/** The people of a studio as a list that can be searched, sorted and paged. */

/** People on one page. */
export const PAGE = 50;
export const SORTS = ['name', 'seen', 'attended', 'streak', 'practice'] as const;
export const SHOWN = ['here', ...PERSON_MARKS, 'newcomers', 'carries', 'left'] as const;
/** Whoever came for the first time so many days ago at most is a newcomer. */
export const NEWCOMER_DAYS = 365;

export const peopleAskedSchema = z.object({
  find: z
    .string()
    .trim()
    .max(80)
    .refine((text) => !isNoText(text))
    .catch('')
    .default(''),
  show: z.enum(SHOWN).catch('here').default('here'),
  classId: z.uuid().optional().catch(undefined),
  sort: z.enum(SORTS).catch('name').default('name'),
  down: z
    .union([z.boolean(), z.literal('true').transform(() => true)])
    .catch(false)
    .default(false),
  page: z.coerce.number().int().min(1).max(1000).catch(1).default(1),
});
export type PeopleAsked = z.output<typeof peopleAskedSchema>;

/** Meetings they came to, of those that were held with them expected. */
export interface CameOf {
  came: number;
  of: number;
}

export interface ListedPerson extends Participant {
  /** Names of the classes they are booked on. */
  classes: string[];
  times: number;
  firstAt: number | null;
  lastAt: number | null;
  in4: CameOf;
  in12: CameOf;
  /** The streak that runs longest; null for who is booked on nothing. */
  best: ClassStreak | null;
  /** How often they practised at home in the last 12 weeks. */
  practice: number;
  marks: MarkSaid[];
  /** Something of what they carry is kept; what, is on their page. */
  carries: boolean;
}

export interface PeoplePage {
  people: ListedPerson[];
  /** How many there are on all pages. */
  total: number;
}

const DAY_MS = 86_400_000;
const WEEK_MS = 7 * DAY_MS;
/** Where nothing has to be known of all of them, only the people of a page are looked at. */
const isPlain = (asked: PeopleAsked): boolean =>
  asked.sort === 'name' && ['here', 'left', 'carries'].includes(asked.show);

/** @param now epoch ms */
export async function peoplePage(
  db: Db,
  scope: Scope,
  { zone, now, ...asked }: PeopleAsked & { zone: string; now: number },
): Promise<PeoplePage> {
  if (isPlain(asked)) {
    const [[all], rows] = await Promise.all([
      matching(db, scope, asked).count(),
      byName(db, scope, asked)
        .limit(PAGE)
        .offset((asked.page - 1) * PAGE),
    ]);
    const people = await withFigures(db, scope, { rows, zone, now });
    return { people, total: Number(all?.count) };
  }
  const shown = await peopleShown(db, scope, { zone, now, ...asked });
  const from = (asked.page - 1) * PAGE;
  return { people: shown.slice(from, from + PAGE), total: shown.length };
}

/** Everybody whom a list shows, on all its pages. */
export async function peopleShown(
  db: Db,
  scope: Scope,
  { zone, now, ...asked }: PeopleAsked & { zone: string; now: number },
): Promise<ListedPerson[]> {
  const rows = await byName(db, scope, asked);
  const all = await withFigures(db, scope, { rows, zone, now });
  const shown = (PERSON_MARKS as readonly string[]).includes(asked.show)
    ? all.filter((p) => p.marks.some((m) => m.mark === asked.show))
    : asked.show === 'newcomers'
      ? all.filter((p) => p.firstAt !== null && p.firstAt >= now - NEWCOMER_DAYS * DAY_MS)
      : all;
  const { sort } = asked;
  if (sort !== 'name') {
    const sign = asked.down ? -1 : 1;
    shown.sort((a, b) => sign * (VALUES[sort](a) - VALUES[sort](b)));
  }
  return shown;
}

const VALUES: Record<Exclude<PeopleAsked['sort'], 'name'>, (p: ListedPerson) => number> = {
  seen: (p) => p.lastAt ?? 0,
  attended: (p) => (p.in12.of === 0 ? -1 : p.in12.came / p.in12.of),
  streak: (p) => p.best?.streak.current ?? -1,
  practice: (p) => p.practice,
};

const byName = (db: Db, scope: Scope, asked: PeopleAsked) =>
  matching(db, scope, asked)
    .orderByRaw(`lower(participants.name) ${asked.down ? 'desc' : 'asc'}, participants.id`)
    .select([...participantColumns(db), db.raw("participants.cautions <> '[]' as carries")]);

function matching(db: Db, { studioId }: Scope, { find, show, classId }: PeopleAsked) {
  const query = db('participants').where('participants.studio_id', studioId);
  if (show === 'left') query.whereNotNull('participants.left_on');
  else query.whereNull('participants.left_on');
  if (show === 'carries') query.whereRaw("participants.cautions <> '[]'");
  if (find) {
    query.where((either) =>
      either
        .whereRaw('position(lower(?) in lower(participants.name)) > 0', [find])
        .orWhereRaw("position(lower(?) in lower(coalesce(participants.contact, ''))) > 0", [find]),
    );
  }
  if (classId) {
    query.whereExists(
      db('bookings')
        .where({ class_id: classId, until: null })
        .whereRaw('bookings.participant_id = participants.id')
        .select(db.raw('1')),
    );
  }
  return query;
}

const practisedSchema = z.object({ participant_id: z.uuid(), n: z.number() });

async function withFigures(
  db: Db,
  scope: Scope,
  { rows, zone, now }: { rows: readonly unknown[]; zone: string; now: number },
): Promise<ListedPerson[]> {
  const { studioId } = scope;
  const carriesSchema = z.object({ carries: z.boolean() });
  const people = rows.map((row) => ({
    ...participantSchema.parse(row),
    ...carriesSchema.parse(row),
  }));
  const few = people.length <= PAGE;
  const ids = people.map((p) => p.id);
  const narrow = (query: ReturnType<Db>, column: string) =>
    few ? query.whereIn(column, ids) : query;
  const [practiceRows, { streaks, times }] = await Promise.all([
    narrow(
      db('practice')
        .where({ studio_id: studioId })
        .where('at', '>=', new Date(now - 12 * WEEK_MS)),
      'participant_id',
    )
      .groupBy('participant_id')
      .select('participant_id', db.raw('count(*)::int as n')),
    regularityOf(db, scope, { whose: few ? { participantIds: ids } : {}, zone, now }),
  ]);
  const practised = new Map(
    z
      .array(practisedSchema)
      .parse(practiceRows)
      .map((r) => [r.participant_id, r.n]),
  );
  return people.map((p) => {
    const known = times.get(p.id);
    const all = streaks.get(p.id) ?? [];
    const running = all.filter((s) => !s.ended);
    const best = running[0] ?? null;
    return {
      ...p,
      classes: running.map((s) => s.className),
      times: known?.times ?? 0,
      firstAt: known?.firstAt ?? null,
      lastAt: known?.lastAt ?? null,
      in4: cameOf(all, now - 4 * WEEK_MS),
      in12: cameOf(all, now - 12 * WEEK_MS),
      best,
      practice: practised.get(p.id) ?? 0,
      marks: personMarks(known, { best, greet: p.greet, now }),
    };
  });
}

/** Of the meetings that were held since and marked, without excuses, how many they came to. */
export function cameOf(streaks: readonly ClassStreak[], since: number): CameOf {
  let [times, of] = [0, 0];
  for (const { history } of streaks) {
    for (const { startsAt, status, mark } of history.meetings) {
      if (startsAt < since || status !== 'held' || !mark || mark === 'excused') continue;
      of++;
      if (came(mark)) times++;
    }
  }
  return { came: times, of };
}
