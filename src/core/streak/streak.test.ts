import { getISOWeek, getISOWeekYear } from 'date-fns';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { LANGUAGES, MAIN_LANGUAGE } from '../language';
import {
  countWords,
  dateOfDay,
  dayOfDate,
  daysIn,
  drawn,
  explain,
  type History,
  keptSince,
  type Meeting,
  ruleWords,
  STREAK_RULES,
  type StreakRule,
  streakOf,
  streakRuleSchema,
  streakWordsIn,
  wouldEnd,
} from '.';
import { mondayOfDay } from './history';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
/** Tue 6 Oct 2026, 18:30 in Dublin; the clocks there are put back on 25 Oct. */
const FIRST = Date.UTC(2026, 9, 6, 17, 30);
const ZONE = 'Europe/Dublin';
const MARKS = { h: 'here', l: 'late', a: 'absent', e: 'excused' } as const;

/** h here, l late, a absent, e excused, n nothing marked, c cancelled, p planned; one a week, the oldest first. */
const meetings = (letters: string, every = 7 * DAY): Meeting[] =>
  [...letters].map((letter, i) => ({
    sessionId: `s${i}`,
    startsAt: FIRST + i * every,
    status: letter === 'c' ? 'cancelled' : letter === 'p' ? 'planned' : 'held',
    mark: MARKS[letter as 'h'],
  }));
const history = (change: Partial<History> = {}): History => ({
  from: '2026-10-01',
  until: null,
  meetings: [],
  practice: [],
  holidays: [],
  pauses: [],
  freezes: [],
  ...change,
});
const NOW = Date.UTC(2026, 11, 31, 12);
const under = (rule: StreakRule, change: Partial<History>, now = NOW, zone = ZONE) =>
  streakOf(history(change), { rules: [{ from: '2026-01-01', rule }], zone, now });
const figures = (rule: StreakRule, change: Partial<History>, now = NOW, zone = ZONE) => {
  const { current, longest } = under(rule, change, now, zone);
  return [current, longest];
};
/** Noon of some days of November 2026 in UTC, which is Dublin's time then. */
const noons = (...days: number[]): number[] => days.map((d) => Date.UTC(2026, 10, d, 12));
const { every, mostOf, weekly, daily, twiceDaily, otherDay, twenty } = STREAK_RULES;

describe('every meeting of a class', () => {
  it.each([
    ['', [0, 0]],
    ['hhh', [3, 3]],
    ['hlh', [3, 3]],
    ['hha', [0, 2]],
    ['hhahh', [2, 2]],
    ['hhnh', [3, 3]],
    ['hheh', [3, 3]],
    ['hhchh', [4, 4]],
    ['cc', [0, 0]],
    ['hhp', [2, 2]],
  ])('of %s is %j', (letters, expected) =>
    expect(figures(every, { meetings: meetings(letters) })).toEqual(expected),
  );

  it('takes an excuse for a miss where the rule says so', () => {
    expect(figures({ ...every, excuses: [] }, { meetings: meetings('hheh') })).toEqual([1, 2]);
  });

  it('asks for the least share of the minutes, whoever was marked here', () => {
    const short = meetings('hhh').map((m, i) => ({ ...m, share: i === 1 ? 49.9 : 50 }));
    expect(figures({ ...every, leastShare: 50 }, { meetings: short })).toEqual([1, 1]);
    expect(figures(every, { meetings: short })).toEqual([3, 3]);
  });

  it('is not broken in a pause or on closed days, and counts who comes all the same', () => {
    const pauses = [{ from: '2026-10-13', to: '2026-10-20' }];
    const holidays = [{ from: '2026-10-13', to: '2026-10-20', name: 'Harbour days' }];
    for (const free of [{ pauses }, { holidays }]) {
      expect(figures(every, { meetings: meetings('haah'), ...free })).toEqual([2, 2]);
      expect(figures(every, { meetings: meetings('hhah'), ...free })).toEqual([3, 3]);
      expect(figures({ ...every, excuses: [] }, { meetings: meetings('haah'), ...free })).toEqual([
        1, 1,
      ]);
    }
  });

  it('leaves out what was before somebody joined and after they left', () => {
    const of = { meetings: meetings('ahhha'), from: '2026-10-13', until: '2026-10-30' };
    expect(figures(every, of)).toEqual([3, 3]);
  });

  it('counts practice at home on the day of the meeting only where the rule says so', () => {
    const of = { meetings: meetings('hah'), practice: [FIRST + 7 * DAY + 2 * HOUR] };
    expect(figures(every, of)).toEqual([1, 1]);
    expect(figures({ ...every, practice: true }, of)).toEqual([3, 3]);
  });

  it('puts a meeting on the day on which it begins, in the zone that is asked for', () => {
    // 23:40 in Dublin, over after midnight; in Auckland it is the next day.
    const late: Meeting = {
      sessionId: 'm',
      startsAt: Date.UTC(2026, 10, 3, 23, 40),
      status: 'held',
      mark: 'absent',
    };
    const pauses = [{ from: '2026-11-04', to: '2026-11-04' }];
    const of = { meetings: [...meetings('h'), late], pauses };
    expect(figures(every, of)).toEqual([0, 1]);
    expect(figures(every, of, NOW, 'Pacific/Auckland')).toEqual([1, 1]);
  });
});

