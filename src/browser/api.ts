import { z } from 'zod';

/** A refusal the server explained; the message is written for the teacher. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly body: unknown,
  ) {
    super(message);
  }
}

/** Thrown where no answer came at all: the connection or the server is away for now. */
export class Unreachable extends Error {}

const messageSchema = z.object({ message: z.string() });

/**
 * Calls the app's own server with JSON and reads the answer through a schema.
 * @throws Refused where the server said no, Unreachable where it did not answer
 */
export async function call<T>(
  method: 'GET' | 'POST' | 'PUT' | 'DELETE',
  url: string,
  body: unknown,
  schema: z.ZodType<T>,
  options: { keepalive?: boolean } = {},
): Promise<T> {
  let response: Response;
  try {
    response = await fetch(url, {
      method,
      headers: { 'Content-Type': 'application/json' },
      body: method === 'GET' ? undefined : JSON.stringify(body),
      ...options,
    });
  } catch (error) {
    throw new Unreachable(error instanceof Error ? error.message : String(error));
  }
  const text = await response.text();
  if (response.status >= 502 && response.status <= 504) throw new Unreachable(text.slice(0, 200));
  let json: unknown = null;
  try {
    json = JSON.parse(text);
  } catch {
    json = null;
  }
  if (!response.ok) {
    const said = messageSchema.safeParse(json);
    const message = said.success ? said.data.message : `The server answered ${response.status}.`;
    throw new Refused(response.status, message, json);
  }
  return schema.parse(json);
}
