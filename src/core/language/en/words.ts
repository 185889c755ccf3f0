import { notAfter } from '../not-after';

/** What words in English mean for the body; see `LanguageWords`. */
export const words = {
  clauses: /[.;:!?]\s+|,\s+(?=but|and then)/i,
  not: /\b(no|not|never|without|instead of|nothing|nobody|stop before|away from|leave[s]? .* out|rather than|only think of)\b/i,
  asks: [
    [/\b(lift|raise)(s|ed|ing)? (up )?the chin|\bchin (up|lifted|raised|rises)\b/i, 'headBack'],
    [/\b(turn|look)ed and lifted\b|\bturn, lift\b/i, 'headBack'],
    [/\bhead (goes |falls |tilts? |tilted )?back\b|\btilt (the |your )?head back/i, 'headBack'],
    [
      /\bopen the mouth (very )?wide|\byawn\b(?!.*\blips)|\bwide open mouth|\bmouth (very )?wide/i,
      'wideOpening',
    ],
    [/\bvery wide\b|\bround O\b|\blong O\b|\blong, narrow O\b/i, 'wideOpening'],
    [/\bjaw (straight |a little )?forward|\bchin (straight )?forward\b/i, 'jawForward'],
    [/\bchin glides? (straight )?forward|\bglide the chin\b|\bjaw slides? forward/i, 'jawForward'],
    [
      /\bchin down and forward\b|\bpress the chin\b|\bscoops? up (to close|against)/i,
      'resistedJaw',
    ],
    [/\bagainst a light resistance\b.*\bjaw|\bresistance while the jaw/i, 'resistedJaw'],
    [/\b(knuckles?|fists?)\b.*\b(jaw|chewing muscle)|\bpinch\w*\b.*\bjaw\b/i, 'jawPressure'],
    [/\bpress\w*\b.*\b(behind the jaw|below the ears?|below the ear lobes)\b/i, 'jawPressure'],
    [/\bhollow (behind the jaw|in front of the ears?)|\bbehind the jaw\b/i, 'jawPressure'],
    [/\bhold(ing)? (the|your) breath\b|\ba short hold at the top/i, 'breathHold'],
    [
      /\bhead (between|below) (the |your )?(knees|heart)|\bbend (all the way )?forward/i,
      'headBelowHeart',
    ],
    [
      /\b(squeeze|close|shut)\w*( the| your)? (lids|eyes)( \w+)? firmly|\blids (close|closed) firmly/i,
      'squeezeShut',
    ],
    [/\bclose the lids firmly|\bsqueez\w* (the )?(eyes|lids)\b|\bsquint/i, 'squeezeShut'],
    [/\bdown the (side|sides|front) of the neck|\bdown (to|along) the collarbone/i, 'drain'],
    [/\bneck .*\bto the collarbones?\b|\blymph\b|\bdrain\w*\b/i, 'drain'],
    [
      /\b(thumb|finger)s? inside (the|your) (cheek|mouth)|\binside the mouth with\b/i,
      'insideMouth',
    ],
    [/\bpinch/i, 'pinching'],
  ],
  places: [
    [/\bscalp\b|\bhair\b|\bcrown\b|\btop of the head\b/i, ['scalp']],
    [/\bforehead\b|\bhairline\b/i, ['forehead']],
    [/\bbrows?\b/i, ['brows']],
    [/\btemples?\b/i, ['temples']],
    [
      notAfter(
        /well $/i,
        /\b(under|below|round|beside|over) (the|your|your closed) eyes?\b|\beyelids?\b|\bcorners? of the eyes?\b|\binner corners\b/i,
      ),
      ['eyes'],
    ],
    [/\brims of both ears|\bear lobes?\b.*\bbetween\b|\bover the ears\b/i, ['ears']],
    [/\bnose\b|\bnostrils?\b/i, ['nose']],
    [/\bcheekbones?\b/i, ['upperCheeks']],
    [/\bcheeks?\b/i, ['lowerCheeks']],
    [
      /\b(mouth corners?|corners of the mouth)\b|\blips?\b|\blip lines?\b|\bover jaw, (chin, )?mouth\b/i,
      ['mouth'],
    ],
    [/\bchin\b/i, ['chin']],
    [/\bjaw\b|\bchewing muscle\b/i, ['jaw']],
    [/\bunder the chin\b/i, ['underChin']],
    [/\bfront of the neck\b/i, ['frontNeck']],
    [/\bsides? of the neck\b|\bbelow the ear\b/i, ['sideNeck']],
    [/\bback of the neck\b|\bnape\b|\bunder the skull\b/i, ['shoulders']],
    [/\bcollarbones?\b|\bbreastbone\b|\bon the chest\b/i, ['chest']],
  ],
  hands:
    /\b(fingers?(?! wide| width)|fingertips?|thumbs?|palms?|palm heels?|heels of the hands|knuckles?|fists?|tap|tapping|stroke|strokes|sweep|pinch|knead|slide (the )?(hands|fists|flat))\b|\b(lay|rest|set) (the |your |both |two )?(\w+ )?(hands?|fingers?|palms?|thumbs?)\b/i,
  handsFree:
    /\b(without|no) (the )?(hands?|fingers?|rings)\b|\b(both )?hands (rest |stay )?in the lap\b|\bfingers stay away\b/i,
  featherLight: /\bfeather-light\b|\blight as (a feather|foam|drizzle|silk|rain)\b/i,
  goesOn: /^(then|go on|and on|move on)\b/i,
  bothSides: /\bboth (sides|halves)\b/i,
  releasing: /\b(tap|stroke|sweep|smooth|rub|knead|comb|massage)\b/i,
} as const;
