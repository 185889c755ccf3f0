import { z } from 'zod';
import { came } from '@/core/attendance';
import { CALLS, type RegisterCell, type RegisterLine, registerCellSchema } from '@/core/calls';
import { ask, Refused } from './api';

/** What is done in a register, on its way to the server. */

/** Where acts of registers are kept, of whichever class of a studio: somebody of another one may sign in here next. */
export type Registers = `registers ${string}`;
export const registersOf = (studioId: string): Registers => `registers ${studioId}`;
export const isRegisters = (of: unknown): of is Registers =>
  typeof of === 'string' && of.startsWith(registersOf(''));

const actShape = {
  /** Also the id of the change that it makes. */
  id: z.uuid(),
  classId: z.uuid(),
};
const placeShape = {
  participantId: z.uuid(),
  sessionId: z.uuid(),
  /** How the register shows them once it is done; null where nothing is said of them. */
  shows: registerCellSchema.nullable(),
};

/** Something is said of somebody in one session, or nothing any more. */
const saidSchema = z.object({
  ...actShape,
  ...placeShape,
  type: z.literal('said'),
  said: CALLS.correctMark.asks.shape.said,
});
export type Said = z.infer<typeof saidSchema>;

/** A change is taken back: one that was made here, or any of the list. */
const takenBackSchema = z.object({
  ...actShape,
  type: z.literal('takenBack'),
  change: z.uuid(),
  of: z.object(placeShape).nullable(),
});

export const registerActSchema = z.discriminatedUnion('type', [saidSchema, takenBackSchema]);
export type RegisterAct = z.infer<typeof registerActSchema>;

/** What is said of somebody. */
export type Saying = NonNullable<Said['said']>;

/** How a cell shows what is said, until the server tells more of it. */
export function cellOf(
  sessionId: string,
  said: Saying,
  before: RegisterCell | undefined,
): RegisterCell {
  const inRoom = came(said.mark);
  const late = before?.mark === said.mark ? before.lateMinutes : 0;
  return {
    sessionId,
    mark: said.mark,
    lateMinutes: inRoom ? (said.lateMinutes ?? late) : 0,
    leftMinutes: inRoom ? (said.leftMinutes ?? before?.leftMinutes ?? 0) : 0,
    tookMinutes: null,
    changed: before?.changed ?? false,
  };
}

/**
 * Sends an act; done once, however often it is sent.
 * @param from first day of the register that is looked at, ISO 8601
 * @returns null where what was done here had changed nothing, so that there is nothing to take back
 * @throws what asking throws
 */
export async function sendAct(
  act: RegisterAct,
  from: string,
): Promise<{ change: string | null; line: RegisterLine | null } | null> {
  const { id } = act;
  if (act.type === 'said') {
    const { sessionId, participantId, said } = act;
    return ask(CALLS.correctMark, {
      id: sessionId,
      body: { change: id, participantId, said, from },
    });
  }
  try {
    const { line } = await ask(CALLS.takeBackMark, { id: act.change, body: { change: id, from } });
    return { change: id, line };
  } catch (problem) {
    if (act.of && problem instanceof Refused && problem.code === 'not-found') return null;
    throw problem;
  }
}

/** Refusals that the same act meets each time, however often it is sent. */
const FOR_GOOD = [
  'not-found',
  'cancelled',
  'not-yet-met',
  'changed-since',
  'too-many-changes',
  'not-as-asked',
];

/** Whether there is no use in sending an act again. */
export const isRefusedForGood = (problem: unknown): boolean =>
  problem instanceof Refused && problem.code !== undefined && FOR_GOOD.includes(problem.code);
