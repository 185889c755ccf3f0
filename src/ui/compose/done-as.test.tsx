// @vitest-environment happy-dom
import { libraryMove } from '@library';
import { cleanup, render } from '@testing-library/react';
import { afterEach, expect, it } from 'vitest';
import type { Dose, Variant } from '@/core/move';
import { DoneAs } from './done-as';

afterEach(cleanup);

const says = (dose: Dose, variant: Variant | undefined) => {
  const move = libraryMove('smile-pulses');
  if (!move) throw new Error('the library has no smile pulses');
  const { container } = render(<DoneAs segment={{ dose, variant }} move={move} />);
  return container.textContent;
};

it('says how a version is done that counts in another way, and nothing where it counts alike', () => {
  const pulses = { kind: 'reps', reps: 20, secondsEach: 1 } as const;
  expect(says(pulses, 'easier')).toBe('The easier version is done as 20 s hold.');
  expect(says(pulses, undefined)).toBe('');
  expect(says({ kind: 'hold', seconds: 20 }, 'easier')).toBe('');
});
