import { notFound } from 'next/navigation';
import { Refusal } from '@/core/calls';

/** For pages: what the server layer cannot find in the studio becomes a 404. */
export async function orNotFound<T>(work: Promise<T>): Promise<T> {
  try {
    return await work;
  } catch (error) {
    if (error instanceof Refusal && error.code === 'not-found') notFound();
    throw error;
  }
}
