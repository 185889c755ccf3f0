import { LIBRARY, LIBRARY_BOOK } from '@library';
import { RUNS } from '@testing/arbitrary';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { emptyPlan, problemOfPlan } from '../class';
import { LANGUAGES } from '../language';
import { doseBeats, doseMs, isTimed, type Move, moveText } from '../move';
import { type Caption, srt, webVtt } from '../take-away';
import {
  alike,
  doseLasting,
  guesses,
  isTimedText,
  planOfWritten,
  readList,
  readTimed,
  SURE,
} from '.';

const bare = { notes: [] as string[], rounds: null };
const move = fc.constantFrom(...LIBRARY);
const language = fc.constantFrom(...LANGUAGES);

describe('timed text', () => {
  const captions: fc.Arbitrary<Caption[]> = fc
    .array(
      fc.record({
        ms: fc.integer({ min: 500, max: 90_000 }),
        text: fc.constantFrom('Smile pulses', 'Wide & slow', 'a < b', 'Ja, noch einmal'),
      }),
      { minLength: 1, maxLength: 8 },
    )
    .map((all) => {
      let at = 0;
      return all.map(({ ms, text }) => {
        const startMs = at;
        at += ms;
        return { startMs, endMs: at, text, language: 'en', count: false };
      });
    });

  it('is read as it was written, each line as long as until the next', () => {
    const head = { name: 'A class', language: 'en', notes: ['Stop if it hurts.'] } as const;
    fc.assert(
      fc.property(captions, fc.boolean(), fc.boolean(), (all, asSrt, dos) => {
        const written = asSrt ? srt(all) : webVtt(all, head);
        const text = dos ? written.replaceAll('\n', '\r\n') : written;
        expect(isTimedText(text)).toBe(true);
        expect(readTimed(text).map(({ text: said, seconds }) => ({ text: said, seconds }))).toEqual(
          all.map((c) => ({
            text: c.text,
            seconds: Math.max(1, Math.round((c.endMs - c.startMs) / 1000)),
          })),
        );
      }),
      { numRuns: RUNS / 4 },
    );
  });

  it('lasts over pauses, and says where its times make no sense', () => {
    const text =
      '1\n00:00:10,000 --> 00:00:12,000\nFirst\n\n2\n00:01:00,500 --> 00:01:02,000\n<i>Second</i>\nline\n\n3\n00:00:50,000 --> 00:00:55,000\nThird\n';
    expect(readTimed(text)).toEqual([
      { ...bare, line: 2, text: 'First', seconds: 51 },
      {
        ...bare,
        line: 6,
        text: 'Second line',
        seconds: null,
        notes: ['It begins no earlier than what comes after it.'],
      },
      { ...bare, line: 11, text: 'Third', seconds: 5 },
    ]);
  });

  it('is not taken for a list, nor a list for it', () => {
    expect(isTimedText('Smile pulses, 30\n')).toBe(false);
    expect(isTimedText('\uFEFFWEBVTT\n')).toBe(true);
  });
});

describe('a list', () => {
  it('is read by its order, and by its heads where it has them', () => {
    const line = { notes: [], text: 'Smile pulses', seconds: 45, rounds: 3 };
    expect(readList([['Smile pulses', '0:45', '3']])).toEqual([{ ...line, line: 1 }]);
    expect(
      readList([
        ['Rounds', 'Move', 'Time'],
        ['x3', ' Smile  pulses ', '45 s'],
        ['', '', ''],
        ['', 'Soft jaw drop', ''],
      ]),
    ).toEqual([
      { ...line, line: 2 },
      { notes: [], text: 'Soft jaw drop', seconds: null, rounds: null, line: 4 },
    ]);
  });

  it.each([
    ['Minutes', '2', 120],
    ['Length (min)', '1,5', 90],
    ['Dauer in Minuten', '0:45', 45],
    ['Time [s]', '45', 45],
    ['Sec', '45', 45],
    ['Length (min)', '30 s', 30],
  ])('takes a length headed %s as it is meant: %s', (head, cell, seconds) => {
    expect(
      readList([
        ['Move', head],
        ['Smile pulses', cell],
      ]),
    ).toEqual([{ ...bare, line: 2, text: 'Smile pulses', seconds }]);
  });

  it('says of each column and each length that it is not read', () => {
    const rows = [
      ['Exercise', 'Where', 'Time', 'Time'],
      ['Smile pulses', 'cheeks', '20 min', '3'],
    ];
    expect(readList(rows)).toEqual([
      {
        ...bare,
        line: 2,
        text: 'Smile pulses',
        seconds: null,
        notes: [
          '“20 min” is longer than one exercise may last, 10 minutes.',
          'Not read: cheeks, 3.',
        ],
      },
    ]);
    const long =
      '00:00.000 --> 00:12.000\nWelcome\n\n00:12.000 --> 12:12.000\nOn\n\n13:00.000 --> 13:01.000\nEnd\n';
    expect(readTimed(long).map(({ seconds, notes }) => [seconds, notes.length])).toEqual([
      [12, 0],
      [null, 1],
      [1, 0],
    ]);
  });

  it('says of each line what could not be read, and drops nothing', () => {
    expect(readList([['Smile pulses', 'a while', '99', 'softly', '']])).toEqual([
      {
        line: 1,
        text: 'Smile pulses',
        seconds: null,
        rounds: null,
        notes: [
          '“a while” is no length.',
          '“99” is no number of rounds from 1 to 10.',
          'Not read: softly.',
        ],
      },
    ]);
    const rows = fc.array(fc.array(fc.string({ maxLength: 9 }), { maxLength: 5 }));
    fc.assert(
      fc.property(rows, (all) => {
        const read = readList([['name'], ...all]);
        const full = all.filter((row) => row.some((cell) => cell.trim() !== ''));
        expect(read).toHaveLength(full.length);
        for (const { line, seconds, rounds, notes } of read) {
          expect([seconds, rounds]).toEqual([null, null]);
          const [, ...more] = all[line - 2] ?? [];
          for (const cell of more) expect(notes.join()).toContain(cell.replace(/\s+/g, ' ').trim());
        }
      }),
      { numRuns: RUNS },
    );
  });
});

