import { countingTraits, type Plan, stagesIn } from '../class';
import type { Language } from '../language';
import {
  type Dose,
  doseBeats,
  doseMs,
  doseRange,
  ownRange,
  releaseTraits,
  traitsOf,
} from '../move';
import { countWord, type Phrases } from '../speech';
import { thinning } from './counting';
import { CUE_GAP_MS } from './lane';
import type { Cue, LeftOut, Step } from './score';
import {
  BEAT_MS,
  COUNT_IN,
  inOwnWords,
  type Length,
  releaseMs,
  switchMs,
  timesOf,
  upbeatMs,
} from './timing';
import { doseOn, type Turn } from './turns';
import { type MovesMet, type Pace, type Saying, Wording } from './wording';
import { countedOn, workCues } from './work-cues';

/** What is the same for every turn of a class. */
export interface Scoring {
  plan: Plan;
  phrasesOf: (language: Language) => Phrases;
  room: MovesMet | undefined;
  talkingFactor: number;
  /** The longest number word from one up to a number, in ms. */
  longestWordMs: (upTo: number) => number;
}

/**
 * One turn of a class, compiled on a clock of its own that begins at 0. Its cues have the ids of their
 * steps: only in the class are they counted.
 */
export interface Piece {
  durationMs: number;
  steps: readonly Step[];
  cues: readonly Cue[];
  leftOut: readonly LeftOut[];
}

/** What a turn says of a step besides which of its steps it is. */
type StepMore = Omit<
  Step,
  keyof Turn | 'id' | 'kind' | 'segmentId' | 'moveId' | 'side' | 'startMs' | 'durationMs'
>;
type StepPart = Pick<Step, 'kind' | 'side' | 'durationMs'> & StepMore;

/** What a work part is made longer and shorter by, and how short it may become: the floor of its dose, in whole units. */
function unitsOf(turn: Turn, dose: Dose): Pick<StepMore, 'leastMs' | 'unitMs'> {
  const { segment, sides, done } = turn;
  const workMs = doseMs(dose);
  const [floor] = ownRange(dose) ?? doseRange(done, doseMs(done.dose));
  const { beatMs } = doseBeats(dose);
  const unitMs = sides[0] === 'alternating' ? 2 * beatMs : beatMs;
  if (segment.locked || segment.stages) return { unitMs };
  const units = Math.floor((workMs - floor * 1000) / unitMs);
  return { unitMs, ...(units > 0 && { leastMs: Math.round(workMs - units * unitMs) }) };
}

/** Collects the steps and cues of a piece on a clock of its own. */
class Writer {
  readonly steps: Step[] = [];
  readonly cues: Cue[] = [];
  readonly leftOut: LeftOut[] = [];
  private at = 0;

  constructor(
    private readonly turn: Turn,
    private readonly length: Length,
    /** Of what the teacher may say in words of their own. */
    private readonly talk: Length,
  ) {}

  step({ kind, side, durationMs, ...more }: StepPart): void {
    if (durationMs === 0) return;
    const { turn } = this;
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
    this.steps.push(Object.assign(step, more));
    this.at += durationMs;
  }

  /** Lays a cue into the step written last; returns where the next may begin. */
  cue(
    saying: Saying,
    {
      offsetMs,
      fromEnd = false,
      durationMs = this.length(saying.text, saying.language),
    }: { offsetMs: number; fromEnd?: boolean; durationMs?: number },
  ): number {
    const index = this.steps.length - 1;
    const step = this.steps[index];
    if (!step) throw new Error('a cue needs a step to stand in');
    const cue: Cue = {
      id: step.id,
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
      const end = from + this.talk(saying.text, saying.language) + CUE_GAP_MS;
      if (end > goMs + restMs) rest.push(saying);
      else {
        placed.push({ saying, at: from });
        from = end;
      }
    }
    begin('release');
    for (const { saying, at } of placed) if (at < goMs) this.talked(saying, at);
    begin('rest');
    for (const { saying, at } of placed) if (at >= goMs) this.talked(saying, at - goMs);
    return rest;
  }

  private talked(saying: Saying, offsetMs: number): number {
    return this.cue(saying, { offsetMs, durationMs: this.talk(saying.text, saying.language) });
  }

  talkedInARow(sayings: readonly Saying[]): void {
    sayings.reduce((offsetMs, saying) => this.talked(saying, offsetMs), 0);
  }

  omit({ kind, text, ref }: Pick<Saying, 'kind' | 'text' | 'ref'>, reason: string): void {
    const { segment, round } = this.turn;
    this.leftOut.push({ segmentId: segment.id, round, kind, text, reason, ...(ref && { ref }) });
  }

  get endMs(): number {
    return this.at;
  }
}

