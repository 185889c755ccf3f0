import { libraryMove } from '@library';
import { expect, it } from 'vitest';
import type { Move } from '@/core/move';
import { MOST_MOVES, saveOwnMove } from '../moves/moves';
import { makeClass, NOON, testDatabase } from '../testing/studio';
import { holdingsOf } from './holdings';

const db = testDatabase();

it('a studio sees how much it has of what is limited, and no other', async () => {
  const [one, other] = [await makeClass(db()), await makeClass(db())];
  const move = { ...(libraryMove('smile-pulses') as Move), id: 'own-smile' };
  await saveOwnMove(db(), one, move, { now: NOON });
  const shown = async (of: typeof one) =>
    (await holdingsOf(db(), of, of.teacherId)).map(({ what, count }) => [what, count]);
  expect(await shown(one)).toEqual([
    ['People', 2],
    ['Classes', 1],
    ['Moves of your own', 1],
    ['Closed days', 0],
    ['Your recordings', 0],
    ['Words said your way', 0],
    ['Pieces of music', 0],
  ]);
  expect((await shown(other))[2]).toEqual(['Moves of your own', 0]);
  const rows = Array.from({ length: MOST_MOVES - 1 }, (_, i) => ({
    studio_id: one.studioId,
    id: `own-${i}`,
    move: JSON.stringify(move),
    updated_at: new Date(NOON),
  }));
  await db()('moves').insert(rows);
  await saveOwnMove(db(), one, { ...move, rounds: 4 }, { now: NOON });
  const more = saveOwnMove(db(), one, { ...move, id: 'own-more' }, { now: NOON });
  await expect(more).rejects.toMatchObject({ code: 'too-many-moves' });
});
