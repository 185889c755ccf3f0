import { performance } from 'node:perf_hooks';
import { addDays, mondayOf, type Rule } from '@/core/calendar';
import type { Plan } from '@/core/class';
import { emptyPlan } from '@/core/class';
import { newClassOf } from '@/core/studio';
import { SIGN_IN_COOKIE, signInAs, teacherOf } from '@/server/auth/sign-ins';
import { planSessions } from '@/server/calendar/plan';
import { createClass } from '@/server/classes/classes';
import { closuresOf } from '@/server/closed/closed';
import { connect } from '@/server/db';
import { outlinesOf } from '@/server/outlines/outlines';
import { addParticipant, book } from '@/server/people/people';
import { sessionsLeft } from '@/server/runs';
import { sessionsBetween } from '@/server/sessions/sessions';
import { makeStudio } from '@/server/studio/studios';
import { App, NOON } from '../e2e/app';

/** A year of a busy studio: the week as a page, against one bare query of the same rows. */

const SERIES = 12;
const SESSIONS = 600;
const PEOPLE = 300;
const TIMES = 40;
const DAY = 86_400_000;

const app = await App.start();
const { db } = app;

async function busyStudio(): Promise<{ studioId: string; teacherId: string }> {
  const account = { name: 'Nela', email: 'nela@year.example', password: 'terns over the pier' };
  const newClass = newClassOf(emptyPlan('New classes', 1200));
  const studio = { studioName: 'A busy hall', timeZone: 'Europe/Dublin', ...account, newClass };
  const teacherId = await makeStudio(db, studio, NOON);
  const { studio_id: studioId } = await db('teachers').where({ id: teacherId }).first('studio_id');
  const scope = { studioId };
  const plans: Plan[] = await db('classes').whereNot({ studio_id: studioId }).pluck('plan');
  const people: string[] = [];
  for (let i = 0; i < PEOPLE; i++) {
    const person = { name: `Person ${i}`, contact: null };
    people.push(await addParticipant(db, scope, { person, joinedOn: '2026-01-01', now: NOON }));
  }
  const monday = mondayOf('2026-11-24');
  for (let i = 0; i < SERIES; i++) {
    const plan = plans[i % plans.length];
    if (!plan) throw new Error('the demo has no class');
    const name = `${plan.name} ${i + 1}`;
    const classId = await createClass(db, scope, { ...plan, name }, NOON - 365 * DAY);
    for (const [j, participantId] of people.entries()) {
      if (j % SERIES === i)
        await book(db, scope, { participantId, classId, now: NOON - 365 * DAY });
    }
    const end = { by: 'number' as const, count: SESSIONS / SERIES };
    const rule: Rule = { repeats: 'weekly', every: 1, days: [], end };
    const wish = {
      start: addDays(monday, (i % 6) - 7 * 20),
      time: `${String(8 + i).padStart(2, '0')}:15`,
      rule,
      classIds: [classId],
      teacherId,
      place: `Hall ${i % 3}`,
      link: null,
      roomFor: 20,
    };
    await planSessions(db, scope, { wish, zone: 'Europe/Dublin', now: NOON - 365 * DAY });
  }
  return { studioId, teacherId };
}

/** Holds every session that is past: by a score as long as a real one, and whoever is booked was there. */
async function holdThePast(studioId: string): Promise<number> {
  const { score } = await db('runs').whereNotNull('finished_at').first('score');
  const past = { studioId, score: JSON.stringify(score), now: new Date(NOON) };
  const those = 'from sessions s where s.studio_id = :studioId and s.starts_at < :now';
  await db.raw(
    `insert into runs (id, studio_id, session_id, score, prepared, started_at, finished_at, created_at)
     select gen_random_uuid(), s.studio_id, s.id, :score, 1, s.starts_at, s.starts_at + interval '20 minutes', s.starts_at
     ${those}`,
    past,
  );
  await db.raw(
    `insert into attendance (studio_id, session_id, participant_id, mark, arrived_at)
     select b.studio_id, m.id, b.participant_id, 'here', m.starts_at
     from (select * ${those}) m join bookings b on b.class_id = m.class_id`,
    past,
  );
  await db('sessions')
    .where({ studio_id: studioId })
    .where('starts_at', '<', new Date(NOON))
    .update({ status: 'held' });
  await db.raw('analyze');
  const [row] = await db('attendance').where({ studio_id: studioId }).count();
  return Number(row?.count);
}

