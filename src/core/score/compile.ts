import type { Plan } from '../class';
import {
  type BreathPattern,
  doseBeats,
  doseMs,
  doseRange,
  inVariant,
  type Language,
  type Move,
  type Release,
  type Variant,
} from '../move';
import {
  countWord,
  estimateSpeech,
  type Phrases,
  type SpeechMeter,
  type SpeechSource,
} from '../speech';
import { thinning } from './counting';
import { CUE_GAP_MS } from './lane';
import {
  type Cue,
  type LeftOut,
  QUESTIONS,
  type Score,
  type Side,
  type Step,
  type StepKind,
  type Totals,
} from './score';
import { sparesOf } from './spares';
import {
  BEAT_MS,
  COUNT_IN,
  type Length,
  longestWords,
  releaseMs,
  switchMs,
  talkMs,
  timesOf,
  upbeatMs,
} from './timing';
import { type MoveOf, type Turn, turns } from './turns';
import { alwaysLetsGo, type Room, type Saying, Wording } from './wording';
import { workCues } from './work-cues';

/** Where the moves and the connecting words of a class are looked up. */
export interface Book {
  move: (id: string) => Move | undefined;
  phrases: (language: Language) => Phrases;
}

export class UnknownMoveError extends Error {
  constructor(
    readonly moveId: string,
    readonly segmentId: string,
  ) {
    super(`Segment "${segmentId}" names the move "${moveId}", which is not in the library.`);
  }
}

export interface CompileOptions {
  meter?: SpeechMeter;
  /** Asked once the score is complete, since a measured meter only then knows how much it knew. */
  speechSource?: () => SpeechSource;
  /** The moves each person in the room has met, for classes that explain what is new to somebody. */
  room?: Room;
  /** How many times as long as its cues the talk in upbeats and switches takes, from 1 on. */
  talkingFactor?: number;
}

/** Where the moves of a class are found: among its own, else in the book. */
export function findIn(book: Pick<Book, 'move'>, plan: Plan): MoveOf {
  const own = new Map(plan.moves?.map((m) => [m.id, m]));
  return (id) => own.get(id) ?? book.move(id);
}

export function lookUp(book: Book, plan: Plan): (id: string, segmentId: string) => Move {
  const find = findIn(book, plan);
  return (id, segmentId) => {
    const move = find(id);
    if (!move) throw new UnknownMoveError(id, segmentId);
    return move;
  };
}

/** Spoken lengths of a class, each text asked for once. */
export function lengthsOf(plan: Plan, meter: SpeechMeter): Length {
  const known = { en: new Map<string, number>(), de: new Map<string, number>() };
  return (text, language) => {
    const lengths = known[language];
    let ms = lengths.get(text);
    if (ms === undefined) {
      ms = meter(text, language, plan.rules.wordsPerMinute);
      lengths.set(text, ms);
    }
    return ms;
  };
}

interface StepMore {
  variant?: Variant;
  release?: Release;
  breath?: BreathPattern;
  beatMs?: number;
  leastMs?: number;
  unitMs?: number;
  optional?: true;
  locked?: true;
  keep?: true;
  explains?: true;
}

/** How short a teacher may make a work part while leading: the floor of its dose, in whole units. */
function floorOf(turn: Turn, done: Move): Pick<StepMore, 'leastMs' | 'unitMs'> {
  const { dose, segment, sides } = turn;
  if (segment.locked) return {};
  const workMs = doseMs(dose);
  const [floor] = dose.kind === 'open' ? [dose.floorSeconds] : doseRange(done, doseMs(done.dose));
  const { beatMs } = doseBeats(dose);
  const unitMs = sides[0] === 'alternating' ? 2 * beatMs : beatMs;
  const units = Math.floor((workMs - floor * 1000) / unitMs);
  return units > 0 ? { leastMs: Math.round(workMs - units * unitMs), unitMs } : {};
}

/** Collects steps and cues on one clock. */
class Writer {
  readonly steps: Step[] = [];
  readonly cues: Cue[] = [];
  readonly leftOut: LeftOut[] = [];
  private at = 0;

  constructor(private readonly length: Length) {}

