import { MARK_NAMES } from '@/core/attendance';
import { addDays, instantsOf, mondayOf } from '@/core/calendar';
import type { RegisterCell, RegisterChange, RegisterLine, StreakTold } from '@/core/calls';
import { dateOn, dayLabel, timeOfDay } from '@/core/formats';
import { type Language, MAIN_LANGUAGE } from '@/core/language';
import { countWords, drawn, explain, keptSince, ruleWords, streakWordsIn } from '@/core/streak';
import { csvOf } from '../csv';
import type { Progress } from '../people/programmes';
import type { ClassStreak } from '../people/streaks';
import type { Change } from './correct';
import type { GridCell, GridLine, Register, RegisterAsked } from './grid';

/** Registers and streaks as they are sent and shown. */

/** Weeks of a register, and how many of them are past where it opens. */
export const WEEKS = 12;
export const WEEKS_BACK = 8;
/** Beats of a line that are drawn in a row, and on a page of one person. */
const IN_A_ROW = 12;
const ON_A_PAGE = 28;

/** The register that begins in the week of a day. @param from ISO 8601 date */
export function askedFrom(
  from: string,
  { classId, zone, now, only }: Pick<RegisterAsked, 'classId' | 'zone' | 'now' | 'only'>,
): RegisterAsked {
  const first = mondayOf(from);
  const startOf = (date: string): number => {
    const [at] = instantsOf(`${date}T00:00`, zone);
    return at ?? Date.parse(`${date}T00:00Z`);
  };
  return {
    classId,
    zone,
    now,
    only,
    from: startOf(first),
    to: startOf(addDays(first, 7 * WEEKS)),
  };
}

/** First day of the register that is shown where no other is asked for. @param now epoch ms */
export const firstShown = (now: number, zone: string): string =>
  addDays(mondayOf(dateOn(now, zone)), -7 * WEEKS_BACK);

const minutes = (ms: number): number => Math.round(ms / 60_000);

const cellTold = (cell: GridCell): RegisterCell => ({
  sessionId: cell.sessionId,
  mark: cell.attendance.mark,
  lateMinutes: minutes(cell.lateMs),
  leftMinutes: minutes(cell.leftMs),
  tookMinutes: cell.tookMs === null ? null : minutes(cell.tookMs),
  changed: cell.changed,
});

export const lineTold = (line: GridLine): RegisterLine => ({
  participantId: line.participantId,
  name: line.name,
  booked: line.booked,
  expected: [...line.expected],
  cells: line.cells.map(cellTold),
  streak: line.streak && drawn(line.streak.streak, IN_A_ROW),
  came: line.came,
  of: line.of,
  says: line.marks.map((m) => m.says).join('; '),
});

const marksWords = (a: Change['before']): string =>
  a === null ? 'nothing' : `${MARK_NAMES[a.mark]}${a.leftAt === null ? '' : ', left early'}`;

export function changeTold(
  change: Change,
  { register, zone }: { register: Pick<Register, 'sessions'>; zone: string },
): RegisterChange {
  const session = register.sessions.find((s) => s.id === change.sessionId);
  const day = session ? dayLabel(session.startsAt, zone) : '';
  const [before, after] = [marksWords(change.before), marksWords(change.after)];
  const what = before === after ? `${before}, with other minutes` : `${before} became ${after}`;
  return {
    id: change.id,
    says: `${change.name}, ${day}: ${what}`,
    by: change.by,
    at: `${dayLabel(change.at, zone)}, ${timeOfDay(change.at, zone)}`,
  };
}

export interface ToldTo {
  zone: string;
  /** Epoch ms. */
  now: number;
  /** Of whoever reads it. */
  language?: Language;
}

export function streakTold(
  { classId, className, ended, rules, streak }: ClassStreak,
  { zone, now, language }: ToldTo,
): StreakTold {
  const today = dateOn(now, zone);
  const rule = streak.beats.at(-1)?.rule ?? rules.findLast((r) => r.from <= today)?.rule;
  return {
    classId,
    className,
    ended,
    line: drawn(streak, ON_A_PAGE, language),
    count: countWords(streak, language),
    lately: keptSince(streak, addDays(today, -84)),
    rule: rule ? ruleWords(rule, language) : '',
    account: explain(streak, language),
  };
}

/** How far somebody is in a programme, told as a streak is. */
export function programmeTold(
  { programme, streak, week, left, kept, to }: Progress,
  { zone, now, language = MAIN_LANGUAGE }: ToldTo,
): StreakTold {
  const { name, weeks, rule, id } = programme;
  const over = week > weeks;
  const words = streakWordsIn(language).programme;
  const where = left
    ? words.left
    : over
      ? words.over
      : week === 0
        ? words.toBegin
        : words.week(week, weeks);
  const today = dateOn(now, zone);
  return {
    classId: id,
    className: `${name}: ${where}`,
    ended: left || over,
    line: drawn(streak, ON_A_PAGE, language),
    count: countWords(streak, language),
    lately: weeks <= 12 || over ? kept : keptSince(streak, addDays(today < to ? today : to, -84)),
    rule: ruleWords(rule, language),
    account: explain(streak, language),
  };
}

/** A register as CSV (RFC 4180); a cell that a spreadsheet would take for a formula is made harmless. */
export function registerCsv({ sessions, lines }: Register, zone: string): string {
  const columns = ['Name', ...sessions.map((s) => dateOn(s.startsAt, zone)), 'Came', 'Of', 'Row'];
  const rows = lines.map((line) => {
    const marks = sessions.map((s) => {
      if (s.status === 'cancelled') return 'cancelled';
      const cell = line.cells.find((c) => c.sessionId === s.id);
      if (!cell) return '';
      const late = cell.lateMs > 0 ? ` ${minutes(cell.lateMs)} min` : '';
      const left = cell.leftMs > 0 ? `, left ${minutes(cell.leftMs)} min early` : '';
      return `${MARK_NAMES[cell.attendance.mark]}${late}${left}`;
    });
    const { current = 0 } = line.streak?.streak ?? {};
    return [line.name, ...marks, String(line.came), String(line.of), String(current)];
  });
  const came = sessions.map((s) => {
    const here = lines.filter((l) =>
      l.cells.some((c) => c.sessionId === s.id && ['here', 'late'].includes(c.attendance.mark)),
    );
    return s.status === 'held' ? String(here.length + s.nameless.came) : '';
  });
  return csvOf(columns, [...rows, ['all who came', ...came, '', '', '']], { named: true });
}
