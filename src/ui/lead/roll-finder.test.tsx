// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { RollEntry } from '@/core/calls';
import { RollFinder } from './roll-finder';
import type { Roll } from './use-roll';

// Who is on the register is not answered here.
beforeEach(() => vi.stubGlobal('fetch', () => new Promise(() => {})));
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const entry = (participantId: string, name: string) =>
  ({ participantId, name, attendance: null }) as RollEntry;
const rollOf = (...entries: RollEntry[]) =>
  ({ entries, mark: () => {}, walkIn: () => 'rolf' }) as unknown as Roll;

it('tells who was marked or came in, as long as they are on the roll', () => {
  const ada = entry('ada', 'Ada');
  const shown = (roll: Roll) => <RollFinder roll={roll} touch={() => {}} />;
  const { rerender } = render(shown(rollOf(ada)));
  const field = screen.getByRole('textbox');
  const add = (name: string) => {
    fireEvent.change(field, { target: { value: name } });
    fireEvent.submit(field);
  };
  add('Ada');
  expect(screen.getByText('Ada: here.')).toBeTruthy();
  add('Rolf');
  rerender(shown(rollOf(ada, entry('rolf', 'Rolf'))));
  expect(screen.getByText('Rolf is here, not booked.')).toBeTruthy();
  // The register had no room for him.
  rerender(shown(rollOf(ada)));
  expect(screen.queryByText(/^Rolf/)).toBeNull();
});
