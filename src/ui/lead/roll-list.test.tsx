// @vitest-environment happy-dom
import { cleanup, render, screen } from '@testing-library/react';
import fc from 'fast-check';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { MARKS } from '@/core/attendance';
import type { RollEntry } from '@/core/calls';
import { RollList } from './roll-list';
import type { Roll } from './use-roll';

// Who is on the register is not answered here.
beforeEach(() => vi.stubGlobal('fetch', () => new Promise(() => {})));
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const NOON = Date.UTC(2026, 10, 24, 12);
const names = () =>
  screen
    .getAllByRole('button', { hidden: true })
    .flatMap((b) => b.getAttribute('aria-label')?.match(/^(Person \d+): /)?.[1] ?? []);

it('keeps every name of many in its place, whatever is marked and whatever is to be known in a move', () => {
  const person = fc.record({
    timesBefore: fc.constantFrom(0, 3, 9),
    away: fc.boolean(),
    cautioned: fc.boolean(),
    mark: fc.option(fc.constantFrom(...MARKS), { nil: null }),
    newToMove: fc.boolean(),
  });
  const room = fc.array(person, { minLength: 13, maxLength: 20 });
  fc.assert(
    fc.property(room, fc.boolean(), (people, compact) => {
      cleanup();
      const entries = (marked: boolean) =>
        people.map(
          (p, n) =>
            ({
              participantId: `p${n}`,
              name: `Person ${n}`,
              booked: true,
              waiting: false,
              away: p.away,
              greet: true,
              timesBefore: p.timesBefore,
              lastAt: p.timesBefore ? NOON - 7 * 86_400_000 : null,
              cautions: p.cautioned ? [{ caution: 'jaw' }] : [],
              notes: [],
              met: [],
              attendance: marked && p.mark ? { mark: p.mark, arrivedAt: NOON, leftAt: null } : null,
            }) as unknown as RollEntry,
        );
      const shown = (marked: boolean) => (
        <RollList
          roll={{ entries: entries(marked), startsAt: NOON, mark: () => {} } as unknown as Roll}
          compact={compact}
          note={(e) =>
            marked && people[Number(e.participantId.slice(1))]?.newToMove
              ? 'new to this move'
              : null
          }
        />
      );
      const { rerender } = render(shown(false));
      const before = names();
      expect(new Set(before).size).toBe(people.length);
      rerender(shown(true));
      expect(names()).toEqual(before);
    }),
    { numRuns: 25 },
  );
});
