import Papa from 'papaparse';

/**
 * Tables as CSV (RFC 4180). A spreadsheet takes a cell that begins with one of these for a formula; such cells
 * get an apostrophe in front, and lose it again when they are read. So does one that begins with an apostrophe.
 */
const RISKY = /^[=+\-@\t\r']/;

const harmless = (cell: string): string => (RISKY.test(cell) ? `'${cell}` : cell);
const asItWas = (cell: string): string => (cell.startsWith("'") ? cell.slice(1) : cell);

/** Lines of a table, each ended; the first of them names the columns where it is asked for. */
export function csvOf(
  columns: readonly string[],
  rows: readonly (readonly string[])[],
  { named }: { named: boolean },
): string {
  const lines = [...(named ? [columns] : []), ...rows.map((row) => row.map(harmless))];
  return lines.length === 0 ? '' : `${Papa.unparse(lines as string[][], { newline: '\r\n' })}\r\n`;
}

type Line = Record<string, string>;

const FORMAT = { header: true, skipEmptyLines: true, delimiter: ',', newline: '\r\n' } as const;

/** The lines of a table by the names of its columns; null where it is no CSV. */
export function rowsIn(csv: string): Line[] | null {
  const { data, errors } = Papa.parse<Line>(csv, FORMAT);
  if (errors.length > 0) return null;
  return data.map((row) =>
    Object.fromEntries(Object.entries(row).map(([name, cell]) => [name, asItWas(cell)])),
  );
}

/** Characters of a table that are read at a time, or a few more. */
const AT_A_TIME = 50_000;

/** Where a line ends, at `least` characters or more from where others end. A quoted cell may have lines of its own. */
function endOfLine(csv: string, from: number, least: number): number {
  let quoted = false;
  for (let at = from; at < csv.length; at++) {
    if (csv[at] === '"') quoted = !quoted;
    else if (!quoted && at - from >= least && csv.startsWith(FORMAT.newline, at)) {
      return at + FORMAT.newline.length;
    }
  }
  return csv.length;
}

/** The same for a long table: between two pieces of it others have their turn. */
export async function rowsInTurn(
  csv: string,
  { turn, atATime = AT_A_TIME }: { turn: () => Promise<void>; atATime?: number },
): Promise<Line[] | null> {
  const names = csv.slice(0, endOfLine(csv, 0, 0));
  const lines: Line[] = [];
  for (let from = names.length; from < csv.length; ) {
    await turn();
    const end = endOfLine(csv, from, atATime);
    const piece = rowsIn(names + csv.slice(from, end));
    // A quote where none should be makes ends of lines uncertain: then only the whole can be judged.
    if (!piece || names.trim() === '') return rowsIn(csv);
    lines.push(...piece);
    from = end;
  }
  return lines.length > 0 ? lines : rowsIn(csv);
}
