'use server';

import { refresh } from 'next/cache';
import { cookies } from 'next/headers';
import { LOOK_COOKIE } from './look';

const YEAR_SECONDS = 365 * 86_400;

/** Changes between the look by day and the one by night, in this browser. */
export async function switchLookAction(): Promise<void> {
  const jar = await cookies();
  const night = jar.get(LOOK_COOKIE)?.value === 'night';
  jar.set(LOOK_COOKIE, night ? 'day' : 'night', {
    httpOnly: true,
    sameSite: 'lax',
    path: '/',
    maxAge: YEAR_SECONDS,
  });
  refresh();
}
