import {
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
  writeSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { MOST_LOG_BYTES, openLog, putAside } from './logs.mjs';

let folder = '';
let file = '';
beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'logs-'));
  file = path.join(folder, 'app.log');
});
afterEach(() => rmSync(folder, { recursive: true }));

const read = (name: string) => readFileSync(path.join(folder, name), 'utf8');

it('goes on with a log, for nobody else to read', () => {
  writeFileSync(file, 'yesterday\n', { mode: 0o644 });
  writeSync(openLog(file), 'today\n');
  expect(read('app.log')).toBe('yesterday\ntoday\n');
  expect(statSync(file).mode & 0o777).toBe(0o600);
});

it('keeps no more than one long log beside it, and loses nothing of what is said after', () => {
  const log = openLog(file);
  for (const day of ['a', 'b', 'c']) {
    writeSync(log, day.repeat(11));
    putAside(file, 10);
    writeSync(log, 'next');
    putAside(file, 10);
  }
  expect(readdirSync(folder).sort()).toEqual(['app.log', 'app.log.before']);
  expect(read('app.log.before')).toBe(`next${'c'.repeat(11)}`);
  expect(read('app.log')).toBe('next');
});

it('puts a log aside that is long as it is opened', () => {
  writeFileSync(file, 'x'.repeat(MOST_LOG_BYTES + 1));
  openLog(file);
  expect(statSync(file).size).toBe(0);
  expect(statSync(`${file}.before`).size).toBe(MOST_LOG_BYTES + 1);
});
