import type { Effects } from '../checks';
import type { Language } from '../language';
import { type BreathPattern, breathMs, type Caution, HANDS_FREE_RELEASE } from '../move';
import { type Playback, type PlayStep, playLengthMs } from '../run';
import {
  type Cue,
  isCount,
  notLast,
  type Score,
  type Spare,
  type Step,
  turnOfStep,
} from '../score';
import type { FollowCue, FollowDocument, Way } from './document';

/** What one follower sees and hears of a class: in their language, and with what they must not do left out. */

/** What somebody chose on their own device. Cautions never leave it. */
export interface Choices {
  language: Language;
  cautions: readonly Caution[];
  /** Words are said more slowly where there is time for it. */
  slower?: boolean;
  /** They do it by themselves, as often as they like, so that nothing in it is strong. */
  alone?: boolean;
}

/** How a segment is done by somebody with cautions. */
export interface Mine {
  does: 'asLed' | 'easier' | 'leaveOut';
  /** Cautions that care settles: feather-light, check the oil. */
  mind: { caution: Caution; effect: 'feather' | 'checkOil' }[];
  /** It is let go without hands. */
  handsFree: boolean;
  /** Cautions for which it is not done as it is led; none where it is too strong to be done alone. */
  because: Caution[];
}

/** A cue as it is for one follower. */
export interface MyCue extends Cue {
  /** It is shown and not said: there is no time for it. */
  quiet?: true;
  /** It is said at another rate than the class. */
  wordsPerMinute?: number;
}

export interface Personal {
  /** Cues by step, in the order in which the steps of a run are planned. */
  groups: readonly (readonly MyCue[])[];
  mine: (step: Step) => Mine;
  /** A step as this follower does it. */
  asDone: (part: PlayStep) => Step;
  /**
   * A run as this follower hears and reads it: a move they leave out has no tones, and an added round of it no words;
   * their own version has the tones of its own breath, and its own words also where the class is told more.
   */
  heard: (state: Playback) => Playback;
}

const AS_LED: Mine = { does: 'asLed', mind: [], handsFree: false, because: [] };
/** The rate of words that are said more slowly, where a class has this one. The slowest voice has 80. */
export const slowerRate = (wordsPerMinute: number): number =>
  Math.max(80, Math.round(wordsPerMinute * 0.8));
/** Words are said so much faster than usual at most, where another language needs longer. */
export const MOST_HURRY = 1.3;

const concerned = (effects: Effects, cautions: readonly Caution[]) =>
  cautions.flatMap((caution) => {
    const effect = effects[caution];
    return effect ? [{ caution, effect }] : [];
  });

/**
 * How somebody with cautions does a segment. Where only a clinician could say that it may be done, it is left out, as
 * is a move whose easier version is no better.
 */
export function mineOf(
  { own, easier }: { own: Way; easier: Way | null },
  { cautions, alone = false }: Pick<Choices, 'cautions' | 'alone'>,
  ledEasier: boolean,
): Mine {
  const led = ledEasier && easier ? easier : own;
  const minded = (way: Way) =>
    concerned(way.work, cautions).flatMap(({ caution, effect }) =>
      effect === 'feather' || effect === 'checkOil' ? [{ caution, effect }] : [],
    );
  const barred = (way: Way) =>
    concerned(way.work, cautions).filter(
      ({ effect }) => effect !== 'feather' && effect !== 'checkOil',
    );
  const handsFree = (way: Way) => concerned(way.release, cautions).length > 0;
  const tooStrong = (way: Way) => alone && way.strong === true;
  const against = barred(led);
  if (against.length === 0 && !tooStrong(led)) {
    return { does: 'asLed', mind: minded(led), handsFree: handsFree(led), because: [] };
  }
  const because = against.map(({ caution }) => caution);
  if (led === own && easier && barred(easier).length === 0 && !tooStrong(easier)) {
    return { does: 'easier', mind: minded(easier), handsFree: handsFree(easier), because };
  }
  return { does: 'leaveOut', mind: [], handsFree: true, because };
}

