import fc from 'fast-check';
import ICAL from 'ical.js';
import { describe, expect, it } from 'vitest';
import { MOST_EVENTS, MOST_FOUND, MOST_IN_SERIES, type ReadFile, readCalendarFile } from '.';

const ZONE = 'Europe/Dublin';
const NOW = Date.UTC(2026, 9, 1);

/** 2 November 2026 is a Monday. */
const WEEK = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'];
const event = (...lines: string[]) => ['BEGIN:VEVENT', ...lines, 'END:VEVENT'].join('\r\n');
const file = (...events: string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Hall//EN', ...events, 'END:VCALENDAR'].join('\r\n');
const read = (text: string, now = NOW) => readCalendarFile(text, { zone: ZONE, now });

function had(answer: ReadFile) {
  if (!answer.ok) throw new Error(answer.problem);
  return answer;
}

const times = (answer: ReadFile) =>
  had(answer).series.map((s) =>
    s.sessions.map((x) => new Date(x.startsAt).toISOString().slice(0, 16)),
  );

describe('a calendar file', () => {
  it('becomes series with their place and call, at the same time on the wall over the change of clocks', () => {
    const answer = had(
      read(
        file(
          event(
            'UID:a',
            'SUMMARY:Jaw and choir',
            'LOCATION:Hall 2\\; left door',
            'URL:https://call.example/x',
            `DTSTART;TZID=${ZONE}:20261020T183000`,
            'RRULE:FREQ=WEEKLY;COUNT=3',
          ),
          event('UID:b', 'SUMMARY:Once', 'DTSTART:20261102T120000Z', 'URL:javascript:alert(1)'),
        ),
      ),
    );
    expect(answer.series).toEqual([
      {
        uid: 'a',
        name: 'Jaw and choir',
        place: 'Hall 2; left door',
        link: 'https://call.example/x',
        recurrence: 'FREQ=WEEKLY;COUNT=3',
        cut: false,
        sessions: ['2026-10-20T18:30', '2026-10-27T18:30', '2026-11-03T18:30'].map(
          (occurrence, i) => ({
            occurrence,
            startsAt: Date.UTC(2026, 9, 20 + 7 * i, i === 0 ? 17 : 18, 30),
          }),
        ),
      },
      {
        uid: 'b',
        name: 'Once',
        place: null,
        link: null,
        recurrence: null,
        cut: false,
        sessions: [{ occurrence: '2026-11-02T12:00', startsAt: Date.UTC(2026, 10, 2, 12) }],
      },
    ]);
  });

  it('is read with what was left out, added, moved and called off (RFC 5545, sections 3.8.5.1, 3.8.5.2, 3.8.4.4)', () => {
    const series = [
      'UID:a',
      'SUMMARY:Series',
      `DTSTART;TZID=${ZONE}:20261103T183000`,
      'RRULE:FREQ=WEEKLY;COUNT=5',
      `EXDATE;TZID=${ZONE}:20261110T183000`,
      `RDATE;TZID=${ZONE}:20261105T090000`,
    ];
    const changed = (was: string, ...lines: string[]) =>
      event('UID:a', `RECURRENCE-ID;TZID=${ZONE}:${was}`, ...lines);
    expect(
      times(
        read(
          file(
            changed('20261117T183000', `DTSTART;TZID=${ZONE}:20261118T200000`),
            event(...series),
            changed('20261124T183000', 'STATUS:CANCELLED', `DTSTART;TZID=${ZONE}:20261124T183000`),
            event('UID:off', 'STATUS:CANCELLED', 'SUMMARY:Off', 'DTSTART:20261102T120000Z'),
          ),
        ),
      ),
    ).toEqual([['2026-11-03T18:30', '2026-11-05T09:00', '2026-11-18T20:00', '2026-12-01T18:30']]);
  });

  it('knows what is left out and added in whatever zone that is written, as a day and as a span', () => {
    const answer = read(
      file(
        event(
          'UID:a',
          'SUMMARY:Series',
          'DTSTART;TZID=Europe/Berlin:20261103T193000',
          'RRULE:FREQ=WEEKLY;COUNT=5',
          'EXDATE:20261110T183000Z',
          'EXDATE;TZID=America/New_York:20261117T133000',
          'EXDATE;VALUE=DATE:20261124',
          'RDATE;VALUE=DATE:20261105',
          'RDATE;VALUE=PERIOD:20261106T080000Z/PT1H',
        ),
      ),
    );
    expect(times(answer)).toEqual([
      ['2026-11-03T18:30', '2026-11-05T18:30', '2026-11-06T08:00', '2026-12-01T18:30'],
    ]);
  });

  it('loses no event to another one of the same id, and takes none twice', () => {
    const at = (day: string, ...lines: string[]) =>
      event('UID:1', `SUMMARY:${day}`, `DTSTART:202611${day}T180000Z`, ...lines);
    const apart = had(read(file(at('03'), at('04'), at('04'))));
    expect(times(apart)).toEqual([['2026-11-03T18:00'], ['2026-11-04T18:00']]);
    expect(new Set(apart.series.map((s) => s.uid)).size).toBe(2);
    // The newer one of two is the event as it is now.
    const newer = read(file(at('03'), at('05', 'SEQUENCE:2'), at('04', 'SEQUENCE:1')));
    expect(times(newer)).toEqual([['2026-11-05T18:00']]);
    // Somebody who was invited to single sessions has these, and not their series.
    const change = (day: string, to: string) =>
      event('UID:2', `SUMMARY:${day}`, `RECURRENCE-ID:202611${day}T180000Z`, `DTSTART:202611${to}`);
    const alone = had(read(file(change('10', '10T180000Z'), change('17', '18T190000Z'))));
    expect(times(alone)).toEqual([['2026-11-10T18:00'], ['2026-11-18T19:00']]);
  });

  it('says of each event of one id what is wrong with it', () => {
    const bad = (name: string, ...lines: string[]) =>
      event('UID:1', `SUMMARY:${name}`, 'DTSTART:20269903T18', ...lines);
    const answer = had(
      read(file(bad('a'), bad('b', 'DURATION:x'), bad('c', 'SEQUENCE:soon'), event('UID:1'))),
    );
    expect(answer.series).toEqual([]);
    expect(answer.leftOut.map((says) => says.split(':')[0])).toEqual(['a', 'Without a name']);
  });

  it('says that a change of all that follow is read for one', () => {
    const series = ['UID:a', 'SUMMARY:Jaw', 'DTSTART:20261103T180000Z', 'RRULE:FREQ=DAILY;COUNT=3'];
    const id = 'RECURRENCE-ID;RANGE=THISANDFUTURE:20261104T180000Z';
    const answer = had(
      read(file(event(...series), event('UID:a', id, 'DTSTART:20261104T190000Z'))),
    );
    expect(times(answer)).toEqual([['2026-11-03T18:00', '2026-11-04T19:00', '2026-11-05T18:00']]);
    expect(answer.leftOut).toEqual([expect.stringMatching(/^Jaw: .*read for one session\. Move/)]);
  });

  it('knows time zones by the names that programs have for them', () => {
    const of = (zone: string) =>
      event(`UID:${zone}`, 'SUMMARY:x', `DTSTART;TZID=${zone}:20261102T120000`);
    const answer = had(
      read(
        file(
          // Names of Windows as CLDR's windowsZones has them.
          of('W. Europe Standard Time'),
          of('"GMT Standard Time"'),
          of('/harbour.example/20260101_1/America/New_York'),
          of('/harbour.example/1/America/Argentina/Ushuaia'),
          of('Harbour Time'),
        ),
      ),
    );
    expect(times(answer)).toEqual([
      ['2026-11-02T11:00'],
      ['2026-11-02T12:00'],
      ['2026-11-02T17:00'],
      ['2026-11-02T15:00'],
    ]);
    expect(answer.leftOut).toEqual(['x: nobody knows the time zone “Harbour Time”.']);
  });

  it('takes times in another zone and without one as what they are', () => {
    const of = (start: string) => event(`UID:${start}`, `SUMMARY:${start}`, start);
    expect(
      times(
        read(
          file(
            of('DTSTART;TZID=America/New_York:20261102T120000'),
            of('DTSTART:20261102T120000'),
            // The clocks of Dublin jump over this; it comes as much later (section 3.3.5).
            of(`DTSTART;TZID=${ZONE}:20270328T013000`),
          ),
        ),
      ),
    ).toEqual([['2026-11-02T17:00'], ['2026-11-02T12:00'], ['2027-03-28T01:30']]);
  });

  it('gives whole days as closed days, the last among them, year by year', () => {
    const { closures } = had(
      read(
        file(
          event(
            'UID:a',
            'SUMMARY:Half-term',
            'DTSTART;VALUE=DATE:20261026',
            'DTEND;VALUE=DATE:20261031',
          ),
          event('UID:d', 'SUMMARY:Paint', 'DTSTART;VALUE=DATE:20261109', 'DURATION:P1W'),
          event('UID:b', 'SUMMARY:New year', 'DTSTART;VALUE=DATE:20200101', 'RRULE:FREQ=YEARLY'),
          event('UID:c', 'SUMMARY:Past', 'DTSTART;VALUE=DATE:20260101'),
        ),
      ),
    );
    expect(closures).toEqual([
      { from: '2026-10-26', to: '2026-10-30', name: 'Half-term' },
      { from: '2026-11-09', to: '2026-11-15', name: 'Paint' },
      ...['2027', '2028', '2029'].map((year) => {
        return { from: `${year}-01-01`, to: `${year}-01-01`, name: 'New year' };
      }),
    ]);
  });

  it('meets on the days that a general parser has for the same rule', () => {
    const rules = fc.record({
      freq: fc.constantFrom('DAILY', 'WEEKLY', 'MONTHLY'),
      interval: fc.integer({ min: 1, max: 4 }),
      count: fc.integer({ min: 1, max: 16 }),
      day: fc.integer({ min: 1, max: 28 }),
      days: fc.subarray(WEEK),
      without: fc.nat(6),
    });
    fc.assert(
      fc.property(rules, ({ freq, interval, count, day, days, without }) => {
        // RFC 5545 leaves open what a rule means that does not name its own first day.
        const own = WEEK[(day + 5) % 7] ?? '';
        const byDay = freq === 'WEEKLY' ? `;BYDAY=${[...new Set([own, ...days])].join(',')}` : '';
        const two = String(day).padStart(2, '0');
        const text = file(
          event(
            'UID:a',
            'SUMMARY:A',
            `DTSTART;TZID=${ZONE}:202611${two}T090000`,
            `RRULE:FREQ=${freq};INTERVAL=${interval};COUNT=${count}${byDay}`,
            `EXDATE;TZID=${ZONE}:202611${String(1 + without).padStart(2, '0')}T090000`,
          ),
        );
        const [parsed] = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent');
        if (!parsed) throw new Error('no event');
        const all = new ICAL.Event(parsed).iterator();
        const expected: string[] = [];
        for (let next = all.next(); next; next = all.next()) {
          expected.push(next.toString().slice(0, 16));
        }
        const mine = read(text);
        const got = mine.ok ? mine.series.flatMap((s) => s.sessions.map((x) => x.occurrence)) : [];
        expect(got).toEqual(expected);
      }),
      { numRuns: 200 },
    );
  });

  it('without an end is taken for so many, and what is over or cannot be read is named', () => {
    const answer = had(
      read(
        file(
          event('UID:a', 'SUMMARY:Daily', 'DTSTART:20190101T090000', 'RRULE:FREQ=DAILY'),
          event('UID:b', 'SUMMARY:Over', 'DTSTART:20250101T090000'),
          event(
            'UID:c',
            'SUMMARY:Second by second',
            'DTSTART:20261102T090000',
            'RRULE:FREQ=SECONDLY',
          ),
          event('UID:d', 'SUMMARY:Elsewhere', 'DTSTART;TZID=Moon/Base:20261102T090000'),
          event('UID:e', 'SUMMARY:Never', 'DTSTART:00010101T090000', 'RRULE:FREQ=DAILY'),
          event('UID:f', 'SUMMARY:Timeless'),
          event('UID:g', 'SUMMARY:Odd', 'DTSTART:20261102T090000', 'EXDATE:2026-99-99'),
        ),
      ),
    );
    expect(answer.series.map((s) => [s.name, s.sessions.length, s.cut])).toEqual([
      ['Daily', MOST_IN_SERIES, true],
    ]);
    expect(answer.series[0]?.sessions[0]?.occurrence).toBe('2026-10-01T09:00');
    expect(answer.leftOut).toEqual([
      'Over: it is over.',
      'Second by second: it repeats several times a day.',
      'Elsewhere: nobody knows the time zone “Moon/Base”.',
      'Never: its time is not one from 1970 to 2199.',
      'Timeless: it says no time.',
      'Odd: a part of it cannot be read.',
    ]);
  });

  it('ends with the last session that its rule names, in UTC or as a day (RFC 5545, section 3.3.10)', () => {
    const until = (last: string) =>
      event(
        `UID:${last}`,
        `DTSTART;TZID=Pacific/Auckland:20261103T183000`,
        `RRULE:FREQ=WEEKLY;UNTIL=${last}`,
      );
    // 18:30 in Auckland on 17 November is 05:30 in UTC.
    const ends = ['20261117T053000Z', '20261117T052959Z', '20261117', '20261117T183000'].map(
      (last) => had(read(file(until(last)))).series.map((s) => [s.sessions.length, s.cut]),
    );
    expect(ends).toEqual([[[3, false]], [[2, false]], [[3, false]], [[3, false]]]);
  });

  it('cannot keep the server busy, whatever its rules ask for', () => {
    const ruled = (rule: string, i = 0) =>
      event(`UID:${i}`, `SUMMARY:${i}`, 'DTSTART:19700102T090000', `RRULE:${rule}`);
    for (const rule of [
      'FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30',
      'FREQ=DAILY;BYHOUR=0,1,2,3;BYMINUTE=0,1,2',
      'FREQ=WEEKLY;BYSECOND=1,2,3',
      'FREQ=WEEKLY;BYYEARDAY=366',
    ]) {
      expect([rule, had(read(file(ruled(rule)))).series.length]).toEqual([rule, 0]);
    }
    const many = Array.from({ length: 40 }, (_, i) => ruled('FREQ=DAILY', i));
    const { series, leftOut } = had(read(file(...many)));
    expect(series.length).toBeGreaterThan(1);
    const holidays = Array.from({ length: 45 }, (_, i) =>
      event(`UID:h${i}`, 'DTSTART;VALUE=DATE:19700102', 'RRULE:FREQ=YEARLY'),
    );
    expect(had(read(file(...holidays))).leftOut).toEqual([]);
    expect(series.length + leftOut.length).toBe(40);
    expect(leftOut.at(-1)).toBe('39: there is too much before it in this file.');
  });

  it('whose rule names no day there is ends all the same', () => {
    const text = file(
      event(
        'UID:a',
        'SUMMARY:30 Feb',
        'DTSTART:20261102T090000',
        'RRULE:FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30',
      ),
    );
    expect(times(read(text))).toEqual([['2026-11-02T09:00']]);
  });

  it('that is none, too large or too full is refused with a sentence', () => {
    const says = (text: string) => {
      const answer = read(text);
      return answer.ok ? '' : answer.problem;
    };
    expect(says('A,B\n1,2')).toMatch(/^This is no calendar file/);
    expect(says('')).toMatch(/^This is no calendar file/);
    expect(says('BEGIN:VCARD\r\nEND:VCARD')).toMatch(/^This is no calendar file/);
    expect(says('x'.repeat(5_000_000))).toMatch(/^This file is larger than 1 MB/);
    const many = (n: number) =>
      Array.from({ length: n }, (_, i) => event(`UID:${i}`, 'DTSTART:20261102T090000Z'));
    expect(says(file(...many(MOST_EVENTS + 1)))).toMatch(/more than 2000 events/);
    expect(says(file(...many(MOST_FOUND + 1)))).toMatch(/more than 50 series/);
  });

  it('never breaks on what people may send', () => {
    const piece = fc.oneof(
      fc.string({ maxLength: 20 }),
      fc.constantFrom(
        'BEGIN:VEVENT',
        'END:VEVENT',
        'DTSTART:',
        'RRULE:FREQ=',
        'EXDATE:2026',
        'UID:a',
      ),
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 12 }), (lines) => {
        const answer = read(file(event(...lines)));
        expect(typeof answer.ok).toBe('boolean');
      }),
      { numRuns: 300 },
    );
  });
});
