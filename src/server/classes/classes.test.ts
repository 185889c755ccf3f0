import { randomUUID } from 'node:crypto';
import { LIBRARY_BOOK } from '@library';
import { smallPlan } from '@testing/arbitrary';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { classOf, emptyPlan, type Plan, placedSegments } from '@/core/class';
import { addParticipant } from '../people/people';
import { makeStudio, NOON, shortPlan, testDatabase } from '../testing/studio';
import {
  classesWith,
  createClass,
  getClass,
  listClasses,
  MOST_CLASSES,
  savePlan,
  versionsOf,
} from './classes';

const db = testDatabase();

describe('classes', () => {
  it('come back as they were stored, by name', async () => {
    const studio = await makeStudio(db());
    await createClass(db(), studio, emptyPlan('Zest', 300), NOON);
    const id = await createClass(db(), studio, shortPlan(), NOON);
    expect((await listClasses(db(), studio)).map((c) => c.name)).toEqual(['A class', 'Zest']);
    expect(await getClass(db(), studio, id)).toEqual({
      id,
      plan: shortPlan(),
      version: 1,
      updatedAt: NOON,
      putAwayAt: null,
    });
  });

  it('are listed, and found by a move, as their plans say', async () => {
    const studio = await makeStudio(db());
    const plans = fc.sample(smallPlan(60), { numRuns: 25, seed: 7 });
    const stored = await Promise.all(
      plans.map(async (plan) => ({ id: await createClass(db(), studio, plan, NOON), plan })),
    );
    const list = await listClasses(db(), studio);
    expect(list).toHaveLength(plans.length);
    for (const { id, plan } of stored) {
      const { name, slotSeconds } = plan;
      const segments = placedSegments(plan).length;
      expect(list.find((c) => c.id === id)).toEqual({
        ...{ id, name, slotSeconds, segments },
        ...{ putAway: false, atHome: false, met: false },
      });
    }
    const movesOf = (plan: Plan) => placedSegments(plan).map((p) => p.segment.move);
    const moves = new Set([...plans.flatMap(movesOf), 'no-such-move', '") || true']);
    expect(moves.size).toBeGreaterThan(10);
    for (const move of moves) {
      const found = (await classesWith(db(), studio, move)).map((c) => c.id);
      const expected = stored.filter(({ plan }) => movesOf(plan).includes(move)).map((c) => c.id);
      expect(found.toSorted(), move).toEqual(expected.toSorted());
    }
    expect(await classesWith(db(), await makeStudio(db()), [...moves][0] ?? '')).toEqual([]);
  });

  it.each([
    [61, 1, 'Work has more than 60 blocks; put some into one, or make two classes of it.'],
    [
      12,
      10,
      'This class has 14400 beats to count; a class has at most 10000. Take rounds, laps or loops away, or make two classes of it.',
    ],
  ])(
    '%i moves of %i rounds are more than one may be, and none is made that nobody could open',
    async (moves, rounds, says) => {
      const studio = await makeStudio(db());
      const dose = { kind: 'reps' as const, reps: rounds === 1 ? 4 : 120, secondsEach: 1 };
      const lines = Array.from({ length: moves }, () => ({ move: 'smile-pulses', dose, rounds }));
      const plan = classOf(emptyPlan('Long', 1200), lines, LIBRARY_BOOK);
      await expect(createClass(db(), studio, plan, NOON)).rejects.toMatchObject({
        code: 'bad-class',
        message: says,
      });
      expect(await listClasses(db(), studio)).toEqual([]);
    },
  );

  it('are saved on the version they grew from, and not over another', async () => {
    const studio = await makeStudio(db());
    const id = await createClass(db(), studio, shortPlan(), NOON);
    const mine = { ...shortPlan(), name: 'Mine' };
    const theirs = { ...shortPlan(), name: 'Theirs' };
    expect(await savePlan(db(), studio, { id, plan: theirs, basedOn: 1, now: NOON })).toEqual({
      ok: true,
      version: 2,
    });
    expect(await savePlan(db(), studio, { id, plan: mine, basedOn: 1, now: NOON })).toMatchObject({
      ok: false,
      current: { version: 2, plan: { name: 'Theirs' } },
    });
    expect((await getClass(db(), studio, id)).plan.name).toBe('Theirs');
  });

  it('saved at once by two, one of them wins and the other is told', async () => {
    const studio = await makeStudio(db());
    const id = await createClass(db(), studio, shortPlan(), NOON);
    const answers = await Promise.all(
      ['One', 'Two'].map((name) =>
        savePlan(db(), studio, { id, plan: { ...shortPlan(), name }, basedOn: 1, now: NOON }),
      ),
    );
    expect(answers.filter((a) => a.ok)).toHaveLength(1);
  });
});

