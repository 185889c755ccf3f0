import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MOST_SAID_WORDS, saidWordSchema, sayingAs } from './said-words';

const words = [
  { language: 'en', written: 'Tern', said: 'turn' },
  { language: 'en', written: 'Tern Quay', said: 'turn key' },
  { language: 'en', written: 'Dr. Ona', said: 'doctor oh na' },
  { language: 'de', written: 'Kai', said: 'Kaj' },
] as const;

describe('words said in a way of their own', () => {
  it.each([
    ['Come to Tern Quay.', 'Come to turn key.'],
    ['TERN and tern, but not terns or western.', 'turn and turn, but not terns or western.'],
    ['Ask Dr. Ona, Kai.', 'Ask doctor oh na, Kai.'],
    ['Nothing here.', 'Nothing here.'],
  ])('"%s" is said as "%s"', (text, said) => {
    expect(sayingAs(words, { language: 'en' })(text)).toBe(said);
  });

  it('agree with going through a text word by word', () => {
    const word = fc.constantFrom('a', 'ab', 'abc', 'Ä', 'b1', 'x-y');
    fc.assert(
      fc.property(
        fc.uniqueArray(word, { selector: (w) => w.toLowerCase() }),
        fc.array(fc.constantFrom('a', 'ab', 'AB', 'abc', 'ä', 'b1', 'zz', 'aba'), { maxLength: 8 }),
        (written, spoken) => {
          const mine = written.map((w) => ({
            language: 'en' as const,
            written: w,
            said: `<${w}>`,
          }));
          const as = (w: string) =>
            mine.find((m) => m.written.toLowerCase() === w.toLowerCase())?.said ?? w;
          const text = spoken.join(', ');
          expect(sayingAs(mine, { language: 'en' })(text)).toBe(spoken.map(as).join(', '));
        },
      ),
    );
  });

  it.each([
    ['', 'x', 'Write the word as it stands in your cues.'],
    ['(tern', 'x', 'Letters and figures alone, with spaces, hyphens or apostrophes between them.'],
    ['a'.repeat(41), 'x', 'A word has 40 letters at most.'],
    ['tern', ' ', 'Write it as it sounds, in plain letters.'],
    ['tern', '[[t3:n]]'.repeat(11), 'How it sounds takes 80 letters at most.'],
  ])('"%s" said as "%s" is refused with a sentence', (written, said, sentence) => {
    const read = saidWordSchema.safeParse({ language: 'en', written, said });
    expect(read.error?.issues.map((i) => i.message)).toContain(sentence);
  });

  it('are bounded', () => expect(MOST_SAID_WORDS).toBe(300));
});
