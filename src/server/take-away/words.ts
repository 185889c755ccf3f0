import { phrasesOf } from '@library';
import type { Language } from '@/core/language';
import {
  captionsOf,
  chaptersOf,
  chapterVtt,
  type Head,
  plainText,
  srt,
  type Worded,
  type WordFormat,
  webVtt,
} from '@/core/take-away';

export interface AskedWords {
  as: WordFormat;
  counts: boolean;
  language: Language;
}

/** The words of a class as the text of a file. */
export function wordsFile(worded: Worded, { as, counts, language }: AskedWords): string {
  const head: Head = { name: worded.score.name, language, notes: [phrasesOf(language).caution] };
  const lines = () => captionsOf(worded, language, { counts });
  const chapters = () => chaptersOf(worded, language);
  if (as === 'vtt') return webVtt(lines(), head);
  if (as === 'srt') return srt(lines());
  if (as === 'chapters') return chapterVtt(chapters(), head);
  return plainText(lines(), chapters(), head);
}