describe('guessing', () => {
  const nameOf = (m: Move, l: (typeof LANGUAGES)[number]) => moveText(m, l).name;

  it('knows every move of the library by its name in any language, however it is written', () => {
    for (const m of LIBRARY) {
      for (const l of LANGUAGES) {
        const written = `  ${nameOf(m, l).toUpperCase().replaceAll(' ', ' - ')} `;
        const [first] = guesses(written, LIBRARY);
        const same = LIBRARY.find((o) => o.id === first?.moveId) as Move;
        expect(LANGUAGES.map((k) => nameOf(same, k))).toContain(nameOf(m, l));
        expect(first?.alike).toBe(1);
      }
    }
  });

  it('forgives a letter, and is never surer of another move than of the one that is meant', () => {
    fc.assert(
      fc.property(move, language, fc.nat(), (m, l, n) => {
        const name = nameOf(m, l);
        const at = n % name.length;
        const written = name.slice(0, at) + name.slice(at + 1);
        const found = guesses(written, LIBRARY);
        const ours = found.find((g) => g.moveId === m.id)?.alike ?? 0;
        expect(ours).toBeGreaterThan(0.4);
        for (const g of found) {
          if (g.alike > ours) {
            const other = LIBRARY.find((o) => o.id === g.moveId) as Move;
            const best = Math.max(...LANGUAGES.map((k) => alike(written, nameOf(other, k))));
            expect(best).toBe(g.alike);
            expect(alike(name, nameOf(other, l))).toBeLessThan(1);
          }
        }
      }),
      { numRuns: RUNS },
    );
  });

  it('is sure of nothing that is no move', () => {
    for (const text of ['', '!!!', 'Notices and tea', 'Welcome everybody', '12345']) {
      expect(guesses(text, LIBRARY).every((g) => g.alike < SURE)).toBe(true);
    }
    expect(alike('', '')).toBe(0);
  });
});

it('a class of what was chosen has its lengths and rounds, and is a class like any other or too much of one', () => {
  const chosen = fc.array(
    fc.record({
      move: move.map((m) => m.id),
      seconds: fc.option(fc.integer({ min: 1, max: 14_400 })),
      rounds: fc.option(fc.integer({ min: 1, max: 10 })),
    }),
    { minLength: 1, maxLength: 12 },
  );
  fc.assert(
    fc.property(chosen, (lines) => {
      const plan = planOfWritten(emptyPlan('Written', 1200), lines, LIBRARY_BOOK);
      const problem = problemOfPlan(plan);
      if (problem) expect(problem).toMatch(/^This class (has|becomes) .*; a class has at most /);
      const segments = Object.values(plan.phases).flatMap((blocks) =>
        blocks.flatMap((b) => b.segments),
      );
      expect(segments).toHaveLength(lines.length);
      for (const { id, dose, rounds, move: moveId } of segments) {
        const line = lines[Number(id.slice(1)) - 1];
        const m = LIBRARY_BOOK.move(moveId) as Move;
        expect(line?.move).toBe(moveId);
        expect(rounds).toBe(line?.rounds ?? m.rounds);
        if (line?.seconds == null) expect(dose).toEqual(m.dose);
        else expect(dose).toEqual(doseLasting(m, line.seconds) ?? m.dose);
      }
    }),
    { numRuns: RUNS / 4 },
  );
});

it('a dose lasts about as long as it is said to, in its own kind, or is none', () => {
  fc.assert(
    fc.property(move, fc.integer({ min: 1, max: 900 }), (m, seconds) => {
      const dose = doseLasting(m, seconds);
      const each = isTimed(m.dose) ? 1000 : doseBeats(m.dose).beatMs;
      if (dose === null) {
        // Longer than any may last, or more of it than may be done in one go.
        expect(seconds * 1000 + each / 2).toBeGreaterThan(Math.min(600_000, 50 * each));
        return;
      }
      expect(dose.kind).toBe(m.dose.kind);
      const least = dose.kind === 'open' ? 10_000 : each;
      expect(Math.abs(doseMs(dose) - Math.max(least, seconds * 1000))).toBeLessThanOrEqual(
        each / 2 + 1,
      );
    }),
    { numRuns: RUNS },
  );
});