/** A class as one follower follows it. Its times are those of the class, whatever they chose. */
export function personal(document: FollowDocument, choices: Choices): Personal {
  const { score, easier, ways, leaveOut } = document;
  const known = new Map<string, Mine>();
  const mine = ({ segmentId, variant }: Step): Mine => {
    const way = ways[segmentId];
    if (!way || (choices.cautions.length === 0 && !choices.alone)) return AS_LED;
    const key = `${segmentId} ${variant === 'easier'}`;
    const found = known.get(key) ?? mineOf(way, choices, variant === 'easier');
    known.set(key, found);
    return found;
  };
  const meanwhile = leaveOut[choices.language] ?? leaveOut[score.language];
  const easierByStep = byStep(easier?.steps ?? [], easier?.cues ?? []);
  const easierOf = new Map(
    (easier?.steps ?? []).map((step, i) => [step.id, easierByStep[i] ?? []]),
  );
  const sidesOf = (steps: readonly Step[]) => {
    const sides = new Map<string, string>();
    for (const { id, kind, side } of steps) {
      const turn = turnOfStep(id);
      if (kind === 'work') sides.set(turn, `${sides.get(turn) ?? ''} ${side}`);
    }
    return sides;
  };
  const [sidesLed, sidesEasier] = [sidesOf(score.steps), sidesOf(easier?.steps ?? [])];
  /** An easier version that shares its sides in another way cannot be followed beside the class. */
  const atOdds = ({ id }: Step) => sidesLed.get(turnOfStep(id)) !== sidesEasier.get(turnOfStep(id));
  const settled = (step: Step): Mine => {
    const own = mine(step);
    return own.does === 'easier' && atOdds(step)
      ? { ...own, does: 'leaveOut', mind: [], handsFree: true }
      : own;
  };
  /** Work in its easier version, by step; by segment as well, for rounds that are added. */
  const easierWork = new Map<string, Step>();
  for (const step of easier?.steps ?? []) {
    if (step.kind !== 'work') continue;
    for (const key of [step.id, step.segmentId]) {
      if (!easierWork.has(key)) easierWork.set(key, step);
    }
  }
  /** A step breathed as its easier version is, where that is how somebody does it. */
  const breathed = (step: Step): Step => {
    if (step.kind !== 'work' || !step.breath || settled(step).does !== 'easier') return step;
    const { breath, breathTones, ...still } = step;
    const own = (easierWork.get(step.id) ?? easierWork.get(step.segmentId))?.breath;
    if (!own) return still;
    const inTime = inTimeOf(breath, own);
    return { ...still, breath: inTime, ...(breathTones && { breathTones }) };
  };
  const place = placer(choices, score.wordsPerMinute);
  const cuesOf = (step: Step, cues: readonly FollowCue[], first: boolean): MyCue[] => {
    const own = settled(step);
    if (own.does === 'leaveOut')
      return first && meanwhile ? [leavingOut(step, meanwhile, choices)] : [];
    const taught =
      own.does === 'easier'
        ? inPlaceOf(breathedBy(breathed(step), step, cues), easierOf.get(step.id) ?? [])
        : cues;
    const released = own.handsFree ? taught.filter((cue) => cue.kind !== 'release') : taught;
    return place(released, spokenUntil(cues, step.durationMs));
  };
  const groupsOf = (steps: readonly Step[], cues: readonly FollowCue[]) => {
    const seen = new Set<string>();
    return byStep(steps, cues).map((group, i) => {
      const step = steps[i];
      if (!step) return [];
      const first = !seen.has(step.segmentId);
      seen.add(step.segmentId);
      return cuesOf(step, group, first);
    });
  };
  const firstSpare = score.steps.length + (easier?.steps.length ?? 0);
  const indexOf = new Map(score.steps.map(({ id }, i) => [id, i]));
  const spares = [score, easier].flatMap((of) => of?.spares ?? []);
  const spareNamed = new Map(spares.map((spare) => [spare.name, spare]));
  const groups = [
    ...groupsOf(score.steps, score.cues),
    ...(easier ? groupsOf(easier.steps, easier.cues) : []),
    ...spares.map(({ cues, durationMs }) => place(cues, spokenUntil(cues, durationMs))),
  ];
  /** One's own words for a round that was the last one as planned and is no more, by its step. */
  const notLastByStep = new Map<string, number>();
  for (const step of score.steps) {
    const led = spareNamed.get(notLast(step));
    const own = spareNamed.get(notLast({ ...step, variant: 'easier' }));
    if (!led || !own || settled(step).does !== 'easier') continue;
    notLastByStep.set(step.id, groups.length);
    groups.push(place(own.cues, spokenUntil(led.cues, led.durationMs)));
  }
  const silent = groups.push([]) - 1;
  return {
    groups,
    mine: settled,
    asDone: ({ step }) => {
      const own = settled(step);
      const release = own.handsFree && step.release ? { release: HANDS_FREE_RELEASE } : {};
      const variant = own.does === 'easier' ? { variant: 'easier' as const } : {};
      return { ...breathed(step), ...variant, ...release };
    },
    heard: (state) => {
      /** What a bend put in the place of a planned step has words for the whole class: here are one's own instead. */
      const inOwnWords = (p: PlayStep): PlayStep => {
        if (p.planned < firstSpare) return p;
        const first = p.spare || p.put ? undefined : indexOf.get(p.step.id);
        const as = first === undefined ? undefined : score.steps[first];
        if (first === undefined || !as) return { ...p, planned: silent };
        const isNotLast = spares[p.planned - firstSpare]?.name === notLast(as);
        const planned = (isNotLast ? notLastByStep.get(as.id) : undefined) ?? first;
        const extraMs = playLengthMs(p) - as.durationMs;
        return { ...p, planned, extraMs, step: { ...p.step, durationMs: as.durationMs } };
      };
      const asHeard = (p: PlayStep): PlayStep => {
        const { does } = settled(p.step);
        if (does === 'leaveOut') {
          const { beatMs: _, breathTones: _tones, ...step } = p.step;
          return { ...inOwnWords({ ...p, step }), beyond: undefined };
        }
        // The words of a class in its easier version are those of whoever does that anyway.
        const otherwise = does === 'easier' && p.step.variant !== 'easier' && !p.spare && !p.put;
        const own = otherwise ? inOwnWords(p) : p;
        return { ...own, step: breathed(own.step) };
      };
      return { ...state, queue: state.queue.map(asHeard) };
    },
  };
}

