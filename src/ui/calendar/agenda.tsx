import { closureOn } from '@/core/calendar';
import { grouped } from '@/core/collections';
import { dateLabel } from '@/core/formats';
import { SessionChip } from './session-chip';
import type { ClosedDays, Shown } from './types';

/** The sessions day by day, for a narrow screen. */
export function Agenda({
  sessions,
  closures,
  today,
}: {
  sessions: readonly Shown[];
  closures: readonly ClosedDays[];
  today: string;
}) {
  const days = [...grouped(sessions, (s) => s.at.slice(0, 10))];
  const [before, ahead] = [days.filter(([d]) => d < today), days.filter(([d]) => d >= today)];
  return (
    <>
      <Days days={ahead} closures={closures} />
      {before.length > 0 && (
        <details className="mt-6" open={ahead.length === 0}>
          <summary className="link">Earlier in these weeks</summary>
          <div className="mt-3">
            <Days days={before} closures={closures} />
          </div>
        </details>
      )}
    </>
  );
}

function Days({
  days,
  closures,
}: {
  days: readonly [date: string, ofDay: Shown[]][];
  closures: readonly ClosedDays[];
}) {
  return (
    <ul className="grid gap-4">
      {days.map(([date, ofDay]) => (
        <li key={date}>
          <h2 className="font-semibold">
            {dateLabel(date)}
            <span className="quiet font-normal"> {closureOn(closures, date)?.name}</span>
          </h2>
          <ul className="divide-base-300 border-base-300 mt-1 divide-y border-y">
            {ofDay.map((s) => (
              <li key={s.id} className="py-1">
                <SessionChip session={s} wide />
              </li>
            ))}
          </ul>
        </li>
      ))}
    </ul>
  );
}
