import type { Plan, Rules } from '../class';
import { doseMs, type Language, type Move } from '../move';
import {
  countWord,
  estimateSpeech,
  type Phrases,
  type SpeechMeter,
  type SpeechSource,
} from '../speech';
import { thinning } from './counting';
import { CUE_GAP_MS } from './lane';
import type { Cue, CueKind, LeftOut, Score, Side, Step, StepKind, Totals } from './score';
import { performedSides, type Turn, turns } from './turns';
import { carriesLetGo, guidance, type Saying, segmentText, upbeatSayings } from './wording';
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

export const BEAT_MS = 1000;
export const COUNT_IN = 3;

export interface CompileOptions {
  meter?: SpeechMeter;
  /** Asked once the score is complete, since a measured meter only then knows how much it knew. */
  speechSource?: () => SpeechSource;
}

/** Time to get into place between an explanation and the count-in. */
function settleMs(sayings: readonly Saying[], rules: Rules): number {
  const said = (kind: CueKind) => sayings.some((s) => s.kind === kind);
  const share = said('setup') ? 1 : said('short') ? 0.5 : 0;
  return Math.round(rules.settleSeconds * 1000 * share);
}

/** Length of an upbeat: all that is said in it, time to get into place, and the count-in. */
export function upbeatMs(
  sayings: readonly Saying[],
  rules: Rules,
  length: (text: string) => number,
): number {
  const talk = sayings.reduce((sum, s) => sum + length(s.text) + CUE_GAP_MS, 0);
  const countIn = rules.countIn ? COUNT_IN * BEAT_MS : 0;
  return talk + settleMs(sayings, rules) + countIn;
}

export function switchMs(plan: Plan, phraseMs: number): number {
  const said = phraseMs + CUE_GAP_MS + (plan.rules.countIn ? COUNT_IN * BEAT_MS : 0);
  return Math.max(Math.round(plan.rules.switchSeconds * 1000), said);
}

export function lookUp(book: Book, plan: Plan): (id: string, segmentId: string) => Move {
  const own = new Map(plan.moves?.map((m) => [m.id, m]));
  return (id, segmentId) => {
    const move = own.get(id) ?? book.move(id);
    if (!move) throw new UnknownMoveError(id, segmentId);
    return move;
  };
}

/** Collects steps and cues on one clock. */
class Writer {
  readonly steps: Step[] = [];
  readonly cues: Cue[] = [];
  readonly leftOut: LeftOut[] = [];
  private at = 0;

  constructor(private readonly language: Language) {}

  step(turn: Turn, kind: StepKind, side: Side, durationMs: number, idEnd: string = kind): void {
    if (durationMs === 0) return;
    const { segment, round, rounds, phase } = turn;
    this.steps.push({
      id: `${segment.id}.${round}.${idEnd}`,
      kind,
      phase,
      segmentId: segment.id,
      moveId: segment.move,
      round,
      rounds,
      side,
      startMs: this.at,
      durationMs,
      ...(kind === 'work' && segment.dose.kind === 'breaths'
        ? { breath: segment.dose.pattern }
        : {}),
    });
    this.at += durationMs;
  }

  /** Lays a cue into the step written last. */
  cue(kind: CueKind, text: string, offsetMs: number, durationMs: number, fromEnd = false): void {
    const index = this.steps.length - 1;
    const step = this.steps[index];
    if (!step) throw new Error('a cue needs a step to stand in');
    this.cues.push({
      id: `${step.id}#${this.cues.length}`,
      step: index,
      kind,
      text,
      language: this.language,
      offsetMs,
      startMs: step.startMs + offsetMs,
      durationMs,
      fromEnd,
    });
  }

