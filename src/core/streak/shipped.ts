import { EXCUSES } from './counted';
import type { StreakRule } from './rule';

const ALL = [...EXCUSES];
const STRICT = [{ days: null, misses: 0, among: 1 }];
const usual = { onceADay: true, leastShare: 50, excuses: ALL, freezes: null };

/** The rules that Up Beat brings; a studio may change a copy of each. */
export const STREAK_RULES = {
  every: {
    ...usual,
    name: 'Every meeting',
    leastShare: 0,
    per: 'meeting',
    times: 1,
    stages: STRICT,
    practice: false,
  },
  mostOf: {
    ...usual,
    name: 'Any 3 of the last 4',
    per: 'meeting',
    times: 1,
    stages: [{ days: null, misses: 1, among: 4 }],
    practice: false,
  },
  weekly: {
    ...usual,
    name: '3 times a week',
    per: 'week',
    times: 3,
    stages: STRICT,
    practice: true,
  },
  daily: {
    ...usual,
    name: 'Once a day',
    per: 'day',
    times: 1,
    stages: STRICT,
    practice: true,
    freezes: { days: 2, among: 28 },
  },
  twiceDaily: {
    ...usual,
    name: 'Twice a day',
    per: 'day',
    times: 2,
    stages: STRICT,
    practice: true,
    freezes: { days: 2, among: 28 },
  },
  otherDay: {
    ...usual,
    name: 'Every other day',
    per: 'day',
    times: 1,
    stages: [{ days: null, misses: 1, among: 2 }],
    practice: true,
  },
  twenty: {
    ...usual,
    name: 'Daily for 8 weeks, then every other day to week 20',
    per: 'day',
    times: 1,
    stages: [
      { days: 56, misses: 0, among: 1 },
      { days: 84, misses: 1, among: 2 },
    ],
    practice: true,
    freezes: { days: 2, among: 28 },
  },
} as const satisfies Record<string, StreakRule>;
export type StreakRuleKey = keyof typeof STREAK_RULES;
