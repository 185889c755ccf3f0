import { LIBRARY_BOOK } from '@library';
import { anyPlan } from '@testing/arbitrary';
import { planOf } from '@testing/plans';
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { resolve } from '../class';
import { compile, readOfTurn, turnOfStep, variantsDone } from '.';

const readIn = (plan: Parameters<typeof compile>[0]) =>
  new Map(
    variantsDone(resolve(plan, LIBRARY_BOOK)).map(({ turn }) => [
      turn.key,
      readOfTurn(turn, plan, LIBRARY_BOOK),
    ]),
  );

it('has all that is said of how a turn is done and let go, of any class', () => {
  fc.assert(
    fc.property(anyPlan, (plan) => {
      const read = readIn(plan);
      const { cues, steps } = compile(plan, LIBRARY_BOOK);
      for (const { kind, text, step, language } of cues) {
        const words = read.get(turnOfStep(steps[step]?.id ?? ''));
        if (!words || language !== plan.language) continue;
        if (kind === 'setup' || kind === 'stage') expect(words.how).toContain(text);
        if (['form', 'letGo', 'release'].includes(kind)) expect(words.mind).toContain(text);
      }
    }),
    { numRuns: 60 },
  );
});

it('has it where the class says less, and nothing that its teacher muted', () => {
  const line = { move: 'whole-face-light-tapping', rounds: 1 } as const;
  const text = LIBRARY_BOOK.move(line.move)?.text.en;
  if (!text) throw new Error('no words');
  const [quiet] = readIn(planOf([line], { say: 'counts', explain: 'names-only' })).values();
  expect(quiet?.how).toEqual(text.setup);
  expect(quiet?.mind.slice(0, text.form.length)).toEqual(text.form);
  const muted = ['setup:0', 'form:0', 'letGo'];
  const [less] = readIn(planOf([{ ...line, cues: { muted } }])).values();
  expect(less?.how).toEqual(text.setup.slice(1));
  expect(less?.mind).not.toContain(text.form[0]);
  expect(less?.mind).not.toContain(text.letGo);
});
