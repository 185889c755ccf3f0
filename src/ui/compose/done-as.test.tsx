// @vitest-environment happy-dom
import { libraryMove } from '@library';
import { cleanup, render } from '@testing-library/react';
import { afterEach, expect, it } from 'vitest';
import type { SegmentCues } from '@/core/class';
import type { Dose, Variant } from '@/core/move';
import { DoneAs } from './done-as';

afterEach(cleanup);

const says = (dose: Dose, variant: Variant | undefined, cues?: SegmentCues) => {
  const move = libraryMove('smile-pulses');
  if (!move) throw new Error('the library has no smile pulses');
  const { container } = render(<DoneAs segment={{ dose, variant, cues }} move={move} />);
  return container.textContent;
};

it('says how a version is done that counts in another way, and nothing where it counts alike', () => {
  const pulses = { kind: 'reps', reps: 20, secondsEach: 1 } as const;
  expect(says(pulses, 'easier')).toBe('The easier version is done as 20 s hold.');
  expect(says(pulses, undefined)).toBe('');
  expect(says({ kind: 'hold', seconds: 20 }, 'easier')).toBe('');
});

it('says that own words are said in a version, which may not be true of it', () => {
  const hold = { kind: 'hold', seconds: 20 } as const;
  const told = 'What you wrote is said in the easier version: see whether it is true of it.';
  expect(says(hold, 'easier', { short: 'Press again.' })).toBe(told);
  expect(says(hold, 'easier', { announce: 'The big one.' })).toBe('');
  expect(says(hold, undefined, { short: 'Press again.' })).toBe('');
});
