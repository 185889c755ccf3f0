import type { PackWords } from './words';

export const german: PackWords = {
  title: '{name}, {length}. Stand: {day}.',
  opens: 'Alles hier lässt sich ohne Up Beat öffnen.',
  files: {
    sound: 'die Stunde, wie man sie hört, mit einem Kapitel für jede Übung',
    film: 'die Stunde als Film zum Mitmachen',
    sheet: 'der Ablauf: was wann kommt, was gesagt wird und wie es aussieht',
    captions: 'was wann gesagt wird, für Ton- und Filmprogramme',
    chapters: 'ihre Übungen und wann sie beginnen',
    words: 'alles, was gesagt wird, zum Lesen',
    plan: 'die Stunde selbst; Up Beat öffnet sie unter Classes, „Bring a class from a file“',
  },
  notDaily: 'Nicht für jeden Tag: {names}. Nach Kräftigem brauchen Haut und Muskeln Tage der Ruhe.',
  belongs:
    'Ton und Worte sind aus der Stunde gemacht und gehören denen, die sie geschrieben haben.',
};