function byStep(steps: readonly Step[], cues: readonly FollowCue[]): FollowCue[][] {
  const groups: FollowCue[][] = steps.map(() => []);
  for (const cue of cues) groups[cue.step]?.push(cue);
  return groups;
}

function leavingOut(
  { id, durationMs }: Step,
  words: { text: string; durationMs: number },
  { language }: Choices,
): MyCue {
  return {
    id: `${id} left out`,
    step: 0,
    kind: 'announce',
    text: words.text,
    language,
    offsetMs: 0,
    startMs: 0,
    durationMs: words.durationMs,
    fromEnd: false,
    ...(words.durationMs > durationMs && { quiet: true }),
  };
}

/**
 * A pattern of breath beside a class that breathes in another one: as many whole breaths as come nearest to its own length
 * go into one of the class, so that the next begins for everybody at once. Nothing is held that it does not hold.
 */
function inTimeOf(led: BreathPattern, own: BreathPattern): BreathPattern {
  const ledMs = breathMs(led);
  const ownMs = breathMs(own);
  if (ledMs === ownMs) return own;
  const lengthS = ledMs / 1000 / Math.max(1, Math.round(ledMs / ownMs));
  const stillS = own.hold + own.pause;
  // Where there is no time for what stands still, all of it goes quicker.
  const by = stillS < lengthS ? (lengthS - stillS) / (own.in + own.out) : lengthS / (ownMs / 1000);
  const stands = stillS < lengthS ? 1 : by;
  return {
    in: own.in * by,
    hold: own.hold * stands,
    out: own.out * by,
    pause: own.pause * stands,
  };
}

