import { CalendarX2, Play } from 'lucide-react';
import Link from 'next/link';
import { grouped } from '@/core/collections';
import { dateLabel } from '@/core/formats';
import type { Area } from '@/core/move';
import { SessionChip } from '../calendar/session-chip';
import type { Shown } from '../calendar/types';
import { Empty } from '../kit/empty';
import { FaceDial } from '../kit/face-dial';
import { Page } from '../kit/page';
import { type Left, type LeftActions, LeftStanding } from '../sessions/left-standing';

export interface TodaySession {
  id: string;
  className: string;
  /** In the studio's time zone. */
  time: string;
  day: string;
  status: 'planned' | 'running' | 'left' | 'held' | 'cancelled';
  length: string;
  booked: number;
  came: number;
  fill: Partial<Record<Area, number>>;
}

export interface TodayScreenProps {
  today: TodaySession[];
  before: TodaySession[];
  /** The coming days. */
  ahead: Shown[];
  /** Sessions of the last days that were neither led nor called off. */
  unled: TodaySession[];
  /** Sessions of any day that were begun and never closed. */
  left: Left[];
  leftActions: LeftActions;
  cancel: (form: FormData) => Promise<void>;
}

export function TodayScreen({
  today,
  before,
  ahead,
  unled,
  left,
  leftActions,
  cancel,
}: TodayScreenProps) {
  return (
    <Page title="Today">
      {left.length > 0 && (
        <ul className="mb-6 grid gap-3">
          {left.map((of) => (
            <li key={of.sessionId}>
              <LeftStanding left={of} actions={leftActions} />
            </li>
          ))}
        </ul>
      )}
      {today.length === 0 ? (
        <Empty title="No session today">
          <p>
            What you lead today will stand here. Open a{' '}
            <Link href="/classes" className="link">
              class
            </Link>{' '}
            and press “Lead class” to meet now.
          </p>
        </Empty>
      ) : (
        <ul className="grid gap-4">
          {today.map((session) => (
            <li key={session.id}>
              <TodayCard session={session} cancel={cancel} />
            </li>
          ))}
        </ul>
      )}
      <h2 className="mt-10 mb-3 text-xl font-semibold">The coming days</h2>
      {ahead.length === 0 ? (
        <p className="quiet">
          Nothing is planned for the next seven days.{' '}
          <Link href="/calendar/plan" className="link">
            Plan sessions
          </Link>
        </p>
      ) : (
        <ul className="grid gap-4 sm:grid-cols-2 lg:grid-cols-4">
          {[...grouped(ahead, (s) => s.at.slice(0, 10))].map(([date, ofDay]) => (
            <li key={date} className="border-base-300 border-t pt-1.5">
              <h3 className="quiet px-1.5 text-sm">{dateLabel(date)}</h3>
              {ofDay.map((s) => (
                <SessionChip key={s.id} session={s} wide />
              ))}
            </li>
          ))}
        </ul>
      )}
      {unled.length > 0 && (
        <>
          <h2 className="mt-10 mb-3 text-xl font-semibold">Left to do</h2>
          <ul className="divide-base-300 border-base-300 divide-y border-y">
            {unled.map((s) => (
              <li key={s.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2.5">
                <span className="min-w-60 flex-1">
                  <span className="font-medium">{s.className}</span> was planned for {s.day},{' '}
                  {s.time}, and neither led nor called off.
                </span>
                <Link href={`/sessions/${s.id}`} className="link">
                  Settle it
                </Link>
              </li>
            ))}
          </ul>
        </>
      )}
      <h2 className="mt-10 mb-3 text-xl font-semibold">The last days</h2>
      {before.length === 0 ? (
        <p className="quiet">Sessions you have led will stand here with who came.</p>
      ) : (
        <ul className="divide-base-300 border-base-300 divide-y border-y">
          {before.map((s) => (
            <li key={s.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2.5">
              <span className="figures quiet w-52">
                {s.day} {s.time}
              </span>
              <span className="min-w-40 flex-1 font-medium">{s.className}</span>
              <span className="quiet">
                {s.status === 'cancelled' ? 'cancelled' : `${s.came} came, ${s.booked} booked`}
              </span>
              {s.status === 'held' && (
                <Link href={`/lead/${s.id}`} className="link">
                  Register
                </Link>
              )}
            </li>
          ))}
        </ul>
      )}
    </Page>
  );
}

function TodayCard({
  session,
  cancel,
}: {
  session: TodaySession;
  cancel: TodayScreenProps['cancel'];
}) {
  const { status } = session;
  return (
    <article className="border-base-300 bg-base-200/60 rounded-box flex flex-wrap items-center gap-x-6 gap-y-4 border p-5">
      <FaceDial size={120} fill={session.fill} className="max-sm:hidden" />
      <div className="min-w-56 flex-1">
        <p className="figures text-4xl font-bold">{session.time}</p>
        <h2 className="mt-1 text-2xl font-semibold">
          <Link href={`/sessions/${session.id}`} className="hover:underline">
            {session.className}
          </Link>
        </h2>
        <p className="quiet mt-1">
          {session.length} · {session.booked} booked
          {status === 'held' && ` · ${session.came} came`}
        </p>
      </div>
      {status === 'left' && <p className="font-medium">Left standing</p>}
      {status === 'cancelled' && <p className="font-medium">Cancelled</p>}
      {status === 'held' && (
        <Link href={`/lead/${session.id}`} className="btn btn-outline">
          See the register
        </Link>
      )}
      {(status === 'planned' || status === 'running') && (
        <div className="flex flex-wrap gap-2">
          {status === 'planned' && (
            <form action={cancel}>
              <input type="hidden" name="sessionId" value={session.id} />
              <button type="submit" className="btn btn-ghost">
                <CalendarX2 size={18} aria-hidden /> Cancel this session
              </button>
            </form>
          )}
          <Link href={`/lead/${session.id}`} className="btn btn-primary">
            <Play size={18} aria-hidden /> {status === 'running' ? 'Go on leading' : 'Lead class'}
          </Link>
        </div>
      )}
    </article>
  );
}
