import { came } from '../attendance';
import { type Day, dayOfDate, type History, type Meeting, mondayOfDay } from './history';
import type { StreakRule } from './rule';

/** Why a unit neither counts nor breaks, or is not kept. */
export type Because =
  | 'came'
  | 'late'
  | 'practised'
  | 'absent'
  | 'too-short'
  | 'excused'
  | 'pause'
  | 'holiday'
  | 'frozen'
  | 'cancelled'
  | 'unmarked'
  | 'not-closed'
  | 'to-come'
  | 'nothing-on'
  | 'enough'
  | 'too-few';

/** What is asked once: a meeting, a week or a day. */
export interface Unit {
  first: Day;
  /** The last day of it. */
  last: Day;
  is: 'kept' | 'missed' | 'free' | 'open';
  because: Because;
  /** How often it was asked and done, for weeks and days. */
  need: number;
  got: number;
  meeting: Meeting | null;
  /** Name of the holiday. */
  word?: string;
}

/** What the units of a rule are made from. */
export interface Making {
  rule: StreakRule;
  history: History;
  /** First and last day that the rule is asked about. */
  from: Day;
  to: Day;
  today: Day;
  /** Epoch ms. */
  now: number;
  dayOf: (ms: number) => Day;
}

/** The units of a history under one rule, in order. */
export function unitsOf(making: Making): Unit[] {
  if (making.rule.per === 'meeting') return meetingUnits(making);
  return making.rule.per === 'week' ? weekUnits(making) : dayUnits(making);
}

/** Days on which nothing is asked, and why. */
type Off = (day: Day) => { because: Because; word?: string } | null;

function offDays({ rule, history, from }: Making): Off {
  const spans: { from: Day; to: Day; because: Because; word?: string }[] = [];
  if (rule.excuses.includes('holiday')) {
    for (const h of history.holidays) {
      const because = 'holiday' as const;
      spans.push({ from: dayOfDate(h.from), to: dayOfDate(h.to), because, word: h.name });
    }
  }
  if (rule.excuses.includes('pause')) {
    for (const p of history.pauses) {
      spans.push({ from: dayOfDate(p.from), to: dayOfDate(p.to), because: 'pause' });
    }
  }
  const frozen = frozenDays(rule, history, from);
  if (spans.length === 0 && frozen.size === 0) return () => null;
  return (day) => {
    const span = spans.find((s) => s.from <= day && day <= s.to);
    if (span) return span;
    return frozen.has(day) ? { because: 'frozen' } : null;
  };
}

/** Days taken off that the rule allows: the earlier ones where there are too many. */
function frozenDays({ freezes }: StreakRule, history: History, from: Day): ReadonlySet<Day> {
  if (!freezes) return new Set();
  const taken: Day[] = [];
  const all = [...new Set(history.freezes.map(dayOfDate))].sort((a, b) => a - b);
  for (const day of all) {
    if (day < from) continue;
    const lately = taken.filter((t) => t > day - freezes.among).length;
    if (lately < freezes.days) taken.push(day);
  }
  return new Set(taken);
}

/** What a meeting says by itself, before the day it is on is looked at. */
function saysOf(m: Meeting, { rule, now }: Pick<Making, 'rule' | 'now'>): Because {
  if (m.status === 'cancelled') return 'cancelled';
  if (m.status === 'planned') return m.startsAt > now ? 'to-come' : 'not-closed';
  if (m.mark === undefined) return 'unmarked';
  if (came(m.mark)) {
    if (m.share !== undefined && m.share < rule.leastShare) return 'too-short';
    return m.mark === 'late' ? 'late' : 'came';
  }
  return m.mark === 'excused' && rule.excuses.includes('excused') ? 'excused' : 'absent';
}

const IS: Partial<Record<Because, Unit['is']>> = {
  came: 'kept',
  late: 'kept',
  practised: 'kept',
  absent: 'missed',
  'too-short': 'missed',
  'to-come': 'open',
  'not-closed': 'open',
};

const byTime = (a: Meeting, b: Meeting): number =>
  a.startsAt - b.startsAt || (a.sessionId < b.sessionId ? -1 : a.sessionId > b.sessionId ? 1 : 0);

/** Meetings by time; those that are so already, as the register reads them, are left alone. */
function inOrder(meetings: readonly Meeting[]): readonly Meeting[] {
  for (let i = 1; i < meetings.length; i++) {
    const [before, after] = [meetings[i - 1], meetings[i]];
    if (before && after && byTime(before, after) > 0) return [...meetings].sort(byTime);
  }
  return meetings;
}

