import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { addDays, daysBetween } from '@/core/calendar';
import { Refusal } from '@/core/calls';
import { dateOn } from '@/core/formats';
import {
  type KeptOf,
  keptSince,
  type Streak,
  type StreakRule,
  streakOf,
  streakRuleSchema,
} from '@/core/streak';
import { classInUse } from '../classes/classes';
import type { Db } from '../db';
import { found, type Scope } from '../scope';
import { historiesOf, ownParts } from './histories';

/** Programmes: a class or practice at home, by a rule, for some weeks. */

/** Most programmes of a studio that go on and that were ended, and most people in one of them. */
export const MOST_PROGRAMMES = 100;
export const MOST_ENDED = 1000;
export const MOST_ENROLLED = 500;

export interface Programme {
  id: string;
  name: string;
  /** The class whose meetings count; null where practice at home alone does. */
  classId: string | null;
  className: string | null;
  /** The class that everybody in it is given to do at home. */
  homeClassId: string | null;
  rule: StreakRule;
  weeks: number;
  /** How many are in it now. */
  enrolled: number;
  /** ISO 8601 date; null while it runs. */
  endedOn: string | null;
}

const programmeSchema = z
  .object({
    id: z.uuid(),
    name: z.string(),
    class_id: z.uuid().nullable(),
    class_name: z.string().nullable(),
    home_class_id: z.uuid().nullable(),
    rule: streakRuleSchema,
    weeks: z.number(),
    enrolled: z.number(),
    ended_on: z.string().nullable(),
  })
  .transform(
    (row): Programme => ({
      id: row.id,
      name: row.name,
      classId: row.class_id,
      className: row.class_name,
      homeClassId: row.home_class_id,
      rule: row.rule,
      weeks: row.weeks,
      enrolled: row.enrolled,
      endedOn: row.ended_on,
    }),
  );

/** Every programme of a studio, those that run first. */
export async function programmesOf(db: Db, { studioId }: Scope): Promise<Programme[]> {
  const rows = await db('programmes as g')
    .leftJoin('classes as c', 'c.id', 'g.class_id')
    .where('g.studio_id', studioId)
    .orderByRaw('g.ended_on is not null, lower(g.name), g.id')
    .select(
      'g.id',
      'g.name',
      'g.class_id',
      'g.home_class_id',
      db.raw("c.plan->>'name' as class_name"),
      'g.rule',
      'g.weeks',
      db.raw("to_char(g.ended_on, 'YYYY-MM-DD') as ended_on"),
      db.raw(`(select count(*)::int from enrolments e
        where e.programme_id = g.id and e.until_date is null) as enrolled`),
    );
  return z.array(programmeSchema).parse(rows);
}

export interface NewProgramme {
  name: string;
  classId: string | null;
  homeClassId?: string | null;
  rule: StreakRule;
  weeks: number;
}

/** @throws Refusal `not-found`, `class-put-away`, `too-many-programmes` */
export async function makeProgramme(
  db: Db,
  scope: Scope,
  { programme, now }: { programme: NewProgramme; now: number },
): Promise<string> {
  const { studioId } = scope;
  const { name, classId, homeClassId = null, rule, weeks } = programme;
  for (const id of [classId, homeClassId]) {
    if (id !== null) await classInUse(db, scope, id);
  }
  const id = randomUUID();
  await db.transaction(async (trx) => {
    await hasRoom(trx, scope);
    await trx('programmes').insert({
      id,
      studio_id: studioId,
      name,
      class_id: classId,
      home_class_id: homeClassId,
      rule: JSON.stringify(rule),
      weeks,
      created_at: new Date(now),
    });
  });
  return id;
}

/** Ends a programme for everybody, or lets it run again with null. @throws Refusal `not-found`, and as `hasRoom` does */
export async function endProgramme(
  db: Db,
  scope: Scope,
  { id, on }: { id: string; on: string | null },
): Promise<void> {
  const of = { id, studio_id: scope.studioId };
  await db.transaction(async (trx) => {
    const row = await trx('programmes').where(of).forUpdate().first('ended_on');
    const hadEnded = found(row, 'programme').ended_on !== null;
    if (hadEnded !== (on !== null)) await hasRoom(trx, scope, { ended: on !== null });
    await trx('programmes').where(of).update({ ended_on: on });
  });
}

/** @throws Refusal `too-many-programmes`, `too-many-ended` where there is no room for one more */
async function hasRoom(trx: Db, { studioId }: Scope, { ended = false } = {}): Promise<void> {
  // Not the key, which an errand holds: two who wait for each other's would both be refused.
  await trx('studios').where({ id: studioId }).forNoKeyUpdate().select('id');
  const of = trx('programmes').where({ studio_id: studioId });
  const kept = ended ? of.whereNotNull('ended_on') : of.whereNull('ended_on');
  const { n } = await kept.first(trx.raw('count(*)::int as n'));
  if (ended && n >= MOST_ENDED) throw new Refusal('too-many-ended', String(MOST_ENDED));
  if (!ended && n >= MOST_PROGRAMMES) {
    throw new Refusal('too-many-programmes', String(MOST_PROGRAMMES));
  }
}