describe('any three of the last four', () => {
  it.each([
    ['hhha', 3],
    ['hahh', 3],
    ['haha', 0],
    ['hahhhahh', 6],
    ['hahhahha', 2],
    ['aahh', 2],
    ['haah', 1],
    ['hacah', 1],
  ])('of %s is %i', (letters, current) =>
    expect(figures(mostOf, { meetings: meetings(letters) })[0]).toBe(current),
  );
});

describe('three times a week', () => {
  // Weeks of November 2026 begin on the 2nd, 9th, 16th, 23rd and 30th.
  it('counts ISO weeks, and does not break in the one that is not over', () => {
    const of = { from: '2026-11-02', practice: noons(2, 4, 8, 9, 10, 11, 17) };
    expect(figures(weekly, of, Date.UTC(2026, 10, 22, 12))).toEqual([2, 2]);
    expect(figures(weekly, of, Date.UTC(2026, 10, 23, 0))).toEqual([0, 2]);
  });

  it('counts two on one day once, unless the rule counts both', () => {
    const practice = [...noons(2, 4), Date.UTC(2026, 10, 4, 20)];
    const of = { from: '2026-11-02', until: '2026-11-08', practice };
    expect(figures(weekly, of)).toEqual([0, 0]);
    expect(figures({ ...weekly, onceADay: false }, of)).toEqual([1, 1]);
  });

  it('asks no more of a week than it has days that are not off', () => {
    const pauses = [{ from: '2026-11-02', to: '2026-11-06' }];
    const of = { from: '2026-10-26', until: '2026-11-08', practice: noons(7, 8), pauses };
    expect(figures(weekly, of)).toEqual([1, 1]);
    const joined = { from: '2026-11-07', until: '2026-11-08', practice: noons(7, 8) };
    expect(figures(weekly, joined)).toEqual([1, 1]);
  });

  it('asks no more than was on, where practice does not count', () => {
    const rule = { ...weekly, times: 2, practice: false };
    // Two a week, on Tuesdays and Fridays; the second week has one cancelled.
    const all = meetings('hhhcha', 3.5 * DAY);
    expect(figures(rule, { meetings: all, from: '2026-10-05' })).toEqual([0, 2]);
  });

  it('does not break in a week that is off as a whole', () => {
    const pauses = [{ from: '2026-11-09', to: '2026-11-15' }];
    const practice = noons(2, 3, 4, 16, 17, 18);
    const of = { from: '2026-11-02', until: '2026-11-22', practice, pauses };
    expect(figures(weekly, of)).toEqual([2, 2]);
  });
});

