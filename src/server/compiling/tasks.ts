import { LIBRARY } from '@library';
import { libraryTrack } from '@library/tracks';
import {
  type BookedPerson,
  type Checked,
  check,
  type DoneAlready,
  doneThisWeek,
  type Finding,
  repaired,
  type ToldFinding,
  told,
} from '@/core/checks';
import { type Plan, resolve } from '@/core/class';
import { type FollowDocument, followDocument, type MadeReady } from '@/core/follow';
import type { Area, Move } from '@/core/move';
import { type Band, bandsOf, fillOf } from '@/core/outline';
import type { TalkSample } from '@/core/run';
import { type CompileOptions, compile, lengthOf, type Score } from '@/core/score';
import { estimateSpeech, measuredMeter, notingMeter, type Utterance } from '@/core/speech';
import { bookOf } from './book';

/**
 * What the server works out of a class. Each task is a pure function of values that can be sent to a worker, so that
 * a heavy class is worked out beside all else and a light one where it is asked for, with one result.
 */

/** A class, and what its length depends on besides. */
export interface OfClass {
  plan: Plan;
  /** The studio's own moves. */
  own: readonly Move[];
  options: Pick<CompileOptions, 'room' | 'talkingFactor' | 'forRun'>;
  /** Spoken lengths that are known, in ms by utterance key. */
  lengths?: ReadonlyMap<string, number>;
}

/** A class in one line of a list. */
export interface ClassOutline {
  /** Its kinds in turn, for a ribbon in small. */
  bands: readonly Band[];
  /** In whole ms, equal to that of the measured score where it is `measured`. */
  totalMs: number;
  /** Whether that is as long as the voice really takes; an estimate where not all of it was spoken yet. */
  measured: boolean;
  fill: Partial<Record<Area, number>>;
}

/** With whom in mind a class is judged. */
export interface JudgedFor {
  people: readonly BookedPerson[];
  /** What they did already in other sessions of the week. */
  done: readonly DoneAlready[];
  sessionsAWeek: number;
  talk: readonly TalkSample[];
}

export type RepairOutcome =
  | { kind: 'done'; plan: Plan; label: string }
  /** Nothing of that key is found any more. */
  | { kind: 'settled' }
  | { kind: 'refused'; says: string };

const measuredBy = ({ lengths = new Map() }: OfClass) => measuredMeter(lengths, estimateSpeech);
const ownBook = ({ own }: OfClass) => bookOf('', own);

/** A class as Compose sees it, with the same lengths and the same people. */
function judged(of: OfClass & JudgedFor): { checked: Checked; findings: Finding[] } {
  const { plan, options, people, done, sessionsAWeek, talk } = of;
  const book = ownBook(of);
  const { meter } = measuredBy(of);
  const score = (some: Plan) => compile(some, book, { ...options, meter });
  const checked: Checked = {
    plan,
    book,
    people,
    sessionsAWeek,
    talk,
    shelf: [...of.own, ...LIBRARY],
    score: score(plan),
    compile: score,
  };
  return { checked, findings: [...doneThisWeek(checked, done), ...check(checked)] };
}

export const TASKS = {
  /** The texts that a class says. */
  asked: (of: OfClass): Utterance[] => {
    const noting = notingMeter(estimateSpeech);
    compile(of.plan, ownBook(of), { ...of.options, meter: noting.meter });
    return noting.asked;
  },

  /** With the lengths that are given, and the estimate for all others. */
  score: (of: OfClass): Score => {
    if (!of.lengths) return compile(of.plan, ownBook(of), of.options);
    const { meter, source } = measuredBy(of);
    return compile(of.plan, ownBook(of), { ...of.options, meter, speechSource: source });
  },

  /** What leaves for those who follow it. */
  follow: (of: OfClass & { ready: Omit<MadeReady, 'isDrawn'> }): FollowDocument =>
    followDocument({ ...of.ready, isDrawn: (id) => libraryTrack(id) !== undefined }, ownBook(of)),

  outline: (of: OfClass): ClassOutline => {
    const { plan, options } = of;
    const book = ownBook(of);
    const { meter, source } = measuredBy(of);
    const totalMs = lengthOf(plan, book, { ...options, meter });
    const score = compile(plan, book, options);
    const resolved = resolve(plan, book);
    return {
      totalMs,
      measured: source() === 'measured',
      fill: fillOf(score, resolved),
      bands: bandsOf(score, resolved),
    };
  },

  judge: (of: OfClass & JudgedFor): { score: Score; findings: ToldFinding[] } => {
    const { checked, findings } = judged(of);
    return { score: checked.score, findings: told(findings) };
  },

  /** Carries out the repair of one finding. @param of.others who must not be harmed by it either */
  repair: (
    of: OfClass & JudgedFor & { key: string; others: readonly BookedPerson[] },
  ): RepairOutcome => {
    const { checked, findings } = judged(of);
    const finding = findings.find((f) => f.key === of.key);
    if (!finding) return { kind: 'settled' };
    const people = [...checked.people, ...of.others];
    const outcome = repaired({ ...checked, people }, finding);
    if (outcome.kind === 'refused') {
      return { kind: 'refused', says: outcome.because[0]?.says ?? finding.says };
    }
    return { kind: 'done', plan: outcome.plan, label: outcome.label };
  },
};

export type Tasks = typeof TASKS;
export type TaskName = keyof Tasks;
