import { LIBRARY, libraryMove } from '@library';
import { dequal } from 'dequal';
import { z } from 'zod';
import { Refusal } from '@/core/calls';
import { MAIN_LANGUAGE } from '@/core/language';
import { type Move, moveSchema } from '@/core/move';
import { classesWith, getClass } from '../classes/classes';
import { bookOf, type StudioBook } from '../compiling/book';
import type { Db } from '../db';
import type { Scope } from '../scope';

const rowSchema = z.object({ move: moveSchema }).transform((row) => row.move);

/** A studio's own moves, by name. */
export async function ownMoves(db: Db, { studioId }: Scope): Promise<Move[]> {
  const rows = await db('moves')
    .where({ studio_id: studioId })
    .orderByRaw("lower(move->'text'->?->>'name')", [MAIN_LANGUAGE])
    .select('move');
  return z.array(rowSchema).parse(rows);
}

/** What tells the moves of a studio from those of any other moment. */
export async function ownMovesStamp(db: Db, { studioId }: Scope): Promise<string> {
  const row = await db('moves')
    .where({ studio_id: studioId })
    .first(db.raw("md5(string_agg(move::text, ' ' order by id)) as stamp"));
  return String(row?.stamp);
}

/** Everything a studio can build a class from: its own moves first, then the library. */
export async function allMoves(db: Db, scope: Scope): Promise<Move[]> {
  return [...(await ownMoves(db, scope)), ...LIBRARY];
}

/** Everything that a class may name, by id: what it carries itself goes before what the studio has. */
export async function movesForClass(db: Db, scope: Scope, classId: string): Promise<Move[]> {
  const [{ plan }, all] = await Promise.all([getClass(db, scope, classId), allMoves(db, scope)]);
  const byId = new Map([...all, ...(plan.moves ?? [])].map((move) => [move.id, move]));
  return [...byId.values()];
}

/** Where the classes of a studio look up moves and words. */
export async function studioBook(db: Db, scope: Scope): Promise<StudioBook> {
  return bookOf(scope.studioId, await ownMoves(db, scope));
}

/** @throws Refusal `not-found` where neither the library nor the studio has it */
export async function getMove(
  db: Db,
  { studioId }: Scope,
  id: string,
): Promise<{ move: Move; own: boolean }> {
  const builtIn = libraryMove(id);
  if (builtIn) return { move: builtIn, own: false };
  const row = await db('moves').where({ id, studio_id: studioId }).first('move');
  if (!row) throw new Refusal('not-found', 'move');
  return { move: rowSchema.parse(row), own: true };
}

/** Names of the classes a move is used in, with their ids. */
export async function usesOf(
  db: Db,
  scope: Scope,
  moveId: string,
): Promise<{ id: string; name: string }[]> {
  return (await classesWith(db, scope, moveId)).map(({ id, name }) => ({ id, name }));
}

/** Most moves of a studio's own. */
export const MOST_MOVES = 300;

/**
 * Stores a move of the studio's own, new or changed.
 * @param was what it is to be stored over: a move as it was, or null where there was none; anything where it is missing
 * @throws Refusal `built-in` for an id of the library; `too-many-moves`, `move-there`, `move-changed`
 */
export async function saveOwnMove(
  db: Db,
  { studioId }: Scope,
  move: Move,
  { now, was }: { now: number; was?: Move | null },
): Promise<void> {
  if (libraryMove(move.id)) {
    throw new Refusal('built-in');
  }
  const others = await db('moves')
    .where({ studio_id: studioId })
    .whereNot({ id: move.id })
    .first(db.raw('count(*)::int as n'));
  if (others.n >= MOST_MOVES) throw new Refusal('too-many-moves', String(MOST_MOVES));
  const own = { studio_id: studioId, id: move.id };
  const stored = { move: JSON.stringify(move), updated_at: new Date(now) };
  await db.transaction(async (trx) => {
    if (was) {
      const row = await trx('moves').where(own).forUpdate().first('move');
      if (!row || !dequal(rowSchema.parse(row), was)) throw new Refusal('move-changed');
    }
    const put = trx('moves')
      .insert({ ...own, ...stored })
      .onConflict(['studio_id', 'id']);
    const rows = await (was === null ? put.ignore() : put.merge()).returning('id');
    if (rows.length === 0) throw new Refusal('move-there');
  });
}

/** @throws Refusal `not-found`, `move-in-use` */
export async function removeOwnMove(db: Db, scope: Scope, id: string): Promise<void> {
  const used = await usesOf(db, scope, id);
  if (used.length) {
    const names = used.map((c) => c.name).join(', ');
    throw new Refusal('move-in-use', names);
  }
  const removed = await db('moves').where({ id, studio_id: scope.studioId }).delete();
  if (removed === 0) throw new Refusal('not-found', 'move');
}

/** Moves that each of some people have met in sessions they came to; one set a person. */
export async function movesMet(
  db: Db,
  { studioId }: Scope,
  participantIds: readonly string[],
): Promise<ReadonlySet<string>[]> {
  const rows = await db('attendance')
    .join('runs', 'runs.session_id', 'attendance.session_id')
    .where('attendance.studio_id', studioId)
    .whereIn('attendance.participant_id', [...participantIds])
    .whereNotNull('attendance.arrived_at')
    .whereNotNull('runs.finished_at')
    .distinct('attendance.participant_id', db.raw('unnest(runs.moves) as move_id'));
  const met = new Map(participantIds.map((id) => [id, new Set<string>()]));
  for (const row of rows) met.get(row.participant_id)?.add(row.move_id);
  return [...met.values()];
}
