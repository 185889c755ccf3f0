'use client';

import clsx from 'clsx';
import { addDays, closureOn, lanesOf, WEEKDAY_NAMES, WEEKDAYS } from '@/core/calendar';
import { dateLabel } from '@/core/formats';
import { DraggedInWeek, type Drop, InWeek } from './dragged-in-week';
import { SessionChip } from './session-chip';
import type { ClosedDays, Shown } from './types';

const HOUR_REM = 4.5;
/** A session is never drawn shorter than this, so that its name can be read, in minutes. */
const SHORTEST = 50;

const minutesOf = (local: string): number =>
  60 * Number(local.slice(11, 13)) + Number(local.slice(14, 16));

/** One week with its times as they are; what overlaps stands side by side. */
export function WeekView({
  from,
  today,
  sessions,
  closures,
  drop,
}: {
  from: string;
  today: string;
  sessions: readonly Shown[];
  closures: readonly ClosedDays[];
  drop: Drop;
}) {
  const ends = sessions.map((s) => minutesOf(s.at) + Math.max(SHORTEST, s.slotMs / 60_000));
  const first = Math.floor(Math.min(9 * 60, ...sessions.map((s) => minutesOf(s.at))) / 60);
  const last = Math.ceil(Math.max(18 * 60, ...ends) / 60);
  const hours = Array.from({ length: last - first }, (_, i) => first + i);
  const rem = (minutes: number) => `${(HOUR_REM * minutes) / 60}rem`;
  return (
    <DraggedInWeek
      from={from}
      sessions={sessions}
      minuteRem={HOUR_REM / 60}
      drop={drop}
      className="grid grid-cols-[3rem_repeat(7,minmax(0,1fr))]"
    >
      <div />
      {WEEKDAYS.map((day, i) => {
        const date = addDays(from, i);
        return (
          <h2
            key={day}
            className={clsx('px-1.5 pb-1 text-sm font-semibold', date === today && 'underline')}
          >
            {WEEKDAY_NAMES[day].slice(0, 3)}{' '}
            <span className="quiet font-normal">{dateLabel(date).slice(4, -5)}</span>
            {date === today && <span className="sr-only">, today</span>}
          </h2>
        );
      })}
      <div className="relative" aria-hidden style={{ height: rem(60 * hours.length) }}>
        {hours.map((hour) => (
          <span
            key={hour}
            className="figures quiet absolute right-2 text-xs"
            style={{ top: rem(60 * (hour - first)) }}
          >
            {hour}:00
          </span>
        ))}
      </div>
      {WEEKDAYS.map((day, i) => {
        const date = addDays(from, i);
        const closed = closureOn(closures, date);
        const ofDay = sessions.filter((s) => s.at.startsWith(date));
        const lanes = lanesOf(
          ofDay.map((s) => {
            const startsAt = minutesOf(s.at);
            const endsAt = startsAt + Math.max(SHORTEST, s.slotMs / 60_000);
            return { id: s.id, startsAt, endsAt };
          }),
        );
        return (
          <div
            key={day}
            className={clsx(
              'border-base-300 relative border-y border-r first:border-l',
              closed && 'closed-days',
              i === 0 && 'border-l',
            )}
          >
            {hours.slice(1).map((hour) => (
              <div
                key={hour}
                className="border-base-300/60 absolute inset-x-0 border-t"
                style={{ top: rem(60 * (hour - first)) }}
              />
            ))}
            {closed && <p className="quiet relative px-1.5 text-xs">{closed.name}</p>}
            <ul>
              {ofDay.map((s) => {
                const { lane, of } = lanes.get(s.id) ?? { lane: 0, of: 1 };
                return (
                  <InWeek
                    key={s.id}
                    session={s}
                    style={{
                      top: rem(minutesOf(s.at) - 60 * first),
                      minHeight: rem(Math.max(SHORTEST, s.slotMs / 60_000)),
                      left: `${(100 * lane) / of}%`,
                      width: `${100 / of}%`,
                    }}
                  >
                    <SessionChip session={s} wide />
                  </InWeek>
                );
              })}
            </ul>
          </div>
        );
      })}
    </DraggedInWeek>
  );
}
