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

/** The lines of a table by the names of its columns; null where it is no CSV. */
export function rowsIn(csv: string): Record<string, string>[] | null {
  const { data, errors } = Papa.parse<Record<string, string>>(csv, {
    header: true,
    skipEmptyLines: true,
    delimiter: ',',
    newline: '\r\n',
  });
  if (errors.length > 0) return null;
  return data.map((row) =>
    Object.fromEntries(Object.entries(row).map(([name, cell]) => [name, asItWas(cell)])),
  );
}