describe('saved versions', () => {
  const MINUTE = 60_000;
  const named = (name: string) => ({ ...shortPlan(), name });

  it('begin with the state before the first save, newest first', async () => {
    const studio = await makeStudio(db());
    const id = await createClass(db(), studio, named('One'), NOON);
    expect(await versionsOf(db(), studio, id)).toEqual([]);
    await savePlan(db(), studio, { id, plan: named('Two'), basedOn: 1, now: NOON + MINUTE });
    const versions = await versionsOf(db(), studio, id);
    expect(versions.map((v) => [v.version, v.plan.name, v.savedBy])).toEqual([
      [2, 'Two', 'Test Teacher'],
      [1, 'One', ''],
    ]);
    expect(versions[0]?.savedAt).toBe(NOON + MINUTE);
  });

  it('saves close to one another are one version, of each teacher alone', async () => {
    const studio = await makeStudio(db());
    const colleague = { ...studio, name: 'A Colleague' };
    const id = await createClass(db(), studio, named('One'), NOON);
    await savePlan(db(), studio, { id, plan: named('Two'), basedOn: 1, now: NOON });
    await savePlan(db(), studio, { id, plan: named('Three'), basedOn: 2, now: NOON + MINUTE });
    await savePlan(db(), colleague, {
      id,
      plan: named('Four'),
      basedOn: 3,
      now: NOON + 2 * MINUTE,
    });
    await savePlan(db(), colleague, {
      id,
      plan: named('Five'),
      basedOn: 4,
      now: NOON + 20 * MINUTE,
    });
    const names = (await versionsOf(db(), studio, id)).map((v) => v.plan.name);
    expect(names).toEqual(['Five', 'Four', 'Three', 'One']);
  });

  it('a save that is refused writes none', async () => {
    const studio = await makeStudio(db());
    const id = await createClass(db(), studio, named('One'), NOON);
    await savePlan(db(), studio, { id, plan: named('Two'), basedOn: 1, now: NOON });
    await savePlan(db(), studio, { id, plan: named('Late'), basedOn: 1, now: NOON });
    expect(await versionsOf(db(), studio, id)).toHaveLength(2);
  });

  it('are kept up to a hundred', async () => {
    const studio = await makeStudio(db());
    const id = await createClass(db(), studio, named('0'), NOON);
    for (let n = 1; n <= 104; n++) {
      await savePlan(db(), studio, {
        id,
        plan: named(String(n)),
        basedOn: n,
        now: NOON + n * 6 * MINUTE,
      });
    }
    const versions = await versionsOf(db(), studio, id);
    expect(versions).toHaveLength(100);
    expect(versions[0]?.plan.name).toBe('104');
  });
});

it('a studio keeps so many classes at most, and says so', async () => {
  const { studioId } = await makeStudio(db());
  const at = new Date(NOON);
  const plan = JSON.stringify(shortPlan());
  const rows = Array.from({ length: MOST_CLASSES }, () => ({
    id: randomUUID(),
    studio_id: studioId,
    plan,
    created_at: at,
    updated_at: at,
  }));
  await db()('classes').insert(rows.slice(1));
  await createClass(db(), { studioId }, shortPlan(), NOON);
  const one = createClass(db(), { studioId }, shortPlan(), NOON);
  await expect(one).rejects.toThrow('A studio keeps 500 classes at most.');
  // One that was given to somebody to do at home does not count.
  const ada = { person: { name: 'Ada', contact: null }, joinedOn: '2026-01-01', now: NOON };
  const person = await addParticipant(db(), { studioId }, ada);
  const home = { studio_id: studioId, class_id: rows[1]?.id, participant_id: person, given_at: at };
  await db()('home_classes').insert(home);
  await createClass(db(), { studioId }, shortPlan(), NOON);
});
