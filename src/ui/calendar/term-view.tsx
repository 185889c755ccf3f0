import clsx from 'clsx';
import { addDays, closureOn, WEEKDAY_NAMES, WEEKDAYS, weekNumber } from '@/core/calendar';
import { dateLabel } from '@/core/formats';
import { SessionChip } from './session-chip';
import type { ClosedDays, Shown } from './types';

/** All weeks of a term as rows, so that gaps, turns, moves and closed days are seen at once. */
export function TermView({
  from,
  weeks,
  today,
  sessions,
  closures,
}: {
  /** The Monday of the first week. */
  from: string;
  weeks: number;
  today: string;
  sessions: readonly Shown[];
  closures: readonly ClosedDays[];
}) {
  const mondays = Array.from({ length: weeks }, (_, i) => addDays(from, 7 * i));
  return (
    <table className="w-full table-fixed border-collapse">
      <caption className="sr-only">Sessions week by week</caption>
      <thead>
        <tr>
          <th scope="col" className="w-24">
            <span className="sr-only">Week</span>
          </th>
          {WEEKDAYS.map((day) => (
            <th key={day} scope="col" className="px-1.5 pb-1 text-left text-sm font-semibold">
              {WEEKDAY_NAMES[day].slice(0, 3)}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {mondays.map((monday) => {
          const now = monday <= today && today < addDays(monday, 7);
          return (
            <tr key={monday} className={clsx(now && 'tinted')} data-chosen={now || undefined}>
              <th scope="row" className="py-1.5 pr-2 text-left align-top text-sm">
                Week {weekNumber(monday)}
                <span className="quiet block font-normal">
                  {dateLabel(monday).slice(4, -5)}
                  {now && <span className="sr-only">, this week</span>}
                </span>
              </th>
              {WEEKDAYS.map((day, i) => {
                const date = addDays(monday, i);
                const closed = closureOn(closures, date);
                const ofDay = sessions.filter((s) => s.at.startsWith(date));
                return (
                  <td
                    key={day}
                    className={clsx(
                      'border-base-300 h-12 border p-0.5 align-top',
                      closed && 'closed-days',
                    )}
                  >
                    {closed && ofDay.length === 0 && (
                      <span className="quiet block px-1.5 text-xs">{closed.name}</span>
                    )}
                    {ofDay.map((s) => (
                      <SessionChip key={s.id} session={s} />
                    ))}
                  </td>
                );
              })}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
