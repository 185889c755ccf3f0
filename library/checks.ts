import { claimIn } from '@/core/checks';
import { LANGUAGE_DATA, LANGUAGE_NAMES, LANGUAGES, type Language } from '@/core/language';
import {
  AREA_NAMES,
  type Asked,
  cuesOf,
  type FacePoint,
  inVariant,
  type Move,
  presses,
  readWords,
  releasesIn,
  releaseTraits,
  type Stroke,
  strongAreas,
  touchedAreas,
  VARIANTS,
  type Variant,
} from '@/core/move';
import { estimateSpeech } from '@/core/speech';

/** What a library must hold to. Each rule names what is wrong with a move, in words; nothing where all is well. */

/** About two breaths at rest; whoever listens longer does not know what comes first. */
const LONGEST_CUE_MS = 8_000;
const RATE = 150;

/** Every cue of a move in one language. */
const everyCue = (move: Move) =>
  LANGUAGES.flatMap((language) => {
    const text = move.text[language];
    return text ? cuesOf(text).map((cue) => ({ cue, language })) : [];
  });

/** Kinds that work a muscle; a tapping or a quiet breath need not name one. */
const WORKING: readonly Move['kind'][] = ['exercise', 'stretch', 'massage', 'point'];

const underTheEye = (move: Move) => move.strokes.some((s) => s.includes('underEye'));

/** A move in each way it can be done, with what the way is called. */
const versionsOf = (move: Move) =>
  [undefined, ...VARIANTS]
    .filter((v) => v === undefined || move.variants[v] !== undefined)
    .map((v) => ({ named: v ? `its ${v} version` : 'it', done: inVariant(move, v), variant: v }));

type InVersion = (done: Move, variant: Variant | undefined) => (string | false | undefined)[];

/** A rule that every version of a move has to meet for itself. */
const eachVersion = (rule: InVersion) => (move: Move) =>
  versionsOf(move).flatMap(({ named, done, variant }) =>
    rule(done, variant).flatMap((fault) => (fault ? [`in ${named} ${fault}`] : [])),
  );

const textsOf = (move: Move) => LANGUAGES.flatMap((language) => move.text[language] ?? []);
const said = (move: Move, words: RegExp) =>
  LANGUAGES.every((language) => {
    const text = move.text[language];
    return !text || [...text.setup, text.short, ...text.form].some((cue) => words.test(cue));
  });

/** Whether a move as it is done has what its words ask of the body. */
const has = (move: Move, asked: Asked): boolean => {
  if (asked === 'headBack') return move.head === 'back';
  if (asked === 'handsFree') return move.hands === 'free';
  if (asked === 'featherLight') return move.hands === 'free' || !presses(move, 'light');
  if (asked === 'pinching') return move.hands === 'free' || presses(move, 'medium');
  return move.demands.includes(asked);
};

const DOWN_THE_NECK: readonly FacePoint[] = ['belowEar', 'sideNeck', 'frontNeck', 'neckBase'];
const drains = (stroke: Stroke) => {
  const neck = stroke.findIndex((p) => DOWN_THE_NECK.includes(p));
  return neck >= 0 && stroke.indexOf('collarbone') > neck;
};
const BELOW_THE_MOUTH: readonly FacePoint[] = ['chin', 'jawMid', 'jawAngle', 'belowEar'];
const dragsCornersDown = (stroke: Stroke) => {
  const corner = stroke.indexOf('mouthCorner');
  return corner >= 0 && stroke.slice(corner).some((p) => BELOW_THE_MOUTH.includes(p));
};

/** Kinds of dose that are counted out, so that a version that only holds needs a dose of its own. */
const COUNTED: readonly Move['dose']['kind'][] = ['reps', 'taps', 'passes'];
const ONLY_HOLDS = /\b(simply |softly |and |und |einfach )+(hold|halten|halt)\b[.,]?$/i;
const ROUND_THE_CAROTIDS =
  /\bon both sides of the neck\b|\bbeiderseits (des|vom) (halses|nackens)\b/i;
const WARNING_SIGNS = /\b(tingl|numb|kribbel|taub(?!e))/i;
const HOW_FAR =
  /comfortable|not wide|easy|stop before|finger wide|leicht geht|angenehm|nicht weit|bevor|fingerbreit/i;

const WITH_HANDS =
  /\b(hands?|fingers?|fingertips?|palms?|thumbs?|knuckles?|elbows?)\b|\b(h(a|ä)nde?|finger\w*|daumen|knöchel\w*|ellbogen|handballen)\b/i;
