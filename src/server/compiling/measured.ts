import type { Plan } from '@/core/class';
import type { FollowDocument, MadeReady } from '@/core/follow';
import type { Score } from '@/core/score';
import { type Utterance, utteranceKey } from '@/core/speech';
import { inTurns, type Speaker } from '../speech/speaker';
import type { StudioBook } from './book';
import { compiling, type Whose } from './pool';
import type { ClassOutline, OfClass } from './tasks';

type CompileFor = OfClass['options'];

const ofClass = (plan: Plan, { own }: StudioBook, options: CompileFor): OfClass => ({
  plan,
  own,
  options,
});

/**
 * Compiles a class with the lengths its cues really have in a voice; with the estimate where there is
 * none. The score says which.
 * @throws Refusal `still-busy`, `took-too-long`
 */
export async function compileMeasured(
  plan: Plan,
  book: StudioBook,
  speaker: Speaker | null,
  options: CompileFor = {},
): Promise<Score> {
  const of = ofClass(plan, book, options);
  const lengths = speaker ? await lengthsOf(of, book, (u) => speaker.length(u)) : undefined;
  return compiling().work('score', { ...of, lengths }, book);
}

/**
 * What leaves for those who follow a class that was made ready.
 * @throws Refusal as `compileMeasured` does
 */
export async function followable(
  ready: Omit<MadeReady, 'isDrawn'>,
  book: StudioBook,
): Promise<FollowDocument> {
  return compiling().work('follow', { ...ofClass(ready.plan, book, {}), ready }, book);
}

/**
 * Outlines a class without waiting for any cue to be rendered.
 * @param options.beside in a thread beside, however light it is
 * @throws Refusal as `compileMeasured` does
 */
export async function outlineOf(
  plan: Plan,
  book: StudioBook,
  speaker: Speaker,
  { beside = false, ...options }: CompileFor & { beside?: boolean } = {},
): Promise<ClassOutline> {
  const of = ofClass(plan, book, options);
  const whose = { owner: book.owner, beside };
  const lengths = await lengthsOf(of, whose, (u) => speaker.knownLength(u));
  return compiling().work('outline', { ...of, lengths }, whose);
}

/**
 * How long what a class says is, in ms by utterance key, as far as that is known without saying it.
 * @throws Refusal as `compileMeasured` does
 */
export async function knownLengths(
  plan: Plan,
  book: StudioBook,
  speaker: Speaker,
  options: CompileFor = {},
): Promise<Map<string, number>> {
  return lengthsOf(ofClass(plan, book, options), book, (u) => speaker.knownLength(u));
}

async function lengthsOf(
  of: OfClass,
  whose: Whose,
  lengthOfText: (utterance: Utterance) => Promise<number | null>,
): Promise<Map<string, number>> {
  const asked = await compiling().work('asked', of, whose);
  const found = await inTurns(asked, lengthOfText);
  return new Map(
    asked.flatMap((utterance, i) => {
      const ms = found[i] ?? null;
      return ms === null ? [] : [[utteranceKey(utterance), ms] as const];
    }),
  );
}
