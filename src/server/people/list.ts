import { z } from 'zod';
import { came } from '@/core/attendance';
import { countWords, wouldEnd } from '@/core/streak';
import { type MarkSaid, marksOf, PERSON_MARKS } from '@/core/today';
import type { Db } from '../db';
import { maybeEpochMs } from '../rows';
import type { Scope } from '../scope';
import { type Participant, participantColumns, participantSchema } from './people';
import { type ClassStreak, streaksBy } from './streaks';

/** The people of a studio as a list that can be searched, sorted and paged. */

/** People on one page. */
export const PAGE = 50;
export const SORTS = ['name', 'seen', 'attended', 'streak', 'practice'] as const;
export const SHOWN = ['here', ...PERSON_MARKS, 'carries', 'left'] as const;

export const peopleAskedSchema = z.object({
  find: z.string().trim().max(80).catch('').default(''),
  show: z.enum(SHOWN).catch('here').default('here'),
  classId: z.uuid().optional().catch(undefined),
  sort: z.enum(SORTS).catch('name').default('name'),
  down: z.coerce.boolean().catch(false).default(false),
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

const WEEK_MS = 7 * 86_400_000;
/** Where nothing has to be known of all of them, only the people of a page are looked at. */
const isPlain = (asked: PeopleAsked): boolean =>
  asked.sort === 'name' && ['here', 'left', 'carries'].includes(asked.show);

/** @param now epoch ms */
export async function peoplePage(
  db: Db,
  scope: Scope,
  { zone, now, ...asked }: PeopleAsked & { zone: string; now: number },
): Promise<PeoplePage> {
  const found = matching(db, scope, asked);
  const direction = asked.down ? 'desc' : 'asc';
  const inOrder = found
    .clone()
    .orderByRaw(`lower(participants.name) ${direction}, participants.id`)
    .select([...participantColumns(db), db.raw("participants.cautions <> '[]' as carries")]);
  if (isPlain(asked)) {
    const [[all], rows] = await Promise.all([
      found.clone().count(),
      inOrder.limit(PAGE).offset((asked.page - 1) * PAGE),
    ]);
    const people = await withFigures(db, scope, { rows, zone, now });
    return { people, total: Number(all?.count) };
  }
  const all = await withFigures(db, scope, { rows: await inOrder, zone, now });
  const shown = (PERSON_MARKS as readonly string[]).includes(asked.show)
    ? all.filter((p) => p.marks.some((m) => m.mark === asked.show))
    : all;
  const { sort } = asked;
  if (sort !== 'name') {
    const sign = asked.down ? -1 : 1;
    shown.sort((a, b) => sign * (VALUES[sort](a) - VALUES[sort](b)));
  }
  const from = (asked.page - 1) * PAGE;
  return { people: shown.slice(from, from + PAGE), total: shown.length };
}

const VALUES: Record<Exclude<PeopleAsked['sort'], 'name'>, (p: ListedPerson) => number> = {
  seen: (p) => p.lastAt ?? 0,
  attended: (p) => (p.in12.of === 0 ? -1 : p.in12.came / p.in12.of),
  streak: (p) => p.best?.streak.current ?? -1,
  practice: (p) => p.practice,
};

/** Ids of everybody whom a list shows, on all its pages. */
export async function idsShown(
  db: Db,
  scope: Scope,
  asked: PeopleAsked & { zone: string; now: number },
): Promise<string[]> {
  if (isPlain(asked)) return matching(db, scope, asked).pluck('participants.id');
  const ids: string[] = [];
  for (let page = 1; ; page++) {
    const { people, total } = await peoplePage(db, scope, { ...asked, page });
    ids.push(...people.map((p) => p.id));
    if (people.length === 0 || ids.length >= total) return ids;
  }
}

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

const timesSchema = z.object({
  participant_id: z.uuid(),
  times: z.number(),
  last_at: maybeEpochMs,
  before_at: maybeEpochMs,
});

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
  const [timesRows, practiceRows, streaks] = await Promise.all([
    narrow(
      db('attendance as a')
        .join('sessions as s', 's.id', 'a.session_id')
        .where({ 'a.studio_id': studioId, 's.status': 'held' })
        .whereNotNull('a.arrived_at'),
      'a.participant_id',
    )
      .groupBy('a.participant_id')
      .select(
        'a.participant_id',
        db.raw('count(*)::int as times'),
        db.raw('max(s.starts_at) as last_at'),
        db.raw('(array_agg(s.starts_at order by s.starts_at desc))[2] as before_at'),
      ),
    narrow(
      db('practice')
        .where({ studio_id: studioId })
        .where('at', '>=', new Date(now - 12 * WEEK_MS)),
      'participant_id',
    )
      .groupBy('participant_id')
      .select('participant_id', db.raw('count(*)::int as n')),
    streaksBy(db, scope, { whose: few ? { participantIds: ids } : {}, zone, now }),
  ]);
  const times = new Map(
    z
      .array(timesSchema)
      .parse(timesRows)
      .map((r) => [r.participant_id, r]),
  );
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
      lastAt: known?.last_at ?? null,
      in4: cameOf(all, now - 4 * WEEK_MS),
      in12: cameOf(all, now - 12 * WEEK_MS),
      best,
      practice: practised.get(p.id) ?? 0,
      marks: marksOf(
        {
          times: known?.times ?? 0,
          lastAt: known?.last_at ?? null,
          beforeAt: known?.before_at ?? null,
          streak: best && {
            count: best.streak.current,
            words: countWords(best.streak.current, best.streak.per),
            ending: wouldEnd(best.streak),
          },
          greet: p.greet,
        },
        now,
      ),
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
