import { planOf } from '@testing/plans';
import { expect, it } from 'vitest';
import { compile } from '@/core/score';
import { type Utterance, utteranceKey } from '@/core/speech';
import type { Speaker } from '../speech/speaker';
import { bookOf } from './book';
import { compileMeasured, knownLengths, outlineOf } from './measured';

const BOOK = bookOf('me', []);

/** Says everything 10 ms a letter, and knows what it has said. */
function slowSpeaker(): Speaker & { said: number } {
  const known = new Map<string, number>();
  return {
    said: 0,
    async length(utterance: Utterance) {
      this.said++;
      const ms = 10 * utterance.text.length;
      known.set(utteranceKey(utterance), ms);
      return ms;
    },
    knownLength: async (utterance) => known.get(utteranceKey(utterance)) ?? null,
  };
}

it('outlines a class by the estimate, and by its measured length once all of it was said', async () => {
  const plan = planOf([{ move: 'chin-over-shoulder' }, { move: 'tall-o-cheek-lift' }]);
  const speaker = slowSpeaker();
  const first = await outlineOf(plan, BOOK, speaker);
  expect([first.measured, first.totalMs]).toEqual([false, compile(plan, BOOK).totalMs]);
  expect(speaker.said).toBe(0);

  const measured = await compileMeasured(plan, BOOK, speaker, { talkingFactor: 1.2 });
  const { said } = speaker;
  const then = await outlineOf(plan, BOOK, speaker, { talkingFactor: 1.2 });
  expect(then).toMatchObject({ measured: true, totalMs: measured.totalMs });
  expect(then.totalMs).not.toBe(first.totalMs);
  expect(speaker.said).toBe(said);
});

it('knows the lengths of what was said before, and says nothing to find out', async () => {
  const plan = planOf([{ move: 'chin-over-shoulder' }]);
  const speaker = slowSpeaker();
  await compileMeasured(plan, BOOK, speaker);
  const { said } = speaker;
  const longer = planOf([{ move: 'chin-over-shoulder' }, { move: 'tall-o-cheek-lift' }]);
  const [known, more] = await Promise.all([
    knownLengths(plan, BOOK, speaker),
    knownLengths(longer, BOOK, speaker),
  ]);
  expect([known.size, speaker.said]).toEqual([said, said]);
  for (const [key, ms] of known) expect(more.get(key) ?? ms).toBe(ms);
  expect(await knownLengths(plan, BOOK, slowSpeaker())).toEqual(new Map());
});
