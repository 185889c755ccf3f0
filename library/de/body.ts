import { type AreaWords, words } from '../shape';

export const body: AreaWords = {
  'shoulder-rolls-both-ways': words(
    'Schulterkreisen',
    [
      'Die Arme hängen. Zieh die Schultern zu den Ohren, dann nach hinten und tief, in einem langsamen Kreis.',
    ],
    'Langsame, volle Kreise mit den Schultern.',
    [
      'Der Nacken bleibt lang.',
      'Beim Heben einatmen, beim Senken ausatmen.',
      'Lass die Arme schwer hängen.',
    ],
    'Lass die Schultern fallen.',
  ),
  'chest-circles': words(
    'Brustkreisen',
    [
      'Hände auf die Knie. Beweg das Brustbein nach vorn, zur Seite, nach hinten und herum.',
      'Die Hüfte bleibt, wo sie ist; die Brust zeichnet einen langsamen Kreis.',
    ],
    'Das Brustbein zeichnet einen langsamen Kreis.',
    ['Beide Sitzknochen bleiben am Stuhl.', 'Der Kopf reitet mit.', 'Gleichmäßige Kreise.'],
    'Komm zur Mitte und sitz aufrecht.',
  ),
  'elbow-circles-with-breath': words(
    'Ellbogenkreise mit dem Atem',
    [
      'Fingerspitzen auf die Schultern, Ellbogen zur Seite.',
      'Einatmen, die Ellbogen steigen; ausatmen, sie sinken. Große, langsame Kreise.',
    ],
    'Finger auf die Schultern, die Ellbogen kreisen mit dem Atem.',
    ['Beim Einatmen steigen.', 'Lass die Schulterblätter gleiten.', 'Nacken lang.'],
    'Lass die Arme hängen.',
  ),
  'neck-nods-with-breath': words(
    'Nicken mit dem Atem',
    [
      'Atme ein und heb das Kinn ein wenig; atme aus und lass es zur Brust sinken.',
      'Klein und langsam, nur so weit es leicht geht.',
    ],
    'Das Kinn steigt beim Einatmen und sinkt beim Ausatmen.',
    ['Zähne auseinander.', 'Lass den Nacken lang werden.', 'Nie bis zum Anschlag.'],
    'Kinn wieder waagerecht.',
    {
      easier: [
        'Das Kinn steigt nie über die Waagerechte.',
        'Beginne waagerecht. Ausatmen, das Kinn sinkt; einatmen, zurück zur Waagerechten.',
        'Sinken beim Ausatmen, waagerecht beim Einatmen.',
      ],
    },
  ),
  'chin-over-shoulder': words(
    'Kinn über die Schulter',
    [
      'Sitz aufrecht und dreh den Kopf langsam, bis du über die Schulter schaust.',
      'Bleib dort fünf Atemzüge, nur so weit es leicht geht.',
    ],
    'Dreh den Kopf und atme dort.',
    [
      'Beide Schultern bleiben tief.',
      'Das Kinn bleibt waagerecht.',
      'Etwas weiter nur, wenn der Nacken es anbietet.',
    ],
    'Komm zurück zur Mitte.',
  ),
  'side-lean-with-hand': words(
    'Seitneigen mit der Hand',
    [
      'Lass den Kopf zur Seite sinken und leg die Hand dieser Seite darauf, ohne zu ziehen.',
      'Die andere Schulter wird schwer. Atme dort.',
    ],
    'Zur Seite neigen; die Hand ruht nur.',
    [
      'Die Hand ist ein Gewicht, sie zieht nicht.',
      'Lass die ferne Schulter sinken.',
      'Das Gesicht bleibt weich.',
    ],
    'Heb den Kopf zurück zur Mitte.',
    {
      easier: [
        'Ohne die Hand.',
        'Lass den Kopf durch sein eigenes Gewicht zur Seite sinken; beide Hände bleiben im Schoß.',
        'Neigen nur mit dem Gewicht des Kopfes.',
      ],
      harder: [
        'Wiegen mit dem Atem.',
        'Zur Seite neigen, die Hand ruht, und mit jedem Atemzug ein wenig näher und zurück wiegen.',
        'Neigen und sanft mit dem Atem wiegen.',
      ],
    },
  ),
  'side-lean-tapping': words(
    'Seitneigen mit Klopfen',
    [
      'Lass den Kopf zur Seite sinken, beide Schultern tief.',
      'Klopf mit der freien Hand weich von unter dem Ohr zur Schulter und zurück.',
    ],
    'Neigen und die lange Halsseite klopfen.',
    ['Klopf so leicht wie Regen.', 'Lass die ferne Schulter sinken.', 'Atme weiter.'],
    'Zurück zur Mitte und beide Seiten vergleichen.',
    {
      easier: [
        'Mit aufrechtem Kopf.',
        'Der Kopf bleibt gerade. Klopf weich von unter dem Ohr zur Schulter und zurück.',
        'Kopf gerade, vom Ohr zur Schulter klopfen.',
      ],
    },
  ),
  'head-half-circles': words(
    'Halbe Kopfkreise',
    [
      'Lass das Kinn zur Brust sinken.',
      'Roll es langsam am Schlüsselbein entlang zur einen Schulter, durch die Mitte, zur anderen. Nur vorn.',
    ],
    'Das Kinn rollt von Schulter zu Schulter, nur vorn.',
    ['Nie über hinten.', 'Langsam wie Honig.', 'Zähne auseinander.'],
    'Zurück zur Mitte und den Kopf heben.',
  ),
  'elbows-wide-elbows-in': words(
    'Ellbogen weit, Ellbogen zu',
    [
      'Hände leicht an den Hinterkopf. Öffne die Ellbogen weit und zähl bis fünf.',
      'Dann schließ sie, Kinn zur Brust, und zähl bis fünf. Nicht ziehen.',
    ],
    'Ellbogen fünf weit, fünf zu.',
    ['Die Hände ziehen nicht.', 'Weit: heb das Brustbein.', 'Zu: spüre den Nacken.'],
    'Lass den Kopf los und schüttle die Arme aus.',
    {
      easier: [
        'Der Kopf bleibt gerade.',
        'Hände am Hinterkopf, Ellbogen weit und bis fünf zählen; dann zu, Kopf gerade, und bis fünf zählen.',
        'Ellbogen weit, Ellbogen zu, Kopf gerade.',
      ],
    },
  ),
};
