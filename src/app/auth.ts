import { cookies, headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { cache } from 'react';
import { SIGN_IN_COOKIE, SIGN_IN_DAYS, type Teacher, teacherOf } from '@/server/auth/sign-ins';
import { now } from '@/server/clock';
import { db } from '@/server/db';

export async function signInToken(): Promise<string | undefined> {
  return (await cookies()).get(SIGN_IN_COOKIE)?.value;
}

export async function keepToken(token: string): Promise<void> {
  const secure = (await headers()).get('x-forwarded-proto') === 'https';
  (await cookies()).set(SIGN_IN_COOKIE, token, {
    httpOnly: true,
    sameSite: 'lax',
    secure,
    path: '/',
    maxAge: SIGN_IN_DAYS * 86_400,
  });
}

export async function dropToken(): Promise<void> {
  (await cookies()).delete(SIGN_IN_COOKIE);
}

/** The signed-in teacher, looked up once a request; null for a stranger. */
export const currentTeacher = cache(async (): Promise<Teacher | null> => {
  const token = await signInToken();
  return token ? teacherOf(db(), token, now()) : null;
});

/** For pages and actions: a stranger is sent to sign in. */
export async function requireTeacher(): Promise<Teacher> {
  return (await currentTeacher()) ?? redirect('/sign-in');
}

/** Where the request came from, for counting failed sign-ins. */
export async function clientAddress(): Promise<string> {
  const forwarded = (await headers()).get('x-forwarded-for');
  return forwarded?.split(',')[0]?.trim() || 'unknown';
}
