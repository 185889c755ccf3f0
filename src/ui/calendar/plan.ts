import type { FormState } from '../kit/form';

export const REPEATS = ['once', 'weekly', 'fortnightly', 'daily', 'monthly'] as const;
export type Repeats = (typeof REPEATS)[number];
/** How many classes may take turns. */
export const TURNS = ['class0', 'class1', 'class2', 'class3'] as const;

/** A session that would come, in words. */
export interface Line {
  occurrence: string;
  when: string;
  className: string;
  /** What should be known of it: a closure, a conflict, a class longer than its slot. */
  notes: string[];
}

export interface PlanState extends FormState {
  lines?: Line[];
  /** Where they stand now, once they are planned. */
  to?: string;
}
