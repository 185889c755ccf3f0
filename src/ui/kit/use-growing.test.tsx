// @vitest-environment happy-dom
import { act, cleanup, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { useGrowing } from './use-growing';

const idle = new Map<number, () => void>();
let asked = 0;
beforeEach(() => {
  idle.clear();
  vi.stubGlobal('requestIdleCallback', (work: () => void) => {
    idle.set(++asked, work);
    return asked;
  });
  vi.stubGlobal('cancelIdleCallback', (id: number) => idle.delete(id));
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

function Lines({ length }: { length: number }) {
  return <output>{useGrowing(length, 20)}</output>;
}
const shown = () => Number(screen.getByRole('status').textContent);
const rest = () =>
  act(async () => {
    const works = [...idle.values()];
    idle.clear();
    for (const work of works) work();
  });

it('a list is there as far as it is in sight, and whole once the page has had nothing else to do', async () => {
  const { rerender } = render(<Lines length={45} />);
  const seen = [shown()];
  while (idle.size > 0) {
    await rest();
    seen.push(shown());
  }
  expect(seen).toEqual([20, 40, 45]);
  rerender(<Lines length={3} />);
  expect(shown()).toBe(3);
  rerender(<Lines length={45} />);
  expect(shown()).toBe(45);
});

it('a list that is short, or gone before it is whole, asks for nothing more', async () => {
  const { unmount } = render(<Lines length={20} />);
  expect([shown(), idle.size]).toEqual([20, 0]);
  unmount();
  const long = render(<Lines length={100} />);
  expect(idle.size).toBe(1);
  long.unmount();
  expect(idle.size).toBe(0);
});
