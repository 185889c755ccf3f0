/** The text of a file, in whatever signs the program that wrote it puts down. */

/** Most bytes of a file that is read as text. */
export const MOST_TEXT_BYTES = 8_000_000;

export type FileText =
  | {
      ok: true;
      text: string;
      /** The file does not say how its signs are written, and they were taken for those of western Europe. */
      guessed: boolean;
    }
  | { ok: false; problem: string };

const NO_TEXT =
  'This is no text, but perhaps a workbook. In the program that made it, save it as CSV or as plain text, and choose that file.';

/** Signs in two bytes each say so at their beginning (Unicode Standard 23.8, byte order mark). */
const MARKS: readonly { bytes: readonly number[]; signs: string }[] = [
  { bytes: [0xff, 0xfe], signs: 'utf-16le' },
  { bytes: [0xfe, 0xff], signs: 'utf-16be' },
];

/** What windows-1252 has from 0x80 to 0x9f (WHATWG Encoding Standard, index windows-1252). */
const FROM_0X80 = '€\x81‚ƒ„…†‡ˆ‰Š‹Œ\x8dŽ\x8f\x90‘’“”•–—˜™š›œ\x9džŸ';

/** Node 20 decodes windows-1252 as if it were Latin 1, which has nothing there that is printed. */
const western = (bytes: Uint8Array): string =>
  new TextDecoder('windows-1252')
    .decode(bytes)
    .replaceAll(/[\x80-\x9f]/g, (sign) => FROM_0X80[sign.charCodeAt(0) - 0x80] ?? sign);

/**
 * Reads UTF-8, UTF-16 with a byte order mark and, where it is neither, windows-1252, in which spreadsheets of western
 * Europe save lists (WHATWG Encoding Standard).
 */
export function textOfFile(bytes: Uint8Array): FileText {
  const marked = MARKS.find((mark) => mark.bytes.every((byte, i) => bytes[i] === byte));
  if (marked)
    return { ok: true, text: new TextDecoder(marked.signs).decode(bytes), guessed: false };
  // No text holds the sign that is nothing; what programs keep for themselves does.
  if (bytes.includes(0)) return { ok: false, problem: NO_TEXT };
  try {
    const text = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return { ok: true, text, guessed: false };
  } catch {
    return { ok: true, text: western(bytes), guessed: true };
  }
}
