import { z } from 'zod';
import { Refusal, type RollEntry } from '@/core/calls';
import type { DoneAlready, ToldFinding } from '@/core/checks';
import { kitOf, placedSegments, type ResolvedClass, resolve } from '@/core/class';
import { inVariant, type Kit, moveText } from '@/core/move';
import { toldApart } from '@/core/people';
import { factorOf } from '@/core/run';
import type { Score } from '@/core/score';
import { type Expected, type WhoLine, whoComes } from '@/core/today';
import type { Teacher } from '../auth/sign-ins';
import { getClass, savePlan } from '../classes/classes';
import { knownLengths } from '../compiling/measured';
import { compiling } from '../compiling/pool';
import { mostInAWeek, roomOf } from '../compose/room';
import type { Db } from '../db';
import { studioBook } from '../moves/moves';
import { streaksBy } from '../people/streaks';
import { maybeEpochMs } from '../rows';
import { type ParkedQuestion, parkedLastTime } from '../runs/close';
import { found, type Scope } from '../scope';
import { roll } from '../sessions/register';
import { getSession, type Session } from '../sessions/sessions';
import { speakerOf, talkOfTeacher } from '../speech/teacher-speech';

/** What a teacher has to know in the minutes before a session. */

/** Something noted on a person's form that the teacher has not looked at since. */
export interface OpenNote {
  id: string;
  name: string;
  moveName: string;
  note: string;
}

export interface Prepared {
  resolved: ResolvedClass;
  score: Score;
  kit: Kit[];
  who: WhoLine[];
  /** How many are in nobody's line: nothing has to be known of them. */
  others: number;
  findings: ToldFinding[];
  parked: ParkedQuestion[];
  notes: OpenNote[];
}

/** Most notes on form that are shown before a session, the newest. */
const MOST_NOTES = 6;

/** Whoever is booked on a session or waits for it. */
const comingTo = async (db: Db, scope: Scope, sessionId: string): Promise<RollEntry[]> =>
  toldApart(
    (await roll(db, scope, sessionId)).filter(({ booked, waiting }) => booked || waiting),
    (entry) => entry.participantId,
  );

/** @throws Refusal `not-found` */
export async function prepareFor(
  db: Db,
  teacher: Teacher,
  { session, now }: { session: Session; now: number },
): Promise<Prepared> {
  const coming = await comingTo(db, teacher, session.id);
  const [{ judged, resolved }, history, parked] = await Promise.all([
    toJudge(db, teacher, { session, coming, now }),
    historyOf(db, teacher, { session, coming, zone: teacher.timeZone, now }),
    parkedLastTime(db, teacher, session),
  ]);
  const { score, findings } = await compiling().work('judge', judged, { owner: teacher.studioId });
  const { plan } = judged;
  const nameOf = (id: string) => {
    const move = resolved.moves.get(id);
    return move ? moveText(move, plan.language).name : id;
  };
  const ids = [...new Set(placedSegments(plan).map((p) => p.segment.move))];
  const moves = ids.map((id) => ({ id, name: nameOf(id) }));
  const who = whoComes(history, { moves, startsAt: session.startsAt });
  const names = new Map(coming.map((p) => [p.participantId, p.name]));
  return {
    resolved,
    score,
    kit: kitOf(resolved),
    who,
    others: coming.length - who.reduce((sum, line) => sum + line.people.length, 0),
    findings,
    parked,
    notes: (await openNotes(db, teacher, { people: [...names.keys()], moves: ids })).map(
      ({ participantId, moveId, ...note }) => ({
        ...note,
        name: names.get(participantId) ?? '',
        moveName: nameOf(moveId),
      }),
    ),
  };
}

