import { expectSaysTheSame, places } from '@testing/words';
import { describe, expect, it } from 'vitest';
import { REFUSALS, Refusal, type RefusalCode } from '../../calls';
import { LANGUAGES, type Language, MAIN_LANGUAGE } from '../../language';
import { KIT } from '../../move';
import { filled, haveReady, refusedIn, wordsIn } from '.';

const others = LANGUAGES.filter((language) => language !== MAIN_LANGUAGE);

/** What somebody can be refused who follows, or wants to. */
const MET: RefusalCode[] = [
  'no-such-code',
  'door-shut',
  'turned-away',
  'too-many-followers',
  'too-many-tries',
  'many-at-once',
  'asked-enough',
  'not-following',
  'class-not-ready',
  'practice-then',
  'practice-enough',
  'no-such-home',
  'still-busy',
];

it.each(LANGUAGES)('says in %s what to have ready, and nothing where it is nothing', (language) => {
  expect(haveReady(wordsIn(language), [])).toBeNull();
  const says = haveReady(wordsIn(language), KIT) ?? '';
  for (const one of KIT) expect(says).toContain(wordsIn(language).kit[one]);
  expect(says).not.toContain('{');
});

describe.each(others)('what is said at the door in %s', (language) => {
  it('says all that is said in English, with the same put in, and in other words', () => {
    const saidIn = (of: Language) => {
      const { acts, ...door } = wordsIn(of).door;
      return { ...door, ...acts, ...wordsIn(of).unsent };
    };
    const [here, english] = [saidIn(language), saidIn(MAIN_LANGUAGE)];
    expectSaysTheSame(here, english, ['code']);
  });

  it('tells why somebody is refused', () => {
    for (const code of MET) {
      const refusal = new Refusal(code, '5');
      const said = refusedIn(language, refusal);
      expect(said, code).not.toBe(refusal.message);
      expect(places(said), code).toEqual([]);
    }
    const codes = Object.keys(wordsIn(language).refused);
    expect(codes.filter((code) => !(code in REFUSALS))).toEqual([]);
  });
});

it('tells what it has no words for in English, and puts in what it was given', () => {
  const refusal = new Refusal('too-large');
  for (const language of LANGUAGES) expect(refusedIn(language, refusal)).toBe(refusal.message);
  expect(refusedIn('de', { message: 'Who knows.' })).toBe('Who knows.');
  expect(filled('{a}, {b} and {a}', { a: 1, b: '{a}' })).toBe('1, {a} and 1');
  expect(filled('{unknown}', {})).toBe('{unknown}');
});
