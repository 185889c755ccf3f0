import { grouped } from '../collections';

/** Somebody who is to come, as far as a teacher should know it before the class. */
export interface Expected {
  participantId: string;
  name: string;
  /** Held sessions they came to before: of any class, and of this one. */
  timesBefore: number;
  timesInClass: number;
  /** When they came last, to whatever class, epoch ms; null where they never did. */
  lastAt: number | null;
  /** How many sessions of this class in a row they have come to. */
  streak: number;
  /** Ids of the moves they have met. */
  met: ReadonlySet<string>;
  /** Whether round numbers and streaks of theirs may be greeted. */
  greet: boolean;
}

/** Whoever stayed away for so many days comes back after a gap. */
export const GAP_DAYS = 28;
/** Sessions in a row that are worth a word: a month, two, three, half a year and a year of weeks. */
export const ROUND_STREAKS: readonly number[] = [4, 8, 13, 26, 52];
/** A streak from so many on is worth saying where it could break. */
export const LONG_STREAK = 6;
const DAY_MS = 86_400_000;
/** More new moves than this are counted, not named. */
const MOST_NAMED = 2;

/** Numbers of classes that are worth a word: 5, 10, 25, 50 and every hundred. */
export const isRoundCount = (n: number): boolean =>
  [5, 10, 25, 50].includes(n) || (n > 0 && n % 100 === 0);

/** People of whom the same is to be known. */
export interface WhoLine {
  people: { participantId: string; name: string }[];
  says: string;
}

export interface ForWhom {
  /** Moves of the class in running order, each once. */
  moves: readonly { id: string; name: string }[];
  /** Epoch ms. */
  startsAt: number;
}

const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine'];
const inWords = (n: number): string => NUMBERS[n] ?? String(n);

/** "five weeks", "four months". */
export function gapWords(days: number): string {
  const weeks = Math.round(days / 7);
  if (weeks < 14) return `${inWords(weeks)} weeks`;
  return `${inWords(Math.round(days / 30.4))} months`;
}

/** What there is to know of one person; a lower rank is told sooner. */
interface Reason {
  rank: number;
  says: string;
}

/** What there is to know of one person, the first to be told first; nothing for most. */
function reasonsFor(person: Expected, { moves, startsAt }: ForWhom): Reason[] {
  const { timesBefore, timesInClass, lastAt, met, greet } = person;
  const streak = greet ? person.streak : 0;
  if (timesBefore === 0) return [{ rank: 0, says: 'for the first time' }];
  const days = lastAt === null ? 0 : (startsAt - lastAt) / DAY_MS;
  const fresh = moves.filter((move) => !met.has(move.id));
  const isNew = timesInClass === 0;
  const isRound = ROUND_STREAKS.includes(streak + 1);
  const all = [
    days >= GAP_DAYS && `back after ${gapWords(days)}`,
    isNew && 'new to this class',
    !isNew && fresh.length > MOST_NAMED && `${inWords(fresh.length)} moves are new`,
    !isNew &&
      fresh.length > 0 &&
      fresh.length <= MOST_NAMED &&
      `new: ${fresh.map((move) => move.name).join(', ')}`,
    greet && isRoundCount(timesBefore + 1) && `would reach ${timesBefore + 1} classes`,
    isRound && `would make it ${streak + 1} in a row`,
    !isRound && streak >= LONG_STREAK && `${streak} in a row so far`,
  ];
  return all.flatMap((says, i) => (says ? [{ rank: i + 1, says }] : []));
}

/**
 * Of whom there is something to know before a class: who is new to it or to a move, who comes back after a
 * gap, whose count or streak reaches a round number, and whose long streak would break by staying away. People
 * of whom the same is to be known share a line. New ones stand first, streaks last.
 */
export function whoComes(people: readonly Expected[], of: ForWhom): WhoLine[] {
  const told = people.flatMap((person) => {
    const reasons = reasonsFor(person, of);
    const [first] = reasons;
    const says = reasons.map((reason) => reason.says).join('; ');
    return first ? [{ person, says, rank: first.rank }] : [];
  });
  const lines = grouped(
    [...told].sort((a, b) => a.rank - b.rank),
    (one) => one.says,
  );
  return [...lines].map(([says, all]) => ({
    says,
    people: all.map(({ person: { participantId, name } }) => ({ participantId, name })),
  }));
}
