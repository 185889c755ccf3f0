import type { BreathPattern, Release, Variant } from '../move';
import { breathMs, nameOfUnit, UNITS, unitIndex } from '../move';
import type { Step } from '../score';
import {
  type HandPose,
  handsOf,
  mirrored,
  mirroredUnits,
  mix,
  type Pose,
  STILL,
  unitsOf,
} from './pose';

/** How a move looks, as it is written in the library. */
export interface WrittenTrack {
  /**
   * Its key poses over one rep, count, tap, pass or breath, evenly spread; of a breath the first is where it
   * begins, the second where it is full. Those of a hold follow one another over all of it. A move that is done on one
   * side is written for the left.
   */
  keys: string | readonly string[];
  /** What the hands do meanwhile. */
  hands?: string;
  easier?: { keys?: string | readonly string[]; hands?: string };
  harder?: { keys?: string | readonly string[]; hands?: string };
}

/** A track ready to be played. */
export interface Track {
  keys: readonly (readonly number[])[];
  hands: readonly HandPose[];
  /** The eyes are part of the work, so they do not blink. */
  eyes: boolean;
}

const EYES = new Set(['5', '7', '43', '61', '63', '64', '66']);

/**
 * A written track in one version. A version says what is different in it; its keys without hands are done without.
 * @throws Error where something in it is no unit or no hand
 */
export function trackOf(written: WrittenTrack, variant?: Variant): Track {
  const own = variant && written[variant];
  const keys = [own?.keys ?? written.keys].flat().map(unitsOf);
  const hands = handsOf(own?.hands ?? written.hands ?? '');
  const eyes = keys.some((key) =>
    key.some((much, i) => {
      const unit = UNITS[i];
      return much > 0.1 && unit !== undefined && EYES.has(nameOfUnit(unit));
    }),
  );
  return { keys, hands, eyes };
}

/** What of a step a face needs to know. */
export type Acted = Pick<Step, 'kind' | 'side' | 'startMs' | 'durationMs'> & {
  breath?: BreathPattern;
  /** How long one rep, count, tap or pass takes, in ms. */
  repMs?: number;
  release?: Release;
};

/** A step with how its move looks; null for steps without a move. */
export interface Act {
  step: Acted;
  track: Track | null;
}

/** A unit goes all the way in no less than this, in ms, so that no movement is a jerk. */
const SOONEST_MS = 660;
const ENTRY_MS = 950;
const READY_MS = 900;
const HELD_TURN_MS = 900;
const STROKE_MS = 4000;
const CIRCLE_MS = 2200;
const TAP_MS = 420;
const REST_BREATH_MS = 4600;
/** Whoever breathes in quicker than this, in seconds, does not breathe in fully. */
const FULL_BREATH_S = 1.6;
const BLINK_EVERY_MS = 5200;
const BLINK_MS = 220;

const clamp = (t: number): number => Math.max(0, Math.min(1, t));
const smooth = (t: number): number => {
  const u = clamp(t);
  return u * u * (3 - 2 * u);
};
const wave = (ms: number, period: number): number =>
  (1 - Math.cos((2 * Math.PI * ms) / period)) / 2;
/** There and back, 0 to 1 to 0. */
const toAndFro = (share: number): number => {
  const t = share - Math.floor(share);
  return t < 0.5 ? 2 * t : 2 - 2 * t;
};

const CHEST = unitIndex('chest');
const LIDS = [unitIndex('43L'), unitIndex('43R')];

type Keys = Track['keys'];
const keyAt = (keys: Keys, i: number): readonly number[] =>
  keys[((i % keys.length) + keys.length) % keys.length] ?? STILL.units;

/** How far the hands are within one unit of the work. */
interface Reached {
  units: readonly number[];
  /** 0 at the first key, 1 at the second: how much is pulled or pressed. */
  effort: number;
  /** How many units have gone by. */
  turns: number;
}

