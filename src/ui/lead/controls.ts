import {
  CheckCheck,
  ChevronsRight,
  FastForward,
  Feather,
  Flag,
  type LucideIcon,
  Minus,
  Pause,
  Play,
  Plus,
  Repeat,
  Rewind,
  Scissors,
  SkipBack,
  Timer,
} from 'lucide-react';
import { inWholeUnits, MOST_ROUNDS, moreOf, type PlayStep, type RunEventType } from '@/core/run';
import type { Happening } from './use-log';

/** Something a teacher can do to a running class: one button, one key. */
export interface Control {
  label: string;
  /** What stands on the button. */
  keyName: string;
  /** As the browser names them; the last ones are those of a presenter's remote. */
  keys: readonly string[];
  icon: LucideIcon;
  /** In the first row, within reach of a thumb. */
  large?: boolean;
  strong?: boolean;
  act: () => void;
}

/** Remotes that make a wall black send B or a full stop for it. */
const PAUSES = [' ', 'b', 'B', '.', 'MediaPlayPause'];
const EXTENSION_MS = 10_000;
export const REST_STEP_MS = 5_000;
const MORE_COUNTS = 5;

const NO_MORE_ROUNDS = `${MOST_ROUNDS} rounds of one move are the most. Press the ribbon to go back to it.`;

export interface Hands {
  add: (what: Happening) => void;
  paused: boolean;
  /** What becomes longer where something is to. */
  grows: PlayStep | undefined;
  /** The move in work has as many rounds as it may have. */
  full: boolean;
  /** Tells the teacher why nothing happens. */
  tell: (sentence: string) => void;
  catchUp: () => void;
  end: () => void;
}

export function controlsOf({ add, paused, grows, full, tell, catchUp, end }: Hands): Control[] {
  const longerMs = grows ? inWholeUnits(grows, EXTENSION_MS) : EXTENSION_MS;
  const more = grows && moreOf(grows, MORE_COUNTS);
  const longer = (ms: number) => () => add({ type: 'extended', ms });
  const plain = (
    type: 'again' | 'back' | 'next' | 'roundAdded' | 'skipped' | 'eased' | 'closing',
  ) => {
    return () => add({ type });
  };
  return [
    paused
      ? {
          label: 'Go on',
          keyName: 'Space',
          keys: PAUSES,
          icon: Play,
          large: true,
          strong: true,
          act: () => add({ type: 'resumed' }),
        }
      : {
          label: 'Pause',
          keyName: 'Space',
          keys: PAUSES,
          icon: Pause,
          large: true,
          strong: true,
          act: () => add({ type: 'paused' }),
        },
    {
      label: 'Again from the upbeat',
      keyName: 'A',
      keys: ['a', 'A'],
      icon: Rewind,
      large: true,
      act: plain('again'),
    },
    {
      label: 'Back',
      keyName: '←',
      keys: ['ArrowLeft', 'PageUp', 'MediaTrackPrevious'],
      icon: SkipBack,
      large: true,
      act: plain('back'),
    },
    {
      label: 'Next',
      keyName: '→',
      keys: ['ArrowRight', 'PageDown', 'MediaTrackNext'],
      icon: FastForward,
      large: true,
      act: plain('next'),
    },
    {
      label: `${Math.round(longerMs / 1000)} s longer`,
      keyName: '+',
      keys: ['+', '='],
      icon: Plus,
      large: true,
      act: longer(longerMs),
    },
    {
      label: `${more?.n ?? MORE_COUNTS} ${more?.of ?? 'counts'} more`,
      keyName: 'C',
      keys: ['c', 'C'],
      icon: Timer,
      large: true,
      act: longer(more?.ms ?? EXTENSION_MS),
    },
    {
      label: 'One more round',
      keyName: 'R',
      keys: ['r', 'R'],
      icon: Repeat,
      large: true,
      act: full ? () => tell(NO_MORE_ROUNDS) : plain('roundAdded'),
    },
    {
      label: 'Easier for all',
      keyName: 'G',
      keys: ['g', 'G'],
      icon: Feather,
      act: plain('eased'),
    },
    {
      label: 'Shorter rest',
      keyName: ',',
      keys: [','],
      icon: Minus,
      act: () => add({ type: 'restChanged', ms: -REST_STEP_MS }),
    },
    {
      label: 'Longer rest',
      keyName: ';',
      keys: [';'],
      icon: Plus,
      act: () => add({ type: 'restChanged', ms: REST_STEP_MS }),
    },
    {
      label: 'Skip the block',
      keyName: 'S',
      keys: ['s', 'S'],
      icon: ChevronsRight,
      act: plain('skipped'),
    },
    { label: 'Catch up', keyName: 'T', keys: ['t', 'T'], icon: Scissors, act: catchUp },
    {
      label: 'To the close',
      keyName: 'W',
      keys: ['w', 'W'],
      icon: CheckCheck,
      act: plain('closing'),
    },
    { label: 'End class', keyName: 'E', keys: ['e', 'E'], icon: Flag, act: end },
  ];
}

/** What a bend is called when it can be taken back. */
export const BEND_NAMES: Partial<Record<RunEventType, string>> = {
  paused: 'Paused',
  resumed: 'Gone on',
  extended: 'Made longer',
  restChanged: 'Rest changed',
  roundAdded: 'One more round',
  again: 'Again from the upbeat',
  back: 'Back',
  next: 'Next',
  skipped: 'Block skipped',
  eased: 'Easier for all',
  jumped: 'Jumped',
  trimmed: 'Trimmed',
  closing: 'To the close',
};
