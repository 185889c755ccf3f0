import { LANGUAGE_DATA, LANGUAGES, type Language, type LanguageWords } from '../language';
import type { Area } from './areas';
import type { Move, MoveText } from './move';
import type { Demand } from './traits';

/** What the words of a cue ask of the body, by the tables of their language. */
export type Asked = Demand | 'headBack' | 'pinching' | 'handsFree' | 'featherLight';

const wordsOf = (language: Language): LanguageWords<Asked, Area> => LANGUAGE_DATA[language].words;

/** What a cue asks of the body by its words. */
export function askedBy(text: string, language: Language): Asked[] {
  const { clauses, handsFree, featherLight, asks, not } = wordsOf(language);
  const found = new Set<Asked>();
  for (const phrase of text.split(clauses)) {
    if (handsFree.test(phrase)) found.add('handsFree');
    if (featherLight.test(phrase)) found.add('featherLight');
    for (const [words, asked] of asks) {
      const at = words.exec(phrase);
      if (at && !not.test(phrase.slice(0, at.index + at[0].length))) found.add(asked);
    }
  }
  return [...found];
}

/**
 * The areas that a cue sends the hands to by its words.
 * @param before the cue before it, which it may go on with
 */
export function placesIn(text: string, language: Language, before = ''): Area[] {
  const { clauses, goesOn, hands, places, not } = wordsOf(language);
  const same = goesOn.test(text) && hands.test(before);
  const found = new Set<Area>();
  for (const phrase of text.split(clauses)) {
    if (!same && !hands.test(phrase)) continue;
    for (const [words, areas] of places) {
      const at = words.exec(phrase);
      if (!at || not.test(phrase.slice(0, at.index))) continue;
      for (const area of areas) found.add(area);
    }
  }
  return [...found];
}

/** Whether a cue taps or strokes something off. */
export const releasesIn = (text: string, language: Language): boolean =>
  wordsOf(language).releasing.test(text);

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
