import { type AreaWords, words } from '../shape';

export const cheeks: AreaWords = {
  'full-cheeks-hold': words(
    'Volle Wangen halten',
    [
      'Schließ die Lippen und füll beide Wangen gleichmäßig mit Luft, wie zwei kleine Ballons.',
      'Die Lippen bleiben dicht, atme ruhig durch die Nase.',
    ],
    'Beide Wangen voll Luft, Lippen dicht, die Nase atmet.',
    ['Atme durch die Nase.', 'Beide Seiten gleich voll.', 'Kinn weich, Schultern tief.'],
    'Lass die Luft heraus und klopf die Wangen.',
    {
      easier: [
        'Halb voll.',
        'Füll die Wangen nur halb und atme ruhig durch die Nase.',
        'Wangen halb voll, die Nase atmet.',
      ],
      harder: [
        'Gegen die Hände.',
        'Wangen voll. Leg die Hände darauf und lass die Wangen dagegendrücken.',
        'Volle Wangen drücken gegen die Hände.',
      ],
    },
  ),
  'full-cheeks-with-taps': words(
    'Volle Wangen mit Klopfen',
    [
      'Füll beide Wangen mit Luft und schließ die Lippen dicht.',
      'Klopf eine Wange mit weichen Fingerspitzen, einmal pro Sekunde.',
    ],
    'Wangen voll, eine Seite klopfen.',
    ['Die Luft bleibt drin.', 'Die Nase atmet.', 'Klopf überall auf der Wange.'],
    'Lass die Luft heraus.',
  ),
  'air-side-to-side': words(
    'Luft von Seite zu Seite',
    ['Füll eine Wange mit Luft.', 'Schieb sie langsam in die andere Wange und zurück.'],
    'Luft von Wange zu Wange.',
    ['Lippen dicht.', 'Jedes Mal alles.', 'Augen ruhig.'],
    'Lass die Luft heraus und flattere.',
  ),
  'air-up-and-down': words(
    'Luft hinauf und hinab',
    [
      'Schieb die Luft unter die Oberlippe, bis sie sich wölbt.',
      'Dann unter die Unterlippe und wieder hinauf.',
    ],
    'Luft oben, Luft unten.',
    ['Lippen dicht.', 'Glatt über der Lippe.', 'Langsam und gleichmäßig.'],
    'Lass die Luft heraus und flattere.',
  ),
  'smile-pulses': words(
    'Lächelpulse',
    [
      'Lippen zu, lächle halb, beide Winkel auf einer Höhe.',
      'Zieh das Lächeln etwas höher und lass es zurück, einmal pro Sekunde.',
    ],
    'Halbes Lächeln, kleine Pulse nach oben.',
    [
      'Die Winkel bleiben auf einer Höhe.',
      'Die Augen bleiben offen und ruhig.',
      'Klein und stetig.',
    ],
    'Lass das Lächeln verklingen und klopf die Wangen.',
  ),
  'tucked-lip-smile-pulses': words(
    'Lächelpulse mit eingezogenen Lippen',
    [
      'Zieh beide Lippen über die Zähne ein und heb die Winkel zu einem Lächeln.',
      'Pulse das Lächeln nach oben, einmal pro Sekunde.',
    ],
    'Lippen eingezogen, das Lächeln pulst.',
    ['Winkel auf einer Höhe.', 'Kinn glatt.', 'Spüre die oberen Wangen.'],
    'Roll die Lippen heraus und klopf die Wangen.',
    {
      harder: [
        'Finger auf den Wangenknochen.',
        'Lippen eingezogen, lächelnd. Leg die Finger auf die Wangenknochen und pulse gegen ihr leichtes Gewicht.',
        'Gegen die Finger nach oben pulsen.',
      ],
    },
  ),
  'light-purse-cheek-smile': words(
    'Leicht gespitzt, Wangen lächeln',
    [
      'Spitz die Lippen ganz leicht.',
      'Lächle nur mit den oberen Wangen, der Mund bleibt, wie er ist, und halt.',
    ],
    'Lippen leicht gespitzt, die Wangen lächeln.',
    ['Der Mund wird nicht breiter.', 'Spüre es unter den Augen.', 'Nicht zusammenkneifen.'],
    'Lass los und klopf die Wangen.',
  ),
  'fish-lips-smile': words(
    'Fischmund mit Lächeln',
    [
      'Zieh die Wangen zwischen die Zähne, bis die Lippen wie bei einem Fisch stehen.',
      'Nun versuch zu lächeln und halt.',
    ],
    'Wangen eingezogen, versuch zu lächeln.',
    ['Nicht beißen.', 'Atmen.', 'Stirn ruhig.'],
    'Lass los und lass die Lippen flattern.',
  ),
  'tucked-o-palm-press': words(
    'O mit eingezogener Lippe, Hände drücken',
    [
      'Öffne zu einem kleinen O, die Oberlippe eingezogen.',
      'Leg die Hände auf die Wangen und drück leicht, während die Wangen zu lächeln versuchen.',
    ],
    'Kleines O, die Hände drücken, die Wangen wollen lächeln.',
    ['Leichte Hände.', 'Ellbogen tief.', 'Augen offen.'],
    'Lass los und wärm die Wangen mit den Händen.',
    {
      easier: [
        'Die Hände ruhen nur.',
        'Kleines O. Die Hände liegen ohne Druck auf den Wangen, während die Wangen lächeln.',
        'Die Hände ruhen nur auf den Wangen.',
      ],
    },
  ),
  'thumb-inside-cheek-resist': words(
    'Daumen innen, die Wange hält dagegen',
    [
      'Mit frisch gewaschener Hand: Daumen innen an die Wange, Finger außen.',
      'Zieh die Wange sanft nach außen, während sie dagegenhält, und lass sie zurück.',
    ],
    'Daumen innen; die Wange hält dagegen.',
    ['Nur mit sauberen Händen.', 'Die Wange arbeitet, nicht die Hand.', 'Langsam zurück.'],
    'Nimm die Hand weg und klopf die Wange.',
    {
      easier: [
        'Nur von außen.',
        'Leg die flachen Finger auf die Wange und lass die Wange dagegendrücken.',
        'Die Wange drückt gegen die Finger.',
      ],
    },
  ),
  'o-breathing': words(
    'O-Atmung',
    [
      'Mach mit den Lippen ein kleines O.',
      'Atme ein und lass die Wangen einsinken; atme aus und lass sie sich füllen.',
    ],
    'Wangen ein beim Einatmen, voll beim Ausatmen.',
    ['Langsam und ohne Kraft.', 'Das O bleibt rund.', 'Schultern tief.'],
    'Schließ die Lippen und atme durch die Nase.',
  ),
};
