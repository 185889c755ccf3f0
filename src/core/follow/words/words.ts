import type { Caution, Variant } from '../../move';
import type { Side, StepKind } from '../../score';
import type { FollowNews } from '../document';

export type BendName = FollowNews['events'][number]['type'];

/** All that the follow screen says by itself, in one language. A language is a file. */
export interface FollowWords {
  doing: Record<StepKind, string>;
  side: Record<Side, string>;
  variant: Record<Variant, string>;
  bend: Partial<Record<BendName, string>>;
  caution: Record<Caution, string>;
  round: (round: number, of: number) => string;
  of: (seconds: number) => string;
  afterwards: (doing: string, seconds: number) => string;
  next: string;
  now: string;
  paused: string;
  begins: string;
  settle: string;
  thanks: (name: string) => string;
  over: string;
  opening: string;
  questions: string;
  breath: { in: string; hold: string; out: string; pause: string };

  easierForMe: string;
  more: string;
  close: string;
  cautionsTitle: string;
  cautionsHelp: string;
  cautionsCare: string;
  leaveOut: string;
  forTheOthers: (move: string) => string;
  easier: string;
  because: (caution: string) => string;
  feather: string;
  checkOil: string;
  handsFree: string;

  moreTitle: string;
  hear: string;
  voices: Record<'off' | 'class' | 'device', string>;
  volume: string;
  slower: string;
  vibrate: string;
  larger: string;
  facing: string;
  ask: string;
  askHelp: string;
  question: string;
  withName: string;
  send: string;
  sent: string;
  leave: string;
  sureToLeave: string;
  stay: string;
  step: string;

  offline: string;
  gone: string;
  again: string;
  finding: string;
  silent: string;
  sleeps: string;
  takeHome: string;
  home: { play: string; pause: string; again: string; slow: string; back: string };
  practice: {
    counted: (minutes: number) => string;
    waits: (minutes: number) => string;
    refused: (why: string) => string;
    page: string;
  };
}
