import { z } from 'zod';
import { attendanceSchema, markSchema } from '../attendance';
import { planSchema } from '../class';
import { carriedCautionSchema, languageSchema } from '../move';
import { runEventSchema } from '../run';
import { scoreSchema } from '../score';
import { type BeatLine, LOOKS, PERS } from '../streak';

/** What the server answers with, where several calls do. */

/** A stored class, and which of its versions it is. */
export const storedPlanSchema = z.object({ plan: planSchema, version: z.number() });
export type StoredPlan = z.infer<typeof storedPlanSchema>;

export const classVersionSchema = z.object({
  version: z.number(),
  plan: planSchema,
  /** Epoch ms. */
  savedAt: z.number(),
  /** Name of the teacher, empty for the state the class began in. */
  savedBy: z.string(),
});
export type ClassVersion = z.infer<typeof classVersionSchema>;

/** Somebody on the roll of a session: booked, waiting for room, or walked in. */
export const rollEntrySchema = z.object({
  participantId: z.uuid(),
  name: z.string(),
  booked: z.boolean(),
  /** Booked too, but there was no room left; nobody has to mark them. */
  waiting: z.boolean(),
  /** They said that they cannot come. */
  away: z.boolean(),
  /** Held sessions they came to before this one. */
  timesBefore: z.number(),
  attendance: attendanceSchema.nullable(),
  cautions: z.array(carriedCautionSchema),
  /** Whether round numbers and streaks of theirs may be greeted. */
  greet: z.boolean(),
  /** When they came last before this session, epoch ms; null where they never did. */
  lastAt: z.number().nullable(),
  /** What was noted of their form in earlier sessions, the newest first. */
  notes: z.array(
    z.object({
      moveId: z.string(),
      note: z.string(),
      /** Epoch ms. */
      at: z.number(),
    }),
  ),
  /** Ids of the moves they have met. */
  met: z.array(z.string()),
});
export type RollEntry = z.infer<typeof rollEntrySchema>;
/** Something to watch in how a person does a move. */
export type FormNote = RollEntry['notes'][number];

/** A clock on a wall somewhere in the world, as `WallClock` has it. */
const wallClockSchema = z.object({
  from: z.number(),
  aheadMs: z.number(),
  change: z.object({ at: z.number(), aheadMs: z.number() }).optional(),
});

/** Who is booked on a class and what they carry, and the calendar of it, as Compose has to know them. */
export const roomSchema = z.object({
  people: z.array(
    z.object({
      id: z.uuid(),
      name: z.string(),
      cautions: z.array(carriedCautionSchema),
      /** Ids of the moves they have met. */
      met: z.array(z.string()),
    }),
  ),
  /** Moves of the last sessions of the class. */
  recent: z.array(z.string()),
  /** Most sessions of the class in one ISO week, from the current week on. */
  sessionsAWeek: z.number(),
  /** The clock in the studio from when the class meets next; null where nothing is planned. */
  next: wallClockSchema.nullable(),
});

/** What happened in a session, who leads it, and the server's time as it said so. */
export const logSchema = z.object({
  events: z.array(runEventSchema),
  /** The device that leads; null until one does. */
  leader: z.string().nullable(),
  /** Which of the scores it was made ready with is led, or would be if it began now; 0 until it was. */
  made: z.number().int().nonnegative().default(0),
  /** Epoch ms on the server's clock. */
  now: z.number(),
});
export type LogAnswer = z.infer<typeof logSchema>;

/** The class as it is led: as planned, and with the easier version of every move that has one. */
export const scoresSchema = z.object({
  score: scoreSchema,
  easier: scoreSchema.nullable(),
  /** Its number, by which two that a class was made ready with are told apart. */
  made: z.number().int().nonnegative().default(0),
});
export type Scores = z.infer<typeof scoresSchema>;

/** A cue in a teacher's own voice. */
export const recordingSchema = z.object({
  id: z.uuid(),
  language: languageSchema,
  text: z.string(),
  ms: z.number(),
  /** Epoch ms. */
  recordedAt: z.number(),
});
export type Recording = z.infer<typeof recordingSchema>;

/** What the register of a class says of one person in one session. */
export const registerCellSchema = z.object({
  sessionId: z.uuid(),
  mark: markSchema,
  /** Whole minutes: after the start, before the end, and how long they took part. */
  lateMinutes: z.number(),
  leftMinutes: z.number(),
  tookMinutes: z.number().nullable(),
  /** It was changed after the session was closed. */
  changed: z.boolean(),
});
export type RegisterCell = z.infer<typeof registerCellSchema>;

const arcSchema = z.object({ from: z.number().int(), to: z.number().int(), now: z.boolean() });
const beatLineSchema = z.object({
  per: z.enum(PERS),
  current: z.number().int(),
  longest: z.number().int(),
  looks: z.array(z.enum(LOOKS)),
  says: z.string(),
  arcs: z.array(arcSchema),
}) satisfies z.ZodType<BeatLine>;

/** One person in the register of a class. */
export const registerLineSchema = z.object({
  participantId: z.uuid(),
  name: z.string(),
  /** Booked on the class now. */
  booked: z.boolean(),
  /** Ids of the sessions they are or were expected in. */
  expected: z.array(z.uuid()),
  cells: z.array(registerCellSchema),
  streak: beatLineSchema.nullable(),
  /** Of the sessions that were marked, without excuses. */
  came: z.number(),
  of: z.number(),
  /** What is worth knowing of them. */
  says: z.string(),
});
export type RegisterLine = z.infer<typeof registerLineSchema>;

/** A correction of the register, as it can be read. */
export const registerChangeSchema = z.object({
  id: z.uuid(),
  /** Such as "Marit, Tue 24 Nov 2026: not here became late". */
  says: z.string(),
  by: z.string(),
  /** When, as it is shown. */
  at: z.string(),
});
export type RegisterChange = z.infer<typeof registerChangeSchema>;

/** The account of a streak. */
export const streakToldSchema = z.object({
  classId: z.uuid(),
  className: z.string(),
  ended: z.boolean(),
  line: beatLineSchema,
  /** "6 meetings in a row". */
  count: z.string(),
  /** What was kept of what was asked in the last 12 weeks. */
  lately: z.object({ kept: z.number(), asked: z.number() }),
  rule: z.string(),
  account: z.array(z.object({ when: z.string(), says: z.string(), count: z.number() })),
});
export type StreakTold = z.infer<typeof streakToldSchema>;

/** The door of a session as its teacher sees it. */
export const doorSchema = z.object({
  door: z
    .object({
      code: z.string(),
      shut: z.boolean(),
      /** Whoever followed may do the class again alone. */
      takeHome: z.boolean(),
      /** Where somebody types the code, and where its picture leads. */
      place: z.string(),
      address: z.string(),
      /** The address as a QR code: how many squares a side, and the dark ones as an SVG path. */
      qr: z.object({ size: z.number(), path: z.string() }),
    })
    .nullable(),
  followers: z.array(
    z.object({
      id: z.uuid(),
      name: z.string().nullable(),
      participantId: z.uuid().nullable(),
      joinedAt: z.number(),
      there: z.boolean(),
    }),
  ),
});
export type DoorAnswer = z.infer<typeof doorSchema>;