describe('days', () => {
  const until = '2026-11-06';
  const from = '2026-11-02';
  it.each([
    [daily, [2, 3, 4, 5, 6], [5, 5]],
    [daily, [2, 3, 5, 6], [2, 2]],
    [daily, [2, 2, 3], [0, 2]],
    [otherDay, [2, 4, 6], [3, 3]],
    [otherDay, [2, 5, 6], [2, 2]],
    [twiceDaily, [2, 2, 3, 3, 4, 5, 5, 6, 6], [2, 2]],
  ])('%#: the rule and the days done give the figures', (rule, days, expected) =>
    expect(figures(rule, { from, until, practice: noons(...days) })).toEqual(expected),
  );

  it('leaves today open until it is over', () => {
    const of = { from, practice: noons(2, 3) };
    expect(figures(daily, of, Date.UTC(2026, 10, 4, 23, 59))).toEqual([2, 2]);
    expect(figures(daily, of, Date.UTC(2026, 10, 5, 0))).toEqual([0, 2]);
  });

  it('counts practice after midnight for the day that has begun', () => {
    const practice = [Date.UTC(2026, 10, 2, 12), Date.UTC(2026, 10, 4, 0, 10)];
    expect(figures(daily, { from, until: '2026-11-04', practice })).toEqual([1, 1]);
    // In Boston it is still the evening of the 3rd, and the 2nd is the 2nd.
    const boston = figures(daily, { from, until: '2026-11-03', practice }, NOW, 'America/New_York');
    expect(boston).toEqual([2, 2]);
  });

  it('counts a day of 25 hours and one of 23 once', () => {
    const autumn = [24, 25, 26].map((d) => Date.UTC(2026, 9, d, 22, 30));
    expect(figures(daily, { from: '2026-10-24', until: '2026-10-26', practice: autumn })).toEqual([
      3, 3,
    ]);
    const spring = [27, 28, 29].map((d) => Date.UTC(2026, 2, d, 0, 30));
    expect(figures(daily, { from: '2026-03-27', until: '2026-03-29', practice: spring })).toEqual([
      3, 3,
    ]);
  });

  it('lets somebody take days off, so many as the rule allows', () => {
    const practice = noons(2, 6);
    const of = (...freezes: string[]) => figures(daily, { from, until, practice, freezes });
    expect(of('2026-11-03', '2026-11-04')).toEqual([1, 1]);
    const rule = { ...daily, freezes: { days: 3, among: 28 } };
    const freezes = ['2026-11-03', '2026-11-04', '2026-11-05'];
    expect(figures(rule, { from, until, practice, freezes })).toEqual([2, 2]);
    expect(figures({ ...daily, freezes: null }, { from, until, practice, freezes })).toEqual([
      1, 1,
    ]);
  });

  it('asks for every day first, then for every other, and ends with its last stage', () => {
    const start = dayOfDate('2026-01-01');
    const at = (day: number) => (start + day) * DAY + 12 * HOUR;
    const first = Array.from({ length: 56 }, (_, d) => at(d));
    const then = Array.from({ length: 42 }, (_, i) => at(57 + 2 * i));
    const of = { from: '2026-01-01', practice: [...first, ...then] };
    expect(figures(twenty, of)).toEqual([98, 98]);
    expect(figures(twenty, { ...of, practice: of.practice.filter((_, i) => i !== 10) })).toEqual([
      87, 87,
    ]);
    expect(under(twenty, of).beats.at(-1)?.last).toBe(start + 139);
  });

  it('without practice asks on days on which something was on', () => {
    const rule = { ...daily, practice: false, freezes: null };
    expect(figures(rule, { meetings: meetings('hhcah') })).toEqual([1, 2]);
  });
});

describe('a rule that changes from a day on', () => {
  const all = meetings('hahhahh');
  it('leaves the past as it was judged', () => {
    const rules = [
      { from: '2026-01-01', rule: every },
      // The Tuesday of the fifth meeting.
      { from: '2026-11-03', rule: mostOf },
    ];
    const options = { rules, zone: ZONE, now: NOW };
    const { current, beats } = streakOf(history({ meetings: all }), options);
    expect(beats.map((b) => b.count)).toEqual([1, 0, 1, 2, 2, 3, 4]);
    expect(current).toBe(4);
    expect(beats[1]?.after).toBe('ended');
    expect(beats[4]?.after).toBe('forgiven');
  });

  it('begins anew where something else is counted, and lets a week that has begun end', () => {
    const rules = [
      { from: '2026-01-01', rule: { ...weekly, times: 1 } },
      { from: '2026-11-04', rule: daily },
    ];
    const options = { rules, zone: ZONE, now: Date.UTC(2026, 10, 10, 12) };
    const practice = noons(2, 9);
    const { per, current, beats } = streakOf(history({ from: '2026-11-02', practice }), options);
    expect([per, current]).toEqual(['day', 1]);
    expect(beats.map((b) => [dateOfDay(b.first), b.is])).toEqual([
      ['2026-11-02', 'kept'],
      ['2026-11-09', 'kept'],
      ['2026-11-10', 'open'],
    ]);
  });
});

