'use client';

import clsx from 'clsx';
import { type KeyboardEvent, useEffect, useRef } from 'react';
import { came, MARK_KEYS, MARK_NAMES, MARKS, type Mark } from '@/core/attendance';
import type { SessionStatus } from '@/core/calendar';
import type { RegisterCell, RegisterLine } from '@/core/calls';
import { BeatSign } from '../kit/beat-line';
import { StreakButton } from '../kit/beat-line/streak-button';

export interface RegisterSession {
  id: string;
  /** "13 Oct", and "Tue 13 Oct 2026, 12:15". */
  day: string;
  when: string;
  status: SessionStatus;
  word: string | null;
  /** It has begun, so that somebody can have come. */
  begun: boolean;
  /** How many came and were marked who have been erased since. */
  nameless: { came: number; marked: number };
}

/** Which cell is chosen, by its place. */
export interface Chosen {
  row: number;
  column: number;
}

export interface RegisterGridProps {
  classId: string;
  sessions: readonly RegisterSession[];
  lines: readonly RegisterLine[];
  chosen: Chosen;
  choose: (chosen: Chosen) => void;
  mark: (mark: Mark | null) => void;
  undo: () => void;
  /** Cells that are not stored yet, as "person session". */
  waiting: ReadonlySet<string>;
}

const LOOK = { here: 'kept', late: 'late', absent: 'missed', excused: 'grain' } as const;

/** What a cell says, for those who hear it. */
function cellWords(
  session: RegisterSession,
  { cell, expected }: { cell: RegisterCell | undefined; expected: boolean },
): string {
  if (session.status === 'cancelled') return 'cancelled';
  if (!cell) return session.begun ? 'nothing marked' : expected ? 'to come' : 'not booked';
  const late = cell.lateMinutes > 0 ? ` ${cell.lateMinutes} minutes` : '';
  const left = cell.leftMinutes > 0 ? `, left ${cell.leftMinutes} minutes early` : '';
  return `${MARK_NAMES[cell.mark]}${late}${left}${cell.changed ? ', corrected' : ''}`;
}

const STEPS: Record<string, [down: number, right: number]> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

