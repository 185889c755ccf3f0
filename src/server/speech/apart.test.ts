import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { isThere } from '@testing/processes';
import { afterAll, describe, expect, it, vi } from 'vitest';
import { wavMs, wavOf } from '@/core/speech';
import { Apart } from './apart';
import { espeak } from './engine';
import { Unspeakable } from './speaking';
import { levelledWav } from './voicing';

const folder = mkdtempSync(path.join(tmpdir(), 'upbeat-apart-'));
afterAll(() => rmSync(folder, { recursive: true }));

const apart = new Apart();
const sh = (script: string) => apart.speaks(['sh', '-c', script], '');
const inTurn = () => new Promise(setImmediate);

describe('a process apart', () => {
  it('says and levels what this one would, to a byte', async () => {
    const [here, there] = [await espeak(), await espeak(apart)];
    if (!here || !there) throw new Error('espeak-ng is not installed; "npm test" installs it.');
    expect(there.id).toBe(here.id);
    const texts = ['Let the jaw sink.', 'Und jetzt die linke Seite.'];
    for (const text of texts) {
      const utterance = { text, language: 'de', wordsPerMinute: 130 } as const;
      const said = await here.render(utterance, 'deep');
      expect(await there.render(utterance, 'deep')).toEqual(said);
    }
    const soft = Buffer.from(wavOf({ samples: new Float32Array(8000).fill(0.01), rate: 8000 }));
    const levelled = await apart.level(soft);
    expect(wavMs(levelled)).toBe(1000);
    expect(levelled.equals(soft)).toBe(false);
    expect(levelled).toEqual(levelledWav(soft));
    await expect(apart.says(['echo', 'no sound'], '')).rejects.toThrow('gave no WAV file');
  });

  it('tells how a program failed as this one would', async () => {
    const dies = sh('echo "no voice" >&2; exit 3');
    await expect(dies).rejects.toBeInstanceOf(Unspeakable);
    await expect(dies).rejects.toThrow('sh ended with 3: no voice');
    const missing = apart.speaks(['no-such-program'], '');
    await expect(missing).rejects.toMatchObject({ code: 'ENOENT' });
    const names = (await apart.speaks(['env'], '')).toString().replace(/=.*/g, '').split('\n');
    expect(names).toContain('PATH');
    expect(names.filter((name) => /^(DATABASE_URL|UPBEAT_\w+)$/.test(name))).toEqual([]);
  });

  it('ends a program that nobody waits for any more', async () => {
    const told = path.join(folder, 'number');
    const controller = new AbortController();
    const script = `echo $$ > ${told}.half; mv ${told}.half ${told}; exec sleep 900`;
    const { signal } = controller;
    const spoken = apart.speaks(['sh', '-c', script], '', { signal });
    while (!existsSync(told)) await inTurn();
    controller.abort();
    await expect(spoken).rejects.toMatchObject({ name: 'AbortError' });
    while (isThere(Number(readFileSync(told, 'utf8')))) await inTurn();
    await expect(apart.speaks(['echo'], '', { signal })).rejects.toMatchObject({
      name: 'AbortError',
    });
  });

  it('is begun anew where it has died, once for each text', async () => {
    const been = path.join(folder, 'been');
    // Whoever started the program is the process apart.
    const once = `if [ -e ${been} ]; then echo after all; else touch ${been}; kill -9 $PPID; sleep 900; fi`;
    const [said, beside] = await Promise.all([sh(once), sh(`while [ ! -e ${been} ]; do :; done`)]);
    expect(said.toString()).toBe('after all\n');
    expect(beside.toString()).toBe('');
    await expect(sh('kill -9 $PPID; sleep 900')).rejects.toThrow('is gone: SIGKILL');
    expect((await sh('echo here')).toString()).toBe('here\n');
  });

  it('is begun anew where it hangs, for all that wait for it', async () => {
    const hung = Number((await sh('echo $PPID')).toString());
    process.kill(hung, 'SIGSTOP');
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
    try {
      const first = sh('echo after all');
      vi.advanceTimersByTime(10_000);
      const second = sh('echo soon after');
      vi.advanceTimersByTime(19_999);
      expect(isThere(hung)).toBe(true);
      vi.advanceTimersByTime(1);
      vi.useRealTimers();
      expect((await first).toString()).toBe('after all\n');
      expect((await second).toString()).toBe('soon after\n');
      while (isThere(hung)) await inTurn();
    } finally {
      vi.useRealTimers();
    }
  });
});

/** Runs some lines of TypeScript beside this process, with `apart` at hand. */
function run(lines: string) {
  const file = path.resolve('src/server/speech/apart.ts');
  const code = `import { Apart } from '${file}'; const apart = new Apart(); ${lines}`;
  const args = ['--import', 'tsx', '--input-type=module', '-e', code];
  return spawn(process.execPath, args, { stdio: ['ignore', 'pipe', 'inherit'] });
}

describe('whoever began it', () => {
  it('may end: the process apart keeps nobody from it, and ends too', async () => {
    const child = run(
      `console.log((await apart.speaks(['sh', '-c', 'echo $PPID'], '')).toString().trim())`,
    );
    const number = new Promise<number>((resolve) =>
      child.stdout.once('data', (told: Buffer) => resolve(Number(told.toString()))),
    );
    const [code] = await once(child, 'close');
    expect(code).toBe(0);
    while (isThere(await number)) await inTurn();
  });

  it('may be killed: then nothing is said to the end', async () => {
    const told = path.join(folder, 'numbers');
    const script = `echo $$ $PPID > ${told}.half; mv ${told}.half ${told}; exec sleep 900`;
    const child = run(`await apart.speaks(['sh', '-c', '${script}'], '')`);
    while (!existsSync(told)) await inTurn();
    const numbers = readFileSync(told, 'utf8').trim().split(' ').map(Number);
    expect(numbers.map(isThere)).toEqual([true, true]);
    child.kill('SIGKILL');
    while (numbers.some(isThere)) await inTurn();
  });
});