describe('an account', () => {
  it('says of each meeting what it did, the newest first', () => {
    const holidays = [{ from: '2026-11-03', to: '2026-11-03', name: 'Harbour days' }];
    const told = explain(
      under(every, { meetings: meetings('hclaap'), holidays }, FIRST + 30 * DAY),
    );
    expect(told.map((line) => `${line.when}: ${line.says}`)).toEqual([
      'Tue 10 Nov: still to come.',
      'Tue 3 Nov: Harbour days, so it neither counts nor breaks.',
      'Tue 27 Oct: not here. The count begins again with the next.',
      'Tue 20 Oct: came late, which counts. That makes 2.',
      'Tue 13 Oct: cancelled, so it neither counts nor breaks.',
      'Tue 6 Oct: came. That makes 1.',
    ]);
  });

  it('says of weeks and days how often it was done, and why less was asked', () => {
    const of = { from: '2026-11-06', until: '2026-11-15', practice: noons(6, 7, 8, 9, 11) };
    expect(explain(under(weekly, of)).map((line) => `${line.when}: ${line.says}`)).toEqual([
      'Mon 9 Nov to Sun 15 Nov: done twice, and 3 times was asked. The count begins again with the next.',
      'Fri 6 Nov to Sun 8 Nov: done 3 times, and 3 times was asked. That makes 1.',
    ]);
    const off = { from: '2026-11-02', until: '2026-11-05', practice: noons(2) };
    const pauses = [{ from: '2026-11-03', to: '2026-11-05' }];
    expect(explain(under(daily, { ...off, pauses }))).toEqual([
      { when: 'Tue 3 Nov', says: 'in a pause, so it neither counts nor breaks.', count: 1 },
      { when: 'Mon 2 Nov', says: 'done once, and once was asked. That makes 1.', count: 1 },
    ]);
  });

  it('never gives a code where a sentence belongs', () => {
    const all = meetings('hlaencph').map((m, i) => ({ ...m, share: i === 7 ? 10 : undefined }));
    for (const rule of Object.values(STREAK_RULES)) {
      for (const { says } of explain(under(rule, { meetings: all, practice: noons(3, 4) }))) {
        expect(says).not.toMatch(/undefined|NaN|-[a-z]+-|too-|nothing-on|to-come/);
      }
    }
  });

  it('is told in German too, day for day', () => {
    const told = (rule: StreakRule, change: Partial<History>, now = NOW) =>
      explain(under(rule, change, now), 'de').map((line) => `${line.when}: ${line.says}`);
    const holidays = [{ from: '2026-11-03', to: '2026-11-03', name: 'Hafentage' }];
    const month = { meetings: meetings('hclaap'), holidays };
    expect(told(every, month, FIRST + 30 * DAY)).toEqual([
      'Di., 10. Nov.: kommt noch.',
      'Di., 3. Nov.: Hafentage, es zählt nicht und bricht nichts ab.',
      'Di., 27. Okt.: nicht da. Mit dem Nächsten wird neu gezählt.',
      'Di., 20. Okt.: später gekommen, das zählt. Das macht 2.',
      'Di., 13. Okt.: abgesagt, es zählt nicht und bricht nichts ab.',
      'Di., 6. Okt.: da. Das macht 1.',
    ]);
    const of = { from: '2026-11-06', until: '2026-11-15', practice: noons(6, 7, 8, 9, 11) };
    expect(told(weekly, of)[0]).toBe(
      'Mo., 9. Nov. bis So., 15. Nov.: zweimal gemacht, und 3 Mal war gefragt. Mit dem Nächsten wird neu gezählt.',
    );
    expect(ruleWords(twenty, 'de')).toMatch(
      /^Einmal am Tag ist gefragt; kein Tag darf fehlen, 8 Wochen lang; danach: von je 2 Tagen darf 1 fehlen, 12 Wochen lang\./,
    );
    const two = under(mostOf, { meetings: meetings('hah') });
    expect(countWords(two, 'de')).toBe('2 Treffen durchgehalten');
    expect(drawn(two, 9, 'de').says).toBe('1 gehalten, 1 ausgelassen, 1 gehalten');
    expect(drawn(under(every, {}), 9, 'de').says).toBe('noch nichts');
  });

  it('says the same in every language, with the same figures and in other words', () => {
    const figures = (says: string) => says.match(/\d+/g) ?? [];
    const letters = fc.string({ unit: fc.constantFrom(...'hlaencp'), maxLength: 12 });
    const rule = fc.constantFrom(...Object.values(STREAK_RULES));
    const change = fc.record({
      practice: fc.array(fc.integer({ min: 1, max: 28 }).map((day) => Date.UTC(2026, 10, day, 12))),
      pauses: fc.constantFrom([], [{ from: '2026-11-03', to: '2026-11-05' }]),
      holidays: fc.constantFrom([], [{ from: '2026-10-20', to: '2026-10-21', name: '' }]),
    });
    for (const language of LANGUAGES.filter((l) => l !== MAIN_LANGUAGE)) {
      fc.assert(
        fc.property(letters, rule, change, (all, asked, more) => {
          const some = meetings(all).map((m, i) => ({ ...m, share: i === 2 ? 10 : undefined }));
          const streak = under({ ...asked, leastShare: 50 }, { meetings: some, ...more });
          const [ours, english] = [explain(streak, language), explain(streak)];
          expect(ours.map((line) => line.count)).toEqual(english.map((line) => line.count));
          for (const [i, { when, says }] of ours.entries()) {
            const told = english[i] ?? { when: '', says: '' };
            expect(figures(when)).toEqual(figures(told.when));
            expect(figures(says).sort()).toEqual(figures(told.says).sort());
            expect(says).not.toBe(told.says);
            expect(says).not.toMatch(/undefined|NaN|-[a-z]+-/);
          }
          expect(figures(ruleWords(asked, language)).sort()).toEqual(
            figures(ruleWords(asked)).sort(),
          );
          expect(figures(countWords(streak, language))).toEqual(figures(countWords(streak)));
        }),
      );
      for (const [look, says] of Object.entries(streakWordsIn(language).looks)) {
        expect(says, look).not.toBe(streakWordsIn(MAIN_LANGUAGE).looks[look as 'kept']);
      }
    }
  });

  it('says what a rule asks', () => {
    expect(ruleWords(twenty)).toMatch(
      /^Once a day is asked; none may be missed for 8 weeks, then 1 of any 2 days may be missed for 12 weeks\./,
    );
    const words = (rule: StreakRule, letters: string) =>
      countWords(under(rule, { meetings: meetings(letters) }));
    expect([words(every, 'h'), words(every, 'hh'), words(mostOf, 'hah')]).toEqual([
      '1 meeting in a row',
      '2 meetings in a row',
      '2 meetings kept up',
    ]);
  });
});

