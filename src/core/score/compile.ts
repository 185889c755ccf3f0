import { type Moves, onFromTheStart, type Plan, resolve } from '../class';
import type { Language } from '../language';
import {
  countWord,
  estimateSpeech,
  type Phrases,
  type SpeechMeter,
  type SpeechSource,
} from '../speech';
import { type Piece, pieceOf, type Scoring } from './piece';
import {
  type Cue,
  OPENING,
  QUESTIONS,
  type Score,
  type Step,
  type StepKind,
  type Totals,
} from './score';
import {
  leadingInto,
  sparesBeyond,
  sparesInFull,
  sparesInTheMiddle,
  sparesNotLast,
  sparesOf,
} from './spares';
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
  /**
   * How many times as long as its cues the talk in upbeats and switches takes. Below 1 only where nobody but the
   * teacher says the words, since a voice says them in full.
   */
  talkingFactor?: number;
  /**
   * For a run, with what its bends may need: of the class as it is planned, or of its easier version, to which it may
   * change in the middle of any move.
   */
  forRun?: 'planned' | 'easier';
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

/** Puts pieces one after the other, opening words before them, and the time for questions at the end. Spares are not among them. */
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
  const opened = onlySaid(plan, openingOf(plan), length);
  if (opened) put(opened);
  for (const piece of pieces) put(piece);
  const asked = onlySaid(plan, questionsOf(plan, phrasesOf(plan.language)), length);
  if (asked) put(asked);
  const onSkin = onFromTheStart(plan.rules);
  return {
    name: plan.name,
    language: plan.language,
    ...(onSkin && { onSkin }),
    slotMs: plan.slotSeconds * 1000,
    totalMs: ms,
    wordsPerMinute: plan.rules.wordsPerMinute,
    speech: 'estimated',
    talkingFactor,
    totals: totalsOf(steps, cues),
    steps,
    cues,
    leftOut: [opened, ...pieces, asked].flatMap((piece) => piece?.leftOut ?? []),
    ...(plan.music && { music: plan.music }),
  };
}

/**
 * Compiles a class into its score. Pure and deterministic.
 * @throws UnknownMoveError where a segment names a move that neither the book nor the plan holds
 */
export function compile(plan: Plan, book: Book, options: CompileOptions = {}): Score {
  const length = lengthsOf(plan, options.meter ?? estimateSpeech);
  const scoring = scoringOf(plan, book, options, length);
  const all = turns(resolve(plan, book));
  const pieces = all.map((turn) => pieceOf(turn, scoring, length));
  const score = joined(pieces, scoring, length);
  const { forRun } = options;
  const leading = leadingInto(score.steps, scoring, length);
  const spares = [
    ...(forRun === 'easier'
      ? sparesInTheMiddle(all, leading)
      : sparesOf(plan, book.phrases, length, scoring.talkingFactor)),
    ...(forRun === 'planned' ? sparesInFull(all, leading) : []),
    ...(forRun ? sparesNotLast(all, leading) : []),
    ...(forRun ? sparesBeyond(all, scoring, length) : []),
  ];
  return { ...score, speech: options.speechSource?.() ?? score.speech, spares };
}

/** Time of a class in which only something is said. */
interface OnlySaid {
  id: string;
  phase: Step['phase'];
  seconds: number;
  kind: Saying['kind'];
  words: string | undefined;
}

const openingOf = ({ rules }: Plan): OnlySaid => ({
  id: OPENING,
  phase: 'arrive',
  seconds: rules.openingSeconds,
  kind: 'opening',
  words: rules.openingWords,
});

const questionsOf = ({ rules }: Plan, phrases: Phrases): OnlySaid => ({
  id: QUESTIONS,
  phase: 'close',
  seconds: rules.closingSeconds,
  kind: 'questions',
  words: rules.closingWords ?? phrases.questions,
});

/** The time kept free at the beginning or the end; its words are left out where they are longer than it. */
function onlySaid(plan: Plan, said: OnlySaid, length: Length): Piece | null {
  const { id, phase, kind, words } = said;
  const durationMs = Math.round(said.seconds * 1000);
  if (durationMs === 0) return null;
  const step: Step = {
    id,
    kind: 'rest',
    phase,
    blockId: id,
    segmentId: id,
    moveId: id,
    round: 1,
    rounds: 1,
    side: 'both',
    startMs: 0,
    durationMs,
  };
  const { language } = plan;
  if (words === undefined) return { durationMs, steps: [step], cues: [], leftOut: [] };
  const saying: Saying = { kind, text: words, language };
  if (talkMs([saying], length) > durationMs) {
    const reason = 'The time kept free for it is too short.';
    const leftOut = [{ segmentId: id, round: 1, kind, text: words, reason }];
    return { durationMs, steps: [step], cues: [], leftOut };
  }
  const cue: Cue = {
    id,
    step: 0,
    ...saying,
    offsetMs: 0,
    startMs: 0,
    durationMs: length(words, language),
    fromEnd: false,
  };
  return { durationMs, steps: [step], cues: [cue], leftOut: [] };
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
