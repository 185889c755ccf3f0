import { existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync, utimesSync } from 'node:fs';
import { writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { text } from 'node:stream/consumers';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { readOnce, removeLeftFolders, withFolder } from './with-folder';

let mine = '';
beforeEach(() => {
  mine = mkdtempSync(path.join(tmpdir(), 'folders-'));
  vi.stubEnv('TMPDIR', mine);
});
afterEach(() => rmSync(mine, { recursive: true }));

const written = async (folder: string) => {
  const file = path.join(folder, 'file');
  await writeFile(file, 'all of it');
  return file;
};

it('sends a file that has no name on the disk any more', async () => {
  const { stream, bytes } = await readOnce('x', written, new AbortController().signal);
  expect(readdirSync(mine)).toEqual([]);
  expect(bytes).toBe(9);
  expect(await text(stream)).toBe('all of it');
});

it('leaves nothing where it cannot be written, or nobody waits for it any more', async () => {
  const here = new AbortController();
  const fails = async () => {
    throw new Error('no room');
  };
  await expect(readOnce('x', fails, here.signal)).rejects.toThrow('no room');
  const { stream } = await readOnce('x', written, here.signal);
  here.abort(new Error('gone'));
  expect(stream.destroyed).toBe(true);
  await expect(readOnce('x', written, here.signal)).rejects.toThrow('gone');
  expect(readdirSync(mine)).toEqual([]);
});

it('removes what a server left behind that was ended in the middle, and nothing that is in use or of others', async () => {
  const [left, others] = ['up-beat-archive-left', 'of-others'].map((name) => path.join(mine, name));
  for (const folder of [left, others]) {
    mkdirSync(path.join(folder ?? '', 'in'), { recursive: true });
    utimesSync(folder ?? '', 0, 0);
  }
  await withFolder('in-use', async (folder) => {
    await removeLeftFolders();
    expect(existsSync(folder)).toBe(true);
  });
  expect(readdirSync(mine)).toEqual(['of-others']);
});
