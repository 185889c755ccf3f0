import { RUNS } from '@testing/arbitrary';
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { FairQueue } from './fair-queue';

const OWNERS = ['choir', 'night shift', 'online'];

interface Piece {
  id: string;
  owner: string;
  stop: AbortController;
}

/** What is wanted, as a plain list of turns: each owner with a line of their own, whose turn it is first. */
class Turns {
  private lines: Piece[][] = [];

  ask(piece: Piece): void {
    const line = this.lines.find(([first]) => first?.owner === piece.owner);
    if (line) line.push(piece);
    else this.lines.push([piece]);
  }

  next(): Piece | undefined {
    const [line, ...others] = this.lines;
    if (!line) return undefined;
    const [first, ...rest] = line;
    this.lines = rest.length > 0 ? [...others, rest] : others;
    return first?.stop.signal.aborted ? this.nextOf(first.owner) : first;
  }

  /** Another one of the same owner, whose turn was not taken by what was given up. */
  private nextOf(owner: string): Piece | undefined {
    const at = this.lines.findIndex(([first]) => first?.owner === owner);
    if (at >= 0) this.lines = [...this.lines.splice(at, 1), ...this.lines];
    return this.next();
  }
}

const steps = fc.array(
  fc.oneof(
    { weight: 5, arbitrary: fc.record({ asks: fc.constantFrom(...OWNERS) }) },
    { weight: 1, arbitrary: fc.record({ givesUp: fc.nat() }) },
    { weight: 2, arbitrary: fc.constant('does' as const) },
  ),
  { maxLength: 40 },
);

/** Takes out what comes next and is wanted. */
function taken(queue: FairQueue, byWork: Map<unknown, Piece>): Piece | undefined {
  for (;;) {
    const piece = byWork.get(queue.dequeue());
    if (!piece?.stop.signal.aborted) return piece;
  }
}

it('gives turns as a plain list of lines does, and knows how many come before each', () => {
  fc.assert(
    fc.property(steps, (all) => {
      const queue = new FairQueue();
      const turns = new Turns();
      const byWork = new Map<unknown, Piece>();
      const pieces: Piece[] = [];
      for (const step of all) {
        if (step === 'does') {
          const piece = taken(queue, byWork);
          expect(piece?.id).toBe(turns.next()?.id);
          if (piece) pieces.splice(pieces.indexOf(piece), 1);
        } else if ('asks' in step) {
          const piece = { id: `${byWork.size}`, owner: step.asks, stop: new AbortController() };
          const work = async () => piece;
          byWork.set(work, piece);
          pieces.push(piece);
          turns.ask(piece);
          queue.enqueue(work, { owner: piece.owner, id: piece.id, signal: piece.stop.signal });
        } else {
          const [piece] = pieces.splice(step.givesUp % (pieces.length || 1), 1);
          piece?.stop.abort();
        }
      }
      // What was told is what then comes to pass.
      const told = pieces.map(({ id }) => [id, queue.filter({ before: id }).length]);
      const order: string[] = [];
      for (let next = taken(queue, byWork); next; next = taken(queue, byWork)) order.push(next.id);
      expect(told).toEqual(pieces.map(({ id }) => [id, order.indexOf(id)]));
      expect(queue.size).toBe(0);
    }),
    { numRuns: RUNS },
  );
});

it('has nothing before what does not wait', () => {
  const queue = new FairQueue();
  queue.enqueue(async () => {}, { owner: 'choir', id: 'one' });
  queue.enqueue(async () => {}, { owner: 'choir', id: 'two' });
  expect(queue.filter({ before: 'two' })).toHaveLength(1);
  expect(queue.filter({ before: 'another' })).toEqual([]);
  expect(queue.filter()).toHaveLength(2);
});
