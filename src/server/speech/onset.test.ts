import { PHRASES } from '@library/phrases';
import { expect, it } from 'vitest';
import type { Language } from '@/core/language';
import { prompt, type Sound, stressedBeatMs } from '@/core/sound';
import { earlyMs, soundOf } from '@/core/speech';
import { espeak } from './engine';
import { flite } from './flite';

const SIZE = 512;
const TURNS = Array.from({ length: SIZE }, (_, k) => (2 * Math.PI * k) / SIZE);
const COS = Float64Array.from(TURNS, Math.cos);
const SIN = Float64Array.from(TURNS, Math.sin);
/** Where each sample goes before the transform: its place with its bits the other way round. */
const PLACES = Array.from({ length: SIZE }, (_, k) =>
  Number.parseInt(k.toString(2).padStart(Math.log2(SIZE), '0').split('').reverse().join(''), 2),
);

/** How strong each frequency is in so many samples, by the fast Fourier transform. */
function strengths(x: Float64Array): Float64Array {
  const re = Float64Array.from(PLACES, (place) => x[place] ?? 0);
  const im = new Float64Array(SIZE);
  const at = (all: Float64Array, i: number) => all[i] as number;
  for (let long = 2; long <= SIZE; long *= 2) {
    for (let from = 0; from < SIZE; from += long) {
      for (let k = 0; k < long / 2; k++) {
        const [i, j, turn] = [from + k, from + k + long / 2, (k * SIZE) / long];
        const [cos, sin] = [at(COS, turn), -at(SIN, turn)];
        const r = at(re, j) * cos - at(im, j) * sin;
        const m = at(re, j) * sin + at(im, j) * cos;
        [re[j], im[j]] = [at(re, i) - r, at(im, i) - m];
        [re[i], im[i]] = [at(re, i) + r, at(im, i) + m];
      }
    }
  }
  return re.map((r, k) => Math.hypot(r, at(im, k)));
}

/**
 * Another way to find the beat of a word, to hold ours against: by the spectrum of each 20 ms. Its vowel begins where
 * the spectrum grows most before the syllable is loudest. Ours looks at how loud one band is, and never at a spectrum.
 * The weights are Marcus's (1981, from memory).
 * @returns ms from the start
 */
function beatBySpectrum({ samples, rate }: Sound, syllable: number): number {
  const hop = Math.round(rate * 0.005);
  const hz = (k: number) => (k * rate) / SIZE;
  const bins = Array.from({ length: SIZE / 2 }, (_, k) => k).filter(
    (k) => hz(k) > 80 && hz(k) < 4000,
  );
  const ofVowels = bins.map((k) => hz(k) > 300 && hz(k) < 2600);
  const spectrum = (middle: number) => {
    const part = Float64Array.from(
      { length: SIZE },
      (_, i) => (samples[middle - SIZE / 2 + i] ?? 0) * (0.5 - 0.5 * (COS[i] ?? 0)),
    );
    const all = strengths(part);
    return bins.map((k) => all[k] ?? 0);
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

it('counts of every voice, as they are heard, have their beat where another detector finds it', async () => {
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
  // The least that so many of them do not exceed (nearest rank).
  const at = (all: number[], q: number) =>
    all.toSorted((a, b) => a - b)[Math.ceil(q * all.length) - 1] ?? Number.POSITIVE_INFINITY;
  // Put by the beginning of the file alone, half of all counts would be late by so much.
  expect(at(fromStart, 0.5)).toBeGreaterThan(80);
  expect(at(off, 0.5)).toBeLessThanOrEqual(10);
  expect(at(off, 0.95)).toBeLessThanOrEqual(25);
  // A vowel that swells again is no second syllable.
  expect(off.filter((ms) => ms > 45).length).toBeLessThanOrEqual(1);
});

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

it('a tone is strong at its own frequency alone', () => {
  const tone = Float64Array.from({ length: SIZE }, (_, i) => COS[(37 * i) % SIZE] ?? 0);
  const all = [...strengths(tone)].slice(0, SIZE / 2);
  expect(all.map((strength) => Math.round(strength))).toEqual(
    all.map((_, k) => (k === 37 ? SIZE / 2 : 0)),
  );
});
