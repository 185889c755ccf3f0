import { parseSeconds } from '../formats';

/** A class that is written down elsewhere: as timed text, or as a list of moves with lengths. */

export interface WrittenLine {
  /** Where it stands in the text, from 1. */
  line: number;
  text: string;
  /** How long it is, in whole seconds; null where that is not said. */
  seconds: number | null;
  /** How often it is done; null where that is not said. */
  rounds: number | null;
  /** What could not be read of it, each a sentence. */
  notes: string[];
}

/** Most lines, and most characters, of a class that is read. */
export const MOST_WRITTEN = 200;
export const MOST_WRITTEN_CHARACTERS = 200_000;

const STAMP = String.raw`(?:(\d{1,3}):)?(\d{1,2}):(\d{2})[.,](\d{3})`;
const TIMED = new RegExp(String.raw`^\s*${STAMP}\s*-->\s*${STAMP}`);
const ENTITIES: Readonly<Record<string, string>> = {
  '&amp;': '&',
  '&lt;': '<',
  '&gt;': '>',
  '&nbsp;': ' ',
};
const inMs = ([h, m, s, ms]: (string | undefined)[]): number =>
  Number(h ?? 0) * 3_600_000 + Number(m) * 60_000 + Number(s) * 1000 + Number(ms);

/** Whether a text is timed text, WebVTT or SRT, instead of a list. */
export const isTimedText = (text: string): boolean =>
  /^\uFEFF?WEBVTT/.test(text) || text.split('\n').some((line) => TIMED.test(line));

/** Timed text as lines; each lasts until the next begins, the last one as long as it is shown. */
export function readTimed(text: string): WrittenLine[] {
  const all = text.replace(/\r\n?/g, '\n').split('\n');
  const found: { line: number; text: string; startMs: number; endMs: number }[] = [];
  for (let i = 0; i < all.length; i++) {
    const at = TIMED.exec(all[i] ?? '');
    if (!at) continue;
    const words: string[] = [];
    while (all[i + 1]?.trim()) words.push(all[++i] ?? '');
    const plain = words
      .join(' ')
      .replace(/<[^>]*>/g, '')
      .replace(/&\w+;/g, (e) => ENTITIES[e] ?? e);
    found.push({
      line: i - words.length + 1,
      text: one(plain),
      startMs: inMs(at.slice(1, 5)),
      endMs: inMs(at.slice(5, 9)),
    });
  }
  return found.map(({ line, text: said, startMs, endMs }, n) => {
    const ms = (found[n + 1]?.startMs ?? endMs) - startMs;
    const notes = ms > 0 ? [] : ['It begins no earlier than what comes after it.'];
    return { line, text: said, seconds: ms > 0 ? rounded(ms) : null, rounds: null, notes };
  });
}
const one = (text: string): string => text.replace(/\s+/g, ' ').trim();
const rounded = (ms: number): number => Math.max(1, Math.round(ms / 1000));

/** As a segment may have. */
const MOST_ROUNDS = 10;

/** Words that a column may be headed with. */
const HEADS = {
  text: ['name', 'move', 'exercise', 'what', 'übung', 'bewegung'],
  seconds: ['seconds', 'second', 'sec', 's', 'length', 'time', 'duration', 'dauer', 'sekunden'],
  rounds: ['rounds', 'round', 'times', 'x', 'sets', 'runden', 'mal'],
} as const;
type Column = keyof typeof HEADS;

/** A list of moves, by its rows: name, length, rounds, in this order where nothing heads them. */
export function readList(rows: readonly (readonly string[])[]): WrittenLine[] {
  const [first = []] = rows;
  const headed = first.map((cell) => {
    const head = cell.trim().toLowerCase();
    return (Object.keys(HEADS) as Column[]).find((c) => HEADS[c].some((word) => word === head));
  });
  const isHeaded = headed.includes('text');
  const columns: (Column | undefined)[] = isHeaded ? headed : ['text', 'seconds', 'rounds'];
  return rows.flatMap((row, i) => {
    if (isHeaded && i === 0) return [];
    const cell = (column: Column) => row[columns.indexOf(column)]?.trim() ?? '';
    const text = one(cell('text'));
    if (row.every((c) => c.trim() === '')) return [];
    const notes: string[] = [];
    const told = cell('seconds');
    const seconds = told === '' ? null : parseSeconds(told);
    if (told !== '' && !seconds) notes.push(`“${told}” is no length.`);
    const often = cell('rounds').replace(/^[x×]\s*|\s*[x×]$/g, '');
    const isRounds = /^\d{1,2}$/.test(often) && Number(often) > 0 && Number(often) <= MOST_ROUNDS;
    const rounds = isRounds ? Number(often) : null;
    if (often !== '' && !isRounds) notes.push(`“${often}” is no number of rounds from 1 to 10.`);
    const more = row.slice(columns.length).filter((c) => c.trim() !== '');
    if (more.length > 0) notes.push(`Not read: ${more.join(', ')}.`);
    return [{ line: i + 1, text, seconds: seconds ? Math.round(seconds) : null, rounds, notes }];
  });
}
