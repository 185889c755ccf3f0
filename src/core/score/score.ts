import type { ClassMusic, OnFromTheStart, PhaseName, Say } from '../class';
import type { Language } from '../language';
import type { BreathPattern, Release, Variant } from '../move';
import type { DeviceVoices, SpeechSource } from '../speech';
import type { Beyond, InFull, InTheMiddle, NotLast } from './step-key';

export const STEP_KINDS = ['upbeat', 'work', 'switch', 'release', 'rest'] as const;
export type StepKind = (typeof STEP_KINDS)[number];

/** The segment id of the time kept free at the end for questions. */
export const QUESTIONS = 'questions';
/** The segment id of the time kept free at the beginning for the opening words. */
export const OPENING = 'opening';
/** Whether a step belongs to no segment: only something is said in it. */
export const isOnlySaid = (segmentId: string): boolean =>
  segmentId === QUESTIONS || segmentId === OPENING;

/** Which part of the face a work step asks for; `one` and `other` are the two directions. */
export const SIDES_OF_STEPS = ['both', 'left', 'right', 'one', 'other', 'alternating'] as const;
export type Side = (typeof SIDES_OF_STEPS)[number];

/** What a time is called in which only something is said. */
export const onlySaidName = (moveId: string): string =>
  moveId === OPENING ? 'Opening' : 'Questions';

export interface Step {
  id: string;
  kind: StepKind;
  phase: PhaseName;
  blockId: string;
  segmentId: string;
  moveId: string;
  round: number;
  rounds: number;
  side: Side;
  startMs: number;
  durationMs: number;
  variant?: Variant;
  /** Of a release: how the round is let go. */
  release?: Release;
  /** In breath-paced work or release: one breath, repeated to the end of the step. */
  breath?: BreathPattern;
  /** Of work: the unit it is made longer and shorter by, in ms; where it may be shorter, the floor of its dose. */
  leastMs?: number;
  unitMs?: number;
  /** How work that is counted up is counted on where it is made longer; names a spare. */
  countsOn?: string;
  /** The class can do without this segment. */
  optional?: true;
  /** The teacher wants this segment as it is. */
  locked?: true;
  /** The class is not to end without it: a drain at the end of the massage. */
  keep?: true;
  /** Of an upbeat: the move is explained here, and nowhere else in full. */
  explains?: true;
  /** Of work in stages: what each is and when, in ms from the start of the step. */
  stages?: { words: string; startMs: number; durationMs: number }[];
  /** Breaths are led by soft tones, in and out. */
  breathTones?: true;
  /** The sides of the round are unequal on purpose. */
  uneven?: true;
  /** How long one rep, pass or tap takes, in ms; absent where nothing is repeated. */
  repMs?: number;
  /** Where the beat is marked by a tone instead of counted: its length in ms. */
  beatMs?: number;
}

export const CUE_KINDS = [
  'opening',
  'announce',
  'setup',
  'short',
  'side',
  'dose',
  'countIn',
  'go',
  'stage',
  'count',
  'breath',
  'form',
  'letGo',
  'release',
  'questions',
] as const;
export type CueKind = (typeof CUE_KINDS)[number];

/** Cues that keep the beat: they go on where the voice is off, and are not shown as words. */
export const isCount = ({ kind }: { kind: CueKind }): boolean =>
  kind === 'count' || kind === 'countIn' || kind === 'go';

export interface Cue {
  id: string;
  /** Index of the step the cue starts in. */
  step: number;
  kind: CueKind;
  text: string;
  language: Language;
  /** The same in the class's second language, to be shown beside it. */
  also?: string;
  /** Which cue of its segment it is, as a plan names it. */
  ref?: string;
  /** From the start of the step. */
  offsetMs: number;
  startMs: number;
  durationMs: number;
  /** True where the cue keeps its distance from the end of the step when the step is extended. */
  fromEnd: boolean;
}

export interface LeftOut {
  segmentId: string;
  round: number;
  kind: CueKind;
  text: string;
  ref?: string;
  /** A sentence for the teacher. */
  reason: string;
}

export interface Totals {
  upbeatMs: number;
  workMs: number;
  switchMs: number;
  releaseMs: number;
  restMs: number;
  /** Time somebody is speaking, in whatever step. */
  talkMs: number;
}

/** Upbeats of a round that is added, by what they have to say of the sides. */
export const MORE = ['more', 'moreEach', 'moreDirections', 'moreRight'] as const;
/** Changes to a side that had less. */
export const EVEN = ['left', 'right', 'one', 'other'] as const;
export type SpareName =
  | (typeof MORE)[number]
  | (typeof EVEN)[number]
  | InTheMiddle
  | InFull
  | NotLast
  | Beyond;

/** An upbeat or a change of side that a bend puts in, or counts that it adds; its cues are measured like all others. */
export interface Spare {
  name: SpareName;
  durationMs: number;
  cues: Cue[];
}

/** The compiled timeline of a class: steps and cues on one clock, in whole ms from the start. */
export interface Score {
  name: string;
  /** The language the class is led in. */
  language: Language;
  /** What is on the skin from the start, of which somebody allergic is asked first. */
  onSkin?: OnFromTheStart;
  slotMs: number;
  totalMs: number;
  wordsPerMinute: number;
  speech: SpeechSource;
  /** How many times as long as its cues the talk in upbeats and switches was taken to be. */
  talkingFactor: number;
  /** How much was to be said when it was made ready, and whether the teacher says it instead of a voice. */
  words?: { say: Say; self: boolean };
  /** The voices of a device that it was measured for. */
  deviceVoices?: DeviceVoices;
  /** What recordings of the teacher say, by `wordsKey`. */
  recorded?: string[];
  totals: Totals;
  steps: Step[];
  cues: Cue[];
  leftOut: LeftOut[];
  /** What bends may need and no plan holds. Absent in scores from before there were any. */
  spares?: Spare[];
  /** What is played under it. */
  music?: ClassMusic;
}
