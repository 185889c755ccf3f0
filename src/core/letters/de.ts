import type { LetterWords } from './words';

export const german: LetterWords = {
  hello: (name) => `Hallo ${name},`,
  calledOff: { subject: 'fällt aus', first: 'das findet nicht statt:' },
  onAgain: { subject: 'findet doch statt', first: 'das findet doch statt:' },
  changed: {
    subject: 'ein Termin hat sich geändert',
    first: 'das hat sich geändert:',
    was: 'bisher',
    now: 'jetzt',
  },
  away: {
    subject: 'ein Termin liegt jetzt anders',
    first: 'dazu kannst du nicht kommen, und jetzt liegt es anders:',
    word: 'Wenn du dann kommen kannst, sag Bescheid.',
  },
  movedUp: {
    subject: 'es ist Platz für dich',
    first: 'jetzt ist Platz für dich:',
    word: 'Wenn du nicht kommen kannst, sag Bescheid, dann kann jemand anderes kommen.',
  },
  movedDown: {
    subject: 'es ist kein Platz mehr für dich',
    first: 'hier ist kein Platz mehr für dich:',
    word: 'Du rückst nach, wenn jemand nicht kommen kann, und bekommst Bescheid.',
  },
  waits: 'Noch kein Platz: du rückst nach, wenn jemand nicht kommen kann.',
};
