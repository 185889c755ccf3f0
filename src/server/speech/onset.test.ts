import { PHRASES } from '@library/phrases';
import { expect, it } from 'vitest';
import type { Language } from '@/core/language';
import { prompt, type Sound, stressedOnsetMs } from '@/core/sound';
import { earlyMs, soundOf } from '@/core/speech';
import { espeak } from './engine';
import { flite } from './flite';

/**
 * Another way to find where a vowel begins, to hold ours against: the spectrum of each 20 ms, and where it grows most.
 * Ours looks at how loud a band is, and never at a spectrum.
 * @returns ms, within 120 ms of where it is looked for
 */
function grownMost({ samples, rate }: Sound, nearMs: number): number {
  const size = 512;
  const hop = Math.round(rate * 0.005);
  const back = 4;
  const bins = Array.from({ length: size / 2 }, (_, k) => k).filter((k) => {
    const hz = (k * rate) / size;
    return hz > 300 && hz < 2600;
  });
  const turn = Array.from({ length: size }, (_, i) => (2 * Math.PI * i) / size);
  const [cos, sin] = [turn.map(Math.cos), turn.map(Math.sin)];
  const spectrum = (middle: number) => {
    const part = cos.map((c, i) => (samples[middle - size / 2 + i] ?? 0) * (0.5 - 0.5 * c));
    return bins.map((k) => {
      let [re, im] = [0, 0];
      for (let i = 0; i < size; i++) {
        const x = part[i] ?? 0;
        re += x * (cos[(k * i) % size] ?? 0);
        im -= x * (sin[(k * i) % size] ?? 0);
      }
      return Math.hypot(re, im);
    });
  };
  const first = Math.floor(((nearMs - 120) * rate) / 1000 / hop);
  const frames = Array.from({ length: Math.ceil((240 * rate) / 1000 / hop) }, (_, n) =>
    spectrum((first + n) * hop),
  );
  const growth = frames.map((frame, n) =>
    n < back
      ? 0
      : frame.reduce((sum, x, k) => sum + Math.max(0, x - (frames[n - back]?.[k] ?? 0)), 0),
  );
  const most = growth.indexOf(Math.max(...growth));
  return ((first + most - back / 2) * hop * 1000) / rate;
}

const NUMBERS = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 20];

it('counts of every voice have their beat where another detector finds it', async () => {
  const engines = await Promise.all([espeak(), flite()]);
  const off: number[] = [];
  const fromStart: number[] = [];
  for (const engine of engines) {
    if (!engine) throw new Error('a speech program is missing; "npm test" installs it.');
    for (const { id, languages } of engine.voices.slice(0, 1)) {
      for (const language of languages as Language[]) {
        for (const n of NUMBERS) {
          const text = PHRASES[language].number(n);
          const said = { text, language, wordsPerMinute: 131 };
          const sound = prompt(soundOf(await engine.render(said, id)));
          const ms = earlyMs(sound, said);
          off.push(Math.abs(ms - grownMost(sound, ms)));
          fromStart.push(ms);
        }
      }
    }
  }
  const at = (all: number[], q: number) =>
    all.toSorted((a, b) => a - b)[Math.floor(q * all.length)] ?? Number.POSITIVE_INFINITY;
  // Put by the beginning of the file alone, half of all counts would be late by so much.
  expect(at(fromStart, 0.5)).toBeGreaterThan(80);
  expect(at(off, 0.5)).toBeLessThanOrEqual(20);
  // A vowel has no one beginning: after "w" and "n" the two differ by more.
  expect(at(off, 0.9)).toBeLessThanOrEqual(60);
}, 60_000);

it('the beat of a word whose second syllable is stressed lies there', async () => {
  const engine = await espeak();
  const said = { text: 'eleven', language: 'en', wordsPerMinute: 131 } as const;
  const wav = await engine?.render(said, 'plain');
  if (!wav) throw new Error('espeak-ng is missing; "npm test" installs it.');
  const sound = prompt(soundOf(wav));
  expect(earlyMs(sound, said)).toBeGreaterThan(stressedOnsetMs(sound) + 60);
});

it('nothing has no beat', () => {
  expect(stressedOnsetMs({ samples: new Float32Array(2000), rate: 22_050 })).toBe(0);
  expect(stressedOnsetMs({ samples: new Float32Array(0), rate: 22_050 })).toBe(0);
});
