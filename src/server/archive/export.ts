import { csvOf } from '../csv';
import type { Db } from '../db';
import { found, type Scope } from '../scope';
import { bytesOfText, type ZippedFile, zipped } from '../zip';
import { readme } from './readme';
import { FORMATS, STUDIO_COLUMNS, STUDIO_FILE } from './studio';
import { TABLES, type Table, TEACHERS } from './tables';

const PAGE = 500;

/**
 * A studio as a ZIP file of open formats, in pieces, all of one moment. Letters, passwords, sign-ins and the
 * addresses of feeds are not in it.
 * @throws Refusal `not-found`
 */
export async function* archiveOf(
  db: Db,
  scope: Scope,
  { now }: { now: number },
): AsyncGenerator<Uint8Array> {
  const trx = await db.transaction({ isolationLevel: 'repeatable read', readOnly: true });
  try {
    yield* zipped(filesOf(trx, scope, now), now);
  } finally {
    // Nothing was written; this only ends it.
    await trx.rollback();
  }
}

async function* filesOf(db: Db, scope: Scope, now: number): AsyncGenerator<ZippedFile> {
  const studio = found(await db('studios').where({ id: scope.studioId }).first(), 'studio');
  yield { name: 'README.txt', parts: [bytesOfText(readme({ name: studio.name, now }))] };
  const settings = Object.fromEntries(STUDIO_COLUMNS.map((column) => [column, studio[column]]));
  const json = JSON.stringify({ format: FORMATS[0], ...settings }, null, 2);
  yield { name: STUDIO_FILE, parts: [bytesOfText(json)] };
  for (const table of [TEACHERS, ...TABLES]) {
    yield { name: table.file, parts: csvParts(db, scope, table) };
    for (const [column, file] of Object.entries(table.files ?? {})) {
      for await (const row of rowsOf(db, scope, { table, also: [column] })) {
        const value = row[column];
        if (value === null) continue;
        const bytes = file.as === 'bytes' ? (value as Buffer) : bytesOfText(JSON.stringify(value));
        yield { name: file.path(row), parts: [bytes], dense: file.as === 'bytes' };
      }
    }
  }
}

async function* csvParts(db: Db, scope: Scope, table: Table): AsyncGenerator<Uint8Array> {
  const columns = Object.entries(table.columns);
  const names = columns.map(([name]) => name);
  yield bytesOfText(csvOf(names, [], { named: true }));
  let page: string[][] = [];
  for await (const row of rowsOf(db, scope, { table })) {
    page.push(columns.map(([name, column]) => column.write(row[name])));
    if (page.length < PAGE) continue;
    yield bytesOfText(csvOf(names, page, { named: false }));
    page = [];
  }
  yield bytesOfText(csvOf(names, page, { named: false }));
}

const DAYS = new Set([
  'left_on',
  'check_ins_consent_on',
  'day',
  'ended_on',
  'until_date',
  'joined_on',
  'cautions_consent_on',
  'start_date',
  'from_date',
  'to_date',
]);
/** Rows with files of their own are read in smaller pages. */
const HEAVY_PAGE = 20;

/** The rows of a table in the order of their key, read page by page. */
async function* rowsOf(
  db: Db,
  { studioId }: Scope,
  { table, also = [] }: { table: Table; also?: string[] },
): AsyncGenerator<Record<string, unknown>> {
  const { name, columns, key } = table;
  const size = also.length > 0 ? HEAVY_PAGE : PAGE;
  const asked = [...Object.keys(columns), ...also].map((column) =>
    DAYS.has(column) ? db.raw("to_char(??, 'YYYY-MM-DD') as ??", [column, column]) : column,
  );
  let last: Record<string, unknown> | undefined;
  for (;;) {
    const query = db(name)
      .where({ studio_id: studioId })
      .orderBy([...key])
      .limit(size);
    if (last) {
      const [names, after] = [key.map(() => '??').join(), key.map(() => '?').join()];
      query.whereRaw(`(${names}) > (${after})`, [...key, ...key.map((k) => last?.[k] as string)]);
    }
    const rows: Record<string, unknown>[] = await query.select(asked);
    yield* rows;
    last = rows.at(-1);
    if (rows.length < size) return;
  }
}
