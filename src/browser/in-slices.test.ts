import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { inSlices } from './in-slices';

let now = 0;
/** What waits for its turn, as a browser has it: one message after the other, with keys in between. */
let turns: (() => void)[] = [];

class Channel {
  readonly port1 = { onmessage: null as (() => void) | null, close: () => {} };
  readonly port2 = { postMessage: () => turns.push(() => this.port1.onmessage?.()) };
}

beforeEach(() => {
  now = 0;
  turns = [];
  vi.stubGlobal('MessageChannel', Channel);
  vi.spyOn(performance, 'now').mockImplementation(() => now);
});
afterEach(() => {
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
});

const turn = () => turns.shift()?.();

/** Work of some steps, each of which takes some ms. */
function* steps(ms: readonly number[], did: number[]): Generator<void, string> {
  for (const [i, length] of ms.entries()) {
    did.push(i);
    now += length;
    yield;
  }
  return 'finished';
}

describe('work that is done a little at a time', () => {
  it('takes a few ms at a time, and gives what came out in the end', () => {
    const [did, results]: [number[], string[]] = [[], []];
    inSlices(steps([2, 2, 2, 40, 1, 1], did), (result) => results.push(result()));
    const done = [];
    while (turns.length > 0) {
      turn();
      done.push(did.splice(0));
    }
    expect(done).toEqual([[0, 1, 2], [3], [4, 5]]);
    expect(results).toEqual(['finished']);
  });

  it('tells what went wrong to who asked for it', () => {
    const broken = (function* () {
      yield;
      throw new Error('no such move');
    })();
    let told: (() => unknown) | undefined;
    inSlices(broken, (result) => {
      told = result;
    });
    turn();
    expect(told).toThrow('no such move');
    expect(turns).toEqual([]);
  });

  it('does nothing more once it is left', () => {
    const did: number[] = [];
    const finished = vi.fn();
    const leave = inSlices(steps([10, 10, 10], did), finished);
    turn();
    leave();
    while (turns.length > 0) turn();
    expect([did, finished.mock.calls]).toEqual([[0], []]);
  });
});
