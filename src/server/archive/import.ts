import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { Refusal } from '@/core/calls';
import { newRunEventSchema } from '@/core/run';
import { hashPassword } from '../auth/passwords';
import type { Teacher } from '../auth/sign-ins';
import { rowsInTurn } from '../csv';
import type { Db } from '../db';
import { changeStudio } from '../studio/studios';
import { MOST_TEACHERS } from '../studio/teachers';
import { turns } from '../turns';
import { jsonOf } from './columns';
import { formatNumber, STUDIO_FILE, studioFileSchema } from './studio';
import { TABLES, type Table, TEACHERS } from './tables';

/** Takes an archive of a studio into an empty one. */

const BATCH = 200;
const MOST_ROWS = 500_000;

type Files = ReadonlyMap<string, Uint8Array>;
type Row = Record<string, unknown>;

export interface BroughtIn {
  people: number;
  sessions: number;
  /** Names of teachers whose email is taken on this server; what is theirs alone stayed behind. */
  without: string[];
}

/** Whether a studio has nothing yet that an archive could get in the way of. */
export async function isEmptyStudio(db: Db, studioId: string): Promise<boolean> {
  for (const table of ['classes', 'participants', 'moves', 'closures', 'series']) {
    if (await db(table).where({ studio_id: studioId }).first('studio_id')) return false;
  }
  return true;
}

/**
 * Takes everything of an archive in, or nothing. Whoever takes it in stays an owner; the other teachers have
 * accounts for which they choose a password by "forgotten password".
 * @throws Refusal `bad-archive`, `archive-here`, `studio-not-empty`
 */
export async function takeIn(
  db: Db,
  owner: Teacher,
  { files, now }: { files: Files; now: number },
): Promise<BroughtIn> {
  try {
    return await db.transaction(async (trx) => {
      await trx('studios').where({ id: owner.studioId }).forUpdate().first('id');
      if (!(await isEmptyStudio(trx, owner.studioId))) throw new Refusal('studio-not-empty');
      const { format, settings } = studioIn(files);
      const turn = turns();
      const lines = await tableIn(files, TEACHERS, { format, turn });
      const teachers = await bringTeachers(trx, owner, { rows: lines, now });
      const counts = new Map<string, number>();
      for (const table of TABLES) {
        const from = { files, format, ids: teachers.ids, studioId: owner.studioId, turn };
        const rows = await rowsFor(table, from);
        counts.set(table.name, rows.length);
        for (let at = 0; at < rows.length; at += BATCH) {
          await trx(table.name).insert(rows.slice(at, at + BATCH));
        }
      }
      await forgetStrangers(trx, owner.studioId, now);
      await changeStudio(trx, owner, settings);
      return {
        people: counts.get('participants') ?? 0,
        sessions: counts.get('sessions') ?? 0,
        without: teachers.without,
      };
    });
  } catch (error) {
    throw refusalFor(error) ?? error;
  }
}

/** Logs of long ago may name people who were erased without a trace: they are nobody now. */
async function forgetStrangers(db: Db, studioId: string, now: number): Promise<void> {
  await db.raw(
    `insert into former_people (studio_id, id, now_id, at)
      select distinct e.studio_id, (e.data->>'participantId')::uuid, null::uuid, ?::timestamptz
      from run_events e
      where e.studio_id = ? and e.data->>'participantId' is not null
        and not exists (select from participants p
          where p.studio_id = e.studio_id and p.id = (e.data->>'participantId')::uuid)
      on conflict do nothing`,
    [new Date(now), studioId],
  );
}

/** What the database says of rows that do not fit together or are there already. */
function refusalFor(error: unknown): Refusal | undefined {
  const { code, table } = error as { code?: unknown; table?: unknown };
  if (code === '23505') return new Refusal('archive-here');
  if (code === '23503') return bad(`${table}: a line names something that is not in the archive`);
  if (code === '23514' || code === '23502') return bad(`${table}: a line is not as it can be`);
  return undefined;
}

const bad = (what: string): Refusal =>
  new Refusal('bad-archive', `This archive cannot be taken in. ${what}.`);

function fileOf(files: Files, name: string): Uint8Array {
  const file = files.get(name);
  if (!file) throw bad(`${name} is missing`);
  return file;
}

const textIn = (files: Files, name: string): string =>
  new TextDecoder().decode(fileOf(files, name));

function studioIn(files: Files) {
  const read = studioFileSchema.safeParse(jsonIn(textIn(files, STUDIO_FILE)));
  if (!read.success) throw bad(`${STUDIO_FILE} is not as Up Beat writes it`);
  const { format, name, time_zone, new_class, keep_runs_months, keep_recordings_months } =
    read.data;
  const retention = { runsMonths: keep_runs_months, recordingsMonths: keep_recordings_months };
  const settings = {
    name,
    timeZone: time_zone,
    retention,
    ...(new_class && { newClass: new_class }),
  };
  return { format: formatNumber(format), settings };
}

