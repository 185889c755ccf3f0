import { useEffect, useMemo, useRef, useState } from 'react';
import { CuePlayer, type Sound } from '@/browser/cue-player';
import { beatsAhead, cuesAhead, cuesByStep, type Playback } from '@/core/run';
import type { Cue, Score } from '@/core/score';

const SCHEDULE_AHEAD_MS = 6_000;
const FETCH_AHEAD = 24;

export interface Cues {
  groups: readonly (readonly Cue[])[];
  sound: Sound;
  /** To be called from a click or a key press before the first cue. */
  unlock: () => Promise<void>;
}

/** Lets the cues of a run be heard at their time, whatever the teacher does to it. */
export function useCues(score: Score, state: Playback, bends: number): Cues {
  const groups = useMemo(() => cuesByStep(score), [score]);
  const [sound, setSound] = useState<Sound>('rendered');
  const player = useRef<CuePlayer | null>(null);
  const heard = useRef(bends);

  useEffect(() => {
    const made = new CuePlayer(score.wordsPerMinute, setSound);
    player.current = made;
    made.fetchAhead(score.cues.slice(0, FETCH_AHEAD));
    return () => made.close();
  }, [score]);

  useEffect(() => {
    const speaking = player.current;
    if (!speaking) return;
    if (heard.current !== bends || state.status !== 'running') {
      speaking.silence();
      heard.current = bends;
    }
    if (state.status === 'running') {
      speaking.follow(
        cuesAhead(state, groups, SCHEDULE_AHEAD_MS),
        beatsAhead(state, SCHEDULE_AHEAD_MS),
        state.at,
      );
      const from = state.queue[state.index]?.planned ?? 0;
      speaking.fetchAhead(groups.slice(from, from + 4).flat());
    }
  }, [state, groups, bends]);

  return { groups, sound, unlock: async () => player.current?.unlock() };
}
