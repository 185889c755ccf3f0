import { performance } from 'node:perf_hooks';
import { connect } from '@/server/db';
import { peopleAskedSchema, peoplePage } from '@/server/people/list';
import { regularityOf } from '@/server/people/streaks';
import { personMarks } from '@/server/people/times';
import { copyTemplate } from '@/server/testing/database';
import { NOON } from '../e2e/app';

/** Streaks and marks of ten thousand people over a year, against one SQL query with window functions. */

const CLASSES = 100;
const ZONE = 'Europe/Dublin';
const db = connect(await copyTemplate('register'));

/** A studio where each person is booked on one class that meets twice a week, and was marked every time. */
async function studioOf(people: number, meetings: number): Promise<{ studioId: string }> {
  const { rows } = await db.raw(
    `insert into studios (id, name, time_zone, created_at)
      values (gen_random_uuid(), 'A large hall', ?, now()) returning id`,
    [ZONE],
  );
  const [{ id: studioId }] = rows;
  const at = new Date(NOON);
  await db.raw(
    `insert into classes (id, studio_id, plan, created_at, updated_at)
      select gen_random_uuid(), :studioId, jsonb_set(plan, '{name}', to_jsonb('Class ' || n)), now(), now()
      from (select plan from classes limit 1) p, generate_series(1, ${CLASSES}) n`,
    { studioId },
  );
  await db.raw(
    `insert into participants (id, studio_id, name, joined_on, created_at)
      select gen_random_uuid(), :studioId, 'Person ' || lpad(n::text, 6, '0'), '2025-01-01', now()
      from generate_series(1, ${people}) n`,
    { studioId },
  );
  await db.raw(
    `with c as (select id, row_number() over (order by id) - 1 as n from classes where studio_id = :studioId),
      p as (select id, row_number() over (order by name) as n from participants where studio_id = :studioId)
      insert into bookings (studio_id, class_id, participant_id, since)
        select :studioId, c.id, p.id, '2025-01-01' from p join c on c.n = p.n % ${CLASSES}`,
    { studioId },
  );
  await db.raw(
    `insert into sessions (id, studio_id, class_id, starts_at, status, created_at)
      select gen_random_uuid(), :studioId, c.id, cast(:at as timestamptz) - (n * interval '84 hours'),
        case when n % 20 = 7 then 'cancelled' else 'held' end, now()
      from classes c, generate_series(1, ${meetings}) n where c.studio_id = :studioId`,
    { studioId, at },
  );
  await db.raw(
    `insert into attendance (studio_id, session_id, participant_id, mark, arrived_at)
      select :studioId, s.id, b.participant_id, m.mark, case when m.mark = 'here' then s.starts_at end
      from sessions s join bookings b on b.class_id = s.class_id,
        lateral (select case when hashtext(s.id::text || b.participant_id::text) % 10 = 0
          then 'absent' else 'here' end as mark) m
      where s.studio_id = :studioId and s.status = 'held'`,
    { studioId },
  );
  return { studioId };
}

const WINDOWS = `
  select participant_id, class_id, max(kept) filter (where island = last) as current, max(kept) as longest,
    sum(kept) as times, max(last_at) as last_at
  from (
    select participant_id, class_id, island, max(island) over (partition by participant_id, class_id) as last,
      count(*) filter (where here) as kept, max(starts_at) filter (where here) as last_at
    from (
      select b.participant_id, b.class_id, s.starts_at, a.mark in ('here', 'late') as here,
        count(*) filter (where a.mark = 'absent') over (
          partition by b.participant_id, b.class_id order by s.starts_at, s.id) as island
      from bookings b join sessions s on s.class_id = b.class_id and s.starts_at >= b.since and s.status = 'held'
      left join attendance a on a.session_id = s.id and a.participant_id = b.participant_id
      where b.studio_id = ?
    ) beats group by participant_id, class_id, island
  ) islands group by participant_id, class_id`;

async function median(times: number, work: () => Promise<unknown>): Promise<number> {
  const all: number[] = [];
  for (let i = 0; i < times; i++) {
    const since = performance.now();
    await work();
    all.push(performance.now() - since);
  }
  return all.sort((a, b) => a - b)[Math.floor(times / 2)] ?? 0;
}

const told = (name: string, ms: number, against: number) =>
  console.log(
    `${name}: ${(ms / against).toFixed(2)} (${ms.toFixed(0)} ms against ${against.toFixed(0)} ms)`,
  );

try {
  const large = await studioOf(10_000, 104);
  const middle = await studioOf(5_000, 30);
  await db.raw('analyze');
  const asked = { ...peopleAskedSchema.parse({}), zone: ZONE, now: NOON };
  const [all] = await db('attendance').where({ studio_id: large.studioId }).count();
  const sql = () => db.raw(WINDOWS, [large.studioId]);
  const everybody = async () => {
    const [{ streaks, times }, greets] = await Promise.all([
      regularityOf(db, large, { zone: ZONE, now: NOON }),
      db('participants').where({ studio_id: large.studioId }).select('id', 'greet'),
    ]);
    return greets.map(({ id, greet }) =>
      personMarks(times.get(id), { best: streaks.get(id)?.[0] ?? null, greet, now: NOON }),
    );
  };
  await Promise.all([sql(), everybody()]);
  const window = await median(3, sql);
  const rows = `${all?.count} rows`;
  told(
    `streaks and marks of 10,000 people (${rows}) / one window query`,
    await median(3, everybody),
    window,
  );
  const page = () => peoplePage(db, large, asked);
  await page();
  told(`the same for one page of 50 / that query`, await median(15, page), window);
  const bare = () =>
    Promise.all([
      db('participants').where({ studio_id: middle.studioId, left_on: null }).count(),
      db('participants')
        .where({ studio_id: middle.studioId, left_on: null })
        .orderByRaw('lower(name), id')
        .limit(50)
        .select('id', 'name', 'contact', 'joined_on', 'cautions'),
    ]);
  const list = () => peoplePage(db, middle, asked);
  await Promise.all([bare(), list()]);
  told(
    'the People page of 5,000 / a bare paged query',
    await median(25, list),
    await median(25, bare),
  );
} finally {
  await db.destroy();
}
