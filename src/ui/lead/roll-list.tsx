'use client';

import clsx from 'clsx';
import { DoorOpen } from 'lucide-react';
import { memo, useState } from 'react';
import { came, MARK_NAMES, MARKS, type Mark } from '@/core/attendance';
import type { RollEntry } from '@/core/calls';
import { greetingOf } from '@/core/today';
import { MARK_ICONS } from './mark-icons';
import { RollChips } from './roll-chips';
import { RollFinder } from './roll-finder';
import type { Roll } from './use-roll';

/** Beside the stage there is room for the marks that are made while a class runs. */
const COMPACT_MARKS: readonly Mark[] = ['here', 'late', 'absent'];
/** From so many people on names stand close, in columns. */
const MANY = 13;
/** Stands where the marks of whoever was touched last will stand, so that the names do not move. */
const TOUCHED = 'Touch a name: here, again: late, once more: not marked.';

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

/** The roll: whoever is touched is here; typing finds a name, or takes in somebody nobody expected. */
export function RollList(props: RollListProps) {
  const { roll, compact = false, started = true, note, keyOf, onPick } = props;
  const [touched, setTouched] = useState<string | null>(null);
  const many = roll.entries.length >= MANY;
  const alwaysOf = (entry: RollEntry) => usualNote(entry, roll.startsAt);
  const noteOf = (entry: RollEntry) => note?.(entry) ?? alwaysOf(entry);
  const last = roll.entries.find((e) => e.participantId === touched);
  return (
    <>
      <div className="bg-base-100 sticky top-0 z-10 pb-2">
        <RollFinder roll={roll} touch={setTouched} />
        {many && (
          <div className="mt-1.5 flex min-h-10 items-center gap-2">
            {last ? (
              <>
                <span className="min-w-0 leading-tight">
                  <span className="block truncate font-medium">{last.name}</span>
                  <span className="quiet block truncate text-xs">{noteOf(last)}</span>
                </span>
                <MarkButtons
                  entry={last}
                  roll={roll}
                  compact={compact}
                  started={started}
                  marks={MARKS}
                />
              </>
            ) : (
              <span className="quiet text-sm">{TOUCHED}</span>
            )}
          </div>
        )}
      </div>
      {many ? (
        <RollChips
          entries={roll.entries}
          roll={roll}
          compact={compact}
          noteOf={noteOf}
          alwaysOf={alwaysOf}
          touch={setTouched}
          keyOf={keyOf}
          onPick={onPick}
        />
      ) : (
        <ul className="divide-base-300 divide-y">
          {roll.entries.map((entry) => (
            <RollLine
              key={entry.participantId}
              entry={entry}
              roll={roll}
              compact={compact}
              started={started}
              note={noteOf(entry)}
              keyName={keyOf?.(entry.participantId)}
              onPick={onPick}
            />
          ))}
        </ul>
      )}
      {roll.entries.length === 0 && (
        <p className="quiet py-2">Nobody is booked yet. Whoever walks in can be added above.</p>
      )}
    </>
  );
}

function usualNote(entry: RollEntry, startsAt: number): string {
  if (entry.away) return 'cannot come';
  if (entry.waiting) return 'waiting for room';
  return greetingOf(entry, startsAt) ?? (entry.booked ? '' : 'not booked');
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
  const gone = (attendance?.leftAt ?? null) !== null;
  return (
    <li className={clsx('flex items-center gap-2', compact ? 'py-1' : 'py-2')}>
      {onPick && keyName && (
        <button
          type="button"
          className="btn btn-sm btn-square btn-accent upbeat-on-accent uppercase"
          aria-label={`Note it for ${name}`}
          aria-keyshortcuts={keyName}
          onClick={() => onPick(participantId)}
        >
          {keyName}
        </button>
      )}
      <span className="min-w-0 flex-1">
        <span className={clsx('block truncate font-medium', gone && 'line-through')}>{name}</span>
        <span className={clsx('text-accent block text-sm empty:hidden', compact && 'truncate')}>
          {gone ? 'left early' : note}
        </span>
      </span>
      <MarkButtons
        entry={entry}
        roll={roll}
        compact={compact}
        started={started}
        marks={compact ? COMPACT_MARKS : MARKS}
      />
    </li>
  );
});

/** Every mark of one person; pressing the one they have takes it back. */
function MarkButtons({
  entry: { participantId, name, attendance },
  roll,
  compact,
  started,
  marks,
}: Pick<RollLineProps, 'entry' | 'roll' | 'compact' | 'started'> & { marks: readonly Mark[] }) {
  const gone = (attendance?.leftAt ?? null) !== null;
  const size = compact ? 'btn-sm px-2' : 'btn-md px-3';
  return (
    <span className="flex">
      <span className="join">
        {marks.map((mark) => {
          const Icon = MARK_ICONS[mark];
          const pressed = attendance?.mark === mark;
          return (
            <button
              key={mark}
              type="button"
              aria-pressed={pressed}
              aria-label={`${name}: ${MARK_NAMES[mark]}`}
              title={MARK_NAMES[mark]}
              onClick={() => roll.mark(participantId, pressed ? null : mark)}
              className={clsx('btn join-item', size, pressed && 'btn-primary')}
            >
              <Icon size={compact ? 16 : 18} aria-hidden />
              {!compact && <span className="max-sm:hidden">{MARK_NAMES[mark]}</span>}
            </button>
          );
        })}
        {started && came(attendance?.mark) && (
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
      {started && !came(attendance?.mark) && (
        // The place of the last one stays, so that the marks do not move as they are made.
        <span aria-hidden className={clsx('btn invisible -ml-px', size)}>
          <DoorOpen size={compact ? 16 : 18} />
        </span>
      )}
    </span>
  );
}
