import { describe, expect, it } from 'vitest';
import { lateByMs, marked, takenPartMs } from '.';

describe('the register', () => {
  it('keeps the first arrival when a mark is changed between here and late', () => {
    const late = marked(undefined, 'late', 5000);
    expect(marked(late, 'here', 9000)).toEqual({ mark: 'here', arrivedAt: 5000, leftAt: null });
  });

  it('forgets the arrival of somebody who turns out not to be here', () => {
    const here = marked(undefined, 'here', 5000);
    expect(marked(here, 'absent', 6000)).toEqual({ mark: 'absent', arrivedAt: null, leftAt: null });
  });

  it('counts the time between arriving and leaving, inside the class', () => {
    const a = { mark: 'late', arrivedAt: 3000, leftAt: 8000 } as const;
    expect(takenPartMs(a, 0, 10_000)).toBe(5000);
    expect(takenPartMs({ ...a, arrivedAt: -500, leftAt: null }, 0, 10_000)).toBe(10_000);
    expect(takenPartMs({ ...a, arrivedAt: 12_000, leftAt: null }, 0, 10_000)).toBe(0);
    expect(takenPartMs(marked(undefined, 'absent', 1), 0, 10_000)).toBe(0);
  });

  it('says how late somebody came, never less than nothing', () => {
    expect(lateByMs(marked(undefined, 'late', 3000), 1000)).toBe(2000);
    expect(lateByMs(marked(undefined, 'here', 500), 1000)).toBe(0);
  });
});
