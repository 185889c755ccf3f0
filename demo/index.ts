export { choir, nightShift, online } from './classes';
export { type DemoPerson, MARK_OF, PEOPLE, PROGRAMME } from './people';

export const STUDIO = { name: 'Tern Quay Community Hall', timeZone: 'Europe/Dublin' };
export const TEACHER = { name: 'Ines Farrow', email: 'ines@tern-quay.example' };

/** Weekly meetings of the demo classes: ISO weekday and local time. */
export const TIMETABLE = [
  {
    key: 'choir',
    weekday: 2,
    hour: 12,
    minute: 15,
    cancelledWeeksAgo: 4,
    place: 'Hall 2',
    link: null,
    roomFor: 12,
  },
  {
    key: 'nightShift',
    weekday: 4,
    hour: 18,
    minute: 30,
    cancelledWeeksAgo: null,
    place: 'Hall 1',
    link: null,
    roomFor: 7,
  },
  {
    key: 'online',
    weekday: 5,
    hour: 8,
    minute: 0,
    cancelledWeeksAgo: 2,
    place: null,
    link: 'https://call.tern-quay.example/cameras-on',
    roomFor: null,
  },
] as const;
export const WEEKS = 8;
/** Weeks in which the hall is closed, so many weeks from now. */
export const CLOSED = [{ name: 'Harbour festival', inWeeks: 4, weeks: 1 }] as const;
/** What was left from the last meeting of the choir: a question, and something to watch. */
export const PARKED = 'May I do this with contact lenses in?';
export const FORM_NOTE = {
  name: 'Priya',
  move: 'soft-jaw-drop',
  note: 'left mouth corner sits lower',
} as const;
