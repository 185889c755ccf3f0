'use client';

import { useEffect, useRef, useState } from 'react';
import { CuePlayer } from '@/browser/cue-player';
import { DeviceVoice } from '@/browser/device-voice';
import { FOLLOW_PATHS } from '@/browser/follow/line';
import type { FollowSettings } from '@/browser/follow/settings';
import type { RunClock } from '@/browser/server-clock';
import type { MyCue, Personal } from '@/core/follow';
import { beatsAhead, cuesAhead, cuesOfStep, type Playback } from '@/core/run';
import type { Utterance } from '@/core/speech';
import { useNextPress } from '../kit/playing/use-next-press';

const AHEAD_MS = 8000;
const STEPS_AHEAD = 5;

export function followedSpeechUrl({ text, language, wordsPerMinute }: Utterance): string {
  const query = new URLSearchParams({ text, language, rate: String(wordsPerMinute) });
  return `${FOLLOW_PATHS.speech}?${query}`;
}

export interface Heard {
  personal: Personal;
  state: Playback;
  bends: number;
  clock: RunClock;
  wordsPerMinute: number;
  settings: Pick<FollowSettings, 'voice' | 'volume'>;
  /** How fast the class runs, where somebody does it alone; 1 as it was led. */
  tempo?: number;
}

/** Lets a follower hear the class on their own device. @returns whether nothing is heard until something is pressed */
export function useSound(of: Heard): boolean {
  const { personal, state, bends, clock, wordsPerMinute, settings, tempo = 1 } = of;
  const { voice, volume } = settings;
  const player = useRef<CuePlayer | null>(null);
  const [blocked, setBlocked] = useState(false);
  const heard = useRef('');

  useEffect(() => {
    if (voice === 'off') return;
    const made = new CuePlayer(wordsPerMinute, followedSpeechUrl);
    made.hurries = true;
    made.device = voice === 'device' ? new DeviceVoice() : null;
    player.current = made;
    void made.unlock();
    return () => {
      made.close();
      player.current = null;
    };
  }, [voice, wordsPerMinute]);

  useEffect(() => {
    if (!player.current) return;
    player.current.mixer.volume = volume;
    if (voice === 'class') player.current.fetchAll(personal.groups.flat().filter(isSaid));
  }, [voice, volume, personal]);

  useEffect(() => {
    const speaking = player.current;
    if (!speaking) return;
    const running = state.status === 'running';
    setBlocked(running && speaking.mixer.blocked);
    const since = `${bends} ${voice} ${tempo}`;
    if (heard.current !== since || !running) {
      speaking.silence();
      heard.current = since;
    }
    if (!running) return;
    // What is due is put on the device's even clock, which the audio runs by.
    const [now, device] = [clock.now(), clock.deviceNow()];
    const onDevice = <T extends { at: number }>(due: T): T => ({
      ...due,
      at: device + (due.at - now) / tempo,
    });
    const mine = personal.heard(state);
    const cues = cuesAhead(mine, personal.groups, AHEAD_MS).filter(({ cue }) => isSaid(cue));
    const beats = beatsAhead(mine, AHEAD_MS);
    speaking.follow(cues.map(onDevice), beats.map(onDevice), () => clock.deviceNow());
    const { queue, index } = mine;
    const soon = queue.slice(index, index + STEPS_AHEAD);
    if (voice === 'class') {
      speaking.fetchAhead(soon.flatMap((p) => cuesOfStep(p, personal.groups)).filter(isSaid));
    }
  }, [state, personal, bends, clock, voice, tempo]);

  useNextPress(blocked, async () => {
    await player.current?.unlock();
    setBlocked(player.current?.mixer.blocked ?? false);
  });
  return blocked;
}

const isSaid = (cue: MyCue): boolean => !cue.quiet;
