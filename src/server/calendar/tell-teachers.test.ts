import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import type { Teacher } from '../auth/sign-ins';
import { signInAs, teacherOf } from '../auth/sign-ins';
import type { Session } from '../sessions/sessions';
import type { NewLetter } from '../studio/letters';
import { DAY, makeStudio, NOON, testDatabase } from '../testing/studio';
import { tellTeachers } from './tell-teachers';

const db = testDatabase();
const NEXT = NOON + 7 * DAY;

let me: Teacher;
/** Who presses, and two more. */
let [mine, mara, tove]: string[] = [];
beforeAll(async () => {
  const { teacherId, studioId } = await makeStudio(db());
  const found = await teacherOf(db(), await signInAs(db(), teacherId, NOON), NOON);
  if (!found) throw new Error('not signed in');
  me = found;
  mine = teacherId;
  [mara, tove] = await Promise.all(
    ['Mara', 'Tove'].map(async (name) => {
      const id = crypto.randomUUID();
      const row = { id, studio_id: studioId, name, email: `${id}@example.org`, role: 'teacher' };
      await db()('teachers').insert({ ...row, password_hash: '-', created_at: new Date(NOON) });
      return id;
    }),
  );
});

const session = (of: Partial<Session>): Session => ({
  ...{ id: 'a', classId: 'c', className: 'Low tide', slotMs: 1_800_000, startsAt: NEXT },
  ...{ status: 'planned', runStartedAt: null, runFinishedAt: null, booked: 0, waiting: 0 },
  ...{ roomFor: null, came: 0, seriesId: null, occurrence: null, teacherId: null },
  ...{ teacherName: null, place: null, link: null, word: null, closed: null },
  ...of,
});

/** The letters that teachers are written, and what is said on screen. */
async function told(of: { was: Session[]; is: Session[] }) {
  const letters: NewLetter[] = [];
  const said: string[] = [];
  await tellTeachers(
    {
      db: db(),
      teacher: me,
      now: NOON,
      keep: async (more) => void letters.push(...more),
      say: (sentence) => said.push(sentence),
    },
    of,
  );
  return { letters, said };
}

describe('a teacher is told by one letter', () => {
  it('which sessions they lead, and lead no more, and that others are at another time', async () => {
    const was = [
      session({ id: 'a', teacherId: mara, place: 'Hall 2' }),
      session({ id: 'b', teacherId: tove, startsAt: NEXT + DAY }),
      session({ id: 'c', teacherId: tove, startsAt: NEXT + 2 * DAY }),
    ];
    const is = [
      { ...session({}), ...was[0], teacherId: tove ?? null },
      { ...session({}), ...was[1], place: 'Loft' },
      { ...session({}), ...was[2], teacherId: mine ?? null },
    ];
    const { letters, said } = await told({ was, is });
    expect(said).toEqual(['Teachers written to: Mara, Tove.']);
    const [to, also] = letters;
    expect(to).toMatchObject({
      recipient: `${mara}@example.org`,
      until: NEXT,
      holds: { sessionIds: ['a'], status: 'planned' },
      body: `Hello Mara,

${me.name} has changed the calendar.

You do not lead this any more:
Low tide, Tue 1 Dec 2026, 12:00, Hall 2

${me.studioName}
`,
    });
    expect(also?.body).toContain(`From now on you lead:
Low tide, Tue 1 Dec 2026, 12:00, Hall 2

This has changed:
until now: Low tide, Wed 2 Dec 2026, 12:00
from now on: Low tide, Wed 2 Dec 2026, 12:00, Loft

You do not lead this any more:
Low tide, Thu 3 Dec 2026, 12:00
`);
  });

  it('that a session does not take place, and why', async () => {
    const was = [session({ teacherId: mara }), session({ id: 'b', teacherId: mara })];
    const off = was.map((s) => ({ ...s, status: 'cancelled' as const, word: 'No heating.' }));
    const [first, second] = off;
    const is = [{ ...session({}), ...first, closed: 'Boat lift' }, second ?? session({})];
    const [letter] = (await told({ was, is })).letters;
    expect(letter?.body).toContain(
      'This does not take place:\nLow tide, Tue 1 Dec 2026, 12:00: Boat lift\nLow tide, Tue 1 Dec 2026, 12:00\n\nNo heating.\n',
    );
    expect(letter?.holds?.status).toBe('cancelled');
  });
});

it('whoever leads what is otherwise than before is told all of that and nothing else, but for who changed it', async () => {
  const leader = fc.constantFrom(0, 1, 2, 3);
  const how = fc.record({
    teacher: leader,
    status: fc.constantFrom('planned', 'cancelled', 'held'),
    startsAt: fc.constantFrom(NOON - DAY, NEXT, NEXT + DAY),
    place: fc.constantFrom(null, 'Loft'),
    link: fc.constantFrom(null, 'https://call.example/1'),
    classId: fc.constantFrom('c', 'd'),
  });
  const pair = fc.record({ was: fc.option(how), is: how });
  await fc.assert(
    fc.asyncProperty(fc.array(pair, { maxLength: 4 }), async (pairs) => {
      const who = [null, mine ?? null, mara ?? null, tove ?? null];
      type How = NonNullable<(typeof pairs)[number]['was']>;
      const of = (id: number, { teacher, ...rest }: How) =>
        session({ id: `${id}`, ...rest, teacherId: who[teacher] ?? null } as Partial<Session>);
      const was = pairs.flatMap((p, i) => (p.was ? [of(i, p.was)] : []));
      const is = pairs.map((p, i) => of(i, p.is));
      const { letters } = await told({ was, is });
      for (const [n, id] of [mine, mara, tove].entries()) {
        const letter = letters.find((l) => l.recipient === `${id}@example.org`);
        /** By what they lead before and after, and not by what was done. */
        const expected = pairs.map((p): string => {
          const leads = (one: How | null) => one?.status === 'planned' && one.teacher === n + 1;
          if (Math.max(p.is.startsAt, p.was?.startsAt ?? 0) <= NOON || p.is.status === 'held')
            return '';
          if (leads(p.was) && leads(p.is)) {
            const other = (['startsAt', 'place', 'link', 'classId'] as const).some(
              (key) => p.was?.[key] !== p.is[key],
            );
            return other ? 'This has changed:' : '';
          }
          if (leads(p.is)) {
            return p.was && p.was.status !== 'planned'
              ? 'This takes place after all:'
              : 'From now on you lead:';
          }
          if (!leads(p.was)) return '';
          return p.is.status === 'planned'
            ? 'You do not lead this any more:'
            : 'This does not take place:';
        });
        const headings = [...new Set(expected.filter(Boolean))];
        if (n === 0 || headings.length === 0) {
          expect(letter).toBeUndefined();
          continue;
        }
        const parts = letter?.body
          .split('\n\n')
          .slice(2, -1)
          .map((part) => part.split('\n')[0]);
        expect(parts?.sort()).toEqual(headings.sort());
        const ids = expected.flatMap((heading, i) => (heading ? [`${i}`] : []));
        expect([...(letter?.holds?.sessionIds ?? [])].sort()).toEqual(ids);
      }
    }),
    { numRuns: 150 },
  );
});
