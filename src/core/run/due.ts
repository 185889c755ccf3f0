import type { PhaseName } from '../class';
import { breathMs } from '../move';
import type { Cue, Score, Step } from '../score';
import type { Mark } from '../sound';
import type { Sounds } from '../speech';
import { isTrue, type Playback, type PlayStep, playLengthMs } from './playback';

export interface DueCue {
  /** Unique within the run for this pass through the step. */
  key: string;
  cue: Cue;
  /** Epoch ms at which it starts, if the class runs on undisturbed. */
  at: number;
  /** Of the class, which it is said in. */
  phase: PhaseName;
}

/** Groups the cues of a run's scores by the step they stand in, as play steps name it. */
export function cuesByStep(score: Score, easier?: Score | null): Cue[][] {
  const groups: Cue[][] = [];
  for (const { steps, cues } of easier ? [score, easier] : [score]) {
    const from = groups.length;
    for (const _ of steps) groups.push([]);
    for (const cue of cues) groups[from + cue.step]?.push(cue);
  }
  for (const one of [score, easier]) {
    for (const spare of one?.spares ?? []) groups.push(spare.cues);
  }
  return groups;
}

interface Placed {
  cue: Cue;
  offsetMs: number;
}

/** The cues that a step may have as it is played, in no order. */
export const cuesOfStep = (p: PlayStep, groups: readonly (readonly Cue[])[]): readonly Cue[] => [
  ...(groups[p.planned] ?? []).filter((cue) => isTrue(p, cue)),
  ...(p.beyond === undefined ? [] : (groups[p.beyond] ?? [])),
];

/**
 * The cues of a step as it is played. Counts to the end move with the end, and so does what is said
 * between them; what is counted up is counted on; in a step that was made shorter what no longer fits is not said.
 */
function placed(p: PlayStep, groups: readonly (readonly Cue[])[]): Placed[] {
  const all = (groups[p.planned] ?? []).filter((cue) => isTrue(p, cue));
  const group = p.put === 'letGo' ? all.filter((cue) => cue.kind === 'letGo') : all;
  if (p.extraMs === 0) return group.map((cue) => ({ cue, offsetMs: cue.offsetMs }));
  const firstEnd = Math.min(...group.flatMap((cue) => (cue.fromEnd ? cue.offsetMs : [])));
  const moves = (cue: Cue) => cue.offsetMs >= firstEnd;
  const moved = group.map((cue) => ({
    cue,
    offsetMs: cue.offsetMs + (moves(cue) ? p.extraMs : 0),
  }));
  if (p.extraMs > 0) {
    const more = p.beyond === undefined ? [] : (groups[p.beyond] ?? []);
    const fits = more.filter((cue) => cue.offsetMs + cue.durationMs <= p.extraMs);
    const { durationMs } = p.step;
    return [...moved, ...fits.map((cue) => ({ cue, offsetMs: durationMs + cue.offsetMs }))];
  }
  const kept = moved.filter(({ cue, offsetMs }) => !moves(cue) || offsetMs >= 0);
  const ends = kept.flatMap(({ cue, offsetMs }) => (moves(cue) ? offsetMs : []));
  const free = Math.min(playLengthMs(p), ...ends);
  return kept.filter(({ cue, offsetMs }) => moves(cue) || offsetMs + cue.durationMs <= free);
}

/** The cues from the state's instant on, in order, as long as the class runs on undisturbed. */
export function* cuesToCome(
  state: Playback,
  groups: readonly (readonly Cue[])[],
): Generator<DueCue> {
  let stepAt = state.at - state.elapsedMs;
  for (let i = state.index; i < state.queue.length; i++) {
    const p = state.queue[i];
    if (!p) return;
    for (const { cue, offsetMs } of placed(p, groups)) {
      const at = stepAt + offsetMs;
      if (at >= state.at) yield { key: `${p.key}#${cue.id}`, cue, at, phase: p.step.phase };
    }
    stepAt += playLengthMs(p);
  }
}

/** The cues that start from the state's instant on, within a horizon in ms, in order. */
export function cuesAhead(
  state: Playback,
  groups: readonly (readonly Cue[])[],
  horizonMs: number,
): DueCue[] {
  const due: DueCue[] = [];
  for (const cue of cuesToCome(state, groups)) {
    if (cue.at > state.at + horizonMs) break;
    due.push(cue);
  }
  return due;
}

export interface DueBeat {
  key: string;
  /** Epoch ms. */
  at: number;
  /** What it is heard as: a beat, the beginning of a breath in or out, or a bell. */
  of: Mark;
}

/** The bell at the end of a class begins so long before it, so that the class is over when it has rung out. */
const LAST_BELL_MS = 3500;

