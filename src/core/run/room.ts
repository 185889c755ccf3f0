import { type Attendance, came, marked } from '../attendance';
import type { RoomEvent } from './events';

/** Somebody on the roll, as far as events change it. */
export interface Present {
  participantId: string;
  name: string;
  booked: boolean;
  attendance: Attendance | null;
}

export interface Correction {
  id: string;
  at: number;
  participantId: string;
  moveId: string;
  note: string;
}

export interface Parked {
  id: string;
  at: number;
  note: string;
}

/** What was noted about the people and the class besides who was there. */
export interface Notes {
  corrections: readonly Correction[];
  parked: readonly Parked[];
  felt: number | null;
}

export const NO_NOTES: Notes = { corrections: [], parked: [], felt: null };

/**
 * The roll after one more event. An event about somebody who is not on the roll changes nothing.
 * @param newcomer makes an entry of somebody who walked in
 */
export function onRoll<P extends Present>(
  roll: readonly P[],
  event: RoomEvent,
  newcomer: (person: Present) => P,
): readonly P[] {
  const change = (id: string, attendance: (before: Attendance | null) => Attendance | null) =>
    roll.map((p) => (p.participantId === id ? { ...p, attendance: attendance(p.attendance) } : p));
  switch (event.type) {
    case 'marked':
      return change(
        event.participantId,
        (before) => event.mark && marked(before ?? undefined, event.mark, event.at),
      );
    case 'left':
      return change(event.participantId, (before) =>
        before && came(before.mark) ? { ...before, leftAt: event.gone ? event.at : null } : before,
      );
    case 'walkedIn': {
      if (roll.some((p) => p.participantId === event.participantId)) return roll;
      const attendance = marked(undefined, 'here', event.at);
      const { participantId, name } = event;
      return [...roll, newcomer({ participantId, name, booked: false, attendance })];
    }
    default:
      return roll;
  }
}

/** The notes after one more event. */
export function noted(notes: Notes, event: RoomEvent): Notes {
  const { id, at } = event;
  switch (event.type) {
    case 'corrected': {
      const { participantId, moveId, note } = event;
      const correction = { id, at, participantId, moveId, note };
      return { ...notes, corrections: [...notes.corrections, correction] };
    }
    case 'parked':
      return { ...notes, parked: [...notes.parked, { id, at, note: event.note }] };
    case 'struck':
      return {
        ...notes,
        corrections: notes.corrections.filter((c) => c.id !== event.of),
        parked: notes.parked.filter((q) => q.id !== event.of),
      };
    case 'felt':
      return { ...notes, felt: event.felt };
    default:
      return notes;
  }
}
