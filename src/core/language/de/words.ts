import { notAfter } from '../not-after';

/** What words in German mean for the body; see `LanguageWords`. */
export const words = {
  clauses: /[.;:!?]\s+|,\s+(?=aber)/i,
  not: /\b(nicht|nie|kein\w*|ohne|statt|nichts|niemand\w*|bevor|weg von|fern von|lass\w* .* aus|denk nur|denk dir)\b/i,
  asks: [
    [/\b(heb|hebt|heben|hebe)\b.*\bkinn\b|\bkinn (hoch|gehoben|etwas hoch|steigt)\b/i, 'headBack'],
    [/\bkopf (in den nacken|zurück|nach hinten)|\bgedreht und gehoben\b/i, 'headBack'],
    [
      /\bmund (ganz |sehr )?weit (auf|öffnen)|\bgähn(?!.*lippen)|\bsehr weit\b|\brunde[ns] O\b|\blange[sn]? (schmale[sn]? )?O\b|\blange[sn]?, schmale[sn]? O\b/i,
      'wideOpening',
    ],
    [
      /\b(unter)?kiefer (gerade |ein wenig |etwas )?(nach )?vor\b|\bkiefer nach vorn\b|\bkinn (gleitet )?(gerade )?(nach )?vor(n|wärts)?\b/i,
      'jawForward',
    ],
    [/\bunterkiefer .*\bvor(n|schieben)?\b|\bschieb .*\bkiefer\b.*\bvor/i, 'jawForward'],
    [/\bkinn .*\b(in die hände|gegen die hände)\b/i, 'resistedJaw'],
    [
      /\b(knöchel|fäuste|faust)\b.*\b(kiefer|kaumuskel)|\bkneif\w*\b.*\b(kiefer|unterkiefer)/i,
      'jawPressure',
    ],
    [
      /\bdrück\w*\b.*\b(hinter dem kiefer|unter den ohren|unter den ohrläppchen)|\bmulde .*\b(hinter dem kiefer|vor den ohren)/i,
      'jawPressure',
    ],
    [
      /\b(halt\w*|anhalten) (den|die luft|deinen)? ?(atem|luft)( an)?\b|\batem anhalten|\bluft anhalten|\bkurz oben halten/i,
      'breathHold',
    ],
    [
      /\bkopf (zwischen die knie|unter herzhöhe)|\bbeug dich (ganz )?(nach )?vor/i,
      'headBelowHeart',
    ],
    [
      /\b(lider|augen) (fest|kräftig) (zu|schließ|zusammen)|\bschließ die (lider|augen) fest|\b(lider|augen) .*\bzukneifen|\bkneif die (augen|lider)|\bblinzel[en]* gegen/i,
      'squeezeShut',
    ],
    [
      /\b(hals|halsseiten?|nackenseiten?)\b.*\b(hinab|hinunter|abwärts)|\b(hinab|hinunter|bis) (zu den|zum) schlüsselbein(en)?|\blymph|\bdrainage/i,
      'drain',
    ],
    [/\bdaumen innen\b|\b(finger|daumen) in den mund\b/i, 'insideMouth'],
    [/\b(kneif(?!\w* (die |deine )?(augen|lider)\b)|zwick|zupf)/i, 'pinching'],
  ],
  places: [
    [/\bkopfhaut\b|\bscheitel\b|\bhaare?\b|\bhaarwurzeln\b/i, ['scalp']],
    [/\bstirn\b|\bhaaransatz\b/i, ['forehead']],
    [/\bbrauen?\b/i, ['brows']],
    [/\bschläfen?\b/i, ['temples']],
    [
      notAfter(
        /(weit|deutlich) $/i,
        /\b(unter|um|neben|über|auf) (den|die|dem) (geschlossenen )?augen?\b|\baugenlider?\b|\baugenwinkeln?\b/i,
      ),
      ['eyes'],
    ],
    [/\brändern? beider ohren|\bränder der ohren|\bauf die ohren\b/i, ['ears']],
    [/\bnase\b|\bnasen\w+\b/i, ['nose']],
    [/\bwangenknochen\b/i, ['upperCheeks']],
    [/\bwangen?\b/i, ['lowerCheeks']],
    [/\bmundwinkeln?\b|\blippen?\b|\blippenränder\b|\bkiefer, (kinn, )?mund\b/i, ['mouth']],
    [/\bkinn\b/i, ['chin']],
    [/\bkiefers?\b|\bkaumuskel\b/i, ['jaw']],
    [/\bunter (dem|das) kinn\b/i, ['underChin']],
    [/\bvorn am hals\b|\bhals vorn\b|\bvorn an den hals\b/i, ['frontNeck']],
    [/\bhalsseiten?\b|\bseiten des halses\b|\bunter dem ohr\b/i, ['sideNeck']],
    [/\bnacken\b|\bunter dem schädel\b/i, ['shoulders']],
    [/\bschlüsselbein\w*\b|\bbrustbein\b|\bauf die brust\b/i, ['chest']],
  ],
  hands:
    /\b(finger(?!breit| breit)\w*|zeigefinger|mittelfinger|ringfinger|daumen|handfläche\w*|handballen|knöchel|fäuste?|klopf\w*|streich\w*|kneif\w*|knet\w*|zupf\w*)\b|\b(leg|lass|setz)\w* .*\bh(a|ä)nd(e|en)?\b/i,
  handsFree:
    /\b(ohne|keine) (die )?(hände|hand|finger|ringe)\b|\bhände (bleiben |ruhen )?(in den|im) schoß\b|\bfinger bleiben weg\b/i,
  featherLight: /\bfederleicht|\bleicht wie (eine feder|schaum|seide|regen|nieselregen)\b/i,
  goesOn: /^(dann|danach|weiter|und weiter)\b/i,
  bothSides: /\bbeide[nrs]? (seiten|hälften)\b|\bbeiderseits\b/i,
  releasing: /(\bklopf|\btipp|\bstreich|streif|\breib|\bknet|\bkämm|\bglätt|\bmassier)/i,
} as const;
