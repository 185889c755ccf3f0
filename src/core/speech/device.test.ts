import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { estimateSpeech, isLength, type Measured, measuredSchema, paceOf, saidByDevice } from '.';

const measured = (text: string, ms: number): Measured => ({
  text,
  language: 'en',
  wordsPerMinute: 150,
  ms,
});
const expected = (text: string) => estimateSpeech(text, 'en', 150);
const TEXTS = ['Look up.', 'Let the jaw hang.', 'Breathe out slowly.', 'Rest your hands.', 'Now.'];

describe('the pace of a voice', () => {
  it('is in the middle of what was measured: as many are slower as are faster', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.3, max: 3, noNaN: true }), { minLength: 3, maxLength: 30 }),
        (times) => {
          const all = times.map((t, i) => {
            const text = TEXTS[i % TEXTS.length] ?? '';
            return measured(text, Math.round(t * expected(text)));
          });
          const pace = paceOf(all);
          const ratios = all.map(({ text, ms }) => ms / expected(text));
          const slower = ratios.filter((r) => r > pace + 1e-9).length;
          const faster = ratios.filter((r) => r < pace - 1e-9).length;
          expect(Math.max(slower, faster)).toBeLessThanOrEqual(all.length / 2);
        },
      ),
    );
  });

  it('is not believed before three were measured, nor moved by one that is odd', () => {
    expect(paceOf([])).toBe(1);
    expect(paceOf(TEXTS.slice(0, 2).map((t) => measured(t, 9000)))).toBe(1);
    const twice = TEXTS.map((t) => measured(t, 2 * expected(t)));
    expect(paceOf(twice)).toBeCloseTo(2);
    expect(paceOf([...twice, measured('Now.', 59_000)])).toBeCloseTo(2);
  });
});

describe('a length that a device tells', () => {
  const [text] = TEXTS as [string];
  const said = { text, language: 'en' as const, wordsPerMinute: 150 };
  it.each([
    ['at once', 3, false],
    ['far too soon', expected(text) / 8, false],
    ['in time', expected(text), true],
    ['twice as slow', 2 * expected(text), true],
    ['after the class', 100_000, false],
  ])('that ends %s', (_, ms, isTrue) => expect(isLength(said, Math.round(ms))).toBe(isTrue));

  it('is refused where it is no number of ms that can be kept', () => {
    for (const ms of [0, -5, 1.5, 70_000, Number.NaN]) {
      expect(measuredSchema.safeParse(measured(text, ms)).success).toBe(false);
    }
    expect(measuredSchema.safeParse(measured(text, 700)).success).toBe(true);
  });
});

it('what a device is given has the words of the studio, and figures and signs in words', () => {
  const toSay = saidByDevice([{ language: 'en', written: 'platysma', said: 'pla-TIZ-ma' }]);
  expect(toSay('Platysma 🙂 for 10 s', 'en')).toBe('pla-TIZ-ma for ten seconds');
  expect(toSay('Platysma für 10 s', 'de')).toBe('Platysma für zehn Sekunden');
});
