import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type BookedSession, streak } from '.';

const week = 7 * 24 * 3600_000;
/** h: here, l: late, a: absent, n: nothing marked, c: cancelled, p: planned; oldest first. */
const sessions = (letters: string): BookedSession[] =>
  [...letters].map((letter, i) => ({
    sessionId: `s${i}`,
    startsAt: i * week,
    status: letter === 'c' ? 'cancelled' : letter === 'p' ? 'planned' : 'held',
    mark: ({ h: 'here', l: 'late', a: 'absent' } as const)[letter as 'h'],
  }));
const figures = (letters: string) => {
  const { current, longest } = streak(sessions(letters));
  return [current, longest];
};

describe('a streak', () => {
  it.each([
    ['', [0, 0]],
    ['hhh', [3, 3]],
    ['hlh', [3, 3]],
    ['hha', [0, 2]],
    ['hhahh', [2, 2]],
    ['hhn', [0, 2]],
  ])('of %s is %j', (letters, expected) => expect(figures(letters)).toEqual(expected));

  it('is neither broken nor lengthened by a cancelled meeting', () => {
    expect(figures('hhchh')).toEqual([4, 4]);
    expect(figures('cc')).toEqual([0, 0]);
  });

  it('is not broken by a meeting that is still to come', () => {
    expect(figures('hhp')).toEqual([2, 2]);
  });

  it('explains itself meeting by meeting', () => {
    expect(streak(sessions('hcahp')).days.map((d) => [d.verdict, d.streak])).toEqual([
      ['kept', 1],
      ['cancelled', 1],
      ['broken', 0],
      ['kept', 1],
      ['to come', 1],
    ]);
  });

  it('does not depend on the order the register is read in', () => {
    fc.assert(
      fc.property(
        fc
          .string({ unit: fc.constantFrom(...'hlacpn'), maxLength: 20 })
          .chain((letters) =>
            fc.tuple(
              fc.constant(sessions(letters)),
              fc.shuffledSubarray(sessions(letters), { minLength: letters.length }),
            ),
          ),
        ([inOrder, shuffled]) => {
          expect(streak(shuffled)).toEqual(streak(inOrder));
        },
      ),
    );
  });

  it('equals the run of kept meetings since the last broken one', () => {
    fc.assert(
      fc.property(fc.string({ unit: fc.constantFrom(...'hlacpn'), maxLength: 30 }), (letters) => {
        const counted = [...letters].filter((l) => 'hlan'.includes(l)).join('');
        const tail = /[hl]*$/.exec(counted)?.[0].length ?? 0;
        expect(streak(sessions(letters)).current).toBe(tail);
      }),
    );
  });
});
