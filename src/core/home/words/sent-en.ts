import type { ActWords, TakeWords } from './words';

/** What every page in English says of what it sends. */
export const ACTS: ActWords = {
  updated: 'Up Beat was updated since this page was opened.',
  copyFirst: 'Copy it first.',
  openAnew: 'Open it anew.',
  fault: 'Something went wrong on the server, whose log says why.',
  tryAgain: 'Try again.',
  away: 'The server does not answer.',
  perhapsDone: 'Try again in a moment; where only its answer was lost, it may be done already.',
  stays: 'What you typed stays here.',
};

/** And of what it fetches. */
export const TAKING: TakeWords = {
  stop: 'Stop',
  making: 'Being made',
  next: 'Waits for its turn: it is next',
  one: 'Waits for its turn: one is before it',
  more: 'Waits for its turn: {n} are before it',
  saving: 'Being saved',
  howFar: 'How far it is',
  away: 'Nothing was saved. The server does not answer. Try again in a moment.',
};
