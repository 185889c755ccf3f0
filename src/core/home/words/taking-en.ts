import type { TakeWords } from './words';

/** What every page in English says of a file that it fetches. */
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
