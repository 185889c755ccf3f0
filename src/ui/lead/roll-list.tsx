'use client';

import clsx from 'clsx';
import { Clock3, DoorOpen, UserCheck, UserPlus, UserX } from 'lucide-react';
import { memo, useState } from 'react';
import { came, MARK_NAMES, MARKS, type Mark } from '@/core/attendance';
import type { RollEntry } from '@/core/calls';
import type { Roll } from './use-roll';

const ICONS = { here: UserCheck, late: Clock3, absent: UserX } as const;

export interface RollListProps {
  roll: Roll;
  /** In the narrow column beside the stage only the icons fit. */
  compact?: boolean;
  /** Before the start nobody can have left early. */
  started?: boolean;
  /** A note beside a name, such as when they arrived. */
  note?: (entry: RollEntry) => string | null;
  /** The key that means a person, while somebody is to be picked. */
  keyOf?: (participantId: string) => string | undefined;
  onPick?: (participantId: string) => void;
}

/** The roll: one press marks a person, another takes the mark back. */
export function RollList(props: RollListProps) {
  const { roll, compact = false, started = true, note, keyOf, onPick } = props;
  return (
    <>
      <ul className="divide-base-300 divide-y">
        {roll.entries.map((entry) => (
          <RollLine
            key={entry.participantId}
            entry={entry}
            roll={roll}
            compact={compact}
            started={started}
            note={note?.(entry) ?? usualNote(entry)}
            keyName={keyOf?.(entry.participantId)}
            onPick={onPick}
          />
        ))}
      </ul>
      {roll.entries.length === 0 && (
        <p className="quiet py-2">Nobody is booked yet. Whoever walks in can be added below.</p>
      )}
      <WalkIn roll={roll} />
    </>
  );
}

function usualNote({ timesBefore, booked, waiting, away }: RollEntry): string {
  if (away) return 'cannot come';
  if (waiting) return 'waiting for room';
  return timesBefore === 0 ? 'first class' : booked ? '' : 'not booked';
}

interface RollLineProps {
  entry: RollEntry;
  roll: Roll;
  compact: boolean;
  started: boolean;
  note: string;
  keyName?: string;
  onPick?: (participantId: string) => void;
}

const RollLine = memo(function RollLine(props: RollLineProps) {
  const { entry, roll, compact, started, note, keyName, onPick } = props;
  const { participantId, name, attendance } = entry;
  const wasHere = came(attendance?.mark);
  const gone = attendance?.leftAt !== null && attendance?.leftAt !== undefined;
  const size = compact ? 'btn-sm px-2' : 'btn-md';
  return (
    <li className={clsx('flex items-center gap-2', compact ? 'py-1' : 'py-2')}>
      {onPick && keyName && (
        <button
          type="button"
          className="btn btn-sm btn-accent upbeat-on-accent px-2.5"
          aria-label={`Note it for ${name}`}
          aria-keyshortcuts={keyName}
          onClick={() => onPick(participantId)}
        >
          {keyName}
        </button>
      )}
      <span className="min-w-0 flex-1">
        <span className={clsx('block truncate font-medium', gone && 'line-through')}>{name}</span>
        <span className="text-accent block truncate text-sm empty:hidden">
          {gone ? 'left early' : note}
        </span>
      </span>
      <span className="join">
        {MARKS.map((mark) => {
          const Icon = ICONS[mark];
          const pressed = attendance?.mark === mark;
          return (
            <button
              key={mark}
              type="button"
              aria-pressed={pressed}
              aria-label={`${name}: ${MARK_NAMES[mark]}`}
              title={MARK_NAMES[mark]}
              onClick={() => roll.mark(participantId, pressed ? null : (mark as Mark))}
              className={clsx('btn join-item', size, pressed && 'btn-primary')}
            >
              <Icon size={compact ? 16 : 18} aria-hidden />
              {!compact && <span className="max-sm:hidden">{MARK_NAMES[mark]}</span>}
            </button>
          );
        })}
        {wasHere && started && (
          <button
            type="button"
            aria-pressed={gone}
            aria-label={`${name}: left early`}
            title="left early"
            onClick={() => roll.left(participantId, !gone)}
            className={clsx('btn join-item', size, gone && 'btn-primary')}
          >
            <DoorOpen size={compact ? 16 : 18} aria-hidden />
          </button>
        )}
      </span>
    </li>
  );
});

function WalkIn({ roll }: { roll: Roll }) {
  const [name, setName] = useState('');
  return (
    <form
      className="join mt-3 w-full"
      onSubmit={(event) => {
        event.preventDefault();
        if (!name.trim()) return;
        roll.walkIn(name.trim());
        setName('');
      }}
    >
      <input
        aria-label="Name of somebody who walked in"
        placeholder="Somebody walked in"
        maxLength={80}
        value={name}
        onChange={(e) => setName(e.target.value)}
        className="input join-item w-full"
      />
      <button type="submit" className="btn join-item" aria-label="Add them, here">
        <UserPlus size={18} aria-hidden />
        Add
      </button>
    </form>
  );
}
