import { useMemo } from 'react';
import { newId } from '@/browser/new-id';
import { came, isAwaited, type Mark, type OnRoll } from '@/core/attendance';
import type { RollEntry } from '@/core/calls';
import { toldApart } from '@/core/people';
import { isRoomEvent, NO_NOTES, type Notes, noted, onRoll, type Present } from '@/core/run';
import type { Log } from './use-log';

export interface Roll {
  sessionId: string;
  /** When it is on the calendar, epoch ms. */
  startsAt: number;
  entries: readonly RollEntry[];
  notes: Notes;
  mark: (participantId: string, mark: Mark | null) => void;
  left: (participantId: string, gone: boolean) => void;
  /** @returns the id under which they stand on the roll */
  walkIn: (name: string) => string;
  /** Somebody of the register who was not expected here. */
  takeIn: (person: { id: string; name: string }) => void;
  /** @returns the id of the correction */
  correct: (participantId: string, moveId: string, note?: string) => string;
  park: (note: string) => void;
  strike: (of: string) => void;
  felt: (felt: number) => void;
}

export const isHere = ({ attendance }: Pick<RollEntry, 'attendance'>): boolean =>
  attendance !== null && came(attendance.mark) && attendance.leftAt === null;

/** Whether somebody stands in the room, as far as is known: a class is often begun before everybody is marked. */
export const mayBeHere = (entry: OnRoll): boolean => isHere(entry) || isAwaited(entry);

const newcomer = (person: Present): RollEntry => ({
  ...person,
  waiting: false,
  away: false,
  timesBefore: 0,
  greet: true,
  lastAt: null,
  cautions: [],
  notes: [],
  met: [],
});

/** What a page knew of the people when it came: the roll, and the ids of the events that are in it. */
export interface RollAtFirst {
  entries: readonly RollEntry[];
  seen: ReadonlySet<string>;
}

/**
 * The roll and the notes of a session: what the register held when the page came, and the log since. What
 * was in the register already is not gone through again, since it may have been corrected there.
 */
export function useRoll(
  { entries: initial, seen }: RollAtFirst,
  { events, add }: Log,
  {
    session: { id: sessionId, startsAt },
    refresh,
  }: { session: { id: string; startsAt: number }; refresh: () => Promise<void> },
): Roll {
  const folded = useMemo(() => {
    const room = events.filter(isRoomEvent);
    return {
      entries: toldApart(
        room
          .filter(({ id }) => !seen.has(id))
          .reduce((roll, event) => onRoll(roll, event, newcomer), initial),
        (entry) => entry.participantId,
      ),
      notes: room.reduce<Notes>(noted, NO_NOTES),
    };
  }, [events, initial, seen]);
  return useMemo(
    () => ({
      ...folded,
      sessionId,
      startsAt,
      mark: (participantId, mark) => void add({ type: 'marked', participantId, mark }),
      left: (participantId, gone) => void add({ type: 'left', participantId, gone }),
      walkIn: (name) => {
        const participantId = newId();
        add({ type: 'walkedIn', participantId, name });
        // To whom all is new: the class may explain more.
        void refresh();
        return participantId;
      },
      takeIn: ({ id, name }) => {
        add({ type: 'walkedIn', participantId: id, name });
        // What they carry, and what was noted of them, is known to the register alone.
        void refresh();
      },
      correct: (participantId, moveId, note = '') => {
        const person = folded.entries.find((e) => e.participantId === participantId);
        // Whoever is corrected is there, and would be stored as not here.
        if (person?.attendance === null) add({ type: 'marked', participantId, mark: 'here' });
        return add({ type: 'corrected', participantId, moveId, note });
      },
      park: (note) => void add({ type: 'parked', note }),
      strike: (of) => void add({ type: 'struck', of }),
      felt: (felt) => void add({ type: 'felt', felt }),
    }),
    [folded, add, sessionId, startsAt, refresh],
  );
}
