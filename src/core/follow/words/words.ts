import type { Caution, Kit, Variant } from '../../move';
import type { Side, StepKind } from '../../score';
import type { FollowNews } from '../document';

export type BendName = FollowNews['events'][number]['type'];

/** What is said where a form has no answer of the application's own. */
export interface ActWords {
  /** The application is another one by now. */
  updated: string;
  openAnew: string;
  copyFirst: string;
  fault: string;
  tryAgain: string;
  away: string;
  perhapsDone: string;
  /** What was typed is still there. */
  stays: string;
}

/**
 * What is said before somebody comes in, and where classes on a device stand. Sentences alone, since the server sends
 * them with the page; what is in braces is put in.
 */
export interface DoorWords {
  /** Of a name or a code that was sent. */
  acts: ActWords;
  title: string;
  shown: string;
  code: string;
  codeHelp: string;
  typeIt: string;
  noCode: string;
  go: string;
  planned: string;
  shut: string;
  name: string;
  nameHelp: string;
  longName: string;
  comeIn: string;
  nowhere: string;
  typeAnother: string;
  /** Shown with every class: what it is not, when to stop, and whom to ask. */
  care: string;
  onDevice: string;
  noneOnDevice: string;
  followed: string;
  doIt: string;
  remove: string;
  followNow: string;
  notCounted: string;
}

/** All that the follow screen says by itself, in one language. A language is a file. */
export interface FollowWords {
  doing: Record<StepKind, string>;
  side: Record<Side, string>;
  variant: Record<Variant, string>;
  /** In a pause, to whoever holds something, and to whoever breathes by the line. */
  letGo: string;
  freely: string;
  /** When the class ends and how long that is, on the screen that a hall sees; with what is in braces. */
  ends: string;
  toGo: string;
  onPhone: string;
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
  /** With `{kit}`. */
  haveReady: string;
  kit: Record<Kit, string>;
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
  /** Of a question that was written and not sent. */
  unsent: { says: string; goOn: string; lose: string };
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
  home: { play: string; pause: string; again: string; slow: string; back: string; strong: string };
  practice: {
    counted: (minutes: number) => string;
    waits: (minutes: number) => string;
    refused: (why: string) => string;
    page: string;
  };
  door: DoorWords;
  /** What somebody is refused there, by the code of the refusal; what is not here is told in English. */
  refused: Readonly<Partial<Record<string, string>>>;
}
