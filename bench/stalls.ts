import { Worker } from 'node:worker_threads';

/** How often a thread that does nothing else looks at the clock, and how late it is where the machine stood, in ms. */
const EVERY_MS = 10;
const LATE_MS = 30;

/** A stretch in which the machine did nothing for us, in epoch ms. */
type Stall = readonly [from: number, to: number];

const WATCH = `
const { parentPort } = require('node:worker_threads');
let before = Date.now();
setInterval(() => {
  const now = Date.now();
  if (now - before > ${EVERY_MS + LATE_MS}) parentPort.postMessage([before, now]);
  before = now;
}, ${EVERY_MS});
`;

/**
 * Notes when the machine stood still or had no time for a thread that asks for nothing: what is shown late then says
 * nothing of what shows it.
 */
export class Stalls {
  private readonly all: Stall[] = [];
  private readonly worker = new Worker(WATCH, { eval: true });

  constructor() {
    this.worker.on('message', (stall: Stall) => this.all.push(stall));
  }

  /** Whether the machine was there all the time. @param from, to epoch ms */
  isSteady(from: number, to: number): boolean {
    return !this.all.some((stall) => stall[0] < to && stall[1] > from);
  }

  async stop(): Promise<void> {
    await this.worker.terminate();
  }
}
