import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isNoText, tooMuchIn } from '.';

const small = { values: 20, entries: 5, depth: 3 };

/** Every value of some JSON with how deep it lies, found in the plainest way. */
function walked(json: unknown, depth = 0): { depth: number; entries: number }[] {
  if (typeof json !== 'object' || json === null) return [{ depth, entries: 0 }];
  const inner = Object.values(json);
  return [{ depth, entries: inner.length }, ...inner.flatMap((v) => walked(v, depth + 1))];
}

describe('how much JSON may hold', () => {
  it('is what a plain count says', () => {
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 5, noUnicodeString: true }), (json) => {
        const all = walked(json);
        const fits =
          all.length <= small.values &&
          all.every((v) => v.entries <= small.entries && v.depth <= small.depth);
        expect(tooMuchIn(json, small) === null).toBe(fits);
      }),
      { numRuns: 500 },
    );
  });

  it('counts what comes last as well, beside something that holds much', () => {
    // One and three, five and five and five, and two within the first of them.
    const five = [0, 0, 0, 0, 0];
    expect(tooMuchIn([[[0, 0], 0, 0, 0, 0], five, five], small)).toContain('more than 20 values');
    expect(tooMuchIn([[[0], 0, 0, 0, 0], five, five], small)).toBeNull();
  });

  it('is told in a sentence, and soon, however much or deep it is', () => {
    expect(tooMuchIn(Array(240_000).fill({}))).toContain('a list of 240000 entries');
    expect(tooMuchIn(Array(4000).fill(Array(100).fill(1)))).toContain('more than 200000 values');
    let deep: unknown = 1;
    for (let i = 0; i < 100_000; i++) deep = [deep];
    expect(tooMuchIn(deep)).toContain('within one another');
  });

  it('takes no text that cannot be stored, in values and in names', () => {
    for (const text of ['a\0b', '\ud83d', 'x\udc00y', '\udc00\ud83d']) {
      expect([text, isNoText(text)]).toEqual([text, true]);
      expect(tooMuchIn([{ a: [text] }])).toContain('characters');
      expect(tooMuchIn({ [text]: 1 })).toContain('characters');
    }
    for (const text of ['', 'Ünder the nose', '🙂 smile', '\n']) expect(isNoText(text)).toBe(false);
  });
});
