import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Done, loadOf, returned, timesByMove } from '.';

describe('newcomers', () => {
  it('are counted by how often they came', () => {
    expect(returned([1, 2, 4, 5, 12])).toEqual([
      { nth: 2, people: 4, of: 5 },
      { nth: 5, people: 2, of: 5 },
      { nth: 10, people: 1, of: 5 },
    ]);
    expect(returned([])).toEqual([]);
  });
});

describe('minutes by move', () => {
  it('are summed, and put in the order of how far each ran over in a session', () => {
    const all = [
      { moveId: 'a', plannedMs: 1000, actualMs: 1100 },
      { moveId: 'a', plannedMs: 1000, actualMs: 1100 },
      { moveId: 'b', plannedMs: 1000, actualMs: 1500 },
    ];
    expect(timesByMove(all)).toEqual([
      { moveId: 'b', plannedMs: 1000, actualMs: 1500, times: 1 },
      { moveId: 'a', plannedMs: 2000, actualMs: 2200, times: 2 },
    ]);
  });
});

describe('the load of a week', () => {
  it('is what whoever did a move most often has done, as counting by hand finds', () => {
    const done = fc.array(
      fc.record<Done>({
        week: fc.constantFrom('2026-11-16', '2026-11-23'),
        moveId: fc.constantFrom('x', 'y'),
        participantId: fc.constantFrom('p', 'q', 'r'),
      }),
      { maxLength: 25 },
    );
    fc.assert(
      fc.property(done, (all) => {
        const load = loadOf(all, () => 1);
        for (const week of ['2026-11-16', '2026-11-23']) {
          for (const moveId of ['x', 'y']) {
            const times = ['p', 'q', 'r'].map(
              (p) =>
                all.filter((d) => d.week === week && d.moveId === moveId && d.participantId === p)
                  .length,
            );
            const found = load.find((l) => l.week === week && l.moveId === moveId);
            expect(found?.most ?? 0).toBe(Math.max(...times));
            expect(found?.over ?? 0).toBe(times.filter((n) => n > 1).length);
          }
        }
        expect(load.map((l) => l.week)).toEqual(load.map((l) => l.week).toSorted());
      }),
    );
  });
});
