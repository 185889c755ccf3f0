import { expectSaysTheSame } from '@testing/words';
import { expect, it } from 'vitest';
import { LANGUAGES, MAIN_LANGUAGE } from '../../language';
import { sheetWordsIn } from '.';

const others = LANGUAGES.filter((language) => language !== MAIN_LANGUAGE);

it.each(others)('says in %s all that a sheet says in English, with the same put in', (language) => {
  expectSaysTheSame(sheetWordsIn(language), sheetWordsIn(MAIN_LANGUAGE), ['phases.massage']);
});

it.each(LANGUAGES)('has in %s another word for every place and effect', (language) => {
  const { areas, effects, onThatPlace } = sheetWordsIn(language);
  for (const all of [Object.values(areas), [...Object.values(effects), onThatPlace]]) {
    expect(new Set(all).size).toBe(all.length);
  }
});
