import { type AreaWords, words } from '../shape';

export const points: AreaWords = {
  'between-brows-point': words(
    'Punkt zwischen den Brauen',
    [
      'Setz den Mittelfinger zwischen die Brauen und lass die Stirn darauf sinken.',
      'Atme beim Drücken aus, dann kreise langsam.',
    ],
    'Ein Finger zwischen den Brauen; drücken und kreisen.',
    ['Fest, aber angenehm.', 'Die Brauen gleiten auseinander.', 'Langsam ausatmen.'],
    'Lass los und streich über die Brauen nach außen.',
  ),
  'above-brow-points': words(
    'Punkte über den Brauen',
    [
      'Mittelfinger über die Brauen, in Linie mit den Pupillen.',
      'Drück sanft, atme, dann kreise langsam.',
    ],
    'Über den Brauen drücken und kreisen.',
    ['In Linie mit den Pupillen.', 'Augen zu, wenn du magst.', 'Angenehm, nie wund.'],
    'Streich zu den Schläfen.',
  ),
  'front-of-ear-point': words(
    'Punkt vor dem Ohr',
    [
      'Öffne den Mund etwas und finde die Mulde vor den Ohren.',
      'Schließ weich, lass die Finger dort ruhen und kreise langsam.',
    ],
    'Finger in die Mulde vor dem Ohr, kreisen.',
    ['Zähne auseinander.', 'Leicht; das Gelenk ist nah.', 'Hör auf, wenn es knackt oder wehtut.'],
    'Lass den Kiefer hängen.',
    {
      easier: [
        'Die Finger ruhen nur.',
        'Leg die Finger ohne Druck vor die Ohren und atme.',
        'Die Finger ruhen nur.',
      ],
    },
  ),
  'temple-points': words(
    'Schläfenpunkte',
    [
      'Zwei Fingerspitzen an jede Schläfe, in die weiche Mulde.',
      'Ruh dort, atme aus und kreise langsam.',
    ],
    'Fingerspitzen an den Schläfen, kreisen.',
    ['Leichter Druck.', 'Kiefer locker.', 'Augen schwer.'],
    'Lass los und spüre die Weite der Stirn.',
  ),
  'skull-base-points': words(
    'Punkte am Schädelrand',
    [
      'Daumen in die Mulden beiderseits des Nackens, gleich unter dem Schädel.',
      'Lass den Kopf darauf ruhen und kreise langsam.',
    ],
    'Daumen unter den Schädel, der Kopf ruht, kreisen.',
    ['Kinn waagerecht.', 'Der Kopf wird schwer.', 'Lang ausatmen.'],
    'Streich den Nacken hinab.',
  ),
  'below-ear-point': words(
    'Punkt unter dem Ohr',
    [
      'Mittelfinger in die Mulde unter den Ohrläppchen, hinter dem Kiefer.',
      'Ruh dort, atme aus und kreise langsam.',
    ],
    'Unter den Ohrläppchen kreisen.',
    ['Leichter Druck.', 'Die Zunge ruht.', 'Schultern tief.'],
    'Streich zum Schlüsselbein hinab.',
  ),
  'crown-point': words(
    'Scheitelpunkt',
    ['Mittelfinger auf die höchste Stelle des Kopfes.', 'Drück sanft, atme und kreise langsam.'],
    'Auf dem Scheitel drücken und kreisen.',
    ['Wachse den Fingern entgegen.', 'Angenehm, nie wund.', 'Ruhige Augen.'],
    'Lass los und spüre den Scheitel.',
  ),
};
