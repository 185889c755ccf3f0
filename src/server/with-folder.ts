import { lstat, mkdtemp, open, readdir, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Readable } from 'node:stream';
import { isMissing } from './missing';

const PREFIX = 'up-beat-';
/** Older than anything that is still in use. */
const LEFT_MS = 86_400_000;

/** Does something with a folder of its own among the system's temporary files, which goes after it. */
export async function withFolder<T>(
  name: string,
  work: (folder: string) => Promise<T>,
): Promise<T> {
  const folder = await mkdtemp(path.join(tmpdir(), `${PREFIX}${name}-`));
  try {
    return await work(folder);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** A file as it is sent. */
export interface SentFile {
  stream: Readable;
  bytes: number;
}

/**
 * A file that is written whole and then read once. It has no name on the disk by the time it is read, so that nothing
 * of it is left, however that goes.
 * @param write writes it into a folder; returns where
 * @param signal that nobody reads it any more
 */
export async function readOnce(
  name: string,
  write: (folder: string) => Promise<string>,
  signal: AbortSignal,
): Promise<SentFile> {
  // What is open stays to be read when its folder has gone.
  const whole = await withFolder(name, async (folder) => open(await write(folder)));
  const { size } = await whole.stat();
  if (signal.aborted) {
    // Nobody reads it, and so nobody would close it.
    await whole.close();
    throw signal.reason;
  }
  const stream = whole.createReadStream();
  signal.addEventListener('abort', () => stream.destroy(), { once: true });
  return { stream, bytes: size };
}

/** Removes folders that a process left behind which was ended in the middle. The age is that of the machine's clock. */
export async function removeLeftFolders(): Promise<void> {
  const before = Date.now() - LEFT_MS;
  for (const name of await readdir(tmpdir())) {
    if (!name.startsWith(PREFIX)) continue;
    const folder = path.join(tmpdir(), name);
    const made = await lstat(folder).catch((problem: unknown) => {
      // Another process has removed it just now.
      if (isMissing(problem)) return null;
      throw problem;
    });
    const isOurs = made?.uid === process.getuid?.();
    if (made && isOurs && made.mtimeMs < before) await rm(folder, { recursive: true });
  }
}
