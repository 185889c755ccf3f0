'use server';

import { refresh } from 'next/cache';
import { cookies } from 'next/headers';
import { THEME_COOKIE } from './theme';

const YEAR_SECONDS = 365 * 86_400;

/** Changes between the theme for the day and the one for dim rooms, in this browser. */
export async function switchThemeAction(): Promise<void> {
  const jar = await cookies();
  const night = jar.get(THEME_COOKIE)?.value === 'night';
  jar.set(THEME_COOKIE, night ? 'day' : 'night', {
    httpOnly: true,
    sameSite: 'lax',
    path: '/',
    maxAge: YEAR_SECONDS,
  });
  refresh();
}
