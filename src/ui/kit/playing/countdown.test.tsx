// @vitest-environment happy-dom

import { planOf } from '@testing/plans';
import { anyBends, eventsOf, scoresOf, T0 } from '@testing/runs';
import { act, cleanup, render } from '@testing-library/react';
import fc from 'fast-check';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { type Playback, playLengthMs, position } from '@/core/run';
import { Countdown } from './countdown';

const { score, easier } = scoresOf(
  planOf([{ move: 'chin-over-shoulder' }, { move: 'tall-o-cheek-lift', rounds: 2 }]),
);
const clock = { now: () => Date.now(), deviceNow: () => Date.now(), cameApart: () => false };

beforeEach(() => void vi.useFakeTimers({ now: T0 }));
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

const pass = (ms: number) => act(() => vi.advanceTimersByTime(ms));

/** As a page shows it that is drawn anew at every millisecond. */
function naive(state: Playback): number {
  const current = state.queue[state.index];
  return current ? Math.ceil((playLengthMs(current) - state.elapsedMs) / 1000) : 0;
}

it('changes by itself, each second on its beat, until the page comes with the next step', () => {
  const start = position(score, eventsOf([], score), T0, easier);
  const { container } = render(<Countdown state={start} clock={clock} />);
  const first = start.queue[0];
  const lengthMs = first ? playLengthMs(first) : 0;
  for (let ms = 1; ms < lengthMs; ms++) {
    pass(1);
    expect([ms, container.textContent]).toEqual([ms, String(Math.ceil((lengthMs - ms) / 1000))]);
  }
  pass(5000);
  expect(container.textContent).toBe('1');
});

it('is right whatever the teacher does, and however seldom the page is looked at', () => {
  fc.assert(
    fc.property(
      anyBends,
      fc.array(fc.integer({ min: 1, max: 400 }), { minLength: 30, maxLength: 30 }),
      (bends, waits) => {
        cleanup();
        vi.setSystemTime(T0);
        const events = eventsOf(bends, score);
        const stands = () =>
          position(
            score,
            events.filter((e) => e.at <= Date.now()),
            Date.now(),
            easier,
          );
        const { container, rerender } = render(<Countdown state={stands()} clock={clock} />);
        let looked = stands();
        let known = events.filter((e) => e.at <= T0).length;
        for (const wait of waits) {
          for (let ms = 0; ms < wait; ms += 20) {
            pass(20);
            const is = stands();
            const [is1, was] = [is.queue[is.index]?.key, looked.queue[looked.index]?.key];
            const happened = events.filter((e) => e.at <= Date.now()).length;
            // As the page does: it is drawn anew at once where another step begins, and with every bend.
            if (is1 !== was || happened !== known) {
              rerender(<Countdown state={is} clock={clock} />);
              looked = is;
              known = happened;
            }
            expect(container.textContent).toBe(String(naive(is)));
          }
          // Then it is the moment before the next bend.
          const next = events[known]?.at ?? 0;
          if (next - Date.now() > 30) pass(next - Date.now() - 30);
          looked = stands();
          rerender(<Countdown state={looked} clock={clock} />);
          expect(container.textContent).toBe(String(naive(looked)));
        }
      },
    ),
    { numRuns: 25 },
  );
});
