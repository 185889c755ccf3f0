import type { ActWords } from './words';

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