describe('beside the count', () => {
  it('is how much was kept lately', () => {
    const streak = under(every, { meetings: meetings('haclhhe') });
    expect(keptSince(streak, '2026-10-13')).toEqual({ kept: 3, asked: 4 });
  });

  it.each([
    [every, 'hh', true],
    [every, 'ha', false],
    [mostOf, 'hhh', false],
    [mostOf, 'hha', true],
    [mostOf, 'hahhh', false],
  ])('%#: is whether one more miss would end it', (rule, letters, expected) =>
    expect(wouldEnd(under(rule, { meetings: meetings(letters) }))).toBe(expected),
  );

  it('one more miss ends it exactly where that was said', () => {
    const marks = fc.string({ unit: fc.constantFrom(...'hlaenc'), maxLength: 14 });
    const rule = fc.constantFrom(every, mostOf, {
      ...every,
      stages: [{ days: null, misses: 2, among: 5 }],
    });
    fc.assert(
      fc.property(marks, rule, (letters, r) => {
        const before = under(r, { meetings: meetings(letters) });
        const after = under(r, { meetings: meetings(`${letters}a`) });
        expect(wouldEnd(before)).toBe(after.beats.at(-1)?.after === 'ended');
      }),
    );
  });
});

describe('a beat line', () => {
  const lineOf = (letters: string, rule: StreakRule = every, most = 99) =>
    drawn(under(rule, { meetings: meetings(letters) }), most);

  it('has a look for each beat, an arc for each run, and of what is to come only the next', () => {
    const line = drawn(
      under(every, { meetings: meetings('hlcaehpp') }, FIRST + 5 * 7 * DAY + HOUR),
      99,
    );
    expect(line.looks).toEqual(['kept', 'late', 'off', 'missed', 'grain', 'kept', 'to come']);
    expect(line.arcs).toEqual([
      { from: 0, to: 1, now: false },
      { from: 5, to: 5, now: true },
    ]);
    expect(line.says).toBe(
      '1 kept, 1 kept, late, 1 cancelled, 1 missed, 1 does not count, 1 kept, 1 to come',
    );
    // What is cancelled later than the next one is not told yet.
    const ahead = under(every, { meetings: meetings('hpc') }, FIRST + DAY);
    expect(drawn(ahead, 99).looks).toEqual(['kept', 'to come']);
    // A session of the past that nobody closed hides nothing that came after it.
    expect(lineOf('hpha').looks).toEqual(['kept', 'to come', 'kept', 'missed']);
    expect(lineOf('hha').arcs).toEqual([{ from: 0, to: 1, now: false }]);
    // A miss that is forgiven does not part an arc.
    expect(lineOf('hhah', mostOf).arcs).toEqual([{ from: 0, to: 3, now: true }]);
  });

  it('holds under its last arc as many kept beats as are in a row, as far as they are drawn', () => {
    const letters = fc.string({ unit: fc.constantFrom(...'hlaenc'), maxLength: 20 });
    const rule = fc.constantFrom(every, mostOf);
    fc.assert(
      fc.property(letters, rule, fc.integer({ min: 1, max: 25 }), (all, r, most) => {
        const line = lineOf(all, r, most);
        const isKept = (i: number) => ['kept', 'late'].includes(line.looks[i] ?? '');
        const under = (from: number, to: number) =>
          line.looks.filter((_, i) => i >= from && i <= to && isKept(i)).length;
        const now = line.arcs.filter((a) => a.now);
        expect(now.length).toBeLessThanOrEqual(1);
        const [last] = now;
        if (all.length <= most) expect(last ? under(last.from, last.to) : 0).toBe(line.current);
        for (const arc of line.arcs) {
          expect([isKept(arc.from), isKept(arc.to)]).toEqual([true, true]);
        }
      }),
    );
  });
});

