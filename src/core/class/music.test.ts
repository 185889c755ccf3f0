import { RUNS } from '@testing/arbitrary';
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { MOST_IN_PLAYLIST, type MusicId } from '../music';
import {
  emptyPlan,
  hasRoom,
  mergePlans,
  PHASES,
  type PhaseName,
  type Plan,
  planSchema,
  putUnder,
  togglePiece,
  togglePieceThroughout,
} from '.';

const plan = emptyPlan('Evening', 600);
const id = (n: number): MusicId => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const many = Array.from({ length: MOST_IN_PLAYLIST + 3 }, (_, n) => id(n));

it('gives each phase the pieces that were pressed an odd number of times, the first pressed first', () => {
  const press = fc.tuple(fc.constantFrom(...PHASES), fc.constantFrom(...many));
  fc.assert(
    fc.property(fc.array(press, { maxLength: 60 }), (presses) => {
      const pressed = presses.reduce<Plan>(
        (p, [phase, piece]) => togglePiece(p, phase, piece),
        plan,
      );
      // By hand: a list for each phase.
      const lists = new Map<PhaseName, MusicId[]>();
      for (const [phase, piece] of presses) {
        const list = lists.get(phase) ?? [];
        const at = list.indexOf(piece);
        if (at >= 0) list.splice(at, 1);
        else if (list.length < MOST_IN_PLAYLIST) list.push(piece);
        lists.set(phase, list);
      }
      for (const phase of PHASES) {
        const ought = lists.get(phase) ?? [];
        expect(pressed.music?.phases[phase] ?? []).toEqual(ought);
        expect(hasRoom(pressed, phase)).toBe(ought.length < MOST_IN_PLAYLIST);
      }
      expect(planSchema.parse(pressed)).toEqual(pressed);
      // A class whose music was all taken out again is the class it was.
      if ([...lists.values()].every((list) => list.length === 0)) expect(pressed).toEqual(plan);
    }),
    { numRuns: RUNS },
  );
});

it('plays a piece throughout, also where it was in some phases, and then nowhere', () => {
  const some = togglePiece(togglePiece(plan, 'work', 'lamp'), 'work', 'tide');
  const throughout = togglePieceThroughout(some, 'tide');
  for (const phase of PHASES) expect(throughout.music?.phases[phase]).toContain('tide');
  expect(throughout.music?.phases.work).toEqual(['lamp', 'tide']);
  expect(togglePieceThroughout(throughout, 'tide').music?.phases).toEqual({ work: ['lamp'] });
});

it('keeps how far it is under the voice, and refuses what is no piece or too many', () => {
  expect(putUnder(plan, 12).music).toEqual({ phases: {}, underDb: 12 });
  expect(putUnder(putUnder(plan, 12), 20)).toEqual(plan);
  const of = (phases: object, underDb = 20) =>
    planSchema.safeParse({ ...plan, music: { phases, underDb } }).error?.issues[0]?.message;
  expect(of({ work: ['../secret'] })).toBe('must be a piece of music');
  expect(of({ work: many })).toBe('must hold at most 12 pieces');
  expect(of({ work: ['tide'] }, 3)).toBe('must be at least 6 under the voice');
  expect(of({ work: ['tide'] })).toBeUndefined();
});

it('is merged as one thing when two have changed a class', () => {
  const mine = togglePiece(plan, 'work', 'tide');
  const theirs = { ...plan, name: 'Later' };
  expect(mergePlans(plan, mine, theirs)).toEqual({
    plan: { ...mine, name: 'Later' },
    collisions: [],
  });
  expect(mergePlans(mine, plan, { ...mine, name: 'Later' }).plan).toEqual(theirs);
  const other = togglePiece(plan, 'close', 'lamp');
  expect(mergePlans(plan, mine, other)).toEqual({ plan: mine, collisions: ['music'] });
});
