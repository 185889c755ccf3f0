import type { Language } from '../language';
import type { Caption, Chapter } from './captions';

/** Lines and chapters as files that players read. */

/** What a file of captions is called at its head. */
export interface Head {
  name: string;
  language: Language;
  /** Sentences that go with it: the usual caution, and what to have ready. */
  notes: readonly string[];
}

/** Hours, minutes, seconds and ms, as WebVTT and SRT write them. */
function stamp(ms: number, point: '.' | ','): string {
  const two = (n: number) => String(n).padStart(2, '0');
  const s = Math.floor(ms / 1000);
  const rest = String(ms % 1000).padStart(3, '0');
  return `${two(Math.floor(s / 3600))}:${two(Math.floor(s / 60) % 60)}:${two(s % 60)}${point}${rest}`;
}
const from = ({ startMs, endMs }: { startMs: number; endMs: number }, point: '.' | ',') =>
  `${stamp(startMs, point)} --> ${stamp(endMs, point)}`;

const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');
/** A line that stands for itself in a head: no arrow, which would begin a cue. */
const inHead = (text: string): string => text.replace(/\s+/g, ' ').replaceAll('-->', '→').trim();

/** Where words stand: at the foot, three lines at most. Players that know no regions put them at the foot as well. */
const REGION =
  'REGION\nid:words\nwidth:90%\nlines:3\nregionanchor:50%,100%\nviewportanchor:50%,96%';
const AT = { words: 'region:words', counts: 'line:5%' } as const;

const blocks = (all: readonly string[]): string => `${all.join('\n\n')}\n`;

const head = ({ name, notes }: Head): string[] => [
  `WEBVTT - ${inHead(name)}`,
  ...notes.map((note) => `NOTE ${inHead(note)}`),
];

/** Captions as WebVTT (W3C, "WebVTT: The Web Video Text Tracks Format"). */
export function webVtt(lines: readonly Caption[], of: Head): string {
  return blocks([
    ...head(of),
    REGION,
    ...lines.map((line, i) => {
      const text = escaped(line.text);
      const tagged = line.language === of.language ? text : `<lang ${line.language}>${text}</lang>`;
      const place = line.count ? AT.counts : AT.words;
      return `${i + 1}\n${from(line, '.')} ${place}\n${tagged}`;
    }),
  ]);
}

/** The moves of a class as WebVTT chapters. */
export const chapterVtt = (chapters: readonly Chapter[], of: Head): string =>
  blocks([
    ...head(of),
    ...chapters.map((c, i) => `${i + 1}\n${from(c, '.')}\n${escaped(inHead(c.name))}`),
  ]);

/** Captions as SRT, which has no standard; as players commonly read it. */
export const srt = (lines: readonly Caption[]): string =>
  blocks(lines.map((line, i) => `${i + 1}\n${from(line, ',')}\n${inHead(line.text)}`));

/** All that is said, with times, to be read by people. */
export function plainText(
  lines: readonly Caption[],
  chapters: readonly Chapter[],
  { name, notes }: Head,
): string {
  const parts = chapters.map((chapter) => {
    const own = lines.filter((l) => l.startMs >= chapter.startMs && l.startMs < chapter.endMs);
    return [chapter.name, ...own.map((l) => `${stamp(l.startMs, '.')}  ${l.text}`)].join('\n');
  });
  return blocks([name, ...notes, ...parts]);
}

const ffmeta = (text: string): string =>
  text.replace(/\s+/g, ' ').replace(/[=;#\\]/g, (sign) => `\\${sign}`);

/** Title and chapters as the program that makes audio files reads them. */
export const chapterMetadata = (
  chapters: readonly Chapter[],
  { name, language, notes }: Head,
): string =>
  [
    ';FFMETADATA1',
    `title=${ffmeta(name)}`,
    `language=${language}`,
    ...(notes.length > 0 ? [`comment=${ffmeta(notes.join(' '))}`] : []),
    ...chapters.flatMap(({ startMs, endMs, name: title }) => [
      '[CHAPTER]',
      'TIMEBASE=1/1000',
      `START=${startMs}`,
      `END=${endMs}`,
      `title=${ffmeta(title)}`,
    ]),
    '',
  ].join('\n');

/**
 * Title and chapters as Ogg files have them, by name ("CHAPTERxxx" among the Vorbis comments). The program makes them of
 * chapters too, but a second late where one begins in the later half of a second.
 */
export const chapterComments = (
  chapters: readonly Chapter[],
  { name, language, notes }: Head,
): [name: string, value: string][] => [
  ['title', inHead(name)],
  ['language', language],
  ...(notes.length > 0 ? [['comment', inHead(notes.join(' '))] as [string, string]] : []),
  ...chapters.flatMap(({ startMs, name: title }, i): [string, string][] => {
    const chapter = `CHAPTER${String(i).padStart(3, '0')}`;
    return [
      [chapter, stamp(startMs, '.')],
      [`${chapter}NAME`, inHead(title)],
    ];
  }),
];
