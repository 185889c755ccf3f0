import type { LetterWords } from './words';

export const english: LetterWords = {
  hello: (name) => `Hello ${name},`,
  calledOff: { subject: 'does not take place', first: 'this does not take place:' },
  movedUp: {
    subject: 'there is room for you',
    first: 'there is room for you now:',
    word: 'If you cannot come, say so, and somebody else can.',
  },
  waits: 'No room yet: you move up when somebody cannot come.',
};
