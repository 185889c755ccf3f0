import path from 'node:path';

/** The fonts of what is taken away, as they lie among this project's packages. */

const fontFile = (family: string, part: string, weight: number) =>
  path.join(
    process.cwd(),
    'node_modules/@fontsource',
    family,
    `files/${family}-${part}-${weight}-normal.woff`,
  );
/** Each in two files, the second with letters of languages that have more of them. */
const FONTS = {
  text: ['figtree', 400],
  strong: ['figtree', 700],
  title: ['bricolage-grotesque', 700],
} as const;
export type Font = keyof typeof FONTS;
const PARTS = ['latin', 'latin-ext'] as const;
export type FontPart = (typeof PARTS)[number];

/** Every file of every font. */
export const FONT_FILES: readonly { font: Font; part: FontPart; file: string }[] = Object.entries(
  FONTS,
).flatMap(([font, [family, weight]]) =>
  PARTS.map((part) => ({ font: font as Font, part, file: fontFile(family, part, weight) })),
);

/** What the fonts have no letter for would be an empty box. */
const IN_LATIN = /[\u0020-\u00FF\u2010-\u2027\u2030-\u203A\u20AC\u2212\u0152\u0153]/;
const IN_MORE = /[\u0100-\u024F\u1E00-\u1EFF]/;

/** A text in runs of one file each; letters that no font has are left out. */
export function runsOf(text: string): { part: FontPart; text: string }[] {
  const runs: { part: FontPart; text: string }[] = [];
  for (const letter of text.normalize('NFC').replace(/\s+/g, ' ')) {
    const part = IN_LATIN.test(letter) ? 'latin' : IN_MORE.test(letter) ? 'latin-ext' : null;
    if (!part) continue;
    const last = runs.at(-1);
    if (last?.part === part) last.text += letter;
    else runs.push({ part, text: letter });
  }
  return runs;
}
