import type { TalkSample } from '@/core/run';

/** Talk of four minutes that took so many times as long as its cues; said by the voice, in full. */
export const talked = (factor: number, more: Partial<TalkSample> = {}): TalkSample => ({
  cuesMs: 240_000,
  takenMs: Math.round(240_000 * factor),
  offeredMs: 240_000,
  leftOutMs: 0,
  say: 'all',
  self: false,
  ...more,
});
