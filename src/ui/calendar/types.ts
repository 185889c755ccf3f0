import type { Band } from '@/core/outline';

/** A session as the calendar shows it. */
export interface Shown {
  id: string;
  /** As the clock on the wall of the studio shows it, as in "2026-11-24T18:30". */
  at: string;
  startsAt: number;
  slotMs: number;
  className: string;
  bands: readonly Band[];
  status: 'planned' | 'running' | 'left' | 'held' | 'cancelled';
  /** Why it is cancelled, where something was said. */
  why: string | null;
  /** When the series has it, where it was moved. */
  movedFrom: string | null;
  leader: string | null;
  place: string | null;
  /** The class takes longer than its slot. */
  overruns: boolean;
}

export interface ClosedDays {
  from: string;
  to: string;
  name: string;
}
