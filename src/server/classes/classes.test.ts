import { describe, expect, it } from 'vitest';
import { emptyPlan } from '@/core/class';
import { makeStudio, NOON, shortPlan, testDatabase } from '../testing/studio';
import { createClass, getClass, listClasses, savePlan } from './classes';

const db = testDatabase();

describe('classes', () => {
  it('come back as they were stored, by name', async () => {
    const studio = await makeStudio(db());
    await createClass(db(), studio, emptyPlan('Zest', 300), NOON);
    const id = await createClass(db(), studio, shortPlan(), NOON);
    expect((await listClasses(db(), studio)).map((c) => c.plan.name)).toEqual(['A class', 'Zest']);
    expect(await getClass(db(), studio, id)).toEqual({
      id,
      plan: shortPlan(),
      version: 1,
      updatedAt: NOON,
    });
  });

  it('are saved on the version they grew from, and not over another', async () => {
    const studio = await makeStudio(db());
    const id = await createClass(db(), studio, shortPlan(), NOON);
    const mine = { ...shortPlan(), name: 'Mine' };
    const theirs = { ...shortPlan(), name: 'Theirs' };
    expect(await savePlan(db(), studio, id, theirs, 1, NOON)).toEqual({ ok: true, version: 2 });
    expect(await savePlan(db(), studio, id, mine, 1, NOON)).toMatchObject({
      ok: false,
      current: { version: 2, plan: { name: 'Theirs' } },
    });
    expect((await getClass(db(), studio, id)).plan.name).toBe('Theirs');
  });

  it('saved at once by two, one of them wins and the other is told', async () => {
    const studio = await makeStudio(db());
    const id = await createClass(db(), studio, shortPlan(), NOON);
    const answers = await Promise.all(
      ['One', 'Two'].map((name) => savePlan(db(), studio, id, { ...shortPlan(), name }, 1, NOON)),
    );
    expect(answers.filter((a) => a.ok)).toHaveLength(1);
  });
});
