import { GAP_DAYS, gapWords, isRoundCount, LONG_STREAK } from './who';

/** What is worth knowing of somebody at a glance. */
export const PERSON_MARKS = ['new', 'back', 'unseen', 'ending', 'round'] as const;
export type PersonMark = (typeof PERSON_MARKS)[number];
export const PERSON_MARK_NAMES: Record<PersonMark, string> = {
  new: 'has not come yet',
  back: 'back after a gap',
  unseen: 'not seen for weeks',
  ending: 'a long streak could end',
  round: 'a round number',
};

/** What the register knows of somebody now. */
export interface Known {
  /** Held sessions they came to. */
  times: number;
  /** When they came last and the time before, epoch ms. */
  lastAt: number | null;
  beforeAt: number | null;
  /** Their longest running streak in words, how long it is, and whether one more miss would end it. */
  streak: { count: number; words: string; ending: boolean } | null;
  /** Whether round numbers and streaks of theirs may be greeted. */
  greet: boolean;
}

export interface MarkSaid {
  mark: PersonMark;
  says: string;
}

const DAY_MS = 86_400_000;
/** So many days after it, coming back or a round number is still news. */
const NEWS_DAYS = 8;

/** The marks of somebody, the first to be told first; none for most. @param now epoch ms */
export function marksOf(known: Known, now: number): MarkSaid[] {
  const { times, lastAt, beforeAt, streak, greet } = known;
  const marks: MarkSaid[] = [];
  const add = (mark: PersonMark, says: string) => marks.push({ mark, says });
  if (times === 0 || lastAt === null) add('new', 'has not come yet');
  else {
    const away = (now - lastAt) / DAY_MS;
    const gap = beforeAt === null ? 0 : (lastAt - beforeAt) / DAY_MS;
    if (away >= GAP_DAYS) add('unseen', `not seen for ${gapWords(away)}`);
    else if (gap >= GAP_DAYS && away <= NEWS_DAYS) add('back', `back after ${gapWords(gap)}`);
    if (greet && streak?.ending && streak.count >= LONG_STREAK && away < GAP_DAYS) {
      add('ending', `${streak.words} could end`);
    }
    if (greet && isRoundCount(times) && away <= NEWS_DAYS) add('round', `${times} classes reached`);
    else if (greet && isRoundCount(times + 1)) add('round', `class number ${times + 1} comes next`);
  }
  return marks;
}
