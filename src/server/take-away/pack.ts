import type { Readable } from 'node:stream';
import { phrasesOf } from '@library';
import { Refusal } from '@/core/calls';
import { type Plan, placedSegments } from '@/core/class';
import { nameIn } from '@/core/follow';
import { clock, dayLabel } from '@/core/formats';
import { LANGUAGES } from '@/core/language';
import type { AudioFormat } from '@/core/take-away';
import type { Db } from '../db';
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

/** What whoever does a class again is told where something in it is strong. */
export function notDaily({ plan, document }: WordedClass): string[] {
  const nameOf = nameIn(document, plan.language);
  const strong = placedSegments(plan).flatMap(({ segment: { id, move } }) =>
    document.ways[id]?.own.strong ? [nameOf(move)] : [],
  );
  if (strong.length === 0) return [];
  const names = [...new Set(strong)].join(', ');
  return [`Not for every day: ${names}. Skin and muscle need days of rest after what is strong.`];
}

const readme = ({ plan, worded, now, timeZone, film }: AskedPack, sound: string): string =>
  [
    `${plan.name}, ${clock(worded.score.totalMs)}, as it was on ${dayLabel(now, timeZone)}.`,
    'Everything here opens without Up Beat.',
    [
      `${sound}   the class as it is heard, with a chapter for each move`,
      ...(film ? [`${film.name}   the class as a film to follow along`] : []),
      'sheet.pdf   the run sheet: what comes when, what is said, and how it looks',
      'captions.*.vtt, captions.*.srt   what is said and when, for players of sound and film',
      'chapters.*.vtt   its moves and when they begin',
      'words.*.txt   all that is said, to be read',
      'class.upbeat.json   the class itself; Up Beat opens it under Classes, "Bring a class from a file"',
    ].join('\n'),
    ...[...new Set([plan.language, ...LANGUAGES])].map((language) => phrasesOf(language).caution),
    ...notDaily(worded),
    'Sound and words are made from the class and belong to whoever wrote it.',
    '',
  ].join('\n\n');

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
  const sheet = await classSheet(db, teacher, worded);
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
  return zipped(filesOf({ ...asked, sheet }, `class.${as}`, sound), asked.now);
}

async function* filesOf(
  asked: AskedPack & { sheet: Uint8Array },
  soundName: string,
  sound: Readable,
): AsyncGenerator<ZippedFile> {
  const { plan, worded, counts, sheet, film } = asked;
  const file = (name: string, text: string): ZippedFile => ({ name, parts: [bytesOfText(text)] });
  yield file('README.txt', readme(asked, soundName));
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