const WITH_FORCE =
  /\b(dough|firm(ly)?|press(ure)?|deep(er)?|knead|against|resist\w*|hold against)\b|\b(teig|fest|druck|drück\w*|tief(er)? (ein|in)|knet\w*|gegen\w*|widerstand)\b/i;
const DENIES =
  /\b(no|not|never|without|nothing|only|light|lightly|away|rest)\b|\b(nie|nichts?|kein\w*|ohne|nur|leicht\w*|weg|ruh\w*)\b/i;

/** Whether a reminder speaks of hands that a version leaves out, or of force that it does without. */
function contradicts(move: Move, done: Move, cue: string): boolean {
  if (DENIES.test(cue)) return false;
  const handsOff = done.hands === 'free' && move.hands !== 'free';
  if (handsOff && WITH_HANDS.test(cue)) return true;
  const lighter = done.pressure === 'feather' && move.pressure !== 'feather';
  return (handsOff || lighter) && WITH_FORCE.test(cue);
}

/** Amounts that belong to a dose, and would contradict one that is set otherwise. */
const AMOUNTS: Record<Language, RegExp> = {
  en: /\b(\d+|two|three|four|five|six|seven|eight|nine|ten|twelve|fifteen|twenty|thirty)( \w+)? (times|seconds?|counts?|breaths|taps|strokes|circles|rounds|reps|pulses|places)\b|\b(once|tap|one tap) a second\b|\bcount (to|of) \w+\b/i,
  de: /\b(\d+|zwei|drei|vier|fünf|sechs|sieben|acht|neun|zehn|zwölf|zwanzig|dreißig)( \S+)? (mal|sekunden|atemzüge|züge|kreise|runden|stellen|striche)\b|\b(zwei|drei|vier|fünf|sechs|acht|zehn|zwölf|zwanzig)mal\b|\bpro sekunde\b|\bzähl\w* bis\b/i,
};
const A_SIDE: Record<Language, RegExp> = {
  en: /\bleft\b|\b(the|to the|your) right\b|\bright (side|hand|cheek|eye|shoulder)\b/i,
  de: /\b(links|rechts|linke[nrs]?|rechte[nrs]?)\b/i,
};
const TO_SEVERAL =
  /\b(euch|eure\w*|ihr (habt|seid|könnt|dürft|wollt)|lasst|atmet|haltet|legt|schaut)\b/;

