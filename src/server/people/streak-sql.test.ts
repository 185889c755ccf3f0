import { RUNS } from '@testing/arbitrary';
import fc from 'fast-check';
import type { Knex } from 'knex';
import { describe, expect, it } from 'vitest';
import { MARKS } from '@/core/attendance';
import { mondayOf, weekNumber } from '@/core/calendar';
import {
  dateOfDay,
  dayOfDate,
  daysIn,
  type History,
  STREAK_RULES,
  type StreakRule,
  streakOf,
} from '@/core/streak';
import { testDatabase } from '../testing/studio';

/** The fold of streaks against plain SQL that knows nothing of it, on generated histories. */

const db = testDatabase();
const HISTORIES = 5 * RUNS;
const NOW = Date.UTC(2026, 10, 24, 12);
const TODAY = dayOfDate('2026-11-24');
const HOUR = 3_600_000;

const around = fc.integer({ min: TODAY - 100, max: TODAY + 3 });
const date = around.map(dateOfDay);
const spans = fc.array(
  fc
    .tuple(around, fc.nat(12))
    .map(([d, days]) => ({ from: dateOfDay(d), to: dateOfDay(d + days) })),
  { maxLength: 3 },
);
/** An hour of those days; evenings and nights too, so that zones matter. */
const instant = fc.tuple(around, fc.nat(47)).map(([d, half]) => (d * 24 + half / 2) * HOUR);
const past = (ms: number): boolean => ms <= NOW;
const meeting = fc.record({
  startsAt: instant,
  held: fc.constantFrom('held', 'held', 'held', 'held', 'cancelled', 'planned'),
  mark: fc.constantFrom(undefined, 'here', 'here', 'here', ...MARKS),
  share: fc.constantFrom(undefined, 100, 50, 49, 10),
});
const historyArbitrary: fc.Arbitrary<History> = fc.record({
  from: date,
  until: fc.option(date, { freq: 3, nil: null }),
  meetings: fc.array(meeting, { maxLength: 25 }).map((all) =>
    all.map(({ held, startsAt, mark, share }, i) => ({
      sessionId: `s${i}`,
      startsAt,
      status: startsAt > NOW && held === 'held' ? ('planned' as const) : (held as 'held'),
      mark,
      share,
    })),
  ),
  practice: fc.oneof(
    fc.array(instant.filter(past), { maxLength: 20 }),
    // Somebody who practises day after day, with a hole here and there.
    fc
      .tuple(around, fc.array(fc.constantFrom(1, 1, 1, 1, 2, 2, 3, 0), { maxLength: 60 }))
      .map(([start, steps]) => {
        let day = start;
        return steps
          .map((step) => {
            day += step;
            return (day * 24 + 12) * HOUR;
          })
          .filter(past);
      }),
  ),
  holidays: spans.map((all) => all.map((s) => ({ ...s, name: 'closed' }))),
  pauses: spans,
  freezes: fc.array(date, { maxLength: 6 }),
});

/** Makes a table of some rows that lasts as long as the transaction. */
async function put(
  trx: Knex.Transaction,
  table: string,
  columns: string,
  rows: readonly object[],
): Promise<void> {
  await trx.raw(`create temp table ${table} (${columns}) on commit drop`);
  const all = `insert into ${table} select * from jsonb_to_recordset(?::jsonb) as x(${columns})`;
  await trx.raw(all, [JSON.stringify(rows)]);
}

/** The histories in tables. */
async function fill(trx: Knex.Transaction, histories: readonly History[]): Promise<void> {
  const each = <T>(of: (h: History) => readonly T[], row: (thing: T) => object) =>
    histories.flatMap((h, id) => of(h).map((thing) => ({ id, ...row(thing) })));
  const days = histories.map((h, id) => ({ id, d_from: h.from, d_until: h.until }));
  await put(trx, 'h', 'id int, d_from date, d_until date', days);
  const meetings = each(
    (h) => h.meetings,
    ({ sessionId, startsAt, ...m }) => ({ ...m, session: sessionId, at: new Date(startsAt) }),
  );
  const columns = 'id int, session text, at timestamptz, status text, mark text, share int';
  await put(trx, 'm', columns, meetings);
  const practised = each(
    (h) => h.practice,
    (ms) => ({ at: new Date(ms) }),
  );
  await put(trx, 'p', 'id int, at timestamptz', practised);
  const span = (why: string) => (s: { from: string; to: string }) => {
    return { why, d_from: s.from, d_to: s.to };
  };
  const off = [
    ...each((h) => h.holidays, span('holiday')),
    ...each((h) => h.pauses, span('pause')),
  ];
  await put(trx, 'off', 'id int, why text, d_from date, d_to date', off);
  const taken = each(
    (h) => h.freezes,
    (d) => ({ d }),
  );
  await put(trx, 'taken', 'id int, d date', taken);
}

