import { type AreaWords, words } from '../shape';

export const scalp: AreaWords = {
  'collarbone-to-crown-tapping': words(
    'Klopfen vom Schlüsselbein zum Scheitel',
    [
      'Klopf mit weichen Fingerspitzen am Schlüsselbein entlang und die Halsseiten hinauf.',
      'Weiter über Kiefer, Mund und Wangen, federleicht unter den Augen, zu Schläfen, Stirn und Scheitel.',
      'Dann den Nacken hinab zu den Schultern und zum Anfang.',
    ],
    'Vom Schlüsselbein zum Scheitel klopfen und zurück.',
    [
      'Leicht wie Regen, aus lockeren Handgelenken.',
      'Unter den Augen nur auf dem Knochen.',
      'Atme weiter.',
    ],
    'Lass die Hände ruhen und spüre, wie die Haut wach wird.',
    {
      easier: [
        'Lässt die Augen aus.',
        'Klopf genauso, aber von den Wangen gleich zu den Schläfen, weit weg von den Augen.',
        'Bis zum Scheitel klopfen, an den Augen vorbei.',
      ],
    },
  ),
  'whole-face-light-tapping': words(
    'Leichtes Klopfen im ganzen Gesicht',
    [
      'Weiche Fingerspitzen beider Hände klopfen über das ganze Gesicht, vom Kinn bis zur Stirn.',
      'Federleicht unter den Augen, und nur auf dem Knochen.',
    ],
    'Das ganze Gesicht klopfen, leicht wie Nieselregen.',
    ['Lockere Handgelenke.', 'Keine Stelle zweimal hintereinander.', 'Lass den Kiefer hängen.'],
    'Lass die Hände sinken.',
    {
      easier: [
        'Lässt die Augen aus.',
        'Klopf nur Kinn, Wangen und Stirn, weit weg von den Augen.',
        'Kinn, Wangen und Stirn klopfen.',
      ],
    },
  ),
  'spread-finger-drumming': words(
    'Trommeln mit gespreizten Fingern',
    [
      'Spreiz die Finger und trommle mit weichen Spitzen über die ganze Kopfhaut, wie ein Regenguss.',
    ],
    'Über die ganze Kopfhaut trommeln.',
    ['Aus lockeren Handgelenken.', 'Auch hinter den Ohren.', 'Schultern tief.'],
    'Halt an und spüre, wie es nachklingt.',
  ),
  'hair-root-lifts': words(
    'Haarwurzeln heben',
    [
      'Schieb die Finger nah an den Wurzeln ins Haar und schließ sie zu weichen Fäusten.',
      'Heb sanft an, halt kurz, lass los und nimm die nächste Stelle.',
    ],
    'Weiche Fäuste an den Wurzeln; heben und loslassen.',
    ['Heben, nicht reißen.', 'Atme beim Loslassen aus.', 'Wandere über den ganzen Kopf.'],
    'Streich das Haar mit den Fingern zurück.',
  ),
  'hair-root-circles': words(
    'Kreise an den Haarwurzeln',
    [
      'Spreiz die Finger und setz sie fest auf die Kopfhaut, über den Ohren.',
      'Beweg die Haut in kleinen Kreisen über den Knochen und wandere zum Scheitel.',
    ],
    'Finger gespreizt auf der Kopfhaut; die Haut bewegt sich, nicht das Haar.',
    [
      'Die Finger bleiben; die Kopfhaut wandert.',
      'Lass den Kiefer locker hängen.',
      'Langsame Kreise, jedes Mal etwas höher.',
    ],
    'Lass los und schüttle die Hände aus.',
  ),
  'fingers-together-on-the-scalp': words(
    'Finger zueinander auf der Kopfhaut',
    [
      'Setz die gespreizten Finger beider Hände an die Seiten des Kopfes.',
      'Drück die Fingerspitzen zueinander, bis sich die Kopfhaut sammelt, und lass los.',
    ],
    'Die Kopfhaut zwischen den Händen sammeln und loslassen.',
    [
      'Drück langsam.',
      'Spüre, wie die Haut auf dem Knochen gleitet.',
      'Jedes Mal eine neue Stelle.',
    ],
    'Lass die Hände fallen.',
  ),
  'shampoo-kneading': words(
    'Kneten wie beim Haarewaschen',
    [
      'Knete die ganze Kopfhaut mit allen zehn Fingern, als würdest du das Haar mit viel Schaum waschen.',
    ],
    'Die ganze Kopfhaut kneten.',
    ['Auch hinunter zum Nacken.', 'Fest, aber angenehm.', 'Lass die Schultern hängen.'],
    'Schüttle die Hände aus.',
  ),
  'crown-circles': words(
    'Scheitelkreise',
    [
      'Leg eine Hand flach auf den Kopf, den Ballen am Haaransatz: Die Spitze des Mittelfingers findet den Scheitel.',
      'Kreise dort langsam, zehnmal.',
    ],
    'Mittelfinger auf den Scheitel, zehn langsame Kreise.',
    ['Gleicher Druck, nie wund.', 'Wachse dem Finger entgegen.', 'Ruhiger Atem.'],
    'Lass los und spüre den Scheitel.',
  ),
  'back-of-crown-circles': words(
    'Kreise hinter dem Scheitel',
    [
      'Geh vom Scheitel zwei Fingerbreit zum Hinterkopf.',
      'Kreise dort langsam mit den Mittelfingern, zehnmal.',
    ],
    'Zwei Fingerbreit hinter dem Scheitel, zehn langsame Kreise.',
    ['Kinn waagerecht.', 'Gleicher Druck, nie wund.', 'Lass die Augen zufallen.'],
    'Lass die Hände den Nacken hinabgleiten.',
  ),
};
