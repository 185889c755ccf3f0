import { ChevronLeft, ChevronRight, Plus } from 'lucide-react';
import { addDays } from '@/core/calendar';
import { dateLabel } from '@/core/formats';
import { Empty } from '../kit/empty';
import { KeptFresh } from '../kit/kept-fresh';
import { Link } from '../kit/link';
import { Page } from '../kit/page';
import { Agenda } from './agenda';
import type { Drop } from './dragged-in-week';
import { TermView } from './term-view';
import type { ClosedDays, Shown } from './types';
import { WeekView } from './week-view';
import { ZoneNote } from './zone-note';

export const VIEWS = ['term', 'week'] as const;
export type View = (typeof VIEWS)[number];
/** Weeks that a view shows. */
export const WEEKS: Record<View, number> = { term: 12, week: 1 };
const VIEW_NAMES: Record<View, string> = { term: 'Term', week: 'Week' };

export interface CalendarScreenProps {
  view: View;
  /** The Monday of the first week shown. */
  from: string;
  today: string;
  zone: string;
  now: number;
  /** The same as a time of day. */
  time: string;
  sessions: Shown[];
  closures: ClosedDays[];
  drop: Drop;
}

/** When the studio meets, week by week. */
export function CalendarScreen(props: CalendarScreenProps) {
  const { view, from, today, zone, now, sessions, closures } = props;
  const weeks = WEEKS[view];
  const to = addDays(from, 7 * weeks - 1);
  const at = (more: { view?: View; from?: string }) =>
    `/calendar?${new URLSearchParams({ view, from, ...more })}`;
  const meet = sessions.filter((s) => s.status !== 'cancelled').length;
  const off = sessions.length - meet;
  return (
    <Page
      title="Calendar"
      actions={
        <div className="flex flex-wrap gap-2">
          <Link href="/calendar/closed" className="btn btn-ghost">
            Closed days
          </Link>
          <Link href="/calendar/bring" className="btn btn-ghost">
            Bring in
          </Link>
          <Link href="/calendar/feed" className="btn btn-ghost">
            Feed
          </Link>
          <Link href="/calendar/plan" className="btn btn-primary">
            <Plus size={18} aria-hidden /> Plan sessions
          </Link>
        </div>
      }
    >
      <KeptFresh at={now} time={props.time} />
      <ZoneNote zone={zone} now={now} />
      <div className="mb-4 flex flex-wrap items-center gap-x-4 gap-y-2">
        <nav aria-label="Weeks" className="flex gap-1">
          <Link
            href={at({ from: addDays(from, -7 * weeks) })}
            className="btn btn-outline btn-sm"
            aria-label="Earlier"
          >
            <ChevronLeft size={18} aria-hidden />
          </Link>
          <Link href={`/calendar?view=${view}`} className="btn btn-outline btn-sm">
            Now
          </Link>
          <Link
            href={at({ from: addDays(from, 7 * weeks) })}
            className="btn btn-outline btn-sm"
            aria-label="Later"
          >
            <ChevronRight size={18} aria-hidden />
          </Link>
        </nav>
        <p>
          {dateLabel(from)} to {dateLabel(to)}: {meet} {meet === 1 ? 'session' : 'sessions'}
          {off > 0 && `, ${off} cancelled`}
        </p>
        <nav aria-label="View" className="ml-auto flex gap-1 max-sm:hidden">
          {VIEWS.map((v) => (
            <Link
              key={v}
              href={at({ view: v })}
              aria-current={v === view ? 'page' : undefined}
              className={`btn btn-sm ${v === view ? 'btn-neutral' : 'btn-outline'}`}
            >
              {VIEW_NAMES[v]}
            </Link>
          ))}
        </nav>
      </div>
      {sessions.length === 0 && (
        <Empty title="Nothing meets in these weeks">
          <p>
            Plan a session or a whole series, and it stands here.{' '}
            <Link href="/calendar/plan" className="link">
              Plan sessions
            </Link>
          </p>
        </Empty>
      )}
      <div className="max-sm:hidden">
        {view === 'term' ? (
          <TermView
            from={from}
            weeks={weeks}
            today={today}
            sessions={sessions}
            closures={closures}
          />
        ) : (
          <WeekView
            from={from}
            today={today}
            sessions={sessions}
            closures={closures}
            drop={props.drop}
          />
        )}
      </div>
      <div className="sm:hidden">
        <Agenda sessions={sessions} closures={closures} today={today} />
      </div>
    </Page>
  );
}
