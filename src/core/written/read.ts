import { clock, parseSeconds } from '../formats';
import { MAX_WORK_SECONDS } from '../move';

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
    const seconds = ms > 0 ? rounded(ms) : null;
    const notes: string[] = [];
    if (seconds === null) notes.push('It begins no earlier than what comes after it.');
    const fits = seconds !== null && seconds <= MAX_WORK_SECONDS;
    if (seconds !== null && !fits) notes.push(tooLong(clock(ms)));
    return { line, text: said, seconds: fits ? seconds : null, rounds: null, notes };
  });
}
const one = (text: string): string => text.replace(/\s+/g, ' ').trim();
const rounded = (ms: number): number => Math.max(1, Math.round(ms / 1000));

/** As a segment may have. */
const MOST_ROUNDS = 10;

/** Words that a column may be headed with. */
const HEADS = {
  text: ['name', 'move', 'exercise', 'what', 'übung', 'bewegung'],
  seconds: ['length', 'time', 'duration', 'dauer', 'länge', 'zeit'],
  rounds: ['rounds', 'round', 'times', 'x', 'sets', 'runden', 'mal'],
} as const;
type Column = keyof typeof HEADS;
/** In this order where nothing heads them. */
const COLUMNS: readonly Column[] = ['text', 'seconds', 'rounds'];
/** Words for what a column of lengths counts in; one that is headed with nothing else is such a column. */
const UNITS = {
  min: ['min', 'mins', 'minute', 'minutes', 'minuten'],
  s: ['s', 'sec', 'secs', 'second', 'seconds', 'sek', 'sekunden'],
} as const;
type Unit = keyof typeof UNITS;

const isUnit = (word: string, unit: Unit): boolean => UNITS[unit].some((w) => w === word);

/** What a column holds by its head, as in "Length (min)"; undefined where that is not known. */
function headOf(cell: string): { column: Column; unit: Unit } | undefined {
  const words = cell.toLowerCase().match(/\p{L}+/gu) ?? [];
  const unit = words.some((w) => isUnit(w, 'min')) ? 'min' : 's';
  const name = words.filter((w) => w !== 'in' && !isUnit(w, 'min') && !isUnit(w, 's')).join(' ');
  if (name === '') return words.length > 0 ? { column: 'seconds', unit } : undefined;
  const column = COLUMNS.find((c) => HEADS[c].some((w) => w === name));
  return column && { column, unit };
}

const tooLong = (written: string): string =>
  `“${written}” is longer than one exercise may last, ${MAX_WORK_SECONDS / 60} minutes.`;

/** A list of moves, by its rows: name, length, rounds, in this order where nothing heads them. */
export function readList(rows: readonly (readonly string[])[]): WrittenLine[] {
  const [first = []] = rows;
  const heads = first.map(headOf);
  const isHeaded = heads.some((head) => head?.column === 'text');
  const columns = isHeaded ? heads.map((head) => head?.column) : COLUMNS;
  const unit = heads.find((head) => isHeaded && head?.column === 'seconds')?.unit ?? 's';
  return rows.flatMap((row, i) => {
    if (isHeaded && i === 0) return [];
    if (row.every((c) => c.trim() === '')) return [];
    const at = (column: Column) => columns.indexOf(column);
    const cell = (column: Column) => row[at(column)]?.trim() ?? '';
    const notes: string[] = [];
    const told = cell('seconds');
    const read = told === '' ? null : parseSeconds(told, unit);
    if (told !== '' && !read) notes.push(`“${told}” is no length.`);
    const seconds = read ? Math.round(read) || 1 : null;
    const fits = seconds !== null && seconds <= MAX_WORK_SECONDS;
    if (seconds !== null && !fits) notes.push(tooLong(told));
    const often = cell('rounds').replace(/^[x×]\s*|\s*[x×]$/g, '');
    const isRounds = /^\d{1,2}$/.test(often) && Number(often) > 0 && Number(often) <= MOST_ROUNDS;
    const rounds = isRounds ? Number(often) : null;
    if (often !== '' && !isRounds) notes.push(`“${often}” is no number of rounds from 1 to 10.`);
    // Of two columns with the same head the first is read.
    const more = row.filter((c, n) => c.trim() !== '' && !COLUMNS.some((k) => at(k) === n));
    if (more.length > 0) notes.push(`Not read: ${more.map(one).join(', ')}.`);
    return [
      { line: i + 1, text: one(cell('text')), seconds: fits ? seconds : null, rounds, notes },
    ];
  });
}
