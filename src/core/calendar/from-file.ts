import ICAL from 'ical.js';
import type { Options } from 'rrule';
import * as rrule from 'rrule';
import { findIana } from 'windows-iana';
import { isTimeZone } from '../studio';
import { addDays, afterTheGap, daysBetween, instantsOf, type LocalTime, localOf } from './local';
import type { Closure } from './series';
import { MOST_IN_SERIES } from './week';

const { RRule } =
  'RRule' in rrule ? rrule : (rrule as unknown as { default: typeof rrule }).default;

/** Reads calendar files (RFC 5545) as they come from anywhere: sessions to plan, and days on which nothing meets. */

export const MOST_FILE_BYTES = 1_000_000;
/** Most events of a file that are read, and most series or single events that are offered. */
export const MOST_EVENTS = 2000;
export const MOST_FOUND = 50;
/** How many days rules may be walked along in one file, and what a day of each kind of rule counts. */
const MOST_DAYS = 60_000;
const DAYS_COST: Record<number, number> = {
  [RRule.YEARLY]: 1,
  [RRule.MONTHLY]: 1 / 8,
  [RRule.WEEKLY]: 1 / 3,
  [RRule.DAILY]: 1,
};
/** How far ahead sessions are looked for, and closed days; and the earliest year in which an event may begin. */
const AHEAD_DAYS = 6 * 366;
const CLOSED_AHEAD_DAYS = 3 * 366;
const FIRST_YEAR = 1970;

/** Sessions that a file has: a series, or one. */
export interface FoundSeries {
  /** Unique in the file. */
  uid: string;
  name: string;
  place: string | null;
  link: string | null;
  /** RFC 5545's rule; null for one session. */
  recurrence: string | null;
  /** What is to come, in order. The occurrence is as the clocks of the studio show it. */
  sessions: { occurrence: LocalTime; startsAt: number }[];
  /** There are more than are taken in. */
  cut: boolean;
}

export interface Found {
  series: FoundSeries[];
  closures: Closure[];
  /** What was not understood or is over, one sentence each. */
  leftOut: string[];
}

export type ReadFile = ({ ok: true } & Found) | { ok: false; problem: string };

const says = (problem: string): ReadFile => ({ ok: false, problem });

/**
 * What a calendar file has from an instant on.
 * @param zone the studio's time zone, in which times without one are meant
 * @param now epoch ms
 */
export function readCalendarFile(
  text: string,
  { zone, now }: { zone: string; now: number },
): ReadFile {
  if (text.length > MOST_FILE_BYTES) {
    return says('This file is larger than 1 MB. Export fewer months, or one calendar alone.');
  }
  const events = eventsIn(text);
  if (events === null) {
    return says('This is no calendar file. Choose one that ends in .ics.');
  }
  if (events.length > MOST_EVENTS) {
    return says(`This file has more than ${MOST_EVENTS} events. Export fewer months.`);
  }
  const reader = new Reader(zone, now);
  for (const group of byUid(events)) reader.read(group);
  const { found } = reader;
  if (found.series.length > MOST_FOUND) {
    return says(`This file has more than ${MOST_FOUND} series and sessions. Export fewer.`);
  }
  return { ok: true, ...found };
}

function eventsIn(text: string): ICAL.Component[] | null {
  try {
    const parsed: unknown = ICAL.parse(text);
    const root = new ICAL.Component(parsed as [string, object[], object[]]);
    if (root.name !== 'vcalendar') return null;
    return root.getAllSubcomponents('vevent');
  } catch {
    // The parser throws whatever is wrong with the text; to a teacher it is no calendar file.
    return null;
  }
}

/** Events with the same id are one: the series, and those of its sessions that were changed. */
interface Group {
  main: ICAL.Component;
  changed: ICAL.Component[];
}

/**
 * Of two that are the same the newer one counts (RFC 5545, section 3.8.7.4). Programs that give different events one id
 * mean all of them, and a changed session whose series is not in the file stands for itself.
 */
