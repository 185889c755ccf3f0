'use client';

import clsx from 'clsx';
import { Clock3, UserCheck, UserPlus, UserX } from 'lucide-react';
import { useState } from 'react';
import { MARK_NAMES, MARKS, type Mark } from '@/core/attendance';
import type { Roll } from './use-roll';

const ICONS = { here: UserCheck, late: Clock3, absent: UserX } as const;

export interface RollListProps {
  roll: Roll;
  /** In the narrow column beside the stage only the icons fit. */
  compact?: boolean;
  /** A note beside a name, such as when they arrived. */
  note?: (participantId: string) => string | null;
}

/** The roll: one press marks a person, another takes the mark back. */
export function RollList({ roll, compact = false, note }: RollListProps) {
  return (
    <>
      <ul className="divide-base-300 divide-y">
        {roll.entries.map((entry) => (
          <li
            key={entry.participantId}
            className={clsx('flex items-center gap-2', compact ? 'py-1' : 'py-2')}
          >
            <span className="min-w-0 flex-1">
              <span className="block truncate font-medium">{entry.name}</span>
              <span className="text-accent block text-sm empty:hidden">
                {note?.(entry.participantId) ??
                  (entry.timesBefore === 0 ? 'first class' : entry.booked ? '' : 'not booked')}
              </span>
            </span>
            <span className="join">
              {MARKS.map((mark) => (
                <MarkButton
                  key={mark}
                  mark={mark}
                  name={entry.name}
                  compact={compact}
                  pressed={entry.attendance?.mark === mark}
                  onPress={(value) => roll.mark(entry.participantId, value)}
                />
              ))}
            </span>
          </li>
        ))}
      </ul>
      {roll.entries.length === 0 && (
        <p className="quiet py-2">Nobody is booked yet. Whoever walks in can be added below.</p>
      )}
      <WalkIn roll={roll} />
      {roll.error && (
        <p role="alert" className="text-error mt-2 font-medium">
          {roll.error}
        </p>
      )}
    </>
  );
}

interface MarkButtonProps {
  mark: Mark;
  name: string;
  compact: boolean;
  pressed: boolean;
  onPress: (mark: Mark | null) => void;
}

function MarkButton({ mark, name, compact, pressed, onPress }: MarkButtonProps) {
  const Icon = ICONS[mark];
  return (
    <button
      type="button"
      aria-pressed={pressed}
      aria-label={`${name}: ${MARK_NAMES[mark]}`}
      title={MARK_NAMES[mark]}
      onClick={() => onPress(pressed ? null : mark)}
      className={clsx(
        'btn join-item',
        compact ? 'btn-sm px-2' : 'btn-md',
        pressed && 'btn-primary',
      )}
    >
      <Icon size={compact ? 16 : 18} aria-hidden />
      {!compact && <span className="max-sm:hidden">{MARK_NAMES[mark]}</span>}
    </button>
  );
}

function WalkIn({ roll }: { roll: Roll }) {
  const [name, setName] = useState('');
  return (
    <form
      className="join mt-3 w-full"
      onSubmit={async (event) => {
        event.preventDefault();
        if (name.trim() && (await roll.walkIn(name.trim()))) setName('');
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