function meetingUnits(making: Making): Unit[] {
  const { rule, history, from, to, dayOf } = making;
  const off = offDays(making);
  const practised = new Set(rule.practice ? history.practice.map(dayOf) : []);
  const units: Unit[] = [];
  for (const meeting of inOrder(history.meetings)) {
    const day = dayOf(meeting.startsAt);
    if (day < from || day > to) continue;
    let because = saysOf(meeting, making);
    let word: string | undefined;
    if (IS[because] === 'missed') {
      const free = off(day);
      if (practised.has(day)) because = 'practised';
      else if (free) ({ because, word } = free);
    }
    const is = IS[because] ?? 'free';
    const got = is === 'kept' ? 1 : 0;
    units.push({ first: day, last: day, is, because, need: 1, got, meeting, word });
  }
  return units;
}

/** What was done and what could be done on one day. */
interface OnDay {
  came: number;
  practised: number;
  /** Meetings that were held or are to come, and that nobody excused. */
  chances: number;
  excused: boolean;
}

function byDay(making: Making): (day: Day) => OnDay {
  const { history, rule, dayOf } = making;
  const days = new Map<Day, OnDay>();
  const at = (day: Day): OnDay => {
    const on = days.get(day) ?? { came: 0, practised: 0, chances: 0, excused: false };
    days.set(day, on);
    return on;
  };
  for (const meeting of history.meetings) {
    const on = at(dayOf(meeting.startsAt));
    const because = saysOf(meeting, making);
    const is = IS[because];
    if (is === 'kept') on.came++;
    if (is === 'kept' || is === 'missed' || because === 'to-come') on.chances++;
    if (because === 'excused') on.excused = true;
  }
  if (rule.practice) for (const ms of history.practice) at(dayOf(ms)).practised++;
  const nothing: OnDay = { came: 0, practised: 0, chances: 0, excused: false };
  return (day) => days.get(day) ?? nothing;
}

function dayUnits(making: Making): Unit[] {
  const { rule, from, to, today } = making;
  const off = offDays(making);
  const on = byDay(making);
  const units: Unit[] = [];
  for (let day = from; day <= Math.min(to, today); day++) {
    const d = on(day);
    const got = d.came + d.practised;
    const need = rule.practice ? rule.times : Math.min(rule.times, d.chances);
    const unit = (is: Unit['is'], because: Because, word?: string) =>
      units.push({ first: day, last: day, is, because, need, got, meeting: null, word });
    const free = off(day);
    if (need > 0 && got >= need) unit('kept', 'enough');
    else if (free) unit('free', free.because, free.word);
    else if (d.excused) unit('free', 'excused');
    else if (need === 0) unit('free', 'nothing-on');
    else if (day === today) unit('open', 'to-come');
    else unit('missed', 'too-few');
  }
  return units;
}

function weekUnits(making: Making): Unit[] {
  const { rule, from, to, today } = making;
  const off = offDays(making);
  const on = byDay(making);
  const units: Unit[] = [];
  for (let monday = mondayOfDay(from); monday <= Math.min(to, today); monday += 7) {
    const first = Math.max(monday, from);
    const last = Math.min(monday + 6, to);
    if (first > today) break;
    let got = 0;
    let chances = 0;
    let free = 0;
    let why: { because: Because; word?: string } | null = null;
    for (let day = first; day <= last; day++) {
      const d = on(day);
      const done = d.came + d.practised;
      got += rule.onceADay ? Math.min(1, done) : done;
      const dayOff = off(day) ?? (d.excused ? { because: 'excused' as const } : null);
      if (dayOff) why ??= dayOff;
      else free++;
      if (!dayOff) chances += rule.onceADay ? Math.min(1, d.chances) : d.chances;
    }
    const need = Math.min(rule.times, rule.practice ? free : chances);
    const unit = (is: Unit['is'], because: Because, word?: string) =>
      units.push({ first, last, is, because, need, got, meeting: null, word });
    // A week that is off as a whole is kept by whoever does it all the same.
    if (got >= Math.max(1, need)) unit('kept', 'enough');
    else if (need === 0 && last < today) {
      unit('free', why?.because ?? 'nothing-on', why?.word);
    } else if (last >= today) unit('open', 'to-come');
    else unit('missed', 'too-few');
  }
  return units;
}
