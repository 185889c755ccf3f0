import { type AreaWords, words } from '../shape';

const SOFT = 'Die Lider schließen nur, ohne zu kneifen.';
const FREE = 'Ohne die Hände.';

export const eyes: AreaWords = {
  'temple-palms-squeeze': words(
    'Hände an den Schläfen, Lider fest zu',
    [
      'Leg die Hände an die Schläfen und zieh die Haut sanft nach hinten und oben.',
      'Schließ die Lider fest gegen den Zug und halt.',
    ],
    'Die Hände ziehen zurück, die Lider schließen fest, halten.',
    ['Brauen bleiben auseinander.', 'Kiefer locker.', 'Atme weiter.'],
    'Öffne langsam und nimm die Hände weg.',
    {
      easier: [
        SOFT,
        'Die Hände ruhen an den Schläfen. Lass die Lider weich zufallen, ohne zu kneifen.',
        'Lider weich geschlossen.',
      ],
    },
  ),
  'temple-palms-pulse': words(
    'Hände an den Schläfen, Lidpulse',
    [
      'Hände an den Schläfen, sanft nach hinten und oben ziehend.',
      'Schließ die Lider fest und lass nach, in ruhigem Takt.',
    ],
    'Die Hände ziehen zurück, die Lider pulsen.',
    ['Ganz nachlassen.', 'Die Wangen bleiben unten.', 'Gleichmäßiger Takt.'],
    'Ruh die Augen geschlossen aus.',
    {
      easier: [
        SOFT,
        'Die Hände ruhen an den Schläfen. Schließ die Lider weich und öffne sie langsam.',
        'Weich schließen, weich öffnen.',
      ],
    },
  ),
  'lower-lid-lifts': words(
    'Unterlider heben',
    [
      'Ringfinger federleicht an die äußeren Augenwinkel, auf dem Knochen.',
      'Schau etwas nach oben und zieh die Unterlider hinauf, wie gegen helles Licht, und lass los.',
    ],
    'Die Unterlider heben sich und lassen los.',
    ['Die Brauen bleiben, wo sie sind.', 'Die Wangen machen nicht mit.', 'Weiche Hände.'],
    'Schließ die Augen und lass sie ruhen.',
    {
      easier: [
        FREE,
        'Hände im Schoß. Schau etwas nach oben, zieh die Unterlider hinauf und lass los.',
        'Unterlider heben, ohne Hände.',
      ],
    },
  ),
  'finger-rings-squint': words(
    'Fingerringe, blinzeln und loslassen',
    [
      'Mach aus Daumen und Zeigefingern Ringe und setz sie federleicht auf den Knochen um die Augen.',
      'Blinzle sanft gegen die Ringe und lass los.',
    ],
    'Ringe auf dem Knochen; blinzeln und loslassen.',
    ['Die Finger bleiben auf dem Knochen.', 'Weich, keine Falte.', 'Ganz loslassen.'],
    'Nimm die Hände weg und blinzle.',
    {
      easier: [
        FREE,
        'Mach die Augen ohne Ringe etwas schmal und lass los.',
        'Augen schmal machen und loslassen.',
      ],
    },
  ),
  'outer-corner-lift': words(
    'Äußere Augenwinkel heben mit dem Atem',
    [
      'Ringfinger an die äußeren Augenwinkel, auf dem Knochen, federleicht hebend.',
      'Beim Einatmen die Augen weit; beim Ausatmen weich schmal.',
    ],
    'Weit beim Einatmen, schmal beim Ausatmen.',
    ['Stirn glatt.', 'Federleichte Finger.', 'Langsamer Atem.'],
    'Schließ die Augen und ruh aus.',
    {
      easier: [
        FREE,
        'Hände im Schoß. Augen weit beim Einatmen, weich schmal beim Ausatmen.',
        'Weit und schmal mit dem Atem, ohne Hände.',
      ],
    },
  ),
  'forehead-palms-eyes-wide': words(
    'Hände an der Stirn, Augen weit',
    [
      'Leg beide Hände flach auf die Stirn und halt sie still.',
      'Öffne die Augen weit und zähl bis zehn.',
    ],
    'Die Hände halten die Stirn, Augen weit.',
    ['Nur die Lider öffnen sich.', 'Schau in die Ferne.', 'Atmen.'],
    'Schließ die Augen und lass die Hände sinken.',
  ),
  'gaze-side-to-side': words(
    'Blick von Seite zu Seite',
    ['Der Kopf bleibt still. Schau langsam zur einen Seite, dann langsam zur anderen.'],
    'Blick zur einen, dann zur anderen Seite, Kopf still.',
    ['Langsam und fließend.', 'Brauen ruhig.', 'Blinzle, wenn du magst.'],
    'Schließ kurz die Augen.',
  ),
  'gaze-far-holds': words(
    'Blick weit zur Seite, gehalten',
    ['Der Kopf bleibt still. Schau so weit zur Seite, wie es leicht geht, und bleib dort.'],
    'Blick weit zur Seite und bleiben.',
    ['Leicht, ohne Anstrengung.', 'Kiefer locker.', 'Atmen.'],
    'Zurück zur Mitte und die Augen schließen.',
  ),
  'gaze-up-and-down': words(
    'Blick hinauf und hinab',
    ['Der Kopf bleibt still. Schau langsam nach oben, dann langsam nach unten.'],
    'Blick hinauf, Blick hinab, Kopf still.',
    ['Die Stirn klettert nicht mit.', 'Langsam und fließend.', 'Kinn waagerecht.'],
    'Schließ kurz die Augen.',
  ),
  'gaze-up-hold': words(
    'Blick nach oben, gehalten',
    ['Kinn waagerecht. Schau nur mit den Augen nach oben und bleib dort.'],
    'Blick nach oben und bleiben.',
    ['Stirn glatt.', 'Ohne Anstrengung.', 'Atmen.'],
    'Schließ die Augen und ruh aus.',
  ),
  'gaze-down-hold': words(
    'Blick nach unten, gehalten',
    ['Kinn waagerecht. Schau nur mit den Augen nach unten, die Lider etwas offen, und bleib dort.'],
    'Blick nach unten und bleiben.',
    ['Das Kinn bleibt waagerecht.', 'Brauen auseinander.', 'Atmen.'],
    'Schließ die Augen und ruh aus.',
  ),
  'gaze-circles': words(
    'Blickkreise',
    ['Der Kopf bleibt still. Lass die Augen einen langsamen, großen Kreis ziehen.'],
    'Die Augen kreisen langsam, Kopf still.',
    ['Besuch jede Ecke.', 'Blinzle, wenn du magst.', 'Brauen weich.'],
    'Schließ die Augen und lass sie schweben.',
  ),
  'gaze-at-brow-centre': words(
    'Blick zur Brauenmitte',
    [
      'Lass die Augen nach oben und innen schauen, als sähst du die Stelle zwischen den Brauen. Bleib weich.',
    ],
    'Blick weich zur Brauenmitte.',
    ['Hör auf, wenn es unangenehm ist.', 'Nicht die Stirn runzeln.', 'Langsamer Atem.'],
    'Schließ die Augen und ruh aus.',
  ),
  'slow-gaze-arcs': words(
    'Langsame Blickbögen',
    [
      'Lass die Augen einen langsamen Bogen oben herum ziehen, von einer Seite zur anderen und zurück.',
      'Sieh im Spiegel, dass die Stirn still bleibt.',
    ],
    'Die Augen ziehen einen Bogen, Stirn still.',
    ['So langsam wie ein Atemzug.', 'Stirn still.', 'Kinn waagerecht.'],
    'Schließ die Augen und ruh aus.',
  ),
  'look-up-lift-lower-lids': words(
    'Nach oben schauen, Unterlider heben',
    ['Kinn waagerecht, schau nach oben.', 'Zieh nur die Unterlider hinauf und lass sie sinken.'],
    'Blick nach oben, die Unterlider heben sich.',
    ['Die Brauen tun nichts.', 'Klein und klar.', 'Atmen.'],
    'Blinzle weich und ruh aus.',
  ),
};
