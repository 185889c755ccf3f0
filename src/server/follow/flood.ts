import { Refusal } from '@/core/calls';

/** How many may come in at one process in a second; whoever is told so tries again by themselves. */
export const MOST_A_SECOND = 30;

/** Lets so many through in a second and no more. */
export class Flood {
  private second = 0;
  private count = 0;

  constructor(private readonly most: number) {}

  /** @param now epoch ms */
  passes(now: number): boolean {
    const second = Math.floor(now / 1000);
    if (second !== this.second) {
      this.second = second;
      this.count = 0;
    }
    this.count++;
    return this.count <= this.most;
  }
}

const shared = globalThis as { upBeatFlood?: Flood };

/** Somebody comes in. @throws Refusal `many-at-once` */
export function comesIn(now: number): void {
  shared.upBeatFlood ??= new Flood(MOST_A_SECOND);
  if (!shared.upBeatFlood.passes(now)) throw new Refusal('many-at-once');
}
