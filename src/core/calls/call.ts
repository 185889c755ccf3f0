import { z } from 'zod';

/** One call that the browser makes to the server: where it goes, what it takes, what it answers. */
export interface Call<Asks extends z.ZodType = z.ZodType, Answers extends z.ZodType = z.ZodType> {
  method: 'GET' | 'POST' | 'PUT' | 'DELETE';
  /** Of the route; `[id]` stands for the id of what it is about. */
  path: string;
  /** What the id must look like, where the path has one. */
  id?: z.ZodType<string>;
  /** The body, or the query of a GET and of whatever takes a file. */
  asks: Asks;
  /** The body is a file of this type instead, which its handler reads itself. */
  takes?: 'application/zip' | 'application/octet-stream';
  /** The answer as JSON; for a file or a stream, what one message of it is. */
  answers: Answers;
}

/** The address of a call. */
export function addressOf(
  { path, method, takes }: Call,
  id?: string,
  asked?: Readonly<Record<string, unknown>>,
): string {
  const address = path.replace('[id]', encodeURIComponent(id ?? ''));
  if ((method !== 'GET' && !takes) || !asked) return address;
  const query = Object.entries(asked)
    .filter(([, value]) => value !== undefined)
    .map(([key, value]): [string, string] => [key, String(value)]);
  return query.length ? `${address}?${new URLSearchParams(query)}` : address;
}

/** Pieces that calls are written with. */
export const call = <A extends z.ZodType, B extends z.ZodType>(of: Call<A, B>): Call<A, B> => of;
export const nothing = z.object({});
/** Under which id something is sent that is to be made once, however often it is sent: until an answer has come. */
export const sentAs = z.uuid().default(() => crypto.randomUUID());
export const yesOrNo = z.enum(['yes', 'no']);
export const made = z.object({ id: z.string() });
/** An answer that is a file; it is not read as JSON. */
export const file = z.never();
