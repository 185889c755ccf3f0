import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { ERRAND } from '@/core/calls/errand';
import { emptyPlan } from '@/core/class';
import type { Ids } from './testing/two-studios';
import { be, db, mine, outcome } from './testing/visitors';

/** What a form makes is made once where its answer was lost and it is sent again, and twice where that is meant. */

// Fetched only once what they are asked with is made up.
const people = () => import('./(studio)/people/actions');
const person = () => import('./(studio)/people/[id]/actions');
const programmes = () => import('./(studio)/people/programmes/actions');
const classes = () => import('./(studio)/classes/actions');
const calendar = () => import('./(studio)/calendar/actions');
const files = () => import('./(studio)/calendar/bring-actions');
const sessions = () => import('./(studio)/sessions/actions');
const home = () => import('./home/[token]/actions');

const given = (fields: Record<string, string | File>, errand: string) => {
  const form = new FormData();
  for (const [name, value] of Object.entries(fields)) form.set(name, value);
  form.set(ERRAND, errand);
  return form;
};
const fresh = { values: {}, errors: {}, problem: null, done: null };
const day = { day: '2026-11-24', minutes: '5' };
const where = { place: '', link: '', roomFor: '', teacherId: '' };
const weekly = { start: '2026-12-01', time: '06:15', repeats: 'weekly', TU: 'on', count: '3' };
const planned = { ...weekly, ...where, last: '', class1: '', class2: '', class3: '', step: 'plan' };
const CALENDAR = [
  ...['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Harbour//Hall//EN', 'BEGIN:VEVENT'],
  ...['UID:quay-1', 'DTSTAMP:20261101T100000Z', 'DTSTART:20261203T180000Z', 'SUMMARY:Jaw'],
  ...['DTEND:20261203T183000Z', 'END:VEVENT', 'END:VCALENDAR', ''],
].join('\r\n');
const file = () => new File([JSON.stringify(emptyPlan('From a file', 600))], 'a.upbeat.json');
const line = { move: 'smile-pulses', seconds: null, rounds: null };

const MADE: [string, string, (ids: Ids, errand: string) => Promise<unknown>][] = [
  [
    'a person',
    'participants',
    async (_, e) =>
      (await people()).addPersonAction(
        { name: '', contact: '', error: null },
        given({ name: 'Liv' }, e),
      ),
  ],
  [
    'a class',
    'classes',
    async (_, e) =>
      (await classes()).createClassAction(
        { name: '', minutes: '', error: null },
        given({ name: 'Early', minutes: '20' }, e),
      ),
  ],
  [
    'a class from a file',
    'classes',
    async (_, e) =>
      (await classes()).importClassAction({ problems: [] }, given({ file: file() }, e)),
  ],
  [
    'a class that is written down',
    'classes',
    async (_, errand) =>
      (await classes()).makeWrittenAction({
        name: 'Written',
        minutes: '20',
        lines: [line],
        errand,
      }),
  ],
  [
    'a class for somebody at home',
    'home_classes',
    async (i, e) => (await person()).homeClassAction(i.people, fresh, given({ minutes: '3' }, e)),
  ],
  [
    'a series',
    'series',
    async (i, e) =>
      (await calendar()).planAction(fresh, given({ ...planned, class0: i.classes }, e)),
  ],
  [
    'sessions out of a calendar file',
    'sessions',
    async (i, e) =>
      (await files()).bringAction(
        fresh,
        given({ ...where, text: CALENDAR, 'class 0': i.classes, step: 'take' }, e),
      ),
  ],
  [
    'a session that is led anew',
    'sessions',
    async (i, e) => (await sessions()).beginAnewAction(given({ sessionId: i.sessions }, e)),
  ],
  [
    'closed days',
    'closures',
    async (_, e) =>
      (await calendar()).closeAction(
        fresh,
        given({ name: 'Storm', from: '2027-06-24', to: '2027-06-24' }, e),
      ),
  ],
  [
    'a programme',
    'programmes',
    async (i, e) => {
      const of = { name: 'Quiet jaw', rule: 'every', weeks: '4' };
      const classes = { classId: i.classes, homeClassId: '' };
      return (await programmes()).makeProgrammeAction(fresh, given({ ...of, ...classes }, e));
    },
  ],
  [
    'a pause',
    'pauses',
    async (i, e) =>
      (await person()).pauseAction(
        i.people,
        fresh,
        given({ from: '2026-12-01', to: '2026-12-02' }, e),
      ),
  ],
  [
    'practice',
    'practice',
    async (i, e) => (await person()).practiceAction(i.people, fresh, given(day, e)),
  ],
  [
    'practice of one’s own',
    'practice',
    async (i, e) => (await home()).logMineAction(i.homeToken, fresh, given(day, e)),
  ],
];

describe('asked for again', () => {
  beforeEach(() => be('owner'));
  it.each(MADE)('%s is made once, and one more where one more is meant', async (_, table, make) => {
    const count = async () =>
      Number((await db()(table).where({ studio_id: mine.studioId }).count())[0]?.count);
    const before = await count();
    const errand = randomUUID();
    const first = await outcome(() => make(mine.ids, errand));
    expect(first).toMatch(/^(done|to)/);
    expect(await count()).toBe(before + 1);
    expect(await outcome(() => make(mine.ids, errand))).toBe(first);
    expect(await count()).toBe(before + 1);
    await outcome(() => make(mine.ids, randomUUID()));
    expect(await count()).toBe(before + 2);
  });
});

it('what several people make at once is made for each of them', async () => {
  be('owner');
  for (const [what, , make] of MADE) {
    const all = await Promise.all(
      Array.from({ length: 4 }, () => outcome(() => make(mine.ids, randomUUID()))),
    );
    expect([what, all.filter((came) => !/^(done|to)/.test(came))]).toEqual([what, []]);
  }
});
