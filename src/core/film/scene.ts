import { type Act, actsOf, type Pose, poseAt, type TrackOf } from '../face';
import { type FollowDocument, nameIn, trackIn } from '../follow';
import { wordsIn } from '../follow/words';
import type { Area, Stroke } from '../move';
import { type Caption, captionsOf, type Worded } from '../take-away';
import type { FilmOptions } from './options';

/** What a film shows at a moment, before it is laid out. */
export interface Scene {
  pose: Pose;
  areas: Partial<Record<Area, number>>;
  halves: readonly ('left' | 'right')[];
  strokes: readonly Stroke[];
  /** How much of the work has run, 0 to 1. */
  share: number;
  /** Which step it is. */
  index: number;
  side: string;
  round: string;
  /** Whole seconds of the step that are left. */
  countdown: number;
  /** Since when that is so, in ms from the start of the class. */
  sinceMs: number;
  doing: string;
  move: string;
  /** What is said, where it stands in the picture. */
  cue: string;
  next: string;
}

/** A class as it is filmed. */
export interface Film {
  worded: Worded;
  options: FilmOptions;
}

const BOTH = ['left', 'right'] as const;

/** The last of some things that begins by then, by halving. */
function lastBy(all: readonly { startMs: number }[], ms: number): number {
  let [low, high] = [0, all.length - 1];
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if ((all[middle]?.startMs ?? 0) <= ms) low = middle;
    else high = middle - 1;
  }
  return low;
}

/** What a class shows at any moment of it, as the screen of somebody shows it who follows. */
export class Scenes {
  readonly totalMs: number;
  private readonly document: FollowDocument;
  private readonly acts: readonly Act[];
  private readonly captions: readonly Caption[];

  /** @param libraryTrack how built-in moves look */
  constructor(
    { worded, options }: Film,
    libraryTrack: TrackOf,
    private readonly language = options.language,
  ) {
    const { score, document } = worded;
    this.document = document;
    this.totalMs = score.totalMs;
    this.acts = actsOf(document.score.steps, trackIn(document, libraryTrack));
    this.captions =
      options.captions === 'in' ? captionsOf(worded, options.language, { counts: false }) : [];
  }

  /** @param ms from the start of the class; beyond its end it is as at its end */
  at(ms: number): Scene {
    const { document, language, acts } = this;
    const { steps } = document.score;
    const index = lastBy(steps, ms);
    const step = steps[index];
    if (!step) throw new RangeError('a class without steps has no film');
    const words = wordsIn(language);
    const elapsedMs = Math.min(ms - step.startMs, step.durationMs);
    const move = document.moves.find((m) => m.id === step.moveId);
    const working = step.kind === 'work';
    const after = steps[index + 1];
    const seconds = (length: number) => Math.round(length / 1000);
    const sameSegment = after?.segmentId === step.segmentId;
    const countdown = Math.ceil((step.durationMs - elapsedMs) / 1000);
    return {
      pose: poseAt(acts, index, elapsedMs),
      areas: move?.areas ?? {},
      halves: working && (step.side === 'left' || step.side === 'right') ? [step.side] : BOTH,
      strokes: working ? (move?.strokes ?? []) : [],
      share: working ? elapsedMs / step.durationMs : 0,
      index,
      side: words.side[step.side],
      round: words.round(step.round, step.rounds),
      countdown,
      sinceMs: step.startMs + Math.max(0, step.durationMs - 1000 * countdown),
      doing: `${words.doing[step.kind]}, ${words.of(seconds(step.durationMs))}`,
      move: nameIn(document, language)(step.moveId),
      cue: this.cueAt(ms, step.startMs),
      next: !after
        ? ''
        : sameSegment
          ? words.afterwards(words.doing[after.kind], seconds(after.durationMs))
          : `${words.next} ${nameIn(document, language)(after.moveId)}`,
    };
  }

  /** What was said last, for as long as its step lasts. */
  private cueAt(ms: number, stepMs: number): string {
    const caption = this.captions[lastBy(this.captions, ms)];
    return caption && caption.startMs >= Math.floor(stepMs) && caption.startMs <= ms
      ? caption.text
      : '';
  }
}
