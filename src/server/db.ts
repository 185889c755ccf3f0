import knex, { type Knex } from 'knex';

/** Anything that can run queries: the pool or an open transaction. */
export type Db = Knex;

/**
 * Whether the database could not take a value: a number out of its range, a date before all dates, a sign that is
 * none. Whoever sent it is told so.
 */
export const isDataError = (error: unknown): boolean => {
  const { code } = (error ?? {}) as { code?: unknown };
  return typeof code === 'string' && /^22[0-9A-Z]{3}$/.test(code);
};

/** Whether a row was to refer to one that is gone. */
export const isForeignKeyError = (error: unknown): boolean =>
  ((error ?? {}) as { code?: unknown }).code === '23503';

/** Whether a row was to have what only one row may have. */
export const isUniqueError = (error: unknown): boolean =>
  ((error ?? {}) as { code?: unknown }).code === '23505';

/**
 * Options of a query that is asked all the time in the same words: a connection has the database think about it once.
 * @param name of these words and no others
 */
export const asBefore = (name: string) => ({ name });

export function connect(url: string): Db {
  return knex({
    client: 'pg',
    connection: { connectionString: url },
    pool: { min: 0, max: 10 },
    acquireConnectionTimeout: 10_000,
  });
}

const shared = globalThis as { upBeatDb?: Db };

/** The process's connection pool, opened on first use. */
export function db(): Db {
  if (!shared.upBeatDb) {
    const url = process.env.DATABASE_URL;
    if (!url) throw new Error('DATABASE_URL is not set; start the app with "npm start".');
    shared.upBeatDb = connect(url);
  }
  return shared.upBeatDb;
}
