import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { loudnessOf, SPOKEN_LUFS } from '@/core/sound';
import { soundOf, type Utterance, wavMs, wavOf } from '@/core/speech';
import type { SpeechEngine } from './engine';
import { flite } from './flite';
import { programs } from './programs';
import { Unspeakable } from './speaking';
import { Voice } from './voice';

const made: string[] = [];
const freshFolder = () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'upbeat-voices-'));
  made.push(folder);
  return folder;
};
afterAll(() => {
  for (const folder of made) rmSync(folder, { recursive: true });
});
const say = (text: string, of: Partial<Utterance> = {}): Utterance => ({
  text,
  language: 'en',
  wordsPerMinute: 150,
  ...of,
});
/** A program whose files are as many samples long as it is told, so that it is known again. */
const engineOf = (id: string, samples: number, of: Partial<SpeechEngine> = {}): SpeechEngine => ({
  id,
  voices: [{ id, name: id, languages: ['en', 'de'] }],
  render: async () =>
    Buffer.from(wavOf({ samples: new Float32Array(samples).fill(0.1), rate: 8000 })),
  ...of,
});
const USUAL = engineOf('plain', 8000);

describe('voices of several programs', () => {
  it('are each said by the program that has them, and what nobody has by the usual one', async () => {
    const voice = new Voice([USUAL, engineOf('warm', 4000)], freshFolder());
    expect(voice.offers.map((o) => o.id)).toEqual(['plain', 'warm']);
    expect(await voice.length(say('Hum.'), 'warm')).toBe(500);
    expect(await voice.length(say('Hum.'), 'plain')).toBe(1000);
    expect(await voice.length(say('Hum.'), 'gone-since')).toBe(1000);
    expect(voice.mark(say('Hum.'), 'gone-since')).toBe(voice.mark(say('Hum.')));
  });

  it('are said by the usual one in a language that they do not have', async () => {
    const english = engineOf('warm', 4000, {
      voices: [{ id: 'warm', name: 'Warm', languages: ['en'] }],
    });
    const voice = new Voice([USUAL, english], freshFolder());
    expect(await voice.length(say('Hum.', { language: 'de' }), 'warm')).toBe(1000);
  });

  it('that fail are stood in for by the usual one, for sound and length alike, and it is known', async () => {
    let tries = 0;
    const broken = engineOf('warm', 4000, {
      render: async ({ text }) => {
        tries++;
        if (text === 'No.') throw new Unspeakable('it died');
        if (text === 'Away.') throw new Error('it is gone');
        return Buffer.from('this is no sound');
      },
    });
    const voice = new Voice([USUAL, broken], freshFolder());
    expect(voice.troubled).toEqual([]);
    for (const text of ['No.', 'Away.', 'Odd.']) {
      const wav = await voice.audio(say(text), 'warm');
      expect(wav && wavMs(wav)).toBe(1000);
      expect(await voice.length(say(text), 'warm')).toBe(1000);
    }
    expect(voice.troubled).toEqual(['warm']);
    expect(tries).toBe(3);
  });
});

describe('flite', () => {
  it('says English in warmer voices, as fast as it is asked to and as loud as all else', async () => {
    const engine = await flite();
    if (!engine) throw new Error('flite is not installed; "npm test" installs it.');
    expect(engine.id).toMatch(/^flite-\d/);
    const voice = new Voice([USUAL, engine], freshFolder());
    const text = 'Draw the corners of the mouth wide, and let them go slowly.';
    for (const { id } of engine.voices) {
      const [slow, fast] = await Promise.all(
        [100, 200].map((wordsPerMinute) => voice.length(say(text, { wordsPerMinute }), id)),
      );
      expect((slow ?? 0) / (fast ?? 1)).toBeGreaterThan(1.7);
      const wav = await voice.audio(say(text), id);
      if (!wav) throw new Error('it should have been said');
      expect(Math.abs((loudnessOf(soundOf(wav)) ?? 0) - SPOKEN_LUFS)).toBeLessThan(1);
    }
    expect(voice.troubled).toEqual([]);
  });

  it('is given words, never options or commands', async () => {
    const engine = await flite();
    const voice = new Voice([USUAL, engine as SpeechEngine], freshFolder());
    for (const text of ['-h', '$(touch /tmp/never) `id`', '; exit 1', '-o /dev/null']) {
      expect(await voice.length(say(text), 'warm')).toBeGreaterThan(0);
    }
  });
});

describe('a folder of programs', () => {
  const described = (folder: string, name: string, what: object | string) =>
    writeFileSync(path.join(folder, name), typeof what === 'string' ? what : JSON.stringify(what));
  const humming = {
    name: 'Humming',
    languages: ['en', 'de'],
    command: ['node', path.resolve('scripts/stand-in-voice.mjs'), '{rate}'],
    rates: [100, 200],
    megabytes: 16_000,
  };

  it('makes a voice of each that is described well, and leaves out what is not', async () => {
    const folder = freshFolder();
    described(folder, 'humming.voice.json', humming);
    described(folder, 'broken.voice.json', '{');
    described(folder, 'silent.voice.json', { ...humming, command: [] });
    described(folder, 'Odd Name.voice.json', humming);
    described(folder, 'more.voice.json', { ...humming, shell: true });
    described(folder, 'readme.txt', 'nothing');
    const found = await programs(folder);
    expect(found.flatMap((e) => e.voices)).toEqual([
      { id: 'own-humming', name: 'Humming', languages: ['en', 'de'] },
    ]);
    expect(await programs(path.join(folder, 'not-there'))).toEqual([]);
  });

  it('is heard, within the rates that it can do', async () => {
    const folder = freshFolder();
    described(folder, 'humming.voice.json', humming);
    const voice = new Voice([USUAL, ...(await programs(folder))], freshFolder());
    const ms = (wordsPerMinute: number, language: 'en' | 'de') =>
      voice.length(say('One two three four.', { wordsPerMinute, language }), 'own-humming');
    expect(await ms(150, 'de')).toBe(1600);
    expect(await ms(100, 'en')).toBe(2400);
    expect(await ms(80, 'en')).toBe(2400);
    expect(await ms(260, 'en')).toBe(1200);
    expect(voice.troubled).toEqual([]);
  });

  it('that cannot run is stood in for, and is another voice once it is described otherwise', async () => {
    const folder = freshFolder();
    described(folder, 'humming.voice.json', { ...humming, command: ['not-a-program-at-all'] });
    const cache = freshFolder();
    const before = new Voice([USUAL, ...(await programs(folder))], cache);
    expect(await before.length(say('One two.'), 'own-humming')).toBe(1000);
    expect(before.troubled).toEqual(['own-humming']);
    described(folder, 'humming.voice.json', humming);
    const after = new Voice([USUAL, ...(await programs(folder))], cache);
    expect(await after.length(say('One two.'), 'own-humming')).toBe(800);
  });
});
