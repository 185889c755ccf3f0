import { spawnSync } from 'node:child_process';
import {
  chmodSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { isThere } from '@testing/processes';
import { afterEach, expect, it, onTestFinished, vi } from 'vitest';
import type { Language } from '@/core/language';
import type { Sound } from '@/core/sound';
import { asSpoken, soundOf, wavMs } from '@/core/speech';
import { espeak } from './engine';
import { speaking, Unspeakable } from './speaking';

const folder = mkdtempSync(path.join(tmpdir(), 'upbeat-espeak-'));
const { PATH } = process.env;
afterEach(() => {
  process.env.PATH = PATH;
  rmSync(folder, { recursive: true, force: true });
});

it('takes the word of a program that ends without having read what it was given', async () => {
  const program = path.join(folder, 'espeak-ng');
  const script = [
    '#!/bin/sh',
    'exec 0<&-',
    '[ "$1" = --version ] && echo "eSpeak NG 9.8.7" && exit 0',
    'echo "no voice" >&2',
    'exit 3',
  ];
  writeFileSync(program, script.join('\n'));
  chmodSync(program, 0o755);
  process.env.PATH = `${folder}:${PATH}`;
  const engine = await espeak();
  expect(engine?.id).toMatch(/^9\.8\.7-[0-9a-f]{8}$/);
  // More than a pipe holds, so that the rest cannot be written.
  const text = 'la '.repeat(100_000);
  const spoken = engine?.render({ text, language: 'en', wordsPerMinute: 150 }, 'plain');
  await expect(spoken).rejects.toThrow('espeak-ng ended with 3: no voice');
});

/** The longest silence within a sound, in ms. */
function longestSilence({ samples, rate }: Sound): number {
  const hop = Math.round(rate / 200);
  const loud = Array.from({ length: Math.floor(samples.length / hop) }, (_, i) =>
    samples.subarray(i * hop, (i + 1) * hop).some((s) => Math.abs(s) > 0.004),
  );
  const within = loud.slice(loud.indexOf(true), loud.lastIndexOf(true));
  const runs = within
    .map((is) => (is ? ' ' : '.'))
    .join('')
    .split(' ');
  return 5 * Math.max(...runs.map((run) => run.length));
}

it.each([
  ['en', 'Now the left side.', 'Now the easy side.'],
  ['en', 'Turn your head to the right.', 'Turn your head to the door.'],
  ['de', 'Jetzt die linke Seite.', 'Jetzt die kurze Seite.'],
] as const)(
  'halts before a word that must not be missed: %s, %s',
  async (language, text, other) => {
    const engine = await espeak();
    const silence = async (said: string) => {
      const wav = await engine?.render({ text: said, language, wordsPerMinute: 150 }, 'plain');
      if (!wav) throw new Error('espeak-ng is missing; "npm test" installs it.');
      return longestSilence(soundOf(wav));
    };
    expect(await silence(text)).toBeGreaterThanOrEqual(120);
    expect(await silence(text)).toBeLessThanOrEqual(260);
    expect(await silence(other)).toBeLessThan(80);
  },
);

it.each([
  ['letters with dots', 'A.'.repeat(120), 'en'],
  ['abbreviations', 'z.B.'.repeat(60), 'de'],
  ['one long word', 'a'.repeat(240), 'en'],
  ['digits', '9'.repeat(240), 'de'],
  ['half of a pair', `Breathe ${'\ud83d'} out`, 'en'],
  ['other alphabets', 'Вдох 吸气 شهيق', 'en'],
  ['signs', '!?…—«»*_#~|'.repeat(20), 'de'],
] as const)('says %s, or says that it cannot, and never dies of it', async (_, text, language) => {
  const engine = await espeak();
  const spoken = engine?.render({ text, language, wordsPerMinute: 80 }, 'plain');
  const said = await spoken?.catch((error) => {
    // Digits one by one may be more than the two minutes that a cue is given.
    expect(error).toBeInstanceOf(Unspeakable);
    expect(text).toMatch(/^9+$/);
  });
  if (said) expect(wavMs(said)).not.toBeNull();
});

it.each([
  ['dies', 'kill -SEGV $$', /SIGSEGV/],
  ['gives no sound', 'exit 0', /no WAV/],
  ['gives too much', 'head -c 20000000 /dev/zero; sleep 20', /SIGKILL/],
  ['takes all the memory', 'head -c 900000000 /dev/zero | tail -c 900000000 > /dev/null', /ended/],
])('is not harmed by a program that %s', async (_, does, why) => {
  const program = path.join(folder, 'espeak-ng');
  mkdirSync(folder, { recursive: true });
  const script = ['#!/bin/bash', '[ "$1" = --version ] && echo "9.8.7" && exit 0', does];
  writeFileSync(program, script.join('\n'));
  chmodSync(program, 0o755);
  process.env.PATH = `${folder}:${PATH}`;
  const engine = await espeak();
  const spoken = engine?.render({ text: 'la', language: 'en', wordsPerMinute: 150 }, 'plain');
  await expect(spoken).rejects.toThrow(why);
  await expect(spoken).rejects.toBeInstanceOf(Unspeakable);
});

it('is given up when nobody waits any more', async () => {
  const engine = await espeak();
  const controller = new AbortController();
  const text = 'la '.repeat(80);
  const spoken = engine?.render({ text, language: 'en', wordsPerMinute: 80 }, 'plain', {
    signal: controller.signal,
  });
  controller.abort();
  await expect(spoken).rejects.toMatchObject({ name: 'AbortError' });
});

it('ends a program that hangs, with all that it has started and whatever has left it', async () => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
  onTestFinished(() => void vi.useRealTimers());
  mkdirSync(folder, { recursive: true });
  const told = path.join(folder, 'numbers');
  const script = `sleep 900 & echo $$ $! > ${told}.half; setsid sleep 5 & mv ${told}.half ${told}; wait`;
  const hung = expect(speaking(['sh', '-c', script], '')).rejects.toThrow(/SIGKILL/);
  while (!existsSync(told)) await new Promise(setImmediate);
  const numbers = readFileSync(told, 'utf8').trim().split(' ').map(Number);
  expect(numbers.map(isThere)).toEqual([true, true]);
  vi.advanceTimersByTime(15_000);
  await hung;
  while (numbers.some(isThere)) await new Promise(setImmediate);
});

