import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { setPriority } from 'node:os';
import { Refusal } from '@/core/calls';
import { isBed, type MusicId, type MusicReader } from '@/core/music';
import type { Db } from '../db';
import { isMissing } from '../missing';
import type { Scope } from '../scope';
import { bedOf } from './beds';
import { AS_ONE_CHANNEL } from './intake';
import { musicFile } from './music';

/** How much reading gives way to all else, as `nice` counts. */
const GIVES_WAY = 5;

/** Reads samples of 16 bits, the low byte first, as they come; silence after the last. */
function reading(parts: AsyncIterable<Buffer>, close: () => void): MusicReader {
  const source = parts[Symbol.asyncIterator]();
  let left: Buffer = Buffer.alloc(0);
  const read = async (n: number) => {
    const have = [left];
    let bytes = left.length;
    while (bytes < 2 * n) {
      const { value, done } = await source.next();
      if (done) break;
      have.push(value);
      bytes += value.length;
    }
    const all = Buffer.concat(have);
    const whole = Math.min(n, all.length >> 1);
    const samples = new Float32Array(n);
    for (let i = 0; i < whole; i++) samples[i] = all.readInt16LE(2 * i) / 32_768;
    left = all.subarray(2 * whole);
    return samples;
  };
  return { read, close };
}

/**
 * Opens a piece of music to be read as one channel of sound.
 * @param at.offsetMs where in the piece
 * @param at.rate samples a second
 * @throws Refusal `no-music-here`, `not-found`
 */
export async function openMusic(
  db: Db,
  scope: Scope,
  id: MusicId,
  { offsetMs, rate }: { offsetMs: number; rate: number },
): Promise<MusicReader> {
  if (isBed(id)) {
    const { samples } = await bedOf(id, rate);
    let at = Math.round((offsetMs * rate) / 1000);
    const read = async (n: number) => {
      const part = samples.subarray(at, at + n);
      at += n;
      if (part.length === n) return part;
      const padded = new Float32Array(n);
      padded.set(part);
      return padded;
    };
    return { read, close: () => {} };
  }
  const file = await musicFile(db, scope, id);
  const args = [
    ...['-v', 'error', '-f', 'mp3', '-i', 'pipe:0', '-ss', `${offsetMs}ms`],
    ...['-af', AS_ONE_CHANNEL, '-ar', String(rate), '-f', 's16le', 'pipe:1'],
  ];
  const child = spawn('ffmpeg', args, { stdio: ['pipe', 'pipe', 'ignore'] });
  // Whoever reads on hears silence where it ends early; a write that was on its way then fails.
  child.stdin.on('error', () => {});
  child.stdout.on('error', () => {});
  try {
    await once(child, 'spawn');
  } catch (problem) {
    throw isMissing(problem) ? new Refusal('no-music-here') : problem;
  }
  if (child.pid) setPriority(child.pid, GIVES_WAY);
  child.stdin.end(file);
  return reading(child.stdout, () => child.kill('SIGKILL'));
}
