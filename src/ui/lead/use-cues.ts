import { dequal } from 'dequal';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { CuePlayer, type Sound } from '@/browser/cue-player';
import type { MeasuredVoice } from '@/browser/device-lengths';
import { speechUrl } from '@/browser/hear';
import { type CheckedSound, MOST_LATE_MS } from '@/browser/mixer';
import { remember } from '@/browser/remember';
import type { ServerClock } from '@/browser/server-clock';
import type { Language } from '@/core/language';
import type { PieceOfMusic } from '@/core/music';
import { beatsAhead, cuesAhead, cuesOfStep, type Playback } from '@/core/run';
import type { Cue, Score } from '@/core/score';
import type { SaidWord, SpeechChoice } from '@/core/speech';
import { useDeviceVoice } from '../kit/playing/use-device-voice';
import { useNextPress } from '../kit/playing/use-next-press';
import { type MusicDesk, useMusic } from './use-music';

const SCHEDULE_AHEAD_MS = 8_000;
const FETCH_AHEAD = 24;
const STEPS_AHEAD = 5;
const VOLUME_KEY = 'upbeat-volume';
const LATE_KEY = 'upbeat-loudspeaker-late';
const REFERENCE_RATE = 150;
const SLOWEST_RATE = 80;

/** The sound of this device: what it plays with, how loud, and whether it is heard at all. */
export interface SoundDesk {
  sound: Sound;
  /** Nothing is heard until something is pressed: the browser or the device keeps the sound off. */
  blocked: boolean;
  volume: number;
  setVolume: (volume: number) => void;
  /** How late the loudspeaker is, in ms; null as the device says. */
  late: number | null;
  setLate: (ms: number | null) => void;
  /** The voice is silent, the counts and tones go on. */
  muted: boolean;
  setMuted: (muted: boolean) => void;
  music: MusicDesk;
  choice: SpeechChoice;
  setChoice: (choice: SpeechChoice) => void;
  /** The languages that are said in the class. */
  spokenIn: readonly Language[];
  /** Words a minute. */
  rate: number;
  /** Where no slower rate will do: what was measured must fit its time. */
  leastRate: number;
  setRate: (wordsPerMinute: number) => void;
  /** To be called from a click or a key press before the first cue. */
  unlock: () => Promise<void>;
  /** The voices of this device that speak; null where none does. */
  device: MeasuredVoice | null;
  /** Measures the class again, as it is. */
  measureAgain: () => void;
  /** Makes the class ready again that was changed since: at its own rate, unless another one was asked for. */
  takeUp: () => void;
  check: () => Promise<CheckedSound>;
}

export interface SpeechSettings {
  initialChoice: SpeechChoice;
  /** How the studio's words are said by a voice of this device. */
  words: readonly SaidWord[];
  /** Measures the class again in the voice as it is now; nothing once the class has begun. */
  prepare: (wordsPerMinute?: number, choice?: SpeechChoice) => void;
}

export interface CuesToHear {
  score: Score;
  groups: readonly (readonly Cue[])[];
  state: Playback;
  /** How many bends there have been; with each of them what is scheduled may have moved. */
  bends: number;
  clock: ServerClock;
  /** Only the device that leads is heard. */
  audible: boolean;
  speech: SpeechSettings;
  /** What can be played under the class, and where this session's choice is kept. */
  music: { pieces: readonly PieceOfMusic[]; keptAs: string };
}

