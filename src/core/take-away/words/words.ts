/** What the README of a pack says, in one language; `{…}` stands for what is put in. A language is a file. */
export interface PackWords {
  /** With `{name}`, `{length}` and `{day}`. */
  title: string;
  opens: string;
  /** What is in which file, in a few words each. */
  files: Record<'sound' | 'film' | 'sheet' | 'captions' | 'chapters' | 'words' | 'plan', string>;
  /** With `{names}`. */
  notDaily: string;
  belongs: string;
}
