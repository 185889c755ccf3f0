/** Every table that says something of a person, and what tells its rows of one person apart. */
export const PERSON_TABLES = [
  { name: 'bookings', key: 'class_id', refers: 'classes' },
  { name: 'session_bookings', key: 'session_id', refers: 'sessions' },
  { name: 'attendance', key: 'session_id', refers: 'sessions' },
  { name: 'days_off', key: 'day', refers: null },
  { name: 'home_classes', key: 'class_id', refers: 'classes' },
  { name: 'enrolments', key: 'programme_id', refers: 'programmes' },
  { name: 'check_ins', key: 'week', refers: null },
  { name: 'pauses', key: null, refers: null },
  { name: 'attendance_changes', key: null, refers: null },
  { name: 'form_notes', key: null, refers: null },
  { name: 'practice', key: null, refers: null },
] as const;
