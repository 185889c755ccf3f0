import { vi } from 'vitest';

/**
 * In how many stretches the steps of a long piece of work are done, between which others have their turn. Each look
 * at the clock finds that they have waited long enough.
 * @param work tells of each of its steps
 */
export async function stretchesOf(work: (step: () => void) => Promise<unknown>): Promise<number> {
  let now = 0;
  const clock = vi.spyOn(performance, 'now').mockImplementation(() => {
    now += 1000;
    return now;
  });
  let stretches = 0;
  let others = true;
  const turn = () => {
    others = true;
    next = setImmediate(turn);
  };
  let next = setImmediate(turn);
  try {
    await work(() => {
      if (others) stretches++;
      others = false;
    });
  } finally {
    clearImmediate(next);
    clock.mockRestore();
  }
  return stretches;
}
