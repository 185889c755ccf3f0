import { headers } from 'next/headers';
import { demoIsOn, isPublic } from '@/server/auth/demo';
import { db } from '@/server/db';
import { hasOwnStudio } from '@/server/studio/studios';

const LOCAL = /^(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/;

/** How further studios come to be: by anybody, by invitation of an owner, or not at all. */
export function signUp(): 'open' | 'invitation' | 'closed' {
  const set = process.env.UPBEAT_SIGN_UP;
  return set === 'open' || set === 'invitation' ? set : 'closed';
}

/**
 * Whether a studio may be made without a link: where signing up is open; and beside the demo, on the machine
 * itself, as long as there is no studio but the demo.
 */
export async function mayBegin(): Promise<boolean> {
  if (signUp() === 'open') return true;
  // What a request says of its host is believed only where nobody else can reach this server.
  if (!demoIsOn() || isPublic()) return false;
  const asked = await headers();
  const hosts = [asked.get('host'), asked.get('x-forwarded-host')].filter((h) => h !== null);
  return hosts.every((host) => LOCAL.test(host)) && !(await hasOwnStudio(db()));
}