  omit(turn: Turn, kind: CueKind, text: string, reason: string): void {
    this.leftOut.push({ segmentId: turn.segment.id, round: turn.round, kind, text, reason });
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
  const meter = options.meter ?? estimateSpeech;
  const { language, rules } = plan;
  const phrases = book.phrases(language);
  const moveOf = lookUp(book, plan);
  const lengths = new Map<string, number>();
  const length = (text: string): number => {
    const known = lengths.get(text);
    if (known !== undefined) return known;
    const ms = meter(text, language, rules.wordsPerMinute);
    lengths.set(text, ms);
    return ms;
  };
  const writer = new Writer(language);

  const countIn = (turn: Turn, stepMs: number) => {
    if (!rules.countIn) return;
    const words = Array.from({ length: COUNT_IN }, (_, i) => countWord(phrases, i + 1));
    const every = thinning(BEAT_MS, Math.max(...words.map(length)));
    for (let n = COUNT_IN; n >= 1; n--) {
      if ((n - 1) % every) continue;
      const word = countWord(phrases, n);
      const beats = n === 1 ? 1 : every;
      if (length(word) + CUE_GAP_MS > beats * BEAT_MS) {
        writer.omit(turn, 'countIn', word, 'The voice is too slow to say it on its beat.');
      } else writer.cue('countIn', word, stepMs - n * BEAT_MS, length(word), true);
    }
  };

  /** A let-go that found no release or rest opens the next upbeat. */
  let carried: Saying[] = [];
  const order = turns(plan);
  for (const turn of order) {
    const { segment, round } = turn;
    const move = moveOf(segment.move, segment.id);
    const text = segmentText(turn, move, plan);
    const sides = performedSides(segment.sides);
    const workMs = doseMs(segment.dose);
    const releaseMs = Math.round(segment.releaseSeconds * 1000);
    const restMs = turn.lastInBlock ? 0 : Math.round(segment.restSeconds * 1000);

    const sayings = [...carried, ...upbeatSayings(turn, text, plan, phrases)];
    carried = [];
    const leadMs = upbeatMs(sayings, rules, length);
    writer.step(turn, 'upbeat', sides[0] ?? 'both', leadMs);
    let offset = 0;
    for (const saying of sayings) {
      writer.cue(saying.kind, saying.text, offset, length(saying.text));
      offset += length(saying.text) + CUE_GAP_MS;
    }
    countIn(turn, leadMs);

    sides.forEach((side, i) => {
      if (i > 0 && (segment.sides === 'each' || segment.sides === 'directions')) {
        const said = phrases.otherSide[segment.sides];
        const ms = switchMs(plan, length(said));
        writer.step(turn, 'switch', side, ms);
        writer.cue('side', said, 0, length(said));
        countIn(turn, ms);
      }
      writer.step(turn, 'work', side, workMs, `work.${side}`);
      const explained = i === 0 ? guidance(turn, text, plan) : [];
      const formFrom = (round - 1) * sides.length + i;
      const work = workCues(segment, text, plan, phrases, explained, formFrom, length);
      for (const cue of work.spoken) {
        writer.cue(cue.kind, cue.text, cue.offsetMs, cue.durationMs, cue.fromEnd);
      }
      for (const cue of work.leftOut) {
        writer.omit(turn, cue.kind, cue.text, 'There is no room for it in the work.');
      }
    });

    writer.step(turn, 'release', 'both', releaseMs);
    if (releaseMs === 0) writer.step(turn, 'rest', 'both', restMs);
    if (releaseMs + restMs === 0) {
      if (carriesLetGo(plan)) {
        if (turn === order.at(-1)) {
          writer.omit(turn, 'letGo', text.letGo, 'Nothing follows it; give it a release.');
        } else carried = [{ kind: 'letGo', text: text.letGo }];
      }
    } else if (length(text.letGo) + CUE_GAP_MS > releaseMs + restMs) {
      writer.omit(turn, 'letGo', text.letGo, 'It is longer than the release and rest together.');
    } else {
      writer.cue('letGo', text.letGo, 0, length(text.letGo));
    }
    if (releaseMs > 0) writer.step(turn, 'rest', 'both', restMs);
  }

  return {
    name: plan.name,
    slotMs: plan.slotSeconds * 1000,
    totalMs: writer.endMs,
    wordsPerMinute: rules.wordsPerMinute,
    speech: options.speechSource?.() ?? 'estimated',
    totals: totalsOf(writer.steps, writer.cues),
    steps: writer.steps,
    cues: writer.cues,
    leftOut: writer.leftOut,
  };
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
