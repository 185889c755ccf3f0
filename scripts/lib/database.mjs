import { ensureDebian } from './debian.mjs';
import { DATA_DIR } from './paths.mjs';
import { ensureDatabase, startPostgres } from './postgres.mjs';

/**
 * The application's database: a managed one where DATABASE_URL names it, else a cluster of our own.
 * @returns {Promise<{ url: string, stop: () => Promise<void>, logs: string[] }>} `logs` are files that grow
 */
export async function database() {
  const given = process.env.DATABASE_URL;
  if (given) return { url: given, stop: async () => {}, logs: [] };
  await ensureDebian(['postgresql']);
  const postgres = await startPostgres(DATA_DIR);
  ensureDatabase(postgres, 'upbeat');
  return { url: postgres.urlOf('upbeat'), stop: postgres.stop, logs: [postgres.logFile] };
}
