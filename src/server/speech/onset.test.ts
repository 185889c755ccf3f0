import { PHRASES } from '@library/phrases';
import { expect, it } from 'vitest';
import type { Language } from '@/core/language';
import { prompt, type Sound, stressedBeatMs } from '@/core/sound';
import { earlyMs, soundOf } from '@/core/speech';
import { espeak } from './engine';
import { flite } from './flite';

/** The discrete Fourier transform of so many samples as are a power of two, halved again and again. */
function transformed(x: Float64Array): { re: Float64Array; im: Float64Array } {
  const n = x.length;
  if (n === 1) return { re: x, im: new Float64Array(1) };
  const even = transformed(x.filter((_, i) => i % 2 === 0));
  const odd = transformed(x.filter((_, i) => i % 2 === 1));
  const [re, im] = [new Float64Array(n), new Float64Array(n)];
  for (let k = 0; k < n / 2; k++) {
    const [cos, sin] = [Math.cos((2 * Math.PI * k) / n), -Math.sin((2 * Math.PI * k) / n)];
    const [a, b] = [odd.re[k] ?? 0, odd.im[k] ?? 0];
    const [r, i] = [a * cos - b * sin, a * sin + b * cos];
    re[k] = (even.re[k] ?? 0) + r;
    im[k] = (even.im[k] ?? 0) + i;
    re[k + n / 2] = (even.re[k] ?? 0) - r;
    im[k + n / 2] = (even.im[k] ?? 0) - i;
  }
  return { re, im };
}

/**
 * Another way to find the beat of a word, to hold ours against: by the spectrum of each 20 ms. Its vowel begins where
 * the spectrum grows most before the syllable is loudest. Ours looks at how loud one band is, and never at a spectrum.
 * The weights are Marcus's (1981, from memory).
 * @returns ms from the start
 */
function beatBySpectrum({ samples, rate }: Sound, syllable: number): number {
  const size = 512;
  const hop = Math.round(rate * 0.005);
  const hz = (k: number) => (k * rate) / size;
  const bins = Array.from({ length: size / 2 }, (_, k) => k).filter(
    (k) => hz(k) > 80 && hz(k) < 4000,
  );
  const ofVowels = bins.map((k) => hz(k) > 300 && hz(k) < 2600);
  const spectrum = (middle: number) => {
    const part = Float64Array.from(
      { length: size },
      (_, i) =>
        (samples[middle - size / 2 + i] ?? 0) * (0.5 - 0.5 * Math.cos((2 * Math.PI * i) / size)),
    );
    const { re, im } = transformed(part);
    return bins.map((k) => Math.hypot(re[k] ?? 0, im[k] ?? 0));
  };
  const frames = Array.from({ length: Math.ceil(samples.length / hop) }, (_, n) =>
    spectrum(n * hop),
  );
  const words = frames.map((frame) => Math.hypot(...frame));
  const vowels = frames.map((frame) => Math.hypot(...frame.filter((_, k) => ofVowels[k])));
  const back = 4;
  const growths = frames.map((frame, n) =>
    frame.reduce(
      (sum, x, k) => (ofVowels[k] ? sum + Math.max(0, x - (frames[n - back]?.[k] ?? 0)) : sum),
      0,
    ),
  );
  const at = (all: number[], i: number) => all[i] ?? 0;
  const most = (all: number[], from: number, to: number) =>
    all.reduce(
      (best, x, i) => (i >= from && i <= to && x > at(all, best) ? i : best),
      Math.max(0, from),
    );
  const least = (all: number[], from: number, to: number) =>
    from + all.slice(from, to).indexOf(Math.min(...all.slice(from, to)));

  /** Where each syllable is loudest; between two it sinks to half. */
  const tops: number[] = [];
  vowels.forEach((level, n) => {
    if (level < 0.35 * Math.max(...vowels) || most(vowels, n - 10, n + 10) !== n) return;
    const last = tops.at(-1);
    if (last === undefined) tops.push(n);
    else if (at(vowels, least(vowels, last, n)) < 0.5 * Math.min(level, at(vowels, last)))
      tops.push(n);
    else if (level > at(vowels, last)) tops[tops.length - 1] = n;
  });
  const top = tops[syllable] ?? 0;
  const vowel = Math.max(0, most(growths, top - 40, top) - back / 2);
  const sunk = words.findIndex((level, n) => n > top && level < 0.1 * at(words, top));
  const next = tops[syllable + 1];
  const end = sunk < 0 ? words.length : sunk;
  const over = next === undefined ? end : Math.min(end, least(vowels, top, next));
  return ((0.65 * vowel + 0.25 * (over - vowel)) * hop * 1000) / rate;
}

const NUMBERS = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 20];

it('counts of every voice have their beat where another detector finds it', async () => {
  const engines = await Promise.all([espeak(), flite()]);
  const off: number[] = [];
  const fromStart: number[] = [];
  for (const engine of engines) {
    if (!engine) throw new Error('a speech program is missing; "npm test" installs it.');
    for (const { id, languages } of engine.voices) {
      for (const language of languages as Language[]) {
        for (const n of NUMBERS) {
          const text = PHRASES[language].number(n);
          const said = { text, language, wordsPerMinute: 131 };
          const sound = prompt(soundOf(await engine.render(said, id)));
          const ms = earlyMs(sound, said);
          off.push(Math.abs(ms - beatBySpectrum(sound, 0)));
          fromStart.push(ms);
        }
      }
    }
  }
  const at = (all: number[], q: number) =>
    all.toSorted((a, b) => a - b)[Math.floor(q * all.length)] ?? Number.POSITIVE_INFINITY;
  // Put by the beginning of the file alone, half of all counts would be late by so much.
  expect(at(fromStart, 0.5)).toBeGreaterThan(80);
  expect(at(off, 0.5)).toBeLessThanOrEqual(10);
  expect(at(off, 0.95)).toBeLessThanOrEqual(25);
}, 60_000);

it('the beat of a word whose second syllable is stressed lies there', async () => {
  const engine = await espeak();
  const said = { text: 'eleven', language: 'en', wordsPerMinute: 131 } as const;
  const wav = await engine?.render(said, 'plain');
  if (!wav) throw new Error('espeak-ng is missing; "npm test" installs it.');
  const sound = prompt(soundOf(wav));
  expect(earlyMs(sound, said)).toBeGreaterThan(stressedBeatMs(sound) + 60);
});

it('nothing has no beat', () => {
  expect(stressedBeatMs({ samples: new Float32Array(2000), rate: 22_050 })).toBe(0);
  expect(stressedBeatMs({ samples: new Float32Array(0), rate: 22_050 })).toBe(0);
});
