import { phrasesOf } from '@library';
import { haveReady, wordsIn } from '@/core/follow/words';
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

/** What a file of a class is called at its head, with what whoever does the class is told before it. */
export function headOf({ score, document }: Worded, language: Language): Head {
  const ready = haveReady(wordsIn(language), document.kit ?? []);
  const notes = [phrasesOf(language).caution, ...(ready ? [ready] : [])];
  return { name: score.name, language, notes };
}

/** The words of a class as the text of a file. */
export function wordsFile(worded: Worded, { as, counts, language }: AskedWords): string {
  const head = headOf(worded, language);
  const lines = () => captionsOf(worded, language, { counts });
  const chapters = () => chaptersOf(worded, language);
  if (as === 'vtt') return webVtt(lines(), head);
  if (as === 'srt') return srt(lines());
  if (as === 'chapters') return chapterVtt(chapters(), head);
  return plainText(lines(), chapters(), head);
}
