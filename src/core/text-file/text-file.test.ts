import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { textOfFile } from '.';

/** What stands at 0x80 and above in windows-1252 and not in Latin 1 (index of the WHATWG Encoding Standard, from memory). */
const BEYOND: Readonly<Record<string, number>> = {
  '€': 0x80,
  '„': 0x84,
  '…': 0x85,
  Š: 0x8a,
  Œ: 0x8c,
  Ž: 0x8e,
  '‘': 0x91,
  '’': 0x92,
  '“': 0x93,
  '”': 0x94,
  '–': 0x96,
  š: 0x9a,
  œ: 0x9c,
  ž: 0x9e,
  Ÿ: 0x9f,
};
const western = (text: string) =>
  Uint8Array.from([...text], (sign) => BEYOND[sign] ?? sign.codePointAt(0) ?? 0);

const letters = 'Name;äöüßéèñçøåÆ Šžœ’–€,\n'.split('');
const line = fc.string({ unit: fc.constantFrom(...letters) });

describe('the text of a file', () => {
  it('is read as it was written, in UTF-8 and in UTF-16', () => {
    const any = fc.string({ unit: 'grapheme' }).filter((text) => !text.includes('\0'));
    fc.assert(
      fc.property(any, (text) => {
        const is = { ok: true, text, guessed: false };
        const little = Buffer.from(text, 'utf16le');
        expect(textOfFile(Buffer.from(text))).toEqual(is);
        expect(textOfFile(Buffer.from(`\ufeff${text}`))).toEqual(is);
        expect(textOfFile(Buffer.concat([Buffer.from([0xff, 0xfe]), little]))).toEqual(is);
        const big = Buffer.from(little).swap16();
        expect(textOfFile(Buffer.concat([Buffer.from([0xfe, 0xff]), big]))).toEqual(is);
      }),
    );
  });

  it('keeps names with accents that an older spreadsheet has saved, and says that it guesses', () => {
    fc.assert(
      fc.property(line, (text) => {
        const bytes = western(`${text}é;`);
        expect(textOfFile(bytes)).toEqual({ ok: true, text: `${text}é;`, guessed: true });
      }),
    );
  });

  it('is not looked for in what is no text', () => {
    const workbook = Uint8Array.from([0x50, 0x4b, 3, 4, 0x14, 0, 6, 0]);
    expect(textOfFile(workbook)).toMatchObject({
      ok: false,
      problem: expect.stringMatching(/save it as CSV/),
    });
  });
});
