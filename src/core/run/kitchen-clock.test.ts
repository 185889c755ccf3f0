import { LIBRARY_BOOK } from '@library';
import { RUNS } from '@testing/arbitrary';
import { eventId, planOf } from '@testing/plans';
import { T0 } from '@testing/runs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compile, type Score } from '@/core/score';
import { apply, type NewRunEvent, ready } from '.';

/** A class as a kitchen clock would run it: ten milliseconds at a time, knowing only lengths and kinds. */
class KitchenClock {
  private readonly lengths: number[];
  private readonly kinds: string[];
  private at = 0;
  private into = 0;
  private running = true;
  over = false;

  constructor(score: Score) {
    this.lengths = score.steps.map((s) => s.durationMs);
    this.kinds = score.steps.map((s) => s.kind);
  }

  tick(): void {
    if (!this.running || this.over) return;
    this.into += 10;
    if (this.into < (this.lengths[this.at] ?? 0)) return;
    if (this.at === this.lengths.length - 1) this.over = true;
    else {
      this.at++;
      this.into = 0;
    }
  }

  private go(to: number): void {
    if (this.over) {
      this.over = false;
      this.running = true;
    }
    this.at = to;
    this.into = 0;
  }

  bend(type: string): void {
    if (type === 'paused' && !this.over) this.running = false;
    if (type === 'resumed') this.running = true;
    if (type === 'next' && !this.over) {
      if (this.at < this.lengths.length - 1) this.go(this.at + 1);
      else {
        this.over = true;
        this.running = true;
        this.into = this.lengths[this.at] ?? 0;
      }
    }
    if (type === 'back') this.go(this.into < 1500 && this.at > 0 ? this.at - 1 : this.at);
    if (type === 'again') {
      let to = this.kinds.lastIndexOf('upbeat', this.at);
      if (to === this.at && this.into < 1500 && to > 0)
        to = this.kinds.lastIndexOf('upbeat', to - 1);
      this.go(Math.max(0, to));
    }
    if (type === 'extended') {
      const leads = ['upbeat', 'switch'].includes(this.kinds[this.at] ?? '');
      const to = leads ? this.kinds.indexOf('work', this.at) : this.at;
      if (to >= 0) this.lengths[to] = (this.lengths[to] ?? 0) + 1000;
      if (this.over) {
        this.over = false;
        this.running = true;
      }
    }
  }

  get place(): [step: number, into: number, over: boolean] {
    return [this.at, this.into, this.over];
  }
}

describe('a kitchen clock', () => {
  const tens = (score: Score): Score => ({
    ...score,
    steps: score.steps.map((s) => ({
      ...s,
      durationMs: Math.max(10, Math.round(s.durationMs / 10) * 10),
    })),
  });
  const score = tens(
    compile(planOf([{ move: 'tall-o-cheek-lift' }, { move: 'pucker-hold' }]), LIBRARY_BOOK),
  );
  const bends = fc.array(
    fc.record({
      ticks: fc.nat(900),
      type: fc.constantFrom('paused', 'resumed', 'next', 'back', 'again', 'extended'),
    }),
    { minLength: 1, maxLength: 20 },
  );

  it('is where the run is after any bends', () => {
    fc.assert(
      fc.property(bends, (all) => {
        const kitchen = new KitchenClock(score);
        let state = apply(ready(score), { id: eventId(0), at: T0, type: 'started' });
        all.forEach(({ ticks, type }, i) => {
          for (let n = 0; n < ticks; n++) kitchen.tick();
          kitchen.bend(type);
          const at = state.at + 10 * ticks;
          const event = { id: eventId(i + 1), at, type, ms: 1000 } as NewRunEvent;
          state = apply(state, event);
          expect([state.index, state.elapsedMs, state.status === 'over']).toEqual(kitchen.place);
        });
      }),
      { numRuns: Math.min(RUNS, 300) },
    );
  });
});
