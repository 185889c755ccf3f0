import { type AreaWords, words } from '../shape';

export const breath: AreaWords = {
  'slow-belly-breaths': words(
    'Langsame Bauchatmung',
    [
      'Setz dich aufrecht hin, die Füße am Boden, und lass die Schultern sinken.',
      'Leg eine Hand auf den Bauch. Atme durch die Nase ein und spüre, wie er sich hebt.',
    ],
    'Eine Hand am Bauch, langsam durch die Nase atmen.',
    [
      'Die Schultern bleiben tief.',
      'Das Ausatmen ist länger als das Einatmen.',
      'Lass den Kiefer etwas hängen.',
    ],
    'Lass den Atem kommen, wie er will.',
  ),
  'nose-in-mouth-out': words(
    'Nase ein, Mund aus',
    [
      'Atme durch die Nase ein.',
      'Atme durch weich geöffnete Lippen aus, als wolltest du eine Scheibe anhauchen.',
    ],
    'Durch die Nase ein, durch weiche Lippen aus.',
    ['Lippen weich, nicht pusten.', 'Schultern tief.', 'Lass dem Ausatmen Zeit.'],
    'Schließ die Lippen und atme, wie du magst.',
  ),
  'warm-palms-over-eyes': words(
    'Warme Hände über den Augen',
    [
      'Reib die Handflächen aneinander, bis sie warm sind.',
      'Wölbe sie über die geschlossenen Augen, ohne die Lider zu berühren, und ruh dich aus.',
    ],
    'Hände wärmen und über die Augen wölben.',
    [
      'Lass die Augen im Dunkeln ruhen.',
      'Mach die Stelle zwischen den Brauen weich.',
      'Lass die Ellbogen hängen.',
    ],
    'Nimm die Hände langsam weg und öffne die Augen.',
  ),
  'travelling-palms': words(
    'Wandernde Hände',
    [
      'Wärme die Hände und leg sie für einen Atemzug über die Augen.',
      'Dann auf Stirn, Wangen, Kiefer, Hals und Brust, je einen Atemzug lang.',
    ],
    'Warme Hände, Stelle für Stelle, je ein Atemzug.',
    ['Die Hände ruhen nur.', 'Lass das Gesicht schwer werden.', 'Wandere mit dem Ausatmen weiter.'],
    'Lass die Hände in den Schoß sinken.',
  ),
  'arms-up-arms-down': words(
    'Arme hoch, Arme tief',
    [
      'Atme ein und lass die Arme seitlich hochschweben.',
      'Oben kurz halten, dann mit einem langen Ausatmen sinken lassen.',
    ],
    'Arme schweben beim Einatmen hoch und sinken beim Ausatmen.',
    ['Schultern weg von den Ohren.', 'Nur kurz halten.', 'Die Hände führen.'],
    'Lass die Arme hängen und spüre das Kribbeln.',
    {
      easier: [
        'Ohne Halten.',
        'Lass die Arme mit dem Atem hochschweben und wieder sinken, ohne oben anzuhalten.',
        'Arme mit dem Atem hoch und tief, ohne Halten.',
      ],
    },
  ),
  'closing-word': words(
    'Schlusswort',
    [
      'Leg die Hände aneinander oder in den Schoß.',
      'Wir schließen mit unserem Wort, gemeinsam auf ein Ausatmen.',
    ],
    'Hände zusammen, unser Wort auf das Ausatmen.',
    [
      'Lass die Stimme leicht sein.',
      'Spüre den Klang in der Brust.',
      'Lass ihn von selbst ausklingen.',
    ],
    'Danke. Öffne die Augen, wenn du so weit bist.',
  ),
};