/** When a bell is heard in a step, in ms from its start. */
export function* bellsOf(
  {
    kind,
    lengthMs,
    first,
    last,
  }: Pick<Step, 'kind'> & { lengthMs: number; first: boolean; last: boolean },
  bells: Sounds['bells'],
) {
  if (bells === 'none') return;
  const end = Math.max(0, lengthMs - LAST_BELL_MS);
  const work = bells === 'moves' && kind === 'work';
  if (first || work) yield 0;
  if (last && end > 0) yield end;
  else if (work) yield lengthMs;
}

/** What begins this short a time before an end comes of rounding, in ms: a step has whole ms, a beat need not. */
const ROUNDING_MS = 1;

/** When something begins that comes again and again within a length, in ms. */
function* comingAgain(everyMs: number, lengthMs: number) {
  for (let n = 0; n * everyMs < lengthMs - ROUNDING_MS; n++) yield n * everyMs;
}

/** When a step has tones, in ms from its start. */
export function* tonesOf({ beatMs, breath, breathTones }: Step, lengthMs: number) {
  if (beatMs) for (const at of comingAgain(beatMs, lengthMs)) yield { at, of: 'beat' as const };
  if (!breath || !breathTones) return;
  const out = (breath.in + breath.hold) * 1000;
  for (const at of comingAgain(breathMs(breath), lengthMs)) {
    yield { at, of: 'in' as const };
    if (at + out < lengthMs) yield { at: at + out, of: 'out' as const };
  }
}

/**
 * The beats and breaths that are marked by a tone, and the bells, from the state's instant on, within a horizon in ms.
 */
export function beatsAhead(
  state: Playback,
  horizonMs: number,
  bells: Sounds['bells'] = 'none',
): DueBeat[] {
  const due: DueBeat[] = [];
  let stepAt = state.at - state.elapsedMs;
  for (let i = state.index; i < state.queue.length; i++) {
    const p = state.queue[i];
    if (!p || stepAt > state.at + horizonMs) break;
    let n = 0;
    for (const { at: offset, of } of tonesOf(p.step, playLengthMs(p))) {
      const at = Math.round(stepAt + offset);
      if (at >= state.at && at <= state.at + horizonMs) due.push({ key: `${p.key}~${n}`, at, of });
      n++;
    }
    const lengthMs = playLengthMs(p);
    const ends = { first: i === 0, last: i === state.queue.length - 1 };
    for (const offset of bellsOf({ kind: p.step.kind, lengthMs, ...ends }, bells)) {
      const at = Math.round(stepAt + offset);
      if (at >= state.at && at <= state.at + horizonMs) {
        due.push({ key: `${p.key}~bell${offset}`, at, of: 'bell' });
      }
    }
    stepAt += lengthMs;
  }
  return due;
}

/** So often, at least, it is looked at what a class that runs shows, in ms. */
export const SHOWN_MS = 250;

/**
 * How much of a step is shown to have passed, from 0 to 1, in steps of half a second. It changes a quarter of a second
 * beside the countdown: a slow device has less to draw at the moment at which all are to show the same.
 */
export function shownShare(elapsedMs: number, lengthMs: number): number {
  const leftMs = Math.max(0, lengthMs - elapsedMs);
  const shownMs = Math.max(0, Math.ceil((leftMs - SHOWN_MS) / (2 * SHOWN_MS)) * 2 * SHOWN_MS);
  return 1 - Math.min(1, shownMs / lengthMs);
}

/**
 * How long what is shown of a running class stays as it is, in ms, above 0: until the next quarter of a
 * second that is left of the step, so that the countdown changes on the beat, or until a cue or the next step begins.
 * @param beside where the countdown changes by itself: it is looked at in the middle between those quarters instead
 */
export function unchangedForMs(
  state: Playback,
  groups: readonly (readonly Cue[])[],
  beside = false,
): number {
  const p = state.queue[state.index];
  if (!p || state.status !== 'running') return SHOWN_MS;
  const leftMs = playLengthMs(p) - state.elapsedMs;
  const quarter = (leftMs + (beside ? SHOWN_MS / 2 : 0)) % SHOWN_MS || SHOWN_MS;
  const begins = placed(p, groups).map(({ offsetMs }) => offsetMs - state.elapsedMs);
  return Math.min(quarter, ...[leftMs, ...begins].filter((ms) => ms > 0));
}

/** The cue of the current step that was started last, if one was. */
export function currentCue(
  state: Playback,
  groups: readonly (readonly Cue[])[],
  of: (cue: Cue) => boolean = () => true,
): Cue | undefined {
  const p = state.queue[state.index];
  if (!p) return undefined;
  return placed(p, groups).findLast(({ cue, offsetMs }) => of(cue) && offsetMs <= state.elapsedMs)
    ?.cue;
}
