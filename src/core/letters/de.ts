import type { LetterWords } from './words';

export const german: LetterWords = {
  hello: (name) => `Hallo ${name},`,
  calledOff: { subject: 'fällt aus', first: 'das findet nicht statt:' },
  movedUp: {
    subject: 'es ist Platz für dich',
    first: 'jetzt ist Platz für dich:',
    word: 'Wenn du nicht kommen kannst, sag Bescheid, dann kann jemand anderes kommen.',
  },
  waits: 'Noch kein Platz: du rückst nach, wenn jemand nicht kommen kann.',
};