  step(turn: Turn, kind: StepKind, side: Side, durationMs: number, more?: StepMore): void {
    if (durationMs === 0) return;
    const step: Step = {
      id: `${turn.key}.${kind === 'work' ? `work.${side}` : kind}`,
      kind,
      phase: turn.phase,
      blockId: turn.blockId,
      segmentId: turn.segment.id,
      moveId: turn.segment.move,
      round: turn.round,
      rounds: turn.rounds,
      side,
      startMs: this.at,
      durationMs,
    };
    this.write(more ? Object.assign(step, more) : step);
  }

  /** Appends a step that begins where the one before ends. */
  write(step: Step): void {
    this.steps.push(step);
    this.at += step.durationMs;
  }

  /** Lays a cue into the step written last; returns where the next may begin. */
  cue(
    saying: Saying,
    offsetMs: number,
    fromEnd = false,
    durationMs = this.length(saying.text, saying.language),
  ): number {
    const index = this.steps.length - 1;
    const step = this.steps[index];
    if (!step) throw new Error('a cue needs a step to stand in');
    const cue: Cue = {
      id: `${step.id}#${this.cues.length}`,
      step: index,
      kind: saying.kind,
      text: saying.text,
      language: saying.language,
      offsetMs,
      startMs: step.startMs + offsetMs,
      durationMs,
      fromEnd,
    };
    if (saying.also !== undefined) cue.also = saying.also;
    if (saying.ref !== undefined) cue.ref = saying.ref;
    this.cues.push(cue);
    return offsetMs + durationMs + CUE_GAP_MS;
  }

  /**
   * Lays what lets a turn go into its release and rest, each cue into the step it begins in.
   * @returns what has no room
   */
  lettingGo(
    sayings: readonly Saying[],
    goMs: number,
    restMs: number,
    begin: (step: 'release' | 'rest') => void,
  ): Saying[] {
    const placed: { saying: Saying; at: number }[] = [];
    const rest: Saying[] = [];
    let from = 0;
    for (const saying of sayings) {
      const end = from + this.length(saying.text, saying.language) + CUE_GAP_MS;
      if (end > goMs + restMs) rest.push(saying);
      else {
        placed.push({ saying, at: from });
        from = end;
      }
    }
    begin('release');
    for (const { saying, at } of placed) if (at < goMs) this.cue(saying, at);
    begin('rest');
    for (const { saying, at } of placed) if (at >= goMs) this.cue(saying, at - goMs);
    return rest;
  }

  cuesInARow(sayings: readonly Saying[], from = 0): number {
    return sayings.reduce((at, saying) => this.cue(saying, at), from);
  }

  omit(
    turn: Turn,
    { kind, text, ref }: Pick<Saying, 'kind' | 'text' | 'ref'>,
    reason: string,
  ): void {
    const { segment, round } = turn;
    this.leftOut.push({ segmentId: segment.id, round, kind, text, reason, ...(ref && { ref }) });
  }

  get endMs(): number {
    return this.at;
  }
}

/**
 * Compiles a class into its score. Pure and deterministic.
 * @throws UnknownMoveError where a segment names a move that neither the book nor the plan holds
 */
