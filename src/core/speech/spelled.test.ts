import { adversarialSentences } from '@testing/adversarial';
import { SAID } from '@testing/said-sentences';
import { describe, expect, it } from 'vitest';
import { LANGUAGES } from '../language';
import { inWords } from './spelled';

describe.each(LANGUAGES)('in words, in %s', (language) => {
  it('has 120 sentences to go by', () => expect(SAID[language]).toHaveLength(120));

  it.each(SAID[language])('"%s" is said as "%s"', (written, said) => {
    expect(inWords(written, language)).toBe(said);
  });

  it('says a sign once that is written twice', () => {
    const [once, twice] = ['Chin & neck', 'Chin && neck'].map((text) => inWords(text, language));
    expect(twice).toBe(once);
  });

  it('leaves no figure to the voice, and what is in words already as it is', () => {
    for (const written of [...adversarialSentences(language), ...SAID[language].map(([w]) => w)]) {
      const said = inWords(written, language);
      expect(said, written).not.toMatch(/\d/);
      expect(inWords(said, language), written).toBe(said);
    }
  });
});
