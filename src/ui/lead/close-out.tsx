'use client';

import Link from 'next/link';
import { lateByMs, takenPartMs } from '@/core/attendance';
import { clock, timeOfDay } from '@/core/formats';
import { RollList } from './roll-list';
import type { LeadSession } from './types';
import type { Roll } from './use-roll';

export interface CloseOutProps {
  session: LeadSession;
  roll: Roll;
  startedAt: number;
  endedAt: number;
  plannedMs: number;
  /** True once the session is stored as held. */
  closed: boolean;
  error: string | null;
  saving: boolean;
  close: () => void;
  /** Back to the stage, while the class is not closed. */
  back: (() => void) | null;
}

/** The end of a class: who took part for how long, and the button that stores it. */
export function CloseOut(props: CloseOutProps) {
  const { session, roll, startedAt, endedAt, plannedMs, closed, error, saving, close, back } =
    props;
  const came = roll.entries.filter((e) => e.attendance && e.attendance.mark !== 'absent').length;
  const note = (participantId: string): string | null => {
    const attendance = roll.entries.find((e) => e.participantId === participantId)?.attendance;
    if (!attendance || attendance.mark === 'absent') return null;
    const took = `took part ${clock(takenPartMs(attendance, startedAt, endedAt))}`;
    const late = lateByMs(attendance, startedAt);
    return late > 0 ? `came ${clock(late)} after the start, ${took}` : took;
  };
  const over = endedAt - startedAt - plannedMs;
  return (
    <main data-theme="upbeat-night" className="bg-base-100 text-base-content min-h-dvh">
      <div className="mx-auto max-w-3xl p-5 md:p-8">
        <h1 className="text-4xl font-bold">{session.className}</h1>
        <p className="quiet mt-1 text-lg">
          {timeOfDay(startedAt, session.timeZone)} to {timeOfDay(endedAt, session.timeZone)},{' '}
          <span className="figures" data-testid="actual">
            {clock(endedAt - startedAt)}
          </span>{' '}
          on the clock, {clock(plannedMs)} planned
          {over !== 0 && ` (${clock(Math.abs(over))} ${over > 0 ? 'longer' : 'shorter'})`}
        </p>
        <h2 className="mt-6 mb-2 text-xl font-semibold">
          {closed ? `${came} came` : 'Is the register right?'}
        </h2>
        <RollList roll={roll} note={note} />
        {!closed && (
          <p className="quiet mt-3">Whoever is booked and not marked will be stored as not here.</p>
        )}
        {error && (
          <p role="alert" className="text-error mt-3 font-medium">
            {error}
          </p>
        )}
        <div className="bg-base-100 border-base-300 sticky bottom-0 mt-6 flex flex-wrap gap-3 border-t py-4">
          {closed ? (
            <>
              <p role="status" className="self-center font-medium">
                The session is stored.
              </p>
              <Link href="/people" className="btn btn-primary upbeat-on-accent">
                See the streaks
              </Link>
              <Link href="/" className="btn">
                Today
              </Link>
            </>
          ) : (
            <>
              <button
                type="button"
                className="btn btn-primary btn-lg upbeat-on-accent"
                disabled={saving}
                onClick={close}
              >
                Finish and store
              </button>
              {back && (
                <button type="button" className="btn btn-lg" onClick={back}>
                  Back to the class
                </button>
              )}
            </>
          )}
        </div>
      </div>
    </main>
  );
}