it('does not depend on the order in which a history is read', () => {
  const letters = fc.string({ unit: fc.constantFrom(...'hlaecpn'), maxLength: 20 });
  const some = letters.chain((l) =>
    fc.tuple(
      fc.constant(meetings(l)),
      fc.shuffledSubarray(meetings(l), { minLength: l.length, maxLength: l.length }),
    ),
  );
  fc.assert(
    fc.property(
      some,
      fc.constantFrom(...Object.values(STREAK_RULES)),
      ([inOrder, shuffled], rule) => {
        expect(under(rule, { meetings: shuffled })).toEqual(under(rule, { meetings: inOrder }));
      },
    ),
  );
});

it('has rules that are what a rule is to be', () => {
  for (const rule of Object.values(STREAK_RULES)) {
    expect(streakRuleSchema.parse(rule)).toEqual(rule);
  }
});

it('cuts days and weeks as ISO 8601 has them, in years of 53 weeks too', () => {
  // Weeks by date-fns; 2020 and 2026 have 53.
  const day = fc.integer({ min: dayOfDate('2015-01-01'), max: dayOfDate('2035-12-31') });
  fc.assert(
    fc.property(day, (d) => {
      const [at, monday] = [d, mondayOfDay(d)].map((n) => new Date(`${dateOfDay(n)}T12:00`));
      if (!at || !monday) throw new Error('no date');
      expect(monday.getDay()).toBe(1);
      expect([getISOWeekYear(monday), getISOWeek(monday)]).toEqual([
        getISOWeekYear(at),
        getISOWeek(at),
      ]);
      expect(d - mondayOfDay(d)).toBeLessThan(7);
    }),
    { numRuns: 500 },
  );
  expect(getISOWeek(new Date('2026-12-31T12:00'))).toBe(53);
});

it('puts an instant on the day that a calendar of the zone shows', () => {
  const zones = ['Europe/Dublin', 'America/St_Johns', 'Australia/Lord_Howe', 'Asia/Kathmandu'];
  for (const zone of zones) {
    const dayOf = daysIn(zone);
    const calendar = new Intl.DateTimeFormat('en-CA', { timeZone: zone, dateStyle: 'short' });
    fc.assert(
      fc.property(fc.integer({ min: Date.UTC(2020, 0), max: Date.UTC(2030, 0) }), (ms) => {
        expect(dateOfDay(dayOf(ms))).toBe(calendar.format(ms));
      }),
    );
  }
});
