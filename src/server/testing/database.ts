import { migrationSource } from '@migrations';
import { connect, type Db } from '../db';

/** One prepared database, and a copy of it for each worker, so that tests can run side by side. */

/** Where a test leads what it tries to its own copy, files after it in the same process still copy the template. */
const { DATABASE_URL: TEMPLATE } = process.env;

function templateUrl(): URL {
  if (!TEMPLATE) throw new Error('DATABASE_URL is not set; run the tests with "npm test".');
  return new URL(TEMPLATE);
}

const nameIn = (url: URL): string => url.pathname.slice(1);

/** Works on the server itself, since no one can be connected to a database that is made or copied. */
async function onServer<T>(url: URL, work: (db: Db) => Promise<T>): Promise<T> {
  const db = connect(new URL('/postgres', url).href);
  try {
    return await work(db);
  } finally {
    await db.destroy();
  }
}

async function make(url: URL, from?: string): Promise<void> {
  await onServer(url, async (db) => {
    await db.raw('drop database if exists ?? with (force)', [nameIn(url)]);
    if (from) await db.raw('create database ?? template ??', [nameIn(url), from]);
    else await db.raw('create database ??', [nameIn(url)]);
  });
}

/** Makes the database that DATABASE_URL names anew, migrated and filled. */
export async function makeTemplate(fill?: (db: Db) => Promise<void>): Promise<void> {
  const url = templateUrl();
  await make(url);
  const db = connect(url.href);
  try {
    await db.migrate.latest({ migrationSource });
    await fill?.(db);
  } finally {
    await db.destroy();
  }
}

/** A schema in which every table stands once more, as it was when it was filled. */
const KEPT = 'kept';

/** Keeps a copy of every table in the same database, so that a test can begin from it. */
export async function keepAsItIs(db: Db): Promise<void> {
  await db.raw(`create schema ${KEPT}`);
  await forEveryTable(db, `execute format('create table ${KEPT}.%1$I as table public.%1$I', t)`);
}

/**
 * Brings every table back to what was kept, whoever is connected meanwhile.
 * @param round how often this was done. Versions of classes rise with it: what a server remembers of a version that
 *   was taken back must not pass for a later one
 */
export async function bringBack(db: Db, round: number): Promise<void> {
  await forEveryTable(
    db,
    `execute format('delete from public.%I', t);
     execute format('insert into public.%1$I (%2$s) overriding system value select %2$s from ${KEPT}.%1$I', t, (
       -- What the database works out by itself is worked out again.
       select string_agg(quote_ident(attname), ', ') from pg_attribute
       where attrelid = format('public.%I', t)::regclass and attnum > 0 and not attisdropped and attgenerated = ''
     ))`,
  );
  await db('classes').increment('version', 1000 * round);
}

/**
 * How long this waits before it looks whether it and another wait for one another. Whoever looks first gives way: that
 * is to be what a server still does for a test that is over.
 */
const LOOKS_LAST = '1min';

/** Done in one go and without regard to which row points at which: all of them are there at the end. */
async function forEveryTable(db: Db, act: string): Promise<void> {
  await db.raw(`
    do $all$
    declare t text;
    begin
      set local session_replication_role = replica;
      set local deadlock_timeout = '${LOOKS_LAST}';
      for t in select tablename from pg_tables
        where schemaname = 'public' and tablename not like 'knex_%' loop
        ${act};
      end loop;
    end $all$`);
}

/**
 * Makes a database that no migration has been run on.
 * @returns its address
 */
export async function emptyDatabase(name: string): Promise<string> {
  const template = templateUrl();
  const empty = new URL(`/${nameIn(template)}_${name}`, template);
  await make(empty);
  return empty.href;
}

/**
 * Copies that database for one worker, in the place of the worker's copy before.
 * @returns the address of the copy
 */
export async function copyTemplate(worker: string): Promise<string> {
  const template = templateUrl();
  const copy = new URL(`/${nameIn(template)}_${worker}`, template);
  await make(copy, nameIn(template));
  return copy.href;
}