function jsonIn(written: string): unknown {
  try {
    return jsonOf(written);
  } catch {
    return undefined;
  }
}

/** The lines of a table as its columns have them. Between two of them others have their turn. */
async function tableIn(
  files: Files,
  table: Table,
  { format, turn }: Pick<From, 'format' | 'turn'>,
): Promise<Row[]> {
  if (format < (table.added ?? 0) && !files.has(table.file)) return [];
  const lines = await rowsInTurn(textIn(files, table.file), { turn });
  if (!lines) throw bad(`${table.file} is no table`);
  if (lines.length > MOST_ROWS) throw bad(`${table.file} has more than ${MOST_ROWS} lines`);
  const rows: Row[] = [];
  for (const [i, line] of lines.entries()) {
    await turn();
    const row: Row = {};
    for (const [name, column] of Object.entries(table.columns)) {
      try {
        const { added } = column;
        const given = line[name] ?? (added && format < added.in ? added.before(line) : undefined);
        row[name] = column.read(given ?? '');
      } catch (error) {
        throw wrong(error, `${table.file}, line ${i + 2}, ${name}`);
      }
    }
    rows.push(row);
  }
  return rows;
}

function wrong(error: unknown, where: string): unknown {
  if (!(error instanceof z.ZodError)) return error;
  return bad(`${where}: ${error.issues[0]?.message ?? 'is not as it should be'}`);
}

/** What rows are made from. */
interface From {
  files: Files;
  format: number;
  ids: Ids;
  studioId: string;
  /** Lets others have their turn. */
  turn: () => Promise<void>;
}

/** The rows of a table with their files, as the database takes them. */
async function rowsFor(table: Table, from: From): Promise<Row[]> {
  const { files, ids, studioId, turn } = from;
  const rows: Row[] = [];
  for (const row of await tableIn(files, table, from)) {
    await turn();
    const withFiles: Row = { ...row, studio_id: studioId };
    for (const [column, { path, as, check, optional }] of Object.entries(table.files ?? {})) {
      const name = path(row);
      if (optional && !files.has(name)) continue;
      const bytes = fileOf(files, name);
      try {
        check(bytes);
      } catch (error) {
        throw wrong(error, name);
      }
      withFiles[column] = as === 'bytes' ? Buffer.from(bytes) : new TextDecoder().decode(bytes);
    }
    if (table.name === 'run_events') checkEvent(row);
    rows.push(withFiles);
  }
  if (!('teacher_id' in table.columns)) return rows;
  return rows.flatMap((row) => {
    const teacher_id = row.teacher_id === null ? null : (ids.get(String(row.teacher_id)) ?? null);
    const theirs = table.name !== 'sessions';
    return theirs && teacher_id === null ? [] : [{ ...row, teacher_id }];
  });
}

/** An event is read whenever its session is opened, so it has to be one. */
function checkEvent({ id, at_ms, type, data }: Row): void {
  const more = jsonOf(String(data)) as object;
  const event = newRunEventSchema.safeParse({ id, at: at_ms, type, ...more });
  if (!event.success) throw bad(`run-events.csv: the event ${id} is none`);
}

/** Teachers of the archive, and who they are here; nobody for those who cannot be made. */
type Ids = ReadonlyMap<string, string | null>;

async function bringTeachers(
  db: Db,
  owner: Teacher,
  { rows, now }: { rows: readonly Row[]; now: number },
): Promise<{ ids: Ids; without: string[] }> {
  if (rows.length > MOST_TEACHERS) throw bad(`A studio has ${MOST_TEACHERS} teachers at most`);
  const me = await db('teachers').where({ id: owner.id }).first('email');
  const ids = new Map<string, string | null>();
  const without: string[] = [];
  for (const { id, email, name, role, created_at: _, ...speech } of rows) {
    if (email === me?.email) {
      ids.set(String(id), owner.id);
      await db('teachers').where({ id: owner.id }).update(speech);
    } else if (
      await db('teachers')
        .where({ email: String(email) })
        .first('id')
    ) {
      ids.set(String(id), null);
      without.push(String(name));
    } else {
      const made = randomUUID();
      // Nobody knows this password; a letter lets them choose one of their own.
      const password_hash = await hashPassword(`${randomUUID()}${randomUUID()}`);
      const created_at = new Date(now);
      const of = { id: made, studio_id: owner.studioId, email, created_at, password_hash };
      await db('teachers').insert({ ...of, ...speech, name, role });
      ids.set(String(id), made);
    }
  }
  return { ids, without };
}
