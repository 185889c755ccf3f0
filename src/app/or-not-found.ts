import { notFound } from 'next/navigation';
import { Refusal } from '@/core/calls';
import { isDataError } from '@/server/db';

/** For pages: what the server layer cannot find in the studio becomes a 404. */
export async function orNotFound<T>(work: Promise<T>): Promise<T> {
  try {
    return await work;
  } catch (error) {
    // What the database cannot even look for is nowhere either.
    if (error instanceof Refusal && error.code === 'not-found') notFound();
    if (isDataError(error)) notFound();
    throw error;
  }
}
