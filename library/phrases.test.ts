import { describe, expect, it } from 'vitest';
import type { Dose } from '@/core/move';
import { countWord } from '@/core/speech';
import { PHRASES } from './phrases';

const doses: [Dose, en: string, en3: string, de: string][] = [
  [{ kind: 'hold', seconds: 30 }, '30 seconds', '3 rounds of 30 seconds', '30 Sekunden'],
  [{ kind: 'hold', seconds: 1 }, '1 second', '3 rounds of 1 second', 'eine Sekunde'],
  [
    { kind: 'counts', counts: 10, tempo: 60 },
    'a count of 10',
    '3 rounds, a count of 10 each',
    'bis 10 gezählt',
  ],
  [{ kind: 'taps', taps: 20, tempo: 60 }, '20 taps', '3 rounds of 20 taps', 'zwanzigmal'],
  [{ kind: 'reps', reps: 12, secondsEach: 4 }, '12 times', '3 rounds, 12 times each', 'zwölfmal'],
  [{ kind: 'reps', reps: 27, secondsEach: 1 }, '27 times', '3 rounds, 27 times each', '27-mal'],
  [
    { kind: 'passes', passes: 3, secondsEach: 8 },
    '3 times over',
    '3 rounds, 3 times over each',
    '3 Durchgänge',
  ],
  [
    { kind: 'breaths', breaths: 5, pattern: { in: 4, hold: 0, out: 6, pause: 0 } },
    '5 breaths',
    '3 rounds of 5 breaths',
    '5 Atemzüge',
  ],
  [
    { kind: 'open', seconds: 40, floorSeconds: 20, ceilingSeconds: 60 },
    'about 40 seconds',
    '3 rounds, about 40 seconds each',
    'etwa 40 Sekunden',
  ],
];
const hold = (seconds: number): Dose => ({ kind: 'hold', seconds });

describe('the connecting words', () => {
  it.each(doses)('say how much of %j is to come', (dose, english, threeRounds, german) => {
    expect(PHRASES.en.dose([dose], 'together')).toBe(english);
    expect(PHRASES.de.dose([dose], 'together')).toBe(german);
    expect(PHRASES.en.dose([dose, dose, dose], 'together')).toBe(threeRounds);
    expect(PHRASES.de.dose([dose, dose, dose], 'together')).toBe(`3 Runden, je ${german}`);
  });

  it('say what is true of rounds that differ', () => {
    const three = [hold(45), hold(56), hold(44)] as const;
    expect(PHRASES.en.dose(three, 'together')).toBe('3 rounds: 45, 56 and 44 seconds');
    expect(PHRASES.de.dose(three, 'together')).toBe('3 Runden: 45, 56 und 44 Sekunden');
    const mixed = [hold(20), { kind: 'reps', reps: 8, secondsEach: 3 }] as const;
    expect(PHRASES.en.dose(mixed, 'together')).toBe('2 rounds, first 20 seconds');
    expect(PHRASES.de.dose(mixed, 'together')).toBe('2 Runden, zuerst 20 Sekunden');
    const many = [hold(10), hold(20), hold(30), hold(40), hold(50)] as const;
    expect(PHRASES.en.dose(many, 'together')).toBe('5 rounds, first 10 seconds');
  });

  it('say that a dose is for each side, or each way', () => {
    const breaths: Dose = {
      kind: 'breaths',
      breaths: 5,
      pattern: { in: 3, hold: 0, out: 3, pause: 0 },
    };
    expect(PHRASES.en.dose([breaths], 'each')).toBe('5 breaths on each side');
    expect(PHRASES.de.dose([breaths], 'each')).toBe('5 Atemzüge auf jeder Seite');
    expect(PHRASES.en.dose([breaths], 'directions')).toBe('5 breaths each way');
    expect(PHRASES.de.dose([breaths, breaths], 'directions')).toBe(
      '2 Runden, je 5 Atemzüge in jede Richtung',
    );
  });

  it.each([
    [5, 'five', 'fünf'],
    [12, 'twelve', 'zwölf'],
    [21, 'twenty-one', 'einundzwanzig'],
    [41, 'forty-one', 'einundvierzig'],
    [70, 'seventy', 'siebzig'],
    [101, 'one hundred and one', 'einhunderteins'],
    [360, 'three hundred and sixty', 'dreihundertsechzig'],
    [1234, 'one thousand two hundred and thirty-four', 'eintausendzweihundertvierunddreißig'],
  ])('count %i as "%s" and "%s"', (n, english, german) => {
    expect(countWord(PHRASES.en, n)).toBe(english);
    expect(countWord(PHRASES.de, n)).toBe(german);
  });
});