const RULES: Record<string, (move: Move) => (string | false | undefined)[]> = {
  'names its muscles': (move) => [
    WORKING.includes(move.kind) && move.muscles.length === 0 && 'names no muscle',
  ],
  'has a range that holds its usual dose': (move) => [
    move.range === undefined && 'has no floor and ceiling',
  ],
  'is written in every language': (move) =>
    LANGUAGES.map((l) => move.text[l] === undefined && `has no ${LANGUAGE_NAMES[l]} words`),
  'has an easier version': (move) => [
    move.variants.easier === undefined && 'has no easier version',
  ],
  'has the same versions in every language': (move) =>
    LANGUAGES.flatMap((l) =>
      VARIANTS.map((v) => {
        const inWords = move.text[l]?.[v] !== undefined;
        const inShape = move.variants[v] !== undefined;
        return (
          inWords !== inShape &&
          `has its ${v} version only in ${inWords ? 'words' : 'shape'} (${l})`
        );
      }),
    ),
  'claims no more than is true': (move) =>
    everyCue(move).map(({ cue, language }) => {
      const found = claimIn(cue, language);
      return found ? `says "${found.claim}"; say "${found.instead}" instead` : undefined;
    }),
  'says nothing that takes over 8 s': (move) =>
    everyCue(move).map(
      ({ cue, language }) =>
        estimateSpeech(cue, language, RATE) > LONGEST_CUE_MS && `has a cue over 8 s: "${cue}"`,
    ),
  'asks in words only for what its data say': eachVersion((done) =>
    [...readWords(done).asks]
      .filter((asked) => !has(done, asked))
      .map((asked) => `asks in words for ${asked}, which its data do not have`),
  ),
  'sends the hands only where its data say': eachVersion((done) => {
    const touched = touchedAreas(done);
    const { places } = readWords(done);
    const elsewhere = [...places].filter((a) => !touched.includes(a));
    return elsewhere.map(
      (area) => `sends the hands to ${AREA_NAMES[area]}, where its data have none`,
    );
  }),
  'only lets go in its let-go': eachVersion((done) =>
    LANGUAGES.map((language) => {
      const letGo = done.text[language]?.letGo ?? '';
      return releasesIn(letGo, language) && `taps or strokes in its let-go: "${letGo}"`;
    }),
  ),
  'says what dizziness means where the head goes back': eachVersion((done) => [
    done.head === 'back' && !said(done, /dizzy|schwindlig/i) && 'says nothing of dizziness',
  ]),
  'says how far the mouth opens': eachVersion((done) => [
    done.demands.includes('wideOpening') && !said(done, HOW_FAR) && 'does not say how wide to open',
  ]),
  'asks for clean hands inside the mouth': eachVersion((done) => [
    done.demands.includes('insideMouth') &&
      !said(done, /wash|clean|gewasch|sauber/i) &&
      'does not ask for clean hands',
  ]),
  'keeps hands off the eyes after the work': eachVersion((done) => [
    strongAreas(done).includes('eyes') &&
      releaseTraits(done.release).hands !== undefined &&
      `lets go of the eyes by ${done.release}`,
  ]),
  'says it is near the eye where hands are': eachVersion((done) => [
    touchedAreas(done).includes('eyes') &&
      presses(done, 'feather') &&
      !done.demands.includes('nearEye') &&
      'touches the eyes without saying so',
  ]),
  'says it drains where strokes run down the neck': eachVersion((done) => [
    done.hands !== 'free' &&
      done.strokes.some(drains) &&
      !done.demands.includes('drain') &&
      'strokes down the neck without saying that it drains',
  ]),
  'says it presses on the jaw where hands do': eachVersion((done) => [
    touchedAreas(done).includes('jaw') &&
      presses(done, 'medium') &&
      !done.demands.includes('jawPressure') &&
      'presses on the jaw without saying so',
  ]),
  'draws no mouth corner down': (move) => [
    move.strokes.some(dragsCornersDown) && 'drags the mouth corners down',
  ],
  'sends nobody to the carotids': (move) => [
    textsOf(move).some((text) => cuesOf(text).some((cue) => ROUND_THE_CAROTIDS.test(cue))) &&
      'can be heard as a grip on both sides of the neck',
  ],
  'suggests no warning sign': (move) => [
    textsOf(move).some((text) => cuesOf(text).some((cue) => WARNING_SIGNS.test(cue))) &&
      'speaks of tingling or numbness as if it were wanted',
  ],
  'counts a version as it is done': eachVersion((done, variant) => [
    variant !== undefined &&
      COUNTED.includes(done.dose.kind) &&
      textsOf(done).some((t) => [...t.setup, t.short].some((cue) => ONLY_HOLDS.test(cue))) &&
      'only holds, but is counted out',
  ]),
  'reminds a version only of what is true of it': (move) =>
    VARIANTS.filter((v) => move.variants[v]).flatMap((variant) => {
      const done = inVariant(move, variant);
      return textsOf(done).flatMap((text) =>
        text.form
          .filter((cue) => contradicts(move, done, cue))
          .map((cue) => `in its ${variant} version reminds of what it does not do: "${cue}"`),
      );
    }),
  'leaves amounts to its dose': (move) =>
    everyCue(move).map(
      ({ cue, language }) => AMOUNTS[language].test(cue) && `says an amount: "${cue}"`,
    ),
  'leaves the sides to those who call them': (move) =>
    move.sides === 'together'
      ? []
      : everyCue(move).map(
          ({ cue, language }) => A_SIDE[language].test(cue) && `names a side: "${cue}"`,
        ),
  'says of one side nothing of both': (move) =>
    move.sides !== 'each'
      ? []
      : LANGUAGES.flatMap((language) =>
          (move.text[language]?.setup ?? []).map(
            (cue) =>
              LANGUAGE_DATA[language].words.bothSides.test(cue) &&
              `works one side and speaks of both: "${cue}"`,
          ),
        ),
  'says "du" to everybody': (move) =>
    everyCue(move).map(
      ({ cue, language }) =>
        language === 'de' && TO_SEVERAL.test(cue) && `speaks to several: "${cue}"`,
    ),
  'is feather-light under the eye': (move) => [
    underTheEye(move) &&
      move.pressure !== 'feather' &&
      'strokes under the eye without being feather-light',
  ],
  'has a chin-level version where the head goes back': (move) => [
    move.head === 'back' &&
      (move.variants.easier?.head === undefined || move.variants.easier.head === 'back') &&
      'takes the head back without a chin-level version',
  ],
  'caps strong knuckles at once a week': (move) => [
    move.pressure === 'strong' && move.weeklyCap !== 1 && 'is strong without a cap of once a week',
  ],
};

/** What is wrong with a move, one sentence each; empty where nothing is. */
export function faultsOf(move: Move): string[] {
  return Object.values(RULES)
    .flatMap((rule) => rule(move))
    .filter((fault): fault is string => typeof fault === 'string')
    .map((fault) => `${move.id} ${fault}`);
}
