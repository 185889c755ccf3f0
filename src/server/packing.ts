import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { setPriority } from 'node:os';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { Refusal } from '@/core/calls';
import { HIGHEST_DBTP } from '@/core/sound';
import { isMissing } from './missing';

/** How sound and pictures are packed: by the program that is commonly used for it. */

/** How a sound is packed. */
export interface Coder {
  /** What the program is told. */
  args: readonly string[];
  /**
   * How much higher than the sound was its true peak may be once it is packed, in dB: what a coder leaves out no longer
   * takes off from what it keeps. Each is what classes went higher by at most, and some tenths more.
   */
  higher: number;
}

/** So high may the true peak of a sound be that is packed, so that it is not too high after, in dBTP. */
export const highestBefore = ({ higher }: Coder): number => HIGHEST_DBTP - higher;

/** So much of what the program complains of is kept, in letters. */
const MOST_TOLD = 500;

/** Whether the disk is full, by what was thrown or what a program said. */
const isFull = (problem: unknown, said = '') =>
  (problem as NodeJS.ErrnoException | undefined)?.code === 'ENOSPC' ||
  /No space left on device/i.test(said);

/** A fault as a teacher can read it, where it is one that they can do something about. */
export function told(problem: unknown, said = ''): unknown {
  if (isFull(problem, said)) return new Refusal('no-room');
  return isMissing(problem) ? new Refusal('no-encoder') : problem;
}

/** The program did not do as it was told. */
export class Unpacked extends Error {}

export interface Packing {
  /** What the program is told; `pipe:0` is what it is given. */
  args: readonly string[];
  given?: AsyncIterable<Uint8Array> | Iterable<Uint8Array>;
  /** How much it gives way to all else, as `nice` counts. */
  givesWay: number;
  signal?: AbortSignal;
}

/**
 * Lets the program read what is given, and write a file.
 * @throws Refusal `no-encoder`, `no-room`; what broke off what is given; the signal's reason; Unpacked
 */
export async function pack({ args, given = [], givesWay, signal }: Packing): Promise<void> {
  signal?.throwIfAborted();
  const child = spawn('ffmpeg', ['-nostdin', '-v', 'error', '-y', ...args], {
    stdio: ['pipe', 'ignore', 'pipe'],
  });
  let complaint = '';
  child.stderr.on('data', (part: Buffer) => {
    complaint = (complaint + part.toString()).slice(0, MOST_TOLD);
  });
  const closed = new Promise<number | null>((resolve) => child.once('close', resolve));
  const kill = () => child.kill('SIGKILL');
  try {
    await once(child, 'spawn');
    if (child.pid) setPriority(child.pid, givesWay);
    signal?.addEventListener('abort', kill, { once: true });
    if (signal?.aborted) kill();
    // A write that was on its way when the program ended fails after the pipeline has told of it.
    child.stdin.on('error', () => {});
    let brokeOff: { why: unknown } | null = null;
    const parts = (async function* () {
      yield* given;
    })();
    // It has no `throw`: a stream would throw into it what went wrong with the program, as if it had been given.
    const watched = {
      next: () =>
        parts.next().catch((why: unknown) => {
          brokeOff = { why };
          // The program would take what it has for all.
          kill();
          throw why;
        }),
      return: () => parts.return(),
    };
    const isRead = await pipeline(
      Readable.from({ [Symbol.asyncIterator]: () => watched }),
      child.stdin,
    ).then(
      () => true,
      () => false,
    );
    const code = await closed;
    signal?.throwIfAborted();
    if (brokeOff) throw (brokeOff as { why: unknown }).why;
    // It may end well and yet complain that the end of the file found no room.
    if (code === 0 && isRead && !isFull(null, complaint)) return;
    throw new Unpacked(complaint.trim() || `packing ended with ${code}`);
  } catch (problem) {
    throw told(problem, complaint);
  } finally {
    signal?.removeEventListener('abort', kill);
    kill();
  }
}
