'use client';

import { ChevronLeft, ChevronRight, Download, FileHeadphone, Printer } from 'lucide-react';
import { useState } from 'react';
import type { Saying } from '@/browser/register-acts';
import { addressOf, CALLS, type RegisterChange, type RegisterLine } from '@/core/calls';
import { Empty } from '../kit/empty';
import { Link } from '../kit/link';
import { Page } from '../kit/page';
import { Changes, SomebodyElse } from './beside-register';
import { Marking, Told } from './marking';
import { type Chosen, RegisterGrid, type RegisterSession } from './register-grid';
import { useRegister } from './use-register';

export interface RegisterScreenProps {
  studioId: string;
  classId: string;
  className: string;
  /** First day of the register, ISO 8601, and those of the one before and after. */
  from: string;
  before: string;
  after: string;
  span: string;
  sessions: readonly RegisterSession[];
  lines: readonly RegisterLine[];
  more: boolean;
  /** Name of the rule that streaks are counted by. */
  rule: string;
  changes: readonly RegisterChange[];
  /** Everybody else of the studio. */
  others: readonly { id: string; name: string }[];
  /** The column that one most likely wants. */
  column: number;
}

/** The register of a class over some weeks. */
export function RegisterScreen(props: RegisterScreenProps) {
  const { studioId, classId, className, sessions, from } = props;
  const register = useRegister(props.lines, { studioId, classId, from, others: props.others });
  const [last, choose] = useState<Chosen>({ row: 0, column: props.column });
  // Whoever was only marked by mistake has no line any more once that is taken back.
  const chosen = { ...last, row: Math.min(last.row, Math.max(0, register.lines.length - 1)) };
  const session = sessions[chosen.column];
  const line = register.lines[chosen.row];
  const say = (said: Saying | null) => {
    if (!session || !line || session.status === 'cancelled') return;
    register.say({ participantId: line.participantId, sessionId: session.id }, said);
  };
  const link = (day: string) => `/people/register/${classId}?from=${day}`;
  return (
    <Page
      title={className}
      wide
      actions={
        <div className="no-print flex flex-wrap gap-2">
          <Link href={`/people/rules?class=${classId}`} className="btn btn-outline">
            Streaks by: {props.rule}
          </Link>
          <Link href={`/classes/${classId}?take=files`} className="btn btn-outline">
            <FileHeadphone size={18} aria-hidden /> Sound, captions, sheet
          </Link>
          <a
            href={addressOf(CALLS.exportRegister, classId, { from })}
            className="btn btn-outline"
            download
          >
            <Download size={18} aria-hidden /> CSV
          </a>
          <button type="button" className="btn btn-outline" onClick={() => window.print()}>
            <Printer size={18} aria-hidden /> Print
          </button>
        </div>
      }
    >
      <nav aria-label="Weeks" className="-mt-2 mb-3 flex items-center gap-2">
        <Link
          href={link(props.before)}
          className="btn btn-ghost btn-sm no-print"
          aria-label="Earlier weeks"
        >
          <ChevronLeft size={18} aria-hidden />
        </Link>
        <p className="quiet">The register, {props.span}</p>
        <Link
          href={link(props.after)}
          className="btn btn-ghost btn-sm no-print"
          aria-label="Later weeks"
        >
          <ChevronRight size={18} aria-hidden />
        </Link>
      </nav>
      {register.lines.length === 0 || sessions.length === 0 ? (
        <Empty
          title={
            sessions.length === 0 ? 'It does not meet in these weeks' : 'Nobody is booked on it yet'
          }
        >
          <p>
            Everybody who is booked on the class will stand here, by every session of these weeks.{' '}
            <Link href={sessions.length === 0 ? '/calendar/plan' : '/people'} className="link">
              {sessions.length === 0 ? 'Plan its sessions' : 'Book somebody'}
            </Link>
          </p>
          <Told register={register} />
        </Empty>
      ) : (
        <>
          <Marking session={session} line={line} register={register} say={say} />
          <RegisterGrid
            classId={classId}
            sessions={sessions}
            lines={register.lines}
            chosen={chosen}
            choose={choose}
            mark={(mark) => say(mark && { mark })}
            undo={register.undo}
            waiting={new Set(register.waiting.map((w) => `${w.participantId} ${w.sessionId}`))}
          />
          {props.more && (
            <p className="mt-3 font-medium">A register shows 500 people at most, by name.</p>
          )}
          <SomebodyElse
            session={session}
            others={props.others.filter(
              (o) => !register.lines.some((l) => l.participantId === o.id),
            )}
            add={(participantId) =>
              session && register.say({ participantId, sessionId: session.id }, { mark: 'here' })
            }
          />
          <Changes changes={props.changes} takeBack={register.takeBack} />
        </>
      )}
    </Page>
  );
}
