import type { Area } from './areas';
import { type Demand, LANGUAGES, type Language, type Move, type MoveText } from './move';

/**
 * What the words of a cue ask of the body. The library's data are held against these tables, so that a
 * move cannot say what its cautions do not know of; a teacher's own move is read by them as well.
 */

export type Asked = Demand | 'headBack' | 'pinching' | 'handsFree' | 'featherLight';
type Pattern<T> = readonly [words: RegExp, means: T];

/** A word that turns what follows it into something that is not done. */
const NOT: Record<Language, RegExp> = {
  en: /\b(no|not|never|without|instead of|nothing|nobody|stop before|away from|leave[s]? .* out|rather than|only think of)\b/i,
  de: /\b(nicht|nie|kein\w*|ohne|statt|nichts|niemand\w*|bevor|weg von|fern von|lass\w* .* aus|denk nur|denk dir)\b/i,
};

const ASKS: Record<Language, readonly Pattern<Asked>[]> = {
  en: [
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
  de: [
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
    [/\b(kneif|zwick|zupf)/i, 'pinching'],
  ],
};

/** Places by what they are called. */
const PLACES: Record<Language, readonly Pattern<readonly Area[]>[]> = {
  en: [
    [/\bscalp\b|\bhair\b|\bcrown\b|\btop of the head\b/i, ['scalp']],
    [/\bforehead\b|\bhairline\b/i, ['forehead']],
    [/\bbrows?\b/i, ['brows']],
    [/\btemples?\b/i, ['temples']],
    [
      /(?<!well )\b(under|below|round|beside|over) (the|your|your closed) eyes?\b|\beyelids?\b|\bcorners? of the eyes?\b|\binner corners\b/i,
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
  de: [
    [/\bkopfhaut\b|\bscheitel\b|\bhaare?\b|\bhaarwurzeln\b/i, ['scalp']],
    [/\bstirn\b|\bhaaransatz\b/i, ['forehead']],
    [/\bbrauen?\b/i, ['brows']],
    [/\bschläfen?\b/i, ['temples']],
    [
      /(?<!weit |deutlich )\b(unter|um|neben|über|auf) (den|die|dem) (geschlossenen )?augen?\b|\baugenlider?\b|\baugenwinkeln?\b/i,
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
};

/** A cue in which hands lie on something or move over it. */
const HANDS: Record<Language, RegExp> = {
  en: /\b(fingers?(?! wide| width)|fingertips?|thumbs?|palms?|palm heels?|heels of the hands|knuckles?|fists?|tap|tapping|stroke|strokes|sweep|pinch|knead|slide (the )?(hands|fists|flat))\b|\b(lay|rest|set) (the |your |both |two )?(\w+ )?(hands?|fingers?|palms?|thumbs?)\b/i,
  de: /\b(finger(?!breit| breit)\w*|zeigefinger|mittelfinger|ringfinger|daumen|handfläche\w*|handballen|knöchel|fäuste?|klopf\w*|streich\w*|kneif\w*|knet\w*|zupf\w*)\b|\b(leg|lass|setz)\w* .*\bh(a|ä)nd(e|en)?\b/i,
};

/** A version that does without the hands; here the "without" is what is meant. */
const FREE: Record<Language, RegExp> = {
  en: /\b(without|no) (the )?(hands?|fingers?|rings)\b|\b(both )?hands (rest |stay )?in the lap\b|\bfingers stay away\b/i,
  de: /\b(ohne|keine) (die )?(hände|hand|finger|ringe)\b|\bhände (bleiben |ruhen )?(in den|im) schoß\b|\bfinger bleiben weg\b/i,
};

/** Hands that are told to be as light as can be. */
const FEATHER: Record<Language, RegExp> = {
  en: /\bfeather-light\b|\blight as (a feather|foam|drizzle|silk|rain)\b/i,
  de: /\bfederleicht|\bleicht wie (eine feder|schaum|seide|regen|nieselregen)\b/i,
};

/** A sentence that goes on with what the hands did in the one before. */
const GOES_ON: Record<Language, RegExp> = {
  en: /^(then|go on|and on|move on)\b/i,
  de: /^(dann|danach|weiter|und weiter)\b/i,
};

/** The parts of a text that say one thing each: what a "not" belongs to goes no further. */
const phrasesOf = (text: string): string[] =>
  text.split(/(?<=[.;:!?])\s+|,\s+(?=but|aber|and then)/i);

/** What a cue asks of the body by its words. */
export function askedBy(text: string, language: Language): Asked[] {
  const found = new Set<Asked>();
  for (const phrase of phrasesOf(text)) {
    if (FREE[language].test(phrase)) found.add('handsFree');
    if (FEATHER[language].test(phrase)) found.add('featherLight');
    for (const [words, asked] of ASKS[language]) {
      const at = words.exec(phrase);
      if (at && !NOT[language].test(phrase.slice(0, at.index + at[0].length))) found.add(asked);
    }
  }
  return [...found];
}

/**
 * The areas that a cue sends the hands to by its words.
 * @param before the cue before it, which it may go on with
 */
export function placesIn(text: string, language: Language, before = ''): Area[] {
  const goesOn = GOES_ON[language].test(text) && HANDS[language].test(before);
  const found = new Set<Area>();
  for (const phrase of phrasesOf(text)) {
    if (!goesOn && !HANDS[language].test(phrase)) continue;
    for (const [words, areas] of PLACES[language]) {
      const at = words.exec(phrase);
      if (!at || NOT[language].test(phrase.slice(0, at.index))) continue;
      for (const area of areas) found.add(area);
    }
  }
  return [...found];
}

/** A cue that taps or strokes something off; that belongs to the release, which can be left out. */
const RELEASING: Record<Language, RegExp> = {
  en: /\b(tap|stroke|sweep|smooth|rub|knead|comb|massage)\b/i,
  de: /(\bklopf|\btipp|\bstreich|streif|\breib|\bknet|\bkämm|\bglätt|\bmassier)/i,
};
export const releasesIn = (text: string, language: Language): boolean =>
  RELEASING[language].test(text);

/** The cues of a move as it is done that tell people what to do. */
const telling = (text: MoveText): string[] => [...text.setup, text.short, ...text.form];

/** What the words of a move as it is done ask of the body, and where they send the hands. */
export function readWords(move: Move): { asks: Set<Asked>; places: Set<Area> } {
  const asks = new Set<Asked>();
  const places = new Set<Area>();
  for (const language of LANGUAGES) {
    const text = move.text[language];
    if (!text) continue;
    for (const cue of telling(text)) for (const asked of askedBy(cue, language)) asks.add(asked);
    // Reminders name places that hands have nothing to do with, as in "jaw loose".
    [...text.setup, text.short].forEach((cue, i) => {
      const before = i < text.setup.length ? text.setup[i - 1] : undefined;
      for (const area of placesIn(cue, language, before)) places.add(area);
    });
  }
  return { asks, places };
}
