import { LIBRARY, libraryMove } from '@library';
import { planOf } from '@testing/plans';
import { describe, expect, it } from 'vitest';
import type { Move } from '@/core/move';
import { createClass } from '../classes/classes';
import { appendEvents, closeSession, prepareRun } from '../runs';
import { mark } from '../sessions/register';
import { makeClass, makeStudio, NOON, shortPlan, testDatabase } from '../testing/studio';
import { libraryMiniatures, ownMiniatures, ownMiniaturesStamp } from './miniatures';
import {
  allMoves,
  getMove,
  movesForClass,
  movesMet,
  ownMoves,
  removeOwnMove,
  saveOwnMove,
  usesOf,
} from './moves';

const db = testDatabase();

const mine = (id = 'own-smile'): Move => {
  const move = libraryMove('smile-pulses');
  if (!move?.text.en) throw new Error('the library lost smile-pulses');
  return { ...move, id, text: { en: { ...move.text.en, name: 'My smile' } } };
};

describe('moves of a studio', () => {
  it('stand before the library, and change without touching it', async () => {
    const studio = await makeStudio(db());
    await saveOwnMove(db(), studio, mine(), { now: NOON });
    await saveOwnMove(db(), studio, { ...mine(), rounds: 5 }, { now: NOON });
    expect(await ownMoves(db(), studio)).toEqual([{ ...mine(), rounds: 5 }]);
    expect((await allMoves(db(), studio))[0]?.id).toBe('own-smile');
    expect(await getMove(db(), studio, 'smile-pulses')).toMatchObject({ own: false });
  });

  it('are not written over where they are others than they were', async () => {
    const studio = await makeStudio(db());
    const [first, second, third] = [1, 2, 3].map((rounds) => ({ ...mine(), rounds }));
    if (!first || !second || !third) throw new Error('three moves');
    const save = (move: Move, was?: Move | null) =>
      saveOwnMove(db(), studio, move, { now: NOON, was });
    const stored = async () => (await ownMoves(db(), studio))[0]?.rounds;
    await expect(save(second, first)).rejects.toMatchObject({ code: 'move-changed' });
    const both = await Promise.allSettled([save(first, null), save(second, null)]);
    expect(both.map((b) => b.status).sort()).toEqual(['fulfilled', 'rejected']);
    await save(first);
    await save(second, first);
    await expect(save(third, first)).rejects.toMatchObject({ code: 'move-changed' });
    await expect(save(third, null)).rejects.toMatchObject({ code: 'move-there' });
    expect(await stored()).toBe(2);
    await save(third);
    expect(await stored()).toBe(3);
  });

  it('cannot take the place of a built-in one', async () => {
    const studio = await makeStudio(db());
    await expect(
      saveOwnMove(db(), studio, mine('smile-pulses'), { now: NOON }),
    ).rejects.toMatchObject({
      code: 'built-in',
    });
  });

  it('give way, in a class that carries moves of its own, to those', async () => {
    const studio = await makeStudio(db());
    await saveOwnMove(db(), studio, mine(), { now: NOON });
    const carried = { ...mine(), rounds: 7 };
    const id = await createClass(db(), studio, { ...shortPlan(), moves: [carried] }, NOON);
    const found = await movesForClass(db(), studio, id);
    expect(found.filter((m) => m.id === carried.id)).toEqual([carried]);
    expect(found.map((m) => m.id)).toContain('smile-pulses');
  });

  it('belong to their studio alone', async () => {
    const [ours, theirs] = [await makeStudio(db()), await makeStudio(db())];
    await saveOwnMove(db(), theirs, mine(), { now: NOON });
    expect(await ownMoves(db(), ours)).toEqual([]);
    await expect(getMove(db(), ours, 'own-smile')).rejects.toMatchObject({ code: 'not-found' });
    await expect(removeOwnMove(db(), ours, 'own-smile')).rejects.toMatchObject({
      code: 'not-found',
    });
  });

  it('can only be removed while no class uses them', async () => {
    const studio = await makeStudio(db());
    await saveOwnMove(db(), studio, mine(), { now: NOON });
    const plan = planOf([{ move: 'smile-pulses' }]);
    const own = structuredClone(plan);
    for (const block of own.phases.work) for (const s of block.segments) s.move = 'own-smile';
    const id = await createClass(db(), studio, own, NOON);
    expect(await usesOf(db(), studio, 'own-smile')).toEqual([{ id, name: 'A class' }]);
    await expect(removeOwnMove(db(), studio, 'own-smile')).rejects.toThrow(/used in A class/);
    await db()('classes').where({ id }).delete();
    await removeOwnMove(db(), studio, 'own-smile');
    expect(await ownMoves(db(), studio)).toEqual([]);
  });
});

it('moves somebody has met are those of the sessions they came to', async () => {
  const c = await makeClass(db());
  const run = await prepareRun(db(), c, { sessionId: c.sessionId, now: NOON });
  const event = { id: crypto.randomUUID(), at: NOON };
  await appendEvents(db(), c, {
    runId: run.id,
    drafts: [{ ...event, type: 'started' }],
    now: NOON,
  });
  await mark(db(), c, { sessionId: c.sessionId, participantId: c.ada, value: 'here', now: NOON });
  await closeSession(db(), c, {
    sessionId: c.sessionId,
    draft: { ...event, id: crypto.randomUUID() },
    now: NOON,
  });
  const [ada, ben] = await movesMet(db(), c, [c.ada, c.ben]);
  expect([...(ada ?? [])].sort()).toEqual(['chin-over-shoulder', 'tall-o-cheek-lift']);
  expect(ben?.size).toBe(0);
  expect(shortPlan().rules.explain).toBe('first');
});

describe('miniatures of moves', () => {
  const idsIn = (sheet: string) => [...sheet.matchAll(/<g id="([^"]+)">/g)].map(([, id]) => id);

  it('are those of the library, every one, in a sheet that is the same each time', () => {
    const { sheet, stamp } = libraryMiniatures();
    expect(idsIn(sheet)).toEqual(LIBRARY.map((move) => move.id));
    expect(libraryMiniatures().stamp).toBe(stamp);
  });

  it('are of a studio those of its own moves, and of nobody else', async () => {
    const [studio, other] = [await makeStudio(db()), await makeStudio(db())];
    await saveOwnMove(db(), studio, mine(), { now: NOON });
    expect(idsIn((await ownMiniatures(db(), studio)).sheet)).toEqual(['own-smile']);
    expect(idsIn((await ownMiniatures(db(), other)).sheet)).toEqual([]);
  });

  it('have another stamp once a move has changed, and one that tells how they are drawn', async () => {
    const studio = await makeStudio(db());
    await saveOwnMove(db(), studio, mine(), { now: NOON });
    const before = await ownMiniatures(db(), studio);
    expect(await ownMiniaturesStamp(db(), studio)).toBe(before.stamp);
    expect(before.stamp).toContain(libraryMiniatures().stamp);
    await saveOwnMove(db(), studio, { ...mine(), rounds: 5 }, { now: NOON });
    expect(await ownMiniaturesStamp(db(), studio)).not.toBe(before.stamp);
  });
});
