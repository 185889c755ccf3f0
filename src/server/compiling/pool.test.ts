import { heavyPlan, planOf } from '@testing/plans';
import { describe, expect, it } from 'vitest';
import { Refusal } from '@/core/calls';
import type { Plan } from '@/core/class';
import { utteranceKey } from '@/core/speech';
import { Compiling, compiling, isLight, MOST_WAITING, type Workshop } from './pool';
import { TASKS } from './tasks';

const of = (plan: Plan) => ({ plan, own: [], options: {} });
const LIGHT = of(planOf([{ move: 'smile-pulses' }]));
const HEAVY = of(heavyPlan());
const settled = () => new Promise((resolve) => setImmediate(resolve));

/** A workshop that does nothing until it is told to. */
function slow() {
  const jobs: { done: (answer: unknown) => void; fail: (error: Error) => void }[] = [];
  const workshop: Workshop = (_, { signal }) =>
    new Promise((done, fail) => {
      jobs.push({ done, fail });
      signal.addEventListener('abort', () => fail(signal.reason));
    });
  return { jobs, workshop };
}

it('does what is light at once, and sends the rest to a workshop that is opened when it is needed', async () => {
  const { jobs, workshop } = slow();
  let opened = 0;
  const open = () => {
    opened++;
    return workshop;
  };
  const all = new Compiling(open, 1);
  expect([isLight(LIGHT.plan), isLight(HEAVY.plan)]).toEqual([true, false]);
  expect(await all.work('score', LIGHT, { owner: 'a' })).toEqual(TASKS.score(LIGHT));
  expect(opened).toBe(0);
  const heavy = all.work('asked', HEAVY, { owner: 'a' });
  await settled();
  jobs[0]?.done([]);
  expect(await heavy).toEqual([]);
  const beside = all.work('asked', LIGHT, { owner: 'a', beside: true });
  await settled();
  jobs[1]?.done(['said']);
  expect([await beside, opened]).toEqual([['said'], 1]);
});

it('lets studios take turns, and refuses a studio that asks for more than may wait', async () => {
  const { jobs, workshop } = slow();
  const all = new Compiling(() => workshop, 1);
  const order: string[] = [];
  const ask = (owner: string) =>
    all.work('asked', HEAVY, { owner }).then(() => void order.push(owner));
  const busy = Array.from({ length: MOST_WAITING }, () => ask('busy'));
  await expect(ask('busy')).rejects.toEqual(new Refusal('still-busy'));
  const other = ask('quiet');
  for (let i = 0; i <= MOST_WAITING; i++) {
    await settled();
    jobs[i]?.done([]);
  }
  await Promise.all([...busy, other]);
  // Somebody else waits for one or two pieces of work, not for sixty.
  expect(order.indexOf('quiet')).toBeLessThanOrEqual(2);
  // What is done makes room again.
  const again = ask('busy');
  await settled();
  jobs.at(-1)?.done([]);
  await again;
});

it('gives up what takes too long, and passes on what fails, and works on after both', async () => {
  const { jobs, workshop } = slow();
  const all = new Compiling(() => workshop, 1, 5);
  await expect(all.work('asked', HEAVY, { owner: 'a' })).rejects.toEqual(
    new Refusal('took-too-long'),
  );
  const failing = all.work('asked', HEAVY, { owner: 'a' });
  await settled();
  jobs[1]?.fail(new RangeError('no memory'));
  await expect(failing).rejects.toThrow('no memory');
  const last = all.work('asked', HEAVY, { owner: 'a' });
  await settled();
  jobs[2]?.done([]);
  expect(await last).toEqual([]);
});

describe('the workshop of the server', () => {
  it('answers what the same task answers here, for each of them', async () => {
    const lengths = new Map(TASKS.asked(HEAVY).map((u) => [utteranceKey(u), 700]));
    const measured = { ...HEAVY, lengths, options: { room: [new Set(['smile-pulses'])] } };
    const person = {
      id: 'p',
      name: 'P',
      cautions: [{ caution: 'jaw' as const }],
      met: new Set<string>(),
    };
    const judged = { ...measured, people: [person], done: [], sessionsAWeek: 3, talk: [] };
    const here = TASKS.judge(judged);
    const key = here.findings.find((f) => f.repair)?.key ?? '';
    expect(key).not.toBe('');
    const there = compiling();
    const me = { owner: 'me' };
    expect(await there.work('asked', HEAVY, me)).toEqual(TASKS.asked(HEAVY));
    expect(await there.work('score', measured, me)).toEqual(TASKS.score(measured));
    expect(await there.work('outline', measured, me)).toEqual(TASKS.outline(measured));
    expect(await there.work('judge', judged, me)).toEqual(here);
    const repair = { ...judged, key, others: [] };
    expect(await there.work('repair', repair, me)).toEqual(TASKS.repair(repair));
    const settledOne = { ...repair, key: 'nothing' };
    expect(await there.work('repair', settledOne, me)).toEqual({ kind: 'settled' });
  });
});
