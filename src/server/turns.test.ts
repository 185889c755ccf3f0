import { afterEach, expect, it, vi } from 'vitest';
import { turns } from './turns';

afterEach(() => vi.restoreAllMocks());

it('lets others have their turn when they have waited for 10 ms, and not before', async () => {
  let now = 0;
  vi.spyOn(performance, 'now').mockImplementation(() => now);
  const turn = turns();
  const others = vi.fn();
  const at = async (ms: number) => {
    now = ms;
    setImmediate(others);
    await turn();
    return others.mock.calls.length;
  };
  expect(await at(9)).toBe(0);
  expect(await at(10)).toBe(2);
  expect(await at(19)).toBe(2);
  expect(await at(20)).toBe(4);
});
