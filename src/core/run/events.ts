import { z } from 'zod';
import { markSchema } from '../attendance';
import { moveIdSchema } from '../move';

const base = {
  /** Made by the device that sends it, so that sending twice stores once. */
  id: z.uuid(),
  /** Epoch ms on the server's clock. */
  at: z.number().int().nonnegative(),
};

/** Longest single extension, in ms. */
export const MAX_EXTENSION_MS = 10 * 60_000;
/** How long a bend can be taken back, in ms. */
export const UNDO_MS = 10_000;

const stepKeySchema = z.string().min(1).max(200);
const noteSchema = z.string().trim().max(300);
const plain = <T extends string>(type: T) => z.strictObject({ ...base, type: z.literal(type) });

export const newRunEventSchema = z.discriminatedUnion('type', [
  z.strictObject({
    ...base,
    type: z.literal('started'),
    /** Which of the scores that the class was made ready with begins: that of the device. It is not kept in the log. */
    made: z.number().int().positive().optional(),
  }),
  plain('paused'),
  plain('resumed'),
  z.strictObject({
    ...base,
    type: z.literal('extended'),
    ms: z.number().int().positive().max(MAX_EXTENSION_MS),
  }),
  /** The rest that is running or comes next grows or, below nought, shrinks. */
  z.strictObject({
    ...base,
    type: z.literal('restChanged'),
    ms: z.number().int().min(-60_000).max(60_000),
  }),
  plain('roundAdded'),
  plain('again'),
  plain('back'),
  plain('next'),
  /** On to the next block. */
  plain('skipped'),
  /** The easier version for all, from the upbeat on. */
  plain('eased'),
  z.strictObject({
    ...base,
    type: z.literal('jumped'),
    stepId: stepKeySchema,
    /** How far into the step, in ms; its beginning where nothing is said. */
    intoMs: z.number().int().nonnegative().optional(),
  }),
  /** What a catch-up takes away, as it was worked out and shown. */
  z.strictObject({
    ...base,
    type: z.literal('trimmed'),
    cuts: z
      .array(z.strictObject({ key: stepKeySchema, ms: z.number().int().positive() }))
      .max(2000),
    dropped: z.array(stepKeySchema).max(2000),
  }),
  /** Straight to the close of the class. */
  plain('closing'),
  /** Takes the last bend back. */
  z.strictObject({ ...base, type: z.literal('undone'), of: z.uuid() }),
  plain('finished'),

  z.strictObject({
    ...base,
    type: z.literal('marked'),
    participantId: z.uuid(),
    mark: markSchema.nullable(),
  }),
  z.strictObject({
    ...base,
    type: z.literal('walkedIn'),
    participantId: z.uuid(),
    name: z.string().trim().min(1).max(80),
  }),
  z.strictObject({
    ...base,
    type: z.literal('left'),
    participantId: z.uuid(),
    gone: z.boolean(),
  }),
  /** Something to put right, noted for one person in one move. */
  z.strictObject({
    ...base,
    type: z.literal('corrected'),
    participantId: z.uuid(),
    moveId: moveIdSchema,
    note: noteSchema,
  }),
  /** A question to come back to. */
  z.strictObject({ ...base, type: z.literal('parked'), note: noteSchema.min(1) }),
  /** Takes a correction or a parked question out again. */
  z.strictObject({ ...base, type: z.literal('struck'), of: z.uuid() }),
  /** How it felt: 1 hard going to 5 easy. */
  z.strictObject({ ...base, type: z.literal('felt'), felt: z.number().int().min(1).max(5) }),
]);

/** What happened while a session was led, before the server has given it its place. */
export type NewRunEvent = z.infer<typeof newRunEventSchema>;
export type RunEventType = NewRunEvent['type'];
/** An event in the log: `seq` counts from 1 without gaps. */
export type RunEvent = NewRunEvent & { seq: number };
export const runEventSchema = z
  .looseObject({ seq: z.number() })
  .transform(({ seq, ...draft }) => ({ seq, draft }))
  .pipe(z.object({ seq: z.number().int().positive(), draft: newRunEventSchema }))
  .transform(({ seq, draft }): RunEvent => ({ ...draft, seq }));

export const ROOM_EVENTS = [
  'marked',
  'walkedIn',
  'left',
  'corrected',
  'parked',
  'struck',
  'felt',
] as const satisfies readonly RunEventType[];
/** Something about the people; it leaves the position alone. */
export type RoomEvent = Extract<NewRunEvent, { type: (typeof ROOM_EVENTS)[number] }>;
const isRoomType = (type: string): boolean => (ROOM_EVENTS as readonly string[]).includes(type);
export const isRoomEvent = <E extends NewRunEvent>(event: E): event is E & RoomEvent =>
  isRoomType(event.type);

/** An event that says nothing about people: a bend, or the beginning or end of a class. */
export type Bend = Exclude<RunEvent, RoomEvent>;
export const bendSchema = z.custom<Bend>(
  (event) => {
    const parsed = runEventSchema.safeParse(event);
    return parsed.success && !isRoomType(parsed.data.type);
  },
  { error: 'must be an event that says nothing about people' },
);
