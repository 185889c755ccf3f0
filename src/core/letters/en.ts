import type { LetterWords } from './words';

export const english: LetterWords = {
  hello: (name) => `Hello ${name},`,
  calledOff: { subject: 'does not take place', first: 'this does not take place:' },
  onAgain: { subject: 'takes place after all', first: 'this takes place after all:' },
  changed: {
    subject: 'a session has changed',
    first: 'this has changed:',
    was: 'until now',
    now: 'from now on',
  },
  away: {
    subject: 'a session is at another time',
    first: 'you cannot come to this, and it is at another time now:',
    word: 'If you can come then, say so.',
  },
  movedUp: {
    subject: 'there is room for you',
    first: 'there is room for you now:',
    word: 'If you cannot come, say so, and somebody else can.',
  },
  movedDown: {
    subject: 'there is no room for you any more',
    first: 'there is no room for you any more:',
    word: 'You move up when somebody cannot come, and are told.',
  },
  waits: 'No room yet: you move up when somebody cannot come.',
};