/** A query with what the rule says in place of its names. */
const asked = (sql: string): string =>
  sql
    .replace(/= any\(:excuses\)/g, '= any((select excuses from r)::text[])')
    .replace(/(?<![:\w]):([a-z]+)/g, '(select $1 from r)');

/** Days off that a rule allows, one after the other. */
const FROZEN = `
  create temp table frozen on commit drop as
  with recursive days as (
    select t.id, t.d, row_number() over (partition by t.id order by t.d) as n
    from (select distinct taken.id, taken.d from taken join h using (id) where d >= d_from) t
  ), walk as (
    select id, 0::bigint as n, '{}'::date[] as kept from h
    union all
    select days.id, days.n,
      case when (select count(*) from unnest(kept) k where k > days.d - :among) < :days
        then kept || days.d else kept end
    from walk join days on days.id = walk.id and days.n = walk.n + 1
  )
  select distinct id, unnest(kept) as d from walk where :days > 0`;

const OFF_ON = (day: string, id: string) => `(
  exists (select from off o where o.id = ${id} and ${day} between o.d_from and o.d_to and o.why = any(:excuses))
  or exists (select from frozen f where f.id = ${id} and f.d = ${day}))`;
const KEPT = `m.status = 'held' and m.mark in ('here', 'late') and coalesce(m.share, 100) >= :least`;
const EXCUSED = `m.status = 'held' and m.mark = 'excused' and 'excused' = any(:excuses)`;

const UNITS: Record<StreakRule['per'], string> = {
  meeting: `
    select id, row_number() over (partition by id order by at, session) as n, d as first,
      case when status = 'cancelled' then 'free'
        when status = 'planned' then 'open'
        when kept then 'kept'
        when mark is null or excused then 'free'
        when :practice and exists (select from p where p.id = x.id and (p.at at time zone :zone)::date = d) then 'kept'
        when ${OFF_ON('d', 'x.id')} then 'free' else 'missed' end as verdict
    from (select m.*, d_from, d_until, (at at time zone :zone)::date as d,
        ${KEPT} as kept, ${EXCUSED} as excused from m join h using (id)) x
    where d >= d_from and d <= coalesce(d_until, 'infinity')`,
  day: `
    select id, row_number() over (partition by id order by d) as n, d as first,
      case when need > 0 and got >= need then 'kept' when is_off or excused or need = 0 then 'free'
        when d = :today then 'open' else 'missed' end as verdict
    from (select *, case when :practice then :times else least(:times, chances) end as need from (:per_day) y) x
    where d <= :today`,
  week: `
    select id, row_number() over (partition by id order by monday) as n, first,
      case when got >= greatest(1, need) then 'kept' when need = 0 and last < :today then 'free'
        when last >= :today then 'open' else 'missed' end as verdict
    from (select *, least(:times, case when :practice then days_left else chances end) as need from (
      select id, date_trunc('week', d)::date as monday, min(d) as first, max(d) as last,
        sum(case when :once then least(1, got) else got end) as got,
        count(*) filter (where not is_off and not excused) as days_left,
        coalesce(sum(case when :once then least(1, chances) else chances end)
          filter (where not is_off and not excused), 0) as chances
      from (:per_day) y group by id, date_trunc('week', d)) z) x
    where first <= :today`,
};

/** What was done and could be done on each day from the first to the last that counts, or to the end of this week. */
const PER_DAY = `
  select days.id, days.d, ${OFF_ON('days.d', 'days.id')} as is_off,
    coalesce(done.came, 0) + coalesce(home.practised, 0) as got,
    coalesce(done.chances, 0) as chances, coalesce(done.excused, false) as excused
  from (select id, generate_series(d_from, least(coalesce(d_until, 'infinity'),
      date_trunc('week', :today::date) + interval '6 days'), interval '1 day')::date as d from h) days
  left join (select m.id, (m.at at time zone :zone)::date as d,
      count(*) filter (where ${KEPT}) as came,
      count(*) filter (where (m.status = 'held' and m.mark is not null and not (${EXCUSED}))
        or (m.status = 'planned' and m.at > :now)) as chances,
      bool_or(coalesce(${EXCUSED}, false)) as excused
    from m group by 1, 2) done using (id, d)
  left join (select id, (at at time zone :zone)::date as d, count(*) as practised
    from p where :practice group by 1, 2) home using (id, d)`;

/** Where nothing is forgiven, islands between the misses. */
const ISLANDS = `
  select h.id, coalesce(max(kept) filter (where island = last), 0)::int as current,
    coalesce(max(kept), 0)::int as longest
  from h left join (
    select id, island, max(island) over (partition by id) as last,
      count(*) filter (where verdict = 'kept') as kept
    from (select u.*, count(*) filter (where verdict = 'missed') over (partition by id order by n) as island from u) i
    group by id, island) x using (id)
  group by h.id order by h.id`;

