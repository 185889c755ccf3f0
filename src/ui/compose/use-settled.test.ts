// @vitest-environment happy-dom
import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { useSettled } from './use-settled';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});
const pass = (ms: number) => act(() => vi.advanceTimersByTime(ms));

/** A value that changes, beside somebody who may type. */
function following() {
  let typing = false;
  const isTyping = () => typing;
  const hook = renderHook(({ value }) => useSettled(value, isTyping), {
    initialProps: { value: 'a' },
  });
  return {
    shows: () => hook.result.current,
    becomes: (value: string) => hook.rerender({ value }),
    types: (does: boolean) => {
      typing = does;
    },
  };
}

it('follows once a value has stood still for a moment', () => {
  const of = following();
  of.becomes('b');
  pass(149);
  of.becomes('c');
  pass(149);
  expect(of.shows()).toBe('a');
  pass(1);
  expect(of.shows()).toBe('c');
});

it('waits as long as somebody types, and follows soon after', () => {
  const of = following();
  of.becomes('b');
  of.types(true);
  pass(5000);
  expect(of.shows()).toBe('a');
  of.types(false);
  pass(150);
  expect(of.shows()).toBe('b');
  expect(vi.getTimerCount()).toBe(0);
});
