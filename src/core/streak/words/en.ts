import type { Excuse, Per } from '../counted';
import type { LessBecause, StreakWords } from './words';

const UNITS: Record<Per, [one: string, many: string]> = {
  meeting: ['meeting', 'meetings'],
  week: ['week', 'weeks'],
  day: ['day', 'days'],
};
const NEITHER = 'so it neither counts nor breaks';
const LESS: Record<LessBecause, string> = {
  'no-whole-week': 'it is no whole week',
  'days-off': 'days of it were off',
  'no-more-on': 'no more was on',
};
export const EXCUSE_NAMES: Record<Excuse, string> = {
  excused: 'who was excused',
  pause: 'a pause',
  holiday: 'a closed day',
};

const times = (n: number): string => (n === 1 ? 'once' : n === 2 ? 'twice' : `${n} times`);

export const english: StreakWords = {
  count: (n, per, forgives) =>
    `${n} ${UNITS[per][n === 1 ? 0 : 1]} ${forgives ? 'kept up' : 'in a row'}`,
  span: (first, last) => `${first} to ${last}`,
  because: {
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
  },
  holiday: (name) => `${name || 'holiday'}, ${NEITHER}`,
  cancelledFor: (why) => `cancelled (${why}), ${NEITHER}`,
  tooShort: (share, asked) => `took part in ${share} % of it, and ${asked} % are asked`,
  soFar: (got, need) => `${got} of ${need} so far`,
  done: (got) => (got === 0 ? 'nothing done' : `done ${times(got)}`),
  asked: (need) => `, and ${times(need)} was asked`,
  askedLess: (need, why) => `, and only ${times(need)} was asked, since ${LESS[why]}`,
  kept: (count) => `That makes ${count}.`,
  forgiven: (count) => `It is forgiven, and ${count} stay.`,
  ended: 'The count begins again with the next.',

  asks: (per, n) =>
    per === 'meeting'
      ? 'Every meeting counts'
      : `${times(n).replace(/^./, (c) => c.toUpperCase())} a ${per} is asked`,
  mayMiss: (misses, among, per) =>
    misses === 0
      ? 'none may be missed'
      : `${misses} of any ${among} ${UNITS[per][1]} may be missed`,
  forDays: (days) => ` for ${days % 7 === 0 ? `${days / 7} weeks` : `${days} days`}`,
  thereafter: ', then ',
  practice: {
    counts: 'Practice at home counts.',
    doesNot: 'Practice at home does not count.',
  },
  leastShare: (percent) =>
    `Who was there for less than ${percent} % of a session has not come to it.`,
  excuses: (those) =>
    those.length > 0
      ? `A cancelled meeting${those.map((e, i) => `${i === those.length - 1 ? ' and' : ','} ${EXCUSE_NAMES[e]}`).join('')} neither count nor break.`
      : 'Only a cancelled meeting neither counts nor breaks.',
  freezes: (days, among) => `${days} ${days === 1 ? 'day' : 'days'} in ${among} may be taken off.`,

  looks: {
    kept: 'kept',
    late: 'kept, late',
    missed: 'missed',
    off: 'cancelled',
    grain: 'does not count',
    'to come': 'to come',
  },
  nothingYet: 'nothing yet',
  programme: {
    left: 'left',
    over: 'over',
    toBegin: 'to begin',
    week: (week, of) => `week ${week} of ${of}`,
  },
};
