import { expectSaysTheSame } from '@testing/words';
import { it } from 'vitest';
import { LANGUAGES, MAIN_LANGUAGE } from '../../language';
import { packWordsIn } from '.';

const others = LANGUAGES.filter((language) => language !== MAIN_LANGUAGE);

it.each(others)('says in %s all that a pack says in English, with the same put in', (language) => {
  expectSaysTheSame(packWordsIn(language), packWordsIn(MAIN_LANGUAGE));
});
