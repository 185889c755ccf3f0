import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';

/** Does something with a folder of its own among the system's temporary files, which goes after it. */
export async function withFolder<T>(
  name: string,
  work: (folder: string) => Promise<T>,
): Promise<T> {
  const folder = await mkdtemp(path.join(tmpdir(), `up-beat-${name}-`));
  try {
    return await work(folder);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}
