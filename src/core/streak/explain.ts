import { dateLabel } from '../formats';
import type { Per } from './counted';
import type { Beat, Streak } from './fold';
import { dateOfDay } from './history';
import type { StreakRule } from './rule';
import type { Because } from './units';

/** A line of the account of a streak. */
export interface Account {
  /** The day, or the first and last day of a week, as they are shown. */
  when: string;
  says: string;
  /** The streak after it. */
  count: number;
}

const UNITS: Record<Per, [one: string, many: string]> = {
  meeting: ['meeting', 'meetings'],
  week: ['week', 'weeks'],
  day: ['day', 'days'],
};

/** "6 meetings in a row"; "24 days kept up" by a rule that forgives some between them. */
export function countWords({ current, per, beats }: Streak): string {
  const forgives = (beats.at(-1)?.stage.misses ?? 0) > 0;
  return `${current} ${UNITS[per][current === 1 ? 0 : 1]} ${forgives ? 'kept up' : 'in a row'}`;
}

const times = (n: number): string => (n === 1 ? 'once' : n === 2 ? 'twice' : `${n} times`);

/** "Tue 3 Nov", as every day is shown, without the year. */
const short = (day: number): string => dateLabel(dateOfDay(day)).replace(/ \d{4}$/, '');

const NEITHER = 'so it neither counts nor breaks';

/** What is said of a unit that neither counts nor breaks, or was not kept. */
const SAYS: Partial<Record<Because, string>> = {
  came: 'came',
  late: 'came late, which counts',
  practised: 'practised at home instead, which counts',
  absent: 'not here',
  excused: `excused, ${NEITHER}`,
  pause: `in a pause, ${NEITHER}`,
  frozen: `a day taken off, ${NEITHER}`,
  cancelled: `cancelled, ${NEITHER}`,
  unmarked: `nothing was marked, ${NEITHER}`,
  'not-closed': 'not closed yet',
  'to-come': 'still to come',
  'nothing-on': `nothing was on, ${NEITHER}`,
};

function whatOf(beat: Beat): string {
  const { because, word, meeting, rule, got, need, first, last } = beat;
  if (because === 'holiday') return `${word || 'holiday'}, ${NEITHER}`;
  if (because === 'cancelled' && meeting?.word) return `cancelled (${meeting.word}), ${NEITHER}`;
  if (because === 'too-short') {
    const share = Math.floor(meeting?.share ?? 0);
    return `took part in ${share} % of it, and ${rule.leastShare} % are asked`;
  }
  if (because === 'to-come' && rule.per !== 'meeting') {
    return `${got} of ${need} so far`;
  }
  if (because === 'enough' || because === 'too-few') {
    const fewer = need < rule.times && need > 0 ? `, ${askedWords(need, rule, last - first)}` : '';
    return `${got === 0 ? 'nothing done' : `done ${times(got)}`}${need === rule.times ? `, and ${times(need)} was asked` : fewer}`;
  }
  return SAYS[because] ?? because;
}

const askedWords = (need: number, rule: StreakRule, days: number): string =>
  `and only ${times(need)} was asked, since ${days < 6 ? 'it is no whole week' : rule.practice ? 'days of it were off' : 'no more was on'}`;

/** What follows from it for the streak. */
function followsOf({ is, after, count }: Beat): string {
  if (is === 'kept') return ` That makes ${count}.`;
  if (after === 'forgiven') return ` It is forgiven, and ${count} stay.`;
  if (after === 'ended') return ' The count begins again with the next.';
  return '';
}

/**
 * A streak told unit by unit, the newest first, as in "Tue 3 Nov: cancelled, so it neither counts nor
 * breaks." What is free by itself, day after day, is told where it begins.
 */
export function explain({ beats }: Pick<Streak, 'beats'>): Account[] {
  const told = beats.filter((beat, i) => {
    const before = beats[i - 1];
    const same = before && before.is === 'free' && before.because === beat.because;
    return !(beat.rule.per === 'day' && beat.is === 'free' && same);
  });
  return told
    .map((beat) => ({
      when:
        beat.first === beat.last
          ? short(beat.first)
          : `${short(beat.first)} to ${short(beat.last)}`,
      says: `${whatOf(beat)}.${followsOf(beat)}`,
      count: beat.count,
    }))
    .reverse();
}

/** What a rule asks, in a sentence. */
export function ruleWords(rule: StreakRule): string {
  const { per, practice, leastShare, stages, excuses, freezes } = rule;
  const asks =
    per === 'meeting'
      ? 'Every meeting counts'
      : `${times(rule.times).replace(/^./, (c) => c.toUpperCase())} a ${per} is asked`;
  const forgiven = stages.map(({ days, misses, among }) => {
    const span =
      days === null ? '' : ` for ${days % 7 === 0 ? `${days / 7} weeks` : `${days} days`}`;
    const missed =
      misses === 0
        ? 'none may be missed'
        : `${misses} of any ${among} ${UNITS[per][1]} may be missed`;
    return `${missed}${span}`;
  });
  return [
    `${asks}; ${forgiven.join(', then ')}.`,
    practice ? 'Practice at home counts.' : 'Practice at home does not count.',
    leastShare > 0 &&
      `Who was there for less than ${leastShare} % of a session has not come to it.`,
    excuses.length > 0
      ? `A cancelled meeting${excuses.map((e, i) => `${i === excuses.length - 1 ? ' and' : ','} ${EXCUSE_NAMES[e]}`).join('')} neither count nor break.`
      : 'Only a cancelled meeting neither counts nor breaks.',
    freezes &&
      `${freezes.days} ${freezes.days === 1 ? 'day' : 'days'} in ${freezes.among} may be taken off.`,
  ]
    .filter(Boolean)
    .join(' ');
}

export const EXCUSE_NAMES = {
  excused: 'who was excused',
  pause: 'a pause',
  holiday: 'a closed day',
} as const;
