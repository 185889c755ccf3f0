import { createWriteStream } from 'node:fs';
import { readFile } from 'node:fs/promises';
import path from 'node:path';
import { Readable, Transform, Writable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { z } from 'zod';
import { Refusal } from '@/core/calls';
import {
  BED_MS,
  BED_NAMES,
  BEDS,
  MOST_MUSIC_MEGABYTES,
  MOST_MUSIC_MINUTES,
  MOST_PIECES,
  type PieceOfMusic,
  type TimedPiece,
} from '@/core/music';
import type { Db } from '../db';
import { found, type Scope } from '../scope';
import { withFolder } from '../with-folder';
import { packMusic } from './intake';

/** The music that a studio has: two beds that are always there, and pieces of its own. */

const rowSchema = z.object({ id: z.uuid(), name: z.string(), ms: z.number() });

/** How many minutes of its own a studio of a demo's visitor keeps, which is gone in a day. */
const VISIT_MINUTES = 10;
/** So many files are taken in at once at a process, one of each studio. */
const MOST_AT_ONCE = 2;
const takingIn = new Set<string>();

const own = ({ studioId }: Scope) => ({ studio_id: studioId });

/** All that a studio can play: the beds, then its own pieces, the one that came first before the others. */
export async function musicOf(db: Db, scope: Scope): Promise<PieceOfMusic[]> {
  const rows = await db('music')
    .where(own(scope))
    .orderBy(['added_at', 'id'])
    .select('id', 'name', 'ms');
  const beds = BEDS.map((id): PieceOfMusic => ({ id, name: BED_NAMES[id], ms: BED_MS }));
  return [...beds, ...z.array(rowSchema).parse(rows)];
}

/** The same by their ids. */
export const musicById = async (db: Db, scope: Scope): Promise<Map<string, TimedPiece>> =>
  new Map((await musicOf(db, scope)).map((piece) => [piece.id, piece]));

/** @throws Refusal `too-much-music` where a piece more of some length would be too much */
async function roomFor(db: Db, scope: Scope, ms: number): Promise<void> {
  const { n, all } = await db('music')
    .where(own(scope))
    .first(db.raw('count(*)::int as n, coalesce(sum(ms), 0)::float8 as all'));
  const { visits } = await db('studios')
    .where({ id: scope.studioId })
    .first(db.raw('visit_ends_at is not null as visits'));
  const minutes = visits ? VISIT_MINUTES : MOST_MUSIC_MINUTES;
  if (n >= MOST_PIECES) throw new Refusal('too-much-music', `${MOST_PIECES} pieces`);
  if (all + ms > minutes * 60_000) throw new Refusal('too-much-music', `${minutes} minutes`);
}

/** Passes bytes on as long as there are not too many. */
function atMost(bytes: number): Transform {
  let came = 0;
  return new Transform({
    transform(part: Buffer, _encoding, done) {
      came += part.length;
      if (came > bytes) done(new Refusal('music-too-large', String(MOST_MUSIC_MEGABYTES)));
      else done(null, part);
    },
  });
}

export interface Brought {
  /** That of the piece. Brought again under the same, it is the piece that there is. */
  id: string;
  name: string;
  bytes: AsyncIterable<Uint8Array>;
  now: number;
}

const pieceOf = async (db: Db, scope: Scope, id: string): Promise<PieceOfMusic | undefined> =>
  rowSchema.optional().parse(
    await db('music')
      .where({ ...own(scope), id })
      .first('id', 'name', 'ms'),
  );

/**
 * Takes a file of sound in. Nothing of what was brought is kept but the sound.
 * @throws Refusal `music-busy`, `music-too-large`, `too-much-music`, and as `packMusic` does
 */
export async function addMusic(
  db: Db,
  scope: Scope,
  { id, name, bytes, now }: Brought,
  signal?: AbortSignal,
): Promise<PieceOfMusic> {
  const readInto = (to: Writable) =>
    pipeline(Readable.from(bytes), atMost(MOST_MUSIC_MEGABYTES * 1_000_000), to);
  const before = await pieceOf(db, scope, id);
  if (before) {
    // A browser hears of no answer before it has sent all.
    await readInto(new Writable({ write: (_part, _encoding, done) => done() }));
    return before;
  }
  await roomFor(db, scope, 0);
  if (takingIn.has(scope.studioId) || takingIn.size >= MOST_AT_ONCE) {
    throw new Refusal('music-busy');
  }
  takingIn.add(scope.studioId);
  try {
    return await withFolder('music', async (folder) => {
      const [from, to] = [path.join(folder, 'brought'), path.join(folder, 'kept.mp3')];
      await readInto(createWriteStream(from));
      const ms = await packMusic({ from, to }, signal);
      const row = { id, name, ms };
      const sound = await readFile(to);
      return db.transaction(async (trx) => {
        // Two at once are counted one after the other.
        await trx('studios').where({ id: scope.studioId }).forUpdate().first('id');
        const there = await pieceOf(trx, scope, id);
        if (there) return there;
        await roomFor(trx, scope, ms);
        await trx('music').insert({ ...row, ...own(scope), added_at: new Date(now), sound });
        return row;
      });
    });
  } finally {
    takingIn.delete(scope.studioId);
  }
}

/** A piece of a studio's own as an MP3 file. @throws Refusal `not-found` */
export async function musicFile(db: Db, scope: Scope, id: string): Promise<Buffer> {
  const row = await db('music')
    .where({ ...own(scope), id })
    .first('sound');
  return found(row, 'piece of music').sound;
}

/** @throws Refusal `not-found` */
export async function renameMusic(
  db: Db,
  scope: Scope,
  { id, name }: { id: string; name: string },
): Promise<void> {
  const rows = await db('music')
    .where({ ...own(scope), id })
    .update({ name })
    .returning('id');
  found(rows[0], 'piece of music');
}

/** Removes a piece; classes that play it go on without it. @throws Refusal `not-found` */
export async function removeMusic(db: Db, scope: Scope, id: string): Promise<void> {
  const rows = await db('music')
    .where({ ...own(scope), id })
    .delete()
    .returning('id');
  found(rows[0], 'piece of music');
}