async function median(work: () => Promise<unknown>): Promise<number> {
  const times: number[] = [];
  for (let i = 0; i < TIMES; i++) {
    const since = performance.now();
    await work();
    times.push(performance.now() - since);
  }
  return times.sort((a, b) => a - b)[Math.floor(TIMES / 2)] ?? 0;
}

try {
  app.runClock(NOON);
  const { studioId, teacherId } = await busyStudio();
  await db.raw('analyze');
  const monday = new Date(NOON - DAY);
  const bare = connect(app.databaseUrl);
  const rows = () =>
    bare.raw(
      `select s.id, s.starts_at, s.status, s.place, c.plan->>'name' as name, t.name as teacher,
         (select count(*) from bookings b where b.class_id = s.class_id) as booked
       from sessions s join classes c on c.id = s.class_id left join teachers t on t.id = s.teacher_id
       where s.studio_id = ? and s.starts_at >= ? and s.starts_at < ? order by s.starts_at`,
      [studioId, monday, new Date(NOON + 6 * DAY)],
    );
  const cookie = `${SIGN_IN_COOKIE}=${await signInAs(db, teacherId, NOON)}`;
  const page = (path: string) => async () => {
    const response = await fetch(`${app.url}${path}`, { headers: { cookie } });
    if (!response.ok) throw new Error(`${path} answered ${response.status}`);
    await response.text();
  };
  const found = (await rows()).rows.length;
  await page('/calendar?view=week')();
  const sql = await median(rows);
  const teacher = await teacherOf(db, await signInAs(db, teacherId, NOON), NOON);
  if (!teacher) throw new Error('nobody is signed in');
  const between = () => sessionsBetween(db, teacher, monday.getTime(), NOON + 6 * DAY);
  const classIds = (await between()).map((s) => s.classId);
  const parts = {
    'its sessions': between,
    'their outlines, as they are kept': () => outlinesOf(db, teacher, { classIds, now: NOON }),
    'what was left standing': () => sessionsLeft(db, teacher, { now: NOON }),
    'all of these at once': () =>
      Promise.all([
        between(),
        outlinesOf(db, teacher, { classIds, now: NOON }),
        sessionsLeft(db, teacher, { now: NOON }),
        closuresOf(db, teacher),
      ]),
  };
  for (const [name, part] of Object.entries(parts)) {
    const ms = await median(part);
    console.log(
      `the week, ${name} / one bare query of its rows: ${(ms / sql).toFixed(1)} (${ms.toFixed(1)} ms against ${sql.toFixed(1)} ms)`,
    );
  }
  for (const [name, path] of [
    ['the week', '/calendar?view=week'],
    ['the term', '/calendar?view=term'],
    ['Today', '/'],
    ['an account (no calendar at all)', '/account'],
  ] as const) {
    const ms = await median(page(path));
    console.log(
      `a year of ${SESSIONS} sessions: ${name} as a page / one bare query of its week (${found} rows): ${(ms / sql).toFixed(1)} (${ms.toFixed(1)} ms against ${sql.toFixed(1)} ms)`,
    );
  }
  const classId = classIds[0];
  const asked = [
    ['Today', page('/')],
    ['a class in Compose', page(`/classes/${classId}`)],
    ['the register of a class', page(`/people/register/${classId}`)],
  ] as const;
  const without: number[] = [];
  for (const [, open] of asked) without.push(await median(open));
  const marks = await holdThePast(studioId);
  for (const [i, [name, open]] of asked.entries()) {
    const [before = 0, after] = [without[i], await median(open)];
    console.log(
      `${name} with a past of ${marks} marks / without one: ${(after / before).toFixed(1)} (${after.toFixed(0)} ms against ${before.toFixed(0)} ms)`,
    );
  }
  await bare.destroy();
} finally {
  await db('studios').where({ is_demo: false }).delete();
  await app.stop();
}
