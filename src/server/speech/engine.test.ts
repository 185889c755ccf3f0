import { chmodSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, expect, it } from 'vitest';
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
  expect(engine?.id).toBe('9.8.7');
  // More than a pipe holds, so that the rest cannot be written.
  const text = 'la '.repeat(100_000);
  const spoken = engine?.render({ text, language: 'en', wordsPerMinute: 150 }, 'plain');
  await expect(spoken).rejects.toThrow('espeak-ng ended with 3: no voice');
});
