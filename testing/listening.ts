import { spawnSync } from 'node:child_process';
import { endianness } from 'node:os';
import { peaksOf } from '@/core/sound';

/** A file of sound as programs hear it that unpack it. */

/** Samples a second that it is unpacked to. */
const RATE = 48_000;

/** How high the true peak of a packed sound is, in dBTP; what is below -6 need not be exact. */
export function highestHeardIn(file: string): number {
  const raw = endianness() === 'LE' ? 'f32le' : 'f32be';
  const args = ['-f', raw, '-ac', '1', '-ar', String(RATE), 'pipe:1'];
  const { stdout, stderr, status } = spawnSync(
    'ffmpeg',
    ['-nostdin', '-v', 'error', '-i', file, '-vn', ...args],
    { maxBuffer: 1e9 },
  );
  if (status !== 0) throw new Error(stderr.toString());
  const samples = new Float32Array(stdout.buffer, stdout.byteOffset, stdout.length / 4);
  const most = peaksOf(samples, 0.5).reduce((highest, peak) => Math.max(highest, peak), 0);
  return 20 * Math.log10(most);
}
