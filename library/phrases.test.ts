import { describe, expect, it } from 'vitest';
import type { Dose } from '@/core/move';
import { countWord } from '@/core/speech';
import { PHRASES } from './phrases';

const doses: [Dose, en: string, de: string][] = [
  [{ kind: 'hold', seconds: 30 }, '30 seconds', '30 Sekunden'],
  [{ kind: 'hold', seconds: 1 }, '1 second', 'eine Sekunde'],
  [{ kind: 'counts', counts: 10, tempo: 60 }, '10 counts', '10 Zähler'],
  [{ kind: 'taps', taps: 20, tempo: 60 }, '20 taps', '20 mal tippen'],
  [{ kind: 'reps', reps: 12, secondsEach: 4 }, '12 times', '12 mal'],
  [{ kind: 'passes', passes: 3, secondsEach: 8 }, '3 passes', '3 Durchgänge'],
  [
    { kind: 'breaths', breaths: 5, pattern: { in: 4, hold: 0, out: 6, pause: 0 } },
    '5 breaths',
    '5 Atemzüge',
  ],
  [
    { kind: 'open', seconds: 40, floorSeconds: 20, ceilingSeconds: 60 },
    'about 40 seconds',
    'etwa 40 Sekunden',
  ],
];

describe('the connecting words', () => {
  it.each(doses)('say how much of %j is to come', (dose, english, german) => {
    expect(PHRASES.en.dose(dose, 1)).toBe(english);
    expect(PHRASES.de.dose(dose, 1)).toBe(german);
    expect(PHRASES.en.dose(dose, 3)).toBe(`3 rounds of ${english}`);
    expect(PHRASES.de.dose(dose, 3)).toBe(`3 Runden, je ${german}`);
  });

  it('count in words as far as they go, and in figures after', () => {
    expect(countWord(PHRASES.en, 5)).toBe('five');
    expect(countWord(PHRASES.de, 12)).toBe('zwölf');
    expect(countWord(PHRASES.en, 41)).toBe('41');
  });
});
