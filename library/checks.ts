import { claimIn } from '@/core/checks';
import { cuesOf, LANGUAGE_NAMES, LANGUAGES, type Move } from '@/core/move';
import { estimateSpeech } from '@/core/speech';

/** What a library must hold to. Each rule names what is wrong with a move, in words; nothing where all is well. */

const LONGEST_CUE_MS = 12_000;
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
      (['easier', 'harder'] as const).map((v) => {
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
  'says nothing that takes over 12 s': (move) =>
    everyCue(move).map(
      ({ cue, language }) =>
        estimateSpeech(cue, language, RATE) > LONGEST_CUE_MS && `has a cue over 12 s: "${cue}"`,
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