/** Keys that follow one another and begin again. Where they come quickly, they are not reached fully. */
function around(keys: Keys, turns: number, turnMs: number, alternates = false): Reached {
  const { length } = keys;
  /** What the last key leads on to: the first again, on the other side where it alternates. */
  const first = keyAt(keys, 0);
  const onTo = alternates ? mirroredUnits(first) : first;
  if (length < 2) return { units: keyAt(keys, 0), effort: 1, turns };
  const partMs = turnMs / length;
  const part = (turns - Math.floor(turns)) * length;
  const i = Math.floor(part);
  const moveMs = Math.min(partMs, Math.max(SOONEST_MS, 0.65 * partMs));
  const gone = smooth(((part - i) * partMs - (partMs - moveMs)) / moveMs);
  const units = mix(keyAt(keys, i), i + 1 < length ? keyAt(keys, i + 1) : onTo, gone);
  const fully = clamp(partMs / SOONEST_MS);
  const effort = i % 2 === 0 ? gone : 1 - gone;
  if (fully === 1) return { units, effort, turns };
  const mean = units.map((_, u) => keys.reduce((sum, key) => sum + (key[u] ?? 0), 0) / length);
  const middle = alternates ? mix(mean, mirroredUnits(mean), 0.5) : mean;
  return { units: mix(middle, units, fully), effort, turns };
}

/** Keys of a hold: each has its share, and the last stays. */
function through(keys: Keys, ms: number, durationMs: number): readonly number[] {
  const partMs = durationMs / keys.length;
  const i = Math.min(keys.length - 1, Math.floor(ms / partMs));
  if (i === 0) return keyAt(keys, 0);
  const gone = smooth((ms - i * partMs) / Math.min(HELD_TURN_MS, partMs));
  return mix(keyAt(keys, i - 1), keyAt(keys, i), gone);
}

/** How full the breath is, 0 to 1. */
export function inhaled(pattern: BreathPattern, ms: number): number {
  const deep = clamp(Math.min(pattern.in, pattern.out) / FULL_BREATH_S);
  return deep * filled(pattern, ms % breathMs(pattern));
}

function filled(pattern: BreathPattern, t: number): number {
  const [inMs, holdMs, outMs] = [pattern.in, pattern.hold, pattern.out].map((s) => s * 1000);
  const from = (inMs ?? 0) + (holdMs ?? 0);
  if (t < (inMs ?? 0)) return smooth(t / (inMs || 1));
  if (t < from) return 1;
  return 1 - smooth((t - from) / (outMs || 1));
}

/** The work of a move on the side it is written for. */
function working(track: Track, step: Acted, ms: number, pace = 1): Reached {
  const { keys } = track;
  const { breath, repMs } = step;
  if (breath) {
    const full = inhaled(breath, ms * pace);
    const turns = (ms * pace) / breathMs(breath);
    if (keys.length > 2) return { ...around(keys, turns, breathMs(breath)), turns };
    return { units: mix(keyAt(keys, 0), keyAt(keys, 1), full), effort: 1 - full, turns };
  }
  const alternates = step.side === 'alternating';
  if (repMs) return around(keys, (ms * pace) / repMs, repMs / pace, alternates);
  const units = through(keys, ms, step.durationMs);
  return { units, effort: 1, turns: ms / STROKE_MS };
}

/** Where the hands are, in the motion each of them has. */
function handled(track: Track, step: Acted, reached: Reached, ms: number): Pose {
  const { hands } = track;
  const [first] = hands;
  const back = step.side === 'other' ? -1 : 1;
  const { turns, effort, units } = reached;
  // A hand that works in turn with the other goes before it comes.
  const t = turns - Math.floor(turns);
  const oneByOne = step.side === 'alternating' && hands.length === 1;
  const there = oneByOne ? smooth(t / 0.2) * smooth((1 - t) / 0.2) : 1;
  const at = { units, hands, reach: hands.length > 0 ? there : 0 };
  switch (first?.motion) {
    case 'stroke': {
      // Three quarters of a pass go along the skin, the rest lightly back.
      const t = turns - Math.floor(turns);
      return {
        ...at,
        along: t < 0.75 ? smooth(t / 0.75) : 1 - smooth((t - 0.75) / 0.25),
        round: 0,
      };
    }
    case 'circle': {
      const circles = step.repMs ? turns : ms / CIRCLE_MS;
      return { ...at, along: 0, round: back * circles };
    }
    case 'tap':
    case 'pinch': {
      const share = step.repMs && step.repMs < 1200 ? ms / 8000 : turns;
      const beat = step.repMs && step.repMs < 1200 ? step.repMs : TAP_MS;
      return { ...at, along: toAndFro(share), round: ms / beat };
    }
    case 'lift':
    case 'press':
      return { ...at, along: effort, round: 0 };
    default:
      return { ...at, along: 0, round: 0 };
  }
}

