import { type AreaWords, words } from '../shape';

export const forehead: AreaWords = {
  'hairline-press-look-down': words(
    'Druck am Haaransatz, Blick nach unten',
    [
      'Leg die Kanten beider Hände an den Haaransatz und drück sanft nach hinten und oben.',
      'Der Kopf bleibt still, schau nur mit den Augen nach unten.',
    ],
    'Die Hände drücken am Haaransatz, die Augen schauen hinab.',
    ['Der Kopf bleibt gerade.', 'Mach den Kiefer weich.', 'Drücken, ohne zu rutschen.'],
    'Lass los und streich die Stirn zu den Schläfen.',
  ),
  'palm-heel-brow-lift': words(
    'Brauen heben mit den Handballen',
    [
      'Setz die Handballen auf die Brauen und heb sie sanft.',
      'Schau nur mit den Augen nach unten, halt, dann schieb die Hände zum Haaransatz.',
    ],
    'Die Handballen heben die Brauen, der Blick geht hinab.',
    ['Heben, nicht hineindrücken.', 'Nur die Augen.', 'Am Ende langsam schieben.'],
    'Lass los und glätte die Stirn.',
  ),
  'staged-brow-hold': words(
    'Brauen in Stufen halten',
    [
      'Fingerspitzen auf die Brauen. Mit jedem Ausatmen eine Stufe: ankommen, sanft drücken, heben, auseinanderziehen.',
      'Zuletzt versuch, gegen die Finger die Stirn zu runzeln. Sie lassen es nicht zu.',
    ],
    'Ankommen, drücken, heben, auseinanderziehen, dann runzeln wollen.',
    ['Mit jedem Ausatmen eine neue Stufe.', 'Ellbogen tief.', 'Kiefer locker.'],
    'Lass los und streich über die Brauen nach außen.',
  ),
  'braced-brow-slow-blink': words(
    'Gehaltene Stirn, langsames Blinzeln',
    [
      'Leg die Hände flach an den Haaransatz und halt die Stirn still.',
      'Öffne die Augen weit, ohne die Brauen zu heben, schließ sie langsam und öffne sie wieder.',
      'Nur die Lider bewegen sich. Die Hände sorgen dafür.',
    ],
    'Die Hände halten die Stirn; nur die Lider bewegen sich.',
    [
      'Die Stirn bleibt glatt.',
      'Atme weiter, Schultern tief.',
      'Langsam, als wären die Lider schwer.',
    ],
    'Lass los und klopf um die Augen auf dem Knochen.',
    {
      harder: [
        'Halb geschlossen und gehalten.',
        'Die Hände halten die Stirn. Schließ die Lider halb und halt sie dort ohne Zittern.',
        'Lider halb geschlossen und still.',
      ],
    },
  ),
  'braced-brow-open-and-shut': words(
    'Gehaltene Stirn, auf und zu',
    [
      'Hände flach auf die Stirn, sie bleibt still.',
      'Öffne die Augen weit und schließ sie weich, in ruhigem Takt.',
    ],
    'Stirn gehalten, Augen auf und zu.',
    ['Weich schließen.', 'Die Hände spüren jede Falte.', 'Gleichmäßiger Takt.'],
    'Schließ die Augen und lass die Hände sinken.',
  ),
};
