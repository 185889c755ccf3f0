import { expectSaysTheSame } from '@testing/words';
import { expect, it } from 'vitest';
import { REFUSALS, type RefusalCode } from '../../calls';
import { LANGUAGES, MAIN_LANGUAGE } from '../../language';
import { homeWordsIn } from '.';

const others = LANGUAGES.filter((language) => language !== MAIN_LANGUAGE);

/** What somebody can be refused on their own page. */
const MET: RefusalCode[] = [
  'practice-then',
  'practice-enough',
  'too-many-days-off',
  'no-check-in-due',
  'no-such-code',
  'door-shut',
  'too-many-followers',
  'many-at-once',
  'nothing-left',
  'sound-enough',
  'sound-studio-enough',
  'sound-full',
  'sound-failed',
  'too-long-to-hear',
  'empty-class',
  'no-encoder',
  'no-room',
  'no-voice',
  'not-found',
  'no-such-home',
];

it.each(others)('says in %s all that is said in English, with the same put in', (language) => {
  const { refused: _, ...ours } = homeWordsIn(language);
  const { refused: __, ...english } = homeWordsIn(MAIN_LANGUAGE);
  expectSaysTheSame(ours, english, ['entry']);
});

it.each(LANGUAGES)(
  'tells in %s why somebody is refused, as they can do something about it',
  (language) => {
    const { refused } = homeWordsIn(language);
    expect(Object.keys(refused).filter((code) => !(code in REFUSALS))).toEqual([]);
    for (const code of MET) {
      const says = refused[code];
      if (language !== MAIN_LANGUAGE) expect(says, code).toBeDefined();
      // Nobody at home installs anything on a server.
      expect(says ?? REFUSALS[code][1], code).not.toMatch(/ffmpeg|\bdisk\b|speech program|WAV/);
    }
  },
);
