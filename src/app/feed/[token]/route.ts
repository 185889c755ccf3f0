import { feedOf } from '@/server/calendar/feed';
import { now } from '@/server/clock';
import { db } from '@/server/db';

/** The sessions of a teacher for any calendar program. The address alone lets one in, and can be revoked. */
export async function GET(_: Request, { params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const calendar = await feedOf(db(), { token, now: now() });
  if (calendar === null)
    return new Response('This address leads nowhere any more.', { status: 404 });
  return new Response(calendar, {
    headers: {
      'Content-Type': 'text/calendar; charset=utf-8',
      'Cache-Control': 'private, no-store',
      'Content-Disposition': 'inline; filename="up-beat.ics"',
    },
  });
}
