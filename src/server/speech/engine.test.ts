import { spawnSync } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, expect, it } from 'vitest';
import type { Language } from '@/core/language';
import { asSpoken } from '@/core/speech';
import { espeak } from './engine';

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