/** Which turn it is, and how much of it has gone; a turn that is as good as over is over. */
function turnOf(turns: number): { index: number; share: number } {
  const index = Math.floor(turns + 1e-9);
  return { index, share: Math.max(0, turns - index) };
}

/** The side a move is shown on: as it is written on the left, mirrored on the right, in turn where it alternates. */
function sided(pose: Pose, step: Acted, turns: number): Pose {
  if (step.side === 'right') return mirrored(pose);
  if (step.side === 'alternating' && turnOf(turns).index % 2 === 1) return mirrored(pose);
  return pose;
}

/** Of breaths and holds in turn, and of a single pose: from where the other side ended, over to this one. */
function inTurn(pose: Pose, step: Acted, turns: number, alone: boolean): Pose {
  const { index, share } = turnOf(turns);
  if (step.side !== 'alternating' || (step.repMs && !alone) || index < 1) return pose;
  const turnMs = step.breath ? breathMs(step.breath) : (step.repMs ?? STROKE_MS);
  const gone = (share * turnMs) / Math.min(HELD_TURN_MS, turnMs);
  if (gone >= 1 && turnMs >= SOONEST_MS) return pose;
  const other = mirroredUnits(pose.units);
  const little = (1 - clamp(turnMs / SOONEST_MS)) / 2;
  return { ...pose, units: mix(other, pose.units, little + (1 - 2 * little) * smooth(gone)) };
}

function worked(track: Track, step: Acted, ms: number): Pose {
  const played =
    step.side === 'other' && !step.breath ? { ...track, keys: reversed(track.keys) } : track;
  const reached = working(played, step, ms);
  const pose = inTurn(
    sided(handled(played, step, reached, ms), step, reached.turns),
    step,
    reached.turns,
    played.keys.length < 2,
  );
  if (step.breath || step.repMs || played.keys.length > 1) return pose;
  // Muscles that hold are never quite still.
  const tremble =
    1 - 0.02 * wave(ms, 236) * smooth(ms / 1500) * smooth((step.durationMs - ms) / 900);
  return { ...pose, units: pose.units.map((u) => (u > 0.2 ? u * tremble : u)) };
}

/** The other way round: the first key stays the first. */
const reversed = (keys: Keys): Keys => {
  const [first, ...rest] = keys;
  return first && rest.length > 1 ? [first, ...[...rest].reverse()] : keys;
};

/** One pose on the way to another. Hands that change go away first, and then the others come. */
export function between(a: Pose, b: Pose, t: number): Pose {
  const units = mix(a.units, b.units, t);
  const same = JSON.stringify(a.hands) === JSON.stringify(b.hands);
  const at = (from: number, to: number) => from + (to - from) * t;
  if (same) {
    return {
      units,
      hands: a.hands,
      along: at(a.along, b.along),
      round: at(a.round % 1, b.round % 1),
      reach: at(a.reach, b.reach),
    };
  }
  const leaving = t < 0.5 && a.hands.length > 0;
  const shown = leaving || b.hands.length === 0 ? a : b;
  const reach = shown === a ? a.reach * (1 - Math.min(1, 2 * t)) : b.reach * clamp(2 * t - 1);
  return { units, hands: shown.hands, along: shown.along, round: shown.round, reach };
}

/** The way into a move while it is told: at half pace, as often as there is time, and then ready. */
function shown(track: Track, step: Acted, next: Acted, ms: number): Pose {
  const ready = worked(track, next, 0);
  const untilMs = step.durationMs - READY_MS;
  const preview = (t: number): Pose => {
    const turns = next.breath ?? next.repMs;
    const reached = working(track, next, turns ? t : next.durationMs / 2, 0.5);
    const own = sided(handled(track, next, reached, t / 2), next, reached.turns);
    const pose = inTurn(own, next, reached.turns, track.keys.length < 2);
    const times = Math.max(1, Math.min(2, Math.floor(untilMs / 5000)));
    const much = turns ? smooth(t / 1600) : wave(t, Math.max(2400, untilMs / times));
    const still = { ...STILL, hands: pose.hands, along: pose.along, round: pose.round };
    const hands = smooth(t / 1200);
    return { ...between({ ...still, reach: hands }, { ...pose, reach: hands }, much) };
  };
  if (untilMs < 1200) return between(STILL, ready, smooth(ms / Math.max(1, step.durationMs)));
  if (ms < untilMs) return preview(ms);
  return between(preview(untilMs), ready, smooth((ms - untilMs) / READY_MS));
}

