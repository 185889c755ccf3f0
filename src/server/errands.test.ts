import { randomUUID } from 'node:crypto';
import { expect, it } from 'vitest';
import { z } from 'zod';
import { Refusal } from '@/core/calls';
import type { Db } from './db';
import { ERRAND_KEPT_MS, type Errand, MOST_ERRANDS, once } from './errands';
import type { Scope } from './scope';
import { makeStudio, NOON, testDatabase } from './testing/studio';

const db = testDatabase();

/** Makes a closure, told by its number. */
const make = (scope: Scope, errand: Errand, name = 'Storm') =>
  once(db(), scope, errand, z.string(), async (trx: Db) => {
    const row = {
      ...{ id: randomUUID(), studio_id: scope.studioId, from_date: '2026-12-01' },
      ...{ to_date: '2026-12-02', name, created_at: new Date(NOON) },
    };
    await trx('closures').insert(row);
    return row.id;
  });
const made = (scope: Scope) => db()('closures').where({ studio_id: scope.studioId }).pluck('id');
const of = (now = NOON): Errand => ({ errand: randomUUID(), now });

it('does what is asked again once, and answers as before', async () => {
  const studio = await makeStudio(db());
  const errand = of();
  const first = await make(studio, errand);
  expect(await make(studio, errand)).toBe(first);
  expect(await made(studio)).toEqual([first]);
  await make(studio, of());
  expect(await made(studio)).toHaveLength(2);
});

it('does what is asked several times at once once', async () => {
  const studio = await makeStudio(db());
  const errand = of();
  const answers = await Promise.all(Array.from({ length: 5 }, () => make(studio, errand)));
  expect(new Set(answers).size).toBe(1);
  expect(await made(studio)).toEqual([answers[0]]);
});

it('does it each time where a page says nothing of an errand', async () => {
  const studio = await makeStudio(db());
  await make(studio, { now: NOON });
  await make(studio, { now: NOON });
  expect(await made(studio)).toHaveLength(2);
});

it('leaves nothing of what was refused, which may be asked for again', async () => {
  const studio = await makeStudio(db());
  const errand = of();
  const refused = once(db(), studio, errand, z.string(), async (trx) => {
    const row = { studio_id: studio.studioId, from_date: '2026-12-01', to_date: '2026-12-02' };
    await trx('closures').insert({
      ...row,
      id: randomUUID(),
      name: 'Half',
      created_at: new Date(),
    });
    throw new Refusal('too-many-closures', '200');
  });
  await expect(refused).rejects.toThrow(Refusal);
  expect(await made(studio)).toEqual([]);
  const id = await make(studio, errand);
  expect(await made(studio)).toEqual([id]);
});

it('takes an errand of one studio for none of another', async () => {
  const [one, other] = [await makeStudio(db()), await makeStudio(db())];
  const errand = of();
  const theirs = await make(one, errand);
  expect(await make(other, errand)).not.toBe(theirs);
  expect(await made(other)).toHaveLength(1);
});

it('knows errands for a day, and so many at most', async () => {
  const [studio, other] = [await makeStudio(db()), await makeStudio(db())];
  const known = (scope: Scope) =>
    db()('errands').where({ studio_id: scope.studioId }).orderBy('at').pluck('id');
  const [old, kept] = [of(NOON - ERRAND_KEPT_MS - 1), of(NOON - ERRAND_KEPT_MS)];
  await make(other, old);
  await make(studio, old);
  await make(studio, kept);
  const now = of();
  await make(studio, now);
  expect(await known(studio)).toEqual([kept.errand, now.errand]);
  expect(await known(other)).toEqual([old.errand]);
  const many = Array.from({ length: MOST_ERRANDS }, (_, i) => ({
    studio_id: studio.studioId,
    id: randomUUID(),
    at: new Date(NOON + i + 1),
    answer: '"x"',
  }));
  await db()('errands').insert(many);
  const last = of(NOON + MOST_ERRANDS + 1);
  await make(studio, last);
  expect(await known(studio)).toEqual([...many.slice(1).map(({ id }) => id), last.errand]);
});
