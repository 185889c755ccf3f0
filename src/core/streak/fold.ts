import type { Per } from './counted';
import { type Day, dateOfDay, dayOfDate, daysIn, type History, mondayOfDay } from './history';
import type { RuleFrom, Stage, StreakRule } from './rule';
import { STREAK_RULES } from './shipped';
import { type Unit, unitsOf } from './units';

/** A unit as it stands in a streak. */
export interface Beat extends Unit {
  /** A missed one is forgiven, ends a streak, or finds none to end. */
  after: 'forgiven' | 'ended' | 'nothing' | null;
  /** The streak after it. */
  count: number;
  rule: StreakRule;
  /** What was forgiven then. */
  stage: Stage;
}

/** How regular somebody is. */
export interface Streak {
  /** What is counted now. */
  per: Per;
  current: number;
  longest: number;
  /** How the figures came about, the oldest first. */
  beats: Beat[];
}

export interface StreakOptions {
  /** The rules, each with the day it holds from; before the first of them, the first. Every meeting where there is none. */
  rules: readonly RuleFrom[];
  /** IANA time zone in which days begin and end. */
  zone: string;
  /** Epoch ms. */
  now: number;
  /** Tells days in that zone; given where many histories share their sessions. */
  dayOf?: (ms: number) => Day;
}

const LONG_AGO = dayOfDate('1900-01-01');
const FAR = dayOfDate('2999-12-31');

/** A rule with the days it is asked about. */
interface Reign {
  rule: StreakRule;
  from: Day;
  to: Day;
}

/**
 * When each rule holds. A week belongs to the rule that it began under, so that a change in the middle of a
 * week does not make two of it.
 */
function reignsOf(rules: readonly RuleFrom[]): Reign[] {
  const inOrder = [...rules].sort((a, b) => (a.from < b.from ? -1 : 1));
  if (inOrder.length === 0) return [{ rule: STREAK_RULES.every, from: LONG_AGO, to: FAR }];
  const starts: Day[] = [];
  inOrder.forEach(({ from }, i) => {
    const before = inOrder[i - 1];
    const day = i === 0 ? LONG_AGO : dayOfDate(from);
    const monday = mondayOfDay(day);
    starts.push(before?.rule.per === 'week' && monday < day ? monday + 7 : day);
  });
  return inOrder.map(({ rule }, i) => ({
    rule,
    from: starts[i] ?? LONG_AGO,
    to: (starts[i + 1] ?? FAR + 1) - 1,
  }));
}

/** What is forgiven on a day so many days after the rule began for somebody; null once its stages are over. */
function stageOn({ stages }: StreakRule, days: number): Stage | null {
  let before = 0;
  for (const stage of stages) {
    if (stage.days === null || days < before + stage.days) return stage;
    before += stage.days;
  }
  return null;
}

/**
 * How regular somebody is, by rules that hold from a day on. A streak begins with the first unit that is
 * kept; one that is missed is forgiven as long as among the last `among` since then not more than `misses`
 * were, and else the count begins again. What is free or still open changes nothing. When a rule with another
 * unit takes over, the count begins anew, and the longest so far is that of the newer rule.
 */
export function streakOf(history: History, options: StreakOptions): Streak {
  const { zone, now } = options;
  const dayOf = options.dayOf ?? daysIn(zone);
  const today = dayOf(now);
  const joined = dayOfDate(history.from);
  const left = history.until === null ? FAR : dayOfDate(history.until);
  const beats: Beat[] = [];
  let [current, longest] = [0, 0];
  let per: Per | null = null;
  let lately: boolean[] = [];
  for (const { rule, ...reign } of reignsOf(options.rules)) {
    const from = Math.max(reign.from, joined);
    const to = Math.min(reign.to, left);
    if (reign.from > today && per !== null) break;
    if (per !== rule.per) [current, longest, lately] = [0, 0, []];
    per = rule.per;
    if (from > to) continue;
    for (const unit of unitsOf({ rule, history, from, to, today, now, dayOf })) {
      const stage = stageOn(rule, unit.first - from);
      if (!stage) break;
      let after: Beat['after'] = null;
      if (unit.is === 'kept') {
        current++;
        lately.push(true);
      } else if (unit.is === 'missed') {
        if (current === 0) after = 'nothing';
        else {
          lately.push(false);
          const missed = lately.slice(-stage.among).filter((kept) => !kept).length;
          after = missed > stage.misses ? 'ended' : 'forgiven';
          if (after === 'ended') [current, lately] = [0, []];
        }
      }
      if (lately.length > 64) lately = lately.slice(-52);
      longest = Math.max(longest, current);
      // The unit itself becomes the beat: a year of a large studio is a million of them.
      beats.push(Object.assign(unit, { after, count: current, rule, stage }));
    }
  }
  return { per: per ?? 'meeting', current, longest, beats };
}

/** How much was kept of what was asked since a day. */
export interface KeptOf {
  kept: number;
  asked: number;
}

/** @param since ISO 8601 */
export function keptSince({ beats }: Pick<Streak, 'beats'>, since: string): KeptOf {
  const from = dayOfDate(since);
  const asked = beats.filter((b) => b.first >= from && (b.is === 'kept' || b.is === 'missed'));
  return { kept: asked.filter((b) => b.is === 'kept').length, asked: asked.length };
}

/** Whether the next unit that is asked would end the streak if it were missed. */
export function wouldEnd({ current, beats }: Pick<Streak, 'current' | 'beats'>): boolean {
  const last = beats.at(-1);
  if (current === 0 || !last) return false;
  const counted = beats.filter((b) => b.is === 'kept' || b.is === 'missed');
  const start = counted.findLastIndex((b) => b.after === 'ended' || b.after === 'nothing') + 1;
  const { misses, among } = last.stage;
  const lately = counted.slice(Math.max(start, counted.length - among + 1));
  return lately.filter((b) => b.is === 'missed').length + 1 > misses;
}

/** ISO 8601 dates of a beat. */
export const spanOf = ({ first, last }: Pick<Unit, 'first' | 'last'>) => ({
  from: dateOfDay(first),
  to: dateOfDay(last),
});
