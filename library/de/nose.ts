import { type AreaWords, words } from '../shape';

export const nose: AreaWords = {
  'nostril-flares': words(
    'Nasenflügel weiten',
    [
      'Leg die Zeigefinger neben die Nasenflügel, kaum spürbar.',
      'Weite sie beim Einatmen und lass sie beim Ausatmen schmal werden.',
    ],
    'Nasenflügel weit, dann schmal.',
    ['Die Oberlippe bleibt ruhig.', 'Nicht die Stirn runzeln.', 'Klein genügt.'],
    'Lass los und streich neben der Nase hinab.',
  ),
  'nose-side-strokes': words(
    'Striche neben der Nase',
    [
      'Mittelfinger an beide Seiten des Nasenrückens.',
      'Streich etwas fester zu den Nasenflügeln hinab und luftleicht wieder hinauf.',
    ],
    'Neben der Nase hinab und leicht wieder hinauf.',
    ['Fest hinab, leicht hinauf.', 'Lass den Atem frei.', 'Bleib weg von den Augenwinkeln.'],
    'Streich unter den Wangenknochen hinaus.',
  ),
  'nose-corner-pull-lean': words(
    'Nasenwinkel ziehen und neigen',
    [
      'Ein Finger neben den unteren Nasenwinkel, sanft nach außen und unten ziehend.',
      'Lass den Kopf zur anderen Seite sinken und atme.',
    ],
    'Nasenwinkel hinausziehen, wegneigen, atmen.',
    ['Ein leichter Zug.', 'Schulter tief.', 'Mund weich.'],
    'Lass los und komm zur Mitte.',
    {
      easier: [
        'Ohne Neigen.',
        'Kopf gerade. Zieh den Nasenwinkel sanft nach außen und unten und atme.',
        'Nasenwinkel hinausziehen, Kopf gerade.',
      ],
    },
  ),
};
