import { type AreaWords, words } from '../shape';

export const mouth: AreaWords = {
  'tall-o-cheek-lift': words(
    'Hohes O, Wangen heben',
    [
      'Falte beide Lippen über die Zähne und öffne den Mund zu einem langen, schmalen O.',
      'Nun lächle nur mit den oberen Wangen, als wolltest du sie unter die Augen heben.',
      'Leg je eine Fingerspitze auf die Wangenknochen und spüre, wie der Muskel steigt. Die Stirn bleibt ruhig.',
    ],
    'Lippen über die Zähne, langes O, die Wangen heben sich.',
    [
      'Stirn glatt.',
      'Lass die Schultern sinken.',
      'Augen offen und ruhig, nicht zusammenkneifen.',
      'Beim Ausatmen noch etwas höher.',
    ],
    'Lass los und klopf leicht die Wangen.',
    {
      easier: [
        'Ein kleines O.',
        'Lippen einfalten und nur einen Finger breit öffnen. Heb die oberen Wangen, der Kiefer ruht.',
        'Kleines O, die Wangen heben sich.',
      ],
      harder: [
        'Mit kleinen Pulsen.',
        'Langes O, Wangen oben. Nun pulse sie einmal pro Sekunde etwas höher, ohne dazwischen loszulassen.',
        'Langes O, die Wangen pulsen hinauf.',
      ],
    },
  ),
  'smiling-o-lip-pulses': words(
    'Lächelndes O, Lippenpulse',
    [
      'Mach mit den Lippen ein kleines O und lass die Mundwinkel lächeln.',
      'Pulse die Lippen etwas enger und weiter, einmal pro Sekunde.',
    ],
    'Kleines O, lächelnde Winkel, die Lippen pulsen.',
    ['Die Winkel lächeln weiter.', 'Kinn glatt.', 'Klein und flink.'],
    'Lass die Lippen flattern.',
  ),
  'o-to-smile': words(
    'Vom O zum Lächeln',
    [
      'Schieb die Lippen zu einem O vor.',
      'Zieh sie langsam zu einem weiten Lächeln mit geschlossenen Lippen und wieder zurück.',
    ],
    'O, Lächeln und zurück zum O.',
    ['Langsam in beide Richtungen.', 'Beide Winkel auf einer Höhe.', 'Stirn ruhig.'],
    'Lass den Mund ruhen und klopf ringsum.',
  ),
  'finger-resisted-chin-scoop': words(
    'Kinn schöpft gegen die Finger',
    [
      'Öffne den Mund ein wenig und falte die Unterlippe über die Zähne.',
      'Zwei Finger am Kinn geben leichten Widerstand, während der Kiefer schöpfend schließt.',
    ],
    'Unterlippe gefaltet, gegen die Finger schöpfen.',
    [
      'Leichte Finger, nichts erzwingen.',
      'Der Kopf bleibt still.',
      'Heb beim Schließen die Mundwinkel.',
    ],
    'Roll die Lippe heraus und klopf das Kinn.',
    {
      easier: [
        'Ohne Widerstand.',
        'Unterlippe über die Zähne. Schöpf weich und schließ; die Finger bleiben weg.',
        'Weich schöpfen, ohne Finger.',
      ],
    },
  ),
  'folded-lip-press': words(
    'Gefaltete Lippen drücken',
    [
      'Falte beide Lippen über die Zähne nach innen, als wolltest du sie verstecken.',
      'Drück sie sanft aufeinander und zieh die Mundwinkel gerade hinaus, beide auf einer Höhe.',
    ],
    'Lippen eingefaltet, Winkel auf einer Höhe, sanft drücken.',
    ['Das Kinn bleibt glatt.', 'Beide Winkel auf einer Höhe.', 'Atme durch die Nase.'],
    'Lass die Lippen flattern.',
    {
      harder: [
        'Mit dem Kopf im Nacken.',
        'Heb das Kinn, falte beide Lippen ein und drück sanft. Spüre es vorn am Hals.',
        'Kinn hoch, Lippen gefaltet, drücken.',
      ],
    },
  ),
  'pucker-hold': words(
    'Spitzer Mund',
    [
      'Schieb die Lippen fest nach vorn, als wolltest du einen Strohhalm erreichen.',
      'Halt, und lass die Haut über der Lippe glatt.',
    ],
    'Lippen spitz nach vorn und halten.',
    ['Nicht die Stirn runzeln.', 'Aus den Winkeln, nicht aus der Mitte.', 'Atme durch die Nase.'],
    'Lass die Lippen flattern.',
  ),
  'corner-pull-against-fingers': words(
    'Mundwinkel ziehen gegen die Finger',
    [
      'Zeigefinger an die Mundwinkel, sanft nach außen ziehend.',
      'Zieh die Winkel gegen die Finger zusammen und lass langsam los.',
    ],
    'Die Winkel ziehen gegen die Finger nach innen.',
    ['Die Finger folgen langsam.', 'Kinn glatt.', 'Auf beiden Seiten gleich viel.'],
    'Lass los und klopf die Winkel.',
  ),
  'corner-squeeze-against-fingers': words(
    'Mundwinkel drücken gegen die Finger',
    [
      'Leg die Zeigefinger flach neben die Mundwinkel.',
      'Drück die Winkel gegen die Finger, als wolltest du sie festhalten, und lass los.',
    ],
    'Die Winkel drücken gegen die Finger.',
    ['In der Mitte bleiben die Lippen weich.', 'Kurz und klar.', 'Kiefer locker.'],
    'Lass los und streich nach außen.',
  ),
  'thumbs-level-corners': words(
    'Mundwinkel ausgleichen',
    [
      'Schau in den Spiegel. Daumen ans Kinn, Zeigefinger unter die Mundwinkel.',
      'Heb beim Einatmen beide Winkel auf eine Höhe; beim Ausatmen lass sie sinken.',
    ],
    'Beim Einatmen die Winkel auf eine Höhe heben.',
    ['Hilf der tieferen Seite etwas mehr.', 'Das Kinn bleibt still.', 'Augen weich.'],
    'Nimm die Hände weg und behalte die Höhe.',
  ),
  'level-smile-tongue-corners': words(
    'Zunge im Winkel, Lächeln gerade',
    [
      'Lächle mit beiden Mundwinkeln auf einer Höhe.',
      'Drück die Zungenspitze in den Winkel und halt, ohne dass das Lächeln kippt.',
    ],
    'Gerades Lächeln, Zunge in den Winkel.',
    ['Beide Winkel bleiben auf einer Höhe.', 'Die Augen bleiben weich.', 'Schultern tief.'],
    'Lass das Lächeln gehen.',
  ),
  'pen-under-nose': words(
    'Stift unter der Nase',
    [
      'Halt einen Stift zwischen Oberlippe und Nase.',
      'Halt ihn dort nur mit der Lippe, ohne die Stirn zu runzeln.',
    ],
    'Den Stift mit der Oberlippe halten.',
    ['Die Brauen machen nicht mit.', 'Atme am Stift vorbei.', 'Fällt er, heb ihn auf und lächle.'],
    'Nimm den Stift weg und lass die Lippen flattern.',
    {
      easier: [
        'Ohne Stift.',
        'Schieb die Oberlippe zur Nase, als läge dort ein Stift, und halt.',
        'Oberlippe zur Nase, ohne Stift.',
      ],
    },
  ),
  'slow-wide-vowels': words(
    'Langsame, weite Vokale',
    [
      'Sprich ohne Ton, sehr langsam und sehr weit: A, E, I, O, U.',
      'Das macht allein der Mund; die Stirn bleibt still.',
    ],
    'A, E, I, O, U, langsam und weit, Stirn still.',
    ['Schau im Spiegel auf die Stirn.', 'Jeden Vokal bis zu Ende.', 'Schultern tief.'],
    'Lass den Kiefer hängen.',
    {
      easier: [
        'Kleine Vokale.',
        'Sprich die Vokale langsam mit kleinem Mund, der Kiefer fast still.',
        'Kleine, langsame Vokale.',
      ],
    },
  ),
  'lip-flutter': words(
    'Lippenflattern',
    ['Lass den Atem durch lockere Lippen hinaus, sodass sie flattern wie bei einem Pferd.'],
    'Lass die Lippen flattern.',
    ['Wangen locker.', 'Ein Finger an jedem Winkel hilft.', 'Mit leisem Summen, wenn du magst.'],
    'Lass die Lippen zur Ruhe kommen.',
  ),
  'quick-lip-pinches': words(
    'Flinkes Lippenzupfen',
    ['Zupf mit Daumen und Zeigefinger die Lippen selbst, weich und flink, ringsum.'],
    'Flink und weich rings um die Lippen zupfen.',
    ['So weich wie Beeren pflücken.', 'Ober- und Unterlippe.', 'Lass den Kiefer hängen.'],
    'Press die Lippen einmal zusammen.',
  ),
  'kiss-press': words(
    'Kuss gegen die Finger',
    ['Leg zwei flache Finger auf die Lippen.', 'Drück einen Kuss dagegen, halt kurz und lass los.'],
    'Kuss gegen die Finger und loslassen.',
    ['Die Finger stehen nur da.', 'Keine Linien über der Lippe.', 'Gleichmäßiger Takt.'],
    'Lass die Lippen flattern.',
  ),
  'closed-mouth-tongue-circles': words(
    'Zungenkreise bei geschlossenem Mund',
    [
      'Lippen zu. Lass die Zungenspitze zwischen Zähnen und Lippen kreisen, einmal ganz herum.',
      'Langsam und groß.',
    ],
    'Die Zunge kreist hinter geschlossenen Lippen.',
    ['Erreiche jede Ecke.', 'Kiefer locker.', 'Die Lippen bleiben zusammen.'],
    'Lass die Zunge ruhen und schluck.',
  ),
};
