import type { PackWords } from './words';

export const english: PackWords = {
  title: '{name}, {length}, as it was on {day}.',
  opens: 'Everything here opens without Up Beat.',
  files: {
    sound: 'the class as it is heard, with a chapter for each move',
    film: 'the class as a film to follow along',
    sheet: 'the run sheet: what comes when, what is said, and how it looks',
    captions: 'what is said and when, for players of sound and film',
    chapters: 'its moves and when they begin',
    words: 'all that is said, to be read',
    plan: 'the class itself; Up Beat opens it under Classes, "Bring a class from a file"',
  },
  notDaily: 'Not for every day: {names}. Skin and muscle need days of rest after what is strong.',
  belongs: 'Sound and words are made from the class and belong to whoever wrote it.',
};