it('lets a program know nothing that only the server needs', async () => {
  const ours = /^(DATABASE_URL|UPBEAT_\w+)$/;
  expect(Object.keys(process.env).filter((name) => ours.test(name)).length).toBeGreaterThan(1);
  const names = (await speaking(['env'], '')).toString().replace(/=.*/g, '').split('\n');
  expect(names).toContain('PATH');
  expect(names.filter((name) => ours.test(name))).toEqual([]);
});

/** How the program sounds a text, in its own notation without stress marks. */
function sounds(text: string, language: Language): string {
  const done = spawnSync('espeak-ng', ['-v', language, '-x', '-q', asSpoken(text, language)]);
  return done.stdout
    .toString()
    .replace(/[',_|!]/g, '')
    .trim();
}

it.each<[Language, string, string]>([
  ['en', 'Close the eyes.', 'kloUz'],
  ['en', 'Then close it slowly.', 'kloUz'],
  ['en', 'Fingers close together.', 'kloUs'],
  ['de', 'Den Hals lang.', 'hals'],
  ['de', 'Langsam loslassen.', 'las@n'],
  ['de', 'Die Luft bleibt drin.', 'drIn'],
  ['de', 'Atme durch die Nase.', 'A:tm@'],
  ['de', 'Langsam ausatmen.', 'aUsA:tm@n'],
  ['de', 'Noch zwei Atemzüge.', 'A:tEmts'],
  ['de', 'Neben den Nasenflügel.', 'nA:z@n'],
  ['de', 'Die Schulterblätter gleiten.', 'SUlt3'],
  ['de', 'Wie es dir guttut.', 'gu:t'],
])('in %s, "%s" sounds right', (language, text, sound) => {
  expect(sounds(text, language)).toContain(sound);
});
