import { type AreaWords, words } from '../shape';

const FEATHER = 'Federleicht, Zähne auseinander.';

export const jaw: AreaWords = {
  'yawn-wide-opening': words(
    'Langsames Gähnen',
    [
      'Lass den Mund langsam aufgehen, als käme ein Gähnen, die Zunge ruht unten.',
      'Dann schließ ihn genauso langsam.',
    ],
    'Ein langsames Gähnen, langsam geschlossen.',
    ['Heb den weichen Gaumen.', 'Hör auf, bevor etwas knackt.', 'Die Augen dürfen tränen.'],
    'Lass den Kiefer hängen.',
    {
      easier: [
        'Gähnen hinter geschlossenen Lippen.',
        'Gähne mit geschlossenen Lippen: Hinten wird der Mund weit, der Kiefer bleibt klein.',
        'Gähnen hinter geschlossenen Lippen.',
      ],
    },
  ),
  'soft-jaw-drop': words(
    'Weicher Kiefer unter den Händen',
    [
      'Leg die Hände auf die Wangen, Finger zu den Schläfen, ohne zu schieben.',
      'Lass den Kiefer langsam sinken, als schliefe er ein, und schließ ihn genauso langsam.',
    ],
    'Hände auf den Wangen, der Kiefer sinkt und schließt langsam.',
    [
      'Der Kiefer sinkt gerade nach unten.',
      'Lass die Zunge ruhen.',
      'Spüre, wie der Muskel lang wird.',
    ],
    'Lass den Kiefer hängen und streich die Wangen hinab.',
  ),
  'jaw-drop-under-temple-palms': words(
    'Weicher Kiefer unter Schläfenhänden',
    [
      'Leg die Hände an die Schläfen und lass den Kopf dazwischen ruhen.',
      'Lass den Kiefer langsam sinken und schließen und spüre den Muskel unter den Händen.',
    ],
    'Hände an den Schläfen, der Kiefer sinkt und schließt.',
    ['Die Hände lauschen nur.', 'Klein genügt.', 'Brauen auseinander.'],
    'Lass los und lass den Kiefer hängen.',
  ),
  'jaw-muscle-circles': words(
    'Kreise auf dem Kaumuskel',
    [
      'Beiß einmal sanft zu und finde die feste Stelle vor dem Ohrläppchen. Dann lass die Zähne auseinander.',
      'Kreise dort langsam mit zwei Fingern, so fest wie weichen Teig kneten.',
    ],
    'Langsame Kreise auf dem Kaumuskel, Zähne auseinander.',
    [
      'Die Zähne bleiben auseinander.',
      'Bleib etwas länger, wo es fest ist, nie wo es wehtut.',
      'Lass die Schultern hängen.',
    ],
    'Lass los und lass den Kiefer hängen.',
    {
      easier: [
        FEATHER,
        'Leg zwei Finger vor dem Ohrläppchen auf die Wange und lass sie ruhen oder federleicht kreisen.',
        'Federleichte Kreise, Zähne auseinander.',
      ],
    },
  ),
  'jaw-knuckle-circles': words(
    'Knöchelkreise auf dem Kaumuskel',
    [
      'Mach weiche Fäuste und setz die Knöchel auf den Kaumuskel, Zähne auseinander.',
      'Langsame Kreise, etwas tiefer als mit den Fingern, nie wund.',
    ],
    'Die Knöchel kreisen auf dem Kaumuskel.',
    ['Zähne auseinander.', 'Sofort nachlassen, wenn es wehtut.', 'Lang ausatmen.'],
    'Öffne die Hände und streich am Kiefer hinab.',
    {
      easier: [
        FEATHER,
        'Öffne die Hände und kreise mit flachen Fingern, leicht wie eine Feder.',
        'Flache Finger, federleicht.',
      ],
    },
  ),
  'knuckle-slide-mouth-opening': words(
    'Knöchel gleiten, der Mund geht auf',
    [
      'Setz die Knöchel unter die Wangenknochen, vor die Ohren.',
      'Gleite langsam am Muskel hinab, während der Mund von selbst aufgeht.',
    ],
    'Die Knöchel gleiten hinab, der Mund geht auf.',
    [
      'Der Mund geht auf, weil der Muskel loslässt.',
      'Ein Gleiten pro Atemzug.',
      'Nie bis zum Anschlag.',
    ],
    'Lass den Kiefer hängen.',
    {
      easier: [
        FEATHER,
        'Streich mit flachen Fingern federleicht von den Ohren hinab; der Mund bleibt, wie er ist.',
        'Flach hinabstreichen, der Mund ruht.',
      ],
    },
  ),
  'fist-slide-to-cheekbone': words(
    'Fäuste gleiten zum Wangenknochen',
    [
      'Weiche Fäuste an den Kieferwinkel.',
      'Schieb sie langsam über die Wange bis unter den Wangenknochen und beginn wieder unten.',
    ],
    'Die Fäuste gleiten vom Kiefer zum Wangenknochen.',
    ['Genug Öl zum Gleiten.', 'Langsam und auf beiden Seiten gleich.', 'Zähne auseinander.'],
    'Öffne die Hände und leg sie auf die Wangen.',
    {
      easier: [
        FEATHER,
        'Schieb flache Hände federleicht vom Kiefer zum Wangenknochen.',
        'Flache Hände, federleicht.',
      ],
    },
  ),
  'open-o-head-tilted': words(
    'Offenes O, Kopf geneigt',
    [
      'Dreh den Kopf ein wenig und heb das Kinn.',
      'Öffne den Mund zu einem runden O, halt, und spüre die lange Linie vom Kinn zum Schlüsselbein.',
    ],
    'Kopf geneigt, Mund zum O, und halten.',
    ['Nur so offen, wie es leicht ist.', 'Schultern tief.', 'Atme weiter.'],
    'Schließ, komm zurück und streich den Hals.',
    {
      easier: [
        'Kinn waagerecht, kleines O.',
        'Kopf etwas gedreht, Kinn waagerecht. Mach mit den Lippen ein kleines O und halt.',
        'Kinn waagerecht, kleines O.',
      ],
    },
  ),
  'below-ear-press': words(
    'Druck unter dem Ohr',
    [
      'Finde die Mulde hinter dem Kiefer, gleich unter den Ohrläppchen.',
      'Drück mit den Mittelfingern sanft hinein und lass den Kiefer hängen.',
    ],
    'Sanfter Druck unter den Ohrläppchen.',
    ['Ausatmen: etwas einsinken.', 'Einatmen: nachlassen.', 'Nie vorn am Hals.'],
    'Lass los und streich zum Schlüsselbein.',
    {
      easier: [
        FEATHER,
        'Leg die Finger nur unter die Ohrläppchen und atme.',
        'Die Finger ruhen nur.',
      ],
    },
  ),
};
