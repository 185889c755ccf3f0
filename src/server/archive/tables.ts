import { z } from 'zod';
import { attendanceSchema, MARKS } from '@/core/attendance';
import { SESSION_STATUSES } from '@/core/calendar';
import { planSchema, SAY } from '@/core/class';
import { carriedCautionSchema, languageSchema, moveIdSchema, moveSchema } from '@/core/move';
import { scoreSchema } from '@/core/score';
import { saidWordSchema, soundsSchema, speechChoiceSchema, VOICES, wavMs } from '@/core/speech';
import { streakRuleSchema } from '@/core/streak';
import { emailSchema, ROLES } from '@/core/studio';
import { readerOf } from '../music/intake';
import {
  type Column,
  day,
  flag,
  id,
  instant,
  json,
  jsonOf,
  maybe,
  oneOf,
  since,
  text,
  whole,
} from './columns';

/** Something of a row that is a file of its own. */
export interface FileColumn {
  path: (row: Readonly<Record<string, unknown>>) => string;
  /** Bytes as they are, or JSON. */
  as: 'bytes' | 'json';
  optional?: true;
  /** @throws ZodError where the file is not as it should be */
  check: (bytes: Uint8Array) => void;
}

/** A table of an archive. They are in the order in which their rows need each other. */
export interface Table {
  /** Of the database. */
  name: string;
  file: string;
  /** The number of the format that has it first. */
  added?: number;
  columns: Readonly<Record<string, Column>>;
  files?: Readonly<Record<string, FileColumn>>;
  /** Which columns tell rows apart and order them. */
  key: readonly string[];
}

const inFile = (schema: z.ZodType) => (bytes: Uint8Array) => {
  schema.parse(jsonOf(new TextDecoder().decode(bytes)));
};
const planIn = (path: FileColumn['path']): FileColumn => ({
  path,
  as: 'json',
  check: inFile(planSchema),
});
const scoreIn = (name: string): Omit<FileColumn, 'optional'> => ({
  path: (row) => `runs/${row.id}.${name}.json`,
  as: 'json',
  check: inFile(scoreSchema),
});
const wav: FileColumn = {
  path: (row) => `recordings/${row.id}.wav`,
  as: 'bytes',
  check: (bytes) => {
    z.number('is no WAV file of one channel with 16 bits').parse(wavMs(bytes));
  },
};
const mp3: FileColumn = {
  path: (row) => `music/${row.id}.mp3`,
  as: 'bytes',
  check: (bytes) => {
    z.literal('mp3', 'is no MP3 file').parse(readerOf(bytes));
  },
};
const language: Column = { write: String, read: (given) => languageSchema.parse(given) };
const email: Column = { write: String, read: (given) => emailSchema.parse(given) };
const moveId: Column = { write: String, read: (given) => moveIdSchema.parse(given) };