function byUid(events: readonly ICAL.Component[]): Group[] {
  const groups = new Map<string, Group[]>();
  const isChange = (event: ICAL.Component) => event.hasProperty('recurrence-id');
  for (const [n, event] of events.entries()) {
    if (isChange(event)) continue;
    const uid = uidOf(event) ?? `without ${n}`;
    const same = groups.get(uid) ?? [];
    const [version, known] = [versionOf(event), same[0] && versionOf(same[0].main)];
    const group = { main: event, changed: [] };
    if (known === undefined || known < version) groups.set(uid, [group]);
    else if (known === version && same.every(({ main }) => beginOf(main) !== beginOf(event))) {
      groups.set(uid, [...same, group]);
    }
  }
  const alone: Group[] = [];
  for (const event of events.filter(isChange)) {
    const [series] = groups.get(uidOf(event) ?? '') ?? [];
    if (series) series.changed.push(event);
    else alone.push({ main: event, changed: [] });
  }
  return [...[...groups.values()].flat(), ...alone];
}

/** As they stand in the file: what is wrong with them is found out, and told, when the event is read. */
const beginOf = (event: ICAL.Component): string =>
  JSON.stringify(event.getFirstProperty('dtstart')?.jCal ?? null);
const versionOf = (event: ICAL.Component): number =>
  Number(event.getFirstProperty('sequence')?.jCal[3]) || 0;

class Misread extends Error {}

/** Values are made when they are asked for, and the parser throws then where one is not as it should be. */
function made<T>(work: () => T): T {
  try {
    return work();
  } catch {
    throw new Misread('a part of it cannot be read.');
  }
}

const textOf = (event: ICAL.Component, name: string, most: number): string | null => {
  const value = made(() => event.getFirstPropertyValue(name));
  const text = value === null ? '' : String(value).replace(/\s+/g, ' ').trim().slice(0, most);
  return text || null;
};

const isOff = (event: ICAL.Component) => textOf(event, 'status', 20) === 'CANCELLED';
const uidOf = (event: ICAL.Component) => textOf(event, 'uid', 300);

/**
 * The time zone that a file means: by its own name, by that behind the name of a program, as in
 * "/harbour.example/20260101/Europe/Dublin", or by the name that Windows has for it (Unicode CLDR, windowsZones).
 */
function zoneNamed(name: string): string | null {
  const parts = name.split('/');
  const behind = [3, 2].map((n) => parts.slice(-n).join('/'));
  return [name, ...behind, ...findIana(name)].find(isTimeZone) ?? null;
}

/** A time of a file: as the clocks of its zone show it. */
interface FileTime {
  local: LocalTime;
  zone: string;
  allDay: boolean;
}

const instant = ({ local, zone }: FileTime): number =>
  instantsOf(local, zone)[0] ?? afterTheGap(local, zone);

class Reader {
  readonly found: Found = { series: [], closures: [], leftOut: [] };
  private walked = 0;

  constructor(
    private readonly zone: string,
    private readonly now: number,
  ) {}

  read(group: Group): void {
    let name = 'Without a name';
    try {
      name = textOf(group.main, 'summary', 60) ?? name;
      if (isOff(group.main)) return;
      const start = this.timeOf(group.main, 'dtstart');
      if (start.allDay) this.readClosure(group, name, start);
      else this.readSeries(group, name, start);
    } catch (error) {
      if (!(error instanceof Misread)) throw error;
      this.leaveOut(`${name}: ${error.message}`);
    }
  }

  private leaveOut(sentence: string): void {
    if (!this.found.leftOut.includes(sentence)) this.found.leftOut.push(sentence);
  }

  private timeOf(event: ICAL.Component, property: string): FileTime {
    const given = event.getFirstProperty(property);
    const value = made(() => given?.getFirstValue());
    if (!given || !(value instanceof ICAL.Time)) throw new Misread('it says no time.');
    return this.fileTime(value, given);
  }

  private fileTime(value: ICAL.Time, given: ICAL.Property): FileTime {
    const written = value.toString().replace('Z', '').slice(0, 16);
    const local = value.isDate ? `${written.slice(0, 10)}T00:00` : written;
    const year = Number(local.slice(0, 4));
    if (Number.isNaN(Date.parse(`${local}Z`)) || year < FIRST_YEAR || year > 2199) {
      throw new Misread('its time is not one from 1970 to 2199.');
    }
    const named = given.getParameter('tzid');
    const utc = value.zone === ICAL.Timezone.utcTimezone;
    const zone = utc ? 'UTC' : named === undefined ? this.zone : zoneNamed(String(named));
    if (zone === null) {
      throw new Misread(`nobody knows the time zone “${String(named).slice(0, 60)}”.`);
    }
    return { local, zone, allDay: value.isDate };
  }