/** Compiles one turn. */
export function pieceOf(turn: Turn, scoring: Scoring, length: Length): Piece {
  const { plan, phrasesOf, room, talkingFactor, longestWordMs } = scoring;
  const { language } = plan;
  const phrases = phrasesOf(language);
  const writer = new Writer(turn, length, inOwnWords(length, talkingFactor));
  const everyBeat = thinning(BEAT_MS, longestWordMs(COUNT_IN));
  const countIn = (stepMs: number, pace: Pace) => {
    if (!pace.countIn) return;
    for (let n = COUNT_IN; n >= 1; n--) {
      if ((n - 1) % everyBeat) continue;
      const text = countWord(phrases, n);
      const beats = n === 1 ? 1 : everyBeat;
      if (length(text, language) + CUE_GAP_MS > beats * BEAT_MS) {
        const reason = 'The voice is too slow to say it on its beat.';
        writer.omit({ kind: 'countIn', text }, reason);
      } else {
        const offsetMs = stepMs - n * BEAT_MS;
        writer.cue({ kind: 'countIn', text, language }, { offsetMs, fromEnd: true });
      }
    }
  };

  const { segment, done, round, sides, variant } = turn;
  const wording = new Wording(turn, plan, phrasesOf, room);
  const { speaking } = wording;
  const counting = done.uncounted ? 'none' : speaking.counting;
  const { restMs } = timesOf(turn);
  const always: StepMore = {
    ...(variant && { variant }),
    ...(segment.optional && { optional: true as const }),
    ...(segment.locked && { locked: true as const }),
    ...(done.demands.includes('drain') && { keep: true as const }),
  };

  const sayings = wording.upbeat();
  const pace = wording.pace('upbeat');
  const leadMs = upbeatMs(sayings, pace, length, talkingFactor);
  const explains = sayings.some((s) => s.kind === 'setup') || wording.explainsInWork();
  writer.step({
    kind: 'upbeat',
    side: sides[0] ?? 'both',
    durationMs: leadMs,
    ...always,
    ...(explains && { explains: true as const }),
  });
  writer.talkedInARow(sayings);
  countIn(leadMs, pace);

  sides.forEach((side, i) => {
    let countedIn = pace.countIn;
    if (i > 0) {
      const said = wording.otherSide();
      const change = wording.pace('switch');
      const ms = switchMs(said, change, length, talkingFactor);
      writer.step({ kind: 'switch', side, durationMs: ms, ...always });
      writer.talkedInARow(said);
      countIn(ms, change);
      countedIn = change.countIn;
    }
    const dose = doseOn(turn, side);
    const stages = segment.stages ? stagesIn(dose, segment.stages) : [];
    const on = countedOn({ dose, counting, wording, stages }, longestWordMs);
    const breathes = dose.kind === 'breaths';
    const beat = countingTraits(counting).tone && !breathes;
    writer.step({
      kind: 'work',
      side,
      durationMs: doseMs(dose),
      ...always,
      ...(breathes && { breath: dose.pattern }),
      ...(breathes &&
        speaking.breathWords === 'tones' &&
        !wording.muted('breath') && { breathTones: true as const }),
      ...(beat && { beatMs: doseBeats(dose).beatMs }),
      ...(traitsOf(dose).repeats && { repMs: doseBeats(dose).beatMs }),
      ...(segment.uneven && turn.shared === 'each' && { uneven: true as const }),
      ...(stages.length > 0 && {
        stages: stages.map(({ stage, startMs, durationMs }) => ({
          words: stage.words,
          startMs,
          durationMs,
        })),
      }),
      ...unitsOf(turn, dose),
      ...(on && { countsOn: on.key }),
    });
    const work = workCues({
      dose,
      side,
      counting,
      breathWords: speaking.breathWords,
      go: speaking.go && countedIn,
      stages,
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
      writer.cue(saying, { offsetMs, fromEnd, durationMs });
    }
    for (const saying of work.leftOut) {
      writer.omit(saying, 'There is no room for it in the work.');
    }
  });

  const letGo = wording.letGo();
  const goMs = releaseMs(turn, { letGo, saysIt: wording.alwaysLetsGo, length, talkingFactor });
  const { breath: share } = releaseTraits(wording.releaseKind);
  const seconds = segment.releaseSeconds;
  const breath = share &&
    seconds > 0 && { in: share.in * seconds, hold: 0, out: share.out * seconds, pause: 0 };
  const said = [...letGo, ...wording.release()];
  const rest = writer.lettingGo(said, goMs, restMs, (into) => {
    if (into === 'release') {
      const by = segment.releaseSeconds > 0 && { release: wording.releaseKind };
      writer.step({
        kind: 'release',
        side: 'both',
        durationMs: goMs,
        ...always,
        ...by,
        ...(breath && { breath }),
      });
    } else writer.step({ kind: 'rest', side: 'both', durationMs: restMs, ...always });
  });
  for (const saying of rest) {
    if (goMs + restMs > 0) {
      writer.omit(saying, 'The release and rest are too short for it.');
    }
  }
  return {
    durationMs: writer.endMs,
    steps: writer.steps,
    cues: writer.cues,
    leftOut: writer.leftOut,
  };
}
