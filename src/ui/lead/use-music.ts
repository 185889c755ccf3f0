import { type RefObject, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { z } from 'zod';
import type { CuePlayer } from '@/browser/cue-player';
import { musicUrl } from '@/browser/hear';
import { MusicPlayer } from '@/browser/music-player';
import { remember } from '@/browser/remember';
import { musicIdSchema, type PieceOfMusic, USUAL_UNDER_DB } from '@/core/music';
import { musicNow, musicThroughout, type Playback } from '@/core/run';
import type { Score } from '@/core/score';
import { furtherUnder, type Sounds } from '@/core/speech';
import { piecesWanted } from '@/core/take-away';
import { useNextPress } from '../kit/playing/use-next-press';

const VOLUME_KEY = 'upbeat-music-volume';
/** What is played: as the class has it, nothing, or one piece throughout. */
const choiceSchema = z.union([z.enum(['planned', 'none']), musicIdSchema]).catch('planned');
export type MusicChoice = z.infer<typeof choiceSchema>;

/** The music under the class on this device. */
export interface MusicDesk {
  pieces: readonly PieceOfMusic[];
  /** Whether the class has music of its own. */
  planned: boolean;
  choice: MusicChoice;
  choose: (choice: MusicChoice) => void;
  volume: number;
  setVolume: (volume: number) => void;
  /** How many pieces the class plays that the studio has no more. */
  gone: number;
  /** What is wanted cannot be played now. */
  silent: boolean;
}

export interface MusicToPlay {
  pieces: readonly PieceOfMusic[];
  /** What this session's choice is kept under. */
  keptAs: string;
  player: RefObject<CuePlayer | null>;
  score: Score;
  state: Playback;
  sounds: Sounds;
  /** Only the device that leads is heard. */
  audible: boolean;
}

/** Lets the music of a class be heard under its cues. */
export function useMusic(of: MusicToPlay): MusicDesk {
  const { pieces, keptAs, player, score, state, sounds, audible } = of;
  const [choice, setChoice] = useState<MusicChoice>('planned');
  const [volume, setVolumeOnly] = useState(1);
  const [silent, setSilent] = useState(false);
  const music = useRef<MusicPlayer | null>(null);
  const underDb = score.music?.underDb ?? USUAL_UNDER_DB;

  const wanted = useMemo(() => {
    if (choice === 'planned') return score.music;
    return musicThroughout(choice === 'none' ? [] : [choice], { underDb });
  }, [choice, score.music, underDb]);

  useEffect(() => {
    const speaking = player.current;
    if (!speaking) return;
    const made = new MusicPlayer(speaking.mixer, musicUrl);
    music.current = made;
    speaking.onSpoken = (spoken) => made.duck(spoken);
    made.onSilent = setSilent;
    setChoice(choiceSchema.parse(sessionStorage.getItem(keptAs) ?? 'planned'));
    const kept = Number(localStorage.getItem(VOLUME_KEY) ?? 1);
    made.volume = Number.isFinite(kept) ? kept : 1;
    setVolumeOnly(made.volume);
    return () => made.close();
  }, [player, keptAs]);

  useEffect(() => {
    if (!music.current) return;
    music.current.pieces = pieces;
    music.current.underDb = underDb + furtherUnder(sounds);
    music.current.fetchAll(piecesWanted(wanted).filter((id) => pieces.some((p) => p.id === id)));
  }, [pieces, underDb, wanted, sounds]);

  useEffect(() => {
    music.current?.follow(audible ? musicNow(state, wanted) : null);
  }, [state, wanted, audible]);

  const plays = piecesWanted(wanted).length > 0;
  useNextPress(audible && plays, () => music.current?.unlock());

  const choose = useCallback(
    (next: MusicChoice) => {
      remember(sessionStorage, keptAs, next);
      setChoice(next);
    },
    [keptAs],
  );
  const setVolume = useCallback((value: number) => {
    if (music.current) music.current.volume = value;
    remember(localStorage, VOLUME_KEY, String(value));
    setVolumeOnly(value);
  }, []);
  const planned = piecesWanted(score.music);
  const gone = planned.filter((id) => !pieces.some((piece) => piece.id === id)).length;
  return useMemo(
    () => ({
      pieces,
      planned: planned.length > 0,
      choice,
      choose,
      volume,
      setVolume,
      gone,
      silent,
    }),
    [pieces, planned.length, choice, choose, volume, setVolume, gone, silent],
  );
}