/** All that a session's class is judged by: the people of that session, and the lengths that are known. */
async function toJudge(
  db: Db,
  teacher: Teacher,
  { session, coming, now }: { session: Session; coming: readonly RollEntry[]; now: number },
) {
  const of = { classId: session.classId, zone: teacher.timeZone, now };
  const [{ plan, version }, sessionsAWeek, book, talk, speaker] = await Promise.all([
    getClass(db, teacher, session.classId),
    mostInAWeek(db, teacher, of),
    studioBook(db, teacher),
    talkOfTeacher(db, teacher),
    speakerOf(db, teacher, undefined, { device: 'as chosen' }),
  ]);
  const people = coming.map((entry) => ({
    id: entry.participantId,
    name: entry.name,
    cautions: entry.cautions,
    met: new Set(entry.met),
  }));
  const options = {
    room: people.map((p) => p.met),
    talkingFactor: factorOf(talk, plan.rules.say),
  };
  const resolved = resolve(plan, book);
  const [lengths, done] = await Promise.all([
    knownLengths(plan, book, speaker, options),
    doneInWeekOf(db, teacher, { session, resolved, coming }),
  ]);
  const judged = {
    plan,
    options,
    lengths,
    people,
    done,
    sessionsAWeek,
    own: book.own,
    talk: talk.samples,
  };
  return { judged, version, resolved };
}

const historySchema = z.object({
  participant_id: z.uuid(),
  in_class: z.number(),
  last_at: maybeEpochMs,
});

/** What the register knows of some people before a session. */
async function historyOf(
  db: Db,
  scope: Scope,
  {
    session,
    coming,
    zone,
    now,
  }: { session: Session; coming: readonly RollEntry[]; zone: string; now: number },
): Promise<Expected[]> {
  const [rows, streaks] = await Promise.all([
    db('attendance')
      .join('sessions', 'sessions.id', 'attendance.session_id')
      .where({ 'attendance.studio_id': scope.studioId, 'sessions.status': 'held' })
      .where('sessions.starts_at', '<', new Date(session.startsAt))
      .whereNotNull('attendance.arrived_at')
      .whereIn(
        'attendance.participant_id',
        coming.map((p) => p.participantId),
      )
      .groupBy('attendance.participant_id')
      .select(
        'attendance.participant_id',
        db.raw('count(*) filter (where sessions.class_id = ?)::int as in_class', [session.classId]),
        db.raw('max(sessions.starts_at) as last_at'),
      ),
    streaksBy(db, scope, { whose: { classId: session.classId }, zone, now }),
  ]);
  const known = new Map(
    z
      .array(historySchema)
      .parse(rows)
      .map((r) => [r.participant_id, r]),
  );
  return coming.map((entry) => {
    const { participantId, name, timesBefore } = entry;
    const row = known.get(participantId);
    const [own] = streaks.get(participantId) ?? [];
    return {
      participantId,
      name,
      timesBefore,
      timesInClass: row?.in_class ?? 0,
      lastAt: row?.last_at ?? null,
      // Weeks and days in a row do not grow by one with this session.
      streak: own?.streak.per === 'meeting' ? own.streak.current : 0,
      greet: entry.greet,
      met: new Set(entry.met),
    };
  });
}

/**
 * What those who come did in other sessions of the same ISO week that has a cap a week. Where only the easier
 * version was done, and that is not strong, it does not count.
 */
