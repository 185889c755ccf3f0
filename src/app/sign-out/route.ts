import { signOut, signOutEverywhere } from '@/server/auth/sign-ins';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { currentTeacher, dropToken, signInToken } from '../auth';
import { isCrossSite } from '../same-site';

/**
 * Signs out, here or on all devices, by a form and not by a call: the browser goes to another page, so that nothing of
 * the one before is left in it, and is told to forget what it kept.
 */
export async function POST(request: Request): Promise<Response> {
  if (isCrossSite(request)) return new Response(null, { status: 403 });
  const token = await signInToken();
  const teacher = await currentTeacher();
  if (teacher && new URL(request.url).searchParams.has('everywhere')) {
    await signOutEverywhere(db(), teacher.id, now());
  }
  if (token) await signOut(db(), token, now());
  await dropToken();
  return new Response(null, {
    status: 303,
    headers: { Location: '/sign-in', 'Clear-Site-Data': '"cache", "storage"' },
  });
}
