import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { ask, isExpected } from '@/browser/api';
import { CuePlayer } from '@/browser/cue-player';
import { musicUrl, speechUrl } from '@/browser/hear';
import { MusicPlayer } from '@/browser/music-player';
import { CALLS } from '@/core/calls';
import { USUAL_UNDER_DB } from '@/core/music';
import { type DueBeat, type DueCue, tonesOf } from '@/core/run';
import { type Score, samePlace } from '@/core/score';
import type { DeviceSays, DeviceVoices, SaidWord } from '@/core/speech';
import { musicAt } from '@/core/take-away';
import { useDeviceVoice } from '../kit/playing/use-device-voice';

export const SPEEDS = [1, 2, 8] as const;
export type Speed = (typeof SPEEDS)[number];
/** Faster than this a voice cannot be understood, so that only marks are heard. */
const FASTEST_VOICE = 2;
const NONE: DeviceVoices = {};
const NO_WORDS: SaidWord[] = [];
const TICK_MS = 200;
const AHEAD_MS = 3000;

export interface Rehearsal {
  /** The bar is shown, playing or not. */
  on: boolean;
  playing: boolean;
  /** Where the rehearsal stands, in ms from the start of the class. */
  atMs: number;
  speed: Speed;
  voice: boolean;
  begin: (atMs?: number) => void;
  end: () => void;
  /** Other words or another voice are heard from now on. */
  voiceChanged: () => void;
  play: () => void;
  pause: () => void;
  jump: (atMs: number) => void;
  setSpeed: (speed: Speed) => void;
  setVoice: (voice: boolean) => void;
}

/** What is to be heard from a time on, at a speed: cues by voice, or a mark where each step begins. */
function due(
  score: Score,
  { atMs, now, speed, voice }: { atMs: number; now: number; speed: Speed; voice: boolean },
) {
  const until = atMs + AHEAD_MS * speed;
  const when = (ms: number) => now + (ms - atMs) / speed;
  const cues: DueCue[] = voice
    ? score.cues
        .filter((c) => c.startMs >= atMs && c.startMs < until)
        .map((cue) => ({
          key: cue.id,
          cue,
          at: when(cue.startMs),
          phase: score.steps[cue.step]?.phase ?? 'work',
        }))
    : [];
  const marks: DueBeat[] = voice
    ? score.steps.flatMap((s) =>
        [...tonesOf(s, s.durationMs)]
          .map(({ at, of }) => ({ ms: s.startMs + at, of }))
          .filter(({ ms }) => ms >= atMs && ms < until)
          .map(({ ms, of }) => ({ key: `${s.id}~${ms}`, at: when(ms), of })),
      )
    : score.steps
        .filter((s) => s.startMs >= atMs && s.startMs < until)
        .map((s) => ({ key: s.id, at: when(s.startMs), of: 'beat' }));
  return { cues, marks };
}

/** What plays the music under a voice. */
function musicUnder(speaking: CuePlayer): MusicPlayer {
  const made = new MusicPlayer(speaking.mixer, musicUrl);
  speaking.onSpoken = (spoken) => made.duck(spoken);
  return made;
}

/** Asks what music there is now; where the studio cannot be asked, the class is rehearsed without. */
async function know(music: MusicPlayer): Promise<void> {
  try {
    music.pieces = (await ask(CALLS.listMusic)).pieces;
  } catch (problem) {
    if (!isExpected(problem)) throw problem;
  }
}

/** Plays a class while it is put together: anywhere, at another speed, and on while it is edited. */
export function useRehearsal(score: Score, onDevice: DeviceSays | null): Rehearsal {
  const device = useDeviceVoice(onDevice?.voices ?? NONE, onDevice?.words ?? NO_WORDS);
  const [on, setOn] = useState(false);
  const [playing, setPlaying] = useState(false);
  const [atMs, setAtMs] = useState(0);
  const [speed, setSpeedOnly] = useState<Speed>(1);
  const [voice, setVoice] = useState(true);
  const player = useRef<CuePlayer | null>(null);
  const music = useRef<MusicPlayer | null>(null);
  const position = useRef(0);
  const shown = useRef(score);

  const stand = useCallback((ms: number) => {
    position.current = ms;
    setAtMs(ms);
    player.current?.silence();
  }, []);

  // An edit leaves the rehearsal at the same place of the class, whatever it did to the time.
  useEffect(() => {
    if (shown.current === score) return;
    const moved = samePlace(shown.current, score, position.current);
    shown.current = score;
    stand(Math.min(moved, score.totalMs));
  }, [score, stand]);

  useEffect(() => {
    if (!playing) return;
    player.current ??= new CuePlayer(score.wordsPerMinute, speechUrl);
    const speaking = player.current;
    music.current ??= musicUnder(speaking);
    const under = music.current;
    under.underDb = score.music?.underDb ?? USUAL_UNDER_DB;
    speaking.wordsPerMinute = score.wordsPerMinute;
    speaking.speed = speed;
    speaking.device = device?.voice ?? null;
    speaking.recorded = new Set(onDevice?.recorded);
    // Planned for a voice that this device may not have.
    speaking.hurries = onDevice !== null;
    speaking.silence();
    let last = Date.now();
    const tick = () => {
      const now = Date.now();
      position.current = Math.min(score.totalMs, position.current + (now - last) * speed);
      last = now;
      setAtMs(position.current);
      const { cues, marks } = due(score, {
        atMs: position.current,
        now,
        speed,
        voice: voice && speed <= FASTEST_VOICE,
      });
      speaking.follow(cues, marks, Date.now);
      under.follow(voice && speed === 1 ? musicAt(score, position.current) : null);
      if (position.current >= score.totalMs) setPlaying(false);
    };
    tick();
    const timer = setInterval(tick, TICK_MS);
    return () => {
      clearInterval(timer);
      speaking.silence();
    };
  }, [playing, score, speed, voice, device, onDevice]);

  // An edit does not begin the music anew.
  useEffect(() => {
    if (!playing) music.current?.rest();
  }, [playing]);

  useEffect(
    () => () => {
      music.current?.close();
      player.current?.close();
    },
    [],
  );

  const play = useCallback(() => {
    player.current ??= new CuePlayer(shown.current.wordsPerMinute, speechUrl);
    void player.current.unlock();
    music.current ??= musicUnder(player.current);
    if (shown.current.music) {
      music.current.unlock();
      void know(music.current);
    }
    if (position.current >= shown.current.totalMs) stand(0);
    setPlaying(true);
  }, [stand]);

  return useMemo(
    () => ({
      on,
      playing,
      atMs,
      speed,
      voice,
      begin: (from) => {
        if (from !== undefined) stand(from);
        setOn(true);
        play();
      },
      voiceChanged: () => player.current?.changeVoice(),
      end: () => {
        setPlaying(false);
        setOn(false);
      },
      play,
      pause: () => setPlaying(false),
      jump: stand,
      setSpeed: setSpeedOnly,
      setVoice,
    }),
    [on, playing, atMs, speed, voice, play, stand],
  );
}
