import { randomUUID } from 'node:crypto';
import {
  chmod,
  mkdir,
  open,
  readdir,
  readFile,
  rename,
  rm,
  stat,
  utimes,
  writeFile,
} from 'node:fs/promises';
import path from 'node:path';
import { LRUCache } from 'lru-cache';
import { WAV_HEADER_BYTES, wavMs } from '@/core/speech';
import { errorFields, log } from '../watch/log';

const DAY_MS = 86_400_000;
const MOST_FILES = 200_000;

const isMissing = (error: unknown) => (error as NodeJS.ErrnoException).code === 'ENOENT';

interface Kept {
  bytes: number;
  /** When the file says it was used last, epoch ms. */
  used: number;
}

/**
 * Spoken audio on disk, at most so many bytes of it: what was not heard for longest goes first. Several processes may
 * share a folder; a file that another one has removed is rendered again.
 */
export class AudioCache {
  private readonly kept: LRUCache<string, Kept>;
  private learnt: Promise<void> | undefined;

  constructor(
    private readonly folder: string,
    mostBytes: number,
  ) {
    this.kept = new LRUCache<string, Kept>({
      max: MOST_FILES,
      maxSize: mostBytes,
      sizeCalculation: ({ bytes }) => Math.max(1, bytes),
      dispose: (_, name, reason) => {
        // A file that cannot be removed now is found again at the next start.
        if (reason === 'evict') void rm(this.path(name), { force: true }).catch(() => {});
      },
    });
  }

  private path(name: string): string {
    return path.join(this.folder, name);
  }

  /** Learns once what is there from before, the oldest first. Nobody has to wait for it. */
  private learn(): void {
    this.learnt ??= this.look().catch((error) => {
      this.learnt = undefined;
      log().error(errorFields(error), 'speech cache');
    });
  }

  private async look(): Promise<void> {
    await mkdir(this.folder, { recursive: true });
    const found: [name: string, kept: Kept][] = [];
    for (const name of await readdir(this.folder)) {
      if (!name.endsWith('.wav')) continue;
      try {
        const { size, mtimeMs } = await stat(this.path(name));
        found.push([name, { bytes: size, used: mtimeMs }]);
      } catch (error) {
        if (!isMissing(error)) throw error;
      }
    }
    found.sort(([, a], [, b]) => a.used - b.used);
    // What was used meanwhile is the newest. It is taken out first: whatever is in there counts as older than what
    // comes, and would have to go for it, file and all.
    const meanwhile = new Map([...this.kept.entries()].toReversed());
    this.kept.clear();
    const before = found.filter(([name]) => !meanwhile.has(name));
    for (const [name, kept] of [...before, ...meanwhile]) this.kept.set(name, kept);
    // As it was made once, everybody on this machine could read it. Names of people are said in a class too.
    await chmod(this.folder, 0o700);
  }

  async read(name: string): Promise<Buffer | null> {
    this.learn();
    try {
      const wav = await readFile(this.path(name));
      await this.note(name, wav.length);
      return wav;
    } catch (error) {
      if (!isMissing(error)) throw error;
      return null;
    }
  }

  /** Length in ms from the file's header and size; null where it is not there. */
  async ms(name: string): Promise<number | null> {
    try {
      const handle = await open(this.path(name));
      try {
        const { size } = await handle.stat();
        const header = Buffer.alloc(WAV_HEADER_BYTES);
        await handle.read(header, 0, WAV_HEADER_BYTES, 0);
        return wavMs(header, size);
      } finally {
        await handle.close();
      }
    } catch (error) {
      if (!isMissing(error)) throw error;
      return null;
    }
  }

  async write(name: string, wav: Buffer): Promise<void> {
    await mkdir(this.folder, { recursive: true });
    const half = this.path(`${name}.${randomUUID()}`);
    await writeFile(half, wav);
    await rename(half, this.path(name));
    this.kept.set(name, { bytes: wav.length, used: Date.now() });
  }

  /** Notes on disk, at most once a day, that a file is still of use, so that the next start knows. */
  private async note(name: string, bytes: number): Promise<void> {
    const used = Date.now();
    const known = this.kept.get(name);
    if (known && used - known.used < DAY_MS) return;
    this.kept.set(name, { bytes, used });
    await utimes(this.path(name), used / 1000, used / 1000);
  }
}