const letGo: Record<Release, Track> = {
  tap: trackOf({ keys: '43:.3 26:.15', hands: 'tips tap jawMid>midCheek>cheekbone' }),
  massage: trackOf({ keys: '43:.3 26:.15', hands: 'palm stroke midCheek>frontOfEar' }),
  breaths: trackOf({ keys: ['43:.3 25:.2', '43:.3 chest'] }),
  none: trackOf({ keys: '26:.12' }),
};

const breathing = (release: Release, ms: number): number => {
  const halfMs = release === 'breaths' ? 5000 : REST_BREATH_MS;
  return wave(ms, halfMs);
};

function released(step: Acted, ms: number): Pose {
  const kind = step.release ?? 'none';
  const track = letGo[kind];
  if (kind === 'breaths') {
    return {
      ...STILL,
      units: mix(keyAt(track.keys, 0), keyAt(track.keys, 1), breathing(kind, ms)),
    };
  }
  const pose = handled(
    track,
    step,
    { units: keyAt(track.keys, 0), effort: 1, turns: ms / 2400 },
    ms,
  );
  // First the hands go, then others come to tap it off; at the end the face is at rest.
  const there = smooth((ms - 900) / 700) * smooth((step.durationMs - ms) / 700);
  const much = smooth((step.durationMs - ms) / 700);
  return { ...pose, units: mix(STILL.units, pose.units, much), reach: pose.reach * there };
}

/** A step by itself, as if everything before it had been at rest. */
function alone(acts: readonly Act[], index: number, ms: number): Pose {
  const act = acts[index];
  if (!act?.track) return STILL;
  const { step, track } = act;
  if (step.kind === 'work') return worked(track, step, ms);
  if (step.kind === 'release') return released(step, ms);
  if (step.kind === 'rest') return STILL;
  const next = acts[index + 1];
  if (!next?.track || next.step.kind !== 'work') return STILL;
  if (step.kind === 'switch') return worked(next.track, next.step, 0);
  return shown(next.track, step, next.step, ms);
}

/**
 * The pose at a moment of a class: pure, and without a jump. It depends on the step and on the one before it.
 * @param ms since the step began
 */
export function poseAt(acts: readonly Act[], index: number, ms: number): Pose {
  const act = acts[index];
  if (!act) return STILL;
  const { step, track } = act;
  const at = Math.max(0, Math.min(step.durationMs, ms));
  const own = alone(acts, index, at);
  const before = acts[index - 1];
  const fadeMs = Math.min(ENTRY_MS, step.durationMs);
  const from = before && at < fadeMs ? alone(acts, index - 1, before.step.durationMs) : null;
  const pose = from ? between(from, own, smooth(at / fadeMs)) : own;
  return alive(pose, step.startMs + at, track?.eyes === true && step.kind !== 'rest');
}

/** Breath in the chest, and a blink now and then. */
function alive(pose: Pose, ms: number, eyes: boolean): Pose {
  const units = [...pose.units];
  units[CHEST] = Math.max(units[CHEST] ?? 0, 0.3 * wave(ms, REST_BREATH_MS));
  const blink = eyes ? 0 : Math.sin(Math.PI * clamp((ms % BLINK_EVERY_MS) / BLINK_MS));
  for (const lid of LIDS) units[lid] = Math.max(units[lid] ?? 0, blink);
  return { ...pose, units };
}

/**
 * The pose that stands for a track in a still picture.
 * @param of on which side it is done, and whether it is where the work begins instead of where its effort is greatest
 */
export function keyPose(
  { keys, hands }: Track,
  { side, first }: { side?: 'left' | 'right'; first?: boolean } = {},
): Pose {
  const units = keyAt(keys, first ? 0 : Math.min(1, keys.length - 1));
  const pose = { ...STILL, units, hands, along: first ? 0.1 : 0.5, round: 0, reach: 1 };
  return side === 'right' ? mirrored(pose) : pose;
}
