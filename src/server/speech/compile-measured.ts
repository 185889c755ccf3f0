import type { Plan } from '@/core/class';
import { type Book, type CompileOptions, compile, lengthOf, type Score } from '@/core/score';
import {
  estimateSpeech,
  measuredMeter,
  notingMeter,
  type Utterance,
  utteranceKey,
} from '@/core/speech';

/** Somebody or something that says cues. */
export interface Speaker {
  /** How long an utterance is, in whole ms; null where it cannot be said. */
  length: (utterance: Utterance) => Promise<number | null>;
  /** The same as far as it is known without saying it first. */
  knownLength: (utterance: Utterance) => Promise<number | null>;
}

/**
 * Compiles a class with the lengths its cues really have in a voice; with the estimate where there is
 * none. The score says which.
 */
export async function compileMeasured(
  plan: Plan,
  book: Book,
  speaker: Speaker | null,
  options: CompileFor = {},
): Promise<Score> {
  const { score, asked } = estimated(plan, book, options);
  if (!speaker) return score;
  const { meter, source } = meterOf(await lengthsOf(asked, (u) => speaker.length(u)));
  return compile(plan, book, { ...options, meter, speechSource: source });
}

/** A class as lists show it: its score by the estimate, and its length as exact as it is known. */
export interface Outline {
  score: Score;
  /** In whole ms, equal to that of the measured score where it is `measured`. */
  totalMs: number;
  measured: boolean;
}

/** Outlines a class without waiting for any cue to be rendered. */
export async function outlineOf(
  plan: Plan,
  book: Book,
  speaker: Speaker,
  options: CompileFor = {},
): Promise<Outline> {
  const { score, asked } = estimated(plan, book, options);
  const { meter, source } = meterOf(await lengthsOf(asked, (u) => speaker.knownLength(u)));
  const totalMs = lengthOf(plan, book, { ...options, meter });
  return { score, totalMs, measured: source() === 'measured' };
}

/** How long what a class says is, in ms by utterance key, as far as that is known without saying it. */
export async function knownLengths(
  plan: Plan,
  book: Book,
  speaker: Speaker,
  options: CompileFor = {},
): Promise<Map<string, number>> {
  return lengthsOf(estimated(plan, book, options).asked, (u) => speaker.knownLength(u));
}

type CompileFor = Pick<CompileOptions, 'room' | 'talkingFactor'>;

function estimated(plan: Plan, book: Book, options: CompileFor) {
  const noting = notingMeter(estimateSpeech);
  const score = compile(plan, book, { ...options, meter: noting.meter });
  return { score, asked: noting.asked };
}

const meterOf = (lengths: ReadonlyMap<string, number>) => measuredMeter(lengths, estimateSpeech);

/** So many texts are asked for at once, so that a long class leaves the disk to others between. */
const AT_ONCE = 16;

/** Lengths of texts in ms, in their order; null where one is not known or cannot be said. */
export async function inTurns(
  asked: readonly Utterance[],
  lengthOfText: (utterance: Utterance) => Promise<number | null>,
): Promise<(number | null)[]> {
  const lengths: (number | null)[] = [];
  for (let at = 0; at < asked.length; at += AT_ONCE) {
    lengths.push(...(await Promise.all(asked.slice(at, at + AT_ONCE).map(lengthOfText))));
  }
  return lengths;
}

async function lengthsOf(
  asked: readonly Utterance[],
  lengthOfText: (utterance: Utterance) => Promise<number | null>,
): Promise<Map<string, number>> {
  const found = await inTurns(asked, lengthOfText);
  return new Map(
    asked.flatMap((utterance, i) => {
      const ms = found[i] ?? null;
      return ms === null ? [] : [[utteranceKey(utterance), ms] as const];
    }),
  );
}
