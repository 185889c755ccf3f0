import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import PQueue from 'p-queue';
import { Refusal } from '@/core/calls';
import type { SoundProgress } from '@/core/take-away';
import { type FairOptions, FairQueue } from '../queue/fair-queue';

/** So many are made at once at a process. */
const AT_ONCE = 2;
/** So many may be under way at a process: waiting, being made, or being sent. */
const MOST = { ofOne: 3, ofOwner: 12 };
/** Whoever has more before them would wait longer than a browser does. */
const MOST_BEFORE = 20;

/** Who asks for sound. */
export interface SoundAsker {
  studioId: string;
  /** A teacher, or somebody at home. */
  by: string;
  /** Those at home have turns of their own, so that whoever leads classes does not wait for all of them. */
  atHome?: boolean;
  /** By which they look how far it is. */
  ticket?: string;
  signal: AbortSignal;
}

/** Sound that is under way. */
interface UnderWay extends Pick<SoundAsker, 'by' | 'ticket'> {
  /** Owners take turns. */
  owner: string;
  id: string;
  /** How much of it is made, from 0 to 1; null while it waits. */
  share: number | null;
}

/** Somebody's place in the queue, which they hold until they leave it. */
export interface SoundPlace {
  /** Makes it when its turn comes. @throws Refusal `sound-full`; the signal's reason, as soon as it is given */
  turn: <T>(work: (tell: (share: number) => void) => Promise<T>) => Promise<T>;
  leave: () => void;
}

/** The sound of classes is made in turns of studios, a few at once. */
export class SoundQueue {
  private readonly queue: PQueue<FairQueue, FairOptions>;
  private readonly underWay = new Set<UnderWay>();

  constructor(atOnce = AT_ONCE) {
    this.queue = new PQueue({ concurrency: atOnce, queueClass: FairQueue });
  }

  /** Takes a place. @throws Refusal `sound-enough`, `sound-studio-enough` */
  take({ studioId, by, atHome = false, ticket, signal }: SoundAsker): SoundPlace {
    const owner = atHome ? `${studioId} at home` : studioId;
    const count = (counted: (one: UnderWay) => boolean) =>
      [...this.underWay].filter(counted).length;
    if (count((one) => one.by === by) >= MOST.ofOne) {
      throw new Refusal('sound-enough', String(MOST.ofOne));
    }
    if (count((one) => one.owner === owner) >= MOST.ofOwner) {
      throw new Refusal('sound-studio-enough', String(MOST.ofOwner));
    }
    const one: UnderWay = { owner, by, id: randomUUID(), share: null, ...(ticket && { ticket }) };
    this.underWay.add(one);
    return {
      turn: (work) => this.turn(one, work, signal),
      leave: () => void this.underWay.delete(one),
    };
  }

  private async turn<T>(
    one: UnderWay,
    work: (tell: (share: number) => void) => Promise<T>,
    signal: AbortSignal,
  ): Promise<T> {
    signal.throwIfAborted();
    const refused = new AbortController();
    const either = AbortSignal.any([signal, refused.signal]);
    const made = this.queue.add(
      async () => {
        one.share = 0;
        return work((share) => {
          one.share = share;
        });
      },
      { owner: one.owner, id: one.id, signal: either },
    ) as Promise<T>;
    const gone = async (): Promise<never> => {
      await once(either, 'abort');
      throw either.reason;
    };
    // Whoever goes away waits for no turn.
    const over = Promise.race([made, gone()]);
    if (this.before(one) > MOST_BEFORE) refused.abort(new Refusal('sound-full'));
    return over;
  }

  /** How far the sound is that somebody asked for with a ticket. */
  look(by: string, ticket: string): SoundProgress {
    const one = [...this.underWay].find((u) => u.by === by && u.ticket === ticket);
    if (!one) return { state: 'none' };
    if (one.share !== null) return { state: 'making', share: one.share };
    return { state: 'waiting', before: this.before(one) };
  }

  private before({ id }: UnderWay): number {
    return this.queue.sizeBy({ before: id });
  }
}

const shared = globalThis as { upBeatSounds?: SoundQueue };

/** The process's own. */
export function soundQueue(): SoundQueue {
  shared.upBeatSounds ??= new SoundQueue();
  return shared.upBeatSounds;
}