  /** All times of a property that may come often or hold several, such as EXDATE. */
  private timesOf(event: ICAL.Component, property: string): FileTime[] {
    return event.getAllProperties(property).flatMap((given) =>
      made(() => given.getValues())
        // Of a span of time its beginning counts.
        .map((value) => (value instanceof ICAL.Period ? value.start : value))
        .filter((value): value is ICAL.Time => value instanceof ICAL.Time)
        .map((value) => this.fileTime(value, given)),
    );
  }

  /** The same, as the clocks of another zone show them: what is added or left out may be written in any. */
  private timesIn(event: ICAL.Component, property: string, zone: string): FileTime[] {
    return this.timesOf(event, property).map((time) =>
      time.allDay || time.zone === zone
        ? time
        : { ...time, zone, local: localOf(instant(time), zone) },
    );
  }

  /**
   * Takes a rule as far as it can be walked along in a moment. Others would let a file keep the server busy.
   * @throws Misread for a rule that names times of the day, and where the file has asked for too many days
   */
  private spend(options: Partial<Options>, { from, until }: { from: Date; until: Date }): void {
    const { freq, byhour, byminute, bysecond, bymonth, bymonthday, byyearday, byweekno } = options;
    const { byweekday } = options;
    const named = (parts: unknown[]) =>
      parts.some(
        (part) =>
          part !== undefined && part !== null && !(Array.isArray(part) && part.length === 0),
      );
    if (freq === undefined || freq > RRule.DAILY || named([byhour, byminute, bysecond])) {
      throw new Misread('it repeats several times a day.');
    }
    if (freq >= RRule.WEEKLY && named([bymonth, bymonthday, byyearday, byweekno])) {
      throw new Misread('its rule is not one that Up Beat knows.');
    }
    const days = Math.max(0, (until.getTime() - from.getTime()) / 86_400_000);
    // A year that names no days of its own is walked in one step.
    const plain =
      freq === RRule.YEARLY && !named([bymonth, bymonthday, byyearday, byweekno, byweekday]);
    this.walked += plain ? days / 300 : days * (DAYS_COST[freq] ?? 1);
    if (this.walked > MOST_DAYS) throw new Misread('there is too much before it in this file.');
  }

  /** The days on which an event begins, in its own zone, in order. */
  private localsOf(event: ICAL.Component, start: FileTime): { all: LocalTime[]; cut: boolean } {
    const rule = ruleIn(event);
    const asUtc = (local: LocalTime) => new Date(`${local}Z`);
    const horizon = addDays(localOf(this.now, start.zone).slice(0, 10), AHEAD_DAYS);
    const all = new Set([start.local]);
    let cut = false;
    if (rule) {
      const options = RRule.parseString(rule);
      const last = asUtc(`${horizon}T00:00`);
      const ends = untilOf(options.until, { rule, zone: start.zone });
      const until = ends && ends < last ? ends : last;
      this.spend(options, { from: asUtc(start.local), until });
      const from = localOf(this.now, start.zone);
      let [toCome, times] = [0, 0];
      new RRule({ ...options, tzid: null, dtstart: asUtc(start.local), until }).all((day) => {
        const local = day.toISOString().slice(0, 16);
        all.add(local);
        if (local >= from) toCome++;
        times++;
        return toCome <= MOST_IN_SERIES;
      });
      cut = ends ? ends > last : times !== options.count;
    }
    for (const more of this.timesIn(event, 'rdate', start.zone)) {
      // A day alone has the time of day of the rest.
      all.add(more.allDay ? more.local.slice(0, 11) + start.local.slice(11) : more.local);
    }
    const exceptions = this.timesIn(event, 'exdate', start.zone);
    const without = new Set(exceptions.map((t) => t.local));
    const exceptDays = new Set(exceptions.flatMap((t) => (t.allDay ? t.local.slice(0, 10) : [])));
    const kept = [...all].filter((l) => !without.has(l) && !exceptDays.has(l.slice(0, 10))).sort();
    return { all: kept, cut };
  }

