// @vitest-environment happy-dom
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { CALLS } from '@/core/calls';
import { homeWordsIn } from '@/core/home/words';
import { TakeButton } from './take-button';

const words = homeWordsIn('de');
let answers: (() => Response | Promise<Response>)[];
beforeEach(() => {
  vi.useFakeTimers();
  answers = [];
  vi.stubGlobal('fetch', async (address: string) => {
    if (!address.includes('/audio')) return Response.json({ state: 'waiting', before: 2 });
    return answers.shift()?.() ?? Promise.reject(new TypeError('away'));
  });
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const ID = '00000000-0000-4000-8000-000000000001';
const button = (says: string) => screen.getByRole('button', { name: says });
const press = (says: string) =>
  act(async () => {
    fireEvent.click(button(says));
    await vi.advanceTimersByTimeAsync(0);
  });

it('tells in the language of its page how far a file is, and why there is none', async () => {
  const saved: Blob[] = [];
  render(
    <TakeButton
      call={CALLS.takeHomeSound}
      look={CALLS.lookAtHomeSound}
      asked={{ id: ID, body: { as: 'mp3' } }}
      home="token"
      says={words.saveSound}
      words={words.take}
      refused={({ code, message }) => words.refused[code ?? ''] ?? message}
      bytes={100}
      save={(blob) => saved.push(blob)}
    />,
  );
  await press(words.saveSound);
  expect(screen.getByRole('alert').textContent).toBe(words.take.away);
  answers = [() => Response.json({ code: 'sound-full', message: 'Much sound.' }, { status: 429 })];
  await press(words.saveSound);
  expect(screen.getByRole('alert').textContent).toBe(words.refused['sound-full']);
  let send = (_: Response) => {};
  answers = [() => new Promise<Response>((resolve) => (send = resolve))];
  await press(words.saveSound);
  expect(screen.getByRole('status').textContent).toBe(words.take.making);
  await act(() => vi.advanceTimersByTimeAsync(400));
  expect(screen.getByRole('status').textContent).toMatch(/: 2 sind davor$/);
  expect(button(words.take.stop)).toBeTruthy();
  await act(async () => {
    send(new Response('sound'));
    await vi.advanceTimersByTimeAsync(0);
  });
  expect(saved).toHaveLength(1);
  expect(screen.queryByRole('alert')).toBeNull();
});
