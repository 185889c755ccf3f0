import { z } from 'zod';
import { addressOf, type Call, REFUSALS, type RefusalCode } from '@/core/calls';

const refusalSchema = z.object({
  code: z
    .enum(Object.keys(REFUSALS) as [RefusalCode, ...RefusalCode[]])
    .optional()
    .catch(undefined),
  message: z.string(),
});

/** A refusal the server explained; the message is written for the teacher. */
export class Refused extends Error {
  constructor(
    readonly code: RefusalCode | undefined,
    message: string,
    /** The answer as it came. */
    readonly body: unknown,
  ) {
    super(message);
  }
}

/** Thrown where no answer came at all: the connection or the server is away for now. */
export class Unreachable extends Error {}

/** Statuses of whoever stands before a server that is away. */
const AWAY = [502, 503, 504];

/** What shows that somebody has a page of their own, where they have no other sign-in. */
export const byHome = (token?: string): Record<string, string> =>
  token ? { Authorization: `Bearer ${token}` } : {};

export interface Asking<Body> {
  id?: string;
  body?: Body;
  file?: Blob;
  /** The token of somebody's own page, where that is who asks. */
  home?: string;
}

/**
 * Makes a call to the app's own server and reads the answer as the contract has it.
 * @throws Refused where the server said no, Unreachable where it did not answer
 */
export async function ask<Asks extends z.ZodType, Answers extends z.ZodType>(
  call: Call<Asks, Answers>,
  { id, body, file, home }: Asking<z.input<Asks>> = {},
): Promise<z.output<Answers>> {
  let response: Response;
  let text: string;
  try {
    response = await fetch(addressOf(call, id, body as Record<string, unknown>), {
      method: call.method,
      headers: { 'Content-Type': call.takes ?? 'application/json', ...byHome(home) },
      body: call.method === 'GET' ? undefined : (file ?? JSON.stringify(body ?? {})),
    });
    // The connection can be lost after the answer has begun.
    text = await response.text();
  } catch (error) {
    throw new Unreachable(error instanceof Error ? error.message : String(error));
  }
  if (AWAY.includes(response.status) || !response.ok) throw refusedBy(response.status, text);
  return call.answers.parse(jsonIn(text));
}

function jsonIn(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    // Whoever stands before the server may answer with a page of its own.
    return null;
  }
}

/** What an answer that is no success means. A server that explains itself is there, whatever it is busy with. */
export function refusedBy(status: number, text: string): Refused | Unreachable {
  const json = jsonIn(text);
  const said = refusalSchema.safeParse(json).data;
  if (AWAY.includes(status) && !said?.code) return new Unreachable(text.slice(0, 200));
  return new Refused(said?.code, said?.message ?? `The server answered ${status}.`, json);
}

/** Whether a call failed for a reason that a person can be told. */
export const isExpected = (problem: unknown): problem is Refused | Unreachable =>
  problem instanceof Refused || problem instanceof Unreachable;

/**
 * What a person reads when a call failed: what went wrong and what to do.
 * @param kept what has not been lost, where the server is away, as a sentence
 * @throws the problem itself where it is a fault of the program
 */
export function toldOf(problem: unknown, kept = ''): string {
  if (problem instanceof Refused) return problem.message;
  if (problem instanceof Unreachable) {
    return `${kept && `${kept} `}The server does not answer. Try again in a moment.`;
  }
  throw problem;
}
