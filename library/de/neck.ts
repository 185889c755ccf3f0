import { type AreaWords, words } from '../shape';

const LEVEL = 'Das Kinn bleibt waagerecht.';

export const neck: AreaWords = {
  'anchored-jaw-forward': words(
    'Hals verankert, Kiefer vor',
    [
      'Leg beide Hände flach unter die Schlüsselbeine und halt die Haut sanft unten.',
      'Heb das Kinn, so weit der Nacken mag, schieb den Unterkiefer vor und spüre, wie der Hals lang wird.',
    ],
    'Hände halten unter den Schlüsselbeinen, Kinn hoch, Kiefer vor.',
    ['Der Nacken bleibt lang.', 'Zähne auseinander, Lippen weich.', 'Atme tief und langsam.'],
    'Senk das Kinn und streich den Hals leicht nach unten.',
    {
      easier: [
        LEVEL,
        'Hände unter die Schlüsselbeine, Kinn waagerecht. Schieb den Unterkiefer vor und spüre den Hals.',
        'Kinn waagerecht, Kiefer vor.',
      ],
    },
  ),
  'anchored-jaw-three-ways': words(
    'Hals verankert, drei Richtungen',
    [
      'Hände unter die Schlüsselbeine, Kinn gehoben, Unterkiefer vor.',
      'Halt in der Mitte, dann etwas nach links gedreht, dann etwas nach rechts.',
    ],
    'Kiefer vor in der Mitte, links, rechts.',
    ['Nur wenig drehen.', 'Die Hände halten, sie drücken nicht.', 'Atme an jeder Stelle.'],
    'Zurück zur Mitte, Kinn tief, den Hals streichen.',
    {
      easier: [
        LEVEL,
        'Hände unter die Schlüsselbeine, Kinn waagerecht. Kiefer vor in der Mitte, links, rechts.',
        'Kinn waagerecht; Mitte, links, rechts.',
      ],
    },
  ),
  'anchored-tongue-curl': words(
    'Hals verankert, Zunge zurückgerollt',
    [
      'Hände unter die Schlüsselbeine, Kinn gehoben.',
      'Roll die Zungenspitze am Gaumen nach hinten und halt sie dort, Lippen geschlossen.',
    ],
    'Kinn hoch, Zunge zurückgerollt.',
    ['Die Lippen bleiben weich.', 'Spüre es unter dem Kinn.', 'Atme durch die Nase.'],
    'Lass die Zunge flach werden und senk das Kinn.',
    {
      easier: [
        LEVEL,
        'Hände unter die Schlüsselbeine, Kinn waagerecht. Roll die Zungenspitze am Gaumen zurück und halt.',
        'Kinn waagerecht, Zunge zurückgerollt.',
      ],
    },
  ),
  'anchored-lip-corners-back': words(
    'Hals verankert, Mundwinkel zurück',
    [
      'Hände unter die Schlüsselbeine, Kinn gehoben.',
      'Zieh die Unterlippe über die Zähne und die Mundwinkel zurück und spüre, wie sich die Halshaut spannt.',
    ],
    'Kinn hoch, Unterlippe über die Zähne, Winkel zurück.',
    ['Oben im Gesicht bleibt es ruhig.', 'Schultern tief.', 'Atme weiter.'],
    'Lass den Mund los und streich den Hals nach unten.',
    {
      easier: [
        LEVEL,
        'Hände unter die Schlüsselbeine, Kinn waagerecht. Unterlippe über die Zähne, Mundwinkel zurück.',
        'Kinn waagerecht, Winkel zurück.',
      ],
    },
  ),
  'jaw-open-close-looking-up': words(
    'Öffnen und Schließen mit Blick nach oben',
    [
      'Heb das Kinn und schau nach oben.',
      'Öffne den Mund langsam und schließ ihn langsam, als würdest du einen sehr weichen Apfel kauen.',
    ],
    'Blick nach oben, langsam öffnen und schließen.',
    ['Langsam, auch auf dem Rückweg.', 'Spüre es unter dem Kinn.', 'Hör auf, bevor etwas knackt.'],
    'Senk das Kinn und lass den Kiefer hängen.',
    {
      easier: [
        'Kinn waagerecht und nur wenig öffnen.',
        'Kinn waagerecht. Öffne nur einen Finger breit und schließ langsam.',
        'Kinn waagerecht, wenig öffnen.',
      ],
    },
  ),
  'wrist-cradle-chin-press': words(
    'Kinn in der Schale',
    [
      'Leg die Handgelenke aneinander und das Kinn in die Hände wie in eine Schale.',
      'Drück das Kinn nach unten und vorn in die Hände, halt kurz und lass los.',
    ],
    'Das Kinn in die Hände drücken und loslassen.',
    ['Die Hände halten leicht dagegen.', 'Nacken lang.', 'Zähne auseinander.'],
    'Lass das Kinn in den Händen ruhen.',
    {
      easier: [
        'Ohne Druck.',
        'Kinn in der Schale. Denk nur daran zu drücken und spüre den Muskel unter dem Kinn.',
        'Nur daran denken.',
      ],
    },
  ),
  'front-neck-pulses': words(
    'Pulse vorn am Hals',
    [
      'Leg die flachen Finger einer Hand leicht vorn an den Hals, ohne zu drücken.',
      'Spann die Halshaut zur Hand hin an und lass los, einmal pro Sekunde, Mundwinkel nach unten.',
    ],
    'Die Halshaut pulst zur Hand.',
    ['Die Finger drücken nie.', 'Kurz und leicht.', 'Kiefer locker.'],
    'Streich leicht zum Schlüsselbein hinab.',
  ),
  'chin-glide-against-fingers': words(
    'Kinn gleitet gegen die Finger',
    [
      'Zwei Finger an die Kinnspitze.',
      'Schieb das Kinn gerade nach vorn gegen einen leichten Widerstand und lass es zurückkommen.',
    ],
    'Das Kinn gleitet gegen die Finger vor.',
    ['Gerade vor, nicht hoch.', 'Leichte Finger.', 'Auch zurück langsam.'],
    'Lass den Kiefer hängen und streich unter dem Kinn.',
    {
      easier: [
        'Ohne Widerstand.',
        'Lass das Kinn von selbst vor- und zurückgleiten; die Finger spüren nur.',
        'Vor und zurück, ohne Widerstand.',
      ],
    },
  ),
  'tongue-palate-press': words(
    'Die ganze Zunge drückt',
    [
      'Schließ die Lippen, die Zähne etwas auseinander.',
      'Drück die ganze Zunge flach an den Gaumen, als wäre sie ein Stempel.',
    ],
    'Die ganze Zunge drückt an den Gaumen.',
    ['Auch der Zungenrücken drückt.', 'Atme durch die Nase.', 'Der Kiefer bleibt locker.'],
    'Lass die Zunge sinken und klopf unter dem Kinn.',
  ),
  'tongue-taps-to-palate': words(
    'Zunge tippt an den Gaumen',
    [
      'Dreh den Kopf zur Seite und heb das Kinn ein wenig.',
      'Tipp mit der Zungenspitze an den Gaumen, einmal pro Sekunde.',
      'Du solltest die Arbeit unter dem Kinn spüren.',
    ],
    'Kopf gedreht, die Zungenspitze tippt einmal pro Sekunde.',
    ['Die Lippen bleiben geschlossen und weich.', 'Nur die Zunge arbeitet.', 'Schultern tief.'],
    'Zurück zur Mitte und einmal schlucken.',
    {
      easier: [
        'Der Kopf schaut nach vorn.',
        'Schau geradeaus, Kinn waagerecht. Tipp mit der Zungenspitze an den Gaumen, einmal pro Sekunde.',
        'Kopf gerade, die Zunge tippt.',
      ],
    },
  ),
  'tongue-toward-nose': words(
    'Zunge zur Nase',
    ['Streck die Zunge heraus und hinauf zur Nasenspitze und halt sie dort lange.'],
    'Zunge zur Nase und halten.',
    ['Kinn waagerecht.', 'Die Brauen machen nicht mit.', 'Atme durch die Nase.'],
    'Nimm die Zunge hinein und schluck.',
  ),
  'tongue-corner-to-corner': words(
    'Zunge von Winkel zu Winkel',
    [
      'Streck die Zunge ein wenig heraus und führ die Spitze von einem Mundwinkel zum anderen.',
      'Langsam, und berühr jeden Winkel.',
    ],
    'Zungenspitze von Winkel zu Winkel.',
    ['Der Kiefer bleibt still.', 'Berühr beide Winkel.', 'Augen weich.'],
    'Zunge hinein, Lippen zu.',
  ),
  'tongue-to-ceiling': words(
    'Zunge zur Decke',
    ['Heb das Kinn und streck die Zunge zur Decke.', 'Führ sie langsam von Seite zu Seite.'],
    'Kinn hoch, Zunge zur Decke, von Seite zu Seite.',
    ['Nacken lang.', 'Langsam und weit.', 'Spüre es unter dem Kinn.'],
    'Zunge hinein, Kinn tief.',
    {
      easier: [
        LEVEL,
        'Kinn waagerecht. Streck die Zunge heraus und hinauf und führ sie langsam von Seite zu Seite.',
        'Kinn waagerecht, Zunge hoch, von Seite zu Seite.',
      ],
    },
  ),
  'swallow-looking-up': words(
    'Schlucken mit Blick nach oben',
    [
      'Dreh den Kopf ein wenig zur Seite und heb das Kinn.',
      'Drück die Zunge an den Gaumen, schluck und halt den Druck einen Moment.',
    ],
    'Kopf gedreht und gehoben; drücken und schlucken.',
    ['Lippen geschlossen.', 'Nur so hoch, dass das Schlucken leicht ist.', 'Dazwischen ausruhen.'],
    'Kinn waagerecht, den Hals vorn streichen.',
    {
      easier: [
        LEVEL,
        'Kinn waagerecht, Blick nach vorn. Zunge an den Gaumen, schlucken, den Druck kurz halten.',
        'Kinn waagerecht; drücken und schlucken.',
      ],
    },
  ),
  'side-neck-lift': words(
    'Halsseite heben',
    [
      'Dreh den Kopf und heb das Kinn ein wenig über die Schulter.',
      'Spann den langen Muskel an der Halsseite an und halt.',
    ],
    'Drehen, heben und die Halsseite halten.',
    ['Die Schulter bleibt unten.', 'Zähne auseinander.', 'Atmen.'],
    'Zurück zur Mitte und die Seite hinabstreichen.',
  ),
};
