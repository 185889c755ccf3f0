import { type AreaWords, words } from '../shape';

const FEATHER = 'Federleicht, mit flachen Fingern.';

export const massage: AreaWords = {
  'forehead-finger-sweeps': words(
    'Stirn ausstreichen',
    [
      'Alle Fingerspitzen in die Mitte der Stirn.',
      'Streich zu den Schläfen, erst über den Brauen, dann in der Mitte, dann am Haaransatz.',
    ],
    'Von der Mitte zu den Schläfen streichen.',
    [
      'Langsam und auf beiden Seiten gleich.',
      'Am Ende kurz an den Schläfen ruhen.',
      'Lass die Augen schwer werden.',
    ],
    'Ruh an den Schläfen aus.',
  ),
  'forehead-knuckle-fans': words(
    'Knöchelfächer auf der Stirn',
    [
      'Weiche Fäuste in die Mitte der Stirn.',
      'Roll die Knöchel wie einen Fächer auf, zum Haaransatz und hinaus.',
    ],
    'Die Knöchel öffnen sich wie ein Fächer.',
    ['Rollen, nicht bohren.', 'Ein Atemzug pro Fächer.', 'Schultern tief.'],
    'Glätte die Stirn mit den Händen.',
    {
      easier: [
        FEATHER,
        'Fächere mit flachen Fingern statt mit Knöcheln, leicht wie eine Feder.',
        'Flache Finger fächern leicht.',
      ],
    },
  ),
  'forehead-fist-slides': words(
    'Fäuste gleiten über die Stirn',
    [
      'Setz die flache Seite einer weichen Faust zwischen die Brauen.',
      'Schieb langsam zum Haaransatz; die andere Faust folgt.',
    ],
    'Die Fäuste gleiten zum Haaransatz.',
    ['Genug Öl zum Gleiten.', 'Langsam, nicht schrubben.', 'Auf dem Weg nach oben ausatmen.'],
    'Glätte die Stirn mit den Händen.',
    {
      easier: [
        FEATHER,
        'Schieb mit flachen Fingern hinauf, leicht wie eine Feder.',
        'Flache Finger gleiten hinauf.',
      ],
    },
  ),
  'forehead-opposing-hands': words(
    'Gegenläufige Hände auf der Stirn',
    [
      'Leg die Hände auf die Stirn, eine etwas über der anderen.',
      'Schieb sie schräg aneinander vorbei, eine hinauf, eine hinab.',
    ],
    'Die Hände gleiten schräg aneinander vorbei.',
    ['Flach und weich.', 'Von Seite zu Seite über die ganze Stirn.', 'Lass den Kiefer hängen.'],
    'Lass beide Hände auf der Stirn ruhen.',
  ),
  'brow-pinches': words(
    'Brauen zupfen',
    [
      'Nimm die Brauen am inneren Ende zwischen Daumen und Zeigefinger.',
      'Zupf in kleinen Schritten weich bis zum äußeren Ende.',
    ],
    'Die Brauen von innen nach außen zupfen.',
    ['Jeden Griff einen Moment halten.', 'Brauen auseinander.', 'Weiche Finger.'],
    'Streich über die Brauen nach außen.',
  ),
  'brow-presses': words(
    'Brauen drücken',
    [
      'Zeigefinger an die inneren Enden der Brauen.',
      'Drück sanft auf den Knochen, lass los und geh einen Fingerbreit nach außen.',
    ],
    'Am Brauenknochen entlang drücken, von innen nach außen.',
    ['Nur auf dem Knochen.', 'Beim Drücken ausatmen.', 'Auf beiden Seiten gleich fest.'],
    'Ruh an den Schläfen aus.',
  ),
  'thumbs-lift-under-brow': words(
    'Daumen heben unter der Braue',
    [
      'Setz die Daumen auf den Knochen unter den Brauen, nah an der Nase.',
      'Heb federleicht gegen den Knochen und wandere Schritt für Schritt nach außen.',
    ],
    'Die Daumen heben am Knochen unter der Braue entlang.',
    ['Auf dem Knochen, nie auf dem Auge.', 'Federleicht.', 'Lass den Kopf auf den Daumen ruhen.'],
    'Schließ die Augen und ruh aus.',
  ),
  'hook-strokes-between-brows': words(
    'Hakenstriche zwischen den Brauen',
    [
      'Mittelfinger an den Nasenrücken.',
      'Streich zwischen den Brauen hinauf und im Bogen über eine Braue, dann über die andere.',
    ],
    'Zwischen den Brauen hinauf und hinaus, im Wechsel.',
    ['Leicht und fließend.', 'Eine Hand nach der anderen.', 'Lass die Falte schmelzen.'],
    'Leg einen Finger zwischen die Brauen.',
  ),
  'under-eye-circles': words(
    'Ringfingerkreise unter den Augen',
    [
      'Ringfinger auf den Knochen unter den inneren Augenwinkeln.',
      'Winzige, federleichte Kreise, am Knochen entlang nach außen.',
    ],
    'Winzige Kreise am Knochen unter den Augen.',
    ['Nur auf dem Knochen.', 'Die Haut wandert nicht mit.', 'Augen zu, wenn du magst.'],
    'Ruh an den Schläfen aus.',
  ),
  'under-eye-ring-finger-sweep': words(
    'Ringfingerstrich unter den Augen',
    [
      'Ringfinger an die inneren Augenwinkel, auf den Knochen unter dem Auge.',
      'Gleite federleicht zu den Schläfen. Die Haut wandert nicht mit.',
    ],
    'Die Ringfinger gleiten am Knochen hinaus, federleicht.',
    ['Nur auf dem Knochen.', 'So leicht, dass die Haut bleibt.', 'Augen zu, wenn du magst.'],
    'Lass die Finger an den Schläfen ruhen.',
  ),
  'cheek-pinches': words(
    'Wangen zupfen',
    ['Zupf mit Daumen und Zeigefinger die Wangen weich und flink, von der Nase zu den Ohren.'],
    'Flink und weich über die Wangen zupfen.',
    ['Wenig nehmen, gleich loslassen.', 'Rosig genügt.', 'Auch unter dem Wangenknochen.'],
    'Leg die Hände auf die warmen Wangen.',
  ),
  'cheekbone-clamp-sweeps': words(
    'Wangenknochen ausstreichen',
    [
      'Nimm die Wangenknochen neben der Nase zwischen Zeige- und Mittelfinger.',
      'Streich am Knochen entlang zu den Ohren.',
    ],
    'Zeigefinger oben, Mittelfinger unten, zu den Ohren streichen.',
    ['Folge dem Knochen.', 'Bleib unter dem Auge.', 'Langsam und gleichmäßig.'],
    'Ruh vor den Ohren aus.',
    {
      easier: [
        FEATHER,
        'Streich mit flachen Fingern am Wangenknochen entlang, leicht wie eine Feder.',
        'Flache Finger am Wangenknochen.',
      ],
    },
  ),
  'under-cheekbone-points': words(
    'Punkte unter dem Wangenknochen',
    [
      'Setz zwei Fingerspitzen neben die Nasenflügel, in die Mulde unter dem Wangenknochen.',
      'Kleine Kreise dort, dann einen Fingerbreit nach außen und noch einmal, drei Stellen.',
    ],
    'Kleine Kreise in der Mulde unter dem Wangenknochen.',
    [
      'Drück hinauf an den Knochen, nicht zu den Zähnen.',
      'Beim Drücken ausatmen.',
      'Angenehm, nie wund.',
    ],
    'Lass los und streich zu den Ohren.',
    {
      easier: [
        FEATHER,
        'Leg die Finger unter den Wangenknochen und kreise leicht wie eine Feder.',
        'Federleichte Kreise unter dem Wangenknochen.',
      ],
    },
  ),
  'alternate-cheek-lifts': words(
    'Wange heben im Wechsel',
    [
      'Beide Hände arbeiten auf einer Gesichtsseite.',
      'Streich vom Kiefer zum Wangenknochen, eine Hand nach der anderen, ohne Pause.',
    ],
    'Eine Hand nach der anderen die Wange hinauf.',
    ['Immer eine Hand auf der Wange.', 'Flach und warm.', 'Mund locker.'],
    'Vergleiche beide Seiten.',
  ),
  'corner-to-ear-pulls': words(
    'Vom Mundwinkel zum Ohr',
    ['Fingerspitzen neben die Mundwinkel.', 'Zieh langsam hinauf und hinaus zu den Ohren.'],
    'Von den Mundwinkeln zu den Ohren.',
    ['Gleiten, nicht dehnen.', 'Auf beiden Seiten gleich.', 'Lippen weich.'],
    'Ruh vor den Ohren aus.',
  ),
  'chin-to-ear-hooks': words(
    'Vom Kinn zum Ohr',
    [
      'Nimm die Kieferkante am Kinn zwischen gebeugte Zeigefinger und Daumen.',
      'Gleite am Kiefer entlang zu den Ohren.',
    ],
    'Am Kiefer entlang vom Kinn zum Ohr gleiten.',
    ['Am Knochen entlang.', 'Zähne auseinander.', 'Langsam am Kieferwinkel.'],
    'Ruh unter den Ohren aus.',
  ),
  'jawline-pinches': words(
    'Kieferkante zupfen',
    [
      'Zupf die Kieferkante weich vom Kinn nach außen, in kleinen Schritten.',
      'Am Ende drück sanft unter den Ohren.',
    ],
    'Am Kiefer entlang zupfen, unter den Ohren drücken.',
    ['Kleine Schritte.', 'Der Druck kommt beim Ausatmen.', 'Zähne auseinander.'],
    'Streich die Halsseiten hinab.',
  ),
  'lip-line-pinches': words(
    'Lippenrand zupfen',
    [
      'Zupf mit Daumen und Zeigefinger weich am Rand der Oberlippe, von der Mitte nach außen.',
      'Dann an der Unterlippe. Klein und flink.',
    ],
    'Klein an beiden Lippenrändern zupfen.',
    [
      'Von der Mitte zu den Winkeln.',
      'Weich, sodass die Haut nur warm wird.',
      'Lass den Kiefer hängen.',
    ],
    'Lass los und press die Lippen einmal zusammen.',
  ),
  'ear-squeeze-and-circles': words(
    'Ohren drücken und kreisen',
    [
      'Nimm die Ränder beider Ohren zwischen Daumen und Zeigefinger.',
      'Drück von oben bis zum Läppchen, kreise dann langsam mit dem ganzen Ohr und schüttle es weich.',
    ],
    'Ränder drücken, die Ohren kreisen und schütteln.',
    [
      'Warme Ohren sind das Ziel.',
      'Lass den Kiefer hängen.',
      'Langsame Kreise, in beide Richtungen.',
    ],
    'Lass die Ohren los und spüre die Wärme.',
  ),
  'neck-sweep-to-collarbone': words(
    'Halsstrich zum Schlüsselbein',
    [
      'Streich mit der flachen gegenüberliegenden Hand von unter dem Ohr die Halsseite hinab.',
      'Langsam und leicht, und am Schlüsselbein hinaus.',
    ],
    'Leichte Striche vom Ohr zum Schlüsselbein.',
    [
      'So leicht, wie man eine Katze streichelt.',
      'Immer hinab, zum Schlüsselbein.',
      'Nur eine Seite auf einmal.',
    ],
    'Lass die Hand auf dem Schlüsselbein ruhen.',
  ),
  'side-knuckle-rolls': words(
    'Knöchelrollen, eine Seite',
    [
      'Weiche Fäuste auf eine Gesichtsseite.',
      'Roll die Knöchel langsam vom Kiefer zum Wangenknochen und wieder hinab.',
    ],
    'Die Knöchel rollen eine Seite hinauf und hinab.',
    ['Rollen wie Teig.', 'Sofort nachlassen, wenn es wehtut.', 'Zähne auseinander.'],
    'Glätte die Seite mit flacher Hand.',
    {
      easier: [
        FEATHER,
        'Streich die Seite mit flachen Fingern hinauf und hinab, leicht wie eine Feder.',
        'Flach hinauf und hinab streichen.',
      ],
    },
  ),
  'upward-slides': words(
    'Aufwärtsstriche',
    [
      'Flache Hände an das Schlüsselbein.',
      'Gleite über die Halsseiten und die Wangen zu den Schläfen hinauf.',
    ],
    'Vom Schlüsselbein zu den Schläfen gleiten.',
    [
      'Nie beide Hände vorn am Hals.',
      'Langsam und mit der ganzen Hand.',
      'Auf dem Weg nach oben einatmen.',
    ],
    'Ruh an den Schläfen aus.',
  ),
  'downward-drain-slides': words(
    'Abwärtsstriche',
    [
      'Flache Hände an die Schläfen.',
      'Gleite vor den Ohren und an den Halsseiten hinab zum Schlüsselbein, leicht wie Seide.',
    ],
    'Von den Schläfen hinab zum Schlüsselbein.',
    ['Immer hinab.', 'Federleicht am Hals.', 'Ein langsamer Atemzug pro Strich.'],
    'Lass die Hände auf den Schlüsselbeinen ruhen.',
  ),
  'closing-face-drain': words(
    'Abschließendes Ausstreichen',
    [
      'Streich mit flachen Händen von der Gesichtsmitte zu den Ohren: Stirn, Wangen, Kinn.',
      'Dann die Halsseiten hinab zu den Schlüsselbeinen, leicht wie Seide.',
    ],
    'Von der Mitte hinaus, dann hinab zu den Schlüsselbeinen.',
    ['Immer hinaus, dann hinab.', 'Sehr leicht am Hals.', 'Ein langsamer Atemzug pro Strich.'],
    'Lass die Hände auf den Schlüsselbeinen ruhen.',
  ),
  'closing-free-massage': words(
    'Freie Massage',
    [
      'Gib deinem Gesicht jetzt, was es möchte: streichen, kreisen oder nur die Hände auflegen, so lange es guttut.',
    ],
    'Was das Gesicht möchte.',
    ['Bleib, wo es angenehm ist.', 'Unter den Augen nur auf dem Knochen.', 'Keine Eile.'],
    'Lass die Hände zur Ruhe kommen.',
  ),
};
