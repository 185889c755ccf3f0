import { type Moves, type Plan, resolve } from '../class';
import type { Language } from '../language';
import {
  countWord,
  estimateSpeech,
  type Phrases,
  type SpeechMeter,
  type SpeechSource,
} from '../speech';
import { type Piece, pieceOf, type Scoring } from './piece';
import { type Cue, QUESTIONS, type Score, type Step, type StepKind, type Totals } from './score';
import { sparesOf } from './spares';
import { type Length, longestWords, talkMs } from './timing';
import { turns } from './turns';
import type { MovesMet, Saying } from './wording';

/** Where the moves and the connecting words of a class are looked up. */
export interface Book extends Moves {
  phrases: (language: Language) => Phrases;
}

export interface CompileOptions {
  meter?: SpeechMeter;
  /** Asked once the score is complete, since a measured meter only then knows how much it knew. */
  speechSource?: () => SpeechSource;
  /** The moves each person in the room has met, for classes that explain what is new to somebody. */
  room?: MovesMet;
  /** How many times as long as its cues the talk in upbeats and switches takes, from 1 on. */
  talkingFactor?: number;
}

/** Spoken lengths of a class, each text asked for once. */
export function lengthsOf(plan: Plan, meter: SpeechMeter): Length {
  const known = new Map<Language, Map<string, number>>();
  return (text, language) => {
    const lengths = known.get(language) ?? new Map<string, number>();
    known.set(language, lengths);
    let ms = lengths.get(text);
    if (ms === undefined) {
      ms = meter(text, language, plan.rules.wordsPerMinute);
      lengths.set(text, ms);
    }
    return ms;
  };
}

/** What the turns of a class have in common. */
export function scoringOf(
  plan: Plan,
  book: Book,
  { room, talkingFactor = 1 }: CompileOptions,
  length: Length,
): Scoring {
  const { language } = plan;
  const numberMs = (n: number) => length(countWord(book.phrases(language), n), language);
  const longestWordMs = longestWords(numberMs);
  return { plan, phrasesOf: book.phrases, room, talkingFactor, longestWordMs };
}

/** A piece where it stands in the class: from when on, and after how many steps and cues. */
export interface Placed {
  steps: readonly Step[];
  cues: readonly Cue[];
}

export interface At {
  ms: number;
  steps: number;
  cues: number;
}

export const placed = (piece: Piece, at: At): Placed => ({
  steps: piece.steps.map((step) => ({ ...step, startMs: at.ms + step.startMs })),
  cues: piece.cues.map((cue, i) => ({
    ...cue,
    id: `${cue.id}#${at.cues + i}`,
    step: at.steps + cue.step,
    startMs: at.ms + cue.startMs,
  })),
});

/** Puts pieces one after the other, and the time for questions at the end. Spares are not among them. */
export function joined(
  pieces: readonly Piece[],
  { plan, phrasesOf, talkingFactor }: Scoring,
  length: Length,
  place: typeof placed = placed,
): Score {
  const steps: Step[] = [];
  const cues: Cue[] = [];
  let ms = 0;
  const put = (piece: Piece) => {
    const there = place(piece, { ms, steps: steps.length, cues: cues.length });
    for (const step of there.steps) steps.push(step);
    for (const cue of there.cues) cues.push(cue);
    ms += piece.durationMs;
  };
  for (const piece of pieces) put(piece);
  const asked = questions(plan, phrasesOf(plan.language), length);
  if (asked) put(asked);
  return {
    name: plan.name,
    language: plan.language,
    slotMs: plan.slotSeconds * 1000,
    totalMs: ms,
    wordsPerMinute: plan.rules.wordsPerMinute,
    speech: 'estimated',
    talkingFactor,
    totals: totalsOf(steps, cues),
    steps,
    cues,
    leftOut: pieces.flatMap((piece) => piece.leftOut),
  };
}

/**
 * Compiles a class into its score. Pure and deterministic.
 * @throws UnknownMoveError where a segment names a move that neither the book nor the plan holds
 */
export function compile(plan: Plan, book: Book, options: CompileOptions = {}): Score {
  const length = lengthsOf(plan, options.meter ?? estimateSpeech);
  const scoring = scoringOf(plan, book, options, length);
  const pieces = turns(resolve(plan, book)).map((turn) => pieceOf(turn, scoring, length));
  const score = joined(pieces, scoring, length);
  const spares = sparesOf(plan, book.phrases, length, scoring.talkingFactor);
  return { ...score, speech: options.speechSource?.() ?? score.speech, spares };
}

/** The time kept free at the end. */
function questions(plan: Plan, phrases: Phrases, length: Length): Piece | null {
  const durationMs = Math.round(plan.rules.closingSeconds * 1000);
  if (durationMs === 0) return null;
  const step: Step = {
    id: QUESTIONS,
    kind: 'rest',
    phase: 'close',
    blockId: QUESTIONS,
    segmentId: QUESTIONS,
    moveId: QUESTIONS,
    round: 1,
    rounds: 1,
    side: 'both',
    startMs: 0,
    durationMs,
  };
  const { language } = plan;
  const saying: Saying = { kind: 'questions', text: phrases.questions, language };
  const cue: Cue = {
    id: QUESTIONS,
    step: 0,
    ...saying,
    offsetMs: 0,
    startMs: 0,
    durationMs: length(saying.text, language),
    fromEnd: false,
  };
  const cues = talkMs([saying], length) <= durationMs ? [cue] : [];
  return { durationMs, steps: [step], cues, leftOut: [] };
}

function totalsOf(steps: readonly Step[], cues: readonly Cue[]): Totals {
  const of = (kind: StepKind) =>
    steps.reduce((sum, step) => (step.kind === kind ? sum + step.durationMs : sum), 0);
  return {
    upbeatMs: of('upbeat'),
    workMs: of('work'),
    switchMs: of('switch'),
    releaseMs: of('release'),
    restMs: of('rest'),
    talkMs: cues.reduce((sum, cue) => sum + cue.durationMs, 0),
  };
}
