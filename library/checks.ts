import { LANGUAGE_NAMES, LANGUAGES, type Language, type Move, type MoveText } from '@/core/move';
import { estimateSpeech } from '@/core/speech';

/** What a library must hold to. Each rule names what is wrong with a move, in words; nothing where all is well. */

const LONGEST_CUE_MS = 12_000;
const RATE = 150;

/** Words that claim too much, with a plain substitute. Common practice among careful teachers. */
const CLAIMS: Record<Language, [claim: RegExp, instead: string][]> = {
  en: [
    [/\b(cure|heal)(s|d|ing)?\b/i, 'ease, or rest'],
    [/\bdetox|\bremoves? toxins/i, 'freshen'],
    [/\b(burn|melt)(s|ing)? (the )?fat/i, 'wake the muscle'],
    [/\breverse(s|d)? ag(e)?ing/i, 'keep supple'],
    [/\bguarantee/i, 'often'],
    [/\bpermanent/i, 'with regular practice'],
    [/\bbetter than (surgery|injections)/i, 'another way'],
    [/\bno side effects/i, 'gentle'],
  ],
  de: [
    [/\bheil(t|en|end)\b/i, 'lindern'],
    [/\bentgift|\bentschlack|\bdetox/i, 'erfrischen'],
    [/\bfett\s?(verbrenn|schmelz)/i, 'den Muskel wecken'],
    [/\bverjüng|\balterung (umkehr|rückgängig)/i, 'geschmeidig halten'],
    [/\bgarantier/i, 'oft'],
    [/\bdauerhaft|\bfür immer/i, 'mit regelmäßiger Übung'],
    [/\bbesser als (eine )?(operation|spritzen)/i, 'ein anderer Weg'],
    [/\bohne nebenwirkungen|\bkeine nebenwirkungen/i, 'sanft'],
  ],
};

/** The first claim a text makes that it should not, with what to say instead. */
export function claimIn(
  text: string,
  language: Language,
): { claim: string; instead: string } | null {
  for (const [pattern, instead] of CLAIMS[language]) {
    const found = pattern.exec(text);
    if (found) return { claim: found[0], instead };
  }
  return null;
}

/** Every cue of a move in one language. */
export function cuesOf(text: MoveText): string[] {
  const versions = [text.easier, text.harder].flatMap((v) => (v ? [...v.setup, v.short] : []));
  return [...text.setup, text.short, ...text.form, text.letGo, ...versions];
}

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