/** Where some are, step by step. */
const WALK = `
  with recursive walk as (
    select id, 0::bigint as n, 0 as current, 0 as longest, '' as lately from h
    union all
    select id, n, case when ended then 0 else current end, greatest(longest, current),
      case when ended then '' else lately end
    from (
      select u.id, u.n, w.longest,
        case when verdict = 'kept' then w.current + 1 else w.current end as current,
        case when verdict = 'kept' then w.lately || 'k'
          when verdict = 'missed' and w.current > 0 then w.lately || 'm' else w.lately end as lately,
        verdict = 'missed' and w.current > 0
          and length(replace(right(w.lately || 'm', among), 'k', '')) > misses as ended
      from walk w join u on u.id = w.id and u.n = w.n + 1) step
  )
  select distinct on (id) id, current, longest from walk order by id, n desc`;

async function bySql(histories: readonly History[], rule: StreakRule, zone: string) {
  return db().transaction(async (trx) => {
    await fill(trx, histories);
    let before = 0;
    const stages = rule.stages.map((stage) => {
      const from = before;
      before += stage.days ?? 100_000;
      return { ...stage, d_from: from, d_to: before - 1 };
    });
    await put(
      trx,
      'r',
      'zone text, today date, now timestamptz, least int, excuses text[], practice boolean, times int, once boolean, days int, among int',
      [
        {
          zone,
          today: dateOfDay(daysIn(zone)(NOW)),
          now: new Date(NOW),
          least: rule.leastShare,
          excuses: rule.excuses,
          practice: rule.practice,
          times: rule.times,
          once: rule.onceADay,
          days: rule.freezes?.days ?? 0,
          among: rule.freezes?.among ?? 1,
        },
      ],
    );
    for (const table of ['p', 'off', 'taken']) await trx.raw(`create index on ${table} (id)`);
    await put(trx, 'stages', 'd_from int, d_to int, misses int, among int', stages);
    await trx.raw(asked(FROZEN));
    await trx.raw('create index on frozen (id, d)');
    await trx.raw('analyze h, m, p, off, frozen');
    await trx.raw(
      asked(`create temp table u on commit drop as
        select units.*, s.misses, s.among from (${UNITS[rule.per].replace(':per_day', PER_DAY)}) units
        join h using (id) join stages s on units.first - h.d_from between s.d_from and s.d_to`),
    );
    await trx.raw('create index on u (id, n)');
    const strict = rule.stages.every((s) => s.misses === 0);
    const { rows } = await trx.raw(strict ? ISLANDS : WALK);
    return rows.map((r: { current: number; longest: number }) => [r.current, r.longest]);
  });
}

const MORE: StreakRule[] = [
  {
    ...STREAK_RULES.every,
    name: 'Practice instead',
    practice: true,
    leastShare: 50,
    excuses: ['pause'],
  },
  { ...STREAK_RULES.weekly, name: 'Twice, in class only', times: 2, practice: false },
  { ...STREAK_RULES.weekly, name: 'Both on a day', onceADay: false, excuses: [] },
  { ...STREAK_RULES.daily, name: 'When something is on', practice: false, leastShare: 0 },
];

describe(`streaks of ${HISTORIES} generated histories`, () => {
  const zones = ['Europe/Dublin', 'Pacific/Auckland', 'America/St_Johns', 'UTC'];
  it.each(
    [...Object.values(STREAK_RULES), ...MORE].map((rule, i) => [rule.name, rule, i] as const),
  )('by "%s" are those that SQL finds', async (_, rule, i) => {
    const zone = zones[i % zones.length] ?? 'UTC';
    const seed = Math.floor(Math.random() * 2 ** 31);
    const histories = fc.sample(historyArbitrary, { numRuns: HISTORIES, seed });
    const sql = await bySql(histories, rule, zone);
    expect(sql).toHaveLength(HISTORIES);
    const rules = [{ from: '2000-01-01', rule }];
    const unlike = histories.flatMap((history, n) => {
      const { current, longest } = streakOf(history, { rules, zone, now: NOW });
      const [asked, most] = sql[n] ?? [];
      return current === asked && longest === most
        ? []
        : [{ history, ours: [current, longest], sql: sql[n], zone, seed }];
    });
    expect(unlike.slice(0, 1)).toEqual([]);
  });
});

it('begins weeks where PostgreSQL does, and numbers them as it does, in years of 53 weeks too', async () => {
  const { rows } = await db().raw(
    `select to_char(d, 'YYYY-MM-DD') as day, to_char(date_trunc('week', d), 'YYYY-MM-DD') as monday,
        extract(week from d)::int as week
      from generate_series('2015-01-01'::date, '2033-12-31'::date, interval '1 day') d`,
  );
  expect(rows.length).toBeGreaterThan(6000);
  for (const { day, monday, week } of rows) {
    expect([mondayOf(day), weekNumber(day)], day).toEqual([monday, week]);
  }
});