async function doneInWeekOf(
  db: Db,
  teacher: Teacher,
  {
    session,
    resolved,
    coming,
  }: { session: Session; resolved: ResolvedClass; coming: readonly RollEntry[] },
): Promise<DoneAlready[]> {
  const capped = [...resolved.moves.values()].filter((move) => move.weeklyCap !== undefined);
  if (capped.length === 0) return [];
  const inWeek = "date_trunc('week', sessions.starts_at at time zone :zone)";
  const ids = capped.map((move) => move.id);
  // Each score is read once, whoever was there.
  const led = db('sessions')
    .join('runs', 'runs.session_id', 'sessions.id')
    .joinRaw("cross join lateral jsonb_array_elements(runs.score->'steps') as step")
    .where('sessions.studio_id', teacher.studioId)
    .whereNot('sessions.id', session.id)
    .whereNotNull('runs.started_at')
    .whereRaw('runs.moves && ?::text[]', [ids])
    .whereRaw(`${inWeek} = date_trunc('week', :at::timestamptz at time zone :zone)`, {
      zone: teacher.timeZone,
      at: new Date(session.startsAt),
    })
    .whereRaw("step->>'kind' = 'work'")
    .whereRaw("step->>'moveId' = any(?)", [ids])
    .distinct(
      'sessions.id as session_id',
      db.raw("step->>'moveId' as move_id"),
      db.raw("step->>'variant' as variant"),
    );
  const rows = await db('attendance')
    .join(led.as('led'), 'led.session_id', 'attendance.session_id')
    .where('attendance.studio_id', teacher.studioId)
    .whereNotNull('attendance.arrived_at')
    .whereIn(
      'attendance.participant_id',
      coming.map((p) => p.participantId),
    )
    .select('attendance.participant_id', 'led.session_id', 'led.move_id', 'led.variant');
  const done = rows.filter((row) => {
    const move = resolved.moves.get(row.move_id);
    const eased = row.variant === 'easier' && move && inVariant(move, 'easier');
    return !eased || eased.pressure === 'strong' || move.pressure !== 'strong';
  });
  // Usual and easier rounds of one session are one time.
  const keys = new Map(
    done.map((row) => [
      `${row.participant_id} ${row.session_id} ${row.move_id}`,
      { participantId: row.participant_id, moveId: row.move_id },
    ]),
  );
  return [...keys.values()];
}

const noteSchema = z
  .object({ id: z.uuid(), participant_id: z.uuid(), move_id: z.string(), note: z.string() })
  .transform(({ id, participant_id, move_id, note }) => ({
    id,
    note,
    participantId: participant_id,
    moveId: move_id,
  }));

/** What was noted of some people in some moves and not looked at since, the newest first. */
async function openNotes(
  db: Db,
  { studioId }: Scope,
  { people, moves }: { people: readonly string[]; moves: readonly string[] },
) {
  const rows = await db('form_notes')
    .where({ studio_id: studioId, seen_at: null })
    .whereIn('participant_id', [...people])
    .whereIn('move_id', [...moves])
    .orderBy('noted_at', 'desc')
    .limit(MOST_NOTES)
    .select('id', 'participant_id', 'move_id', 'note');
  return z.array(noteSchema).parse(rows);
}

/** Notes that a note on form was looked at; it stays with the person. @throws Refusal `not-found` */
export async function seeNote(
  db: Db,
  { studioId }: Scope,
  { id, now }: { id: string; now: number },
): Promise<void> {
  found(await db('form_notes').where({ id, studio_id: studioId }).first('id'), 'note');
  await db('form_notes')
    .where({ id, studio_id: studioId })
    .update({ seen_at: new Date(now) });
}

/**
 * Carries out the repair of one finding before a session; the class is saved as from Compose, so its history
 * has the state before.
 * @returns what was done
 * @throws Refusal `not-found`, `settled-already`, `no-repair`, `changed-elsewhere`, `still-busy`, `took-too-long`
 */
export async function repairFor(
  db: Db,
  teacher: Teacher,
  { sessionId, key, now }: { sessionId: string; key: string; now: number },
): Promise<string> {
  const session = await getSession(db, teacher, sessionId);
  const coming = await comingTo(db, teacher, sessionId);
  const { judged, version } = await toJudge(db, teacher, { session, coming, now });
  // The class is led for others too: what is right for this session must not harm who comes to the next.
  const { people } = await roomOf(db, teacher, {
    classId: session.classId,
    zone: teacher.timeZone,
    now,
  });
  const here = new Set(judged.people.map((p) => p.id));
  const others = people.filter((p) => !here.has(p.id));
  const asked = { ...judged, key, others };
  const done = await compiling().work('repair', asked, { owner: teacher.studioId });
  if (done.kind === 'settled') throw new Refusal('settled-already');
  if (done.kind === 'refused') throw new Refusal('no-repair', done.says);
  const of = { id: session.classId, plan: done.plan, basedOn: version, now };
  const saved = await savePlan(db, teacher, of);
  if (!saved.ok) throw new Refusal('changed-elsewhere');
  return `Done: ${done.label}.`;
}
