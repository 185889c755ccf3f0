import type { Readable } from 'node:stream';
import { phrasesOf } from '@library';
import { Refusal } from '@/core/calls';
import { type Plan, placedSegments } from '@/core/class';
import { nameIn } from '@/core/follow';
import { clock, dayIn } from '@/core/formats';
import { LANGUAGES, type Language } from '@/core/language';
import { filled } from '@/core/language/filled';
import { carriedRows, sheetWordsIn } from '@/core/run-sheet';
import type { Book } from '@/core/score';
import type { AudioFormat } from '@/core/take-away';
import { packWordsIn } from '@/core/take-away/words';
import type { Db } from '../db';
import { studioBook } from '../moves/moves';
import type { Speaking } from '../speech/recordings';
import { bytesOfText, type ZippedFile, zipped } from '../zip';
import { classAudio } from './audio';
import { classSheet } from './sheet';
import type { WordedClass } from './worded';
import { wordsFile } from './words';

export interface AskedPack {
  plan: Plan;
  worded: WordedClass;
  counts: boolean;
  music?: boolean;
  /** By which whoever asks looks how far its sound is. */
  ticket?: string;
  signal: AbortSignal;
  now: number;
  timeZone: string;
  /** A film of the class as it is now, where one is made. */
  film: { name: string; parts: AsyncIterable<Uint8Array> } | null;
}

/** The languages of a pack: first that of the class. */
const languagesOf = ({ language }: Plan): Language[] => [...new Set([language, ...LANGUAGES])];

/** What whoever does a class again is told where something in it is strong. */
export function notDaily({ plan, document }: WordedClass, language = plan.language): string[] {
  const nameOf = nameIn(document, language);
  const strong = placedSegments(plan).flatMap(({ segment: { id, move } }) =>
    document.ways[id]?.own.strong ? [nameOf(move)] : [],
  );
  if (strong.length === 0) return [];
  return [filled(packWordsIn(language).notDaily, { names: [...new Set(strong)].join(', ') })];
}

/** What is in the pack and what to mind, in a language. */
function readmeIn(language: Language, asked: AskedPack, { sound, book }: Beside): string {
  const { plan, worded, now, timeZone, film } = asked;
  const words = packWordsIn(language);
  const { carried, carriedHelp } = sheetWordsIn(language);
  const day = dayIn(language, now, timeZone);
  const files: [name: string, is: string][] = [
    [sound, words.files.sound],
    ...(film ? [[film.name, words.files.film] as [string, string]] : []),
    ['sheet.pdf', words.files.sheet],
    ['captions.*.vtt, captions.*.srt', words.files.captions],
    ['chapters.*.vtt', words.files.chapters],
    ['words.*.txt', words.files.words],
    ['class.upbeat.json', words.files.plan],
  ];
  const rows = carriedRows(plan, book, language).map(({ who, what }) => `${who}: ${what}`);
  return [
    filled(words.title, { name: plan.name, length: clock(worded.score.totalMs), day }),
    words.opens,
    files.map(([name, is]) => `${name}   ${is}`).join('\n'),
    phrasesOf(language).caution,
    ...(rows.length > 0 ? [[`${carried}. ${carriedHelp}`, ...rows].join('\n')] : []),
    ...notDaily(worded, language),
    words.belongs,
  ].join('\n\n');
}

interface Beside {
  /** The name of its sound. */
  sound: string;
  book: Book;
}

const readme = (asked: AskedPack, beside: Beside): string =>
  `${languagesOf(asked.plan)
    .map((language) => readmeIn(language, asked, beside))
    .join('\n\n---\n\n')}\n`;

/**
 * All of a class in one ZIP file of open formats, sent once its sound is made.
 * @throws Refusal as `classAudio` does, but for `no-encoder`: then its sound is a WAV file
 */
export async function classPack(
  db: Db,
  teacher: Speaking,
  asked: AskedPack,
): Promise<AsyncGenerator<Uint8Array>> {
  const { worded, counts, music = false, ticket, signal } = asked;
  const book = await studioBook(db, teacher);
  const sheet = await classSheet(worded, book);
  const how = { counts, music, signal, ...(ticket && { ticket }) };
  const heard = (as: AudioFormat) => classAudio(db, teacher, async () => worded, { as, ...how });
  let as: AudioFormat = 'mp3';
  let sound: Readable;
  try {
    sound = (await heard(as)).stream;
  } catch (problem) {
    if (!(problem instanceof Refusal && problem.code === 'no-encoder')) throw problem;
    as = 'wav';
    sound = (await heard(as)).stream;
  }
  return zipped(filesOf({ ...asked, sheet, book }, `class.${as}`, sound), asked.now);
}

async function* filesOf(
  asked: AskedPack & { sheet: Uint8Array; book: Book },
  soundName: string,
  sound: Readable,
): AsyncGenerator<ZippedFile> {
  const { plan, worded, counts, sheet, book, film } = asked;
  const file = (name: string, text: string): ZippedFile => ({ name, parts: [bytesOfText(text)] });
  yield file('README.txt', readme(asked, { sound: soundName, book }));
  yield file('class.upbeat.json', JSON.stringify(plan, null, 2));
  yield { name: 'sheet.pdf', parts: [sheet], dense: true };
  for (const language of LANGUAGES) {
    const words = (as: 'vtt' | 'srt' | 'chapters' | 'text') =>
      wordsFile(worded, { as, counts, language });
    yield file(`captions.${language}.vtt`, words('vtt'));
    yield file(`captions.${language}.srt`, words('srt'));
    yield file(`chapters.${language}.vtt`, words('chapters'));
    yield file(`words.${language}.txt`, words('text'));
  }
  yield { name: soundName, parts: sound, dense: true };
  if (film) yield { ...film, dense: true };
}