/** The cues of a step with its words of breath where they are in another pattern; none where that has no pattern. */
function breathedBy(own: Step, led: Step, cues: readonly FollowCue[]): readonly FollowCue[] {
  const [to, from] = [own.breath, led.breath];
  if (to === from || !from) return cues;
  if (!to) return cues.filter((cue) => cue.kind !== 'breath');
  const outOf = (pattern: BreathPattern) => Math.round((pattern.in + pattern.hold) * 1000);
  const laterMs = outOf(to) - outOf(from);
  return cues.map((cue) => {
    const isOut = cue.kind === 'breath' && cue.offsetMs % breathMs(from) === outOf(from);
    if (!isOut) return cue;
    return { ...cue, offsetMs: cue.offsetMs + laterMs, startMs: cue.startMs + laterMs };
  });
}

/** Cues that keep time for everybody; all others say how a move is done. */
const keepsTime = (cue: Cue): boolean =>
  isCount(cue) || cue.kind === 'breath' || cue.kind === 'side';

/** The easier version's words in place of the class's, from the same times on; time is kept as in the class. */
function inPlaceOf(led: readonly FollowCue[], easier: readonly FollowCue[]): FollowCue[] {
  const words = easier.filter((cue) => !keepsTime(cue));
  const places = led.filter((cue) => !keepsTime(cue));
  const put = words.map((cue, i) => {
    const place = places[i];
    const offsetMs = place?.offsetMs ?? cue.offsetMs;
    return { ...cue, offsetMs, fromEnd: place?.fromEnd ?? cue.fromEnd };
  });
  return [...led.filter(keepsTime), ...put].sort((a, b) => a.offsetMs - b.offsetMs);
}

/** Until when something may be said in a step: to its end, or as long after it as the class itself speaks. */
const spokenUntil = (cues: readonly FollowCue[], lengthMs: number): number =>
  Math.max(lengthMs, ...cues.map((cue) => cue.offsetMs + cue.durationMs));

/**
 * Cues at their times, one after the other. Each is said only where it is over before the next that keeps time, a
 * little faster where that helps; what is not said is shown all the same.
 */
function placer({ language, slower }: Choices, usual: number) {
  const slow = slowerRate(usual);
  return (cues: readonly FollowCue[], untilMs: number): MyCue[] => {
    let free = 0;
    return cues.map(({ other, ...cue }, i): MyCue => {
      const words = other?.[language];
      const said: MyCue = words ? { ...cue, text: words.text, language } : cue;
      const needsMs = words?.durationMs ?? cue.durationMs;
      const rest = cues.slice(i + 1);
      const next = keepsTime(cue) ? rest[0] : rest.find(keepsTime);
      const end = next?.offsetMs ?? untilMs;
      const offsetMs = Math.max(cue.offsetMs, free);
      const roomMs = end - offsetMs;
      if (roomMs <= 0 || needsMs / roomMs > MOST_HURRY) return { ...said, quiet: true };
      const slowlyMs = (needsMs * usual) / slow;
      const slowly = slower && !keepsTime(cue) && slowlyMs <= roomMs;
      const durationMs = Math.min(slowly ? slowlyMs : needsMs, roomMs);
      free = offsetMs + durationMs;
      const startMs = cue.startMs + offsetMs - cue.offsetMs;
      return { ...said, offsetMs, startMs, durationMs, ...(slowly && { wordsPerMinute: slow }) };
    });
  };
}

/** A document's score as the run reads it. What a follower has no use for is empty. */
export function scoreOf(part: FollowDocument['score']): Score {
  return {
    ...part,
    spares: part.spares as Spare[] | undefined,
    speech: 'measured',
    talkingFactor: 1,
    totals: { upbeatMs: 0, workMs: 0, switchMs: 0, releaseMs: 0, restMs: 0, talkMs: 0 },
    leftOut: [],
  };
}
