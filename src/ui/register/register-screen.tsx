'use client';

import { ChevronLeft, ChevronRight, Download, Printer, Undo2 } from 'lucide-react';
import Link from 'next/link';
import { useState } from 'react';
import { MARK_KEYS, MARK_NAMES, MARKS, type Mark } from '@/core/attendance';
import { addressOf, CALLS, type RegisterChange, type RegisterLine } from '@/core/calls';
import { Empty } from '../kit/empty';
import { Page } from '../kit/page';
import { type Chosen, RegisterGrid, type RegisterSession } from './register-grid';
import { type RegisterState, useRegister } from './use-register';

export interface RegisterScreenProps {
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
  const { classId, className, sessions, from } = props;
  const register = useRegister(props.lines, from);
  const [chosen, choose] = useState<Chosen>({ row: 0, column: props.column });
  const session = sessions[chosen.column];
  const line = register.lines[chosen.row];
  const say = (mark: Mark | null, minutes: { lateMinutes?: number; leftMinutes?: number } = {}) => {
    if (!session || !line || session.status === 'cancelled') return;
    const { participantId } = line;
    register.say({ participantId, sessionId: session.id, said: mark && { mark, ...minutes } });
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
            mark={say}
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
              session &&
              register.say({ participantId, sessionId: session.id, said: { mark: 'here' } })
            }
          />
          <Changes changes={props.changes} takeBack={register.takeBack} />
        </>
      )}
    </Page>
  );
}

/** The cell that is chosen, and what can be said of it, by touch as by keyboard. */
function Marking({
  session,
  line,
  register,
  say,
}: {
  session: RegisterSession | undefined;
  line: RegisterLine | undefined;
  register: RegisterState;
  say: (mark: Mark | null, minutes?: { lateMinutes?: number; leftMinutes?: number }) => void;
}) {
  if (!session || !line) return null;
  const cell = line.cells.find((c) => c.sessionId === session.id);
  const off = session.status === 'cancelled';
  const cameIn = cell?.mark === 'here' || cell?.mark === 'late';
  return (
    <section
      aria-label="The chosen place"
      className="no-print bg-base-100 border-base-300 sticky top-0 z-20 mb-2 flex flex-wrap items-center gap-x-4 gap-y-2 border-b py-2"
    >
      <p className="min-w-56 font-medium">
        {line.name}, {session.when}
      </p>
      {off ? (
        <p className="quiet">
          {session.word ? `Cancelled: ${session.word}. ` : 'Cancelled. '}It neither counts nor
          breaks.
        </p>
      ) : (
        <>
          <span className="join">
            {MARKS.map((mark) => (
              <button
                key={mark}
                type="button"
                className={`btn btn-sm join-item ${cell?.mark === mark ? 'btn-primary' : ''}`}
                aria-pressed={cell?.mark === mark}
                aria-keyshortcuts={MARK_KEYS[mark]}
                disabled={!session.begun && mark !== 'excused'}
                onClick={() => say(mark)}
              >
                {MARK_NAMES[mark]}
                <kbd className="key-cap max-sm:hidden">{MARK_KEYS[mark].toUpperCase()}</kbd>
              </button>
            ))}
            <button
              type="button"
              className="btn btn-sm join-item"
              disabled={!cell}
              onClick={() => say(null)}
            >
              Clear
            </button>
          </span>
          {cell && cameIn && (
            <span
              className="flex items-center gap-3 text-sm"
              key={`${line.participantId} ${session.id}`}
            >
              <MinutesField
                label="min late"
                value={cell.lateMinutes}
                keep={(lateMinutes) => say(lateMinutes > 0 ? 'late' : 'here', { lateMinutes })}
              />
              <MinutesField
                label="min left early"
                value={cell.leftMinutes}
                keep={(leftMinutes) => say(cell.mark, { leftMinutes })}
              />
              {cell.tookMinutes !== null && (
                <span className="quiet">took part {cell.tookMinutes} min</span>
              )}
            </span>
          )}
        </>
      )}
      <button
        type="button"
        className="btn btn-ghost btn-sm ml-auto"
        disabled={!register.canUndo}
        aria-keyshortcuts="Control+Z"
        onClick={register.undo}
      >
        <Undo2 size={16} aria-hidden /> Undo
      </button>
      <p role="status" className="sr-only">
        {register.done}
      </p>
      {register.error && (
        <p role="alert" className="text-error w-full font-medium">
          {register.error}{' '}
          {register.waiting.length > 0 && (
            <button type="button" className="link" onClick={register.retry}>
              Store {register.waiting.length} again
            </button>
          )}
        </p>
      )}
    </section>
  );
}

function MinutesField({
  label,
  value,
  keep,
}: {
  label: string;
  value: number;
  keep: (minutes: number) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const stop = () => {
    const minutes = Number(typed);
    if (typed !== null && /^\d{1,3}$/.test(typed.trim()) && minutes <= 600 && minutes !== value) {
      keep(minutes);
    }
    setTyped(null);
  };
  return (
    <label className="flex items-center gap-1.5">
      <input
        className="input input-sm figures w-14 text-right"
        inputMode="numeric"
        value={typed ?? String(value)}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={stop}
        onKeyDown={(e) => e.key === 'Enter' && stop()}
      />
      {label}
    </label>
  );
}

/** Somebody who came to the chosen session and has no line yet. */
function SomebodyElse({
  session,
  others,
  add,
}: {
  session: RegisterSession | undefined;
  others: readonly { id: string; name: string }[];
  add: (participantId: string) => void;
}) {
  const [who, setWho] = useState('');
  if (!session?.begun || session.status === 'cancelled' || others.length === 0) return null;
  return (
    <form
      className="no-print mt-4 flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (who) add(who);
        setWho('');
      }}
    >
      <label className="grid gap-1">
        <span className="text-sm font-medium">Somebody else who came, {session.when}</span>
        <select className="select w-64" value={who} onChange={(e) => setWho(e.target.value)}>
          <option value="">choose</option>
          {others.map((o) => (
            <option key={o.id} value={o.id}>
              {o.name}
            </option>
          ))}
        </select>
      </label>
      <button type="submit" className="btn btn-outline" disabled={!who}>
        They were here
      </button>
    </form>
  );
}

/** What was changed after sessions were closed, by whom and when. */
function Changes({
  changes,
  takeBack,
}: {
  changes: readonly RegisterChange[];
  takeBack: (id: string) => void;
}) {
  if (changes.length === 0) return null;
  return (
    <details className="no-print mt-6">
      <summary className="cursor-pointer font-semibold">
        Corrections, the newest first ({changes.length})
      </summary>
      <ul className="divide-base-300 mt-2 max-w-3xl divide-y">
        {changes.map((c) => (
          <li key={c.id} className="flex flex-wrap justify-between gap-x-4 py-1.5">
            <span>{c.says}</span>
            <span className="quiet">
              {c.by && `${c.by}, `}
              {c.at}{' '}
              <button
                type="button"
                className="btn btn-ghost btn-xs"
                aria-label={`Take it back: ${c.says}`}
                onClick={() => takeBack(c.id)}
              >
                Take it back
              </button>
            </span>
          </li>
        ))}
      </ul>
    </details>
  );
}
