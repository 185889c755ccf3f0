import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { adversarialSentences } from '@testing/adversarial';
import { afterAll, expect, it } from 'vitest';
import { LANGUAGES } from '@/core/language';
import { estimateIn, estimateSpeech } from '@/core/speech';
import { sampleOf } from '../../../scripts/speech-sample';
import { espeak } from './engine';
import { flite } from './flite';
import { Voice } from './voice';

const folder = mkdtempSync(path.join(tmpdir(), 'upbeat-adversarial-'));
afterAll(() => rmSync(folder, { recursive: true }));

it.each(LANGUAGES)(
  'estimates 120 sentences of numbers, signs, capitals and emoji in %s by 8 % in the median, 35 % at worst',
  async (language) => {
    const engine = await espeak();
    if (!engine) throw new Error('espeak-ng is not installed; "npm test" installs it.');
    const voice = new Voice(engine, folder);
    const sentences = adversarialSentences(language);
    expect(sentences).toHaveLength(120);
    const off = await Promise.all(
      sentences.map(async (text) => {
        const measured = (await voice.length({ text, language, wordsPerMinute: 150 })) ?? 0;
        return { text, by: Math.abs(estimateSpeech(text, language, 150) / measured - 1) };
      }),
    );
    off.sort((a, b) => a.by - b.by);
    const worst = off.at(-1);
    expect(off[60]?.by, 'median').toBeLessThanOrEqual(0.08);
    expect(worst?.by, worst?.text).toBeLessThanOrEqual(0.35);
  },
);

it.each(['warm', 'calm'] as const)(
  'estimates cues in the voice "%s" by 10 % in the median, better than by the usual pace',
  async (id) => {
    const engines = await Promise.all([espeak(), flite()]);
    const [usual, more] = engines;
    if (!usual || !more) throw new Error('a speech program is missing; "npm test" installs it.');
    const voice = new Voice([usual, more], folder);
    const off = await Promise.all(
      sampleOf('en')
        .heldOut.slice(0, 40)
        .map(async (text) => {
          const said = { text, language: 'en', wordsPerMinute: 150 } as const;
          const measured = (await voice.length(said, id)) ?? 0;
          const by = (voices: { en?: string }) =>
            Math.abs(estimateIn(voices)(text, 'en', 150) / measured - 1);
          return { own: by({ en: id }), plain: by({}) };
        }),
    );
    const median = (of: 'own' | 'plain') => off.map((o) => o[of]).sort((a, b) => a - b)[20] ?? 1;
    expect(median('own')).toBeLessThanOrEqual(0.1);
    expect(median('own')).toBeLessThan(median('plain'));
  },
);