/** Lets the cues of a run be heard at their time, whatever the teacher does to it. */
export function useCues(of: CuesToHear): SoundDesk {
  const { score, groups, state, bends, clock, audible } = of;
  const { initialChoice, words, prepare } = of.speech;
  const [sound, setSound] = useState<Sound>('rendered');
  const [blocked, setBlocked] = useState(false);
  const [volume, setVolumeOnly] = useState(1);
  const [late, setLateOnly] = useState<number | null>(null);
  const [choice, setChoiceOnly] = useState(initialChoice);
  /** The rate that was asked for; a score that was underway meanwhile has another. */
  const [chosenRate, setChosenRate] = useState<number | null>(null);
  const rate = chosenRate ?? score.wordsPerMinute;
  const [muted, setMutedOnly] = useState(initialChoice.speaksSelf);
  const startsMuted = useRef(muted);
  const player = useRef<CuePlayer | null>(null);
  const heard = useRef(bends);

  useEffect(() => {
    const made = new CuePlayer(REFERENCE_RATE, speechUrl, setSound);
    player.current = made;
    const kept = Number(localStorage.getItem(VOLUME_KEY) ?? 1);
    made.mixer.volume = Number.isFinite(kept) ? kept : 1;
    setVolumeOnly(made.mixer.volume);
    made.mixer.late = keptLate();
    setLateOnly(made.mixer.late);
    made.mixer.muted = startsMuted.current;
    return () => made.close();
  }, []);

  const music = useMusic({ ...of.music, player, score, state, audible, sounds: choice.sounds });

  useEffect(() => {
    if (player.current) player.current.besides = choice.sounds;
  }, [choice.sounds]);

  const device = useDeviceVoice(choice.deviceVoices, words);
  useEffect(() => {
    if (player.current) player.current.device = device?.voice ?? null;
  }, [device]);

  useEffect(() => {
    if (!player.current) return;
    player.current.wordsPerMinute = score.wordsPerMinute;
    // Planned for a voice that may not speak after all.
    player.current.hurries = score.talkingFactor < 1 || score.deviceVoices !== undefined;
    player.current.recorded = new Set(score.recorded);
    player.current.fetchAhead(score.cues.slice(0, FETCH_AHEAD));
    player.current.fetchAll(groups.flat());
  }, [score, groups]);

  useEffect(() => {
    const speaking = player.current;
    if (!speaking) return;
    const running = state.status === 'running' && audible;
    setBlocked(running && speaking.mixer.blocked);
    if (heard.current !== bends || !running) {
      speaking.silence();
      heard.current = bends;
    }
    if (running) {
      speaking.follow(
        cuesAhead(state, groups, SCHEDULE_AHEAD_MS),
        beatsAhead(state, SCHEDULE_AHEAD_MS, choice.sounds.bells),
        () => clock.now(),
      );
    }
  }, [state, groups, bends, clock, audible, choice.sounds.bells]);

  useNextPress(blocked, async () => {
    await player.current?.unlock();
    setBlocked(player.current?.mixer.blocked ?? false);
  });

  const { queue, index } = state;
  useEffect(() => {
    const soon = queue.slice(index, index + STEPS_AHEAD);
    player.current?.fetchAhead(soon.flatMap((p) => cuesOfStep(p, groups)));
  }, [queue, index, groups]);

  const setVolume = useCallback((value: number) => {
    if (player.current) player.current.mixer.volume = value;
    remember(localStorage, VOLUME_KEY, String(value));
    setVolumeOnly(value);
  }, []);
  const setLate = useCallback((ms: number | null) => {
    if (player.current) player.current.mixer.late = ms;
    remember(localStorage, LATE_KEY, ms === null ? '' : String(ms));
    setLateOnly(ms);
  }, []);
  const setMuted = useCallback((value: boolean) => {
    if (player.current) player.current.mixer.muted = value;
    setMutedOnly(value);
  }, []);
  const begun = state.status !== 'ready';
  const spokenIn = useMemo(() => [...new Set(score.cues.map((cue) => cue.language))], [score]);
  const setChoice = useCallback(
    (next: SpeechChoice) => {
      if (next.speaksSelf !== choice.speaksSelf) setMuted(next.speaksSelf);
      setChoiceOnly(next);
      // Who speaks is as it was; only what is heard besides words is another.
      if (dequal({ ...next, sounds: null }, { ...choice, sounds: null })) return;
      player.current?.changeVoice();
      if (!begun) prepare(rate, next);
    },
    [begun, choice, setMuted, prepare, rate],
  );
  const setRate = useCallback(
    (wordsPerMinute: number) => {
      setChosenRate(wordsPerMinute);
      if (!begun) prepare(wordsPerMinute);
      else if (player.current) player.current.wordsPerMinute = wordsPerMinute;
    },
    [begun, prepare],
  );
  const measureAgain = useCallback(() => prepare(rate), [prepare, rate]);
  const takeUp = useCallback(() => prepare(chosenRate ?? undefined), [prepare, chosenRate]);
  const unlock = useCallback(async () => await player.current?.unlock(), []);
  const check = useCallback(async () => (await player.current?.mixer.check()) ?? 'blocked', []);

  return useStable<SoundDesk>({
    sound,
    blocked,
    volume,
    setVolume,
    late,
    setLate,
    muted,
    setMuted,
    music,
    choice,
    setChoice,
    spokenIn,
    rate,
    leastRate: begun ? score.wordsPerMinute : SLOWEST_RATE,
    setRate,
    unlock,
    device,
    measureAgain,
    takeUp,
    check,
  });
}

function keptLate(): number | null {
  const kept = localStorage.getItem(LATE_KEY);
  const ms = Number(kept);
  return kept && ms >= 0 && ms <= MOST_LATE_MS ? ms : null;
}

/** The same object as long as nothing in it changes. */
function useStable<T extends object>(next: T): T {
  const kept = useRef(next);
  const same = Object.entries(next).every(([k, v]) => kept.current[k as keyof T] === v);
  if (!same) kept.current = next;
  return kept.current;
}
