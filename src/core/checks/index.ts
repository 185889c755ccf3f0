import { firmHandsInARow, headBackInARow, longHoldWithoutRelease, sidesUnequal } from './body';
import { type Check, type Checked, type Finding, lookAt, SEVERITIES } from './check';
import { noDrainAtTheEnd, noWarmUp } from './course';
import { areaWithoutWork, focusRatio, orderAgainstSchool, sameAreaInARow } from './face';
import { claims, dryGripAfterGlide, missingProp, weeklyCap } from './kit';
import { newToSomebody, personCaution, personToAsk } from './room';
import { cueTooLong, reminderWithoutRoom, slotOverrun } from './time';

export type { BookedPerson, Check, Checked, Finding, Repair, Severity } from './check';
export { claimIn, withoutClaims } from './claims';
export { sortedByOrder } from './face';

/** Every check there is. A new one is a new entry. */
export const CHECKS: readonly Check[] = [
  slotOverrun,
  personCaution,
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
  cueTooLong,
  missingProp,
  claims,
  newToSomebody,
  orderAgainstSchool,
  personToAsk,
  reminderWithoutRoom,
];

/** What a teacher should know before leading a class, the gravest first. Pure. */
export function check(checked: Checked): Finding[] {
  const look = lookAt(checked);
  const all = CHECKS.flatMap(({ id, severity, find }) =>
    find(look).map((found): Finding => ({ check: id, severity, ...found })),
  );
  return all.sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity));
}