/** Takes somebody in from a day on, ISO 8601. @throws Refusal `not-found`, `too-many-enrolled` */
export async function enrol(
  db: Db,
  { studioId }: Scope,
  { id, participantId, from }: { id: string; participantId: string; from: string },
): Promise<void> {
  await db.transaction(async (trx) => {
    const of = { studio_id: studioId };
    found(
      await trx('programmes')
        .where({ ...of, id })
        .forUpdate()
        .first('id'),
      'programme',
    );
    found(
      await trx('participants')
        .where({ ...of, id: participantId })
        .first('id'),
      'person',
    );
    const [kept] = await trx('enrolments')
      .where({ ...of, programme_id: id })
      .count();
    if (Number(kept?.count) >= MOST_ENROLLED) {
      throw new Refusal('too-many-enrolled', String(MOST_ENROLLED));
    }
    await trx('enrolments')
      .insert({ ...of, programme_id: id, participant_id: participantId, from_date: from })
      .onConflict(['participant_id', 'programme_id'])
      .merge({ from_date: from, until_date: null });
  });
}

/** Somebody leaves a programme on a day, ISO 8601. @throws Refusal `not-found` */
export async function leaveProgramme(
  db: Db,
  { studioId }: Scope,
  { id, participantId, on }: { id: string; participantId: string; on: string },
): Promise<void> {
  const rows = await db('enrolments')
    .where({ studio_id: studioId, programme_id: id, participant_id: participantId })
    .whereNull('until_date')
    .update({ until_date: db.raw('greatest(from_date, ?::date)', [on]) })
    .returning('programme_id');
  found(rows[0], 'enrolment');
}

/** How far somebody is in a programme. */
export interface Progress {
  programme: Programme;
  participantId: string;
  name: string;
  /** ISO 8601 dates: the first and the last day. */
  from: string;
  to: string;
  /** The week they are in, from 1; 0 before it begins, one more than there are once it is over. */
  week: number;
  /** They left before its end. */
  left: boolean;
  streak: Streak;
  /** What was kept of what was asked in all. */
  kept: KeptOf;
}

const enrolmentSchema = z.object({
  programme_id: z.uuid(),
  participant_id: z.uuid(),
  name: z.string(),
  from_date: z.string(),
  until_date: z.string().nullable(),
});

/** How far everybody in a programme is, or somebody in all of theirs. @param now epoch ms */
export async function progressOf(
  db: Db,
  scope: Scope,
  { of, zone, now }: { of: { id: string } | { participantId: string }; zone: string; now: number },
): Promise<Progress[]> {
  const query = db('enrolments as e')
    .join('participants as p', 'p.id', 'e.participant_id')
    .where('e.studio_id', scope.studioId)
    .orderByRaw('lower(p.name), e.from_date, e.programme_id')
    .select(
      'e.programme_id',
      'e.participant_id',
      'p.name',
      db.raw("to_char(e.from_date, 'YYYY-MM-DD') as from_date"),
      db.raw("to_char(e.until_date, 'YYYY-MM-DD') as until_date"),
    );
  if ('id' in of) query.where('e.programme_id', of.id);
  else query.where('e.participant_id', of.participantId);
  const enrolled = z.array(enrolmentSchema).parse(await query);
  const participantIds = [...new Set(enrolled.map((e) => e.participant_id))];
  const [programmes, own, { histories }] = await Promise.all([
    programmesOf(db, scope),
    ownParts(db, scope, participantIds),
    historiesOf(db, scope, { whose: { participantIds }, zone, now }),
  ]);
  const today = dateOn(now, zone);
  return enrolled.flatMap((e): Progress[] => {
    const programme = programmes.find((g) => g.id === e.programme_id);
    if (!programme) return [];
    const last = addDays(e.from_date, 7 * programme.weeks - 1);
    const ends = [last, e.until_date, programme.endedOn].filter((d) => d !== null).sort();
    const to = ends[0] ?? last;
    const inClass = histories.find(
      (h) => h.participantId === e.participant_id && h.classId === programme.classId,
    );
    const meetings = inClass?.history.meetings ?? [];
    const history = { from: e.from_date, until: to, meetings, ...own(e.participant_id) };
    const rules = [{ from: e.from_date, rule: programme.rule }];
    const streak = streakOf(history, { rules, zone, now });
    const day = daysBetween(e.from_date, today);
    const week = day < 0 ? 0 : Math.min(programme.weeks + 1, Math.floor(day / 7) + 1);
    return [
      {
        programme,
        participantId: e.participant_id,
        name: e.name,
        from: e.from_date,
        to,
        week: today > to ? programme.weeks + 1 : week,
        left: e.until_date !== null,
        streak,
        kept: keptSince(streak, e.from_date),
      },
    ];
  });
}
