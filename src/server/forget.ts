import { forgetSignIns } from './auth/sign-ins';
import type { Db } from './db';
import { forgetFilms } from './film/films';
import { forgetFollowers } from './follow/followers';
import { forgetLinks } from './studio/links';
import { forgetOld } from './studio/studios';
import { errorFields, log } from './watch/log';
import { removeLeftFolders } from './with-folder';

/**
 * Forgets, of all studios, what is older than it is kept. A server does it as it starts and once a day, since one that
 * is shut down every night is never up for a day. What fails is told, and keeps nothing else from being forgotten.
 * @param now epoch ms
 */
export async function forgetAll(db: Db, now: number): Promise<void> {
  const all = {
    forgetOld,
    forgetFollowers,
    forgetFilms,
    forgetLinks,
    forgetSignIns,
    removeLeftFolders,
  };
  for (const [what, forget] of Object.entries(all)) {
    try {
      await forget(db, now);
    } catch (problem) {
      // The database is away for now; tomorrow is soon enough.
      log().error(
        { what, ...errorFields(problem) },
        'what is older than it is kept was not forgotten',
      );
    }
  }
}