/** People by sessions. Arrows move, a letter marks; the same by touch below. */
export function RegisterGrid(props: RegisterGridProps) {
  const { sessions, lines, chosen, choose, classId, waiting } = props;
  const table = useRef<HTMLTableElement>(null);
  // On a narrow screen the chosen session is not the first that is in sight.
  useEffect(() => {
    const cell = table.current?.querySelector('[tabindex="0"][data-cell]');
    cell?.scrollIntoView({ inline: 'center', block: 'nearest' });
  }, []);
  const go = (row: number, column: number) => {
    const to = {
      row: Math.min(Math.max(row, 0), lines.length - 1),
      column: Math.min(Math.max(column, 0), sessions.length - 1),
    };
    choose(to);
    table.current?.querySelector<HTMLElement>(`[data-cell="${to.row} ${to.column}"]`)?.focus();
  };
  const onKey = (event: KeyboardEvent, row: number, column: number) => {
    if (event.altKey) return;
    if (event.ctrlKey || event.metaKey) {
      if (event.key.toLowerCase() !== 'z') return;
      event.preventDefault();
      props.undo();
      return;
    }
    const step = STEPS[event.key];
    const mark = MARKS.find((m) => MARK_KEYS[m] === event.key.toLowerCase());
    if (step) go(row + step[0], column + step[1]);
    else if (event.key === 'Home') go(row, 0);
    else if (event.key === 'End') go(row, sessions.length - 1);
    else if (mark) {
      props.mark(mark);
      go(row + 1, column);
    } else if (event.key === 'Backspace' || event.key === 'Delete') props.mark(null);
    else return;
    event.preventDefault();
  };
  return (
    <div className="relative overflow-x-auto">
      <table
        ref={table}
        // biome-ignore lint/a11y/noNoninteractiveElementToInteractiveRole: a table whose cells are walked by arrows
        role="grid"
        aria-label="The register"
        className="register w-full text-base"
      >
        <thead>
          <tr className="text-left text-sm">
            <th scope="col" className="bg-base-100 sticky left-0 z-10 py-1.5 pr-3">
              Name
            </th>
            {sessions.map((s) => (
              <th
                key={s.id}
                scope="col"
                title={s.word ? `${s.when}: ${s.word}` : s.when}
                className={clsx(
                  'figures min-w-11 px-1 text-center font-medium whitespace-nowrap',
                  s.status === 'cancelled' && 'line-through',
                )}
              >
                {s.day}
              </th>
            ))}
            <th scope="col" className="min-w-64 pl-4">
              Regularity
            </th>
            <th scope="col" className="px-2 text-right whitespace-nowrap">
              In a row
            </th>
            <th scope="col" className="px-2 text-right">
              Came
            </th>
            <th scope="col" className="min-w-36 pl-3">
              To know
            </th>
          </tr>
        </thead>
        <tbody>
          {lines.map((line, row) => (
            <tr
              key={line.participantId}
              className={clsx('border-base-300 border-t', chosen.row === row && 'tinted')}
            >
              <th
                scope="row"
                className={clsx(
                  'sticky left-0 z-10 max-w-44 truncate py-0.5 pr-3 text-left font-medium max-sm:max-w-28 print:max-w-44 print:whitespace-normal',
                  'bg-base-100',
                  chosen.row === row && 'bg-[linear-gradient(var(--tint),var(--tint))]',
                )}
              >
                <a href={`/people/${line.participantId}`} className="link link-hover">
                  {line.name}
                </a>
                {!line.booked && (
                  <span className="quiet ml-1.5 text-sm font-normal">not booked</span>
                )}
              </th>
              {sessions.map((session, column) => {
                const cell = line.cells.find((c) => c.sessionId === session.id);
                const expected = line.expected.includes(session.id);
                const isChosen = chosen.row === row && chosen.column === column;
                return (
                  <td
                    key={session.id}
                    // biome-ignore lint/a11y/noNoninteractiveElementToInteractiveRole: and marked by letters
                    role="gridcell"
                    data-cell={`${row} ${column}`}
                    tabIndex={isChosen ? 0 : -1}
                    aria-selected={isChosen}
                    aria-label={`${line.name}, ${session.when}: ${cellWords(session, { cell, expected })}`}
                    title={cellWords(session, { cell, expected })}
                    onFocus={() => choose({ row, column })}
                    onClick={(event) => event.currentTarget.focus()}
                    onKeyDown={(event) => onKey(event, row, column)}
                    className={clsx(
                      'h-9 cursor-pointer p-0 text-center',
                      session.status === 'cancelled' && 'closed-days',
                      waiting.has(`${line.participantId} ${session.id}`) && 'opacity-50',
                    )}
                  >
                    <CellSign session={session} cell={cell} expected={expected} />
                  </td>
                );
              })}
              <td className="pl-4">
                {line.streak && (
                  <StreakButton
                    participantId={line.participantId}
                    name={line.name}
                    classId={classId}
                    line={line.streak}
                  />
                )}
              </td>
              <td className="figures px-2 text-right text-lg font-bold">
                {line.streak?.current ?? ''}
              </td>
              <td className="figures px-2 text-right whitespace-nowrap">
                {line.of > 0 && `${line.came} of ${line.of}`}
              </td>
              <td className="quiet pl-3 text-sm">{line.says}</td>
            </tr>
          ))}
        </tbody>
        <tfoot>
          <tr className="border-base-content border-t-2 text-sm">
            <th
              scope="row"
              className="bg-base-100 sticky left-0 z-10 py-2 pr-3 text-left font-medium"
            >
              Came
            </th>
            {sessions.map((s) => {
              const n = lines.filter((l) =>
                l.cells.some((c) => c.sessionId === s.id && came(c.mark)),
              ).length;
              const all = n + s.nameless.came;
              return (
                <td key={s.id} className="figures text-center font-bold">
                  {s.status === 'cancelled' ? '–' : s.begun ? all : ''}
                </td>
              );
            })}
            <td colSpan={4} />
          </tr>
        </tfoot>
      </table>
    </div>
  );
}

function CellSign({
  session,
  cell,
  expected,
}: {
  session: RegisterSession;
  cell: RegisterCell | undefined;
  expected: boolean;
}) {
  const look = cell ? LOOK[cell.mark] : expected && session.status === 'planned' ? 'to come' : null;
  if (session.status === 'cancelled' || look === null) return null;
  return (
    <svg viewBox="0 0 24 30" width={24} height={30} className="mx-auto block" aria-hidden>
      {/* Missed hangs below the line in a row of beats; in a cell it stands in the middle. */}
      <BeatSign look={look} x={12} y={look === 'missed' ? 3 : 15} r={5.5} />
      {cell?.changed && <path d="M18 6l4 0l0 4z" fill="var(--color-accent)" />}
    </svg>
  );
}
