import { plainName } from './names';

/** What a column of a list of people may hold. */
export const COLUMNS = ['name', 'familyName', 'contact', 'language', 'nothing'] as const;
export type PersonColumn = (typeof COLUMNS)[number];

/** Most people that are taken in at once, and most characters of a file. */
export const MOST_TAKEN = 2000;
export const MOST_TABLE_CHARACTERS = 1_000_000;

/** Words that a column may be headed with. */
const HEADS: Record<Exclude<PersonColumn, 'nothing'>, readonly string[]> = {
  name: ['name', 'names', 'first name', 'called', 'person', 'participant', 'full name', 'vorname'],
  familyName: ['last name', 'family name', 'surname', 'nachname', 'familienname'],
  contact: ['contact', 'email', 'e mail', 'mail', 'phone', 'telephone', 'mobile', 'telefon'],
  language: ['language', 'lang', 'sprache'],
};

const LANGUAGE_WORDS: Record<string, string> = {
  en: 'en',
  english: 'en',
  englisch: 'en',
  de: 'de',
  german: 'de',
  deutsch: 'de',
};

/** A table as it was read from a file: whether its first row heads it, and what each column holds. */
export interface ReadTable {
  headed: boolean;
  columns: PersonColumn[];
}

/** Guesses what the columns of a table hold, from its first row and then from what stands in it. */
export function guessColumns(rows: readonly (readonly string[])[]): ReadTable {
  const [first = []] = rows;
  const width = Math.max(0, ...rows.map((row) => row.length));
  const byHead = Array.from({ length: width }, (_, i): PersonColumn => {
    const head = plainName(first[i] ?? '');
    const found = Object.entries(HEADS).find(([, words]) => words.includes(head));
    return (found?.[0] as PersonColumn | undefined) ?? 'nothing';
  });
  if (byHead.some((c) => c !== 'nothing')) return { headed: true, columns: once(byHead) };
  const columns = byHead.map((_, i): PersonColumn => {
    const cells = rows.map((row) => plainCell(row[i] ?? '')).filter(Boolean);
    const share = (test: (cell: string) => boolean) =>
      cells.length === 0 ? 0 : cells.filter(test).length / cells.length;
    if (share((c) => c.includes('@') || /^[+\d][\d ()/-]{5,}$/.test(c)) > 0.5) return 'contact';
    if (share((c) => LANGUAGE_WORDS[plainName(c)] !== undefined) > 0.5) return 'language';
    return share((c) => /\p{L}/u.test(c)) > 0.5 ? 'name' : 'nothing';
  });
  return { headed: false, columns: once(columns) };
}

/** Each thing in one column only, the first of them. */
const once = (columns: readonly PersonColumn[]): PersonColumn[] =>
  columns.map((c, i) => (columns.indexOf(c) === i ? c : 'nothing'));

/** One line of a list of people. */
export interface ReadPerson {
  /** Number of the line in the table, from 1. */
  line: number;
  name: string;
  contact: string;
  language: string;
  /** What keeps it from being taken in. */
  problem: string | null;
}

/** What stands in a cell, without the sign by which programs keep a spreadsheet from taking it for a formula. */
const plainCell = (cell: string): string => cell.trim().replace(/^'(?=[=+\-@'])/, '');

/** The people of a table, with a family name after the first where it has a column of its own. Empty rows are left out. */
export function readPeople(
  rows: readonly (readonly string[])[],
  { headed, columns }: ReadTable,
): ReadPerson[] {
  const seen = new Map<string, number>();
  return rows.flatMap((row, i): ReadPerson[] => {
    if ((headed && i === 0) || row.every((cell) => cell.trim() === '')) return [];
    const cellOf = (column: PersonColumn) => plainCell(row[columns.indexOf(column)] ?? '');
    const line = i + 1;
    const name = `${cellOf('name')} ${cellOf('familyName')}`.trim();
    const contact = cellOf('contact');
    const said = plainName(cellOf('language'));
    const language = LANGUAGE_WORDS[said] ?? '';
    const key = `${plainName(name)}|${contact.toLowerCase()}`;
    const before = seen.get(key);
    let problem: string | null = null;
    if (!name) problem = 'has no name';
    else if (name.length > 80) problem = 'has a name of more than 80 characters';
    else if (contact.length > 120) problem = 'has a contact of more than 120 characters';
    else if (said && !language) problem = `has a language that is not known: ${cellOf('language')}`;
    else if (before !== undefined) problem = `is the same as line ${before}`;
    else seen.set(key, line);
    return [{ line, name, contact, language, problem }];
  });
}
