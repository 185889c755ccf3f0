import type { StreakTold } from '@/core/calls';
import type { FormAct } from '../kit/form';
import type { CautionsFormProps } from './cautions-form';
import type { CheckInsProps } from './check-ins';

/** Something of a list with an id for its buttons. */
export interface Told {
  id: string;
  says: string;
}

export interface PersonScreenProps {
  id: string;
  name: string;
  contact: string | null;
  language: string | null;
  languages: Record<string, string>;
  /** Round numbers and streaks of theirs may be greeted. */
  greet: boolean;
  joined: string;
  left: string | null;
  /** ISO 8601 date. */
  today: string;
  streaks: StreakTold[];
  programmes: StreakTold[];
  homeClasses: { classId: string; name: string; length: string }[];
  checkIns: CheckInsProps;
  bookings: { classId: string; className: string; since: string }[];
  ended: string[];
  pauses: Told[];
  bookable: { id: string; name: string }[];
  notes: { id: string; move: string; note: string; day: string; settled: boolean }[];
  met: string[];
  practice: Told[];
  /** Days they took off lately, ISO 8601, as they are shown. */
  daysOff: Told[];
  /** Those still to come are not past. */
  sessions: {
    id: string;
    past: boolean;
    day: string;
    time: string;
    className: string;
    /** What the register says, in words. */
    register: string;
    took: string;
  }[];
  others: { id: string; name: string }[];
  /** Those whose name is very like this one's. */
  alike: { id: string; name: string }[];
  /** A join that can still be undone. */
  join: { id: string; name: string } | null;
  carried: CautionsFormProps;
  /** Their sessions as an address for a calendar program. */
  feed: { has: boolean; make: FormAct; drop: FormAct };
  /** Their own page, where they log practice. */
  home: { has: boolean; make: FormAct; drop: FormAct };
  acts: Record<
    | 'change'
    | 'book'
    | 'booking'
    | 'pause'
    | 'note'
    | 'practice'
    | 'home'
    | 'join'
    | 'leave'
    | 'erase',
    FormAct
  >;
}
