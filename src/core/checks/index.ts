import type { Plan } from '../class';
import {
  firmHandsInARow,
  headBackInARow,
  longBreathHold,
  longHoldWithoutRelease,
  sidesUnequal,
} from './body';
import {
  type Check,
  type Checked,
  type Finding,
  lookAt,
  SEVERITIES,
  type ToldFinding,
} from './check';
import { noDrainAtTheEnd, noWarmUp } from './course';
import { areaWithoutWork, focusRatio, orderAgainstSchool, sameAreaInARow } from './face';
import { claims, dryGripAfterGlide, missingProp, weeklyCap } from './kit';
import { newToSomebody, personCaution, personRelease, personToAsk } from './room';
import {
  cannotBeSaid,
  cueTooLong,
  leftOutByHabit,
  passedOverInSilence,
  reminderWithoutRoom,
  slotOverrun,
} from './time';

export {
  type BookedPerson,
  type Check,
  type Checked,
  type Finding,
  type Repair,
  SEVERITIES,
  type SegmentDone,
  type Severity,
  type ToldFinding,
  waysOf,
} from './check';
export { claimIn } from './claims';
export { EFFECTS, type Effects, effectsIn, type SegmentEffects } from './effects';
export { type DoneAlready, doneThisWeek } from './week';

/** Every check there is. A new one is a new entry. */
export const CHECKS: readonly Check[] = [
  slotOverrun,
  personCaution,
  personRelease,
  longBreathHold,
  headBackInARow,
  firmHandsInARow,
  sidesUnequal,
  weeklyCap,
  dryGripAfterGlide,
  noWarmUp,
  noDrainAtTheEnd,
  areaWithoutWork,
  focusRatio,
  longHoldWithoutRelease,
  sameAreaInARow,
  passedOverInSilence,
  cueTooLong,
  cannotBeSaid,
  missingProp,
  claims,
  newToSomebody,
  orderAgainstSchool,
  personToAsk,
  reminderWithoutRoom,
  leftOutByHabit,
];

/** Whether there is anything to judge yet: what is merely still empty is no fault. */
export const hasBegun = ({ phases }: Plan): boolean =>
  phases.work.length > 0 || phases.massage.length > 0;

/**
 * What a teacher should know before leading a class, the gravest first. Until the class has a segment
 * of work or massage, only what must be changed. Pure.
 */
export function check(checked: Checked): Finding[] {
  return atOnce(checking(checked));
}

/** Findings that can be sent: they say what would help, and do nothing. */
export const told = (findings: readonly Finding[]): ToldFinding[] =>
  findings.map(({ repair, ...finding }) => ({
    ...finding,
    ...(repair && { repair: { label: repair.label } }),
  }));

/** The same check by check, for who has something else to do in between. */
export const checking = (checked: Checked): Generator<void, Finding[]> =>
  findWith(hasBegun(checked.plan) ? CHECKS : MUSTS, checked);

function atOnce<T>(work: Generator<void, T>): T {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}

function* findWith(checks: readonly Check[], checked: Checked): Generator<void, Finding[]> {
  const look = lookAt(checked);
  const all: Finding[] = [];
  for (const { id, severity, find } of checks) {
    yield;
    all.push(...find(look).map((found): Finding => ({ check: id, severity, ...found })));
  }
  return all.sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity));
}

const MUSTS = CHECKS.filter((c) => c.severity === 'must');

/** Only what must be changed, as quick as it can be had. */
export const musts = (checked: Checked): Finding[] => atOnce(findWith(MUSTS, checked));

/** What must be changed in a class that was changed, and did not have to be before. */
export function raises(checked: Checked, changed: Plan, but: readonly string[] = []): Finding[] {
  const before = new Set(musts(checked).map((f) => f.key));
  const after = musts({ ...checked, plan: changed, score: checked.compile(changed) });
  return after.filter((f) => !before.has(f.key) && !but.includes(f.check));
}

export type Repaired =
  | { kind: 'repaired'; plan: Plan; label: string }
  /** No way to repair it leaves the rest of the class as safe as it was. */
  | { kind: 'refused'; because: Finding[] };

/**
 * Carries a repair out: the first of its ways that raises nothing which must be changed. Every way is
 * tried on the class before one is taken.
 */
export function repaired(checked: Checked, finding: Finding): Repaired {
  const { repair } = finding;
  if (!repair) return { kind: 'refused', because: [] };
  let because: Finding[] = [];
  for (const { label, apply } of [repair, ...(repair.others ?? [])]) {
    const plan = apply(checked.plan);
    const raised = raises(checked, plan);
    if (raised.length === 0) return { kind: 'repaired', plan, label };
    if (because.length === 0) because = raised;
  }
  return { kind: 'refused', because };
}