export function compile(plan: Plan, book: Book, options: CompileOptions = {}): Score {
  const { language, rules } = plan;
  const { talkingFactor = 1 } = options;
  const phrases = book.phrases(language);
  const moveOf = lookUp(book, plan);
  const length = lengthsOf(plan, options.meter ?? estimateSpeech);
  const writer = new Writer(length);

  const longestWordMs = longestWords((n) => length(countWord(phrases, n), language));
  const everyBeat = thinning(BEAT_MS, longestWordMs(COUNT_IN));
  const countIn = (turn: Turn, stepMs: number) => {
    if (!rules.countIn) return;
    for (let n = COUNT_IN; n >= 1; n--) {
      if ((n - 1) % everyBeat) continue;
      const text = countWord(phrases, n);
      const beats = n === 1 ? 1 : everyBeat;
      if (length(text, language) + CUE_GAP_MS > beats * BEAT_MS) {
        const reason = 'The voice is too slow to say it on its beat.';
        writer.omit(turn, { kind: 'countIn', text }, reason);
      } else writer.cue({ kind: 'countIn', text, language }, stepMs - n * BEAT_MS, true);
    }
  };

  for (const turn of turns(plan, findIn(book, plan))) {
    const { segment, round, sides, dose, variant } = turn;
    const move = moveOf(segment.move, segment.id);
    const wording = new Wording(turn, move, plan, book.phrases, options.room);
    const { workMs, restMs } = timesOf(turn);
    const done = inVariant(move, variant);
    const always: StepMore = {
      ...(variant && { variant }),
      ...(segment.optional && { optional: true as const }),
      ...(segment.locked && { locked: true as const }),
      ...(done.demands.includes('drain') && { keep: true as const }),
    };

    const sayings = wording.upbeat();
    const leadMs = upbeatMs(sayings, rules, length, talkingFactor);
    const explains = sayings.some((s) => s.kind === 'setup') || wording.explainsInWork();
    writer.step(turn, 'upbeat', sides[0] ?? 'both', leadMs, {
      ...always,
      ...(explains && { explains: true as const }),
    });
    writer.cuesInARow(sayings);
    countIn(turn, leadMs);

    sides.forEach((side, i) => {
      if (i > 0) {
        const said = wording.otherSide();
        const ms = switchMs(said, rules, length, talkingFactor);
        writer.step(turn, 'switch', side, ms, always);
        writer.cuesInARow(said);
        countIn(turn, ms);
      }
      const beat = rules.counting === 'beat' && dose.kind !== 'breaths';
      writer.step(turn, 'work', side, workMs, {
        ...always,
        ...(dose.kind === 'breaths' && { breath: dose.pattern }),
        ...(beat && { beatMs: doseBeats(dose).beatMs }),
        ...floorOf(turn, done),
      });
      const work = workCues({
        dose,
        counting: rules.counting,
        language,
        phrases,
        wording,
        guidance: i === 0 ? wording.guidance() : [],
        pinned: wording.pinned(i === 0),
        formFrom: (round - 1) * sides.length + i,
        length,
        longestWordMs,
      });
      for (const { saying, offsetMs, durationMs, fromEnd } of work.spoken) {
        writer.cue(saying, offsetMs, fromEnd, durationMs);
      }
      for (const saying of work.leftOut) {
        writer.omit(turn, saying, 'There is no room for it in the work.');
      }
    });

    const letGo = wording.letGo();
    const goMs = releaseMs(turn, letGo, alwaysLetsGo(plan), length, talkingFactor);
    const breathing = wording.releaseKind === 'breaths' && segment.releaseSeconds > 0;
    const breath = {
      in: 0.2 * segment.releaseSeconds,
      hold: 0,
      out: 0.3 * segment.releaseSeconds,
      pause: 0,
    };
    const said = [...letGo, ...wording.release()];
    const rest = writer.lettingGo(said, goMs, restMs, (into) => {
      if (into === 'release') {
        const by = segment.releaseSeconds > 0 && { release: wording.releaseKind };
        writer.step(turn, 'release', 'both', goMs, {
          ...always,
          ...by,
          ...(breathing && { breath }),
        });
      } else writer.step(turn, 'rest', 'both', restMs, always);
    });
    for (const saying of rest) {
      if (goMs + restMs > 0) {
        writer.omit(turn, saying, 'The release and rest are too short for it.');
      }
    }
  }
  questions(plan, phrases, length, writer);

  return {
    name: plan.name,
    language,
    slotMs: plan.slotSeconds * 1000,
    totalMs: writer.endMs,
    wordsPerMinute: rules.wordsPerMinute,
    speech: options.speechSource?.() ?? 'estimated',
    talkingFactor,
    totals: totalsOf(writer.steps, writer.cues),
    steps: writer.steps,
    cues: writer.cues,
    leftOut: writer.leftOut,
    spares: sparesOf(plan, book.phrases, length, talkingFactor),
  };
}

/** The time kept free at the end. */
function questions(plan: Plan, phrases: Phrases, length: Length, writer: Writer): void {
  const durationMs = Math.round(plan.rules.closingSeconds * 1000);
  if (durationMs === 0) return;
  writer.write({
    id: QUESTIONS,
    kind: 'rest',
    phase: 'close',
    blockId: QUESTIONS,
    segmentId: QUESTIONS,
    moveId: QUESTIONS,
    round: 1,
    rounds: 1,
    side: 'both',
    startMs: writer.endMs,
    durationMs,
  });
  const saying: Saying = { kind: 'questions', text: phrases.questions, language: plan.language };
  if (talkMs([saying], length) <= durationMs) writer.cue(saying, 0);
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
