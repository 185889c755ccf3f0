import { dateLabel } from '@/core/formats';
import { SessionChip } from '../calendar/session-chip';
import type { Shown } from '../calendar/types';
import { Empty } from '../kit/empty';
import { KeptFresh } from '../kit/kept-fresh';
import { Link } from '../kit/link';
import { Page } from '../kit/page';
import { type Left, type LeftActions, LeftStanding } from '../sessions/left-standing';
import type { Settle } from './before-list';
import { type NextSession, NextSessionView } from './next-session';

/** A session in a line of a list. */
export interface TodaySession {
  id: string;
  className: string;
  /** In the studio's time zone. */
  time: string;
  day: string;
  status: 'planned' | 'running' | 'left' | 'held' | 'cancelled';
  booked: string;
  came: number;
}

/** One of the coming days. */
export interface ComingDay {
  /** ISO 8601 date. */
  date: string;
  /** Why nothing meets, where the studio is closed. */
  closed: string | null;
  sessions: Shown[];
}

export interface TodayScreenProps {
  now: number;
  /** The same as a time of day. */
  time: string;
  /** Why nothing meets today, where the studio is closed. */
  closed: string | null;
  next: NextSession | null;
  /** The studio has no class yet. */
  isNew: boolean;
  settle: Settle;
  /** The other sessions of today. */
  rest: TodaySession[];
  days: ComingDay[];
  /** Sessions that were led in the last days, the newest first. */
  before: TodaySession[];
  /** Sessions of the last days that were neither led nor called off. */
  unled: TodaySession[];
  /** Sessions of any day that were begun and never closed. */
  left: Left[];
  leftActions: LeftActions;
}

export function TodayScreen(props: TodayScreenProps) {
  const { now, time, closed, next, isNew, settle, rest, days, before, unled, left, leftActions } =
    props;
  return (
    <Page title="Today" titleShown={false}>
      <div className="grid gap-x-8 gap-y-10 lg:grid-cols-[minmax(0,1fr)_19rem]">
        <div>
          <KeptFresh at={now} time={time} />
          {closed && (
            <p className="closed-days mb-5 rounded-lg px-4 py-3 font-medium">
              Closed today: {closed}
            </p>
          )}
          {left.length > 0 && (
            <ul className="mb-6 grid gap-3">
              {left.map((of) => (
                <li key={of.sessionId}>
                  <LeftStanding left={of} actions={leftActions} />
                </li>
              ))}
            </ul>
          )}
          {next ? (
            <NextSessionView session={next} now={now} settle={settle} />
          ) : (
            <NothingNext isNew={isNew} />
          )}
          {rest.length > 0 && (
            <Lines title="Also today">
              {rest.map((s) => (
                <TodayLine key={s.id} session={s} />
              ))}
            </Lines>
          )}
        </div>
        <aside aria-label="The days around" className="grid content-start gap-8">
          <section aria-labelledby="days">
            <h2 id="days" className="mb-1 text-xl font-semibold">
              The next days
            </h2>
            <ul>
              {days.map(({ date, closed: why, sessions }) => (
                <li key={date} className="border-base-300 flex gap-2 border-b py-1.5">
                  <h3 className="quiet w-14 shrink-0 pt-1 text-sm">
                    {dateLabel(date).slice(0, -9)}
                    <span className="sr-only">{dateLabel(date).slice(-9, -5)}</span>
                  </h3>
                  <div className="min-w-0 flex-1">
                    {sessions.map((s) => (
                      <SessionChip key={s.id} session={s} wide />
                    ))}
                    {sessions.length === 0 && (
                      <p className="quiet px-1.5 py-1 text-sm">{why ?? 'nothing'}</p>
                    )}
                  </div>
                </li>
              ))}
            </ul>
          </section>
          {unled.length > 0 && (
            <section aria-labelledby="left-to-do">
              <h2 id="left-to-do" className="mb-1 text-xl font-semibold">
                Left to do
              </h2>
              <ul className="grid gap-2">
                {unled.map((s) => (
                  <li key={s.id}>
                    <span className="font-medium">{s.className}</span> was planned for {s.day},{' '}
                    {s.time}, and neither led nor called off.{' '}
                    <Link href={`/sessions/${s.id}`} className="link font-semibold">
                      Settle it
                    </Link>
                  </li>
                ))}
              </ul>
            </section>
          )}
          <section aria-labelledby="last-days">
            <h2 id="last-days" className="mb-1 text-xl font-semibold">
              The last days
            </h2>
            {before.length === 0 ? (
              <p className="quiet">Sessions you have led will stand here with who came.</p>
            ) : (
              <ul>
                {before.map((s) => (
                  <li key={s.id} className="border-base-300 border-b py-2 text-sm">
                    <span className="quiet figures">
                      {s.day.slice(0, -5)}, {s.time}
                    </span>{' '}
                    <span className="font-medium">{s.className}</span>
                    <span className="block">
                      {s.status === 'cancelled' ? 'cancelled' : `${s.came} came, ${s.booked} `}
                      {s.status === 'held' && (
                        <Link
                          href={`/lead/${s.id}`}
                          className="link"
                          aria-label={`Register of ${s.className}, ${s.day}`}
                        >
                          Register
                        </Link>
                      )}
                    </span>
                  </li>
                ))}
              </ul>
            )}
          </section>
        </aside>
      </div>
    </Page>
  );
}

function NothingNext({ isNew }: { isNew: boolean }) {
  if (isNew) {
    return (
      <Empty title="Begin with a class">
        <p>
          <Link href="/classes" className="link">
            Name it
          </Link>{' '}
          and say how long it may last; Up Beat drafts it for you, or you put it together move by
          move. Then press “Lead class”, write down{' '}
          <Link href="/people" className="link">
            who comes
          </Link>
          , and plan when you meet.
        </p>
      </Empty>
    );
  }
  return (
    <Empty title="No session to lead">
      <p>
        Nothing is planned for today or the coming week.{' '}
        <Link href="/calendar/plan" className="link">
          Plan sessions
        </Link>
        , or open a{' '}
        <Link href="/classes" className="link">
          class
        </Link>{' '}
        and press “Lead class” to meet now.
      </p>
    </Empty>
  );
}

function Lines({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <section className="mt-10" aria-labelledby="lines">
      <h2 id="lines" className="mb-1 text-xl font-semibold">
        {title}
      </h2>
      <ul className="divide-base-300 border-base-300 divide-y border-y">{children}</ul>
    </section>
  );
}

function TodayLine({ session }: { session: TodaySession }) {
  const { id, status } = session;
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
      <span className="figures text-lg font-bold">{session.time}</span>
      <Link href={`/sessions/${id}`} className="min-w-40 flex-1 font-medium hover:underline">
        {session.className}
      </Link>
      <span className="quiet">
        {session.booked}
        {status === 'held' && `, ${session.came} came`}
        {status === 'cancelled' && ', cancelled'}
        {status === 'left' && ', left standing'}
      </span>
      {(status === 'planned' || status === 'running') && (
        <Link href={`/lead/${id}`} className="btn btn-outline btn-sm">
          {status === 'running' ? 'Go on leading' : 'Lead class'}
        </Link>
      )}
      {status === 'held' && (
        <Link href={`/lead/${id}`} className="btn btn-outline btn-sm">
          See the register
        </Link>
      )}
    </li>
  );
}
