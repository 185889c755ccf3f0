import { now } from '@/server/clock';
import { db } from '@/server/db';
import { isReady } from '@/server/ready';

/** Whether this process can serve: its database answers, and has the schema that it knows. */
export async function GET(): Promise<Response> {
  const why = await isReady(db());
  return Response.json({ ok: why === null, why, now: now() }, { status: why === null ? 200 : 503 });
}