  private readSeries({ main, changed }: Group, name: string, start: FileTime): void {
    const { all, cut } = this.localsOf(main, start);
    const moved = new Map(
      changed.map((event) => {
        if (made(() => event.getFirstProperty('recurrence-id')?.getParameter('range'))) {
          const change = 'A change that holds for all that come after it is read for one session';
          this.leaveOut(`${name}: ${change}. Move the others by hand.`);
        }
        const was = instant(this.timeOf(event, 'recurrence-id'));
        return [was, isOff(event) ? null : instant(this.timeOf(event, 'dtstart'))];
      }),
    );
    const sessions = all
      .map((local) => instant({ ...start, local }))
      .flatMap((at) => {
        const to = moved.get(at);
        return to === null ? [] : [{ startsAt: to ?? at, occurrence: localOf(at, this.zone) }];
      })
      .filter((s) => s.startsAt >= this.now)
      .sort((a, b) => a.startsAt - b.startsAt);
    if (sessions.length === 0) throw new Misread('it is over.');
    const link = textOf(main, 'url', 300);
    this.found.series.push({
      uid: this.ownUid(uidOf(main) ?? name),
      name,
      place: textOf(main, 'location', 80),
      link: link !== null && /^https?:\/\//.test(link) && URL.canParse(link) ? link : null,
      recurrence: ruleIn(main),
      sessions: sessions.slice(0, MOST_IN_SERIES),
      cut: cut || sessions.length > MOST_IN_SERIES,
    });
  }

  /** The id of a series, with a number where another one has it too. */
  private ownUid(uid: string): string {
    const isTaken = (id: string) => this.found.series.some((s) => s.uid === id);
    let own = uid;
    for (let n = 2; isTaken(own); n++) own = `${uid} ${n}`;
    return own;
  }

  private readClosure({ main, changed }: Group, name: string, start: FileTime): void {
    const first = start.local.slice(0, 10);
    const lasting = made(() => main.getFirstPropertyValue('duration'));
    let ends = addDays(first, 1);
    if (main.hasProperty('dtend')) ends = this.timeOf(main, 'dtend').local.slice(0, 10);
    else if (lasting instanceof ICAL.Duration) {
      ends = addDays(first, Math.ceil(lasting.toSeconds() / 86_400));
    }
    const days = Math.max(1, daysBetween(first, ends));
    const today = localOf(this.now, this.zone).slice(0, 10);
    const spans = this.localsOf(main, start)
      .all.map((local) => local.slice(0, 10))
      .map((from) => ({ from, to: addDays(from, days - 1), name }))
      .filter((span) => span.to >= today && span.from <= addDays(today, CLOSED_AHEAD_DAYS));
    if (spans.length === 0) throw new Misread('it is over.');
    if (days > 366) throw new Misread('it lasts longer than a year.');
    if (changed.length > 0)
      this.leaveOut(`${name}: single days of it that were changed are not read.`);
    this.found.closures.push(...spans.slice(0, 10));
  }
}

/** When a rule ends as the clocks of its zone show it; it is written in UTC (RFC 5545, section 3.3.10). */
function untilOf(
  until: Date | null | undefined,
  { rule, zone }: { rule: string; zone: string },
): Date | null {
  if (!until) return null;
  const inUtc = /UNTIL=\d{8}T\d{6}Z/i.test(rule);
  if (inUtc) return new Date(`${localOf(until.getTime(), zone)}Z`);
  // A day alone is meant with all its hours.
  return /UNTIL=\d{8}(?!T)/i.test(rule) ? new Date(until.getTime() + 86_399_000) : until;
}

/** The rule of an event as RFC 5545 writes it; null where it comes once. */
function ruleIn(event: ICAL.Component): string | null {
  const rule = made(() => event.getFirstPropertyValue('rrule'));
  if (rule === null) return null;
  const text = String(rule);
  made(() => RRule.parseString(text));
  return text;
}
