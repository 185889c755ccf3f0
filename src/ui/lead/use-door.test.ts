// @vitest-environment happy-dom
import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import type { DoorAnswer } from '@/core/calls';
import { useDoor } from './use-door';

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const door = (shut: boolean): DoorAnswer => ({
  door: {
    code: 'K7MRTX',
    shut,
    takeHome: false,
    place: 'hall.example/follow',
    address: 'http://hall.example/follow/K7MRTX',
    qr: { size: 1, path: 'M0 0h1v1z' },
  },
  followers: [],
});

it('an answer of before the door was shut does not open it again, and later ones are heard', async () => {
  const waiting: { method: string; answer: (with_: DoorAnswer) => void }[] = [];
  vi.stubGlobal(
    'fetch',
    (_: string, { method }: RequestInit) =>
      new Promise<Response>((resolve) => {
        const answer = (with_: DoorAnswer) => resolve(new Response(JSON.stringify(with_)));
        waiting.push({ method: String(method), answer });
      }),
  );
  const { result } = renderHook(() => useDoor('00000000-0000-4000-8000-000000000001'));
  const answered = (at: number, with_: DoorAnswer) => act(async () => waiting[at]?.answer(with_));
  await answered(0, door(false));
  expect(result.current.door?.shut).toBe(false);
  await act(async () => void result.current.look());
  await act(async () => void result.current.shut());
  expect(waiting.map((w) => w.method)).toEqual(['GET', 'GET', expect.not.stringMatching('GET')]);
  await answered(2, door(true));
  await answered(1, door(false));
  expect(result.current.door?.shut).toBe(true);
  await act(async () => void result.current.look());
  await answered(3, door(false));
  expect(result.current.door?.shut).toBe(false);
});
