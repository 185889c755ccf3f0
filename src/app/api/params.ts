import { z } from 'zod';
import { NotFound } from '@/server/scope';

export interface IdParams {
  params: Promise<{ id: string }>;
}

/** The id of a route; one that is no id at all is as good as not found. */
export async function idOf({ params }: IdParams): Promise<string> {
  const parsed = z.uuid().safeParse((await params).id);
  if (!parsed.success) throw new NotFound('There is nothing under this address.');
  return parsed.data;
}
