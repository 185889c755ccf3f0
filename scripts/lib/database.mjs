import { ensureDebian } from './debian.mjs';
import { DATA_DIR } from './paths.mjs';
import { ensureDatabase, startPostgres } from './postgres.mjs';

/**
 * The application's database: a managed one where DATABASE_URL names it, else a cluster of our own.
 * @returns {Promise<{ url: string, stop: () => Promise<void> }>}
 */
export async function database() {
  if (process.env.DATABASE_URL) return { url: process.env.DATABASE_URL, stop: async () => {} };
  await ensureDebian(['postgresql']);
  const postgres = await startPostgres(DATA_DIR);
  ensureDatabase(postgres, 'upbeat');
  return { url: postgres.urlOf('upbeat'), stop: postgres.stop };
}
