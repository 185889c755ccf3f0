import type { Score } from '../score';
import { apply, once } from './bends';
import type { NewRunEvent } from './events';
import { advance, type Playback, type PlayStep, ready } from './playback';

/** Where the minutes of a run went: one part that was played, and for how long. */
export interface Spent {
  part: PlayStep;
  /** Time it ran, in ms, however often it was played. */
  ms: number;
  /** Time the class stood still in it, in ms. */
  stoodMs: number;
}

/**
 * The time spent in each part of a run, in the order they were first reached. Running and standing
 * together are the time from the start to the end (or to now, where it goes on).
 * @param now epoch ms on the server's clock
 */
export function spent(
  score: Score,
  events: readonly NewRunEvent[],
  now: number,
  easier?: Score | null,
): Spent[] {
  const byKey = new Map<string, Spent>();
  const entry = (part: PlayStep): Spent => {
    const found = byKey.get(part.key) ?? { part, ms: 0, stoodMs: 0 };
    found.part = part;
    byKey.set(part.key, found);
    return found;
  };
  const pass = ({ part, ms }: { part: PlayStep; ms: number }) => {
    entry(part).ms += ms;
  };
  let state: Playback = ready(score, easier);
  /** Since when the class stands, and in which part. It is counted when the class goes on or stands anew. */
  let standing: { part: PlayStep; from: number } | null = null;
  const stand = (after: Playback) => {
    const stands = after.status === 'paused' || after.status === 'over';
    const from = stands ? (after.pausedAt ?? after.endedAt) : null;
    if (standing && (from !== null || after.status === 'running')) {
      const until = from ?? after.at;
      entry(standing.part).stoodMs += until - standing.from;
      standing = null;
    }
    const part = after.queue[after.index];
    if (from !== null && part) standing = { part, from };
  };
  for (const event of once(events)) {
    const reached = advance(state, event.at, pass);
    stand(reached);
    const after = apply(reached, event);
    stand(after);
    state = after;
  }
  stand(advance(state, now, pass));
  return [...byKey.values()];
}