export const TABLES: readonly Table[] = [
  {
    name: 'moves',
    file: 'moves.csv',
    columns: { id: moveId, updated_at: instant },
    files: {
      move: { path: (row) => `moves/${row.id}.json`, as: 'json', check: inFile(moveSchema) },
    },
    key: ['id'],
  },
  {
    name: 'classes',
    file: 'classes.csv',
    columns: {
      id,
      version: whole,
      created_at: instant,
      updated_at: instant,
      take_home: since(3, flag, 'no'),
      put_away_at: since(6, maybe(instant), ''),
    },
    files: { plan: planIn((row) => `classes/${row.id}.upbeat.json`) },
    key: ['id'],
  },
  {
    name: 'class_versions',
    file: 'class-versions.csv',
    columns: { class_id: id, version: whole, saved_at: instant, saved_by: text(200) },
    files: { plan: planIn((row) => `class-versions/${row.class_id}-${row.version}.upbeat.json`) },
    key: ['class_id', 'version'],
  },
  {
    name: 'participants',
    file: 'people.csv',
    columns: {
      id,
      name: text(80),
      contact: maybe(text(200)),
      language: since(2, maybe(language), ''),
      joined_on: day,
      left_on: since(2, maybe(day), ''),
      check_ins_consent_on: since(2, maybe(day), ''),
      greet: since(2, flag, 'yes'),
      cautions: json(z.array(carriedCautionSchema).max(100)),
      cautions_consent_on: maybe(day),
      created_at: instant,
    },
    key: ['id'],
  },
  {
    name: 'bookings',
    file: 'bookings.csv',
    columns: {
      class_id: id,
      participant_id: id,
      since: instant,
      until: since(2, maybe(instant), ''),
      back_at: since(7, maybe(instant), ''),
    },
    key: ['class_id', 'participant_id'],
  },
  {
    name: 'pauses',
    file: 'pauses.csv',
    added: 2,
    columns: { id, participant_id: id, from_date: day, to_date: day, created_at: instant },
    key: ['id'],
  },
  {
    name: 'days_off',
    file: 'days-off.csv',
    added: 2,
    columns: { participant_id: id, day },
    key: ['participant_id', 'day'],
  },
  {
    name: 'practice',
    file: 'practice.csv',
    added: 2,
    columns: { id, participant_id: id, at: instant, seconds: maybe(whole), by_teacher: flag },
    key: ['id'],
  },
  {
    name: 'streak_rules',
    file: 'streak-rules.csv',
    added: 2,
    columns: {
      id,
      class_id: maybe(id),
      from_date: day,
      rule: json(streakRuleSchema),
      created_at: instant,
    },
    key: ['id'],
  },
  {
    name: 'home_classes',
    file: 'home-classes.csv',
    added: 2,
    columns: { class_id: id, participant_id: id, given_at: instant },
    key: ['participant_id', 'class_id'],
  },
  {
    name: 'programmes',
    file: 'programmes.csv',
    added: 2,
    columns: {
      id,
      name: text(80),
      class_id: maybe(id),
      home_class_id: maybe(id),
      rule: json(streakRuleSchema),
      weeks: whole,
      created_at: instant,
      ended_on: maybe(day),
    },
    key: ['id'],
  },
  {
    name: 'enrolments',
    file: 'enrolments.csv',
    added: 2,
    columns: { programme_id: id, participant_id: id, from_date: day, until_date: maybe(day) },
    key: ['participant_id', 'programme_id'],
  },
  {
    name: 'check_ins',
    file: 'check-ins.csv',
    added: 2,
    columns: {
      id,
      participant_id: id,
      week: whole,
      jaw: whole,
      brow: whole,
      evenness: whole,
      words: text(),
      at: instant,
    },
    key: ['id'],
  },
  {
    name: 'former_people',
    file: 'former-people.csv',
    added: 2,
    columns: { id, now_id: maybe(id), at: instant },
    key: ['id'],
  },
  {
    name: 'series',
    file: 'series.csv',
    columns: { id, recurrence: text(), start_date: day, created_at: instant },
    key: ['id'],
  },
  {
    name: 'closures',
    file: 'closed-days.csv',
    columns: { id, from_date: day, to_date: day, name: text(80), created_at: instant },
    key: ['id'],
  },
  {
    name: 'sessions',
    file: 'sessions.csv',
    columns: {
      id,
      class_id: id,
      starts_at: instant,
      status: oneOf(SESSION_STATUSES),
      series_id: maybe(id),
      occurrence: maybe(text(16)),
      teacher_id: maybe(id),
      place: maybe(text(200)),
      link: maybe(text(400)),
      word: maybe(text()),
      closure_id: maybe(id),
      room_for: maybe(whole),
      created_at: instant,
    },
    key: ['id'],
  },
  {
    name: 'session_bookings',
    file: 'session-bookings.csv',
    columns: { session_id: id, participant_id: id, coming: maybe(flag), at: instant },
    key: ['session_id', 'participant_id'],
  },
  {
    name: 'attendance',
    file: 'attendance.csv',
    columns: {
      session_id: id,
      participant_id: id,
      mark: oneOf(MARKS),
      arrived_at: maybe(instant),
      left_at: maybe(instant),
    },
    key: ['session_id', 'participant_id'],
  },
  {
    name: 'attendance_changes',
    file: 'register-changes.csv',
    added: 2,
    columns: {
      id,
      session_id: id,
      participant_id: id,
      by_name: text(200),
      at: instant,
      before: maybe(json(attendanceSchema)),
      after: maybe(json(attendanceSchema)),
    },
    key: ['id'],
  },
  {
    name: 'nameless_marks',
    file: 'nameless-marks.csv',
    added: 2,
    columns: { session_id: id, mark: oneOf(MARKS), people: whole },
    key: ['session_id', 'mark'],
  },
  {
    name: 'runs',
    file: 'runs.csv',
    columns: {
      id,
      session_id: id,
      started_at: maybe(instant),
      finished_at: maybe(instant),
      created_at: instant,
    },
    files: {
      score: { ...scoreIn('score'), optional: true },
      easier: { ...scoreIn('easier'), optional: true },
    },
    key: ['id'],
  },
  {
    name: 'run_events',
    file: 'run-events.csv',
    columns: {
      run_id: id,
      seq: whole,
      id,
      at_ms: whole,
      type: text(40),
      data: json(z.record(z.string(), z.unknown())),
      received_at: instant,
    },
    key: ['run_id', 'seq'],
  },
  {
    name: 'answered_questions',
    file: 'answered-questions.csv',
    columns: { run_id: id, event_id: id, answered_at: instant },
    key: ['run_id', 'event_id'],
  },
  {
    name: 'form_notes',
    file: 'notes.csv',
    columns: {
      id,
      participant_id: id,
      session_id: id,
      move_id: moveId,
      note: text(),
      noted_at: instant,
      seen_at: maybe(instant),
      settled_at: since(2, maybe(instant), ''),
    },
    key: ['id'],
  },
  {
    name: 'recordings',
    file: 'recordings.csv',
    columns: { id, teacher_id: id, language, text: text(), ms: whole, recorded_at: instant },
    files: { wav },
    key: ['id'],
  },
  {
    name: 'music',
    file: 'music.csv',
    added: 4,
    columns: { id, name: text(80), ms: whole, added_at: instant },
    files: { sound: mp3 },
    key: ['id'],
  },
  {
    name: 'said_words',
    file: 'said-words.csv',
    added: 3,
    columns: {
      id,
      language,
      written: { write: String, read: (given) => saidWordSchema.shape.written.parse(given) },
      said: { write: String, read: (given) => saidWordSchema.shape.said.parse(given) },
      created_at: instant,
    },
    key: ['id'],
  },
  {
    name: 'talk_samples',
    file: 'talk.csv',
    columns: {
      session_id: id,
      teacher_id: id,
      cues_ms: whole,
      taken_ms: whole,
      offered_ms: since(2, whole, (line) => line.cues_ms ?? ''),
      left_out_ms: since(2, whole, '0'),
      say: since(2, oneOf(SAY), 'all'),
      self: since(2, flag, 'no'),
      led_at: instant,
    },
    key: ['session_id'],
  },
];

/** Teachers are not stored as they are written: their accounts are made anew. */
export const TEACHERS: Table = {
  name: 'teachers',
  file: 'teachers.csv',
  columns: {
    id,
    email,
    name: text(80),
    role: oneOf(ROLES),
    voice: oneOf(VOICES),
    own_voice: flag,
    speaks_self: since(2, flag, 'no'),
    voices: since(3, json(speechChoiceSchema.shape.voices), '{}'),
    sounds: since(3, json(soundsSchema), '{}'),
    device_voices: since(5, json(speechChoiceSchema.shape.deviceVoices), '{}'),
    created_at: instant,
  },
  key: ['id'],
};
